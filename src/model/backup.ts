import { z } from "zod";

/** Names inside a file of ours, and which shape of it this program writes. */
export const BACKUP_FILE = {
  manifest: "abendrot.json",
  rows: "rows/",
  photos: "photos/",
  version: 1,
} as const;

/** A photo's id is its content: SHA-256 in hex. */
export const photoId = z.string().regex(/^[0-9a-f]{64}$/);

/** How a stored original may be named: letters alone, since a file is named after it. */
export const photoFormat = z.string().regex(/^[a-z]{2,8}$/);

const digest = z.string().regex(/^[0-9a-f]{64}$/);

/** What a store holds, as it is told before something is put in its place. */
export const holdings = z.object({
  paintings: z.int().gte(0),
  paints: z.int().gte(0),
  entries: z.int().gte(0),
  photos: z.int().gte(0),
});
export type Holdings = z.infer<typeof holdings>;

/** What stands first in a file: all that is in it, with a digest of each table's rows. */
export const backupManifest = z.object({
  madeBy: z.literal("Abendrot"),
  kind: z.literal("everything"),
  version: z.int().positive(),
  madeAt: z.iso.datetime(),
  /** Migrations that the tables had been through. */
  migrations: z.int().positive(),
  tables: z.array(z.object({ name: z.string().regex(/^[a-z_]{1,60}$/), rows: z.int().gte(0), sha256: digest })),
  /** Photos whose originals are in the file; false for copies that lie beside them. */
  withPhotos: z.boolean(),
  photos: z.array(z.object({ id: photoId, format: photoFormat, bytes: z.int().gte(0) })),
  /** Photos whose originals were gone or damaged when the file was made. */
  lost: z.array(photoId),
  holds: holdings,
});
export type BackupManifest = z.infer<typeof backupManifest>;

/** Why the program made a copy by itself. */
export const COPY_REASONS = ["of the day", "before a new version", "before something was put back"] as const;
export type CopyReason = (typeof COPY_REASONS)[number];

/** A dated copy of the records; photos lie in the data folder anyway. */
export interface DatedCopy {
  readonly name: string;
  readonly madeAt: string;
  readonly reason: CopyReason;
  readonly bytes: number;
}

/** What a file holds that waits to be put back, and what it would take the place of. */
export interface WaitingFile {
  readonly token: string;
  readonly madeAt: string;
  readonly holds: Holdings;
  readonly replaces: Holdings;
  readonly lost: number;
  readonly newerMigrations: number;
}
