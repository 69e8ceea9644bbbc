import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));

/**
 * Oldest Node.js that everything here runs on: sharp needs import attributes, which came with 20.10 (seen: 20.9.0
 * fails, 20.10.0 runs).
 */
const OLDEST_NODE = [20, 10];

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1])) {
    console.error(`Abendrot needs Node.js ${OLDEST_NODE.join(".")} or later; this is ${process.versions.node}.`);
    process.exit(1);
  }
}

/** Runs a command, its output held back unless it fails. */
function quietly(command, args, env = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    encoding: "utf8",
    env: { ...process.env, ...env },
    maxBuffer: 64e6,
    shell: process.platform === "win32",
  });
  if (done.status !== 0) {
    console.error(`${done.stdout ?? ""}\n${done.stderr ?? ""}`);
    console.error(`"${command} ${args.join(" ")}" failed.`);
    process.exit(1);
  }
}

function addToHash(hash, path) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addToHash(hash, join(path, name));
  } else if (!/\.test\.tsx?$/.test(path)) {
    hash.update(path.slice(root.length)).update(readFileSync(path));
  }
}

function fingerprint(paths) {
  const hash = createHash("sha256");
  for (const path of paths) addToHash(hash, join(root, path));
  return hash.digest("hex");
}

const isCurrent = (stamp, print) => existsSync(stamp) && readFileSync(stamp, "utf8") === print;

/**
 * Whether `npm ci` or `npm install` has put the very packages of package-lock.json there: npm notes what it installed.
 */
function isInstalled() {
  try {
    const [wanted, there] = ["package-lock.json", join("node_modules", ".package-lock.json")].map(
      (file) => JSON.parse(readFileSync(join(root, file), "utf8")).packages,
    );
    // Packages for other systems are left out; everything else is there in its version.
    return Object.entries(wanted).every(
      ([path, { version, optional, link }]) =>
        path === "" || link || (there[path] ? there[path].version === version : optional === true),
    );
  } catch {
    return false;
  }
}

/** Installs the packages of package-lock.json unless they are there already. */
export function ensureDependencies() {
  const stamp = join(root, "node_modules", ".abendrot-installed");
  const print = fingerprint(["package-lock.json"]);
  if (isCurrent(stamp, print)) return;
  if (isInstalled()) return void writeFileSync(stamp, print);
  console.log("Installing the packages (once, about a minute) …");
  quietly("npm", ["ci", "--no-audit", "--no-fund", "--include=dev"], { NODE_ENV: "" });
  writeFileSync(stamp, print);
}

/** Builds the program unless the present build is of the present sources. */
export function ensureBuild() {
  const stamp = join(root, ".next", "abendrot-build");
  const print = fingerprint(["src", "package-lock.json", "next.config.mjs", "postcss.config.mjs"]);
  if (isCurrent(stamp, print)) return;
  console.log("Building Abendrot (once after each change, under a minute) …");
  quietly(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "build"], {
    NODE_ENV: "production",
    NEXT_TELEMETRY_DISABLED: "1",
    ABENDROT_FIRST_BUILD: existsSync(stamp) ? "" : "yes",
  });
  mkdirSync(join(root, ".next"), { recursive: true });
  writeFileSync(stamp, print);
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  checkNode();
  ensureDependencies();
  // With --packages nothing is made of them yet. Not waited for at this level: it needs this module whole.
  if (!process.argv.includes("--packages"))
    void import("./empty-database.mjs").then(async ({ emptyDatabase }) => {
      const database = emptyDatabase();
      ensureBuild();
      await database;
    });
}
