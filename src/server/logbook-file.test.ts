import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import Papa from "papaparse";
import sharp from "sharp";
import { afterAll, beforeAll, expect, test } from "vitest";
import { deltaE00 } from "@/core/colour";
import { labUnderD65, readMeasuredColours } from "@/core/formats";
import { newLogEntry, newLoggedMix } from "@/model/logbook";
import type { OpenDatabase } from "@/storage/drizzle/open";
import { newDatabase } from "@/testing/database";
import type { Store } from "@/storage/ports";
import { storeIn } from "@/storage/store";
import { FileRefused } from "@/storage/backup/archive";
import { bookFile, takeBookFile } from "./logbook-file";
import { readPhoto } from "./photo-import/read-photo";
import { storePhoto } from "./photo-import/photo-store";

const opened: OpenDatabase[] = [];
const folder = mkdtempSync(join(tmpdir(), "abendrot-book-"));
async function newStore(): Promise<Store> {
  const database = await newDatabase();
  opened.push(database);
  return storeIn(database.db, mkdtempSync(join(folder, "store-")));
}
afterAll(() => Promise.all(opened.map(({ close }) => close())));

const paintId = randomUUID();
const lab = { L: 47.25, a: 11.5, b: -20.125 };
let store: Store;
let photoPath: string;
let whole: Buffer;
const [read, binned] = [randomUUID(), randomUUID()];
beforeAll(async () => {
  store = await newStore();
  photoPath = join(folder, "swatch.jpg");
  await sharp({ create: { width: 80, height: 60, channels: 3, background: { r: 90, g: 120, b: 160 } } })
    .jpeg()
    .toFile(photoPath);
  const photo = await readPhoto(photoPath);
  await storePhoto(store, photo, photoPath, "swatch ä.jpg");
  const mix = newLoggedMix({
    id: randomUUID(),
    name: "=grey",
    parts: [{ paintId, parts: 2 }],
    read: { lab, by: "photo", photoId: photo.id, at: { x: 0.25, y: 0.75 } },
    wetValue: 4.2,
  });
  await store.logbook.create(
    read,
    newLogEntry({
      kind: "mix",
      on: "2025-02-03",
      paperId: "cotton-rough",
      title: "Greys, “wet”",
      photos: [photo.id],
      mixes: [mix],
      paints: [
        { id: paintId, name: "Blue", maker: "", pigments: [{ pigmentId: "PB29", share: 1 }], tintingStrength: 1 },
      ],
    }),
  );
  await store.logbook.create(binned, newLogEntry({ kind: "note", on: "2024-01-01", paperId: "cellulose" }));
  await store.logbook.bin(binned, true);
  whole = await written(store);
});

async function written(from: Store): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of await bookFile(from)) chunks.push(chunk as Uint8Array);
  return Buffer.concat(chunks);
}
function laid(bytes: Uint8Array): string {
  const path = join(folder, `${randomUUID()}.zip`);
  writeFileSync(path, bytes);
  return path;
}

test("a book written out and read into an empty one is the same, to every byte of its photos", async () => {
  const other = await newStore();
  expect(await takeBookFile(other, laid(whole))).toEqual({ added: 2, same: 0, kept: 0, lost: 0 });
  const bare = (entries: Awaited<ReturnType<Store["logbook"]["list"]>>) =>
    entries.map(({ id, document, binned: away }) => ({ id, document, away }));
  expect(bare(await other.logbook.list())).toEqual(bare(await store.logbook.list()));
  const { photos } = (await other.logbook.find(read))!.document;
  const record = (await other.photos.find(photos[0]!))!;
  expect(record.fileName).toBe("swatch ä.jpg");
  expect(readFileSync(await other.photoFiles.original(record.id, record.format))).toEqual(readFileSync(photoPath));
  expect(await takeBookFile(other, laid(whole))).toEqual({ added: 0, same: 2, kept: 0, lost: 0 });
});

test("a photo whose original is gone keeps nothing else from being written, and is told on both sides", async () => {
  const other = await newStore();
  await takeBookFile(other, laid(whole));
  const [id] = (await other.logbook.find(read))!.document.photos;
  rmSync(await other.photoFiles.original(id!, "jpeg"));
  const bytes = await written(other);
  const files = unzipSync(bytes);
  expect(strFromU8(files["missing.txt"]!)).toContain("One photo could not be written");
  expect(Object.keys(files).some((name) => name.startsWith("photos/"))).toBe(false);
  const third = await newStore();
  expect(await takeBookFile(third, laid(bytes))).toEqual({ added: 2, same: 0, kept: 0, lost: 1 });
  const taken = (await third.logbook.find(read))!.document;
  expect(taken.photos).toEqual([]);
  expect(taken.mixes[0]!.read).toMatchObject({ lab, photoId: null });
});

test("an entry that was changed here since stays as it is", async () => {
  const other = await newStore();
  await takeBookFile(other, laid(whole));
  const { document, revision } = (await other.logbook.find(read))!;
  const stamp = { revision, writer: randomUUID(), step: 1 };
  await other.logbook.save(read, stamp, { ...document, title: "Mine" });
  expect(await takeBookFile(other, laid(whole))).toEqual({ added: 0, same: 1, kept: 1, lost: 0 });
  expect((await other.logbook.find(read))!.document.title).toBe("Mine");
});

test("its tables are read by others: CSV without formulas, CGATS with the colour that was read", () => {
  const files = unzipSync(whole);
  const [row] = Papa.parse<Record<string, string>>(strFromU8(files["swatches.csv"]!), { header: true }).data;
  expect(row).toMatchObject({
    day: "2025-02-03",
    swatch: "'=grey",
    mix: "2 Blue",
    pigments: "PB29",
    "read by": "photo",
  });
  expect(row!["L*"]).toBe("47.25");
  const { colours, white } = readMeasuredColours(strFromU8(files["readings.cgats"]!));
  expect(colours).toHaveLength(1);
  expect(deltaE00(labUnderD65(colours[0]!.lab!, white), lab)).toBeLessThan(0.05);
});

test("a file that is cut off, changed, foreign or of a newer version is refused whole", async () => {
  const other = await newStore();
  const files = unzipSync(whole);
  const photoName = Object.keys(files).find((name) => name.startsWith("photos/"))!;
  const json = JSON.parse(strFromU8(files["logbook.json"]!)) as { version: number };
  const repacked = (change: Record<string, Uint8Array>) => zipSync({ ...files, ...change });
  const { [photoName]: _photo, ...withoutPhoto } = files;
  const changed = await sharp({ create: { width: 9, height: 9, channels: 3, background: "#123" } })
    .jpeg()
    .toBuffer();
  for (const bytes of [
    whole.subarray(0, Math.floor(whole.length / 2)),
    strToU8("no zip at all"),
    zipSync({ "notes.txt": strToU8("hello") }),
    zipSync({ "logbook.json": strToU8("{}") }),
    repacked({ "logbook.json": strToU8(JSON.stringify({ ...json, version: 2 })) }),
    zipSync(withoutPhoto),
    repacked({ [photoName]: new Uint8Array(changed) }),
    repacked({ [photoName]: strToU8("no photo") }),
  ]) {
    await expect(takeBookFile(other, laid(bytes))).rejects.toBeInstanceOf(FileRefused);
    expect(await other.logbook.list()).toEqual([]);
  }
});
