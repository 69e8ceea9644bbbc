import { describe, expect, test } from "vitest";
import { HANDS } from "../mixing/hand";
import { fullMetric } from "../mixing/metric";
import { paintModel } from "../mixing/paint";
import { PAPERS } from "../optics/paper";
import { CHARACTERS, figuresOf, otherPalettes, type OtherPalette } from "./characters";
import { posePalette, servedPalette, solvePalette, type PaletteChoice } from "./problem";

const ids = [
  "PY43",
  "PY154",
  "PBr7-burnt-sienna",
  "PR254",
  "PV19-rose",
  "PB29",
  "PB15-green-shade",
  "PB60",
  "PBr7-burnt-umber",
  "PG7",
];
const targets = [
  { lab: { L: 52, a: 1, b: -4 }, weight: 2 },
  { lab: { L: 35, a: 8, b: 14 }, weight: 1 },
  { lab: { L: 68, a: -2, b: -18 }, weight: 3 },
  { lab: { L: 75, a: 12, b: 25 }, weight: 1 },
];
const problem = posePalette(
  {
    paper: PAPERS[0],
    paints: ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }])),
    targets,
    metric: { ...fullMetric(1.5), hand: HANDS.usual },
    maxPaints: 3,
    maxPigments: 3,
  },
  null,
  () => {},
);
const choice: PaletteChoice = { sizes: [3], must: [], never: [], kinds: [], darkest: null, within: [] };
const best = solvePalette(problem, choice, () => {})[0]!.best[0]!;
const others = otherPalettes(problem, choice, best);
const before = figuresOf(problem, best);
const threes = ids.flatMap((_, a) =>
  ids.flatMap((_, b) => ids.flatMap((_, c) => (a < b && b < c ? [servedPalette(problem.costs, [a, b, c])] : []))),
);

describe("palettes of another character", () => {
  test("there are some on an ordinary painting; each is another palette of that size, told once, and bearably behind", () => {
    expect(others.length).toBeGreaterThan(0);
    expect(new Set(others.map(({ palette }) => palette.paints.join())).size).toBe(others.length);
    for (const { palette } of others) {
      expect(palette.paints).toHaveLength(3);
      expect(palette.paints).not.toEqual(best.paints);
      expect(palette.error).toBeLessThanOrEqual(best.error + 2);
    }
  });

  test("each is plainly better in what it is named for, by figures reckoned anew from its mixes", () => {
    for (const { palette, betterIn, figures } of others) {
      expect(figures).toEqual(figuresOf(problem, palette));
      for (const character of betterIn) {
        const [own, was] = [figures[character], before[character]];
        if (character === "textured") expect(own).toBeGreaterThan(was + 0.1);
        else expect(own).toBeLessThan(was - 0.25);
      }
    }
    const simplest = others.find(({ betterIn }) => betterIn.includes("simplest"));
    const paints = (one: OtherPalette): number =>
      one.palette.served.reduce((sum, { combination }) => sum + combination.length, 0) / targets.length;
    if (simplest) expect(simplest.figures.simplest).toBe(paints(simplest));
  });

  test("of all palettes tried one by one that come as near over all, hardly any is closer than the closest", () => {
    const closest = others.find(({ betterIn }) => betterIn.includes("closest"));
    const near = threes.filter(({ error }) => error <= best.error + 2);
    const { ideal } = closest?.palette ?? best;
    expect(near.length).toBeGreaterThan(5);
    expect(near.filter((one) => one.ideal < ideal - 1e-9).length).toBeLessThanOrEqual(0.2 * near.length);
    for (const character of CHARACTERS) expect(Number.isFinite(before[character])).toBe(true);
  });

  test("rules hold for them too", () => {
    const never = [ids.indexOf("PB29"), ids.indexOf("PBr7-burnt-umber")];
    const ruled = { ...choice, never };
    const start = solvePalette(problem, ruled, () => {})[0]!.best[0]!;
    for (const { palette } of otherPalettes(problem, ruled, start))
      expect(palette.paints.some((p) => never.includes(p))).toBe(false);
  });
});
