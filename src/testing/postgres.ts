import { execFileSync, spawn, type ChildProcess } from "node:child_process";
import { randomUUID } from "node:crypto";
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import pg from "pg";
import { freePort } from "./free-port";

/** A PostgreSQL server of one's own, on a folder that goes with it. */
export interface TestPostgres {
  /** Its address without a database. */
  readonly url: string;
  /** Makes an empty database; returns its address. */
  readonly database: () => Promise<string>;
  /** Kills it as a power cut would, and starts it again on the same folder. */
  readonly crash: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

/** A busy machine takes several times as long as an idle one to start it. */
const START_MS = 60_000;
const ROOT = "/usr/lib/postgresql";

/** Where Debian puts PostgreSQL's programs, the newest version's; null for none. */
export function postgresPrograms(): string | null {
  const versions = existsSync(ROOT) ? readdirSync(ROOT).sort((a, b) => Number(b) - Number(a)) : [];
  const found = versions.map((version) => join(ROOT, version, "bin")).find((bin) => existsSync(join(bin, "initdb")));
  return found ?? null;
}

/** PostgreSQL refuses to run as root: it runs as the user that its package made then. */
const asUser = (): { uid?: number; gid?: number } => {
  if (process.getuid?.() !== 0) return {};
  const id = (which: string): number => Number(execFileSync("id", [which, "postgres"], { encoding: "utf8" }));
  return { uid: id("-u"), gid: id("-g") };
};

const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Starts a PostgreSQL server of Debian's packages; null where there is none. */
export async function startPostgres(): Promise<TestPostgres | null> {
  const bin = postgresPrograms();
  if (!bin) return null;
  const user = asUser();
  const folder = mkdtempSync(join(tmpdir(), "abendrot-postgres-"));
  if (user.uid !== undefined) chownSync(folder, user.uid, user.gid!);
  const data = join(folder, "data");
  execFileSync(join(bin, "initdb"), ["-D", data, "-A", "trust", "-U", "postgres", "-E", "UTF8"], {
    ...user,
    cwd: folder,
    stdio: "ignore",
  });
  const port = await freePort();
  const url = `postgres://postgres@127.0.0.1:${port}`;
  let child: ChildProcess;
  const ask = async (statement: string): Promise<void> => {
    const client = new pg.Client({ connectionString: `${url}/postgres` });
    // A server that is only starting breaks the connection off.
    client.on("error", () => {});
    await client.connect();
    await client.query(statement).finally(() => client.end());
  };
  const start = async (): Promise<void> => {
    child = spawn(join(bin, "postgres"), ["-D", data, "-p", String(port), "-k", folder], {
      ...user,
      cwd: folder,
      stdio: "ignore",
    });
    for (const limit = Date.now() + START_MS; ;) {
      const answers = await ask("select 1").then(
        () => true,
        () => false,
      );
      if (answers) return;
      if (child.exitCode !== null || Date.now() > limit) {
        child.kill("SIGKILL");
        throw new Error(`PostgreSQL did not start (${child.exitCode ?? "no answer"}).`);
      }
      await sleep(50);
    }
  };
  const end = (signal: NodeJS.Signals): Promise<void> =>
    new Promise((resolve) => {
      child.once("exit", () => resolve());
      child.kill(signal);
    });
  await start();
  return {
    url,
    database: async () => {
      const name = `abendrot_${randomUUID().replaceAll("-", "")}`;
      await ask(`create database ${name}`);
      return `${url}/${name}`;
    },
    crash: async () => {
      await end("SIGKILL");
      // Its children see that it is gone before another one may take the folder.
      await sleep(500);
      await start();
    },
    stop: async () => {
      await end("SIGINT");
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
