import type { MixCosts } from "../mix-costs";
import { bitsOf, type Bits } from "./bits";

/** Combinations of one target, best first under the present prices, as bit sets of paints. */
export interface Ranked {
  readonly low: Uint32Array;
  readonly mid: Uint32Array;
  readonly high: Uint32Array;
  /** Weighted error. */
  readonly cost: Float64Array;
  /** Up to three paints a combination; the first is repeated. */
  readonly paints: Uint8Array;
  /** How many different paints. */
  readonly count: Uint8Array;
}

/** A target's useful combinations, cheapest first: one whose part does as well is never needed. */
export function rank({ combinations, weights }: MixCosts, costs: Float64Array, target: number, allowed: (paint: number) => boolean): Ranked {
  const byKey = new Map<string, number>();
  combinations.forEach((combination, c) => byKey.set(combination.join(), costs[c]));
  const useful = [...combinations.keys()].filter((c) => {
    const combination = combinations[c];
    if (!combination.every(allowed)) return false;
    if (combination.length === 1) return true;
    const parts = combination.length === 2
      ? combination.map((p) => [p])
      : [...combination.map((p) => [p]), [combination[0], combination[1]], [combination[0], combination[2]], [combination[1], combination[2]]];
    return parts.every((part) => (byKey.get(part.join()) ?? Infinity) > costs[c]);
  });
  useful.sort((a, b) => costs[a] - costs[b]);
  const ranked: Ranked = {
    low: new Uint32Array(useful.length), mid: new Uint32Array(useful.length), high: new Uint32Array(useful.length),
    cost: Float64Array.from(useful, (c) => weights[target] * costs[c]), paints: new Uint8Array(3 * useful.length), count: new Uint8Array(useful.length),
  };
  useful.forEach((c, i) => {
    const bits = bitsOf(combinations[c]);
    ranked.low[i] = bits.low;
    ranked.mid[i] = bits.mid;
    ranked.high[i] = bits.high;
    ranked.count[i] = combinations[c].length;
    for (let j = 0; j < 3; j++) ranked.paints[3 * i + j] = combinations[c][Math.min(j, combinations[c].length - 1)];
  });
  return ranked;
}

export function permuted(ranked: Ranked, order: readonly number[], cost: Float64Array): Ranked {
  const pick = <T extends Uint32Array | Uint8Array>(from: T): T => from.map((_, i) => from[order[i]]) as T;
  const paints = new Uint8Array(ranked.paints.length);
  order.forEach((from, i) => paints.set(ranked.paints.subarray(3 * from, 3 * from + 3), 3 * i));
  return { low: pick(ranked.low), mid: pick(ranked.mid), high: pick(ranked.high), count: pick(ranked.count), paints, cost };
}

/** First entry of a ranking, from a place on, whose paints all lie in a set; the ranking's length when there is none. */
export function firstWithin({ low, mid, high }: Ranked, set: Bits, from = 0): number {
  const [outLow, outMid, outHigh] = [~set.low, ~set.mid, ~set.high];
  for (let i = from; i < low.length; i++) if ((low[i] & outLow) === 0 && (mid[i] & outMid) === 0 && (high[i] & outHigh) === 0) return i;
  return low.length;
}

/** A target that no mix of the palette serves counts as this far off; it can't happen while every paint stands alone. */
export const OUT_OF_REACH = 1e6;

/** Weighted sum of errors of a set of paints. */
export function errorOf(ranked: readonly Ranked[], set: Bits): number {
  let sum = 0;
  for (const target of ranked) {
    const i = firstWithin(target, set);
    sum += i < target.cost.length ? target.cost[i] : OUT_OF_REACH;
  }
  return sum;
}

/**
 * Rankings without what no palette better than `limit` can use: a target's mix may cost at most the
 * limit less what the other targets cost at their very best.
 */
export function worthwhile(ranked: readonly Ranked[], limit: number): readonly Ranked[] {
  if (!Number.isFinite(limit)) return ranked;
  const least = ranked.map(({ cost }) => cost[0] ?? 0);
  const all = least.reduce((sum, cost) => sum + cost, 0);
  return ranked.map((target, t) => {
    const most = limit - (all - least[t]);
    let end = target.cost.length;
    while (end > 1 && target.cost[end - 1] > most) end--;
    const { low, mid, high, cost, paints, count } = target;
    return { low: low.subarray(0, end), mid: mid.subarray(0, end), high: high.subarray(0, end), cost: cost.subarray(0, end), paints: paints.subarray(0, 3 * end), count: count.subarray(0, end) };
  });
}
