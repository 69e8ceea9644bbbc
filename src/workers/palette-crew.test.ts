import { createHash } from "node:crypto";
import type { Remote } from "comlink";
import { describe, expect, test } from "vitest";
import { NO_TASTE } from "@/core/mixing";
import { HANDBOOK } from "@/core/pigments";
import { seededRandom } from "@/core/numeric/random";
import { posePalette, type PaletteProblem, type PaletteStage } from "@/core/palette";
import { plainOpening } from "@/testing/plain-opening";
import type { Opening } from "./palette-api";
import { poseTogether, reweighed } from "./palette-crew";
import { paletteHelper } from "./palette-helper";
import type { PaletteHelperApi } from "./palette-helper-api";
import { questionOf } from "./palette-question";

const random = seededRandom(11);
const opening = (paints: number, targets: number): Opening => {
  const plain = plainOpening(
    HANDBOOK.slice(0, paints).map(({ id }) => id),
    Array.from({ length: targets }, () => ({
      lab: { L: 30 + 55 * random(), a: -8 + 20 * random(), b: -12 + 30 * random() },
      weight: 1 + random(),
      areaCm2: 200 * random(),
      character: { grain: "smooth", lifts: false, clear: false },
    })),
  );
  return {
    ...plain,
    paints: plain.paints.map((paint, i) => ({
      ...paint,
      reluctance: i % 7 === 0 ? 2 : 0,
      taste: i % 5 === 0 ? { less: 0.3, sheet: 1 } : NO_TASTE,
    })),
  };
};
const quiet = (): void => {};

/** A helper in this thread that notes what it is asked. */
function helperHere(asked: string[]): Remote<PaletteHelperApi> {
  const own = paletteHelper();
  const noted =
    <A extends unknown[], R>(name: string, act: (...args: A) => R | Promise<R>) =>
    async (...args: A): Promise<R> => {
      asked.push(name);
      return structuredClone(await act(...args));
    };
  return {
    begin: noted("begin", own.begin),
    mixes: noted("mixes", own.mixes),
    take: noted("take", own.take),
    weigh: noted("weigh", own.weigh),
  } as unknown as Remote<PaletteHelperApi>;
}
const digest = (arrays: readonly (Float32Array | Float64Array)[]): string => {
  const hash = createHash("sha256");
  for (const { buffer, byteOffset, byteLength } of arrays) hash.update(new Uint8Array(buffer, byteOffset, byteLength));
  return hash.digest("hex");
};
const numbersOf = ({
  table: { L, a, b },
  costs: { costs, taste, ideal, inHand, expected, made, weights },
}: PaletteProblem) => ({
  grid: digest([L, a, b]),
  rows: [costs, taste, ideal, inHand, expected, made].map((rows) => digest(rows!)),
  weights,
});

describe("a question weighed together", () => {
  const large = opening(24, 9);
  const alone = posePalette(questionOf(large), null, quiet);

  test.each([1, 2, 3])("comes to the very numbers of one alone, with %i helpers", async (count) => {
    const asked: string[] = [];
    const stages: PaletteStage[] = [];
    const shares: number[] = [];
    const helpers = Array.from({ length: count }, () => helperHere(asked));
    const together = await poseTogether(large, null, helpers, (stage, share) => {
      stages.push(stage);
      shares.push(share);
    });
    expect(numbersOf(together)).toEqual(numbersOf(alone));
    expect(asked.filter((name) => name === "mixes")).toHaveLength(count);
    expect(asked.filter((name) => name === "weigh").length).toBeGreaterThan(0);
    expect(new Set(stages)).toEqual(new Set(["mixes", "costs"]));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
  });

  test("where nothing but weights has changed no mix is weighed again, to the same numbers", () => {
    const weights = large.targets.map((_, i) => 1 + (i % 3));
    const other = { ...large, targets: large.targets.map((target, i) => ({ ...target, weight: weights[i]! })) };
    const again = reweighed(other, { opening: large, problem: alone })!;
    expect(again.costs.weights).toEqual(weights);
    expect(again.costs.costs).toBe(alone.costs.costs);
    expect(numbersOf(again)).toEqual(numbersOf(posePalette(questionOf(other), null, quiet)));
    expect(
      reweighed({ ...other, mixing: { ...other.mixing, valueWeight: 2 } }, { opening: large, problem: alone }),
    ).toBeNull();
    expect(reweighed(other, null)).toBeNull();
  });

  test("what was mixed before is not mixed again, and small questions trouble nobody", async () => {
    const asked: string[] = [];
    const helpers = [helperHere(asked)];
    const other = { ...large, valueWeight: 2 };
    const again = await poseTogether(other, alone, helpers, quiet);
    expect(asked.slice(0, 2)).toEqual(["begin", "take"]);
    expect(asked).not.toContain("mixes");
    const before = asked.length;
    expect(again.table.computed).toBe(0);
    expect(numbersOf(again)).toEqual(numbersOf(posePalette(questionOf(other), alone, quiet)));
    await poseTogether(opening(8, 3), null, helpers, quiet);
    expect(asked).toHaveLength(before);
  });
});
