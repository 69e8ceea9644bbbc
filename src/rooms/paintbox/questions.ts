import { grainOf, pigmentById } from "@/core/pigments";
import { paintStatus, type PaintEntry, type PaintStatus } from "@/model/paintbox";

/** A question to the box: which paints answer to it. */
export interface Question {
  readonly words: string;
  readonly answers: (paint: PaintEntry, all: readonly PaintEntry[]) => boolean;
}

const pigmentsOf = (paint: PaintEntry) => paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId));
const key = (paint: PaintEntry): string =>
  paint.pigments
    .map(({ pigmentId }) => pigmentId)
    .sort()
    .join(" ");
const granulation = (paint: PaintEntry): number => {
  const total = paint.pigments.reduce((sum, { share }) => sum + share, 0);
  return paint.pigments.reduce(
    (sum, { pigmentId, share }) => sum + (share / total) * pigmentById(pigmentId).granulation,
    0,
  );
};

/** What a painter asks of the box, besides where a paint stands. */
export const QUESTIONS: readonly Question[] = [
  { words: "favourites", answers: (paint) => paint.favourite },
  { words: "several pigments", answers: (paint) => paint.pigments.length > 1 },
  {
    words: "fade in light",
    answers: (paint) => pigmentsOf(paint).some(({ lightfastness }) => lightfastness.class >= 3),
  },
  { words: "ask for care", answers: (paint) => pigmentsOf(paint).some(({ hazards }) => (hazards ?? []).length > 0) },
  { words: "granulate", answers: (paint) => grainOf(granulation(paint)) === "granulates" },
  { words: "lie flat", answers: (paint) => grainOf(granulation(paint)) === "lies flat" },
  {
    words: "same name, other pigments",
    answers: (paint, all) =>
      all.some(
        (other) =>
          other.id !== paint.id &&
          other.name.trim().toLowerCase() === paint.name.trim().toLowerCase() &&
          key(other) !== key(paint),
      ),
  },
  {
    words: "same pigments",
    answers: (paint, all) => all.some((other) => other.id !== paint.id && key(other) === key(paint)),
  },
];

/** Paints that stand so, or that answer to a question; "all" is every one that has not been put away. */
export function chosenPaints(all: readonly PaintEntry[], choice: string): readonly PaintEntry[] {
  if (choice === "all") return all.filter(({ status }) => status !== "put away");
  const status = paintStatus.safeParse(choice);
  if (status.success) return all.filter((paint) => paint.status === (status.data satisfies PaintStatus));
  const question = QUESTIONS.find(({ words }) => words === choice);
  if (!question) return all;
  // What was put away is no part of the box: it is neither asked about nor compared with.
  const here = all.filter((paint) => paint.status !== "put away");
  return here.filter((paint) => question.answers(paint, here));
}
