import { laidByHand, meanOf, PICTURES, type Laid } from "@/testing/laid-by-hand";
import { laidWithTubes, shareNearer, type LaidWithTubes } from "@/testing/laid-with-tubes";
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
  await benchTubes(row);
}

/**
 * The same palettes laid with tubes that the program has not seen, ten of 25 measured: chosen without and with knowing
 * that.
 */
async function benchTubes(row: (name: string, text: string) => void): Promise<void> {
  const means: number[] = [];
  for (const counted of [false, true]) {
    const laid: LaidWithTubes[] = [];
    for (const name of PICTURES) laid.push(...(await laidWithTubes(name, counted, 1, 16)));
    means.push(meanOf(laid.flatMap(({ misses }) => misses)));
    row(
      `ten of 25 paints measured, ${counted ? "counted" : "not counted"}: laid with foreign tubes`,
      `dE00 mean ${means.at(-1)!.toFixed(2)}`,
    );
    for (const basis of ["typical", "mixed", "measured"] as const) {
      const own = laid.filter(({ told }) => told.basis === basis);
      if (own.length === 0) continue;
      const { median, p90 } = shareNearer(own);
      row(
        `  of ${own.length} recipes of ${basis} paints`,
        `${Math.round(100 * median)} % nearer than the told median, ${Math.round(100 * p90)} % than the told 90 %`,
      );
    }
  }
  row("ratio, counted to not counted", (means[1]! / means[0]!).toFixed(2));
}
