import { expect, test } from "vitest";
import { labelAt, packMap, unpackMap } from "@/core/areas";
import { deltaE00 } from "@/core/colour";
import { alignPhotos, areaImageOf, labOfLinear, LINEAR, type AreaImage } from "@/core/image";
import { wayOver, withPhoto } from "./exchanged";
import { againTitle, newArea, newPainting, paintingDocument, type PaintingDocument } from "./painting";
import { LETTERS } from "./limits";

const ID = "00000000-0000-4000-8000-00000000000";
const [WIDTH, HEIGHT] = [300, 200];

type Rgb = readonly [number, number, number];
/** A sky that pales downwards, a red barn and a field with a ditch; in px of the first photo. */
function motif(x: number, y: number, [red, green, blue]: Rgb = [1, 1, 1]): Rgb {
  const scaled = (r: number, g: number, b: number): Rgb => [r * red, g * green, b * blue];
  if (x >= 90 && x < 170 && y >= 70 && y < 140) return scaled(150, 50, 40);
  if (y < 120) return scaled(110 + y * 0.6, 150 + y * 0.4, 210);
  if (Math.abs(x - 240) < 9) return scaled(50, 60, 70);
  return scaled(110, 130, 60);
}
function photo(width: number, height: number, at: (x: number, y: number) => Rgb): AreaImage {
  const data = new Uint8Array(4 * width * height).fill(255);
  for (let i = 0; i < width * height; i++) data.set(at(i % width, Math.floor(i / width)), 4 * i);
  return areaImageOf({ data, width, height });
}

const first = photo(WIDTH, HEIGHT, motif);
const labels = Uint8Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
  const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
  if (x >= 90 && x < 170 && y >= 70 && y < 140) return 2;
  return y < 120 ? 1 : x >= 280 ? 4 : 3;
});
const area = (n: number, name: string, x: number, y: number) =>
  newArea({ id: `${ID}${n}`, name, region: n, sample: { x, y, radius: 0.004 }, lab: { L: 50, a: 0, b: 0 } });
const recipe = { parts: [{ paintId: `${ID}9`, parts: 1 }], waterParts: 3, layers: [] };

const document: PaintingDocument = {
  ...newPainting("Barn", "cold-pressed"),
  areas: [
    area(1, "Sky", 0.15, 0.3),
    { ...area(2, "Barn", 0.45, 0.5), recipe: recipe as never },
    area(3, "Field", 0.15, 0.9),
    area(4, "Far right", 0.97, 0.9),
  ],
  study: {
    ...newPainting("", "").study,
    map: { width: WIDTH, height: HEIGHT, packed: packMap({ width: WIDTH, height: HEIGHT, labels }) },
    white: { x: 0.5, y: 0.5, light: { r: 0.5, g: 0.5, b: 0.5 }, degree: 1 },
    pairs: [{ id: `${ID}7`, a: { x: 0.45, y: 0.5 }, b: { x: 0.8, y: 0.9 } }],
  },
};

test("a better photo of the motif: areas lie on what they lay on, with its colours; all else stays", () => {
  // Taken from nearer, the right edge cut off, in a warmer light: px of the second are 1.25 times those of the first.
  const light: Rgb = [1, 0.7, 0.5];
  const better = photo(300, 225, (x, y) => motif(20 + x / 1.25, 10 + y / 1.25, light));
  const { way, alike } = wayOver(alignPhotos(first, better));
  expect(alike).toBe(true);
  const after = withPhoto(document, first, better, way);
  expect(way.scale).toBeCloseTo((1.25 * HEIGHT) / 225, 1);
  const map = unpackMap(after.study.map!.packed, after.study.map!.width, after.study.map!.height);
  const place = (x: number, y: number) => ({ x: (1.25 * (x - 20)) / 300, y: (1.25 * (y - 10)) / 225 });
  for (const [x, y, label] of [
    [100, 80, 2],
    [160, 130, 2],
    [60, 60, 1],
    [200, 130, 3],
  ] as const) {
    const at = place(x, y);
    expect(labelAt(map, at.x, at.y)).toBe(label);
  }
  const [sky, barn, field, gone] = after.areas;
  const seen = (r: number, g: number, b: number) => labOfLinear({ r: LINEAR[r]!, g: LINEAR[g]!, b: LINEAR[b]! });
  // A pixel of its border may be another's.
  expect(deltaE00(barn!.lab, seen(150, 35, 20))).toBeLessThan(2);
  expect(deltaE00(barn!.lab, seen(150, 50, 40))).toBeGreaterThan(3);
  expect(barn).toMatchObject({ name: "Barn", region: 2, recipe });
  expect(labelAt(map, sky!.sample.x, sky!.sample.y)).toBe(1);
  expect(labelAt(map, field!.sample.x, field!.sample.y)).toBe(3);
  expect(gone).toMatchObject({ name: "Far right", region: null });
  expect(after.study.white).toBeNull();
  expect(
    Math.hypot(after.study.pairs[0]!.a.x - place(135, 0).x, after.study.pairs[0]!.a.y - place(0, 100).y),
  ).toBeLessThan(0.02);
  expect(paintingDocument.shape.areas.safeParse(after.areas.map((one) => ({ ...one, recipe: null }))).success).toBe(
    true,
  );
});

test("a photo of something else: areas lie by their place in the picture", () => {
  const other = photo(300, 200, (x, y) => (((x >> 5) + (y >> 4)) % 2 === 0 ? [220, 220, 90] : [20, 40, 120]));
  const { way, alike } = wayOver(alignPhotos(first, other));
  expect(alike).toBe(false);
  const after = withPhoto(document, first, other, way);
  expect(after.study.map!.packed).toBe(document.study.map!.packed);
  expect(after.areas.map(({ region }) => region)).toEqual([1, 2, 3, 4]);
});

test("a number whose place the new photo cuts off stands well inside its area again", () => {
  const corner = { ...document.areas[0]!, sample: { x: 0.01, y: 0.02, radius: 0.004 } };
  const { way } = wayOver(alignPhotos(first, first));
  const [sky] = withPhoto({ ...document, areas: [corner] }, first, first, way).areas;
  expect(Math.min(sky!.sample.x, sky!.sample.y)).toBeGreaterThan(0.03);
  expect(sky!.sample.y).toBeLessThan(0.6);
});

test("an area that the sheet cuts off keeps its shape and is read where it lies", () => {
  const cut = { ...document.study, frame: { x: 0.25, y: 0.5, width: 0.5, aspect: 0.75, angleDegrees: 0 } };
  const { way } = wayOver(alignPhotos(first, first));
  const after = withPhoto({ ...document, study: cut }, first, first, way);
  expect(after.areas.map(({ region }) => region)).toEqual([1, 2, 3, 4]);
  const { sample, lab } = after.areas[3]!;
  const [r, g, b] = motif(sample.x * WIDTH, sample.y * HEIGHT);
  expect(deltaE00(lab, labOfLinear({ r: LINEAR[r]!, g: LINEAR[g]!, b: LINEAR[b]! }))).toBeLessThan(0.5);
});

test("the title of one made from another counts on, within its length", () => {
  expect(againTitle("Barn")).toBe("Barn, again");
  expect(againTitle("Barn, again")).toBe("Barn, again 2");
  expect(againTitle("Barn, again 9")).toBe("Barn, again 10");
  const long = againTitle("x".repeat(LETTERS.title));
  expect(long).toHaveLength(LETTERS.title);
  expect(againTitle(long)).toHaveLength(LETTERS.title);
  expect(againTitle(long)).toMatch(/, again 2$/);
});
