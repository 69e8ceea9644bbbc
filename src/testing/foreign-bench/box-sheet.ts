import { readCard, type CardRead } from "@/core/calibration/card/read-card";
import { SHEETS } from "@/core/calibration/card/sheets";
import { granulationOfSheet } from "@/core/calibration/granulation";
import { fitPatches, patchesOfRow, withoutCamera } from "@/core/calibration/patches";
import { paintModel, type PaintModel } from "@/core/mixing/paint";
import { normalFrom } from "@/core/numeric/normal";
import { seededRandom } from "@/core/numeric/random";
import { loadOfWater } from "@/core/optics/load";
import { PAPERS } from "@/core/optics/paper";
import { HANDBOOK } from "@/core/pigments/handbook";
import { cameraOver, type PhotoTrouble } from "../card-photographs/camera";
import { photographCard, type PaintedCard } from "../card-photographs/card-photo";
import { throughJpeg } from "../card-photographs/develop";
import { foreignPaint, type ForeignPaint } from "./foreign-paint";
import { foreignReflectance, foreignSheet } from "./foreign-sheet";
import { HABIT, HANDS, tryMix, type Missed } from "./told-errors";

const [WIDTH_PX, HEIGHT_PX] = [900, 1200];

/** A box of foreign paints on its box sheet, as it was photographed and read. */
export interface BoxSheetTrial {
  readonly read: CardRead | null;
  /** Mixes of one to three of the paints, with what was told of each. */
  readonly missed: readonly Missed[];
  /** The same mixes by the labels alone. */
  readonly byLabel: readonly number[];
  /** Of each paint the median miss that was told. */
  readonly told: readonly number[];
  /** Of each paint how much it granulates: by its label, as its washes were read, and in truth. */
  readonly granulation: readonly { readonly label: number; readonly read: number | null; readonly truth: number }[];
  /** Paints that could not be measured, with the reason. */
  readonly refused: readonly string[];
}

/** Paints a box sheet of as many foreign paints, photographs it, reads and fits it, and puts mixes to the truth. */
export async function tryBoxSheet(
  seed: number,
  hand: keyof typeof HANDS,
  trouble: PhotoTrouble,
  { paints = SHEETS.box.paints, mixes = 60 } = {},
): Promise<BoxSheetTrial> {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const sheet = foreignSheet(random);
  const paper = PAPERS[0]!;
  const habit = Math.exp(HABIT * normal());
  const bought = Array.from({ length: paints }, (_, i) => {
    const { id } = HANDBOOK[Math.floor(random() * HANDBOOK.length)]!;
    return {
      id,
      truth: foreignPaint(id, random),
      label: paintModel(`${i} ${id}`, [{ pigmentId: id, share: 1 }]),
      loads: SHEETS.box.water.map((parts) => loadOfWater(parts) * habit * Math.exp(HANDS[hand] * normal())),
    };
  });
  const painted: PaintedCard = {
    kind: "box",
    paper: foreignReflectance([], 0, sheet),
    ink: foreignReflectance([], 0, sheet, "black"),
    rows: bought.map(({ truth, loads }) => ({
      loads,
      grain: 0.5 * sheet.hollows * (1 + sheet.settling * truth.granulation),
      seen: (load) => foreignReflectance([{ paint: truth, share: 1 }], load, sheet),
    })),
    number: 3,
    seed,
  };
  const camera = cameraOver(WIDTH_PX, HEIGHT_PX, trouble, random);
  const photo = await throughJpeg(photographCard(painted, camera, random), WIDTH_PX, HEIGHT_PX);
  const read = readCard(photo, { paper, rows: bought.map((_, i) => i) });
  if ("refused" in read)
    return { read: null, missed: [], byLabel: [], told: [], granulation: [], refused: [read.refused.code] };
  const refused = read.rows.flatMap(({ row, refused: why }) => (why ? [`${bought[row]!.id}: ${why.code}`] : []));
  const usable = read.rows.filter((row) => !row.refused);
  const patches = withoutCamera(
    usable.map((row) => ({ base: bought[row.row]!.label, patches: patchesOfRow(row, SHEETS.box.water) })),
    paper,
  );
  const granulation = granulationOfSheet(
    usable.map(({ row }, i) => ({ base: bought[row]!.label, patches: patches[i]! })),
    paper,
  );
  const told: number[] = [];
  const known: { truth: ForeignPaint; label: PaintModel; model: PaintModel }[] = [];
  usable.forEach(({ row }, i) => {
    const { truth, label, id } = bought[row]!;
    const base = { ...label, granulation: granulation[i] ?? label.granulation };
    const fit = fitPatches(base, patches[i]!, paper);
    if ("refused" in fit) return void refused.push(`${id}: ${fit.refused.code}`);
    told.push(fit.miss);
    const measured = { miss: fit.miss, loads: fit.loads, on: "2026-11-26", way: "bench" };
    known.push({ truth, label, model: { ...base, optics: fit.optics, measured } });
  });
  const tried = Array.from({ length: mixes }, (_, i) => tryMix(1 + (i % 3), known, { random, sheet, habit }));
  return {
    read,
    missed: tried.map((one) => one.missed),
    byLabel: tried.map((one) => one.byLabel),
    told,
    granulation: usable.map(({ row }, i) => ({
      label: bought[row]!.label.granulation,
      read: granulation[i]!,
      truth: bought[row]!.truth.granulation,
    })),
    refused,
  };
}
