import { paintModel, predict } from "@/core/mixing";
import { paperById, PAPERS } from "@/core/optics";
import { HANDBOOK, type Pigment } from "@/core/pigments";
import { learnedBookOf } from "./learned-book";
import { newLogEntry, newLoggedMix } from "./logbook";

/** What learning stands on: the handbook's records, what the film makes of paints, and what a book teaches. */
interface LearningModel {
  readonly handbook: readonly Pigment[];
  readonly predict: typeof predict;
  readonly learn: typeof learnedBookOf;
}

/** A book of three swatches, one of them over another wash, so that every part of the learning has its say. */
function tinyBook(): Parameters<typeof learnedBookOf>[0] {
  const id = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
  const paints = ["PB29", "PBr7-burnt-sienna"].map((pigmentId, i) => ({
    id: id(i),
    name: pigmentId,
    maker: "",
    pigments: [{ pigmentId, share: 1 }],
    tintingStrength: 1,
  }));
  const swatch = (n: number, parts: readonly number[], waterParts: number, L: number, over = false) =>
    newLoggedMix({
      id: id(10 + n),
      parts: parts.flatMap((amount, i) => (amount > 0 ? [{ paintId: id(i), parts: amount }] : [])),
      waterParts,
      over: over ? { parts: [{ paintId: id(1), parts: 1 }], waterParts: 20 } : null,
      read: { lab: { L, a: 4, b: -20 }, by: "sheet", photoId: null, at: null },
    });
  const mixes = [swatch(1, [1, 0], 3, 40), swatch(2, [1, 2], 6, 62), swatch(3, [1, 0], 8, 55, true)];
  const document = newLogEntry({ kind: "swatch", on: "2026-01-01", paperId: PAPERS[0].id, paints, mixes });
  return { entries: [{ document, binned: false }], paints: [], measurements: [] };
}

/**
 * What everything that is learned hangs on beside the painter's own book, as a text: another one as soon as a record of
 * the handbook, the film or the learning gives another answer, so that nobody need remember to raise a number.
 */
export function fingerprintOf({ handbook, predict: look, learn }: LearningModel): string {
  const colours = handbook.flatMap(({ id }) =>
    [0.3].map((load) =>
      look([{ paint: paintModel(id, [{ pigmentId: id, share: 1 }]), parts: 1 }], load, paperById("cotton-rough")),
    ),
  );
  const rounded = (_: string, value: unknown): unknown =>
    typeof value === "number" ? Number(value.toPrecision(9)) : value;
  return JSON.stringify([handbook, colours, learn(tinyBook())], rounded);
}

let known: string | undefined;

/** The same of this program; worked out once. */
export const modelFingerprint = (): string =>
  (known ??= fingerprintOf({ handbook: HANDBOOK, predict, learn: learnedBookOf }));
