import { expect, test } from "vitest";
import { packMap } from "@/core/areas";
import { newArea, newPainting, NEW_STUDY, type PaintingDocument } from "./painting";
import { NEW_PLAN } from "./plan";
import { wantedAnswer, wantedOf, wantedOfPainting } from "./wanted";

const id = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;
const sample = { x: 0.5, y: 0.5, radius: 0.01 };
const labels = new Uint8Array(100).map((_, i) => (i < 60 ? 1 : i < 80 ? 2 : 0));
const document: PaintingDocument = {
  ...newPainting("Two shapes", "cotton-rough"),
  areas: [
    newArea({ id: id(1), name: "Sky", sample, lab: { L: 80, a: -2, b: -10 }, region: 1 }),
    newArea({
      id: id(2),
      name: "Wall",
      sample,
      lab: { L: 50, a: 20, b: 30 },
      region: 2,
      weight: 2,
      character: { grain: "rough", lifts: false, clear: false },
      wash: {
        kind: "varied",
        share: 0.75,
        run: null,
        more: [{ id: id(3), lab: { L: 40, a: 10, b: 12 }, at: sample, share: 0.25, recipe: null, drop: false }],
      },
    }),
  ],
  study: {
    ...NEW_STUDY,
    sheet: { widthCm: 40, heightCm: 25, unit: "cm" },
    map: { width: 10, height: 10, packed: packMap({ width: 10, height: 10, labels }) },
  },
  plan: { ...NEW_PLAN, reserved: [{ areaId: id(2), how: "lift" }] },
};
const range = { lightest: 9.5, darkest: 2 };

test("each colour of each wash is wanted, with its weight, its share of the sheet and how it should lie", () => {
  const { colours, title } = wantedOfPainting(id(9), document, range);
  expect(title).toBe("Two shapes");
  expect(colours.map(({ area, weight, areaCm2 }) => [area, weight, Math.round(areaCm2)])).toEqual([
    ["Sky", 1, 600],
    ["Wall", 1.5, 150],
    ["Wall", 0.5, 50],
  ]);
  // What the plan means to lift must not stain, said or not.
  expect(colours.map(({ character }) => [character.grain, character.lifts])).toEqual([
    ["free", false],
    ["rough", true],
    ["rough", true],
  ]);
  expect(wantedAnswer.safeParse(JSON.parse(JSON.stringify(wantedOfPainting(id(9), document, range)))).success).toBe(
    true,
  );
});

test("wishes count: one's own for an area before the painting's; without shapes no size is known", () => {
  const wishing: PaintingDocument = {
    ...document,
    areas: document.areas.map((area, i) => (i === 1 ? { ...area, wish: { way: "heighten", by: 2 } } : area)),
    study: { ...document.study, wish: { way: "heighten", by: 0.5 }, map: null },
  };
  const chroma = (of: PaintingDocument) =>
    wantedOfPainting(id(9), of, range).colours.map(({ lab }) => Math.hypot(lab.a, lab.b));
  const [before, after] = [chroma(document), chroma(wishing)];
  expect(after[0]).toBeLessThan(0.7 * before[0]!);
  expect(after[1]).toBeGreaterThan(1.3 * before[1]!);
  expect(wantedOfPainting(id(9), wishing, range).colours.map(({ areaCm2 }) => areaCm2)).toEqual([0, 0, 0]);
  expect(wantedOf(document, [0, 2.5, 5, 7.5, 10]).map(({ index }) => index)).toEqual([0, 0, 1]);
});
