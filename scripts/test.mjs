import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync } from "node:fs";
import { setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { checkNode, ensureBuild, ensureDependencies, root } from "./setup.mjs";

checkNode();
process.chdir(root);
ensureDependencies();

const totals = { passed: 0, failed: 0, skipped: 0 };
/** What failed, told once more at the very end, where a log that is cut short still shows it. */
const failures = [];
const scratch = mkdtempSync(join(tmpdir(), "abendrot-test-"));
const tool = (...path) => join(root, "node_modules", ...path);

/** Behind the browser, whose tests wait for a screen: what is only computed takes what time is left over. */
const BEHIND = 10;

/** Runs a tool; what it says is held back and printed whole, so that what runs beside it does not mix with it. */
function run(args, { env = {}, live = false } = {}) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: live ? "inherit" : ["ignore", "pipe", "pipe"],
    });
    if (!live) setPriority(child.pid, BEHIND);
    const said = [];
    child.stdout?.on("data", (data) => said.push(data));
    child.stderr?.on("data", (data) => said.push(data));
    child.on("close", (code) => {
      process.stdout.write(Buffer.concat(said));
      resolve(code === 0);
    });
  });
}

/** The beginning of a failure's words, without the colours of a terminal. */
function firstLines(text = "") {
  const plain = text.replace(/\u001b\[[0-9;]*m/g, "");
  return plain
    .split("\n")
    .slice(0, 14)
    .map((line) => `    ${line}`)
    .join("\n");
}

/** A check that is one pass or one failure. */
function check(name, ok) {
  console.log(`${ok ? "passed" : "FAILED"}: ${name}`);
  if (!ok) failures.push(name);
  totals[ok ? "passed" : "failed"]++;
}

/** Adds a runner's own counts; a runner that failed, or passed, without a count is one failure. */
function count(name, ok, file, read) {
  let counts = { passed: 0, failed: 0, skipped: 0 };
  if (existsSync(file)) counts = read(JSON.parse(readFileSync(file, "utf8")));
  if (!ok && counts.failed === 0) counts.failed = 1;
  if (ok && counts.passed === 0) counts.failed = 1;
  if (counts.failed > 0) failures.push(...(counts.names?.length ? counts.names : [`${name}: no test named`]));
  console.log(`${name}: ${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped\n`);
  for (const key of Object.keys(totals)) totals[key] += counts[key];
}

const mayInstall = existsSync("/usr/bin/apt-get") && process.getuid?.() === 0;

function install(...packages) {
  const apt = (...args) =>
    spawnSync("apt-get", args, { stdio: "inherit", env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" } });
  apt("update", "-qq");
  apt("install", "-y", "-qq", "--no-install-recommends", ...packages);
}

/**
 * Whether there is a Chromium (playwright.config.ts looks in the same places), installed through apt when there is
 * none and we may.
 */
function hasChromium() {
  const found = () =>
    [process.env.CHROMIUM_PATH, "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].some(
      (path) => path && existsSync(path),
    );
  if (!found() && mayInstall) {
    console.log("Installing Chromium for the browser tests …");
    install("chromium-headless-shell");
    if (!found()) install("chromium");
  }
  return found();
}

/** Programs that make and read files for the tests; without them those tests are left out, and said to be. */
function fileMakers() {
  const missing = () =>
    ["heif-enc", "exiftool", "pdftoppm", "colverify"]
      .filter((program) => !existsSync(join("/usr/bin", program)))
      .concat(existsSync("/usr/lib/postgresql") ? [] : ["postgres"]);
  if (missing().length > 0 && mayInstall) {
    console.log(
      "Installing heif-enc, exiftool, poppler, argyll, colord-data and PostgreSQL, which the tests work with …",
    );
    install(
      ...["libheif-examples", "libimage-exiftool-perl", "poppler-utils", "argyll", "argyll-ref", "colord-data"],
      "postgresql",
    );
  }
  for (const program of missing()) console.log(`left out: tests that need ${program}`);
}

async function computed() {
  check("types", await run([tool("typescript-7", "bin", "tsc"), "--noEmit"]));
  check("lint", await run([tool("oxlint", "bin", "oxlint"), "-c", "oxlint.config.mjs"]));
  check("format", await run([tool("oxfmt", "bin", "oxfmt"), "--check"]));
  check("unused files, exports and packages", await run([tool("knip", "bin", "knip.js")]));
  check("licences", await run(["scripts/licences.mjs"]));
  const report = join(scratch, "unit.json");
  const ok = await run([
    tool("vitest", "vitest.mjs"),
    "run",
    "--reporter=default",
    "--reporter=json",
    `--outputFile.json=${report}`,
  ]);
  count("Unit tests", ok, report, (r) => ({
    passed: r.numPassedTests,
    failed: r.numFailedTests,
    skipped: r.numPendingTests,
    names: r.testResults.flatMap((file) =>
      file.assertionResults
        .filter((test) => test.status === "failed")
        .map((test) => `${file.name.replace(root, "")}: ${test.fullName}\n${firstLines(test.failureMessages[0])}`),
    ),
  }));
}

async function browsed() {
  if (!hasChromium()) return check("a Chromium for the browser tests (install it, or set CHROMIUM_PATH)", false);
  const report = join(scratch, "browser.json");
  const ok = await run([tool("@playwright", "test", "cli.js"), "test", "--retries=1"], {
    live: true,
    env: { PLAYWRIGHT_JSON_OUTPUT_NAME: report },
  });
  count("Browser tests", ok, report, ({ stats, suites }) => {
    const specs = suites.flatMap(function all(suite) {
      return [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(all)];
    });
    const names = specs
      .filter((spec) => !spec.ok)
      .map((spec) => {
        const errors = spec.tests.flatMap((test) => test.results.flatMap((result) => result.errors));
        return `${spec.file}: ${spec.title}\n${firstLines(errors.map((error) => error.message).join("\n"))}`;
      });
    if (stats.flaky > 0) console.log(`${stats.flaky} browser tests passed only when run again`);
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected, skipped: stats.skipped, names };
  });
}

fileMakers();
hasChromium();
ensureBuild();
await Promise.all([browsed(), computed()]);

if (failures.length > 0) console.log(`What failed:\n${failures.join("\n")}\n`);
console.log(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped`);
process.exit(totals.failed === 0 ? 0 : 1);
