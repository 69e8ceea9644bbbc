import { expect, test } from "vitest";
import { ANY_CHARACTER, paintModel, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { laidMix } from "@/core/variations";
import { newArea, type PaintingArea } from "@/model/painting";
import type { MixedColour } from "../mixed";
import { concerns, warningsOf } from "./warnings";

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);

let count = 0;
/** An area flat in one paint, and its colour as it is mixed: wanted as it comes out, if nothing else is said. */
function flat(
  pigment: string,
  waterParts: number,
  change: Partial<PaintingArea> = {},
): { area: PaintingArea; colour: MixedColour } {
  const laid = laidMix([{ paint: paint(pigment), parts: 1 }], waterParts, paper);
  const id = crypto.randomUUID();
  const region = ++count;
  const area = newArea({
    id,
    name: pigment,
    lab: laid.dry,
    region,
    sample: { x: region / 10, y: 0.5, radius: 0.004 },
    ...change,
  });
  const colour: MixedColour = {
    id,
    areaId: id,
    mark: String(region),
    name: pigment,
    lab: laid.dry,
    weight: 1,
    areaCm2: 40,
    character: ANY_CHARACTER,
    overId: null,
    recipe: { parts: [{ paintId: id, parts: 1 }], waterParts },
    laid,
    ground: paper,
  };
  return { area, colour };
}

const told = (
  all: readonly { area: PaintingArea; colour: MixedColour }[],
  border: { length?: number; hardness?: number } = {},
) =>
  warningsOf(
    all.map(({ colour }) => colour),
    all.map(({ area }) => area),
    all.length > 1 ? [{ a: all[0]!.area.region!, b: all[1]!.area.region!, length: 0.3, hardness: 0.1, ...border }] : [],
    [],
    [],
  );

const [blue, orange] = [flat("PB29", 6), flat("PO20", 6)];

test("opposites that meet softly are told; a crisp edge, a short one, or one that is to dry first is not", () => {
  const [warning] = told([blue, orange]);
  expect(warning).toMatchObject({ kind: "meeting", key: `meeting ${[blue.area.id, orange.area.id].sort().join(" ")}` });
  expect(concerns(warning!, blue.area.id)).toBe(true);
  expect(concerns(warning!, crypto.randomUUID())).toBe(false);
  expect(told([blue, orange], { hardness: 0.9 })).toEqual([]);
  expect(told([blue, orange], { length: 0.01 })).toEqual([]);
  expect(told([blue, { ...orange, area: { ...orange.area, edge: "hard" } }])).toEqual([]);
  const soft = { ...orange, area: { ...orange.area, edge: "soft" as const } };
  expect(told([blue, soft], { hardness: 0.9 })).toHaveLength(1);
});

test("a dull mix is told by what it lost, worst first; what has no mix, and a grey that is wanted, is not", () => {
  const mix = [
    { paint: paint("PB29"), parts: 1 },
    { paint: paint("PY35"), parts: 2 },
  ];
  const dull = { ...flat("PG7", 6), colour: { ...flat("PG7", 6).colour, laid: laidMix(mix, 5, paper) } };
  const found = warningsOf([dull.colour], [dull.area], [], ["PB15-green-shade", "PY3"].map(paint), []);
  expect(found[0]).toMatchObject({ kind: "mix", key: `mix ${dull.colour.id}` });
  expect(found[0]!.lost).toBeGreaterThan(8);
  // A tray without a way out is helped from the box; with one it is not.
  const box = ["PB15-green-shade", "PY3"].map(paint);
  const helped = warningsOf([dull.colour], [dull.area], [], [], box);
  expect(helped[0]).toMatchObject({ mud: { wayOut: { change: { kind: "instead" } } } });
  expect(warningsOf([{ ...dull.colour, laid: null }], [dull.area], [], [], [])).toEqual([]);
  expect(warningsOf([{ ...dull.colour, lab: dull.colour.laid.dry }], [dull.area], [], [], [])).toEqual([]);
  const all = warningsOf([dull.colour, blue.colour, orange.colour], [], [], [], []).map(({ lost }) => lost);
  expect(all).toEqual([...all].sort((a, b) => b - a));
});

test("a first wash that lifts is told of the second over it; one that stains is not", () => {
  const over = (first: string) => {
    const below = flat(first, 6);
    const second = { ...flat("PBr7-burnt-umber", 3).colour, overId: below.colour.id };
    return warningsOf([below.colour, second], [below.area], [], [], []).filter(({ kind }) => kind === "lifting");
  };
  expect(over("PB29")).toMatchObject([{ key: "lifting", over: [{ first: { name: "PB29" } }] }]);
  expect(over("PB15-green-shade")).toEqual([]);
});

test("clean tints beside a dark bring one reminder of clean water, after all else", () => {
  const found = told([flat("PY35", 12), flat("PB60", 0.5)], { hardness: 1 });
  expect(found.map(({ kind }) => kind)).toEqual(["water"]);
  expect(told([flat("PY35", 12), flat("PY3", 12)], { hardness: 1 })).toEqual([]);
});
