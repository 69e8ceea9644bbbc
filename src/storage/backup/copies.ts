import { createHash, randomUUID } from "node:crypto";
import { createWriteStream } from "node:fs";
import { mkdir, readdir, rename, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { COPY_REASONS, type BackupManifest, type CopyReason, type DatedCopy } from "@/model/backup";
import { localDay } from "@/model/day";
import { needSpace } from "../folder/disk-space";
import { syncFile, syncFolder } from "../folder/sync-tree";
import type { BackupFile, Copies } from "../ports";
import { openBackup } from "./read";

/** Copies that are kept. */
const KEPT = 10;
const SUFFIX: Readonly<Record<CopyReason, string>> = {
  "of the day": "day",
  "before a new version": "version",
  "before something was put back": "replaced",
};
const NAME = /^(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z-(day|version|replaced)(?:-(\d{1,9}))?\.zip$/;

const nameOf = (now: Date, reason: CopyReason, number: number): string =>
  `${now.toISOString().replaceAll(":", "-").replace(".", "-")}-${SUFFIX[reason]}-${String(number).padStart(6, "0")}.zip`;

/** A copy with its place among all that were made: a clock may have run ahead, and been put right. */
interface NumberedCopy extends DatedCopy {
  /** 0 for those of before copies were numbered: they go by their dates. */
  readonly number: number;
}

async function numberedCopies(folder: string): Promise<NumberedCopy[]> {
  const names = await readdir(folder).catch(() => []);
  const copies = await Promise.all(
    names.flatMap((name) => {
      const parts = NAME.exec(name);
      if (!parts) return [];
      const [, day, hour, minute, second, milli, suffix, number = "0"] = parts;
      const reason = COPY_REASONS.find((known) => SUFFIX[known] === suffix)!;
      const madeAt = `${day}T${hour}:${minute}:${second}.${milli}Z`;
      return [
        stat(join(folder, name)).then(({ size }): NumberedCopy => ({
          name,
          madeAt,
          reason,
          bytes: size,
          number: Number(number),
        })),
      ];
    }),
  );
  return copies.sort((a, b) => b.number - a.number || (a.name < b.name ? 1 : -1));
}

/**
 * Copies in a folder, those made last first, whatever the clock said then; read without the database, since they are
 * its way back.
 */
export const listCopies = async (folder: string): Promise<DatedCopy[]> =>
  (await numberedCopies(folder)).map(({ number: _number, ...copy }) => copy);

/** What the rows of a file come to, as one word: two files alike in it hold the same. */
const contentOf = ({ tables, migrations }: BackupManifest): string =>
  createHash("sha256")
    .update(JSON.stringify([migrations, tables.map(({ name, sha256 }) => [name, sha256]).sort()]))
    .digest("hex");

async function contentAt(path: string): Promise<string | null> {
  const file = await openBackup(path).catch(() => null);
  if (!file) return null;
  file.close();
  return contentOf(file.manifest);
}

/** Photos that the kept copies stand on: they stay as long as a copy does. */
export async function photosOfCopies(folder: string): Promise<ReadonlySet<string>> {
  const ids = new Set<string>();
  for (const { name } of await listCopies(folder)) {
    const file = await openBackup(join(folder, name)).catch(() => null);
    if (!file) continue;
    for (const { id } of file.manifest.photos) ids.add(id);
    file.close();
  }
  return ids;
}

/**
 * Dated copies of the records in a folder, whole or not at all, the last ten.
 * @param write writes out the records as they stand
 */
export function copiesIn(
  folder: string,
  write: (now: Date) => Promise<BackupFile>,
  clock = () => new Date(),
): Copies & {
  /** Keeps a copy of something else than what stands there now. */
  readonly keep: (reason: CopyReason, of: (now: Date) => Promise<BackupFile>) => Promise<void>;
} {
  const keep = async ({ stream }: BackupFile, now: Date, reason: CopyReason): Promise<void> => {
    await mkdir(folder, { recursive: true });
    await needSpace(folder);
    const aside = join(/* turbopackIgnore: true */ folder, `.${randomUUID()}`);
    try {
      await pipeline(stream, createWriteStream(aside, { flags: "wx" }));
      await syncFile(aside);
      const [last] = await numberedCopies(folder);
      const name = nameOf(now, reason, (last?.number ?? 0) + 1);
      await rename(aside, join(folder, name));
      await syncFolder(folder);
    } finally {
      await rm(aside, { force: true });
    }
    for (const { name } of (await listCopies(folder)).slice(KEPT)) await rm(join(folder, name), { force: true });
  };
  const keepAs = async (reason: CopyReason, of: (now: Date) => Promise<BackupFile>): Promise<void> => {
    const now = clock();
    await keep(await of(now), now, reason);
  };
  return {
    list: () => listCopies(folder),
    make: (reason) => keepAs(reason, write),
    keep: keepAs,
    async makeIfDue() {
      const now = clock();
      const [newest] = await listCopies(folder);
      if (newest && localDay(new Date(newest.madeAt)) === localDay(now)) return;
      const file = await write(now);
      const same = newest && (await contentAt(join(folder, newest.name))) === contentOf(file.manifest);
      if (same) file.stream.destroy();
      else await keep(file, now, "of the day");
    },
    async pathOf(name) {
      return (await listCopies(folder)).some((copy) => copy.name === name) ? join(folder, name) : null;
    },
  };
}
