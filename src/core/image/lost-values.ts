import { BLOCKED_BYTE, BURNT_BYTE, type AreaImage, type PixelArray } from "./pixels";

/**
 * Shares of the sheet that are burnt out and blocked, counted on the photo's own pixels.
 * @param mask 1 where the sheet is, in the pixels of `image`
 */
export function lostValues(
  { data, width, height }: PixelArray,
  mask: Uint8Array,
  image: AreaImage,
): { readonly burnt: number; readonly blocked: number } {
  let [burnt, blocked, all] = [0, 0, 0];
  for (let y = 0; y < height; y++) {
    const row = Math.min(image.height - 1, Math.floor((y * image.height) / height)) * image.width;
    for (let x = 0; x < width; x++) {
      if (mask[row + Math.min(image.width - 1, Math.floor((x * image.width) / width))] === 0) continue;
      const at = 4 * (y * width + x);
      const high = Math.max(data[at]!, data[at + 1]!, data[at + 2]!);
      all++;
      if (high >= BURNT_BYTE) burnt++;
      else if (high <= BLOCKED_BYTE) blocked++;
    }
  }
  return { burnt: burnt / Math.max(1, all), blocked: blocked / Math.max(1, all) };
}
