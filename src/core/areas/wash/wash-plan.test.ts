import { describe, expect, test } from "vitest";
import { madeUpWash } from "@/testing/made-up-washes";
import { deltaE00 } from "../../colour/difference";
import { oklabOfLab } from "../../colour/oklab";
import { areaImageOf } from "../../image/pixels";
import { washPlan, type WashKind } from "./wash-plan";

const labOf = (oklab: Float32Array, i: number) => ({ L: oklab[3 * i], a: oklab[3 * i + 1], b: oklab[3 * i + 2] });

async function planned(kind: WashKind, seed: number) {
  const made = await madeUpWash(kind, seed);
  const map = { width: made.photo.width, height: made.photo.height, labels: made.inside };
  const image = areaImageOf(made.photo);
  return { made, map, image, plan: washPlan(map, 1, image)! };
}

/** Largest difference between true and found colours, in their order; a run may be told from either end. */
function worst(kind: WashKind, truth: Awaited<ReturnType<typeof planned>>): number {
  const found = truth.plan.colours.map(({ lab }) => lab);
  const ends = kind === "graded" ? [found[0], found[found.length - 1]] : found;
  const off = (list: typeof ends): number =>
    Math.max(...truth.made.colours.map((lab, i) => (list[i] ? deltaE00(lab, list[i]) : Infinity)));
  return kind === "graded" ? Math.min(off(ends), off([...ends].reverse())) : off(ends);
}

describe("how an area is laid, on made-up photos with noise and JPEG", () => {
  test.each(["flat", "graded", "varied", "layered"] as const)(
    "%s washes are told as such, their colours right within 2 dE00",
    async (kind) => {
      // A hundred of each are counted by the bench; here the worst of eight may lie a little beyond.
      const off: number[] = [];
      for (let seed = 1; seed <= 8; seed++) {
        const truth = await planned(kind, 7000 + seed);
        expect(truth.plan.kind, `seed ${seed}`).toBe(kind);
        off.push(worst(kind, truth));
      }
      expect(off.filter((miss) => miss < 2).length).toBeGreaterThanOrEqual(7);
      expect(Math.max(...off)).toBeLessThan(2.5);
    },
  );

  test("colours lie where they are said to, their shares make the whole, and a run follows its arrow", async () => {
    for (const kind of ["graded", "varied", "layered"] as const) {
      const { plan, image } = await planned(kind, 7003);
      expect(plan.colours.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
      for (const { lab, at } of plan.colours) {
        const i = Math.floor(at.y * image.height) * image.width + Math.floor(at.x * image.width);
        const near = plan.colours.filter((other) => other.lab !== lab);
        const there = labOf(image.oklab, i);
        const away = (one: { L: number; a: number; b: number }): number =>
          Math.hypot(one.L - there.L!, one.a - there.a!, one.b - there.b!);
        for (const other of near) expect(away(oklabOfLab(lab))).toBeLessThan(away(oklabOfLab(other.lab)));
      }
      expect(plan.run === null).toBe(kind !== "graded");
    }
  });

  test("a kind that is asked for is given, whatever the photo suggests; small differences stay flat when nobody would bother", async () => {
    const { map, image, plan } = await planned("varied", 7002);
    expect(washPlan(map, 1, image, 4, "flat")!.colours.length).toBe(1);
    expect(washPlan(map, 1, image, 4, "graded")!.run).not.toBeNull();
    expect(washPlan(map, 1, image, 4, "layered")!.colours.length).toBe(2);
    const apart = deltaE00(plan.colours[0]!.lab, plan.colours[1]!.lab);
    expect(washPlan(map, 1, image, apart)!.kind).toBe("flat");
    expect(washPlan(map, 9, image)).toBeNull();
  });

  test("a third colour that is plainly one is a colour of its own, two in as many blotches stay two", async () => {
    const { made, map } = await planned("flat", 7004);
    const inBlotches = (...colours: readonly (readonly [number, number, number])[]) => {
      const data = Uint8Array.from(made.photo.data);
      for (let y = 0; y < map.height; y++)
        for (let x = 0; x < map.width; x++)
          data.set(colours[(Math.floor(x / 15) + Math.floor(y / 15)) % colours.length]!, 4 * (y * map.width + x));
      return washPlan(map, 1, areaImageOf({ ...made.photo, data }))!;
    };
    const [red, blue, green] = [
      [176, 118, 108],
      [112, 138, 166],
      [132, 146, 92],
    ] as const;
    expect(inBlotches(red, blue, green).colours).toHaveLength(3);
    expect(inBlotches(red, blue).colours).toHaveLength(2);
  });

  test("a small spot that no colour of the wash stands for is the accent, at its place", async () => {
    const { made, map, plan } = await planned("flat", 7001);
    const data = Uint8Array.from(made.photo.data);
    const [cx, cy] = [200, 120];
    for (let y = cy - 9; y <= cy + 9; y++)
      for (let x = cx - 9; x <= cx + 9; x++) data.set([235, 30, 20], 4 * (y * map.width + x));
    const spotted = washPlan(map, 1, areaImageOf({ ...made.photo, data }))!;
    expect(spotted.kind).toBe("flat");
    expect(spotted.accent!.lab.a).toBeGreaterThan(50);
    expect(Math.hypot(spotted.accent!.at.x * map.width - cx, spotted.accent!.at.y * map.height - cy)).toBeLessThan(8);
    expect(plan.accent).toBeNull();
  });
});
