"use client";

import { useEffect, useMemo, useState } from "react";
import { TAUGHT_URL } from "@/model/addresses";
import type { LearnedBook, TaughtAnswer } from "@/model/logbook";
import type { StockedPaint } from "@/storage/ports";
import { answerOf } from "./ask";

/** Paints as they are mixed from, and what the logbook taught of hand and papers. */
interface Lessons {
  readonly paints: readonly StockedPaint[];
  readonly learned: LearnedBook | null;
}

/**
 * The lessons that a room was laid out with, and once they are learned those of what was written since.
 * @param following whether there is something to wait for
 */
export function useFollowedLessons({ paints, learned }: Lessons, following: boolean): Lessons {
  const [newer, setNewer] = useState<TaughtAnswer | null>(null);
  useEffect(() => {
    if (!following) return;
    const left = new AbortController();
    void answerOf(TAUGHT_URL, { cache: "no-store", signal: left.signal }).then(async (answer) => {
      // Without an answer the room stays as it was laid out; the next one asks again.
      if (typeof answer !== "string") setNewer((await answer.json()) as TaughtAnswer);
    });
    return () => left.abort();
  }, [following]);
  return useMemo(
    () =>
      newer
        ? {
            paints: paints.map((paint) => ({ ...paint, measured: newer.measured[paint.id] ?? null })),
            learned: newer.learned,
          }
        : { paints, learned },
    [paints, learned, newer],
  );
}
