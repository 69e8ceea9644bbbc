import { laidByHand, meanOf, PICTURES, type Laid } from "@/testing/laid-by-hand";
import { quantile } from "@/testing/quantile";

const SIZES = [3, 4, 5];
const DRAWS = 60;

/** Palettes chosen and mixed by exact mixes and by what comes out in a usual hand, laid by hands that are drawn. */
export async function benchHands(row: (name: string, text: string) => void): Promise<void> {
  const all: { ideal: Laid[]; usual: Laid[] } = { ideal: [], usual: [] };
  for (const name of PICTURES) {
    for (const judge of ["ideal", "usual"] as const) all[judge].push(await laidByHand(name, judge, SIZES, DRAWS));
    const three = (judge: "ideal" | "usual"): string => all[judge].at(-1)!.palettes.get(3)!.join(" ");
    row(`${name}: three paints, by an ideal hand and by a usual one`, `${three("ideal")}; ${three("usual")}`);
  }
  const misses = (judge: "ideal" | "usual"): number[] => all[judge].flatMap((laid) => laid.misses);
  for (const judge of ["ideal", "usual"] as const) {
    const counts = all[judge].flatMap((laid) => laid.counts);
    row(
      `laid by a drawn hand, judged by ${judge === "ideal" ? "an ideal" : "a usual"} one`,
      `dE00 mean ${meanOf(misses(judge)).toFixed(2)}, 90 % ${quantile(misses(judge), 0.9).toFixed(1)}; ${meanOf(counts).toFixed(1)} paints in the mean mix, ${quantile(counts, 0.5)} in the median`,
    );
  }
  row(
    "ratio, usual to ideal (goal 0.8 or less)",
    `mean ${(meanOf(misses("usual")) / meanOf(misses("ideal"))).toFixed(2)}, 90 % ${(quantile(misses("usual"), 0.9) / quantile(misses("ideal"), 0.9)).toFixed(2)}`,
  );
}
