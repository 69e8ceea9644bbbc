import { residuals, type MixMetric } from "../mixing/metric";
import { ANY_CHARACTER } from "../mixing/character";
import type { PaletteTarget } from "./mix-costs";

/** Targets of which one stands for several that lie near each other, when palettes are chosen. */
export interface NearTargets {
  /** Those that stand for the others, with the mean size of the washes that they stand for. */
  readonly standing: readonly PaletteTarget[];
  /** For each target the place of the one that stands for it. */
  readonly by: readonly number[];
  /** How far a target lies from its own at most, dE (CIE94's weights) with the value weight. */
  readonly farthest: number;
}

/** Wishes beside the colour must be the same: washes of another character are never taken for one. */
const manner = ({ character = ANY_CHARACTER }: PaletteTarget): string => JSON.stringify(character);

/**
 * Of many targets at most `most` (or one of each character, if these are more) that stand for all: farthest-first
 * traversal (Gonzalez 1985: no target lies farther than twice the least that so many can do), then in each group the
 * target nearest to all of it. Weights decide nothing, so that a larger area asks for no mixing again.
 */
export function nearTargets(targets: readonly PaletteTarget[], metric: MixMetric, most: number): NearTargets {
  if (targets.length <= most) return { standing: targets, by: targets.map((_, t) => t), farthest: 0 };
  const manners = targets.map(manner);
  const three = new Float64Array(3);
  const apart = (t: number, u: number): number => {
    if (manners[t] !== manners[u]) return Infinity;
    const { L, a, b } = targets[u]!.lab;
    residuals(targets[t]!.lab, metric, L, a, b, three, 0);
    return Math.hypot(three[0]!, three[1]!, three[2]!);
  };
  const centres = [0];
  const by = targets.map(() => 0);
  const nearest = Float64Array.from(targets, (_, t) => apart(0, t));
  for (;;) {
    const farthest = nearest.reduce((least, distance, t) => (distance > nearest[least]! ? t : least), 0);
    if (nearest[farthest] !== Infinity && centres.length >= most) break;
    centres.push(farthest);
    targets.forEach((_, t) => {
      const distance = apart(farthest, t);
      if (distance >= nearest[t]!) return;
      nearest[t] = distance;
      by[t] = centres.length - 1;
    });
  }
  const groups = centres.map((_, g) => [...targets.keys()].filter((t) => by[t] === g));
  const standing = groups.map((group) => {
    const sums = group.map((t) => group.reduce((sum, u) => sum + apart(t, u), 0));
    return group[sums.indexOf(Math.min(...sums))]!;
  });
  return {
    standing: standing.map((t, g) => {
      const sizes = groups[g]!.map((u) => targets[u]!.areaCm2 ?? 0);
      return { ...targets[t]!, areaCm2: sizes.reduce((sum, size) => sum + size, 0) / sizes.length };
    }),
    by,
    farthest: targets.reduce((most, _, t) => Math.max(most, apart(standing[by[t]!]!, t)), 0),
  };
}
