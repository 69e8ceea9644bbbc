import { programFile } from "@/storage/program-folder";
import { spawn } from "node:child_process";
import { readFileSync } from "node:fs";

const SECONDS = 90;
const MB = 1024 * 1024;
/** Memory that one picture may take while it is developed. */
const MOST_BYTES = 900 * MB;
const WATCH_MS = 40;
/** Bytes of a memory page on the systems that have /proc (x86 and most ARM builds of Linux). */
const PAGE_BYTES = 4096;

/** A program took more memory than a picture may. */
export class TooMuchMemory extends Error {}

/** Memory that a process holds, bytes; 0 where the system does not say. */
function heldBy(pid: number): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, "utf8").split(" ")[1]) * PAGE_BYTES;
  } catch {
    return 0;
  }
}

/**
 * Runs one of this folder's programs in a process of its own and gives its output: the server goes
 * on answering, and the memory it takes, or a file that breaks it, stays outside. Throws
 * TooMuchMemory when it takes over 900 MB, and otherwise when it fails.
 */
export const runAside = (program: string, ...args: readonly string[]): Promise<Buffer> =>
  runWithin(MOST_BYTES, program, ...args);

/** The same with a bound of one's own on its memory. */
export function runWithin(mostBytes: number, program: string, ...args: readonly string[]): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const file = programFile("src", "server", "photo-import", program);
    const child = spawn(process.execPath, [file, ...args], {
      stdio: ["ignore", "pipe", "ignore"],
      timeout: SECONDS * 1000,
    });
    const chunks: Buffer[] = [];
    let tooMuch = false;
    const watch = setInterval(() => {
      if (!child.pid || heldBy(child.pid) <= mostBytes) return;
      tooMuch = true;
      child.kill("SIGKILL");
    }, WATCH_MS);
    child.stdout.on("data", (chunk: Buffer) => chunks.push(chunk));
    child.on("error", reject);
    child.on("close", (code) => {
      clearInterval(watch);
      if (tooMuch) reject(new TooMuchMemory(program));
      else if (code === 0) resolve(Buffer.concat(chunks));
      else reject(new Error(`${program} ended with ${code}`));
    });
  });
}
