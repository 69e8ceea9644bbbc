import { COLOURED_CHROMA, PAINTED_GREY_CHROMA } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import type { PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { separationOf, type Separation } from "../mixing/separation";
import type { Load } from "../optics/load";
import { pigmentById } from "../pigments/handbook";
import type { Paper } from "../optics/paper";

/** How two paints get on in one puddle. */
export type Verdict =
  /** The mix keeps its colour. */
  | "clean"
  /** It loses much of it, and stays a colour. */
  | "quiet"
  /** There is a proportion at which it is a grey. */
  | "grey";

/** What two paints do with each other. */
export interface Agreement {
  readonly first: PaintModel;
  readonly second: PaintModel;
  /** The two by themselves, as they dry. */
  readonly apart: readonly [Lab, Lab];
  readonly verdict: Verdict;
  /** The proportion at which neither has the upper hand, and what it dries to. */
  readonly balanced: { readonly parts: readonly [number, number]; readonly dry: Lab };
  /** Chroma of the balanced mix over that of the purer paint. */
  readonly kept: number;
  /** The greyest proportion, when it is one. */
  readonly grey: { readonly parts: readonly [number, number]; readonly dry: Lab } | null;
  readonly separates: Separation["word"];
  /** Those of the two that cover. */
  readonly covers: readonly PaintModel[];
}

/** Proportions that are tried: what a painter counts, from eight to one to one to eight. */
const RATIOS: readonly (readonly [number, number])[] = [
  [8, 1],
  [6, 1],
  [4, 1],
  [3, 1],
  [2, 1],
  [3, 2],
  [1, 1],
  [2, 3],
  [1, 2],
  [1, 3],
  [1, 4],
  [1, 6],
  [1, 8],
];
/** Covering pigments, as the handbook has them. */
const COVERING: ReadonlySet<string> = new Set(["opaque", "semi-opaque"]);
/** A full wash: one part of paint to three of water. */
const LOAD: Load = 0.25;
/** A mix that keeps this share of the purer paint's chroma is clean. From memory. */
const CLEAN = 0.5;

/** How two paints get on, in a full wash on a paper. */
export function agreementOf(first: PaintModel, second: PaintModel, paper: Paper): Agreement {
  const mixOf = ([a, b]: readonly [number, number]) => [
    { paint: first, parts: a },
    { paint: second, parts: b },
  ];
  const alone = [first, second].map((paint) => predict([{ paint, parts: 1 }], LOAD, paper).dry);
  const chromas = alone.map((lab) => describeColour(lab).chroma);
  const tried = RATIOS.map((parts) => {
    const { dry } = predict(mixOf(parts), LOAD, paper);
    const [one, two] = alone.map((lab) => deltaE00(lab, dry));
    return { parts, dry, chroma: describeColour(dry).chroma, lean: Math.abs(one! - two!) };
  });
  const balanced = tried.reduce((best, mix) => (mix.lean < best.lean ? mix : best));
  const greyest = tried.reduce((best, mix) => (mix.chroma < best.chroma ? mix : best));
  const makesGrey = greyest.chroma < PAINTED_GREY_CHROMA && Math.min(...chromas) >= COLOURED_CHROMA;
  const kept = balanced.chroma / Math.max(...chromas, 1);
  return {
    first,
    second,
    apart: [alone[0]!, alone[1]!],
    verdict: makesGrey ? "grey" : kept >= CLEAN ? "clean" : "quiet",
    balanced: { parts: balanced.parts, dry: balanced.dry },
    kept,
    grey: makesGrey ? { parts: greyest.parts, dry: greyest.dry } : null,
    separates: separationOf(mixOf(balanced.parts), LOAD, paper).word,
    covers: [first, second].filter(({ pigmentIds }) =>
      pigmentIds.some((id) => COVERING.has(pigmentById(id).transparency)),
    ),
  };
}

/** All pairs of some paints: of each with those before it. */
export const agreementsOf = (paints: readonly PaintModel[], paper: Paper): readonly Agreement[] =>
  paints.flatMap((second, i) => paints.slice(0, i).map((first) => agreementOf(first, second, paper)));
