import { describe, expect, test } from "vitest";
import { effortOf, HANDS } from "../mixing/hand";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { fullMetric } from "../mixing/metric";
import { paintModel } from "../mixing/paint";
import { PAPERS } from "../optics/paper";
import { choosePalettes } from "./choose";
import { servedBy } from "./gain";
import { mixCosts, type MixCosts } from "./mix-costs";
import { posePalette, servedPalette, solvePalette } from "./problem";

const ids = [
  "PY43",
  "PY154",
  "PBr7-burnt-sienna",
  "PR254",
  "PV19-rose",
  "PB29",
  "PB15-green-shade",
  "PBr7-burnt-umber",
];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const table = prepareMatch(paints, PAPERS[0], DEFAULT_MATCH);
const targets = [
  { lab: { L: 52, a: 1, b: -4 }, weight: 2 },
  { lab: { L: 45, a: 8, b: 14 }, weight: 1 },
  { lab: { L: 68, a: -2, b: -18 }, weight: 3 },
];
const judged = (hand?: (typeof HANDS)[keyof typeof HANDS]): MixCosts =>
  mixCosts(targets, table, { ...fullMetric(1.5), hand });
const [ideal, usual, loose] = [judged(), judged(HANDS.usual), judged(HANDS.loose)];

describe("costs in a hand", () => {
  test("a hand only adds: more for a loose one, and the exact error stays beside it", () => {
    usual.costs.forEach((costs, t) => {
      expect(usual.ideal![t]).toEqual(ideal.ideal![t]);
      costs.forEach((_, c) => {
        expect(usual.inHand![t]![c]).toBeGreaterThanOrEqual(ideal.costs[t]![c]! - 1e-9);
        expect(loose.inHand![t]![c]).toBeGreaterThanOrEqual(usual.inHand![t]![c]! - 1e-9);
      });
    });
  });
  test("effort decides and is not in what is told; so does a little of what is not known of the paints", () => {
    usual.costs.forEach((costs, t) =>
      costs.forEach((cost, c) => {
        const [effort, least, most] = [
          effortOf(usual.combinations[c]!.length),
          usual.inHand![t]![c]!,
          usual.expected![t]![c]!,
        ];
        expect(cost - effort).toBeGreaterThan(least);
        // What hardly shows is taken off what is told, not off what decides.
        expect(cost - effort - least).toBeLessThan(0.5 + 0.5 * (most - least));
      }),
    );
    const [best] = choosePalettes(usual, [3]);
    const served = servedBy(usual, best!.best[0]!.paints);
    const told = served.reduce((sum, { error }, t) => sum + targets[t]!.weight * error, 0) / 6;
    expect(told).toBeLessThan(best!.best[0]!.error);
    served.forEach(({ error, ideal: exact }) => expect(exact).toBeLessThanOrEqual(error));
  });
  test("without a hand nothing is added: costs are the exact errors", () => {
    expect(ideal.costs).toEqual(ideal.ideal);
    expect(ideal.inHand).toEqual(ideal.ideal);
  });
  test("browns and warm greys come from an earth with a blue sooner than from three primaries (common practice, no source)", () => {
    const primaries = [1, 4, 6];
    const earths = [0, 5, 7];
    const error = (own: number[]): number => servedPalette(usual, own).error;
    const exact = (own: number[]): number => servedPalette(usual, own).ideal;
    expect(exact(primaries)).toBeLessThan(exact(earths) + 2);
    expect(error(earths)).toBeLessThan(error(primaries));
  });
});

describe("what must be met", () => {
  test("is met by a mix that does it, though a calmer one would come near", () => {
    const question = {
      paper: PAPERS[0],
      paints,
      targets,
      metric: { ...fullMetric(1.5), hand: HANDS.loose },
      maxPaints: 3 as const,
      maxPigments: 3,
    };
    const problem = posePalette(question, null, () => {});
    const choice = { sizes: [3], must: [], never: [], kinds: [], darkest: null };
    const asked = solvePalette(problem, { ...choice, within: [{ target: 1, most: 1.5 }] }, () => {});
    for (const { served } of asked[0]!.best) expect(served[1]!.ideal).toBeLessThanOrEqual(1);
    const free = solvePalette(problem, { ...choice, within: [] }, () => {});
    // Effort decides too: what is chosen freely may come out a little further off and be simpler.
    expect(free[0]!.best[0]!.error).toBeLessThanOrEqual(asked[0]!.best[0]!.error + 1);
  });
});
