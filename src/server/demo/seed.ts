import { randomUUID } from "node:crypto";
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { DEFAULT_MATCH, matchOver, paintModel, PAPERS, prepareMatch, samplePhoto } from "@/core";
import type { Database } from "@/db/database";
import { findPaintbox, savePaintbox } from "@/db/paintbox";
import { newPaint, type TravelBox } from "@/db/paintbox-document";
import type { PaintingArea } from "@/db/painting-document";
import { createPainting } from "@/db/paintings";
import { readPhoto } from "../photo-file";
import { storePhoto } from "../photo-store";
import { DEMO_PAINTS, DEMO_PALETTE } from "./paintbox";

const PHOTO = join(process.cwd(), "src", "server", "demo", "pump-house.jpg");

/** The demo's areas: name and where on the photo, as shares of its width and height. */
const AREAS: readonly { name: string; x: number; y: number; radius: number }[] = [
  { name: "Afterglow low in the sky", x: 0.04, y: 0.575, radius: 0.012 },
  { name: "Rose cloud", x: 0.3, y: 0.2, radius: 0.01 },
  { name: "Blue between the clouds", x: 0.62, y: 0.105, radius: 0.01 },
  { name: "Violet bank of cloud", x: 0.93, y: 0.37, radius: 0.008 },
  { name: "Brick in the sun", x: 0.7, y: 0.55, radius: 0.008 },
  { name: "Brick in shade", x: 0.862, y: 0.708, radius: 0.004 },
  { name: "Poplars, shaded side", x: 0.435, y: 0.535, radius: 0.006 },
  { name: "Wet bank", x: 0.9, y: 0.86, radius: 0.008 },
];

/**
 * Lays out the demo in an empty house: paintbox, photo, the painting with its areas, its palette
 * and the recipes the engine finds for them. Does nothing in a house that has been lived in.
 */
export async function seedDemo(db: Database, data: string): Promise<void> {
  const { revision, document } = await findPaintbox(db);
  if (revision > 0 || document.paints.length > 0) return;
  const photo = await readPhoto(await readFile(PHOTO));
  const { data: pixels, info } = await sharp(photo.working).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  await storePhoto(db, data, photo, "pump-house.jpg");
  await db.transaction(async (tx) => {
    const ids = DEMO_PAINTS.map(() => randomUUID());
    const travel: TravelBox = { id: randomUUID(), name: "For the canal", rows: 2, columns: 6, pan: "half pan", wells: [...DEMO_PALETTE.map((name) => ids[DEMO_PAINTS.findIndex((p) => p.name === name)]), null, null, null, null] };
    await savePaintbox(tx, revision, { paints: DEMO_PAINTS.map((paint, i) => newPaint({ id: ids[i], ...paint })), boxes: [travel] });
    const idOf = (name: string): string => ids[DEMO_PAINTS.findIndex((paint) => paint.name === name)];
    const palette = DEMO_PALETTE.map(idOf);
    const models = DEMO_PALETTE.map((name) => {
      const { pigments, tintingStrength } = DEMO_PAINTS.find((paint) => paint.name === name)!;
      return paintModel(idOf(name), pigments, tintingStrength);
    });
    const table = prepareMatch(models, PAPERS[0]);
    const areas = AREAS.map(({ name, x, y, radius }): PaintingArea => {
      const { lab } = samplePhoto({ data: pixels, width: info.width, height: info.height }, x * info.width, y * info.height, radius * info.width);
      const [best] = matchOver(lab, table, { ...DEFAULT_MATCH, ways: 1 });
      return { id: randomUUID(), name, sample: { x, y, radius }, lab, recipe: { parts: [...best.parts], waterParts: best.waterParts } };
    });
    await createPainting(tx, photo.id, { title: "The pump house at last light", paperId: PAPERS[0].id, areas, palette });
  });
}
