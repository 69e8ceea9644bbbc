import { spawn } from "node:child_process";
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { root } from "./setup.mjs";

const packages = join(root, "node_modules");
const PREFIX = ".abendrot-database-";

/** Counted up when it is made in another way. */
const WAY = 2;

/**
 * What PostgreSQL copies other databases from, which this one has none of: two thirds of its files, each of which is
 * copied once and synced at every start. Nothing else needs them (PostgreSQL manual, Template Databases).
 */
const WITHOUT_TEMPLATES = [
  "update pg_database set datistemplate = false where datname like 'template_'",
  "drop database template0",
  "drop database template1",
];

/** Where the empty database of the installed PGlite lies. */
function place() {
  const { version } = JSON.parse(readFileSync(join(packages, "@electric-sql", "pglite", "package.json"), "utf8"));
  return join(packages, `${PREFIX}${version}-${WAY}`);
}

/** Everything in a folder onto the disk; folders can't be synced everywhere. */
function sync(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile()) continue;
    const file = openSync(join(entry.parentPath ?? entry.path, entry.name), "r+");
    fsyncSync(file);
    closeSync(file);
  }
}

/** So long a making lasts at most: what lies there longer was broken off. */
const MAKING_MS = 600_000;

/** Clears what was broken off, and what was made for another PGlite or in another way. */
function sweep() {
  for (const name of readdirSync(packages)) {
    const path = join(packages, name);
    if (!name.startsWith(PREFIX) || path === place()) continue;
    if (Date.now() - statSync(path).mtimeMs > MAKING_MS) rmSync(path, { recursive: true, force: true });
  }
}

/** Makes it beside its place and puts it there whole: whoever else makes one at the same time puts the same there. */
async function make() {
  sweep();
  const { PGlite } = await import("@electric-sql/pglite");
  const aside = mkdtempSync(join(packages, `${PREFIX}making-`));
  try {
    const client = await PGlite.create(join(aside, "postgres"));
    for (const statement of WITHOUT_TEMPLATES) await client.exec(statement);
    await client.close();
    sync(aside);
    if (!existsSync(place())) renameSync(join(aside, "postgres"), place());
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}

/**
 * A database without tables, from which new data folders begin (src/storage/drizzle/open.ts): PostgreSQL takes seconds
 * to make one. It is made once for the installed packages, in a process of its own, while other things are done.
 * Answers with its path, or null when it could not be made: then each folder makes its own.
 */
export function emptyDatabase() {
  const path = place();
  if (existsSync(path)) return Promise.resolve(path);
  // WebAssembly is compiled once and quickly: it runs for a few seconds.
  const child = spawn(process.execPath, ["--liftoff-only", fileURLToPath(import.meta.url)], { stdio: "ignore" });
  return new Promise((resolve) => {
    child.on("error", () => resolve(null));
    child.on("close", () => resolve(existsSync(path) ? path : null));
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) await make();
