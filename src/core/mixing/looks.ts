import { filmComputer, MAX_PAINTS } from "../optics/kernel/film-kernel";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { Lab } from "../colour/colour";
import type { PaintModel } from "./paint";

/**
 * Dry colours of many paints on their own at some loads: one row a paint, one colour a load. By the kernel, so for
 * thousands.
 */
export function looksOf(
  paints: readonly PaintModel[],
  loads: readonly Load[],
  paper: Paper,
): readonly (readonly Lab[])[] {
  const looks: Lab[][] = [];
  for (let from = 0; from < paints.length; from += MAX_PAINTS) {
    const chunk = paints.slice(from, from + MAX_PAINTS);
    const computer = filmComputer(chunk, paper);
    chunk.forEach((_, p) => loads.forEach((load, n) => computer.put(p * loads.length + n, p, p, p, 1, 0, 0, load)));
    const lab = computer.run(chunk.length * loads.length);
    chunk.forEach((_, p) =>
      looks.push(
        loads.map((_load, n) => {
          const at = 3 * (p * loads.length + n);
          return { L: lab[at]!, a: lab[at + 1]!, b: lab[at + 2]! };
        }),
      ),
    );
  }
  return looks;
}
