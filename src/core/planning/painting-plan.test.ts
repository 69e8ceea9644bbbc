import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { COUNTABLE_WATER, loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { coatsOf, liesUnder, type AreaToPlan, type ColourToPlan, type Conditions } from "./laid-washes";
import { mended, paintingPlan, type PaintingPlan } from "./painting-plan";

const CONDITIONS: Conditions = {
  air: { temperatureC: 20, humidity: 0.5 },
  sheet: { paper: PAPERS[0], weightGsm: 300 },
  wetness: "usual",
  crispBy: "drying",
};

const colour = (id: string, change: Partial<ColourToPlan> = {}): ColourToPlan => ({
  id,
  value: 6,
  chroma: 20,
  staining: 0.5,
  areaCm2: 100,
  waterParts: 12,
  drop: false,
  over: false,
  ...change,
});
const area = (label: number, first: Partial<ColourToPlan>, change: Partial<AreaToPlan> = {}): AreaToPlan => ({
  id: `area ${label}`,
  label,
  kind: "flat",
  edge: "hard",
  focal: false,
  at: { x: 0.5, y: 0.5 },
  reserve: null,
  colours: [colour(`c${label}`, first)],
  ...change,
});
const touches = (a: number, b: number, hardness = 0.9, length = 0.5) => ({ a, b, hardness, length });
const planned = (
  areas: readonly AreaToPlan[],
  borders: readonly ReturnType<typeof touches>[] = [],
  asked: readonly string[] | null = null,
  conditions = CONDITIONS,
): PaintingPlan => paintingPlan(areas, borders, conditions, "right", asked);
const order = (plan: PaintingPlan): string[] => plan.washes.map(({ key }) => key);
const wash = (plan: PaintingPlan, key: string) => plan.washes.find((one) => one.key === key)!;

describe("what comes before what (common practice, no source)", () => {
  test("light before dark, and pure before grey, where areas touch", () => {
    const plan = planned(
      [area(1, { value: 3 }), area(2, { value: 8 }), area(3, { value: 8.1, chroma: 5 })],
      [touches(1, 2), touches(2, 3)],
    );
    expect(order(plan).indexOf("c2")).toBeLessThan(order(plan).indexOf("c1"));
    expect(order(plan).indexOf("c2")).toBeLessThan(order(plan).indexOf("c3"));
    expect(plan.rules.map(({ first, then, why }) => [first, then, why])).toEqual([
      ["c2", "c1", "light"],
      ["c2", "c3", "pure"],
    ]);
    expect(plan.broken).toEqual([]);
  });

  test("what stands on a ground comes after it", () => {
    const roof = area(2, { value: 5, areaCm2: 10 });
    expect(planned([area(1, { value: 7, areaCm2: 400 }), roof], [touches(1, 2)]).rules[0]).toMatchObject({
      first: "c1",
      then: "c2",
      why: "ground",
    });
  });

  test("a hairsbreadth of a border is no meeting, and what lies along half of a ground does not stand on it", () => {
    const [light, dark] = [area(1, { value: 8, areaCm2: 400 }), area(2, { value: 4, areaCm2: 10 })];
    const whys = (...borders: ReturnType<typeof touches>[]) =>
      planned([light, dark, area(3, { value: 6, areaCm2: 30 })], borders).rules.map(({ why }) => why);
    expect(whys(touches(1, 2, 0.9, 0.02))).toEqual([]);
    expect(whys(touches(1, 2, 0.9, 0.05))).toEqual(["ground"]);
    expect(whys(touches(1, 2, 0.9, 0.7), touches(3, 2, 0.9, 0.3))).toEqual(["ground", "light"]);
    expect(whys(touches(1, 2, 0.9, 0.5), touches(3, 2, 0.9, 0.5))).toEqual(["light", "light"]);
  });

  test("a lost edge is laid wet with its neighbour, a crisp one waits until it is dry", () => {
    const soft = [area(1, { value: 8 }, { edge: null }), area(2, { value: 7 }, { edge: null })];
    const wet = planned(soft, [touches(1, 2, 0.1)]);
    expect(wash(wet, "c2")).toMatchObject({ withBefore: true, waits: 0 });
    const dry = planned(soft, [touches(1, 2, 0.9)]);
    const [one, two] = ["c1", "c2"].map((key) => wash(dry, key));
    expect(two!.withBefore).toBe(false);
    expect(two!.start).toBeCloseTo(one!.start + one!.minutes + one!.dryMinutes, 6);
  });

  test("no more is laid wet together than a hand can keep wet; the other edges are softened with a damp brush", () => {
    const areas = [1, 2, 3, 4, 5].map((i) => area(i, { value: 9 - i / 2, areaCm2: 40 }, { edge: "soft" }));
    const plan = planned(areas, [touches(1, 2, 0.1), touches(2, 3, 0.2), touches(3, 4, 0.3), touches(4, 5, 0.35)]);
    const together = plan.rules.filter(({ why }) => why === "lost edge").length;
    expect(together).toBeGreaterThan(0);
    expect(plan.rules.filter(({ soften }) => soften).length).toBe(4 - together);
    const large = [1, 2].map((i) => area(i, { value: 8, areaCm2: 2000 }, { edge: "soft" }));
    expect(planned(large, [touches(1, 2, 0.1)]).rules.map(({ why }) => why)).not.toContain("lost edge");
  });

  test("second layers wait for the first, accents are dropped in at once, and what is too heavy comes in coats", () => {
    const layered = area(
      1,
      { value: 8 },
      {
        kind: "layered",
        colours: [
          colour("first", { value: 8 }),
          colour("over", { value: 5, over: true }),
          colour("accent", { value: 4, drop: true, areaCm2: 3 }),
        ],
      },
    );
    const plan = planned([layered]);
    expect(order(plan)).toEqual(["first", "accent", "over"]);
    expect(wash(plan, "accent").withBefore).toBe(true);
    expect(wash(plan, "over").waits).toBeGreaterThan(5);
    expect(order(planned([area(1, { waterParts: 0, areaCm2: 400 })]))).toEqual(["c1", "c1 2", "c1 3"]);
  });

  test("a masked light is masked first, uncovered when all around it is dry, and painted then; one is lifted out", () => {
    const around = [area(2, { value: 4 }), area(3, { value: 3 })];
    const borders = [touches(1, 2), touches(1, 3), touches(2, 3)];
    const masked = planned([area(1, { value: 9 }, { reserve: "mask" }), ...around], borders);
    expect(order(masked)).toEqual(["area 1 mask", "c2", "c3", "area 1 unmask", "c1"]);
    const lifted = planned([area(1, { value: 9 }, { reserve: "lift" }), ...around], borders);
    expect(order(lifted)).toEqual(["c2", "c3", "area 1 lift", "c1"]);
    expect([masked, lifted].flatMap(({ broken }) => broken)).toEqual([]);
  });
});

test("side by side a hairline of dry paper spares the waiting, but not at the focal point nor on a ground", () => {
  const hairline: Conditions = { ...CONDITIONS, crispBy: "hairline" };
  const pair = [area(1, { value: 8 }), area(2, { value: 5 })];
  const plan = planned([...pair, area(3, { value: 3 })], [touches(1, 2), touches(2, 3), touches(1, 3)], null, hairline);
  expect(plan.waiting).toBe(0);
  expect(plan.washes.map(({ hairlines }) => hairlines)).toEqual([[], ["c1"], ["c1", "c2"]]);
  expect(plan.rules.every(({ dry }) => !dry)).toBe(true);
  const focal = [pair[0]!, { ...pair[1]!, focal: true }];
  expect(planned(focal, [touches(1, 2)], null, hairline).rules).toMatchObject([{ dry: true }]);
  // A neighbour is laid while the first coat of the other dries.
  const heavy = [area(1, { value: 6, waterParts: 0.5, areaCm2: 150 }), area(2, { value: 4, areaCm2: 150 })];
  const coats = planned(heavy, [touches(1, 2)], null, hairline);
  expect(order(coats)).toEqual(["c1", "c2", "c1 2"]);
  expect(wash(coats, "c1 2").hairlines).toEqual(["c2"]);
  const stands = [area(1, { value: 8, areaCm2: 400 }), area(2, { value: 4, areaCm2: 10 })];
  expect(planned(stands, [touches(1, 2)], null, hairline).waiting).toBeGreaterThan(0);
});

test("under a second layer lie the first wash and its own coats, but not the layers beside it", () => {
  const layered = area(
    1,
    {},
    {
      kind: "layered",
      colours: [
        // An area's own colour has the area's id.
        colour("area 1", { value: 8, waterParts: 12, areaCm2: 300 }),
        colour("a", { value: 5, over: true, areaCm2: 60 }),
        colour("b", { value: 3, over: true, waterParts: 0, areaCm2: 60 }),
      ],
    },
  );
  const { washes } = planned([layered]);
  const under = (key: string, id: string) =>
    liesUnder(
      washes,
      washes.find((one) => one.key === key)!,
      id,
    );
  expect(under("area 1", "area 1")).toEqual([]);
  expect(under("a", "a")).toEqual(["area 1"]);
  expect(under("b", "b")).toEqual(["area 1"]);
  expect(under("b 2", "b")).toEqual(["area 1", "b"]);
  expect(coatsOf(washes, "b", 0).coats).toBe(2);
  expect(coatsOf(washes, "a", 12)).toEqual({ coats: 1, waterParts: 12 });
});

test("whatever a plan lays of a colour adds up to its recipe's load, in as many coats as it takes", () => {
  const random = seededRandom(7);
  const water = (): number => COUNTABLE_WATER[Math.floor(random() * COUNTABLE_WATER.length)]!;
  for (let n = 0; n < 150; n++) {
    const kind = (["flat", "graded", "varied", "layered"] as const)[n % 4]!;
    const colours = Array.from({ length: kind === "flat" ? 1 : 3 }, (_, i) =>
      colour(`c${i}`, {
        areaCm2: 1 + 500 * random() ** 2,
        waterParts: water(),
        over: kind === "layered" && i > 0,
        drop: kind === "varied" && i === 2,
      }),
    );
    const { washes } = planned([area(1, {}, { kind, colours })]);
    for (const { id, waterParts } of colours) {
      const laid = washes.filter(({ colourIds }) => colourIds.includes(id));
      const told = coatsOf(washes, id, waterParts);
      expect(told.coats).toBe(laid.length);
      expect(told.coats * loadOfWater(told.waterParts)).toBeCloseTo(loadOfWater(waterParts), 9);
    }
  }
});

describe("times", () => {
  const row = [1, 2, 3, 4].map((i) => area(i, { value: 9 - i }));

  test("waiting is spent on washes elsewhere, and a dryer saves what is left of it", () => {
    const plan = planned(row, [touches(1, 2), touches(3, 4)]);
    expect(plan.waiting).toBeLessThan(wash(plan, "c1").dryMinutes);
    expect(plan.proven).toBe(true);
    expect(plan.withDryer).toBeLessThan(plan.minutes);
    expect(plan.withDryer).toBeGreaterThanOrEqual(plan.washes.reduce((sum, { minutes }) => sum + minutes, 0));
    expect(planned(row).waiting).toBe(0);
  });

  test("moist air, juicy washes and a heavy sheet take longer", () => {
    const usual = planned(row, [touches(1, 2), touches(2, 3)]).minutes;
    for (const change of [
      { air: { temperatureC: 20, humidity: 0.8 } },
      { wetness: "juicy" as const },
      { sheet: { paper: PAPERS[0], weightGsm: 640 } },
    ])
      expect(planned(row, [touches(1, 2), touches(2, 3)], null, { ...CONDITIONS, ...change }).minutes).toBeGreaterThan(
        usual,
      );
  });

  test("a painter's own order is kept and timed, and every rule it breaks is told", () => {
    const plan = planned(row, [touches(1, 2), touches(2, 3)], ["c2", "c1", "c3", "c4"]);
    expect(order(plan)).toEqual(["c2", "c1", "c3", "c4"]);
    expect(plan.broken.map(({ first, then, why }) => [first, then, why])).toEqual([["c1", "c2", "light"]]);
    // Turned round they still may not touch wet.
    expect(wash(plan, "c1").start).toBeGreaterThanOrEqual(wash(plan, "c2").start + wash(plan, "c2").dryMinutes);
    const soft = row.map((one) => ({ ...one, edge: "soft" as const }));
    const parted = planned(soft, [touches(1, 2, 0.1)], ["c1", "c3", "c2", "c4"]);
    expect(parted.broken).toMatchObject([{ why: "lost edge", between: true }]);
  });

  test("an order of before keeps what it can: washes that are gone fall out, new ones stand where they are proposed", () => {
    expect(mended(["b", "gone", "a", "b"], ["a", "new", "b"])).toEqual(["b", "a", "new"]);
    expect(order(planned(row, [], ["c4", "gone"]))).toContain("c1");
  });

  test("a wet wash beside the one that is painted, where the hand would lie, is told", () => {
    const [left, right] = [
      area(1, { value: 5 }, { at: { x: 0.2, y: 0.5 } }),
      area(2, { value: 8 }, { at: { x: 0.7, y: 0.55 } }),
    ];
    const asked = ["c2", "c1"];
    const told = (hand: "right" | "left") =>
      paintingPlan([left, right], [], CONDITIONS, hand, asked).washes.map(({ handOver }) => handOver);
    expect(told("right")).toEqual([null, "c2"]);
    expect(told("left")).toEqual([null, null]);
  });

  test("no area, no plan", () => {
    expect(planned([])).toMatchObject({ washes: [], minutes: 0, broken: [], withDryer: 0 });
  });
});

test("on any sheet the proposed order keeps every rule, with masks, lifts, layers and lost edges", () => {
  for (let seed = 1; seed <= 40; seed++) {
    const pick = (n: number, of: number): number => Math.floor((((seed * 7919 + n * 104729) % 1009) / 1009) * of);
    const areas = Array.from({ length: 9 }, (_, i) =>
      area(
        i + 1,
        { value: 2 + pick(i, 70) / 10, areaCm2: 20 + 30 * pick(i + 20, 10) },
        {
          edge: ([null, "soft", "hard"] as const)[pick(i + 40, 3)]!,
          reserve: ([null, null, null, "mask", "lift"] as const)[pick(i + 60, 5)]!,
          ...(pick(i + 80, 4) === 0 && {
            kind: "layered" as const,
            colours: [
              colour(`c${i + 1}`, { value: 6 }),
              colour(`o${i + 1}`, { value: 2 + pick(i, 60) / 10, over: true }),
            ],
          }),
        },
      ),
    );
    const borders = areas.flatMap((_, a) =>
      areas.flatMap((_one, b) =>
        b > a && pick(a * 9 + b, 3) === 0 ? [touches(a + 1, b + 1, pick(a + b, 10) / 10)] : [],
      ),
    );
    const plan = planned(areas, borders);
    expect(plan.broken).toEqual([]);
    expect(plan.minutes).toBeCloseTo(plan.shortest, 6);
    expect(planned(areas, borders, order(plan)).minutes).toBeCloseTo(plan.minutes, 6);
  }
});
