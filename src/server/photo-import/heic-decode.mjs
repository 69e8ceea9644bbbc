import { readFileSync } from "node:fs";
import { createRequire } from "node:module";

const libheif = createRequire(import.meta.url)("libheif-js/wasm-bundle");

/** Mean of blocks of factor x factor pixels; rows and columns that fill no block are left off. */
function shrink(rgba, width, height, factor) {
  const [w, h] = [Math.floor(width / factor), Math.floor(height / factor)];
  const out = Buffer.alloc(w * h * 3);
  const n = factor * factor;
  for (let y = 0; y < h; y++) {
    for (let x = 0; x < w; x++) {
      let [r, g, b] = [0, 0, 0];
      for (let j = 0; j < factor; j++) {
        let at = 4 * ((y * factor + j) * width + x * factor);
        for (let i = 0; i < factor; i++, at += 4) {
          r += rgba[at];
          g += rgba[at + 1];
          b += rgba[at + 2];
        }
      }
      const to = 3 * (y * w + x);
      out[to] = Math.round(r / n);
      out[to + 1] = Math.round(g / n);
      out[to + 2] = Math.round(b / n);
    }
  }
  return { data: out, width: w, height: h };
}

/**
 * Decodes a HEIC file's main picture, upright as the file says, three bytes a pixel; shrunk by a
 * whole factor when its longer side stays at least so long. Throws when it can't be decoded.
 */
export async function decode(path, atLeastPx) {
  const [image] = new libheif.HeifDecoder().decode(readFileSync(path));
  if (!image) throw new Error("no picture");
  const [width, height] = [image.get_width(), image.get_height()];
  const target = { data: new Uint8ClampedArray(width * height * 4), width, height };
  const shown = await new Promise((resolve) => image.display(target, resolve));
  if (!shown) throw new Error("not decodable");
  return {
    ...shrink(target.data, width, height, Math.max(1, Math.floor(Math.max(width, height) / atLeastPx))),
    fullWidth: width,
    fullHeight: height,
  };
}
