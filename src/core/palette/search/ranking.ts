import type { MixCosts } from "../mix-costs";
import { codeOf, lacking, MAX_PAINTS, type States } from "./paint-set";

/** Combinations of one target, cheapest first. */
export interface Ranked {
  /** The paints, see codeOf. */
  readonly code: Uint32Array;
  /** Weighted error. */
  readonly cost: Float64Array;
  length: number;
}

/** A target that no mix of a palette serves counts as this far off. */
export const OUT_OF_REACH = 1e6;

/**
 * For each combination its proper parts (single paints and pairs), six places each, as indices of combinations; -1
 * where there is none.
 */
function partsOfCombinations(combinations: MixCosts["combinations"]): Int32Array {
  const key = (a: number, b: number): number => a * 256 + b;
  const at = new Map<number, number>();
  combinations.forEach((paints, c) => paints.length < 3 && at.set(key(paints[0]!, paints[1] ?? 255), c));
  const parts = new Int32Array(6 * combinations.length).fill(-1);
  combinations.forEach((paints, c) => {
    if (paints.length === 1) return;
    let n = 6 * c;
    for (const p of paints) parts[n++] = at.get(key(p, 255)) ?? -1;
    if (paints.length < 3) return;
    for (const [i, j] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ])
      parts[n++] = at.get(key(paints[i!]!, paints[j!]!)) ?? -1;
  });
  return parts;
}

/** Fine enough that hardly any two costs fall together, coarse enough to leave room for an index in a double. */
const KEY_SCALE = 2 ** 24;
const KEY_INDEX = 2 ** 18;

/** A target's useful combinations, cheapest first: one whose part does as well is never needed. */
function rank(combinations: MixCosts["combinations"], parts: Int32Array, costs: Float64Array, weight: number): Ranked {
  const keys = new Float64Array(costs.length);
  let n = 0;
  for (let c = 0; c < costs.length; c++) {
    if (costs[c]! >= OUT_OF_REACH) continue;
    let needed = true;
    for (let i = 6 * c, end = i + 6; i < end && needed; i++) needed = parts[i]! < 0 || costs[parts[i]!]! > costs[c]!;
    if (needed) keys[n++] = Math.floor(costs[c]! * KEY_SCALE) * KEY_INDEX + c;
  }
  const sorted = keys.subarray(0, n).sort();
  const order = Uint32Array.from(sorted, (key) => key % KEY_INDEX);
  // Costs that share a key stand next to each other, perhaps in the wrong order.
  for (let i = 1; i < n; i++)
    for (let j = i; j > 0 && costs[order[j - 1]!]! > costs[order[j]!]!; j--)
      [order[j - 1], order[j]] = [order[j]!, order[j - 1]!];
  return {
    code: Uint32Array.from(order, (c) => codeOf(combinations[c]!)),
    cost: Float64Array.from(order, (c) => weight * costs[c]!),
    length: n,
  };
}

/** Rankings of all targets. Throws a RangeError for more paints than a choice can be made from. */
export function rankAll({ paints, combinations, costs, weights, demands = [] }: MixCosts): readonly Ranked[] {
  if (paints > MAX_PAINTS || combinations.length > KEY_INDEX)
    throw new RangeError(`A palette is chosen from at most ${MAX_PAINTS} paints and ${KEY_INDEX} mixes.`);
  const parts = partsOfCombinations(combinations);
  // Targets that share a row are one target that counts for all of them.
  const counted = new Map<Float64Array, number>();
  costs.forEach((row, t) => counted.set(row, (counted.get(row) ?? 0) + weights[t]!));
  return [
    ...[...counted].map(([row, weight]) => rank(combinations, parts, row, weight)),
    ...demands.map((demand) => rank(combinations, parts, demand, 1)),
  ];
}

/** A ranking without mixes that so many can be written into. */
export const emptyRanked = (capacity: number): Ranked => ({
  code: new Uint32Array(capacity),
  cost: new Float64Array(capacity),
  length: 0,
});

/**
 * Keeps of a ranking what lacks at most `wellsLeft` paints and costs at most `most`, down to the best
 * that the taken ones do alone: in `to`, which may be `from` itself.
 */
export function shorten(from: Ranked, to: Ranked, states: States, wellsLeft: number, most: number): void {
  const { code, cost, length } = from;
  const most3 = Math.min(3, wellsLeft);
  let n = 0;
  for (let i = 0; i < length && cost[i]! <= most; i++) {
    const missing = lacking(code[i]!, states);
    if (missing > most3) continue;
    to.code[n] = code[i]!;
    to.cost[n++] = cost[i]!;
    if (missing === 0) break;
  }
  to.length = n;
}

/** Weighted sum of errors of the taken paints. */
export function errorOf(ranked: readonly Ranked[], states: States): number {
  let sum = 0;
  for (const { code, cost, length } of ranked) {
    let i = 0;
    while (i < length && lacking(code[i]!, states) !== 0) i++;
    sum += i < length ? cost[i]! : OUT_OF_REACH;
  }
  return sum;
}

const gains = new Float64Array(256);

/** Weighted error of the taken paints with each open one added, for all of them at once, into `totals`. */
export function errorWithEach(ranked: readonly Ranked[], states: States, paints: number, totals: Float64Array): void {
  totals.fill(0, 0, paints);
  let base = 0;
  for (const { code, cost, length } of ranked) {
    gains.fill(Infinity, 0, paints);
    let own = OUT_OF_REACH;
    for (let i = 0; i < length; i++) {
      const c = code[i]!;
      const missing = lacking(c, states);
      if (missing > 1) continue;
      if (missing === 0) {
        own = cost[i]!;
        break;
      }
      const paint = states[c & 255] === 1 ? c & 255 : states[(c >>> 8) & 255] === 1 ? (c >>> 8) & 255 : c >>> 16;
      if (gains[paint] === Infinity) gains[paint] = cost[i]!;
    }
    base += own;
    for (let p = 0; p < paints; p++) if (gains[p]! < own) totals[p]! += gains[p]! - own;
  }
  for (let p = 0; p < paints; p++) totals[p]! += base;
}
