import { quadrupleOf } from "../../numeric/tuples";
import { describe, expect, test } from "vitest";
import { PAPERS } from "../../optics/paper";
import { paintModel } from "../../mixing/paint";
import { predict } from "../../mixing/predict";
import { valueRange } from "../../mixing/range";
import { seededRandom } from "../../numeric/random";
import { labOfXyz } from "../../colour/lab";
import { xyzOfLinearP3 } from "../../colour/display-p3";
import { linearOfSrgb } from "../../colour/srgb";
import { temperatureOf } from "../../colour/describe";
import { luminanceOfValue } from "../../colour/munsell-value";
import { labF } from "../../colour/lab";
import { latticeOf, LATTICE_LOADS } from "./lattice";
import { PointTree } from "./point-tree";
import { CUBE_SIDE, gamutTable } from "./gamut-table";
import { darkestOf, sliceAt, withinSlice } from "./slice";

const paper = PAPERS[0];
const ids = ["PY3", "PV19-rose", "PB29", "PBr7-burnt-sienna"];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const lattice = latticeOf(paints, paper);

describe("the lattice of a palette's reach", () => {
  test("holds the film model's colours", () => {
    const { nets, places, amounts, lab } = lattice;
    expect(nets).toHaveLength(4);
    for (const [n, p, l] of [
      [0, 17, 8],
      [2, 33, 4],
      [3, 40, 11],
    ]) {
      const place = n! * places.length + p!;
      const mix = nets[n!]!.flatMap((paint, i) =>
        amounts[3 * place + i]! > 0 ? [{ paint: paints[paint]!, parts: amounts[3 * place + i]! }] : [],
      );
      const { dry } = predict(mix, LATTICE_LOADS[l!]!, paper);
      const at = 3 * (place * LATTICE_LOADS.length + l!);
      expect(
        [lab[at], lab[at + 1], lab[at + 2]]
          .map((x, i) => Math.abs(x! - [dry.L, dry.a, dry.b][i]!))
          .every((d) => d < 0.1),
      ).toBe(true);
    }
  });
  test("is as dark as the value range says, and one or two paints have one as well", () => {
    const lightness = 116 * labF(luminanceOfValue(valueRange(paints, paper).darkest)) - 16;
    expect(Math.abs(darkestOf(lattice) - lightness)).toBeLessThan(1.2);
    for (const few of [1, 2]) expect(darkestOf(latticeOf(paints.slice(0, few), paper))).toBeLessThan(100);
  });
});

describe("a slice of the reach at one lightness", () => {
  const random = seededRandom(5);
  test("mixes of the palette lie within it, other paints' pure colours don't", () => {
    for (let i = 0; i < 60; i++) {
      const parts = [random(), random(), random()];
      const from = Math.floor(random() * 4);
      const { dry } = predict(
        [0, 1, 2].map((k) => ({ paint: paints[(from + k) % 4]!, parts: 0.1 + parts[k]! })),
        0.03 + 0.6 * random(),
        paper,
      );
      const slice = sliceAt(lattice, dry.L);
      // The edge is as coarse as the plane's cells.
      expect(
        [
          [0, 0],
          [2.5, 0],
          [-2.5, 0],
          [0, 2.5],
          [0, -2.5],
        ].some(([a, b]) => withinSlice(slice, { a: dry.a + a!, b: dry.b + b! })),
        JSON.stringify(dry),
      ).toBe(true);
    }
    for (const id of ["PG7", "PO73"]) {
      const { dry } = predict([{ paint: paintModel(id, [{ pigmentId: id, share: 1 }]), parts: 1 }], 0.5, paper);
      expect(withinSlice(sliceAt(lattice, dry.L), dry)).toBe(false);
    }
  });
  test("mixing paths bend: yellow and blue meet on the green side of the straight line", () => {
    const { paths } = sliceAt(lattice, 55);
    const { points } =
      paths.find(({ pair }) => pair[0] === 0 && pair[1] === 2) ??
      sliceAt(lattice, 62).paths.find(({ pair }) => pair[0] === 0 && pair[1] === 2)!;
    const n = points.length / 2;
    const [ax, ay, bx, by] = quadrupleOf([points[0]!, points[1]!, points[2 * n - 2]!, points[2 * n - 1]!]);
    const away = Array.from(
      { length: n },
      (_, i) =>
        ((bx - ax) * (points[2 * i + 1]! - ay) - (by - ay) * (points[2 * i]! - ax)) / Math.hypot(bx - ax, by - ay),
    );
    const bend = away.reduce((most, x) => (Math.abs(x) > Math.abs(most) ? x : most), 0);
    expect(Math.abs(bend)).toBeGreaterThan(5);
    const middle = away.indexOf(bend);
    expect(points[2 * middle]).toBeLessThan(ax + ((bx - ax) * middle) / (n - 1));
  });
  test("neutrals: the warm one is warmer, both nearly grey; below the darkest there is nothing", () => {
    const { neutrals } = sliceAt(lattice, 45);
    expect(temperatureOf({ L: 45, ...neutrals!.warm })).toBeGreaterThan(
      temperatureOf({ L: 45, ...neutrals!.cool }) + 5,
    );
    expect(Math.hypot(neutrals!.warm.a, neutrals!.warm.b)).toBeLessThan(9.01);
    const none = sliceAt(lattice, darkestOf(lattice) - 2);
    expect([none.outlines.length, none.paths.length, none.neutrals]).toEqual([0, 0, null]);
  });
});

test("the nearest point by tree is the nearest by trying all", () => {
  const random = seededRandom(9);
  const points = Float32Array.from({ length: 1500 }, () => 100 * random());
  const tree = new PointTree(points);
  const off = (at: number, x: number, y: number, z: number): number =>
    (points[at]! - x) ** 2 + (points[at + 1]! - y) ** 2 + (points[at + 2]! - z) ** 2;
  for (let i = 0; i < 200; i++) {
    const [x, y, z] = [140 * random() - 20, 140 * random() - 20, 140 * random() - 20];
    const least = Math.min(...Array.from({ length: 500 }, (_, p) => off(3 * p, x, y, z)));
    expect(off(tree.nearest(x, y, z, 0), x, y, z)).toBe(least);
  }
});

describe("the photo through the palette", () => {
  const { rgba } = gamutTable(lattice, (lab) => lab, 1.5);
  const labAt = (r: number, g: number, b: number): { L: number; a: number; b: number } => {
    const linear = (i: number): number => linearOfSrgb(i / (CUBE_SIDE - 1));
    return labOfXyz(xyzOfLinearP3({ r: linear(r), g: linear(g), b: linear(b) }));
  };
  const missAt = (r: number, g: number, b: number): number =>
    rgba[4 * (r + CUBE_SIDE * (g + CUBE_SIDE * b)) + 3]! / 255;
  const places = Array.from(
    { length: CUBE_SIDE ** 3 },
    (_, i) => [i % CUBE_SIDE, Math.floor(i / CUBE_SIDE) % CUBE_SIDE, Math.floor(i / CUBE_SIDE ** 2)] as const,
  );

  test("what lies well within the reach is hardly changed, a pure green and black are missed", () => {
    const slices = new Map<number, ReturnType<typeof sliceAt>>();
    let within = 0;
    let sum = 0;
    for (const [r, g, b] of places) {
      const lab = labAt(r, g, b);
      if (lab.L < 30 || lab.L > 85 || Math.hypot(lab.a, lab.b) > 18) continue;
      const key = Math.round(lab.L);
      const slice = slices.get(key) ?? sliceAt(lattice, key);
      slices.set(key, slice);
      if (
        [
          [4, 0],
          [-4, 0],
          [0, 4],
          [0, -4],
        ].some(([da, db]) => !withinSlice(slice, { a: lab.a + da!, b: lab.b + db! }))
      )
        continue;
      within++;
      expect(32 * missAt(r, g, b)).toBeLessThan(6);
      sum += 32 * missAt(r, g, b);
    }
    expect(within).toBeGreaterThan(20);
    expect(sum / within).toBeLessThan(2);
    const last = CUBE_SIDE - 1;
    expect(32 * missAt(0, last, 0)).toBeGreaterThan(20);
    expect(32 * missAt(0, 0, 0)).toBeGreaterThan(20);
    expect(32 * missAt(last, last, last)).toBeLessThan(12);
  });
});
