import { readCard } from "@/core/calibration/card/read-card";
import { ROWS } from "@/core/calibration/card/layout";
import { fitPatches, patchesOfRow, withoutCamera } from "@/core/calibration/patches";
import { CARD_LOADS } from "@/core/calibration/washes";
import { PAPERS } from "@/core/optics/paper";
import { paintModel, type PaintModel } from "@/core/mixing/paint";
import { predict } from "@/core/mixing/predict";
import type { PixelArray } from "@/core/image/pixels";
import { HANDBOOK } from "@/core/pigments/handbook";
import { deltaE00 } from "@/core/colour/difference";
import { labOfXyz } from "@/core/colour/lab";
import { seededRandom } from "@/core/numeric/random";
import { cameraOver, type PhotoTrouble } from "./camera";
import { benchRow, benchSheet, photographCard } from "./card-photo";
import { xyzOfFine } from "@/core/simulation/fine-bands";
import { normalFrom } from "@/core/numeric/normal";
import { trueBlack, trueFilm, trueSheet, unevennessOf } from "@/core/simulation/true-film";
import { truePaint, type TruePaint } from "@/core/simulation/true-paint";

/**
 * One trial of the bench: a card of four paints painted, photographed once, read and fitted, then put to unseen mixes.
 */
export interface TrialPlan {
  readonly seed: number;
  readonly trouble: PhotoTrouble;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Another card of the same box in the mixes: cards to measure. */
  readonly cards: number;
  readonly mixes: number;
  /** What happens to the photo between camera and program: JPEG, and the turn to Display P3. */
  readonly develop: (srgb: Uint8ClampedArray, widthPx: number, heightPx: number) => Promise<PixelArray>;
}

/** Differences in dE00 between the truth and each prediction of an unseen mix. */
export interface TrialResult {
  readonly handbook: readonly number[];
  readonly fitted: readonly number[];
  /** Of single paints at unseen strengths. */
  readonly alone: { readonly handbook: readonly number[]; readonly fitted: readonly number[] };
  /** What the fits said beforehand of their own misses, medians. */
  readonly said: readonly number[];
  /** Cards or rows that were refused, with the reason. */
  readonly refused: readonly string[];
}

/**
 * A painter who counts drops gets a puddle's load to within this, one standard deviation of the logarithm. From
 * memory.
 */
const HAND = 0.15;

interface Bought {
  readonly truth: TruePaint;
  readonly typical: PaintModel;
  readonly measured: PaintModel | null;
}

/** Runs one trial. The program's part sees nothing but the photo and the paints' names. */
export async function runTrial({
  seed,
  trouble,
  widthPx,
  heightPx,
  cards,
  mixes,
  develop,
}: TrialPlan): Promise<TrialResult> {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const sheet = trueSheet(random);
  const paper = PAPERS[0];
  const box: Bought[] = [];
  const said: number[] = [];
  const refused: string[] = [];
  for (let card = 0; card < cards; card++) {
    const bought = Array.from({ length: ROWS }, () => {
      const pigments = [{ pigmentId: HANDBOOK[Math.floor(random() * HANDBOOK.length)]!.id, share: 1 }];
      return {
        truth: truePaint(pigments, random),
        typical: paintModel(`${box.length} ${pigments[0]!.pigmentId}`, pigments),
      };
    });
    const loads = bought.map(() => CARD_LOADS.map((load) => load * Math.exp(HAND * normal())));
    const camera = cameraOver(widthPx, heightPx, trouble, random);
    const black = trueBlack(random, sheet);
    const rows = bought.map(({ truth }, row) => benchRow(sheet, black, truth, loads[row]!));
    const shot = photographCard(
      { ...benchSheet(sheet, black), rows, number: card + 1, seed: seed + card },
      camera,
      random,
    );
    const read = readCard(await develop(shot, widthPx, heightPx), { paper, rows: rows.map((_, row) => row) });
    if ("refused" in read) refused.push(read.refused.code);
    const usable = "refused" in read ? [] : read.rows.filter((row) => !row.refused);
    const patches = withoutCamera(
      usable.map((row) => ({ base: bought[row.row]!.typical, patches: patchesOfRow(row) })),
      paper,
    );
    bought.forEach((paint, row) => {
      const own = "refused" in read ? null : read.rows[row];
      if (own?.refused) refused.push(`${paint.typical.pigmentIds[0]}: ${own.refused.code}`);
      if (!own || own.refused) return box.push({ ...paint, measured: null });
      const fit = fitPatches(paint.typical, patches[usable.indexOf(own)]!, paper);
      if ("refused" in fit) {
        refused.push(`${paint.typical.pigmentIds[0]}: ${fit.refused.code}`);
        return box.push({ ...paint, measured: null });
      }
      said.push(fit.miss);
      return box.push({ ...paint, measured: { ...paint.typical, optics: fit.optics } });
    });
  }
  const known = box.filter((paint): paint is Bought & { measured: PaintModel } => paint.measured !== null);
  const missOf = (
    parts: readonly { readonly paint: Bought & { measured: PaintModel }; readonly parts: number }[],
    load: number,
  ) => {
    const total = parts.reduce((sum, part) => sum + part.parts, 0);
    const granulation = parts.reduce((sum, { paint, parts: n }) => sum + (n / total) * paint.truth.granulation, 0);
    const truth = labOfXyz(
      xyzOfFine(
        trueFilm(
          parts.map(({ paint, parts: n }) => ({ paint: paint.truth, share: n / total })),
          load,
          sheet,
          unevennessOf(granulation, sheet),
        ),
      ),
    );
    const by = (which: "typical" | "measured"): number =>
      deltaE00(
        truth,
        predict(
          parts.map(({ paint, parts: n }) => ({ paint: paint[which], parts: n })),
          load,
          paper,
        ).dry,
      );
    return { handbook: by("typical"), fitted: by("measured") };
  };
  const anyLoad = (): number => Math.exp(Math.log(0.04) * random());
  const alone = known.map((paint) => missOf([{ paint, parts: 1 }], anyLoad()));
  const tried =
    known.length < 3
      ? []
      : Array.from({ length: mixes }, (_, i) => {
          const chosen = new Set<number>();
          while (chosen.size < 2 + (i % 2)) chosen.add(Math.floor(random() * known.length));
          return missOf(
            [...chosen].map((index) => ({ paint: known[index]!, parts: 1 + Math.floor(5 * random()) })),
            anyLoad(),
          );
        });
  return {
    handbook: tried.map((t) => t.handbook),
    fitted: tried.map((t) => t.fitted),
    alone: { handbook: alone.map((t) => t.handbook), fitted: alone.map((t) => t.fitted) },
    said,
    refused,
  };
}
