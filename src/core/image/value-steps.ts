import { luminanceOfValue } from "../colour/munsell-value";
import { xyzOfLinearP3 } from "../colour/display-p3";
import type { AreaImage } from "./pixels";

/** Fewest and most steps that a value study is read in. */
export const MIN_STEPS = 2;
export const MAX_STEPS = 9;

const LIMITS = new Map<number, readonly number[]>();

/** Luminances (0 to 1) between the steps, dark to light: equal steps of Munsell value from 0 to 10. */
export function stepLimits(steps: number): readonly number[] {
  let limits = LIMITS.get(steps);
  if (!limits) {
    limits = Array.from({ length: steps - 1 }, (_, i) => luminanceOfValue((10 * (i + 1)) / steps));
    LIMITS.set(steps, limits);
  }
  return limits;
}

/** Which step, 0 the darkest, a luminance falls in. */
export function stepOf(luminance: number, steps: number): number {
  const limits = stepLimits(steps);
  let step = 0;
  while (step < limits.length && luminance >= limits[step]!) step++;
  return step;
}

/** Munsell value that stands for a step: its middle. */
export function stepValue(step: number, steps: number): number {
  return (10 * (step + 0.5)) / steps;
}

/** Luminance of the grey that stands for a step. */
export const stepGrey = (step: number, steps: number): number => luminanceOfValue(stepValue(step, steps));

/** Share of the sheet in each step, dark to light; they sum to 1. */
export function stepShares(image: AreaImage, mask: Uint8Array, steps: number): number[] {
  const counts = new Array<number>(steps).fill(0);
  let all = 0;
  for (let i = 0; i < mask.length; i++) {
    if (mask[i] === 0) continue;
    const { linear } = image;
    counts[stepOf(xyzOfLinearP3({ r: linear[3 * i]!, g: linear[3 * i + 1]!, b: linear[3 * i + 2]! }).Y, steps)]!++;
    all++;
  }
  return counts.map((count) => count / Math.max(1, all));
}
