import { transfer } from "comlink";
import { combinationsOf, joinedTable, makingReachTable } from "@/core/mixing";
import { weighingOf, type PaletteQuestion, type Weighed } from "@/core/palette";
import { inTurns } from "./in-turns";
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
  let asked: (PaletteQuestion & Pick<Weighed, "standing"> & { readonly mixes: readonly (readonly number[])[] }) | null =
    null;
  let weigh: ReturnType<typeof weighingOf> | null = null;
  const question = (): NonNullable<typeof asked> => {
    if (!asked) throw new Error("Nothing is being weighed yet.");
    return asked;
  };
  return {
    begin(opening, { standing, among }) {
      const own = questionOf(opening);
      asked = { ...own, standing, mixes: combinationsOf(own.paints, { ...own, ...(among && { among }) }) };
      weigh = null;
    },
    async mixes(from, to) {
      const mine = question();
      const { paints, paper, mixes } = mine;
      const { L, a, b } = await inTurns(makingReachTable(mixes.slice(from, to), paints, paper), () => asked === mine);
      return handedOver({ L, a, b });
    },
    take(grid) {
      const { paints, paper, metric, mixes } = question();
      weigh = weighingOf(joinedTable(mixes, paints, paper, [grid]), metric);
    },
    async weigh(target) {
      if (!weigh) throw new Error("There is no grid to weigh by yet.");
      const mine = question();
      return handedOver(await inTurns(weigh(mine.standing[target]!), () => asked === mine));
    },
  };
}
