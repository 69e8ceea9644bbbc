import { lchOfLab } from "../colour/lab";
import { hueWord } from "../colour/describe";
import { drained } from "../numeric/in-turn";
import type { Paper } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import { looksOf } from "../mixing/looks";
import { paintModel, type PaintModel } from "../mixing/paint";
import { combinationsOf } from "../mixing/combinations";
import { makingReachTable } from "../mixing/reach-table";

/** A region of hue and value that some paints can't reach as purely as one common pigment could. */
export interface Gap {
  /** e.g. "light green". */
  readonly words: string;
  /** Most chroma the paints reach there, in mixes of up to two, and most that the pigment reaches. */
  readonly reached: number;
  readonly possible: number;
  /** The pigment that would open it. */
  readonly pigmentId: string;
}

const HUES = 12;
const BANDS = [
  { word: "dark", below: 40 },
  { word: "middle", below: 65 },
  { word: "light", below: 101 },
] as const;
/** Loads at which a pigment is asked what it could bring. */
const COMPARED_LOADS = [1, 0.6, 0.35, 0.2, 0.12, 0.07, 0.04];
/** A gap is worth a tube when the pigment brings this much more chroma. From memory. */
const WORTH_CHROMA = 14;
/** Pigments with these cautions, or that fade, are not the ones to wish for. */
const UNWANTED = new Set(["lead", "antimony"]);

const cellOf = (L: number, a: number, b: number): number => {
  const { h } = lchOfLab({ L, a, b });
  return Math.floor(h / (360 / HUES)) * BANDS.length + BANDS.findIndex(({ below }) => L < below);
};

/**
 * Regions of hue and value that the paints leave dull and one common, lasting pigment of the
 * handbook would open, widest first; a pigment is named once. Mixes of up to two paints are tried:
 * a third hardly ever makes a colour purer.
 */
export const findGaps = (...of: Parameters<typeof findingGaps>): readonly Gap[] => drained(findingGaps(...of));

/** {@link findGaps} step by step. */
export function* findingGaps(paints: readonly PaintModel[], paper: Paper): Generator<void, readonly Gap[]> {
  const reached = new Float64Array(HUES * BANDS.length);
  const mixes = combinationsOf(paints, { maxPaints: 2, maxPigments: 8 });
  const { L, a, b } = yield* makingReachTable(mixes, paints, paper);
  yield;
  for (let i = 0; i < L.length; i++) {
    const cell = cellOf(L[i]!, a[i]!, b[i]!);
    reached[cell] = Math.max(reached[cell]!, Math.hypot(a[i]!, b[i]!));
  }
  const owned = new Set(paints.flatMap(({ pigmentIds }) => pigmentIds));
  const wished = HANDBOOK.filter(
    ({ id, lightfastness, hazards = [] }) =>
      !owned.has(id) && lightfastness.class <= 2 && !hazards.some((metal) => UNWANTED.has(metal)),
  );
  const looks = looksOf(
    wished.map(({ id }) => paintModel(id, [{ pigmentId: id, share: 1 }])),
    COMPARED_LOADS,
    paper,
  );
  const best = new Map<number, { pigmentId: string; chroma: number }>();
  wished.forEach(({ id }, p) =>
    looks[p]!.forEach((lab) => {
      const cell = cellOf(lab.L, lab.a, lab.b);
      const chroma = Math.hypot(lab.a, lab.b);
      if (chroma > (best.get(cell)?.chroma ?? 0)) best.set(cell, { pigmentId: id, chroma });
    }),
  );
  const named = new Set<string>();
  return [...best]
    .map(([cell, { pigmentId, chroma }]): Gap => {
      const hue = (Math.floor(cell / BANDS.length) + 0.5) * (360 / HUES);
      return {
        words: `${BANDS[cell % BANDS.length]!.word} ${hueWord(hue)}`,
        reached: reached[cell]!,
        possible: chroma,
        pigmentId,
      };
    })
    .filter(({ reached: now, possible }) => possible - now > WORTH_CHROMA)
    .sort((one, two) => two.possible - two.reached - (one.possible - one.reached))
    .filter(({ pigmentId }) => !named.has(pigmentId) && named.add(pigmentId));
}
