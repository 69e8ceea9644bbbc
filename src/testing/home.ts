import { createHash } from "node:crypto";
import { mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import type { OpenDatabase } from "@/storage/drizzle/open";
import { storeIn } from "@/storage/store";
import type { Store } from "@/storage/ports";
import { newDatabase } from "./database";

/** A store of one's own for a test: a database of its own, files in a folder that the test leaves to the system. */
export interface Home extends OpenDatabase {
  readonly store: Store;
  readonly folder: string;
}

export async function newHome(): Promise<Home> {
  const folder = mkdtempSync(join(tmpdir(), "abendrot-home-"));
  mkdirSync(join(folder, "photos"));
  const open = await newDatabase();
  return { ...open, folder, store: storeIn(open.db, folder) };
}

/** A real photo of one colour in a home's files and records; returns its id. */
export async function withPhoto({ store, folder }: Home, background = "#5a78a0"): Promise<string> {
  const path = join(folder, "photo.jpg");
  const bytes = await sharp({ create: { width: 60, height: 40, channels: 3, background } })
    .jpeg()
    .toBuffer();
  writeFileSync(path, bytes);
  const id = createHash("sha256").update(bytes).digest("hex");
  await store.photoFiles.keepOriginal(id, "jpeg", path);
  const size = { widthPx: 60, heightPx: 40, workingWidthPx: 60, workingHeightPx: 40 };
  await store.photos.add({ id, fileName: "winter dyke.jpg", format: "jpeg", bytes: bytes.length, ...size });
  return id;
}
