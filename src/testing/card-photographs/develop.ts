import sharp from "sharp";
import { LINEAR, type PixelArray } from "@/core/image/pixels";
import { linearP3OfLinearSrgb } from "@/core/colour/display-p3";
import { encodedSrgb } from "../encoded-srgb";

/** Encoded sRGB as the Display P3 bytes of a working copy. */
export function workingCopyOf(srgb: ArrayLike<number>, width: number, height: number): PixelArray {
  const data = new Uint8ClampedArray(4 * width * height).fill(255);
  for (let i = 0; i < data.length; i += 4) {
    const { r, g, b } = linearP3OfLinearSrgb({
      r: LINEAR[srgb[i]!]!,
      g: LINEAR[srgb[i + 1]!]!,
      b: LINEAR[srgb[i + 2]!]!,
    });
    data[i] = encodedSrgb(r);
    data[i + 1] = encodedSrgb(g);
    data[i + 2] = encodedSrgb(b);
  }
  return { data, width, height };
}

/** Through a JPEG file of usual quality, as a phone writes it. */
export async function throughJpeg(srgb: Uint8ClampedArray, width: number, height: number): Promise<PixelArray> {
  const jpeg = await sharp(srgb, { raw: { width, height, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 88 })
    .toBuffer();
  return workingCopyOf(await sharp(jpeg).ensureAlpha().raw().toBuffer(), width, height);
}
