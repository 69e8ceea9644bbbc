import { compareColours } from "../colour/compare";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { handSquares, movedSquares, partDeviation, type Hand } from "./hand";
import { groundsOf, REMAINS, tubeDoubt, type LikelyError } from "./likely-error";
import { fullMetric, residuals } from "./metric";
import type { PaintModel } from "./paint";
import { predict } from "./predict";
import { SLOPE } from "./refine";

/** The part of a mix that a hand must mind most: a paint, or the strength of the whole. */
interface DelicatePart {
  /** Null: how much of the whole mix is laid. */
  readonly paintId: string | null;
  /** How far the usual slip of it moves the dried colour, dE00. */
  readonly dE00: number;
  /** What a little more of it does, e.g. "greener". */
  readonly words: readonly string[];
}

/** What a recipe comes out off by, laid by a hand with tubes that are only more or less what their labels say; dE00. */
export interface ComesOut {
  /** Half of such washes come out nearer, nine in ten nearer than `p90`. */
  readonly median: number;
  readonly p90: number;
  /** Root mean square of all three together. */
  readonly rms: number;
  /** What each adds, root mean square: the exact mix's difference, parts and water, and the paints. */
  readonly from: { readonly reach: number; readonly hand: number; readonly paints: number };
  /** Null where no part stands out. */
  readonly delicate: DelicatePart | null;
  /** What is known of the paints. */
  readonly basis: LikelyError["basis"];
  readonly measurements: LikelyError["measurements"];
}

/**
 * Median and nine in ten over the root mean square of hand and paints, by what is known of the paints; an unmeasured
 * paint that hardly moves a mix is less sure than its slopes say. Set on the bench (laid-with-tubes.ts).
 */
const OF_RMS = {
  typical: { median: 0.8, p90: 1.6 },
  mixed: { median: 1, p90: 1.9 },
  measured: { median: 0.8, p90: 1.6 },
} as const;
/**
 * A part is delicate when a slip of it moves the colour by so much, dE00, and makes up this share of what the hand
 * adds. From memory.
 */
const DELICATE = { dE00: 2, share: 0.4 } as const;

const sum = (numbers: ArrayLike<number>): number => Array.from(numbers).reduce((all, x) => all + x, 0);

/** What more of one paint, or of all of them, makes of a mix; by a factor. */
function shifted(mix: readonly Part[], load: Load, paper: Paper, which: number | "load", by: number): Lab {
  if (which === "load") return predict(mix, load * by, paper).dry;
  const more = mix.map((part, i) => (i === which ? { ...part, parts: part.parts * by } : part));
  const total = (of: readonly Part[]): number => sum(of.map(({ parts }) => parts));
  return predict(more, (load * total(more)) / total(mix), paper).dry;
}

interface Part {
  readonly paint: PaintModel;
  readonly parts: number;
}

/**
 * What a recipe comes out off by: its difference, what the hand adds and what is not known of its paints, by slopes at
 * the mix; and the part to mind.
 * @param mix paints with parts above 0
 */
export function comesOut(target: Lab, mix: readonly Part[], load: Load, paper: Paper, hand: Hand): ComesOut {
  const { dry } = predict(mix, load, paper);
  const total = sum(mix.map(({ parts }) => parts));
  const shares = mix.map(({ parts }) => parts / total);
  const [base, at] = [new Float64Array(3), new Float64Array(3)];
  const metric = fullMetric(1);
  residuals(target, metric, dry.L, dry.a, dry.b, base, 0);
  const slopes = new Float64Array(3 * mix.length);
  for (let j = 0; j < mix.length; j++) {
    const more = Math.exp(SLOPE);
    const { L, a, b } =
      j === 0
        ? predict(mix, load / more, paper).dry
        : predict(
            mix.map((part, i) => (i === j ? { ...part, parts: part.parts * more } : part)),
            load,
            paper,
          ).dry;
    residuals(target, metric, L, a, b, at, 0);
    for (let k = 0; k < 3; k++) slopes[3 * j + k] = (at[k]! - base[k]!) / (j === 0 ? -SLOPE : SLOPE);
  }
  const moved = new Float64Array(mix.length);
  movedSquares(shares, slopes, moved);
  const byHand = handSquares(shares, slopes, moved, hand);
  const byPaints = REMAINS ** 2 + sum(mix.map(({ paint }, i) => tubeDoubt(paint, paper) ** 2 * moved[i]!));
  const reach = deltaE00(target, dry);
  const spread = byHand + byPaints;
  const slips: (readonly [which: number | "load", deviation: number, square: number])[] = [
    ["load", hand.water, hand.water ** 2 * sum(slopes.slice(0, 3).map((slope) => slope * slope))],
    ...(mix.length > 1
      ? shares.map((share, i) => [i, partDeviation(share, hand), partDeviation(share, hand) ** 2 * moved[i]!] as const)
      : []),
  ];
  const [which, deviation, square] = slips.reduce((most, slip) => (slip[2] > most[2] ? slip : most));
  const slipped = compareColours(dry, shifted(mix, load, paper, which, Math.exp(deviation)));
  const grounds = groundsOf(mix);
  const of = OF_RMS[grounds.basis];
  return {
    median: Math.sqrt(reach ** 2 + of.median ** 2 * spread),
    p90: Math.sqrt(reach ** 2 + of.p90 ** 2 * spread),
    rms: Math.sqrt(reach ** 2 + spread),
    from: { reach, hand: Math.sqrt(byHand), paints: Math.sqrt(byPaints) },
    delicate:
      slipped.dE00 >= DELICATE.dE00 && square >= DELICATE.share * byHand && slipped.words.length > 0
        ? { paintId: which === "load" ? null : mix[which]!.paint.id, dE00: slipped.dE00, words: slipped.words }
        : null,
    ...grounds,
  };
}
