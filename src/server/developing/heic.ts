import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { z } from "zod";

const decoded = z.object({
  data: z.instanceof(Uint8Array<ArrayBuffer>), width: z.int().positive(), height: z.int().positive(),
  fullWidth: z.int().positive(), fullHeight: z.int().positive(),
});
/** Three bytes a pixel, upright (the decoder turns as the file says), perhaps shrunk. */
export type DecodedHeic = z.infer<typeof decoded>;

const SECONDS = 60;

/** Decodes a HEIC file's main picture; its longer side stays at least `atLeastPx` long. Throws when it can't. */
export function decodeHeic(path: string, atLeastPx: number): Promise<DecodedHeic> {
  return new Promise((resolve, reject) => {
    const file = join(/* turbopackIgnore: true */ process.cwd(), "src", "server", "developing", "heic-worker.mjs");
    const worker = new Worker(file, { workerData: { path, atLeastPx } });
    const limit = setTimeout(() => end(() => reject(new Error("took too long"))), SECONDS * 1000);
    function end(settle: () => void): void {
      clearTimeout(limit);
      void worker.terminate();
      settle();
    }
    worker.once("message", (message: unknown) => end(() => resolve(decoded.parse(message))));
    worker.once("error", (error) => end(() => reject(error)));
    worker.once("exit", () => end(() => reject(new Error("ended without a picture"))));
  });
}
