import { deltaE00 } from "@/core/colour/difference";
import { learn, type Posterior } from "@/core/learning/posterior";
import type { Evidence, PaintedMix } from "@/core/learning/evidence";
import { nextSwatches, type WantedMix } from "@/core/learning/next-swatch";
import { habitFactor, learnedPaint, paperFactor } from "@/core/learning/learned-paint";
import { likelyErrorOf, type LikelyError } from "@/core/mixing/likely-error";
import { predict } from "@/core/mixing/predict";
import { HANDS, partDeviation } from "@/core/mixing/hand";
import { paintModel, type PaintModel } from "@/core/mixing/paint";
import { normalFrom } from "@/core/numeric/normal";
import { seededRandom } from "@/core/numeric/random";
import { loadOfWater } from "@/core/optics/load";
import { PAPERS } from "@/core/optics/paper";
import { BOX } from "../laid-by-hand";
import { foreignPaint } from "./foreign-paint";
import { foreignColour, foreignSheet } from "./foreign-sheet";
import { HABIT } from "./told-errors";

/** What a reading of a sheet is off by on the bench, CIELAB units. From memory. */
const READING = 0.9;

/** How swatches are chosen: by the planner, or at random from the same candidates. */
export type ChosenBy = "planner" | "random";

/** A painting's mixes after so many swatches. */
export interface LearntAfter {
  readonly swatches: number;
  /** Of each mix what it is missed by, dE00, and what was expected: root mean square. */
  readonly misses: readonly number[];
  readonly expected: readonly number[];
  /** What is told of them where they are mixed. */
  readonly told: readonly LikelyError[];
  /** How many paints each has. */
  readonly paints: readonly number[];
}

/** A paint as the rooms use it once swatches have been painted: what the server makes of the posterior. */
function asLearned(base: PaintModel, posterior: Posterior, evidence: readonly Evidence[]): PaintModel {
  const learned = learnedPaint(posterior, base, evidence, PAPERS[0]);
  const factor = paperFactor(posterior, PAPERS[0].id);
  const optics = learned?.optics ?? {
    K: base.optics.K.map((k) => habitFactor(posterior) * k),
    S: base.optics.S.map((s) => habitFactor(posterior) * s),
  };
  return {
    ...base,
    optics: { K: optics.K.map((k) => factor * k), S: optics.S.map((s) => factor * s) },
    measured: learned && {
      miss: learned.miss,
      loads: learned.loads,
      on: "2026-11-27",
      way: "logbook",
      swatches: learned.swatches,
    },
  };
}

/**
 * A painter with eight tubes, a hand and a sheet that the program does not see paints swatches of a painting's mixes;
 * after each few the mixes are predicted anew.
 */
export function learnOnBench(seed: number, chosenBy: ChosenBy, after: readonly number[], batch = 1): LearntAfter[] {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const sheet = foreignSheet(random);
  const paper = PAPERS[0];
  const habit = Math.exp(HABIT * normal());
  const box: { truth: ReturnType<typeof foreignPaint>; paint: ReturnType<typeof paintModel> }[] = [];
  const rest = [...BOX];
  while (box.length < 8) {
    const [id] = rest.splice(Math.floor(random() * rest.length), 1);
    box.push({ truth: foreignPaint(id!, random), paint: paintModel(id!, [{ pigmentId: id!, share: 1 }]) });
  }
  const truths = new Map(box.map(({ paint, truth }) => [paint.id, truth]));
  const waters = [0.5, 1.5, 3, 6, 12];
  const drawn = (count: number): PaintedMix => {
    const chosen = new Set<number>();
    while (chosen.size < count) chosen.add(Math.floor(random() * box.length));
    return {
      mix: [...chosen].map((p) => ({ paint: box[p]!.paint, parts: 1 + Math.floor(5 * random()) })),
      waterParts: waters[Math.floor(waters.length * random())]!,
      paper,
      over: null,
    };
  };
  const wanted: WantedMix[] = Array.from({ length: 15 }, (_, i) => ({
    ...drawn([2, 1, 3, 2, 2][i % 5]!),
    weight: 0.5 + random(),
  }));
  const candidates: PaintedMix[] = [
    ...box.flatMap(({ paint }) =>
      [0, 3].map((waterParts) => ({ mix: [{ paint, parts: 1 }], waterParts, paper, over: null })),
    ),
    ...wanted.map(({ mix, waterParts }) => ({ mix, waterParts, paper, over: null })),
  ];
  const colourOf = ({ mix, waterParts }: PaintedMix, slip: boolean) => {
    const total = mix.reduce((sum, { parts }) => sum + parts, 0);
    const laid = mix.map(({ paint, parts }) => ({
      paint: truths.get(paint.id)!,
      share: parts * (slip && mix.length > 1 ? Math.exp(partDeviation(parts / total, HANDS.usual) * normal()) : 1),
    }));
    const sum = laid.reduce((all, { share }) => all + share, 0);
    const water = slip ? Math.exp(HANDS.usual.water * normal()) : 1;
    return foreignColour(
      laid.map((one) => ({ ...one, share: one.share / sum })),
      ((loadOfWater(waterParts) * sum) / total) * habit * water,
      sheet,
    );
  };
  const trueColours = wanted.map((one) => colourOf(one, false));
  const evidence: Evidence[] = [];
  const paintIds = box.map(({ paint }) => paint.id);
  let posterior = learn(evidence, [], paintIds);
  const results: LearntAfter[] = [];
  const note = (): void => {
    const models = new Map(box.map(({ paint }) => [paint.id, asLearned(paint, posterior, evidence)]));
    const mixes = wanted.map(({ mix }) => mix.map(({ paint, parts }) => ({ paint: models.get(paint.id)!, parts })));
    results.push({
      swatches: evidence.length,
      misses: mixes.map((mix, i) =>
        deltaE00(predict(mix, loadOfWater(wanted[i]!.waterParts), paper).dry, trueColours[i]!),
      ),
      told: mixes.map((mix, i) => likelyErrorOf(mix, loadOfWater(wanted[i]!.waterParts), paper)),
      paints: wanted.map(({ mix }) => mix.length),
      expected: nextSwatches(posterior, wanted, [], 0).eachNow,
    });
  };
  if (after.includes(0)) note();
  while (evidence.length < Math.max(...after)) {
    const chosen =
      chosenBy === "planner"
        ? nextSwatches(posterior, wanted, candidates, batch).chosen.map(({ index }) => index)
        : Array.from({ length: batch }, () => Math.floor(candidates.length * random()));
    if (chosen.length === 0) chosen.push(Math.floor(candidates.length * random()));
    for (const index of chosen) {
      const painted = candidates[index]!;
      const lab = colourOf(painted, true);
      evidence.push({
        ...painted,
        id: `${evidence.length}`,
        lab: { L: lab.L + READING * normal(), a: lab.a + READING * normal(), b: lab.b + READING * normal() },
        by: "sheet",
        photo: null,
      });
    }
    posterior = learn(evidence, [], paintIds);
    if (after.includes(evidence.length)) note();
  }
  return results;
}
