import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./setup.mjs";

/**
 * Licences that what is shipped may be under: they ask for no more than to be named, or (LGPL, MPL) leave the rest
 * alone.
 */
const ALLOWED = new Set([
  "MIT",
  "MIT-0",
  "ISC",
  "Apache-2.0",
  "BSD-2-Clause",
  "BSD-3-Clause",
  "0BSD",
  "BlueOak-1.0.0",
  "CC0-1.0",
  "CC-BY-4.0",
  "Unlicense",
  "OFL-1.1",
  "LGPL-3.0",
  "LGPL-3.0-or-later",
  "MPL-2.0",
  "PostgreSQL",
  "Zlib",
  "Python-2.0",
]);

/** Packages whose licence stands in a file of theirs only. */
const TOLD_IN_A_FILE = new Map([["node_modules/png-js", "MIT"]]);

/** Names in a licence expression; of an "or" one is enough, of an "and" all are needed. */
function isAllowed(expression) {
  const plain = expression.replaceAll(/[()]/g, "");
  if (/ or /i.test(plain)) return plain.split(/ or /i).some(isAllowed);
  return plain.split(/ and /i).every((name) => ALLOWED.has(name.trim()));
}

const { packages } = JSON.parse(readFileSync(join(root, "package-lock.json"), "utf8"));
const refused = Object.entries(packages)
  .filter(([path, { dev }]) => path !== "" && !dev)
  .map(([path, { license }]) => [path, license ?? TOLD_IN_A_FILE.get(path) ?? "none told"])
  .filter(([, license]) => !isAllowed(license))
  .map(([path, license]) => `${path.replace("node_modules/", "")}: ${license}`);
for (const line of refused) console.error(`May it be shipped? ${line}`);
process.exit(refused.length === 0 ? 0 : 1);
