import { transfer } from "comlink";
import { combinationsOf, joinedTable, reachTableOf } from "@/core/mixing";
import { weigherOf, type PaletteQuestion } from "@/core/palette";
import type { PaletteHelperApi } from "./palette-helper-api";
import { questionOf } from "./palette-question";

/** Hands an answer over with its arrays, none of which is copied. */
const handedOver = <T extends object>(answer: T): T =>
  transfer(answer, [
    ...new Set(
      Object.values(answer).flatMap((array: unknown) =>
        ArrayBuffer.isView(array) ? [array.buffer as ArrayBuffer] : [],
      ),
    ),
  ]);

/** A helper, in whatever thread it lives. */
export function paletteHelper(): PaletteHelperApi {
  let asked: PaletteQuestion | null = null;
  let weigher: ReturnType<typeof weigherOf> | null = null;
  const question = (): PaletteQuestion => {
    if (!asked) throw new Error("Nothing is being weighed yet.");
    return asked;
  };
  return {
    begin(opening) {
      asked = questionOf(opening);
      weigher = null;
    },
    mixes(from, to) {
      const { paints, paper } = question();
      const { L, a, b } = reachTableOf(combinationsOf(paints, question()).slice(from, to), paints, paper);
      return handedOver({ L, a, b });
    },
    take(grid) {
      const { paints, paper, metric } = question();
      weigher = weigherOf(joinedTable(combinationsOf(paints, question()), paints, paper, [grid]), metric);
    },
    weigh(target) {
      if (!weigher) throw new Error("There is no grid to weigh by yet.");
      return handedOver(weigher(question().targets[target]!));
    },
  };
}
