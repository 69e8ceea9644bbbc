import { fitPatches, type MeasuredPatch } from "@/core/calibration/patches";
import { BOX_WATER, CARD_WATER } from "@/core/calibration/washes";
import { deltaE00 } from "@/core/colour/difference";
import { likelyErrorOf, type LikelyError } from "@/core/mixing/likely-error";
import { paintModel, type PaintModel } from "@/core/mixing/paint";
import { predict } from "@/core/mixing/predict";
import { normalFrom } from "@/core/numeric/normal";
import { seededRandom } from "@/core/numeric/random";
import { loadOfWater } from "@/core/optics/load";
import { PAPERS } from "@/core/optics/paper";
import { HANDBOOK } from "@/core/pigments/handbook";
import { foreignPaint, type ForeignPaint } from "./foreign-paint";
import { bareColour, foreignColour, foreignSheet, type ForeignSheet } from "./foreign-sheet";

/** How a painter's paints are known: by the label alone, by two washes, or by a whole row of a card. */
export const KNOWN_BY = ["label", "two washes", "five patches"] as const;
export type KnownBy = (typeof KNOWN_BY)[number];

/**
 * Scatter of a hand's loads from puddle to puddle, and its own habit, one standard deviation of the logarithm each.
 * From memory.
 */
export const HANDS = { careful: 0.1, loose: 0.28 } as const;
export const HABIT = 0.15;
/** What a reading of a good photo is off by, CIELAB units. From memory. */
const READING = 0.9;

/** One prediction of an unseen mix: what it missed by and what was told beforehand. */
export interface Missed {
  readonly paints: number;
  readonly miss: number;
  readonly told: LikelyError;
}

/** Boxes of eight paints, some washes of them measured, and mixes of one to three of them put to the truth. */
export function tellErrors(
  knownBy: KnownBy,
  hand: keyof typeof HANDS,
  seeds: readonly number[],
  mixes: number,
): Missed[] {
  return seeds.flatMap((seed) => {
    const random = seededRandom(seed);
    const normal = normalFrom(random);
    const sheet = foreignSheet(random);
    const paper = PAPERS[0];
    const habit = Math.exp(HABIT * normal());
    const read = (lab: { L: number; a: number; b: number }) => ({
      L: lab.L + READING * normal(),
      a: lab.a + READING * normal(),
      b: lab.b + READING * normal(),
    });
    const measured = (truth: ForeignPaint, base: PaintModel): PaintModel | null => {
      const water = knownBy === "two washes" ? BOX_WATER : CARD_WATER;
      const loads = water.map((parts) => loadOfWater(parts) * habit * Math.exp(HANDS[hand] * normal()));
      const mix = [{ paint: truth, share: 1 }];
      const patches: MeasuredPatch[] = water.map((waterParts, swatch) => ({
        what: knownBy === "five patches" && swatch === 4 ? "across on paper" : "wash",
        swatch,
        waterParts,
        lab: read(foreignColour(mix, loads[swatch]!, sheet)),
      }));
      patches.push({ what: "bare paper", swatch: 9, waterParts: 0, lab: read(bareColour(sheet, "paper")) });
      if (knownBy === "five patches")
        patches.push(
          { what: "bare line", swatch: 8, waterParts: 0, lab: read(bareColour(sheet, "black")) },
          {
            what: "across on line",
            swatch: 4,
            waterParts: water[4]!,
            lab: read(foreignColour(mix, loads[4]!, sheet, "black")),
          },
        );
      const fit = fitPatches(base, patches, paper);
      if ("refused" in fit) return null;
      return {
        ...base,
        optics: fit.optics,
        measured: { miss: fit.miss, loads: fit.loads, on: "2026-11-26", way: "bench" },
      };
    };
    const box: { truth: ForeignPaint; label: PaintModel; model: PaintModel }[] = [];
    while (box.length < 8) {
      const { id } = HANDBOOK[Math.floor(random() * HANDBOOK.length)]!;
      const truth = foreignPaint(id, random);
      const label = paintModel(`${box.length} ${id}`, [{ pigmentId: id, share: 1 }]);
      const model = knownBy === "label" ? label : measured(truth, label);
      if (model) box.push({ truth, label, model });
    }
    return Array.from({ length: mixes }, (_, i) => tryMix(1 + (i % 3), box, { random, sheet, habit }).missed);
  });
}

/**
 * Mixes so many paints of a box at random and puts what is predicted to the truth; also by how much the labels alone
 * miss it.
 */
export function tryMix(
  count: number,
  box: readonly { readonly truth: ForeignPaint; readonly label: PaintModel; readonly model: PaintModel }[],
  { random, sheet, habit }: { random: () => number; sheet: ForeignSheet; habit: number },
): { readonly missed: Missed; readonly byLabel: number } {
  const [paper] = PAPERS;
  const chosen = new Set<number>();
  while (chosen.size < count) chosen.add(Math.floor(random() * box.length));
  const parts = [...chosen].map((p) => ({ ...box[p]!, parts: 1 + Math.floor(5 * random()) }));
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  const load = Math.exp(Math.log(0.05) * random());
  const truth = foreignColour(
    parts.map((part) => ({ paint: part.truth, share: part.parts / total })),
    load * habit,
    sheet,
  );
  const mixOf = (which: "label" | "model") => parts.map((part) => ({ paint: part[which], parts: part.parts }));
  const missBy = (which: "label" | "model"): number => deltaE00(truth, predict(mixOf(which), load, paper!).dry);
  return {
    missed: { paints: count, miss: missBy("model"), told: likelyErrorOf(mixOf("model"), load, paper!) },
    byLabel: missBy("label"),
  };
}

/** Share of misses under what was told as the median, and as nine in ten. */
export function shareUnder(list: readonly Missed[]): { median: number; p90: number } {
  const share = (of: "median" | "p90"): number => list.filter(({ miss, told }) => miss < told[of]).length / list.length;
  return { median: share("median"), p90: share("p90") };
}
