import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { checkNode, ensureBuild, ensureDependencies, root } from "./setup.mjs";

checkNode();
process.chdir(root);
ensureDependencies();

const totals = { passed: 0, failed: 0 };
const scratch = mkdtempSync(join(tmpdir(), "abendrot-test-"));

function run(command, args, env = {}) {
  return spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } }).status === 0;
}

const tool = (...path) => join(root, "node_modules", ...path);

/** A check that is one pass or one failure. */
function check(name, ok) {
  console.log(`${ok ? "passed" : "FAILED"}: ${name}`);
  totals[ok ? "passed" : "failed"]++;
}

/** Adds a runner's own counts; a runner that failed without a count is one failure. */
function count(name, ok, file, read) {
  let counts = { passed: 0, failed: 0 };
  if (existsSync(file)) counts = read(JSON.parse(readFileSync(file, "utf8")));
  if (!ok && counts.failed === 0) counts.failed = 1;
  if (ok && counts.passed === 0) counts.failed = 1;
  console.log(`${name}: ${counts.passed} passed, ${counts.failed} failed\n`);
  totals.passed += counts.passed;
  totals.failed += counts.failed;
}

const mayInstall = existsSync("/usr/bin/apt-get") && process.getuid?.() === 0;

function install(...packages) {
  run("apt-get", ["update", "-qq"]);
  run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", ...packages], { DEBIAN_FRONTEND: "noninteractive" });
}

/** Path of a Chromium, installed through apt when there is none and we may. */
function chromium() {
  const places = [process.env.CHROMIUM_PATH, "/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"];
  const found = () => places.find((path) => path && existsSync(path));
  if (!found() && mayInstall) {
    console.log("Installing Chromium for the browser tests …");
    install("chromium");
  }
  return found();
}

/** Programs that make and read files for the tests; without them those tests are left out, and said to be. */
function fileMakers() {
  const missing = () => ["heif-enc", "exiftool", "pdftoppm", "colverify"].filter((program) => !existsSync(join("/usr/bin", program)));
  if (missing().length > 0 && mayInstall) {
    console.log("Installing heif-enc, exiftool, poppler and argyll, which files are made and checked with …");
    install("libheif-examples", "libimage-exiftool-perl", "poppler-utils", "argyll", "argyll-ref");
  }
  for (const program of missing()) console.log(`left out: tests that need ${program}`);
}

ensureBuild();
check("types", run(process.execPath, [tool("typescript", "bin", "tsc"), "--noEmit"]));
check("lint", run(process.execPath, [tool("eslint", "bin", "eslint.js"), ".", "--max-warnings", "0"]));

fileMakers();
const unit = join(scratch, "unit.json");
const unitOk = run(process.execPath, [tool("vitest", "vitest.mjs"), "run", "--reporter=default", "--reporter=json", `--outputFile.json=${unit}`]);
count("Unit tests", unitOk, unit, (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests }));

const browser = chromium();
if (browser) {
  const report = join(scratch, "browser.json");
  const ok = run(process.execPath, [tool("@playwright", "test", "cli.js"), "test"], { CHROMIUM_PATH: browser, PLAYWRIGHT_JSON_OUTPUT_NAME: report });
  count("Browser tests", ok, report, ({ stats }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected }));
} else {
  check("a Chromium for the browser tests (install it, or set CHROMIUM_PATH)", false);
}

console.log(`${totals.passed} passed, ${totals.failed} failed`);
process.exit(totals.failed === 0 ? 0 : 1);
