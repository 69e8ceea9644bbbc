import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { fullMetric } from "../mixing/metric";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { HANDBOOK } from "../pigments/handbook";
import { servedBy } from "./gain";
import { mixCosts } from "./mix-costs";
import { wishFor } from "./wish-for";
import { DOES_NOTHING, savedMixing, worthOf } from "./worth";

const single = (id: string, as = id, strength = 1): ReturnType<typeof paintModel> =>
  paintModel(as, [{ pigmentId: id, share: 1 }], strength);
const green = paintModel("sap", [
  { pigmentId: "PG36", share: 1 },
  { pigmentId: "PY150", share: 2 },
  { pigmentId: "PR101-transparent", share: 1 },
]);
const paints = [
  single("PY150"),
  single("PB29"),
  single("PB29", "another", 1.03),
  single("PBr7-burnt-sienna"),
  single("PO73"),
  single("PG36"),
  green,
];
const [PY, PB, AGAIN, BROWN, ORANGE, PG, SAP] = [0, 1, 2, 3, 4, 5, 6] as const;
const at = (mix: readonly number[], load: number): ReturnType<typeof predict>["dry"] =>
  predict(
    mix.map((p) => ({ paint: paints[p]!, parts: 1 })),
    load,
    PAPERS[0],
  ).dry;
const targets = [
  { lab: at([ORANGE], 0.6), weight: 2 },
  { lab: at([PB, BROWN], 0.4), weight: 1 },
  { lab: at([PB], 0.15), weight: 1 },
  { lab: at([SAP], 0.4), weight: 1 },
];
const costs = mixCosts(targets, prepareMatch(paints, PAPERS[0], { ...DEFAULT_MATCH, maxPigments: 5 }), 1.5);

describe("every paint earns its well", () => {
  const palette: readonly number[] = [PY, PB, AGAIN, BROWN, ORANGE];
  const worth = worthOf(costs, palette);
  const of = (paint: number): (typeof worth.paints)[number] => worth.paints.find((one) => one.paint === paint)!;

  test("what a paint is worth is what the mean error gains without it", () => {
    const mean = (own: readonly number[]): number =>
      servedBy(costs, own).reduce((sum, { error }, t) => sum + targets[t]!.weight * error, 0) / 5;
    for (const { paint, loss } of worth.paints)
      expect(loss).toBeCloseTo(mean(palette.filter((p) => p !== paint)) - mean(palette), 9);
  });
  test("the flower hangs on the orange alone", () => {
    expect(of(ORANGE).hanging[0]!.target).toBe(0);
    expect(of(ORANGE).targets).toContain(0);
    expect(of(BROWN).hanging.map(({ target }) => target)).not.toContain(0);
  });
  test("of two nearly equal blues one is enough: either does nothing, both are needed", () => {
    expect(Math.max(of(PB).loss, of(AGAIN).loss)).toBeLessThan(DOES_NOTHING);
    expect(worth.sameJob).toEqual([[PB, AGAIN]]);
  });
  test("a palette of one and of none", () => {
    expect(worthOf(costs, []).paints).toEqual([]);
    expect(worthOf(costs, [PB]).paints[0]!.loss).toBe(Infinity);
  });
});

test("a convenience green saves the mixing of its area, and the saving is counted in paints", () => {
  const saved = savedMixing(costs, [PY, PB, BROWN, ORANGE, PG], [SAP]);
  expect(saved).toHaveLength(1);
  expect(saved[0]!.targets).toEqual([3]);
  expect(saved[0]!.fewer).toBe(2);
  expect(savedMixing(costs, [SAP], [SAP])).toEqual([]);
});

test("what nothing owned reaches: a pigment to wish for, or the advice to let it go", () => {
  const owned = [single("PY150"), single("PV19-rose"), single("PB29")];
  const black = { L: 6, a: 0, b: 0 };
  const flower = targets[0]!.lab;
  const [wish, none] = wishFor([flower, black], [12, 26], owned, PAPERS[0], fullMetric(1.5));
  expect(["orange", "red"]).toContain(HANDBOOK.find(({ id }) => id === wish!.pigmentId)?.family);
  expect(wish!.error).toBeLessThan(3);
  expect(none!.pigmentId).toBeNull();
});
