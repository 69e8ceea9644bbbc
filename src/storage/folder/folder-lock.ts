import { NamedError } from "../named-error";
import { programFile } from "../program-folder";
import { randomUUID } from "node:crypto";
import {
  existsSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  rmdirSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { hostname } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { z } from "zod";

/** Another process works on the data folder. */
export class FolderInUse extends NamedError {
  static override readonly kind = "FolderInUse";

  constructor(
    readonly folder: string,
    readonly owner: string,
  ) {
    super(
      `Abendrot is already running on the data folder "${folder}" (${owner}). ` +
        `Two at once would destroy it. Use the one that is running, stop it first, or set ABENDROT_DATA to another folder. ` +
        `(It says so by "${lockPathOf(folder)}", renewed every few seconds; one that was left by a crash ends by itself.)`,
    );
  }
}

/** Without a heartbeat for so long the lock's holder is gone. */
const STALE_MS = 10_000;
const UPDATE_MS = 2500;
const BEAT_MS = 1000;
const SETTLE_MS = 120;

const lockPathOf = (folder: string): string => join(folder, "abendrot.in-use");
const ownerPathOf = (folder: string): string => join(folder, "abendrot.owner.json");

/** Who holds the folder: only a process of the same boot and process namespace can be asked whether it lives. */
const ownerSchema = z.object({
  host: z.string(),
  boot: z.string(),
  namespace: z.string(),
  pid: z.int().positive(),
  started: z.string(),
  token: z.string(),
});
type Owner = z.infer<typeof ownerSchema>;

const attempt = (work: () => string): string => {
  try {
    return work();
  } catch {
    return "";
  }
};

/**
 * When a process started, in the kernel's own count, so that a reused process number is told apart; "" where unknown.
 */
const startOf = (pid: number): string =>
  attempt(() => {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    return stat.slice(stat.lastIndexOf(")") + 2).split(" ")[19] ?? "";
  });

const self = (): Owner => ({
  host: hostname(),
  boot: attempt(() => readFileSync("/proc/sys/kernel/random/boot_id", "utf8").trim()),
  namespace: attempt(() => readlinkSync("/proc/self/ns/pid")),
  pid: process.pid,
  started: startOf(process.pid),
  token: randomUUID(),
});

function readOwner(folder: string): Owner | null {
  try {
    return ownerSchema.parse(JSON.parse(readFileSync(ownerPathOf(folder), "utf8")));
  } catch {
    return null;
  }
}

const inWords = (owner: Owner | null): string => (owner ? `process ${owner.pid} on ${owner.host}` : "process unknown");

/** Whether a holder lives: only said where it can be known for sure. */
function livesFor(owner: Owner | null, me: Owner): "yes" | "no" | "unknown" {
  if (
    !owner ||
    owner.boot === "" ||
    owner.namespace === "" ||
    owner.boot !== me.boot ||
    owner.namespace !== me.namespace
  )
    return "unknown";
  return startOf(owner.pid) === owner.started && owner.started !== "" ? "yes" : "no";
}

const beatOf = (folder: string): number => (existsSync(lockPathOf(folder)) ? statSync(lockPathOf(folder)).mtimeMs : 0);

/** Takes away the lock of a holder that is surely gone. Renaming its note first lets only one newcomer do it. */
function clearDead(folder: string, me: Owner): void {
  const owner = readOwner(folder);
  if (livesFor(owner, me) !== "no") return;
  const beat = beatOf(folder);
  const aside = `${ownerPathOf(folder)}.${randomUUID()}`;
  try {
    renameSync(ownerPathOf(folder), aside);
    const taken = ownerSchema.parse(JSON.parse(readFileSync(aside, "utf8")));
    // Meanwhile somebody else has come in: its note goes back.
    if (taken.token !== owner!.token) return renameSync(aside, ownerPathOf(folder));
    if (beatOf(folder) === beat) rmdirSync(lockPathOf(folder));
  } catch {
    // Somebody else was quicker.
  }
  rmSync(aside, { force: true });
}

const sleep = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Waits until a holder that can't be asked has shown that it lives, or has been still too long. */
async function isStill(folder: string): Promise<boolean> {
  const first = beatOf(folder);
  for (let waited = 0; waited < STALE_MS + 2 * UPDATE_MS; waited += 500) {
    if (Date.now() - beatOf(folder) > STALE_MS) return true;
    await sleep(500);
    if (beatOf(folder) !== first) return beatOf(folder) === 0;
  }
  return true;
}

type KeeperNews =
  | { readonly kind: "held" | "taken" | "released" }
  | { readonly kind: "failed" | "lost"; readonly message: string };

/** Starts the lock's keeper; null when somebody else holds the lock. */
function startKeeper(folder: string, onLost: (message: string) => void): Promise<(() => Promise<void>) | null> {
  const beats = new SharedArrayBuffer(4);
  const beat = setInterval(() => Atomics.add(new Int32Array(beats), 0, 1), BEAT_MS);
  beat.unref();
  const file = programFile("src", "storage", "folder", "lock-keeper.mjs");
  const keeper = new Worker(file, {
    execArgv: [],
    workerData: { folder, lockPath: lockPathOf(folder), staleMs: STALE_MS, updateMs: UPDATE_MS, beats },
  });
  return new Promise((resolve, reject) => {
    let released = (): void => {};
    keeper.on("error", reject);
    keeper.on("message", (news: KeeperNews) => {
      if (news.kind === "taken") resolve(null);
      else if (news.kind === "failed") reject(new Error(news.message));
      else if (news.kind === "lost") onLost(news.message);
      else if (news.kind === "released") released();
      else {
        keeper.unref();
        resolve(async () => {
          await new Promise<void>((done) => {
            clearInterval(beat);
            released = done;
            keeper.ref();
            keeper.postMessage("release");
          });
          await keeper.terminate();
        });
      }
    });
  });
}

/**
 * Takes the data folder for this process; returns the function that gives it back. The lock has a
 * heartbeat, so that it holds between containers and machines that share the folder; one that a
 * crash left is taken over at once where its process can be asked for, else after ten still seconds.
 * Throws FolderInUse.
 * @param onLost called when the lock was lost to somebody else: nothing may be written any more
 * @param say told while a holder of unknown fate is waited for
 */
export async function lockFolder(
  folder: string,
  onLost: (message: string) => void,
  say: (words: string) => void = () => {},
): Promise<() => Promise<void>> {
  const me = self();
  for (let tries = 0; tries < 3; tries++) {
    clearDead(folder, me);
    const release = await startKeeper(folder, onLost);
    if (release) {
      writeFileSync(ownerPathOf(folder), JSON.stringify(me));
      // Of two that took a stale lock in the same instant, the one that wrote last has it.
      await sleep(SETTLE_MS);
      if (readOwner(folder)?.token === me.token && beatOf(folder) > 0) {
        return async () => {
          if (readOwner(folder)?.token === me.token) rmSync(ownerPathOf(folder), { force: true });
          await release();
        };
      }
    }
    const owner = readOwner(folder);
    if (livesFor(owner, me) === "yes") throw new FolderInUse(folder, inWords(owner));
    say(
      `The data folder was not given back by ${inWords(owner)}. Waiting up to ${(STALE_MS + 2 * UPDATE_MS) / 1000} seconds to see whether it still uses it …`,
    );
    if (!(await isStill(folder))) throw new FolderInUse(folder, inWords(owner));
  }
  throw new FolderInUse(folder, inWords(readOwner(folder)));
}
