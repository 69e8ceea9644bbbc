import { randomUUID } from "node:crypto";
import { copyFile, mkdir, open, readdir, readFile, rename, rm, stat, writeFile } from "node:fs/promises";
import { existsSync } from "node:fs";
import { join } from "node:path";
import type { PhotoCopy, PhotoFiles } from "../ports";
import { needSpace } from "./disk-space";
import { syncFile, syncFolder } from "./sync-tree";

const photosFolder = (data: string): string => join(data, "photos");

/** Lies beside a photo's files until its record is written, and from before its record is removed. */
const UNRECORDED = ".without-record";

/** File names of the copies. */
export const COPIES: Readonly<Record<PhotoCopy, string>> = {
  working: "working-p3.png",
  view: "view-p3.jpg",
  close: "close-p3.jpg",
  small: "small.jpg",
};

const isMissing = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === "ENOENT";

async function writeSynced(path: string, bytes: Buffer): Promise<void> {
  const file = await open(path, "wx");
  try {
    await file.writeFile(bytes);
    await file.sync();
  } finally {
    await file.close();
  }
}

/**
 * Photos' files in `photos` of a data folder: a folder for each, named by its id. What is written is
 * written aside under a name that begins with a dot, and moved into place whole: a crash leaves at
 * worst something to sweep, never half a photo.
 */
export function photoFilesIn(data: string): PhotoFiles {
  const photos = photosFolder(data);
  const placeOf = (id: string): string => join(photos, id);
  const originalOf = (id: string, format: string): string => join(placeOf(id), `original.${format}`);
  return {
    async arrivingPath() {
      await mkdir(photos, { recursive: true });
      return join(photos, `.arriving-${randomUUID()}`);
    },

    async keep(id, format, from, working) {
      const aside = join(photos, `.${randomUUID()}`);
      await mkdir(aside, { recursive: true });
      try {
        const original = join(aside, `original.${format}`);
        await copyFile(from, original);
        await syncFile(original);
        await writeSynced(join(aside, COPIES.working), working);
        await writeSynced(join(aside, UNRECORDED), Buffer.alloc(0));
        await syncFolder(aside);
        await rename(aside, placeOf(id)).catch((error: NodeJS.ErrnoException) => {
          // The same photo is already there: its content is its name.
          if (error.code !== "ENOTEMPTY" && error.code !== "EEXIST") throw error;
        });
        await syncFolder(photos);
      } finally {
        await rm(aside, { recursive: true, force: true });
      }
    },

    async setRecorded(id, recorded) {
      const mark = join(placeOf(id), UNRECORDED);
      if (recorded) return rm(mark, { force: true });
      await writeFile(mark, "").catch((error: unknown) => {
        if (!isMissing(error)) throw error;
      });
    },

    remove: (id) => rm(placeOf(id), { recursive: true, force: true }),

    async list() {
      const names = await readdir(photos).catch((error: unknown) => {
        if (isMissing(error)) return [];
        throw error;
      });
      return Promise.all(
        names.map(async (id) => ({
          id,
          brokenOff: id.startsWith("."),
          recorded: !existsSync(join(placeOf(id), UNRECORDED)),
          since: await stat(placeOf(id)).then(
            ({ mtime }) => mtime,
            () => new Date(),
          ),
        })),
      );
    },

    where: photos,

    original: async (id, format) => originalOf(id, format),

    async keepOriginal(id, format, from) {
      const aside = join(photos, `.${randomUUID()}`);
      try {
        await mkdir(placeOf(id), { recursive: true });
        await copyFile(from, aside);
        await syncFile(aside);
        await rename(aside, originalOf(id, format));
        await syncFolder(placeOf(id));
        await rm(join(placeOf(id), UNRECORDED), { force: true });
      } finally {
        await rm(aside, { force: true });
      }
    },

    async readCopy(id, copy) {
      try {
        return Buffer.from(await readFile(join(placeOf(id), COPIES[copy])));
      } catch (error) {
        if (isMissing(error)) return null;
        throw error;
      }
    },

    async keepCopy(id, copy, bytes) {
      const aside = join(placeOf(id), `.${randomUUID()}`);
      try {
        await mkdir(placeOf(id), { recursive: true });
        await needSpace(photos, bytes.length);
        await writeSynced(aside, bytes);
        await rename(aside, join(placeOf(id), COPIES[copy]));
      } finally {
        await rm(aside, { force: true });
      }
    },
  };
}
