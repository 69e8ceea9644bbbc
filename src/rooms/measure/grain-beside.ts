import { paintModel } from "@/core/mixing";
import { grainOf, type Grain } from "@/core/pigments";
import type { CardRow } from "./use-row-fits";

/** How a paint lies beside the others of its sheet, in a word, and what is said where its pigments lie otherwise. */
export interface GrainBeside {
  /** Null on a sheet with too few paints to compare. */
  readonly word: Grain | null;
  readonly words: string | null;
  readonly short: string | null;
}

export function grainBeside({
  paint: { id, pigments },
  granulation,
}: {
  readonly paint: Pick<CardRow["paint"], "id" | "pigments">;
  readonly granulation?: number;
}): GrainBeside {
  if (granulation === undefined) return { word: null, words: null, short: null };
  const word = grainOf(granulation);
  const said = grainOf(paintModel(id, pigments).granulation);
  if (word === said) return { word, words: null, short: null };
  return {
    word,
    words: `Beside the other paints of this sheet it ${word}; its pigments as a rule: ${said}. It is taken as it lies here.`,
    short: `${word} here, its pigments: ${said}`,
  };
}
