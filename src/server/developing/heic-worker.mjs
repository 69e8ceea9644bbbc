/**
 * Decodes one HEIC file on a thread of its own, so that the server goes on answering and the
 * decoder's memory goes with the thread. Large pictures are handed over shrunk by a whole factor.
 */
import { readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { parentPort, workerData } from "node:worker_threads";

const { path, atLeastPx } = workerData;
const libheif = createRequire(import.meta.url)("libheif-js/wasm-bundle");

/** Mean of blocks of factor x factor pixels; rows and columns that fill no block are left off. */
function shrink(rgba, width, height, factor) {
  const [w, h] = [Math.floor(width / factor), Math.floor(height / factor)];
  const out = new Uint8Array(w * h * 3);
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      for (let c = 0; c < 3; c++) {
        let sum = 0;
        for (let j = 0; j < factor; j++) for (let i = 0; i < factor; i++) sum += rgba[4 * ((y * factor + j) * width + x * factor + i) + c];
        out[3 * (y * w + x) + c] = Math.round(sum / (factor * factor));
      }
    }
  }
  return { data: out, width: w, height: h };
}

const [image] = new libheif.HeifDecoder().decode(readFileSync(path));
if (!image) throw new Error("no picture");
const [width, height] = [image.get_width(), image.get_height()];
const target = { data: new Uint8ClampedArray(width * height * 4), width, height };
const shown = await new Promise((resolve) => image.display(target, resolve));
if (!shown) throw new Error("not decodable");
const factor = Math.max(1, Math.floor(Math.max(width, height) / atLeastPx));
const small = shrink(target.data, width, height, factor);
parentPort.postMessage({ ...small, fullWidth: width, fullHeight: height }, [small.data.buffer]);
