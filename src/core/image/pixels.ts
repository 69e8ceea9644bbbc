import type { Lab, Rgb } from "../colour/colour";
import { labOfXyz } from "../colour/lab";
import { linearSrgbOfLinearP3, xyzOfLinearP3 } from "../colour/display-p3";
import { oklabOfLinearSrgb } from "../colour/oklab";
import { linearOfSrgb } from "../colour/srgb";
import { AS_IT_IS, type WhiteMatrix } from "./white";

/** Pixels of a photo's working copy: encoded Display P3, 4 bytes each (alpha ignored), row by row. */
export interface PixelArray {
  readonly data: Uint8ClampedArray | Uint8Array;
  readonly width: number;
  readonly height: number;
}

/** Linear light of an encoded byte (the transfer curve of sRGB, which Display P3 shares). */
export const LINEAR = Float64Array.from({ length: 256 }, (_, byte) => linearOfSrgb(byte / 255));

/** A channel this high is burnt out, and a pixel with none above the low mark is blocked: their colours are lost. */
export const BURNT_BYTE = 254;
export const BLOCKED_BYTE = 1;

/** Lab of linear Display P3 light under a white correction. */
export function labOfLinear(linear: Rgb, white: WhiteMatrix = AS_IT_IS): Lab {
  const { r, g, b } = linear;
  return labOfXyz(
    xyzOfLinearP3({
      r: white[0] * r + white[1] * g + white[2] * b,
      g: white[3] * r + white[4] * g + white[5] * b,
      b: white[6] * r + white[7] * g + white[8] * b,
    }),
  );
}

/** A photo shrunk to the size that areas are found at: planes of linear light and of OKLab. */
export interface AreaImage {
  readonly width: number;
  readonly height: number;
  /** Linear Display P3 after the white correction, 3 a pixel. */
  readonly linear: Float32Array;
  /** OKLab, 3 a pixel. */
  readonly oklab: Float32Array;
}

/** Longer side of the map that areas live on, px. */
const MAP_SIDE_PX = 1000;

/** Size of the area map of a working copy, px. */
export function mapSizeOf(width: number, height: number): { width: number; height: number } {
  const scale = Math.min(1, MAP_SIDE_PX / Math.max(width, height));
  return { width: Math.max(1, Math.round(width * scale)), height: Math.max(1, Math.round(height * scale)) };
}

/** Shrinks a working copy to its area map by averaging linear light over each map pixel's block. */
export function areaImageOf(photo: PixelArray, white: WhiteMatrix = AS_IT_IS): AreaImage {
  const { width, height } = mapSizeOf(photo.width, photo.height);
  const linear = new Float32Array(3 * width * height);
  const oklab = new Float32Array(3 * width * height);
  const [sx, sy] = [photo.width / width, photo.height / height];
  // Read once: an import may be looked up anew at every use.
  const [pixels, light] = [photo.data, LINEAR];
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.floor(y * sy), Math.max(Math.floor(y * sy) + 1, Math.floor((y + 1) * sy))];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.floor(x * sx), Math.max(Math.floor(x * sx) + 1, Math.floor((x + 1) * sx))];
      let r = 0;
      let g = 0;
      let b = 0;
      for (let j = top; j < bottom; j++) {
        for (let i = left; i < right; i++) {
          const from = 4 * (j * photo.width + i);
          r += light[pixels[from]!]!;
          g += light[pixels[from + 1]!]!;
          b += light[pixels[from + 2]!]!;
        }
      }
      const n = (bottom - top) * (right - left);
      r /= n;
      g /= n;
      b /= n;
      const at = 3 * (y * width + x);
      linear[at] = white[0] * r + white[1] * g + white[2] * b;
      linear[at + 1] = white[3] * r + white[4] * g + white[5] * b;
      linear[at + 2] = white[6] * r + white[7] * g + white[8] * b;
      const ok = oklabOfLinearSrgb(linearSrgbOfLinearP3({ r: linear[at], g: linear[at + 1]!, b: linear[at + 2]! }));
      oklab[at] = ok.L;
      oklab[at + 1] = ok.a;
      oklab[at + 2] = ok.b;
    }
  }
  return { width, height, linear, oklab };
}

/**
 * Longer side at which shapes are found and washes are read, px: two thirds of the map's, twice as fast, and finer
 * than a brush.
 */
const SHAPE_SIDE_PX = 640;

/** A map's image shrunk for finding shapes, by averaging light; the image itself when it is small enough. */
export function shapeImageOf(image: AreaImage): AreaImage {
  const scale = Math.min(1, SHAPE_SIDE_PX / Math.max(image.width, image.height));
  if (scale === 1) return image;
  const width = Math.max(1, Math.round(image.width * scale));
  const height = Math.max(1, Math.round(image.height * scale));
  const linear = new Float32Array(3 * width * height);
  const oklab = new Float32Array(3 * width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = spanOf(y, height, image.height);
    for (let x = 0; x < width; x++) {
      const [left, right] = spanOf(x, width, image.width);
      let [r, g, b] = [0, 0, 0];
      for (let j = top; j < bottom; j++) {
        for (let from = 3 * (j * image.width + left); from < 3 * (j * image.width + right); from += 3) {
          r += image.linear[from]!;
          g += image.linear[from + 1]!;
          b += image.linear[from + 2]!;
        }
      }
      const n = (bottom - top) * (right - left);
      const ok = oklabOfLinearSrgb(linearSrgbOfLinearP3({ r: r / n, g: g / n, b: b / n }));
      const at = 3 * (y * width + x);
      linear[at] = r / n;
      linear[at + 1] = g / n;
      linear[at + 2] = b / n;
      oklab[at] = ok.L;
      oklab[at + 1] = ok.a;
      oklab[at + 2] = ok.b;
    }
  }
  return { width, height, linear, oklab };
}

/** Pixels of the larger side that the i-th of the smaller one stands for. */
function spanOf(i: number, small: number, large: number): readonly [number, number] {
  const from = Math.floor((i * large) / small);
  return [from, Math.max(from + 1, Math.floor(((i + 1) * large) / small))];
}

/** Labels or marks of pixels brought to another size, each from the nearest pixel. */
export function resized<T extends Uint8Array | Int32Array>(
  values: T,
  from: { readonly width: number; readonly height: number },
  to: { readonly width: number; readonly height: number },
): T {
  if (from.width === to.width && from.height === to.height) return values;
  const out = new (values.constructor as new (length: number) => T)(to.width * to.height);
  for (let y = 0; y < to.height; y++) {
    const row = Math.min(from.height - 1, Math.floor(((y + 0.5) * from.height) / to.height)) * from.width;
    for (let x = 0; x < to.width; x++)
      out[y * to.width + x] = values[row + Math.min(from.width - 1, Math.floor(((x + 0.5) * from.width) / to.width))]!;
  }
  return out;
}
