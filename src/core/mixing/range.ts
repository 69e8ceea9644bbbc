import { valueOfLuminance } from "../colour/munsell-value";
import { xyzOfLab } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import type { Paper } from "../optics/paper";
import { looksOf } from "./looks";
import type { PaintModel } from "./paint";
import { buildReachTable } from "./reach-table";

/** Munsell values that some paints reach on a paper, bare paper included. */
export interface ValueRange {
  readonly darkest: number;
  readonly lightest: number;
}

/** Only the darkest paints can make the darkest mixes; more than these are not tried. */
const DARKEST_TRIED = 8;

/** Darkest and lightest value in reach of a set of paints, in mixes of up to three. */
export function valueRange(paints: readonly PaintModel[], paper: Paper): ValueRange {
  const valueOf = (L: number): number => valueOfLuminance(xyzOfLab({ L, a: 0, b: 0 }).Y);
  const masstones = looksOf(paints, [1], paper);
  const dark = paints
    .map((paint, i) => ({ paint, L: masstones[i]![0]!.L }))
    .sort((a, b) => a.L - b.L)
    .slice(0, DARKEST_TRIED)
    .map(({ paint }) => paint);
  const { L } = buildReachTable(dark, paper, { maxPaints: 3, maxPigments: 4 });
  let low = 100;
  for (const value of L) low = Math.min(low, value);
  const lightest = valueOfLuminance(xyzOfReflectance(paper.reflectance).Y);
  return { darkest: paints.length > 0 ? valueOf(low) : lightest, lightest };
}
