import { readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import sharp from "sharp";
import { z } from "zod";
import { fillPolygon, proposeShapes } from "@/core/areas";
import { areaImageOf, type PixelArray } from "@/core/image";
import { readPhoto } from "@/server/photo-import/read-photo";

const folder = dirname(fileURLToPath(import.meta.url));
const percent = z.number().gte(0).lte(100);
const drawnShapes = z.record(
  z.string(),
  z.array(z.object({ name: z.string(), line: z.array(z.tuple([percent, percent])).min(3) })),
);

/** What a painter drew on each photograph: `README.md` beside them. */
const DRAWN = drawnShapes.parse(JSON.parse(readFileSync(join(folder, "drawn-shapes.json"), "utf8")));

/** Names of the photographs. */
export const PHOTOGRAPHS = Object.keys(DRAWN);

/** Where a photograph lies, for programs that read it themselves. */
export const photographPath = (name: string): string => join(folder, `${name}.jpg`);

/** A photograph as the desk gets it: read by the import, its working copy decoded. */
export async function photograph(name: string): Promise<PixelArray> {
  const { working } = await readPhoto(photographPath(name));
  const { data, info } = await sharp(working).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

const proposed = new Map<string, ReturnType<typeof propose>>();

async function propose(name: string) {
  const image = areaImageOf(await photograph(name));
  return { image, ...proposeShapes(image, new Uint8Array(image.width * image.height).fill(1)) };
}

/** The shapes proposed unasked on a photograph, and what they were found in: found once, since several tests ask. */
export function shapesProposed(name: string): ReturnType<typeof propose> {
  const known = proposed.get(name) ?? propose(name);
  proposed.set(name, known);
  return known;
}

/** The shapes drawn by hand, as labels of pixels from 1; a later shape lies over an earlier one. */
export function drawnLabels(name: string, width: number, height: number): Uint8Array {
  const labels = new Uint8Array(width * height);
  DRAWN[name]!.forEach(({ line }, index) => {
    const mask = fillPolygon(
      line.map(([x, y]) => ({ x: x / 100, y: y / 100 })),
      width,
      height,
    );
    mask.forEach((inside, i) => inside && (labels[i] = index + 1));
  });
  return labels;
}
