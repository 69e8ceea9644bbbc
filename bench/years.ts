/**
 * Makes folders of years of painting: many paints, pages of swatches that count, paintings of many areas.
 */
import { randomUUID } from "node:crypto";
import { join } from "node:path";
import sharp from "sharp";
import { paintModel, predict } from "@/core/mixing";
import { seededRandom } from "@/core/numeric/random";
import { loadOfWater, PAPERS } from "@/core/optics";
import { HANDBOOK } from "@/core/pigments";
import { loggedPaintOf, newLogEntry, newLoggedMix, type LogEntry, type LoggedPaint } from "@/model/logbook";
import { newPaint, type PaintEntry } from "@/model/paintbox";
import { newArea, type PaintingDocument } from "@/model/painting";
import { readPhoto } from "@/server/photo-import/read-photo";
import { storePhoto } from "@/server/photo-import/photo-store";
import { seedDemo } from "@/server/demo/seed";
import { openDatabase } from "@/storage/drizzle/open";
import { markFolder } from "@/storage/folder/data-folder";
import type { Store } from "@/storage/ports";
import { storeIn } from "@/storage/store";

/** How much lies in a folder. */
export interface Years {
  readonly paints: number;
  /** Paints of them that stand in swatches. */
  readonly tubes: number;
  readonly pages: number;
  readonly swatchesAPage: number;
  readonly paintings: number;
  /** Areas of each painting, and colours of each area. */
  readonly areas: number;
  readonly coloursAnArea: number;
}

/** The demo alone, and folders of one, five and ten years. */
export const FOLDERS = {
  demo: null,
  "200 paints": { paints: 200, tubes: 40, pages: 100, swatchesAPage: 3, paintings: 30, areas: 60, coloursAnArea: 3 },
  "1000 paints": {
    paints: 1000,
    tubes: 100,
    pages: 334,
    swatchesAPage: 3,
    paintings: 100,
    areas: 60,
    coloursAnArea: 3,
  },
  "2000 paints": {
    paints: 2000,
    tubes: 100,
    pages: 1000,
    swatchesAPage: 3,
    paintings: 300,
    areas: 60,
    coloursAnArea: 3,
  },
} as const satisfies Record<string, Years | null>;

function paintsOf({ paints }: Years): PaintEntry[] {
  return Array.from({ length: paints }, (_, i) => {
    const pigment = HANDBOOK[i % HANDBOOK.length]!;
    return newPaint({
      id: randomUUID(),
      name: `${pigment.name} ${i}`,
      maker: `Maker ${i % 17}`,
      line: "Studio",
      tintingStrength: 0.6 + (i % 9) / 10,
      notes: i % 5 === 0 ? "Bought on a rainy day and never regretted, but for its cap." : "",
      pigments: [{ pigmentId: pigment.id, share: 1 }],
    });
  });
}

/** How strong a tube really is beside its label, by the number at the end of its name. */
const trueStrength = ({ name }: Pick<PaintEntry, "name">): number => 0.75 + (Number(/\d+$/.exec(name)![0]) % 7) / 12;

/** A page of swatches of one to three tubes, each tube another strength than its label. */
export function pageOf(n: number, tubes: readonly LoggedPaint[], swatches: number, photoId: string | null): LogEntry {
  const random = seededRandom(n + 1);
  const paperId = PAPERS[n % 3]!.id;
  const mixes = Array.from({ length: swatches }, (_, i) => {
    const chosen = new Set<number>();
    while (chosen.size < 1 + Math.floor(3 * random())) chosen.add(Math.floor(tubes.length * random()));
    const parts = [...chosen].map((t) => ({ paintId: tubes[t]!.id, parts: 1 + Math.floor(4 * random()), tube: t }));
    const waterParts = Math.round(10 * (1 + 9 * random())) / 10;
    const mix = parts.map(({ tube, parts: amount }) => {
      const { id, pigments, tintingStrength } = tubes[tube]!;
      return { paint: paintModel(id, pigments, tintingStrength * trueStrength(tubes[tube]!)), parts: amount };
    });
    const { L, a, b } = predict(mix, loadOfWater(waterParts), PAPERS[n % 3]!).dry;
    return newLoggedMix({
      id: randomUUID(),
      name: `Swatch ${i}`,
      parts: parts.map(({ paintId, parts: amount }) => ({ paintId, parts: amount })),
      waterParts,
      read: {
        lab: { L: Math.min(99, L + random() - 0.5), a: a + random() - 0.5, b: b + random() - 0.5 },
        by: "sheet",
        photoId,
        at: null,
      },
    });
  });
  const used = new Set(mixes.flatMap(({ parts }) => parts.map(({ paintId }) => paintId)));
  return newLogEntry({
    kind: "swatch",
    on: `20${10 + (n % 16)}-0${1 + (n % 9)}-1${n % 9}`,
    paperId,
    title: `Page ${n}`,
    notes: "Wet paper, a second touch, and then the telephone rang. ".repeat(3),
    photos: photoId === null ? [] : [photoId],
    paints: tubes.filter(({ id }) => used.has(id)),
    mixes,
  });
}

/** A colour of an area: all of them differ. */
const colourOf = (area: number, nth: number) => ({
  L: 20 + ((7 * area + 31 * nth) % 70),
  a: ((area * 11) % 50) - 25,
  b: ((nth * 17 + area * 7) % 60) - 25,
});

async function layYears(store: Store, folder: string, years: Years): Promise<void> {
  const { revision, document } = await store.paintbox.find();
  const paints = paintsOf(years);
  await store.paintbox.save(
    { revision, writer: randomUUID(), step: 1 },
    { ...document, paints: [...document.paints, ...paints] },
  );
  const [demo] = await store.paintings.list();
  const whole = (await store.paintings.find(demo!.id))!;
  for (let n = 0; n < years.paintings; n++) {
    const areas = Array.from({ length: years.areas }, (_, i) => {
      const like = whole.document.areas[i % whole.document.areas.length]!;
      const more = Array.from({ length: years.coloursAnArea - 1 }, (_c, k) => ({
        id: randomUUID(),
        lab: colourOf(i, k + 1),
        at: { x: like.sample.x, y: like.sample.y },
        share: 0.2,
        recipe: null,
        drop: false,
      }));
      return {
        ...newArea({ ...like, lab: colourOf(i, 0), region: null }),
        wash: { kind: "varied" as const, share: 1 - 0.2 * more.length, more, run: null },
        id: randomUUID(),
        name: `Area ${i}`,
      };
    });
    const made: PaintingDocument = { ...whole.document, title: `Painting ${n}`, areas };
    await store.paintings.create(whole.photo.id, made);
  }
  const photos: string[] = [];
  for (let n = 0; n < Math.min(60, years.pages); n++) {
    const path = join(folder, `.photo-${n}.jpg`);
    await sharp({ create: { width: 900, height: 600, channels: 3, background: { r: n, g: 2 * n, b: 90 } } })
      .jpeg()
      .toFile(path);
    const photo = await readPhoto(path);
    await storePhoto(store, photo, path, `swatch ${n}.jpg`);
    photos.push(photo.id);
  }
  const tubes = paints.slice(0, years.tubes).map(loggedPaintOf);
  for (let n = 0; n < years.pages; n++)
    await store.logbook.create(randomUUID(), pageOf(n, tubes, years.swatchesAPage, photos[n % photos.length]!));
}

/** Lays out a folder with the demo, and with years of painting beside it. */
export async function layOut(folder: string, years: Years | null): Promise<void> {
  const { db, close } = await openDatabase(folder);
  const store = storeIn(db, folder);
  await seedDemo(store);
  if (years) await layYears(store, folder, years);
  await close();
  markFolder(folder, { database: "made", demo: true });
}
