"use client";

import { startTransition, useEffect, useState } from "react";

/** So long something is worked on before the page is let in again: a press is answered within it. */
const SLICE_MS = 25;

/** Works step by step beside whatever else the page does, and tells the end; returns what leaves it. */
export function workedInSlices<T>(steps: Generator<void, T>, done: (made: T) => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const slice = (): void => {
    const end = performance.now() + SLICE_MS;
    do {
      const step = steps.next();
      if (step.done) return done(step.value);
    } while (performance.now() < end);
    timer = setTimeout(slice);
  };
  timer = setTimeout(slice);
  return () => clearTimeout(timer);
}

/** Whether two lists hold the same things in the same order. */
const sameList = (one: readonly unknown[], other: readonly unknown[]): boolean =>
  one.length === other.length && one.every((item, i) => item === other[i]);

/**
 * What is made of a list, step by step beside whatever else the page does; made anew only when the list holds other
 * things than before, or in another order. Until it is there: what was made before, or null. What hangs on it is drawn
 * beside the page's other work too.
 * @param steps always the same function
 */
export function useInSlices<Item, Made>(
  list: readonly Item[],
  steps: (list: readonly Item[]) => Generator<void, Made>,
): Made | null {
  const [kept, setKept] = useState(list);
  const [made, setMade] = useState<Made | null>(null);
  if (kept !== list && !sameList(kept, list)) setKept(list);
  useEffect(() => workedInSlices(steps(kept), (now) => startTransition(() => setMade(now))), [kept, steps]);
  return made;
}
