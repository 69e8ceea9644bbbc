import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { oklabOfLinearSrgb } from "../colour/oklab";
import type { AreaImage } from "../image/pixels";
import { fillPolygon, splitArea } from "./edit";
import { knownPieces, snapToEdges } from "./snap";
import { countLabels, emptyMap, labelAt, packMap, pointWithin, unpackMap, withLabel, type LabelMap } from "./label-map";
import { measureAreas } from "./measure";
import { mergeTree } from "./merge-tree";
import { outlinesOf } from "./outline";
import { cuesOf } from "./cues";
import { featuresOf, superpixels } from "./superpixels";

const mapOf = (width: number, height: number, at: (x: number, y: number) => number): LabelMap => ({
  width,
  height,
  labels: Uint8Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width))),
});
const disc = mapOf(200, 160, (x, y) => (Math.hypot(x + 0.5 - 100, y + 0.5 - 80) < 50 ? 2 : 1));

/** A grey image with a light for each pixel. */
function imageOf(
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number],
): AreaImage {
  const linear = new Float32Array(3 * width * height);
  const oklab = new Float32Array(3 * width * height);
  for (let i = 0; i < width * height; i++) {
    const [r, g, b] = at(i % width, Math.floor(i / width));
    linear.set([r, g, b], 3 * i);
    const ok = oklabOfLinearSrgb({ r, g, b });
    oklab.set([ok.L, ok.a, ok.b], 3 * i);
  }
  return { width, height, linear, oklab };
}
const everywhere = (map: { width: number; height: number }): Uint8Array =>
  new Uint8Array(map.width * map.height).fill(1);

describe("the areas' map", () => {
  test("is packed and unpacked without loss, and small for painted shapes", () => {
    const random = seededRandom(5);
    for (const map of [
      disc,
      emptyMap(7, 3),
      mapOf(61, 47, () => Math.floor(random() * 256)),
      mapOf(300, 1, (x) => (x < 299 ? 255 : 0)),
    ]) {
      expect(unpackMap(packMap(map), map.width, map.height)).toEqual(map);
    }
    expect(packMap(disc).length).toBeLessThan(disc.labels.length / 25);
  });

  test("a text that is no map of that size is refused", () => {
    const packed = packMap(disc);
    for (const [text, width] of [
      ["not base64!", 200],
      [packed, 199],
      [packed, 201],
      [packed.slice(0, packed.length - 8), 200],
      ["AQA=", 1],
      ["AYCAgICAAQ==", 200],
    ] as const) {
      expect(() => unpackMap(text, width, 160), text.slice(0, 12)).toThrow(RangeError);
    }
  });

  test("answers which label lies at a point, and how many pixels each has", () => {
    expect(labelAt(disc, 0.5, 0.5)).toBe(2);
    expect(labelAt(disc, 1, 1)).toBe(1);
    expect(labelAt(disc, -0.1, 0.5)).toBe(0);
    expect(countLabels(disc)[2]! / (Math.PI * 2500)).toBeCloseTo(1, 2);
  });

  test("a number stands well inside: the middle of a disc, never in a ring's hole", () => {
    const middle = pointWithin(disc, 2)!;
    expect(Math.hypot(middle.x - 0.5, middle.y - 0.5)).toBeLessThan(0.05);
    const ring = mapOf(120, 120, (x, y) => (Math.abs(Math.hypot(x - 60, y - 60) - 40) < 12 ? 3 : 0));
    const on = pointWithin(ring, 3)!;
    expect(labelAt(ring, on.x, on.y)).toBe(3);
    expect(pointWithin(ring, 9)).toBeNull();
  });
});

describe("outlines", () => {
  const shoelace = (points: Float32Array): number => {
    let sum = 0;
    for (let i = 0; i < points.length; i += 2) {
      const j = (i + 2) % points.length;
      sum += points[i]! * points[j + 1]! - points[j]! * points[i + 1]!;
    }
    return Math.abs(sum) / 2;
  };

  test("a disc has one closed line of its size, drawn with few points", () => {
    const lines = outlinesOf(disc);
    const round = lines.find(({ sides }) => sides.includes(2))!;
    expect(round.closed).toBe(true);
    expect([...round.sides].sort()).toEqual([1, 2]);
    expect(shoelace(round.points) / (Math.PI * 2500)).toBeCloseTo(1, 1);
    expect(round.points.length / 2).toBeLessThan(80);
    expect(lines.length).toBe(2);
  });

  test("three areas that meet share their lines, which end exactly where they meet", () => {
    const lines = outlinesOf(mapOf(60, 60, (x, y) => (y < 30 ? 1 : x < 30 ? 2 : 3)));
    const ends = lines.flatMap(({ points }) => [
      `${points[0]},${points[1]}`,
      `${points[points.length - 2]},${points[points.length - 1]}`,
    ]);
    expect(ends.filter((end) => end === "30,30").length).toBe(3);
    expect(lines.filter(({ sides }) => sides.includes(1) && sides.includes(2)).length).toBe(1);
  });

  test("what is passed over four pixels at a time changes no line", () => {
    const random = seededRandom(5);
    const blocks = Array.from({ length: 9 * 7 }, () => Math.floor(random() * 4));
    const specks = new Set(Array.from({ length: 90 }, () => Math.floor(random() * 96 * 70)));
    const map = mapOf(96, 70, (x, y) =>
      specks.has(y * 96 + x) ? 255 : blocks[9 * Math.floor(y / 10) + Math.floor((x + (y % 10)) / 12.5)]!,
    );
    // Labels that begin at an odd byte can't be read in fours.
    const odd = new Uint8Array(map.labels.length + 1);
    odd.set(map.labels, 1);
    expect(outlinesOf(map)).toEqual(outlinesOf({ ...map, labels: odd.subarray(1) }));
  });

  test("every crack is drawn once: single pixels and checkers too", () => {
    const checker = outlinesOf(mapOf(6, 6, (x, y) => (x + y) % 2));
    expect(checker.length).toBeGreaterThan(20);
    expect(
      outlinesOf(mapOf(9, 9, (x, y) => (x === 4 && y === 4 ? 1 : 0))).filter(({ sides }) => sides.includes(1)).length,
    ).toBe(1);
  });
});

describe("editing shapes", () => {
  test("a drawn line encloses its true area, whichever way it runs, holes by even and odd", () => {
    const square = [
      { x: 0.1, y: 0.1 },
      { x: 0.6, y: 0.1 },
      { x: 0.6, y: 0.8 },
      { x: 0.1, y: 0.8 },
    ];
    const sum = (mask: Uint8Array): number => mask.reduce((all, inside) => all + inside, 0);
    expect(sum(fillPolygon(square, 200, 100))).toBe(100 * 70);
    expect(fillPolygon([...square].reverse(), 200, 100)).toEqual(fillPolygon(square, 200, 100));
    const circle = Array.from({ length: 90 }, (_, i) => ({
      x: 0.5 + 0.3 * Math.cos((i * Math.PI) / 45),
      y: 0.5 + 0.4 * Math.sin((i * Math.PI) / 45),
    }));
    expect(sum(fillPolygon(circle, 200, 150)) / (Math.PI * 60 * 60)).toBeCloseTo(1, 2);
    expect(
      sum(
        fillPolygon(
          square.map(({ x, y }) => ({ x: x + 2, y })),
          200,
          100,
        ),
      ),
    ).toBe(0);
  });

  test("a rough line around a disc is drawn to the disc's edge; a tiny one stays as it was drawn", () => {
    const image = imageOf(200, 160, (x, y) =>
      Math.hypot(x + 0.5 - 100, y + 0.5 - 80) < 50 ? [0.5, 0.2, 0.1] : [0.1, 0.15, 0.2],
    );
    const features = featuresOf(image);
    const pieces = knownPieces(superpixels(features, 200, 160, everywhere(image)), features);
    const rough = Array.from({ length: 24 }, (_, i) => {
      const radius = 50 + (i % 2 ? 4 : -4);
      return {
        x: (100 + radius * Math.cos((i * Math.PI) / 12)) / 200,
        y: (80 + radius * Math.sin((i * Math.PI) / 12)) / 160,
      };
    });
    const drawn = fillPolygon(rough, 200, 160);
    const snapped = snapToEdges(drawn, pieces);
    const wrong = (mask: Uint8Array): number =>
      mask.reduce((sum, inside, i) => sum + (inside === (disc.labels[i] === 2 ? 1 : 0) ? 0 : 1), 0);
    expect(wrong(snapped)).toBeLessThan(0.4 * wrong(drawn));
    const dot = fillPolygon(
      [
        { x: 0.5, y: 0.5 },
        { x: 0.51, y: 0.5 },
        { x: 0.51, y: 0.51 },
      ],
      200,
      160,
    );
    expect(snapToEdges(dot, pieces)).toBe(dot);
  });

  test("an area of two colours splits where they meet; one of a single piece does not", () => {
    const image = imageOf(200, 160, (x: number) => (x < 120 ? [0.5, 0.4, 0.2] : [0.1, 0.12, 0.3]));
    const features = featuresOf(image);
    const pieces = superpixels(features, 200, 160, everywhere(image));
    const map = mapOf(200, 160, (_, y) => (y < 80 ? 4 : 1));
    const grow = (within: Uint8Array, smallest: number) => mergeTree(pieces, cuesOf(image), within, smallest);
    const mask = splitArea(map, 4, pieces, grow)!;
    const right = mask.reduce((sum, inside, i) => sum + (inside === 1 && i % 200 >= 118 ? 1 : 0), 0);
    expect(right / (80 * 80)).toBeGreaterThan(0.95);
    expect(mask.findIndex((inside, i) => inside === 1 && map.labels[i] !== 4)).toBe(-1);
    const speck = withLabel(emptyMap(200, 160), 7, (i) => i === 5);
    expect(splitArea(speck, 7, pieces, grow)).toBeNull();
  });
});

describe("measuring areas", () => {
  const image = imageOf(200, 160, (x, y) =>
    disc.labels[y * 200 + x] === 2 ? (x < 100 ? [0.6, 0.6, 0.6] : [0.2, 0.2, 0.2]) : [0.05, 0.08, 0.15],
  );
  const { areas, borders, uncovered } = measureAreas(
    withLabel(disc, 0, (i) => i < 200 * 16),
    image,
    everywhere(disc),
    200,
  );

  test("mean as light adds, lit and shaded side, share of the sheet", () => {
    const round = areas.find(({ label }) => label === 2)!;
    // Half at 60 percent, half at 20: the mean reflects 40 percent, L* 69.5 by CIE 15.
    expect(round.mean.L).toBeCloseTo(69.5, 0);
    expect(round.lit.L).toBeCloseTo(81.8, 0);
    expect(round.shaded.L).toBeCloseTo(51.8, 0);
    expect(round.share).toBeCloseTo((Math.PI * 2500) / 32_000, 2);
    expect(uncovered).toBeCloseTo(0.1, 6);
    expect(areas.reduce((sum, { share }) => sum + share, uncovered)).toBeCloseTo(1, 9);
  });

  test("an accent is a small part that stands out; without one there is none", () => {
    const spotted = imageOf(200, 160, (x, y) =>
      Math.hypot(x - 30, y - 120) < 20 ? [0.6, 0.1, 0.05] : [0.05, 0.08, 0.15],
    );
    const [measured] = measureAreas(
      mapOf(200, 160, () => 1),
      spotted,
      everywhere(disc),
      200,
    ).areas;
    expect(measured!.accent!.a).toBeGreaterThan(30);
    expect(areas.find(({ label }) => label === 1)!.accent).toBeNull();
  });

  test("the border of a disc is its circumference, crisp here and soft when blurred", () => {
    const border = borders.find(({ a, b }) => a === 1 && b === 2)!;
    expect(border.length / ((2 * Math.PI * 50) / 200)).toBeCloseTo(1, 1);
    expect(border.hardness).toBeGreaterThan(0.8);
    const blurred = imageOf(200, 160, (x, y) => {
      const t = Math.min(1, Math.max(0, (Math.hypot(x + 0.5 - 100, y + 0.5 - 80) - 38) / 24));
      return [0.6 - 0.5 * t, 0.5 - 0.4 * t, 0.4 - 0.2 * t];
    });
    expect(measureAreas(disc, blurred, everywhere(disc), 200).borders[0]!.hardness).toBeLessThan(0.4);
  });

  test("what lies beyond the sheet is not counted", () => {
    const half = Uint8Array.from({ length: 32_000 }, (_, i) => (i % 200 < 100 ? 1 : 0));
    const cut = measureAreas(disc, image, half, 100);
    expect(cut.areas.find(({ label }) => label === 2)!.mean.L).toBeCloseTo(81.8, 0);
    expect(cut.borders.find(({ a, b }) => a === 1 && b === 2)!.length / ((Math.PI * 50) / 100)).toBeCloseTo(1, 1);
  });
});
