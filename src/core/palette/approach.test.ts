import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { HANDS } from "../mixing/hand";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { fullMetric } from "../mixing/metric";
import { paintModel } from "../mixing/paint";
import { DEFAULT_APPROACH, wishUnder, type Approach } from "./approach";
import { choosePalettes } from "./choose";
import { darkDemand } from "./demands";
import { servedBy } from "./gain";
import { mixCosts } from "./mix-costs";
import { approachPolicy, mixingUnder, modelUnder, type PaintPolicy } from "./policy";
import { isKind, KINDS, traitsOf } from "./traits";

const ids = [
  "PY3",
  "PY43",
  "PBr7-burnt-sienna",
  "PBr7-burnt-umber",
  "PR101-light-red",
  "PB29",
  "PB15-green-shade",
  "PV19-rose",
  "PR254",
  "PG7",
  "PBk9",
  "PR83",
  "PY35",
  "PW6",
];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const mixed = paintModel("mixed green", [
  { pigmentId: "PG7", share: 1 },
  { pigmentId: "PY150", share: 2 },
]);
const traits = traitsOf([...paints, mixed], PAPERS[0]);
const of = (id: string): (typeof traits)[number] => traits[ids.indexOf(id)]!;
const approach = (change: Partial<Approach>): Approach => ({ ...DEFAULT_APPROACH, ...change });
const under = (change: Partial<Approach>, id: string): PaintPolicy =>
  approachPolicy(approach(change), [...paints, mixed], PAPERS[0]).paints[[...ids, "mixed green"].indexOf(id)]!;
const costsFor = (
  lab: { L: number; a: number; b: number },
  metric = fullMetric(1.5),
  from = paints,
): ReturnType<typeof mixCosts> => mixCosts([{ lab, weight: 1 }], prepareMatch(from, PAPERS[0]), metric);
const errorOf = (costs: ReturnType<typeof mixCosts>, names: readonly string[]): number =>
  servedBy(
    costs,
    names.map((name) => ids.indexOf(name)),
  )[0]!.error;

describe("kinds of paint (common practice, no source)", () => {
  test.each([
    ["PY3", ["yellow"]],
    ["PV19-rose", ["magenta"]],
    ["PR254", ["red"]],
    ["PB15-green-shade", ["blue", "cyan"]],
    ["PB29", ["blue", "granulating"]],
    ["PBr7-burnt-sienna", ["earth", "dark brown", "granulating"]],
    ["PY43", ["earth"]],
    ["PBk9", ["neutral"]],
    ["PG7", []],
    ["PW6", []],
  ])("%s", (id, kinds) => expect(KINDS.filter((kind) => isKind(of(id), kind))).toEqual(kinds));
});

describe("what an approach leaves out, and says why", () => {
  test("fading, granulating, opaque, mixed and neutral paints", () => {
    expect(under({}, "PR83").leftOut).toBe("fades");
    expect(under({ lasting: "sketchbook" }, "PR83").leftOut).toBeNull();
    expect(under({ granulation: "avoid" }, "PB29").leftOut).toBe("granulates");
    expect(under({ opacity: "transparent" }, "PY35").leftOut).toBe("opaque");
    expect(under({ single: true }, "mixed green").leftOut).toBe("mixed");
    expect(under({ darks: "primaries" }, "PBk9").leftOut).toBe("neutral");
    expect(under({ darks: "primaries", greys: "tube" }, "PBk9").leftOut).toBeNull();
    expect(under({}, "PBk9").leftOut).toBeNull();
  });

  test("on the paper two paints meet; opaque paints in tints stay thin", () => {
    expect(mixingUnder(approach({ mixing: "paper" })).maxPaints).toBe(2);
    expect(mixingUnder(DEFAULT_APPROACH).maxPaints).toBe(3);
    expect(under({ opacity: "tints" }, "PY35").strongest).toBeLessThan(0.5);
    expect(under({ opacity: "tints" }, "PB29").strongest).toBe(1);
    const deep = { L: 40, a: 30, b: 28 };
    const tints = approach({ opacity: "tints" });
    const thin = costsFor(
      deep,
      fullMetric(1.5),
      paints.map((paint) => modelUnder(tints, paint)),
    );
    expect(errorOf(thin, ["PR101-light-red"])).toBeGreaterThan(errorOf(costsFor(deep), ["PR101-light-red"]) + 5);
  });
});

test("a bright or muted approach moves chroma where nothing is wished by hand", () => {
  const turned = { way: "turn", degrees: 40 } as const;
  expect(wishUnder({ chroma: "photo" }, { way: "follow" })).toEqual({ way: "follow" });
  expect(wishUnder({ chroma: "muted" }, { way: "follow" })).toMatchObject({ way: "heighten", by: 0.75 });
  expect(wishUnder({ chroma: "bright" }, turned)).toBe(turned);
});

describe("what an approach asks for", () => {
  test("its primaries, a darkening brown, a neutral tube, an earth, a granulating paint", () => {
    const asked = (change: Partial<Approach>): string[] =>
      approachPolicy(approach(change), paints, PAPERS[0]).kinds.map(({ kind }) => kind);
    expect(asked({})).toEqual([]);
    expect(asked({ primaries: "magenta-yellow-cyan", darks: "brown", granulation: "seek" })).toEqual([
      "magenta",
      "yellow",
      "cyan",
      "dark brown",
      "granulating",
    ]);
    expect(asked({ primaries: "red-yellow-blue", darks: "tube", greys: "tube" })).toEqual([
      "red",
      "yellow",
      "blue",
      "neutral",
    ]);
    expect(asked({ greys: "earths" })).toEqual(["earth"]);
  });

  test("the best palette under it holds one of each", () => {
    const costs = mixCosts(
      [
        { lab: { L: 55, a: 5, b: -20 }, weight: 1 },
        { lab: { L: 35, a: 4, b: 6 }, weight: 1 },
      ],
      prepareMatch(paints, PAPERS[0]),
      1.5,
    );
    const school = approach({ primaries: "magenta-yellow-cyan", darks: "brown" });
    const { kinds } = approachPolicy(school, paints, PAPERS[0]);
    expect(choosePalettes(costs, [3], { must: [], never: [], kinds })[0]!.best).toEqual([]);
    for (const { paints: chosen } of choosePalettes(costs, [4, 5], { must: [], never: [], kinds }).flatMap(
      ({ best }) => best,
    )) {
      for (const kind of ["magenta", "yellow", "cyan", "dark brown"] as const)
        expect(
          chosen.some((p) => isKind(traits[p]!, kind)),
          kind,
        ).toBe(true);
    }
  });

  test("a darkest value: one blue and one brown do it, yellow and rose can't (common practice, no source)", () => {
    const table = prepareMatch(paints, PAPERS[0]);
    const demand = darkDemand(table, 2.9);
    const can = (names: readonly string[]): boolean => {
      const within = new Set(names.map((name) => ids.indexOf(name)));
      return table.combinations.some((combination, c) => demand[c] === 0 && combination.every((p) => within.has(p)));
    };
    expect(can(["PB29", "PBr7-burnt-umber"])).toBe(true);
    expect(can(["PY3", "PV19-rose"])).toBe(false);
    const { best } = choosePalettes(
      { ...mixCosts([{ lab: { L: 85, a: 0, b: 40 }, weight: 1 }], table, 1.5), demands: [demand] },
      [2],
    )[0]!;
    for (const { paints: chosen } of best) expect(can(chosen.map((p) => ids[p]!))).toBe(true);
  });
});

test("with hues free a palette is judged by value, contrast and warmth alone", () => {
  const green = { L: 55, a: -32, b: 34 };
  const free = costsFor(green, { ...fullMetric(1.5), freeHue: true });
  expect(errorOf(costsFor(green), ["PBr7-burnt-sienna", "PB29"])).toBeGreaterThan(10);
  expect(errorOf(free, ["PBr7-burnt-sienna", "PB29"])).toBeLessThan(4);
  const { made } = servedBy(free, [ids.indexOf("PBr7-burnt-sienna"), ids.indexOf("PB29")])[0]!;
  expect(Math.abs(made!.L - green.L)).toBeLessThan(2);
  // A value out of reach stays an error, whatever the hue.
  expect(errorOf(costsFor({ L: 30, a: 20, b: 20 }, { ...fullMetric(1.5), freeHue: true }), ["PY3"])).toBeGreaterThan(
    30,
  );
});

test("a black tube is taken unwillingly unless it is asked for: a grey day is a blue and a brown (common practice, no source)", () => {
  const grey = { L: 55, a: -0.5, b: -6 };
  const few = ["PB29", "PBr7-burnt-umber", "PBk9"].map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
  const table = prepareMatch(few, PAPERS[0], DEFAULT_MATCH);
  const chosen = (school: Approach): readonly number[] => {
    const policy = approachPolicy(school, few, PAPERS[0]).paints;
    const costs = mixCosts([{ lab: grey, weight: 1 }], table, {
      ...fullMetric(1.5),
      hand: HANDS.usual,
      reluctance: ({ id }) => policy[few.findIndex((one) => one.id === id)]!.reluctance,
    });
    return servedBy(costs, [0, 1, 2])[0]!.combination;
  };
  expect(chosen(approach({}))).toEqual([0, 1]);
  expect(chosen(approach({ greys: "tube" }))).toContain(2);
});
