import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync } from "node:fs";
import { setPriority, tmpdir } from "node:os";
import { join } from "node:path";
import { checkNode, root } from "./setup.mjs";

checkNode();
process.chdir(root);

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

/** Whether there is a Chromium; playwright.config.ts looks in the same places. */
const hasChromium = () =>
  [process.env.CHROMIUM_PATH, "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].some(
    (path) => path && existsSync(path),
  );

/** Programs that make and read files for the tests; without them those tests are left out, and said to be. */
const missingMakers = () =>
  ["heif-enc", "exiftool", "pdftoppm", "colverify"]
    .filter((program) => !existsSync(join("/usr/bin", program)))
    .concat(existsSync("/usr/lib/postgresql") ? [] : ["postgres"]);
const MAKERS = [
  ...["libheif-examples", "libimage-exiftool-perl", "poppler-utils", "argyll", "argyll-ref", "colord-data"],
  "postgresql",
];

/** Installs through apt what the tests work with, where something of it is missing and we may. */
async function installPrograms() {
  const apt = (...args) =>
    new Promise((resolve) =>
      spawn("apt-get", args, {
        stdio: ["ignore", "ignore", "inherit"],
        env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
      }).on("close", resolve),
    );
  const get = (...packages) => {
    console.log(`Installing ${packages.join(", ")}, which the tests work with …`);
    return apt("install", "-y", "-qq", "--no-install-recommends", ...packages);
  };
  const makers = missingMakers().length > 0 ? MAKERS : [];
  if (mayInstall && (!hasChromium() || makers.length > 0)) {
    await apt("update", "-qq");
    await get(...(hasChromium() ? [] : ["chromium-headless-shell"]), ...makers);
    // What can't be had keeps nothing else away.
    if (!hasChromium()) await get("chromium");
    if (missingMakers().length > 0) await get(...MAKERS);
  }
  for (const program of missingMakers()) console.log(`left out: tests that need ${program}`);
}

/** What needs no browser; what needs neither the build nor a program begins while they are being made. */
async function computed(built, installed) {
  check("lint", await run([tool("oxlint", "bin", "oxlint"), "-c", "oxlint.config.mjs"]));
  check("format", await run([tool("oxfmt", "bin", "oxfmt"), "--check"]));
  check("unused files, exports and packages", await run([tool("knip", "bin", "knip.js")]));
  check("licences", await run(["scripts/licences.mjs"]));
  await installed;
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
  // The build makes types of the pages' addresses.
  await built;
  check("types", await run([tool("typescript-7", "bin", "tsc"), "--noEmit"]));
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

// Programs and packages are fetched at the same time: neither keeps two processors busy.
const installed = installPrograms();
if (!(await run(["scripts/setup.mjs", "--packages"], { live: true }))) process.exit(1);
const built = run(["scripts/setup.mjs"], { live: true });
await Promise.all([
  Promise.all([built, installed]).then(([made]) => (made ? browsed() : check("the build", false))),
  computed(built, installed),
]);

if (failures.length > 0) console.log(`What failed:\n${failures.join("\n")}\n`);
console.log(`${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped`);
process.exit(totals.failed === 0 ? 0 : 1);
