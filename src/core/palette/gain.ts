import type { Lab } from "../colour/colour";
import { codeOf } from "./search/paint-set";
import type { SizeChoice } from "./choose";
import type { MixCosts } from "./mix-costs";

/**
 * How a target is served by a palette: its error in the hand that was asked for (less what nobody sees), the
 * combination, and the colour it makes.
 */
export interface ServedTarget {
  readonly error: number;
  /** The same with what is not known of the paints. */
  readonly expected: number;
  /** As `error`, in a hand that never errs. */
  readonly ideal: number;
  readonly combination: readonly number[];
  readonly made: Lab | null;
}

/** Where each combination stands in a list of them, by its paints; made once for a list. */
const places = new WeakMap<MixCosts["combinations"], ReadonlyMap<number, number>>();
function placesOf(combinations: MixCosts["combinations"]): ReadonlyMap<number, number> {
  const known = places.get(combinations) ?? new Map(combinations.map((paints, c) => [codeOf(paints), c]));
  places.set(combinations, known);
  return known;
}

/** Combinations that a palette can mix, the simplest first. */
function within(combinations: MixCosts["combinations"], palette: readonly number[]): number[] {
  const at = placesOf(combinations);
  const sorted = [...palette].sort((a, b) => a - b);
  const found: number[][] = [[], [], []];
  const add = (paints: readonly number[]): void => {
    const c = at.get(codeOf(paints));
    if (c !== undefined) found[paints.length - 1]!.push(c);
  };
  sorted.forEach((p, i) => {
    add([p]);
    for (let j = i + 1; j < sorted.length; j++) {
      add([p, sorted[j]!]);
      for (let k = j + 1; k < sorted.length; k++) add([p, sorted[j]!, sorted[k]!]);
    }
  });
  return found.flat();
}

/** How each target is served by a palette of at least one paint. */
export function servedBy(
  { combinations, costs, inHand = costs, expected = inHand, ideal = inHand, made }: MixCosts,
  palette: readonly number[],
): readonly ServedTarget[] {
  // Of mixes that do equally well the simplest serves.
  const usable = within(combinations, palette);
  return costs.map((cost, t) => {
    const best = usable.reduce((least, c) => (cost[c]! < cost[least]! ? c : least), usable[0]!);
    const colour = made?.[t]!.subarray(3 * best, 3 * best + 3);
    return {
      error: inHand[t]![best]!,
      expected: expected[t]![best]!,
      ideal: ideal[t]![best]!,
      combination: combinations[best]!,
      made: colour ? { L: colour[0]!, a: colour[1]!, b: colour[2]! } : null,
    };
  });
}

/** A further paint that gains less than this much mean error (CIEDE2000) hardly helps. From memory. */
export const HARDLY_HELPS = 0.4;
/** A mean error above this is not good enough to stop at while paints still help at all. From memory. */
const NOT_GOOD_ENOUGH = 6;

/**
 * The size to recommend between two sizes: the smallest after which one more paint hardly helps.
 * Sizes at which no palette does what must be reached don't count.
 */
export function recommendedSize(choices: readonly SizeChoice[], from = 1, to = Infinity): number {
  const found = [...choices].filter(({ best }) => best.length > 0).sort((a, b) => a.size - b.size);
  const sorted = found.filter(({ size }) => size >= from && size <= to);
  const at = sorted.findIndex(({ best: [now], size }) => {
    const next = found.find((choice) => choice.size === size + 1)?.best[0];
    const gain = next ? now!.error - next.error : 0;
    return gain < HARDLY_HELPS && (now!.error < NOT_GOOD_ENOUGH || gain < HARDLY_HELPS / 4);
  });
  return (sorted[at < 0 ? sorted.length - 1 : at] ?? found.at(-1))?.size ?? 0;
}

/**
 * What the step from one palette to a larger one brings: paints that come and go, and each target's gain, largest
 * first.
 */
export function whatOneMoreBuys(
  costs: MixCosts,
  from: readonly number[],
  to: readonly number[],
): {
  readonly come: readonly number[];
  readonly go: readonly number[];
  readonly gains: readonly { readonly target: number; readonly gain: number }[];
} {
  const [before, after] = [servedBy(costs, from), servedBy(costs, to)];
  return {
    come: to.filter((p) => !from.includes(p)),
    go: from.filter((p) => !to.includes(p)),
    gains: before
      .map(({ error }, target) => ({ target, gain: error - after[target]!.error }))
      .sort((a, b) => b.gain - a.gain),
  };
}
