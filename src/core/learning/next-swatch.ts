import { drained, eachInTurn } from "../numeric/in-turn";
import { inverse3, product3, sum3 } from "../numeric/three";
import { chromaFactor, readingUnsure, type PaintedMix, type ReadBy } from "./evidence";
import { noiseOf } from "./noise";
import { REMAINS } from "../mixing/likely-error";
import { mixSlopes, type MixSlopes } from "./slopes";
import type { Posterior } from "./posterior";

/**
 * Median of a mix's true miss over the root mean square that is expected of it: set on the bench
 * (src/testing/foreign-bench).
 */
export const MEDIAN_OF_EXPECTED = 0.72;

/** A mix that is to become surer, and how much it counts. */
export interface WantedMix extends PaintedMix {
  readonly weight: number;
}

/** A swatch to paint next. */
interface NextSwatch {
  /** Which of the candidates. */
  readonly index: number;
  /** Weighted expected error of the wanted mixes once this and those before it are painted, root mean square, dE. */
  readonly after: number;
  /** Of each wanted mix the expected error after it. */
  readonly each: readonly number[];
}

/** What is expected of a painting's mixes now, and the swatches that would make them surest, best first. */
export interface NextSwatches {
  readonly now: number;
  readonly eachNow: readonly number[];
  readonly chosen: readonly NextSwatch[];
}

/** Squared error of a colour as it is seen, from its covariance: a* and b* count less where colours are strong. */
function seenSquare(covariance: Float64Array, factor: number): number {
  return covariance[0]! + (covariance[4]! + covariance[8]!) / factor ** 2;
}

/** How some mixes and swatches vary together, as it stands. */
interface Together {
  readonly wanted: readonly (PaintedMix & { readonly weight: number })[];
  readonly factors: readonly number[];
  /** Covariance of each wanted mix. */
  own: Float64Array[];
  /** Covariance of wanted mix m with candidate c, and of candidates with each other. */
  cross: Float64Array[][];
  between: Float64Array[][];
  readonly noises: readonly Float64Array[];
}

const meanOf = (errors: readonly number[], wanted: readonly { readonly weight: number }[]): number => {
  const total = wanted.reduce((sum, { weight }) => sum + weight, 0);
  return errors.reduce((sum, error, m) => sum + wanted[m]!.weight * error, 0) / Math.max(total, 1e-12);
};

const transposed = (m: Float64Array): Float64Array =>
  Float64Array.of(m[0]!, m[3]!, m[6]!, m[1]!, m[4]!, m[7]!, m[2]!, m[5]!, m[8]!);

/** What a swatch would leave of a wanted mix's covariance. */
function left(t: Together, m: number, c: number, inverse: Float64Array): Float64Array {
  const gain = product3(t.cross[m]![c]!, inverse);
  const taken = product3(gain, transposed(t.cross[m]![c]!));
  return t.own[m]!.map((value, i) => value - taken[i]!);
}

const errorsOf = (covariances: readonly Float64Array[], { factors }: Together): number[] =>
  covariances.map((covariance, m) => Math.sqrt(Math.max(0, seenSquare(covariance, factors[m]!)) + REMAINS ** 2));

/**
 * Chooses the swatches that make some mixes surest: by the expected fall of their weighted error (Lindley 1956, with
 * the mean error in the place of Shannon's information), one after the other; in the linear case the fall does not
 * hang on how the swatches will come out.
 * @param candidates swatches that could be painted
 * @param count at most so many are chosen; one that brings nothing is not
 */
export const nextSwatches = (...question: Parameters<typeof choosingSwatches>): NextSwatches =>
  drained(choosingSwatches(...question));

/** {@link nextSwatches} step by step, so that a server can see to others in between. */
export function* choosingSwatches(
  { layout, state, covariance, hand, scale }: Posterior,
  wanted: readonly WantedMix[],
  candidates: readonly PaintedMix[],
  count: number,
  by: ReadBy = "sheet",
): Generator<void, NextSwatches> {
  const supposed = { ...hand, parts: hand.parts / scale.parts, pickUp: hand.pickUp / scale.parts };
  const asked = yield* eachInTurn(wanted, (one) => mixSlopes(one, layout, state));
  const offered: MixSlopes[] = yield* eachInTurn(candidates, (one) => mixSlopes(one, layout, state));
  // Of each candidate how it varies together with the wanted mixes, then with all candidates.
  const beside = yield* eachInTurn(offered, (one) => {
    const together = covariance.beside(one);
    return [asked.map((other) => transposed(together(other))), offered.map((other) => together(other))] as const;
  });
  const t: Together = {
    wanted,
    factors: asked.map(({ lab }) => chromaFactor(lab)),
    own: yield* eachInTurn(asked, (one) => covariance.of(one)),
    cross: asked.map((_one, m) => beside.map(([wantedBeside]) => wantedBeside[m]!)),
    between: beside.map(([, offeredBeside]) => offeredBeside),
    noises: candidates.map((one, c) => noiseOf(one, offered[c]!, readingUnsure(by, offered[c]!.lab), supposed, scale)),
  };
  const eachNow = errorsOf(t.own, t);
  const chosen: NextSwatch[] = [];
  let last = meanOf(eachNow, wanted);
  const now = last;
  while (chosen.length < count) {
    let best: NextSwatch | null = null;
    for (let c = 0; c < candidates.length; c++) {
      yield;
      const inverse = inverse3(sum3(t.between[c]![c]!, t.noises[c]!));
      const each = errorsOf(
        wanted.map((_one, m) => left(t, m, c, inverse)),
        t,
      );
      const after = meanOf(each, wanted);
      if (!best || after < best.after) best = { index: c, after, each };
    }
    if (!best || best.after > last - LEAST_FALL) break;
    chosen.push(best);
    last = best.after;
    yield* learnt(t, best.index);
  }
  return { now, eachNow, chosen };
}

/** A fall below this is none that anyone would see, dE. */
const LEAST_FALL = 0.005;

/** Takes a swatch as painted: all covariances are those after it. */
function* learnt(t: Together, c: number): Generator<void> {
  const inverse = inverse3(sum3(t.between[c]![c]!, t.noises[c]!));
  const own = t.own.map((_o, m) => left(t, m, c, inverse));
  const cross = yield* eachInTurn(t.cross, (row) => {
    const gain = product3(row[c]!, inverse);
    return row.map((value, d) => {
      const taken = product3(gain, t.between[c]![d]!);
      return value.map((x, i) => x - taken[i]!);
    });
  });
  const between = yield* eachInTurn(t.between, (row) => {
    const gain = product3(row[c]!, inverse);
    return row.map((value, d) => {
      const taken = product3(gain, t.between[c]![d]!);
      return value.map((x, i) => x - taken[i]!);
    });
  });
  t.own = own;
  t.cross = cross;
  t.between = between;
}
