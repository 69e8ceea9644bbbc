import { LINEAR, type PixelArray } from "../../image/pixels";
import { mapPoint } from "./homography";
import { FIDUCIAL, FIDUCIAL_CENTRES } from "./layout";
import type { FoundCard } from "./fiducials";
import type { GreyPicture } from "./dark-blobs";
import { medianOf } from "./pixels";

const ANGLES = 48;
const STEP_MM = 0.05;

/**
 * How far edges on the photo run out, mm on the card (one standard deviation of the blur): the way
 * from a quarter to three quarters of the step at the marks' outer rims is 1.349 deviations of a
 * Gaussian. The middle of the four marks counts.
 */
export function blurOf(photo: PixelArray, { onPhoto }: FoundCard): number {
  const widths = FIDUCIAL_CENTRES.map((mark) => {
    const profile: number[] = [];
    for (let r = FIDUCIAL.radius - 1.6; r <= FIDUCIAL.radius + 2.4; r += STEP_MM) {
      let sum = 0;
      for (let k = 0; k < ANGLES; k++) {
        const angle = (2 * Math.PI * k) / ANGLES;
        const { x, y } = mapPoint(onPhoto, { x: mark.x + r * Math.cos(angle), y: mark.y + r * Math.sin(angle) });
        const [px, py] = [
          Math.min(photo.width - 1, Math.max(0, Math.floor(x))),
          Math.min(photo.height - 1, Math.max(0, Math.floor(y))),
        ];
        sum += LINEAR[photo.data[4 * (py * photo.width + px) + 1]!]!;
      }
      profile.push(sum / ANGLES);
    }
    const [dark, bright] = [Math.min(...profile.slice(0, 24)), Math.max(...profile)];
    const reached = (share: number): number =>
      profile.findIndex((v, i) => i > 8 && v >= dark + share * (bright - dark));
    return ((reached(0.75) - reached(0.25)) * STEP_MM) / 1.349;
  });
  return medianOf(widths);
}

/** Less contrast than this (cube root of light) tells nothing about blur. */
const LEAST_CONTRAST = 0.25;

/**
 * How far the sharpest edges of a whole picture run out, px (one standard deviation), for one in
 * which no card was found: a step of height c blurred by s has the slope c / (s sqrt(2 pi)). Null
 * for a picture without contrast.
 */
export function sharpestEdge({ data, width, height }: GreyPicture): number | null {
  const sorted = Float32Array.from(data).sort();
  const contrast = sorted[Math.floor(0.98 * (sorted.length - 1))]! - sorted[Math.floor(0.02 * (sorted.length - 1))]!;
  if (contrast < LEAST_CONTRAST) return null;
  const slopes = new Float32Array((width - 2) * height);
  for (let y = 0; y < height; y++)
    for (let x = 1; x < width - 1; x++)
      slopes[y * (width - 2) + x - 1] = Math.abs(data[y * width + x + 1]! - data[y * width + x - 1]!) / 2;
  slopes.sort();
  return contrast / (Math.sqrt(2 * Math.PI) * Math.max(1e-4, slopes[Math.floor(0.999 * (slopes.length - 1))]!));
}
