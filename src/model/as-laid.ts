import { HANDS, type Hand, type MeasuredOptics } from "@/core/mixing";
import type { Approach } from "@/core/palette";
import type { LearnedBook } from "./logbook";

/** What of a paint its washes hang on. */
interface Laid {
  readonly tintingStrength: number;
  readonly measured: MeasuredOptics | null;
}

/**
 * A paint as this painter lays it on a paper. What the logbook learned has the habit with water in it and takes the
 * paper's factor; what a card measured has both already; what stands on its label takes both as more or less strength.
 */
export function asLaid<P extends Laid>(
  paint: P,
  learned: Pick<LearnedBook, "habit" | "papers"> | null,
  paperId: string,
): P {
  if (!learned) return paint;
  const factor = learned.papers[paperId] ?? 1;
  const { measured } = paint;
  if (!measured) return { ...paint, tintingStrength: paint.tintingStrength * learned.habit * factor };
  if (!measured.swatches || factor === 1) return paint;
  return {
    ...paint,
    measured: { ...measured, K: measured.K.map((k) => factor * k), S: measured.S.map((s) => factor * s) },
  };
}

/** The hand that a painter chose; their own is the one that the logbook knows, the usual one before it knows any. */
export const handChosen = (hand: Approach["hand"], learned: Pick<LearnedBook, "hand"> | null): Hand =>
  hand === "own" ? (learned?.hand ?? HANDS.usual) : HANDS[hand];
