import { describe, expect, test } from "vitest";
import { oklabOfLinearSrgb } from "../colour/oklab";
import { linearSrgbOfLinearP3 } from "../colour/display-p3";
import { seededRandom } from "../numeric/random";
import type { AreaImage } from "../image/pixels";
import { proposeShapes } from "./propose";
import { featuresOf, superpixels } from "./superpixels";

type Light = readonly [number, number, number];

/** A made-up scene: which shape each point belongs to, and the light of each shape there. */
interface Scene {
  readonly shapeAt: (x: number, y: number) => number;
  readonly light: (shape: number, x: number, y: number) => Light;
}

const [WIDTH, HEIGHT] = [300, 200];

function render(
  { shapeAt, light }: Scene,
  noise: number,
  seed = 1,
  width = WIDTH,
  height = HEIGHT,
): { image: AreaImage; truth: Uint8Array } {
  const random = seededRandom(seed);
  const linear = new Float32Array(3 * width * height);
  const oklab = new Float32Array(3 * width * height);
  const truth = new Uint8Array(width * height);
  for (let i = 0; i < truth.length; i++) {
    const [x, y] = [(i % width) / width, Math.floor(i / width) / height];
    truth[i] = shapeAt(x, y);
    const grain = 1 + noise * (random() + random() + random() - 1.5);
    light(truth[i]!, x, y).forEach(
      (v, c) => (linear[3 * i + c] = Math.max(0, v * grain + 0.3 * noise * v * (random() - 0.5))),
    );
    const { L, a, b } = oklabOfLinearSrgb(
      linearSrgbOfLinearP3({ r: linear[3 * i]!, g: linear[3 * i + 1]!, b: linear[3 * i + 2]! }),
    );
    oklab.set([L, a, b], 3 * i);
  }
  return { image: { width, height, linear, oklab }, truth };
}

const everywhere = new Uint8Array(WIDTH * HEIGHT).fill(1);
const propose = (image: AreaImage, shapes: number): Int32Array => proposeShapes(image, everywhere, shapes).labels;

/** For each true shape the intersection over union with the proposed shape that fits it best. */
function overlaps(truth: Uint8Array, found: Int32Array): number[] {
  const shapes = Math.max(...truth) + 1;
  const proposed = found.reduce((most, label) => Math.max(most, label), 0) + 1;
  const both = new Float64Array(shapes * proposed);
  const [sizes, ours] = [new Float64Array(shapes), new Float64Array(proposed)];
  truth.forEach((shape, i) => {
    both[shape * proposed + found[i]!]!++;
    sizes[shape]!++;
    ours[found[i]!]!++;
  });
  return Array.from({ length: shapes }, (_, s) =>
    Math.max(
      ...Array.from(
        { length: proposed },
        (_, p) => both[s * proposed + p]! / (sizes[s]! + ours[p]! - both[s * proposed + p]!),
      ),
    ),
  );
}

/** A canal at evening: sky in a slow gradient, flat land, a house of two sides, a tree, water. */
const CANAL: Scene = {
  shapeAt: (x, y) => {
    if (x > 0.62 && x < 0.75 && y > 0.3 && y < 0.68) return 2;
    if (x >= 0.75 && x < 0.86 && y > 0.3 + (x - 0.75) * 0.5 && y < 0.68) return 3;
    if (Math.hypot((x - 0.25) / 0.05, (y - 0.45) / 0.25) < 1) return 4;
    if (y > 0.75) return 5;
    return y > 0.6 ? 1 : 0;
  },
  light: (shape, x, y) =>
    [
      [0.45 + 0.35 * y, 0.42 + 0.12 * y, 0.55 - 0.2 * y],
      [0.12, 0.09, 0.05],
      [0.35, 0.13, 0.06],
      [0.06, 0.025, 0.018],
      [0.03, 0.045, 0.02],
      [0.3 + 0.1 * x, 0.27, 0.33],
    ][shape] as unknown as Light,
};

/** Flat shapes of equal value and different hue, and of equal hue and different value. */
const FLAT: Scene = {
  shapeAt: (x, y) => (Math.hypot(x - 0.3, (y - 0.5) * 0.667) < 0.16 ? 1 : x > 0.6 ? (y < 0.5 ? 2 : 3) : 0),
  light: (shape) =>
    [
      [0.2, 0.2, 0.2],
      [0.33, 0.16, 0.12],
      [0.14, 0.21, 0.36],
      [0.05, 0.08, 0.14],
    ][shape] as unknown as Light,
};

describe("shapes proposed on made-up scenes", () => {
  test.each([
    ["a canal at evening", CANAL, 6],
    ["flat shapes", FLAT, 4],
  ] as const)("%s: every true shape is found, overlap over 0.9", (_, scene, shapes) => {
    const { image, truth } = render(scene, 0);
    for (const overlap of overlaps(truth, propose(image, shapes))) expect(overlap).toBeGreaterThan(0.9);
  });

  test("and stays so under noise, which hardly moves the shapes", () => {
    const still = propose(render(CANAL, 0).image, 6);
    for (const seed of [2, 3]) {
      const { image, truth } = render(CANAL, 0.12, seed);
      const found = propose(image, 6);
      for (const overlap of overlaps(truth, found)) expect(overlap).toBeGreaterThan(0.88);
      for (const overlap of overlaps(Uint8Array.from(still), found)) expect(overlap).toBeGreaterThan(0.85);
    }
  });

  test("a slow gradient stays one shape while any edge is left", () => {
    const { image, truth } = render(CANAL, 0);
    const found = propose(image, 6);
    const sky = new Set(
      truth.reduce<number[]>((labels, shape, i) => (shape === 0 ? [...labels.slice(-40), found[i]!] : labels), []),
    );
    expect(sky.size).toBeLessThan(3);
  });

  test("a step in hue at one value is a border, crisper than a slow run of values", () => {
    // A blue sky growing lighter downwards over grey rock of its own middle value.
    const scene: Scene = {
      shapeAt: (x, y) => (y > 0.45 + 0.1 * Math.sin(9 * x) ? 1 : 0),
      light: (shape, _, y) => (shape === 0 ? [0.14 + 0.2 * y, 0.2 + 0.2 * y, 0.38 + 0.2 * y] : [0.27, 0.27, 0.27]),
    };
    for (const noise of [0, 0.1]) {
      const { image, truth } = render(scene, noise, 5);
      for (const overlap of overlaps(truth, propose(image, 2))) expect(overlap).toBeGreaterThan(0.9);
    }
  });

  test("stems before water don't shred it", () => {
    const scene: Scene = {
      shapeAt: (_, y) => (y > 0.55 ? 1 : 0),
      light: (shape, x, y) =>
        y > 0.3 && Math.abs(((x * 14 + 0.4 * y) % 1) - 0.5) < 0.04
          ? [0.35, 0.2, 0.06]
          : shape === 0
            ? [0.4, 0.5, 0.7]
            : [0.06, 0.16, 0.3],
    };
    const { image, truth } = render(scene, 0.05, 3);
    const { labels, shapes } = proposeShapes(image, everywhere);
    expect(shapes).toBeGreaterThanOrEqual(4);
    for (const overlap of overlaps(truth, propose(image, 2))) expect(overlap).toBeGreaterThan(0.85);
    expect(new Set(labels).size).toBe(shapes);
  });

  test("a sea between reeds is one sea, and the horizon above it stays", () => {
    const [width, height, reeds] = [480, 320, 20];
    const scene: Scene = {
      shapeAt: (x, y) => (y > 0.75 || (y > 0.2 && Math.abs(((x * reeds) % 1) - 0.5) < 0.2) ? 2 : y > 0.45 ? 1 : 0),
      light: (shape) => [[0.42, 0.5, 0.66] as const, [0.16, 0.36, 0.6] as const, [0.42, 0.26, 0.05] as const][shape]!,
    };
    const { image } = render(scene, 0.03, 4, width, height);
    const { labels } = proposeShapes(image, new Uint8Array(width * height).fill(1), 3);
    const gaps = Array.from({ length: reeds - 1 }, (_, i) => Math.round(((i + 1) * width) / reeds));
    const [sky, sea] = [0.1, 0.6].map((y) => new Set(gaps.map((x) => labels[Math.round(y * height) * width + x])));
    expect([sky!.size, sea!.size]).toEqual([1, 1]);
    expect(sky).not.toEqual(sea);
  });

  test("specks too small to paint are absorbed", () => {
    const speckled: Scene = {
      ...FLAT,
      shapeAt: (x, y) => (Math.abs(x - 0.8) < 0.008 && Math.abs(y - 0.2) < 0.01 ? 3 : FLAT.shapeAt(x, y)),
    };
    const found = propose(render(speckled, 0).image, 6);
    const sizes = new Map<number, number>();
    found.forEach((label) => sizes.set(label, (sizes.get(label) ?? 0) + 1));
    expect(Math.min(...sizes.values())).toBeGreaterThan(0.002 * WIDTH * HEIGHT * 0.9);
  });

  test("more shapes divide the ones there are", () => {
    const { image } = render(CANAL, 0.05, 7);
    const [few, many] = [propose(image, 4), propose(image, 12)];
    const parents = new Map<number, Set<number>>();
    many.forEach((label, i) => parents.set(label, (parents.get(label) ?? new Set()).add(few[i]!)));
    for (const over of parents.values()) expect(over.size).toBe(1);
  });

  test("outside the sheet nothing is proposed", () => {
    const { image } = render(FLAT, 0);
    const mask = Uint8Array.from({ length: WIDTH * HEIGHT }, (_, i) => (i % WIDTH < 200 ? 1 : 0));
    const { labels, count } = superpixels(featuresOf(image), WIDTH, HEIGHT, mask);
    expect(labels.findIndex((piece, i) => piece >= 0 !== (mask[i] === 1))).toBe(-1);
    expect(Math.max(...labels)).toBe(count - 1);
  });
});
