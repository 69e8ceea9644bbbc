import { pairOf } from "../numeric/tuples";
import { describe, expect, test } from "vitest";
import { filmComputer } from "../optics/kernel/film-kernel";
import { COUNTABLE_WATER, MIN_LOAD, WASH_STRENGTHS } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { HANDBOOK, pigmentById } from "../pigments/handbook";
import { hueOrder, tintingStrengthOf } from "../pigments/order";
import { lchOfLab } from "../colour/lab";
import { rankOnGrid } from "./closest";
import { fullMetric, judged } from "./metric";
import { nelderMead } from "../numeric/nelder-mead";
import { paintModel } from "./paint";
import { MAX_PARTS, partsNear, roundMix, TOUCH } from "./parts";
import { predict } from "./predict";
import { valueRange } from "./range";
import { buildReachTable, GRID_LOADS, gridLoadsUpTo, gridMix } from "./reach-table";
import { pickWays, type Way } from "./ways";

const paper = PAPERS[0];
const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);

describe("downhill simplex", () => {
  test("finds the minimum of Rosenbrock's valley (Rosenbrock 1960: 0 at 1, 1)", () => {
    const valley = (p: Float64Array): number => 100 * (p[1]! - p[0]! ** 2) ** 2 + (1 - p[0]!) ** 2;
    const { point, cost } = nelderMead(valley, [-1.2, 1], [0.5, 0.5], 600, 1e-14, 0);
    expect(cost).toBeLessThan(1e-8);
    expect(point[0]).toBeCloseTo(1, 3);
    expect(point[1]).toBeCloseTo(1, 3);
  });

  test("one dimension, a budget, and good enough", () => {
    let asked = 0;
    const bowl = (p: Float64Array): number => {
      asked++;
      return (p[0]! - 3) ** 2;
    };
    expect(nelderMead(bowl, [0], [1], 200, 1e-12, 0).point[0]).toBeCloseTo(3, 4);
    asked = 0;
    nelderMead(bowl, [0], [1], 12, 0, -1);
    expect(asked).toBeLessThanOrEqual(14);
    asked = 0;
    nelderMead(bowl, [2.9], [0.05], 200, 0, 0.5);
    expect(asked).toBeLessThan(4);
  });
});

describe("rounding a mix", () => {
  const computer = filmComputer(["PY154", "PB29", "PB15-green-shade"].map(paint), paper);
  const target = predict(
    [
      { paint: paint("PY154"), parts: 3 },
      { paint: paint("PB29"), parts: 1 },
    ],
    0.25,
    paper,
  ).dry;

  test("comes back to the parts and water a colour was made of", () => {
    const rounded = roundMix(target, computer, { combination: [0, 1], shares: [0.748, 0.252], load: 0.248 }, 1);
    expect(rounded).toMatchObject({ parts: [3, 1], waterParts: 3 });
    expect(rounded.cost).toBeLessThan(0.05);
  });

  test("takes a touch of a stainer where a part would be too much", () => {
    const faint = predict(
      [
        { paint: paint("PY154"), parts: 40 },
        { paint: paint("PB15-green-shade"), parts: 1 },
      ],
      0.25,
      paper,
    ).dry;
    const { parts } = roundMix(faint, computer, { combination: [0, 2], shares: [40 / 41, 1 / 41], load: 0.25 }, 1);
    expect(parts[1]).toBe(TOUCH);
    expect(parts[0]).toBeGreaterThanOrEqual(8);
  });

  test("prefers few parts where many gain nothing", () => {
    const { parts } = roundMix(target, computer, { combination: [0, 1], shares: [0.7505, 0.2495], load: 0.25 }, 1);
    expect(parts.reduce((a, b) => a + b, 0)).toBe(4);
  });

  test("every candidate can be counted", () => {
    for (const shares of [[1], [0.5, 0.5], [0.97, 0.03], [0.6, 0.39, 0.01], [0.34, 0.33, 0.33], [0.02, 0.49, 0.49]]) {
      for (const parts of partsNear(shares)) {
        expect(parts.length).toBe(shares.length);
        expect(parts.filter((p) => p !== TOUCH).reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(MAX_PARTS);
        expect(parts.some((p) => p !== TOUCH)).toBe(true);
      }
    }
  });
});

describe("different ways", () => {
  const way = (pigmentIds: string[], cost: number, inHand = cost + 2): Way => ({
    pigmentIds,
    paintIds: pigmentIds,
    cost,
    inHand,
  });

  test("the closest comes first, then the simplest that hardly loses, then what is unlike", () => {
    const picked = pickWays(
      [
        way(["a", "b", "c"], 0.4),
        way(["a", "b", "d"], 0.5),
        way(["e", "f"], 1.1),
        way(["g", "h", "i"], 1.5),
        way(["a", "e"], 2),
      ],
      5,
    );
    expect(picked.map(({ kind, way: { pigmentIds } }) => `${kind} ${pigmentIds.join("")}`)).toEqual([
      "closest abc",
      "simplest ef",
      "another ghi",
      "another ae",
    ]);
  });

  test("a simple way that loses much is not called simplest, and a hopeless way is not offered at all", () => {
    const picked = pickWays([way(["a", "b"], 0.4), way(["c"], 6), way(["d", "e"], 30)], 5);
    expect(picked.map(({ kind }) => kind)).toEqual(["closest", "another"]);
  });

  test("what comes out clearly nearer in a hand is the calmest and comes first, the closest stays beside it", () => {
    const ways = [way(["a", "b", "c"], 0.4, 6), way(["d", "e"], 1.2, 3.1), way(["f"], 2.5, 3)];
    expect(pickWays(ways, 5).map(({ kind, way: { pigmentIds } }) => `${kind} ${pigmentIds.join("")}`)).toEqual([
      "calmest f",
      "closest abc",
      "another de",
    ]);
    expect(pickWays(ways, 1).map(({ kind }) => kind)).toEqual(["calmest"]);
    expect(pickWays([way(["a"], 0.4, 3.2), way(["b"], 1, 3)], 1)[0]!.kind).toBe("closest");
  });

  test("no ways, no picks; never more than asked for", () => {
    expect(pickWays([], 3)).toEqual([]);
    expect(pickWays([way(["a"], 1), way(["b"], 1), way(["c"], 1)], 2)).toHaveLength(2);
  });
});

describe("the grid of a reach table", () => {
  const paints = ["PY154", "PB15-green-shade", "PR101-indian-red"].map(paint);
  const table = buildReachTable(paints, paper, { maxPaints: 3, maxPigments: 3 });

  test("each point's colour is the full model's for its mix", () => {
    for (let c = 0; c < table.combinations.length; c++) {
      const combination = table.combinations[c]!;
      for (let p = table.firstPoint[c]!; p < table.firstPoint[c + 1]!; p += 5) {
        const { shares, load } = gridMix(combination, table.loudness, p - table.firstPoint[c]!);
        const { dry } = predict(
          combination.map((i, n) => ({ paint: paints[i]!, parts: shares[n]! })),
          load,
          paper,
        );
        expect(table.L[p]).toBeCloseTo(dry.L, 1);
        expect(table.a[p]).toBeCloseTo(dry.a, 0);
        expect(table.b[p]).toBeCloseTo(dry.b, 0);
      }
    }
  });

  test("a strong stainer gets a small share, and the loads run from the thinnest wash to masstone", () => {
    const pair = table.combinations.findIndex((c) => c.join() === "0,1");
    const points = table.firstPoint[pair + 1]! - table.firstPoint[pair]!;
    const mixes = Array.from({ length: points }, (_, p) => gridMix([0, 1], table.loudness, p));
    expect(mixes.every(({ shares: [a, b] }) => Math.abs(a + b - 1) < 1e-9)).toBe(true);
    expect(mixes.filter(({ shares }) => shares[1] < 0.5).length).toBeGreaterThan(points / 2);
    expect(Math.min(...mixes.map(({ load }) => load))).toBeCloseTo(MIN_LOAD, 9);
    expect(Math.max(...mixes.map(({ load }) => load))).toBe(1);
  });
});

describe("the values a palette reaches", () => {
  test("no paints reach only the paper; a dark paint reaches further down; more paints never less", () => {
    const none = valueRange([], paper);
    expect(none.darkest).toBe(none.lightest);
    expect(none.lightest).toBeGreaterThan(9);
    const yellow = valueRange([paint("PY3")], paper);
    const both = valueRange(["PY3", "PB29", "PR179"].map(paint), paper);
    expect(yellow.darkest).toBeGreaterThan(8);
    expect(both.darkest).toBeLessThan(3);
    expect(valueRange(["PY3", "PB29", "PR179", "PBr7-burnt-umber"].map(paint), paper).darkest).toBeLessThanOrEqual(
      both.darkest + 0.01,
    );
  });

  test("a very limited palette of one blue and one brown still reaches near-black (common practice, no source)", () => {
    expect(valueRange(["PB29", "PBr7-burnt-umber"].map(paint), paper).darkest).toBeLessThan(2.8);
  });
});

describe("orders and ladders", () => {
  test("the handbook runs round the wheel and ends in earths, blacks and whites", () => {
    const entries = HANDBOOK.map((pigment) => ({
      pigment,
      hueDegrees: lchOfLab(predict([{ paint: paint(pigment.id), parts: 1 }], 0.2, paper).dry).h,
    })).sort(hueOrder);
    const at = (id: string): number => entries.findIndex(({ pigment }) => pigment.id === id);
    const order = [
      "PY3",
      "PY110",
      "PR255",
      "PV19-rose",
      "PV23",
      "PB29",
      "PB15-green-shade",
      "PG7",
      "PG36",
      "PY43",
      "PBr7-burnt-umber",
      "PBk9",
      "PW6",
    ];
    expect(order.map(at)).toEqual(order.map(at).sort((a, b) => a - b));
  });

  test("stainers tint strongly, weak minerals weakly, ultramarine is the measure", () => {
    const strength = (id: string): number => tintingStrengthOf(pigmentById(id).optics, pigmentById("PB29").optics);
    expect(strength("PB29")).toBe(1);
    expect(strength("PB15-green-shade")).toBeGreaterThan(1.4);
    for (const weak of ["PR233", "PR259", "PG23", "PB33", "PV49"]) expect(strength(weak)).toBeLessThan(0.6);
  });

  test("the strength ladder and the countable waters run from neat to thin", () => {
    for (const list of [WASH_STRENGTHS.map((s) => s.waterParts), [...COUNTABLE_WATER]])
      expect(list).toEqual([...list].sort((a, b) => a - b));
    expect(pigmentById("PB999")).toMatchObject({ id: "PB999", code: "PB999" });
    expect(() => predict([], 0.5, paper)).toThrow(RangeError);
    expect(() => predict([{ paint: paint("PB29"), parts: 0 }], 0.5, paper)).toThrow(RangeError);
    expect(() => predict([{ paint: paint("PB29"), parts: 1 }], Number.NaN, paper)).toThrow(RangeError);
  });
});

describe("judging a mix", () => {
  const target = { L: 50, a: 20, b: 20 };
  test("plain CIEDE2000 with the value weight: kL is its inverse (Sharma, Wu and Dalal 2005)", () => {
    const off = judged(target, 55, 20, 20, fullMetric(2));
    expect(off).toBeCloseTo(2 * judged(target, 55, 20, 20, fullMetric(1)), 6);
    expect(judged(target, 50, 20, 20, fullMetric(1.5))).toBe(0);
  });
  test("with hues free a turn along the same warmth costs nothing, value and chroma still do", () => {
    const free = { valueWeight: 1.5, freeHue: true };
    const pole = (55 * Math.PI) / 180;
    const mirrored = (h: number): { a: number; b: number } => ({
      a: 30 * Math.cos(pole + h),
      b: 30 * Math.sin(pole + h),
    });
    const [one, two] = [mirrored(0.7), mirrored(-0.7)];
    expect(judged({ L: 50, ...one }, 50, two.a, two.b, free)).toBeCloseTo(0, 9);
    expect(judged({ L: 50, ...one }, 50, two.a, two.b, { ...free, freeHue: false })).toBeGreaterThan(10);
    expect(judged({ L: 50, ...one }, 60, one.a, one.b, free)).toBeCloseTo(15, 9);
    expect(judged({ L: 50, ...one }, 50, -one.a, -one.b, free)).toBeGreaterThan(1);
    expect(judged({ L: 50, ...one }, 50, one.a / 2, one.b / 2, free)).toBeGreaterThan(1);
  });
  test("the grid ranks as the metric judges: the nearest of its points, no stronger than allowed", () => {
    const paints = ["PB29", "PBr7-burnt-sienna", "PY43"].map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
    const dark = { L: 25, a: 5, b: 5 };
    for (const strongest of [1, 0.25]) {
      const limited = paints.map((paint) => ({ ...paint, strongest }));
      const table = buildReachTable(limited, PAPERS[0], { maxPaints: 2, maxPigments: 3 });
      const { cost, point } = rankOnGrid(dark, table, { valueWeight: 1, freeHue: true });
      cost.forEach((best, c) => {
        const [from, to] = pairOf([table.firstPoint[c]!, table.firstPoint[c + 1]!]);
        const allowed = Array.from({ length: to - from }, (_, i) => i).filter(
          (i) => gridMix(table.combinations[c]!, table.loudness, i).load <= strongest + 1e-9,
        );
        const tried = allowed.map((i) =>
          judged(dark, table.L[from + i]!, table.a[from + i]!, table.b[from + i]!, { valueWeight: 1, freeHue: true }),
        );
        expect(Math.sqrt(best)).toBeCloseTo(Math.min(...tried), 4);
        expect(allowed).toContain(point[c]);
      });
    }
    expect([gridLoadsUpTo(1), gridLoadsUpTo(0)]).toEqual([GRID_LOADS, 1]);
  });
});
