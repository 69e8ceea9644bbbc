import { spawn } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { createServer } from "node:net";
import { join, resolve } from "node:path";
import { root } from "./setup.mjs";

/** The data folder, as src/server/context/environment.ts finds it. */
export const dataFolder = () =>
  process.env.ABENDROT_DATA
    ? resolve(process.env.INIT_CWD ?? process.cwd(), process.env.ABENDROT_DATA)
    : join(root, "data");

/** Address of an Abendrot that runs on the data folder; null for none that answers. */
async function running() {
  const note = join(dataFolder(), "abendrot.address");
  if (!existsSync(note)) return null;
  const address = readFileSync(note, "utf8").trim();
  const answer = await fetch(`${address}/api/copies`).catch(() => null);
  // Another one may have taken the address of one that was killed.
  const told = answer?.ok ? await answer.json() : answer ? { folder: dataFolder() } : null;
  return told?.folder === dataFolder() ? address : null;
}

function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.on("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/**
 * Does something with the Abendrot that runs on the data folder; where none runs, one is started for it, with `more` in
 * its environment.
 */
export async function withAbendrot(work, more = {}) {
  const already = await running();
  if (already) return work(already);
  const port = await freePort();
  // It lives for one answer: the database, WebAssembly, is compiled once and quickly.
  const child = spawn(process.execPath, ["--liftoff-only", join(root, "scripts", "start.mjs")], {
    env: { ...process.env, PORT: String(port), ABENDROT_DATA: dataFolder(), ABENDROT_QUIET: "1", ...more },
    stdio: ["ignore", "pipe", "inherit"],
  });
  const ended = new Promise((resolve) => child.on("exit", resolve));
  try {
    await new Promise((ready, fail) => {
      child.stdout.on("data", (words) => String(words).includes("Abendrot is at") && ready());
      void ended.then((code) => fail(new Error(`Abendrot could not be started (${code}).`)));
    });
    return await work(`http://127.0.0.1:${port}`);
  } finally {
    child.kill("SIGTERM");
    await ended;
  }
}

/** What a refusal says. */
export async function refusalOf(answer) {
  const words = await answer.text();
  try {
    return JSON.parse(words).message;
  } catch {
    return words || `It was refused (${answer.status}).`;
  }
}

/** Shows how far something is, on a line of its own. */
export function progressLine(words, total) {
  let last = -1;
  return (done) => {
    const percent = total > 0 ? Math.floor((100 * done) / total) : 0;
    if (percent === last || !process.stdout.isTTY) return;
    last = percent;
    process.stdout.write(`\r${words} ${percent} %${done === total ? "\n" : ""}`);
  };
}
