/** Pigment per area of the dried film: 1 is the paint brushed out as strong as it goes (its masstone). */
export type Load = number;

/** Parts of water to one part of paint, by volume in the puddle. */
export type WaterParts = number;

/** One rung of the strength ladder. */
export interface WashStrength {
  readonly word: string;
  /** What the puddle looks like in the well. */
  readonly puddle: string;
  /** Water to one part of paint at this rung. */
  readonly waterParts: WaterParts;
}

/**
 * The strength ladder, strongest first. Words and shares from memory; common practice, no source:
 * a painter's own swatches replace them.
 */
export const WASH_STRENGTHS: readonly WashStrength[] = [
  { word: "neat", puddle: "as it comes from the tube, brush just damp", waterParts: 0 },
  { word: "heavy", puddle: "thick and slow, holds the brush mark", waterParts: 0.5 },
  { word: "strong", puddle: "dark puddle that still runs", waterParts: 1.5 },
  { word: "full", puddle: "a full wash, runs down in a bead", waterParts: 3 },
  { word: "half", puddle: "half strength, the well shows through", waterParts: 6 },
  { word: "light", puddle: "coloured water", waterParts: 12 },
  { word: "pale", puddle: "mostly water", waterParts: 25 },
  { word: "breath", puddle: "water with a breath of colour", waterParts: 60 },
];

/** Water ratios that a painter can count, used when a strength is rounded. */
export const COUNTABLE_WATER: readonly WaterParts[] = [
  0, 0.25, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 5, 6, 7, 8, 10, 12, 15, 18, 20, 25, 30, 35, 40, 50, 60, 80,
];

/** The thinnest wash considered: the last countable ratio. */
export const MIN_LOAD: Load = 1 / 81;
export const MAX_LOAD: Load = 1;

/**
 * Load of a puddle of one part paint to `waterParts` of water. The wet film is taken as equally
 * thick at every dilution, so the load is the paint's share of the puddle.
 */
export function loadOfWater(waterParts: WaterParts): Load {
  return 1 / (1 + waterParts);
}

/** The countable water ratios that give no more than a load, the strongest first. */
export const waterUpTo = (strongest: Load): readonly WaterParts[] =>
  COUNTABLE_WATER.filter((water) => loadOfWater(water) <= strongest + 1e-9);

/** Parts of water to one of paint for a load; loads above 1 count as neat. */
export function waterOfLoad(load: Load): WaterParts {
  return Math.max(0, 1 / load - 1);
}

/** The rung nearest to a water ratio, compared on the logarithm of the load. */
export function washStrengthOf(waterParts: WaterParts): WashStrength {
  const target = Math.log(loadOfWater(waterParts));
  const distance = (s: WashStrength): number => Math.abs(Math.log(loadOfWater(s.waterParts)) - target);
  return WASH_STRENGTHS.reduce((best, s) => (distance(s) < distance(best) ? s : best));
}

/** The ratio as a painter says it: "neat", "2 paint : 1 water", "1 paint : 4 water". */
export function waterWords(waterParts: WaterParts): string {
  if (waterParts < 0.02) return "no water";
  if (waterParts < 1) {
    const [paint, water] = [
      [4, 1],
      [2, 1],
      [4, 3],
    ].reduce((best, pair) =>
      Math.abs(pair[1]! / pair[0]! - waterParts) < Math.abs(best[1]! / best[0]! - waterParts) ? pair : best,
    );
    return `${paint} paint : ${water} water`;
  }
  if (waterParts === 1.5) return "2 paint : 3 water";
  if (waterParts === 2.5) return "2 paint : 5 water";
  return `1 paint : ${Math.round(waterParts)} water`;
}
