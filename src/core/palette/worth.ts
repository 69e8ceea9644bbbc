import { servedBy } from "./gain";
import type { MixCosts } from "./mix-costs";

/** What a palette gives its paints to do. */
export interface PaletteWorth {
  /** For each paint of the palette, in its order. */
  readonly paints: readonly PaintWorth[];
  /** Pairs of which one is enough: without either hardly anything is lost, without both much is. */
  readonly sameJob: readonly (readonly [number, number])[];
}

interface PaintWorth {
  readonly paint: number;
  /** Targets that it serves. */
  readonly targets: readonly number[];
  /** Weighted mean error that its absence adds. */
  readonly loss: number;
  /** Targets that hang on it alone: without it they get worse by this much. */
  readonly hanging: readonly { readonly target: number; readonly worse: number }[];
}

/** A paint whose absence adds less mean error than this does nothing. CIEDE2000, from memory. */
export const DOES_NOTHING = 0.1;
/** A target that gets this much worse hangs on a paint. CIEDE2000, from memory. */
const HANGS = 3;
/** Two paints do the same when one alone is missed by less than this and both by five times that. From memory. */
const ONE_IS_ENOUGH = 0.4;

const mean = (errors: readonly { readonly error: number }[], weights: readonly number[]): number =>
  errors.reduce((sum, { error }, t) => sum + weights[t]! * error, 0) / weights.reduce((sum, weight) => sum + weight, 0);

/** Weighs each paint of a palette by what would be lost without it. */
export function worthOf(costs: MixCosts, palette: readonly number[]): PaletteWorth {
  if (palette.length === 0) return { paints: [], sameJob: [] };
  const all = servedBy(costs, palette);
  const whole = mean(all, costs.weights);
  const without = (...out: readonly number[]): ReturnType<typeof servedBy> | null => {
    const rest = palette.filter((p) => !out.includes(p));
    return rest.length > 0 ? servedBy(costs, rest) : null;
  };
  const lossOf = (served: ReturnType<typeof servedBy> | null): number =>
    served ? mean(served, costs.weights) - whole : Infinity;
  const paints = palette.map((paint): PaintWorth => {
    const rest = without(paint);
    return {
      paint,
      loss: lossOf(rest),
      targets: all.flatMap(({ combination }, t) => (combination.includes(paint) ? [t] : [])),
      hanging: all.flatMap(({ error }, target) => {
        const worse = (rest?.[target]!.error ?? Infinity) - error;
        return worse >= HANGS ? [{ target, worse }] : [];
      }),
    };
  });
  const losses = new Map(paints.map(({ paint, loss }) => [paint, loss]));
  const sameJob = palette.flatMap((p, i) =>
    palette.slice(i + 1).flatMap((q) => {
      const [one, two] = [losses.get(p) ?? 0, losses.get(q) ?? 0];
      if (Math.max(one, two) >= ONE_IS_ENOUGH) return [];
      return lossOf(without(p, q)) >= Math.max(one + two + DOES_NOTHING, 5 * DOES_NOTHING) ? [[p, q] as const] : [];
    }),
  );
  return { paints, sameJob };
}

/** A convenience colour that is not laid out, and the mixing it would save. */
export interface Saving {
  readonly paint: number;
  /** Targets that would need fewer paints, none getting visibly worse. */
  readonly targets: readonly number[];
  /** Paints fewer to mix, over all those targets. */
  readonly fewer: number;
}

/** A mix may get this much worse for being simpler. CIEDE2000, from memory. */
const SIMPLER_MAY_COST = 0.75;

/** Of these paints (convenience colours at hand), which would save mixing beside a palette; the most first. */
export function savedMixing(costs: MixCosts, palette: readonly number[], among: readonly number[]): readonly Saving[] {
  if (palette.length === 0) return [];
  const now = servedBy(costs, palette);
  const combinations = costs.combinations;
  return among
    .filter((paint) => !palette.includes(paint))
    .map((paint): Saving => {
      const within = new Set([...palette, paint]);
      const usable = [...combinations.keys()].filter(
        (c) => combinations[c]!.includes(paint) && combinations[c]!.every((p) => within.has(p)),
      );
      const fewer = now.map(({ error, combination }, t) => {
        const simplest = Math.min(
          ...usable.filter((c) => costs.costs[t]![c]! <= error + SIMPLER_MAY_COST).map((c) => combinations[c]!.length),
        );
        return Math.max(0, combination.length - (Number.isFinite(simplest) ? simplest : combination.length));
      });
      return {
        paint,
        targets: fewer.flatMap((count, t) => (count > 0 ? [t] : [])),
        fewer: fewer.reduce((sum, count) => sum + count, 0),
      };
    })
    .filter(({ fewer }) => fewer > 0)
    .sort((a, b) => b.fewer - a.fewer);
}
