import { choosePrepared, prepareChoice, type PreparedChoice, type SizeChoice } from "./choose";
import { servedBy } from "./gain";
import { eachRow, type MixCosts } from "./mix-costs";
import type { PaletteProblem } from "./problem";

/** Several paintings that one box is to serve: each counts alike, however many areas it has. */
export interface BoxProblem {
  /** Of each painting, in the order in which they were given. */
  readonly paintings: readonly MixCosts[];
  readonly prepared: PreparedChoice;
}

/** A mix that a painting's approach does not allow stands as far off as this, dE00: further than any other. */
const NOT_ALLOWED = 500;
/** What a paint must be worth to a painting to be needed there, its weighted mean dE00. From memory. */
export const NEEDED = 0.4;

/**
 * Brings weighed paintings together. All must be weighed on the same paints and the same combinations.
 * @param allowed of each painting, whether its approach allows a combination; all are where it is left out
 */
export function boxProblemOf(
  problems: readonly Pick<PaletteProblem, "costs">[],
  allowed: readonly ((combination: readonly number[]) => boolean)[] = [],
): BoxProblem {
  const [first] = problems;
  if (!first) throw new RangeError("A box is packed for at least one painting.");
  const { combinations, paints } = first.costs;
  const paintings = problems.map(({ costs }, i): MixCosts => {
    if (costs.combinations.length !== combinations.length)
      throw new RangeError("These paintings were weighed on other mixes.");
    const may = allowed[i];
    if (!may) return costs;
    const out = Uint8Array.from(combinations, (combination) => Number(!may(combination)));
    return { ...costs, costs: eachRow(costs.costs, (row) => row.map((cost, c) => cost + NOT_ALLOWED * out[c]!)) };
  });
  return {
    paintings,
    prepared: prepareChoice({
      paints,
      combinations,
      costs: paintings.flatMap(({ costs }) => costs),
      weights: paintings.flatMap(({ weights }) => {
        const total = weights.reduce((sum, weight) => sum + weight, 0) || 1;
        return weights.map((weight) => weight / total);
      }),
    }),
  };
}

/** A paint of a packed box. */
export interface PackedPaint {
  readonly paint: number;
  /** Of each painting, how much worse it gets without, weighted mean dE00; infinite where it is all there is. */
  readonly loss: readonly number[];
  /** Of each painting, how many of its colours are mixed with it. */
  readonly colours: readonly number[];
}

/** What a box does for a painting. */
interface PackedPainting {
  /** Weighted mean of what its colours come out off by in the hand, dE00. */
  readonly error: number;
  /** The same with all paints that could be packed. */
  readonly atHome: number;
  /** If every part were exact, of each colour. */
  readonly ideal: readonly number[];
}

export interface PackedBox {
  readonly paints: readonly PackedPaint[];
  readonly paintings: readonly PackedPainting[];
  /** How many boxes of this size there are: this one is the best of all of them. */
  readonly outOf: number;
  /** Wells left over: nothing more would be mixed with. */
  readonly free: number;
  /** Wells after which one more hardly helps. */
  readonly enough: number;
}

const meanOf = ({ weights }: Pick<MixCosts, "weights">, served: readonly { readonly error: number }[]): number =>
  served.reduce((sum, { error }, t) => sum + weights[t]! * error, 0) /
  (weights.reduce((sum, weight) => sum + weight, 0) || 1);

/** The size after which no further paint gains a painting as much as is needed of one, in the mean. */
function enoughOf(sizes: readonly SizeChoice[], paintings: number): number {
  const found = sizes.filter(({ best }) => best.length > 0);
  const at = found.findIndex(
    ({ best: [now] }, i) => i + 1 < found.length && now!.error - found[i + 1]!.best[0]!.error < NEEDED / paintings,
  );
  return (found[at] ?? found.at(-1))!.size;
}

/**
 * The box of so many paints that serves all paintings best together, proven like a palette; null where there are not so
 * many paints, or nothing can be packed.
 * @param must paints that are packed in any case
 * @param never paints that stay at home
 */
export function packBox(
  { paintings, prepared }: BoxProblem,
  size: number,
  must: readonly number[],
  never: readonly number[],
): PackedBox | null {
  const sizes = Array.from({ length: size }, (_, i) => i + 1);
  const all = choosePrepared(prepared, sizes, { must, never }, 1);
  const found = all.find((choice) => choice.size === size);
  const whole = found?.best[0]?.paints;
  if (!found || !whole) return null;
  const used = new Set(paintings.flatMap((costs) => servedBy(costs, whole).flatMap(({ combination }) => combination)));
  const box = whole.filter((p) => used.has(p) || must.includes(p));
  const left = new Set(never);
  const everything = [...Array(prepared.costs.paints).keys()].filter((p) => !left.has(p));
  const served = paintings.map((costs) => servedBy(costs, box));
  const before = paintings.map((costs, i) => meanOf(costs, served[i]!));
  return {
    outOf: found.outOf,
    free: size - box.length,
    enough: enoughOf(all, paintings.length),
    paintings: paintings.map((costs, i) => ({
      error: before[i]!,
      atHome: meanOf(costs, servedBy(costs, everything)),
      ideal: served[i]!.map(({ ideal }) => ideal),
    })),
    paints: box.map((paint) => {
      const rest = box.filter((p) => p !== paint);
      return {
        paint,
        loss: paintings.map((costs, i) =>
          rest.length > 0 ? Math.max(0, meanOf(costs, servedBy(costs, rest)) - before[i]!) : Infinity,
        ),
        colours: served.map((targets) => targets.filter(({ combination }) => combination.includes(paint)).length),
      };
    }),
  };
}
