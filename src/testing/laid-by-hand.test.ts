import { describe, expect, test } from "vitest";
import { pigmentById } from "@/core/pigments/handbook";
import { laidByHand, meanOf, type Laid } from "./laid-by-hand";
import { quantile } from "./quantile";

// Real photographs, palettes of three and four of a box of 25; `npm run bench hands` has two photographs and a size
// more.
const NAMES = ["mountain", "bridge", "field", "harbour"] as const;

describe("palettes judged in a hand, on photographs", async () => {
  const laid = { ideal: [] as Laid[], usual: [] as Laid[] };
  for (const name of NAMES)
    for (const judge of ["ideal", "usual"] as const) laid[judge].push(await laidByHand(name, judge, [3, 4], 24));
  const misses = (judge: "ideal" | "usual"): number[] => laid[judge].flatMap((one) => one.misses);
  const counts = (judge: "ideal" | "usual"): number[] => laid[judge].flatMap((one) => one.counts);

  test("laid by a drawn hand they miss by less than those that an exact mix is judged by", () => {
    expect(meanOf(misses("usual"))).toBeLessThan(0.92 * meanOf(misses("ideal")));
    expect(quantile(misses("usual"), 0.9)).toBeLessThan(0.92 * quantile(misses("ideal"), 0.9));
  });
  test("half of the mixes have two paints at most", () => {
    expect(quantile(counts("usual"), 0.5)).toBeLessThanOrEqual(2);
    expect(meanOf(counts("usual"))).toBeLessThan(meanOf(counts("ideal")) - 0.5);
  });
  test("different photographs get different paints, and landscapes earths (common practice, no source)", () => {
    const threes = laid.usual.map(({ palettes }) => palettes.get(3)!);
    expect(new Set(threes.map((three) => [...three].sort().join())).size).toBeGreaterThanOrEqual(3);
    const earths = (list: readonly Laid[]): number =>
      list.flatMap(({ palettes }) => [...palettes.values()].flat()).filter((id) => pigmentById(id).family === "earth")
        .length;
    expect(earths(laid.usual)).toBeGreaterThan(earths(laid.ideal) + 3);
  });
});
