import { partDeviation, type Hand } from "../mixing/hand";
import { addOuter } from "../numeric/three";
import type { PaintedMix } from "./evidence";
import type { MixSlopes } from "./slopes";

/** How the learned hand differs from the one that was supposed. */
export interface HandScale {
  /** Factor on the deviation of parts and of what a brush picks up. */
  readonly parts: number;
  /** Standard deviation of the logarithm of the water, beside the habit. */
  readonly water: number;
}

/** The ways in which a hand slips at a mix: for each the standard deviation and which three of the slips it moves. */
export function slipsOf(
  { mix }: Pick<PaintedMix, "mix">,
  hand: Hand,
  scale: HandScale,
): { readonly of: "water" | "parts"; readonly deviation: number; readonly at: number }[] {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const parts =
    mix.length < 2
      ? []
      : mix.map((part, p) => ({
          of: "parts" as const,
          deviation: scale.parts * partDeviation(part.parts / total, hand),
          at: 3 * (1 + p),
        }));
  return [{ of: "water", deviation: scale.water, at: 0 }, ...parts];
}

/**
 * Covariance of a swatch's colour around what is predicted of it, for a known state: its reading, the model, and the
 * hand's slips in water and parts.
 * @param unsure standard deviations of L*, a*, b* as read; zeros for the swatch itself
 */
export function noiseOf(
  painted: Pick<PaintedMix, "mix">,
  { slips }: Pick<MixSlopes, "slips">,
  unsure: readonly [number, number, number],
  hand: Hand,
  scale: HandScale,
): Float64Array {
  const noise = Float64Array.of(unsure[0] ** 2, 0, 0, 0, unsure[1] ** 2, 0, 0, 0, unsure[2] ** 2);
  for (const { deviation, at } of slipsOf(painted, hand, scale)) addOuter(noise, slips, deviation ** 2, at);
  return noise;
}
