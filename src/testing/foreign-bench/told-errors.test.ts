import { describe, expect, test } from "vitest";
import { HANDBOOK } from "@/core/pigments/handbook";
import { seededRandom } from "@/core/numeric/random";
import { FINE_NM } from "@/core/simulation/fine-bands";
import { foreignPaint } from "./foreign-paint";
import { bareColour, foreignColour, foreignSheet } from "./foreign-sheet";
import { shareUnder, tellErrors, type KnownBy, type HANDS } from "./told-errors";
import { quantile } from "@/testing/quantile";

// A told figure is right when half of the true misses lie under the told median and nine in ten under the told 90 %.
// A small case of it, the same in every run; `npm run bench told` has many boxes. Seeds apart from those of the
// constants.
const SEEDS = Array.from({ length: 14 }, (_, i) => 501 + i);

describe("told errors hold on paints that the program has never seen", () => {
  const cases: readonly (readonly [KnownBy, keyof typeof HANDS])[] = [
    ["label", "careful"],
    ["two washes", "careful"],
    ["two washes", "loose"],
    ["five patches", "careful"],
    ["five patches", "loose"],
  ];
  const found = new Map(cases.map(([by, hand]) => [`${by} ${hand}`, tellErrors(by, hand, SEEDS, 18)]));
  test.each(cases)("known by %s, a %s hand", (by, hand) => {
    const under = shareUnder(found.get(`${by} ${hand}`)!);
    expect(under.median).toBeGreaterThan(0.37);
    expect(under.median).toBeLessThan(0.63);
    expect(under.p90).toBeGreaterThan(0.8);
    expect(under.p90).toBeLessThan(0.97);
  });
  test("two washes bring the misses of the label down to less than a third, five patches further; a loose hand misses by more and is told so", () => {
    const median = (name: string, of: "miss" | "told"): number =>
      quantile(
        found.get(name)!.map(({ miss, told }) => (of === "miss" ? miss : told.median)),
        0.5,
      );
    expect(median("two washes careful", "miss")).toBeLessThan(median("label careful", "miss") / 3);
    expect(median("five patches careful", "miss")).toBeLessThan(median("two washes careful", "miss"));
    for (const by of ["two washes", "five patches"])
      for (const of of ["miss", "told"] as const)
        expect(median(`${by} loose`, of)).toBeGreaterThan(1.1 * median(`${by} careful`, of));
  });
  test("of an unmeasured mix most is owed to the tubes, and the shares are whole", () => {
    for (const { told } of found.get("label careful")!.slice(0, 60)) {
      const { strength, hue, scattering } = told.from;
      expect(strength + hue + scattering).toBeCloseTo(1, 6);
      expect(told.basis).toBe("typical");
    }
  });
});

describe("the bench itself", () => {
  const sheet = foreignSheet(seededRandom(5));
  test("a bare sheet is white, a line black, more paint darker, in whatever thin slices it is reckoned", () => {
    expect(bareColour(sheet, "paper").L).toBeGreaterThan(92);
    expect(bareColour(sheet, "black").L).toBeLessThan(30);
    const mix = [{ paint: foreignPaint("PB29", seededRandom(3)), share: 1 }];
    const values = [0.05, 0.2, 0.8].map((load) => foreignColour(mix, load, sheet).L);
    expect(values).toEqual([...values].sort((a, b) => b - a));
  });
  test("its paints are irregular, never below nothing, and no two makers' alike; the same seed is the same maker", () => {
    const [one, again, other] = [7, 7, 8].map((seed) => foreignPaint("PR254", seededRandom(seed)));
    expect(one).toEqual(again);
    expect(one!.K).not.toEqual(other!.K);
    for (const { id } of HANDBOOK.slice(0, 40)) {
      const { K, S } = foreignPaint(id, seededRandom(11));
      expect(K).toHaveLength(FINE_NM.length);
      expect(Math.min(...K, ...S)).toBeGreaterThanOrEqual(0);
    }
  });
});
