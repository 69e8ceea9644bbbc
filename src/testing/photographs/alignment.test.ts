import sharp, { type Sharp } from "sharp";
import { beforeAll, expect, test } from "vitest";
import { againstAlignment, alignPhotos, alongAlignment, areaImageOf, SAME_MOTIF, type AreaImage } from "@/core/image";
import { PHOTOGRAPHS, photographPath } from "./photographs";

/** The same motif again: a part of the photo at another size, in another light, saved roughly. */
const TAKES = [
  { name: "nearer, lighter", left: 0.12, top: 0.06, width: 0.72, height: 0.8, size: 900, gamma: 1.5, warm: 1.08 },
  { name: "upright, darker", left: 0.3, top: 0, width: 0.5, height: 1, size: 600, gamma: 1, warm: 0.8 },
  { name: "all of it", left: 0, top: 0, width: 1, height: 1, size: 1300, gamma: 1.8, warm: 0.95 },
] as const;
type Take = (typeof TAKES)[number];

async function imageOf(pipeline: Sharp): Promise<AreaImage> {
  const { data, info } = await pipeline.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return areaImageOf({ data, width: info.width, height: info.height });
}

const wholes = new Map<string, AreaImage>();
beforeAll(async () => {
  for (const name of PHOTOGRAPHS) wholes.set(name, await imageOf(sharp(photographPath(name))));
});

async function taken(name: string, { left, top, width, height, size, gamma, warm }: Take): Promise<AreaImage> {
  const { width: w = 0, height: h = 0 } = await sharp(photographPath(name)).metadata();
  const part = await sharp(photographPath(name))
    .extract({
      left: Math.round(left * w),
      top: Math.round(top * h),
      width: Math.floor(width * w),
      height: Math.floor(height * h),
    })
    .resize({ width: size })
    .gamma(gamma)
    .linear([0.85 * warm, 0.85, 0.85 / warm], [8, 8, 8])
    .jpeg({ quality: 60 })
    .toBuffer();
  return imageOf(sharp(part));
}

/** What each take is tried on. */
const TRIED = TAKES.flatMap((take, i) =>
  PHOTOGRAPHS.filter((_, p) => i === 0 || p % 3 === i).map((name) => ({ name, take, how: take.name })),
);

test.each(TRIED)("$name, $how: what lies where is found to a hundredth of its width", async ({ name, take }) => {
  const [from, to] = [wholes.get(name)!, await taken(name, take)];
  const found = alignPhotos(from, to);
  expect(found.likeness).toBeGreaterThan(SAME_MOTIF);
  for (const x of [0.1, 0.5, 0.9])
    for (const y of [0.1, 0.5, 0.9]) {
      const whole = { x: take.left + x * take.width, y: take.top + y * take.height };
      const there = alongAlignment(found, from, to, whole);
      expect(Math.hypot(there.x - x, there.y - y)).toBeLessThan(0.012);
      const back = againstAlignment(found, from, to, there);
      expect(Math.hypot(back.x - whole.x, back.y - whole.y)).toBeLessThan(1e-9);
    }
});

test.each([
  ["bridge", "harbour"],
  ["mountain", "cup"],
  ["dune", "temple"],
])("%s and %s are not taken for one motif", (a, b) => {
  expect(alignPhotos(wholes.get(a)!, wholes.get(b)!).likeness).toBeLessThan(SAME_MOTIF);
});
