import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = fileURLToPath(new URL("..", import.meta.url));

/** Oldest Node.js that Next.js 16 runs on. */
const OLDEST_NODE = [20, 9];

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < OLDEST_NODE[0] || (major === OLDEST_NODE[0] && minor < OLDEST_NODE[1])) {
    console.error(`Abendrot needs Node.js ${OLDEST_NODE.join(".")} or later; this is ${process.versions.node}.`);
    process.exit(1);
  }
}

/** Runs a command, its output held back unless it fails. */
function quietly(command, args, env = {}) {
  const done = spawnSync(command, args, { cwd: root, encoding: "utf8", env: { ...process.env, ...env }, maxBuffer: 64e6, shell: process.platform === "win32" });
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

/** Installs the packages of package-lock.json unless they are there already. */
export function ensureDependencies() {
  const stamp = join(root, "node_modules", ".abendrot-installed");
  const print = fingerprint(["package-lock.json"]);
  if (isCurrent(stamp, print)) return;
  console.log("Installing the packages (once, about a minute) …");
  quietly("npm", ["ci", "--no-audit", "--no-fund", "--include=dev"], { NODE_ENV: "" });
  writeFileSync(stamp, print);
}

/** Builds the program unless the present build is of the present sources. */
export function ensureBuild() {
  const stamp = join(root, ".next", "abendrot-build");
  const print = fingerprint(["src", "package-lock.json", "next.config.ts", "postcss.config.mjs"]);
  if (isCurrent(stamp, print)) return;
  console.log("Building Abendrot (once after each change, under a minute) …");
  quietly(process.execPath, [join(root, "node_modules", "next", "dist", "bin", "next"), "build"], { NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" });
  mkdirSync(join(root, ".next"), { recursive: true });
  writeFileSync(stamp, print);
}
