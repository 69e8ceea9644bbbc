import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { loadOfWater } from "../optics/load";
import { paintModel } from "./paint";
import { predict } from "./predict";
import { nearestStrength, otherStrengths, puddlesOf } from "./puddles";
import { ringFlow, ringPixels } from "./ring";

const single = (id: string): ReturnType<typeof paintModel> => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [blue, brown, rose] = [single("PB29"), single("PBr7-burnt-sienna"), single("PV19-rose")];
const paper = PAPERS[0];

describe("puddles", () => {
  const use = (id: string, parts: readonly [string, number][], waterParts: number, areaCm2: number) => ({
    id,
    waterParts,
    areaCm2,
    parts: parts.map(([paintId, amount]) => ({ paintId, parts: amount })),
  });
  const puddles = puddlesOf([
    use(
      "sky",
      [
        ["blue", 1],
        ["rose", 2],
      ],
      12,
      300,
    ),
    use(
      "dyke",
      [
        ["rose", 4],
        ["blue", 2],
      ],
      6,
      50,
    ),
    use(
      "wall",
      [
        ["blue", 1],
        ["rose", 1],
      ],
      3,
      90,
    ),
    use("roof", [["rose", 1]], 3, 400),
  ]);

  test("areas of the same proportions share one, whatever the order, the count and the water", () => {
    expect(puddles.map(({ uses }) => uses.map(({ id }) => id))).toEqual([["roof"], ["sky", "dyke"], ["wall"]]);
    expect(puddles[1]!.parts).toEqual([
      { paintId: "rose", parts: 2 },
      { paintId: "blue", parts: 1 },
    ]);
    expect(puddles[1]!.areaCm2).toBe(350);
  });
  test("none for no recipes", () => expect(puddlesOf([])).toEqual([]));
});

test("another area's puddle at its best strength: its own colour is found again", () => {
  const mix = [
    { paint: blue, parts: 2 },
    { paint: brown, parts: 1 },
  ];
  const { waterParts, difference } = nearestStrength(predict(mix, loadOfWater(8), paper).dry, mix, paper);
  expect(waterParts).toBe(8);
  expect(difference.dE00).toBeLessThan(1e-6);
});

test("richer is darker, thinner lighter; neat can't be richer", () => {
  const mix = [{ paint: blue, parts: 1 }];
  const { richer, thinner } = otherStrengths(mix, 6, paper);
  const { dry } = predict(mix, loadOfWater(6), paper);
  expect([richer!.waterParts, thinner!.waterParts]).toEqual([3, 12]);
  expect(richer!.dry.L).toBeLessThan(dry.L);
  expect(thinner!.dry.L).toBeGreaterThan(dry.L);
  expect(otherStrengths(mix, 0, paper).richer).toBeNull();
  expect(otherStrengths(mix, 80, paper).thinner).toBeNull();
});

describe("the ring test", () => {
  test("shares sum to one; each paint is strongest where it was put down; a light one runs farther", () => {
    const { shares, load } = ringFlow([blue, rose, brown]);
    for (let i = 0; i < load.length; i++)
      expect(shares[3 * i]! + shares[3 * i + 1]! + shares[3 * i + 2]!).toBeCloseTo(1, 9);
    for (const p of [0, 1, 2]) expect(shares[3 * Math.round((p * load.length) / 3) + p]).toBeGreaterThan(0.8);
    const held = (p: number): number => load.reduce((sum, _, i) => sum + shares[3 * i + p]!, 0);
    expect(rose.weight).toBeLessThan(blue.weight);
    expect(held(1)).toBeGreaterThan(held(0));
  });
  test("colours lie where the paints were put, the middle and the corners stay paper", () => {
    const side = 120;
    const pixels = ringPixels([blue, rose], paper, side, 1);
    const at = (x: number, y: number): number[] => [...pixels.subarray(4 * (y * side + x), 4 * (y * side + x) + 4)];
    const [top, bottom] = [at(60, 18), at(60, 102)];
    expect([at(60, 60)[3], at(2, 2)[3], top[3], bottom[3]]).toEqual([0, 0, 255, 255]);
    expect(top[2]).toBeGreaterThan(top[0]! + 40);
    expect(bottom[0]).toBeGreaterThan(bottom[1]! + 40);
    expect([...ringPixels([], paper, 8, 1)].every((byte) => byte === 0)).toBe(true);
  });
});
