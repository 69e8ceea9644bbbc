import { lightnessOfValue } from "../colour/munsell-value";
import type { ReachTable } from "../mixing/reach-table";
import { OUT_OF_REACH } from "./search/ranking";
import { UNSEEN, type MixCosts } from "./mix-costs";

/** The demand that a palette can go as dark as a Munsell value: combinations whose darkest mix does. */
export function darkDemand(
  { combinations, firstPoint, L }: Pick<ReachTable, "combinations" | "firstPoint" | "L">,
  value: number,
): Float64Array {
  const wanted = lightnessOfValue(value);
  return Float64Array.from(combinations, (_, c) => {
    let darkest = 100;
    for (let p = firstPoint[c]!; p < firstPoint[c + 1]!; p++) darkest = Math.min(darkest, L[p]!);
    return darkest <= wanted ? 0 : OUT_OF_REACH;
  });
}

/** The demand that a target is reached within so much (CIEDE2000 as judged): combinations that do. */
export const withinDemand = ({ costs, ideal = costs }: MixCosts, target: number, within: number): Float64Array =>
  ideal[target]!.map((cost) => (cost <= Math.max(0, within - UNSEEN) ? 0 : OUT_OF_REACH));
