import { spawn, type ChildProcess } from "node:child_process";
import { randomUUID } from "node:crypto";
import { cpSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pg from "pg";
import { freePort, isFree } from "../src/testing/free-port";

/** A running Abendrot on a data folder of its own. */
export interface RunningServer {
  readonly url: string;
  readonly folder: string;
  readonly pid: number;
  readonly output: () => string;
  /** Sends a signal and waits for the end; the answer is the exit code. */
  readonly stop: (signal: NodeJS.Signals) => Promise<number | null>;
}

/** The server on which the suite is run, when it is run on one: its address without a database. */
const POSTGRES = process.env.ABENDROT_TEST_POSTGRES;
/** Notes which database goes with a folder. */
const DATABASE_NOTE = ".database";

async function asMaster(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: `${POSTGRES}/postgres` });
  await client.connect();
  await client.query(statement).finally(() => client.end());
}

/** Environment of a server on a database of its own: the folder's, or a copy of the one with the demo. */
async function onPostgres(folder: string): Promise<Record<string, string>> {
  if (!POSTGRES) return {};
  const note = join(folder, DATABASE_NOTE);
  const [own, template] = existsSync(note) ? readFileSync(note, "utf8").split("\n") : [];
  let name = own;
  if (!name || template === "") {
    name = `abendrot_${randomUUID().replaceAll("-", "")}`;
    await asMaster(`create database ${name}${own ? ` template ${own}` : ""}`);
    writeFileSync(note, `${name}\nused`);
  }
  return { DATABASE_URL: `${POSTGRES}/${name}`, ABENDROT_PAINTER: "Painter" };
}

/** Whether the suite is run on a PostgreSQL server: what is about a data folder of one's own is left out then. */
export const onServer = POSTGRES !== undefined;

/** Makes a folder's database one that others are copied from. */
export function asTemplate(folder: string): void {
  if (!POSTGRES) return;
  const note = join(folder, DATABASE_NOTE);
  writeFileSync(note, `${readFileSync(note, "utf8").split("\n")[0]}\n`);
}

export const freshFolder = (): string => mkdtempSync(join(tmpdir(), "abendrot-e2e-"));

/**
 * A data folder of one's own with the demo laid out: a copy of the one that global-setup.ts made; a fresh one without
 * it.
 */
export function demoFolder(): string {
  const folder = freshFolder();
  if (process.env.ABENDROT_DEMO_FOLDER) cpSync(process.env.ABENDROT_DEMO_FOLDER, folder, { recursive: true });
  return folder;
}

export { freePort };

/**
 * The database is WebAssembly: compiled once and quickly, since a server here lives a minute. It takes half the work
 * off its first answers.
 */
const shortLived = (): string[] => (process.env.ABENDROT_BENCH ? [] : ["--liftoff-only"]);

/** Starts scripts/start.mjs as `npm start` does, without waiting. */
export function launch(
  folder: string,
  port: number,
  more: Record<string, string> = {},
  words: readonly string[] = [],
): { child: ChildProcess; output: () => string; ended: Promise<number | null> } {
  const child = spawn(process.execPath, [...shortLived(), "scripts/start.mjs", ...words], {
    env: { ...process.env, PORT: String(port), ABENDROT_DATA: folder, ...more },
  });
  let text = "";
  child.stdout.on("data", (data: Buffer) => (text += data));
  child.stderr.on("data", (data: Buffer) => (text += data));
  const ended = new Promise<number | null>((resolve) => child.on("exit", resolve));
  return { child, output: () => text, ended };
}

let latestPort: number | null = null;

/** The port of the server before, once that is gone: a browser's profile knows the program by its address. */
async function portAsBefore(): Promise<number> {
  if (latestPort === null || !(await isFree(latestPort))) latestPort = await freePort();
  return latestPort;
}

/** Starts a server and waits until it prints its address. */
export async function startServer(
  folder = demoFolder(),
  port?: number,
  more: Record<string, string> = {},
  words: readonly string[] = [],
): Promise<RunningServer> {
  const at = port ?? (await portAsBefore());
  const { child, output, ended } = launch(folder, at, { ...(await onPostgres(folder)), ...more }, words);
  const url = `http://127.0.0.1:${at}`;
  const limit = Date.now() + 60_000;
  while (!output().includes(url)) {
    if (Date.now() > limit || child.exitCode !== null) throw new Error(`The server did not start:\n${output()}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    url,
    folder,
    pid: child.pid ?? 0,
    output,
    stop: (signal) => {
      child.kill(signal);
      return ended;
    },
  };
}
