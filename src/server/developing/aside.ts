import { spawn } from "node:child_process";
import { join } from "node:path";

const SECONDS = 90;

/**
 * Runs one of this folder's programs in a process of its own and gives its output: the server goes
 * on answering, and the memory it takes, or a file that breaks it, stays outside. Throws when it fails.
 */
export function runAside(program: string, ...args: readonly string[]): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const file = join(/* turbopackIgnore: true */ process.cwd(), "src", "server", "developing", program);
    const child = spawn(process.execPath, [file, ...args], { stdio: ["ignore", "pipe", "ignore"], timeout: SECONDS * 1000 });
    const chunks: Buffer[] = [];
    child.stdout.on("data", (chunk: Buffer) => chunks.push(chunk));
    child.on("error", reject);
    child.on("close", (code) => (code === 0 ? resolve(Buffer.concat(chunks)) : reject(new Error(`${program} ended with ${code}`))));
  });
}
