import type { Hand } from "../mixing/hand";
import { inverse3, product3, quadratic3, sum3, times3 } from "../numeric/three";
import type { Evidence } from "./evidence";
import { noiseOf, slipsOf, type HandScale } from "./noise";
import type { MixSlopes } from "./slopes";

/** The supposed hand counts as so many swatches. From memory. */
const HAND_COUNTS = 8;
/** Rounds of expectation and maximisation for one state: each moves the hand a part of its way. */
const HAND_ROUNDS = 5;

/** A swatch beside what is known: what it is off by, and how unsure both are. */
export interface Beside {
  readonly swatch: Evidence;
  readonly seen: MixSlopes;
  readonly residual: Float64Array;
  /** Covariance of its predicted colour, all swatches counted, its own too. */
  readonly within: Float64Array;
  /** Standard deviations of its reading. */
  readonly unsure: readonly [number, number, number];
  /** What it counted for. */
  readonly weight: number;
}

/**
 * Squared distance of a swatch from what all others predict of it, in units of what is likely: its own say is taken out
 * of the posterior in closed form.
 */
export function distanceFromOthers({ residual, within, weight }: Beside, noise: Float64Array): number {
  const counted = noise.map((value) => value / weight);
  const without = inverse3(counted.map((value, i) => value - within[i]!));
  const spread = sum3(noise, sum3(within, product3(product3(within, without), within)));
  return quadratic3(inverse3(spread), times3(product3(counted, without), residual));
}

/**
 * The hand's scatter by expectation and maximisation (Dempster, Laird and Rubin 1977): the expected squares of its
 * slips in water and parts, given what the swatches are off by and how unsure the state still is.
 */
export function handAfter(swatches: readonly Beside[], supposed: Hand, before: HandScale): HandScale {
  let scale = before;
  for (let round = 0; round < HAND_ROUNDS; round++) {
    const sums = {
      water: { squares: HAND_COUNTS * supposed.water ** 2, count: HAND_COUNTS },
      parts: { squares: HAND_COUNTS, count: HAND_COUNTS },
    };
    for (const { swatch, seen, residual, within, unsure, weight } of swatches) {
      const noise = noiseOf(swatch, seen, unsure, supposed, scale);
      const inverse = inverse3(noise.map((value) => value / weight));
      for (const { of, deviation, at } of slipsOf(swatch, supposed, scale)) {
        const slip = seen.slips.subarray(at, at + 3);
        const towards = times3(inverse, slip);
        const along = towards.reduce((sum, value, k) => sum + value * residual[k]!, 0);
        const told = towards.reduce((sum, value, k) => sum + value * slip[k]!, 0);
        // Expected square of a slip in units of its deviation.
        const unit = deviation ** 2 * (along ** 2 + quadratic3(within, towards) - told) + 1;
        sums[of].squares += unit * (of === "water" ? deviation ** 2 : scale.parts ** 2);
        sums[of].count += 1;
      }
    }
    scale = {
      water: Math.sqrt(sums.water.squares / sums.water.count),
      parts: Math.sqrt(sums.parts.squares / sums.parts.count),
    };
  }
  return scale;
}

/** Of the last steps towards the hand no more than this is taken for what one step leaves of the one before. */
const LEFT_AT_MOST = 0.7;

/**
 * Expectation and maximisation come nearer by the same share each time: from two steps the end is told (Aitken's
 * delta-squared, Proceedings of the Royal Society of Edinburgh 46, 1926), on the logarithm of each deviation.
 */
export class HandTowards {
  private readonly steps: { readonly parts: number[]; readonly water: number[] } = { parts: [], water: [] };

  constructor(private at: HandScale) {}

  /** Where the steps lead to, from the next of them. */
  of(next: HandScale): HandScale {
    const led = (of: "parts" | "water"): number => {
      const step = Math.log(next[of] / this.at[of]);
      const before = this.steps[of].at(-1);
      this.steps[of].push(step);
      const left = !before ? 0 : Math.max(0, Math.min(LEFT_AT_MOST, step / before));
      // After such a leap the steps tell nothing of each other.
      if (left > 0) this.steps[of].length = 0;
      return next[of] * Math.exp((step * left) / (1 - left));
    };
    this.at = { parts: led("parts"), water: led("water") };
    return this.at;
  }
}
