import { z } from "zod";
import { LIMITS } from "./limits";
import { photoId } from "./photo-id";

/** Names inside a file of ours, and which shape of it this program writes. */
export const BACKUP_FILE = {
  manifest: "abendrot.json",
  rows: "rows/",
  photos: "photos/",
  version: 1,
} as const;

/** Where a photo's original stands in a file of ours. */
export const photoName = ({ id, format }: { readonly id: string; readonly format: string }): string =>
  `${BACKUP_FILE.photos}${id}.${format}`;

/** How a stored original may be named: letters alone, since a file is named after it. */
export const photoFormat = z.string().regex(/^[a-z]{2,8}$/);

const digest = z.string().regex(/^[0-9a-f]{64}$/);

/** What a store holds, as it is told before something is put in its place. */
const holdings = z.object({
  paintings: z.int().gte(0),
  paints: z.int().gte(0),
  entries: z.int().gte(0),
  photos: z.int().gte(0),
});
export type Holdings = z.infer<typeof holdings>;

/** What photos weigh as they came, and what of it would go with what lies in the bin. */
export interface PhotoSpace {
  readonly bytes: number;
  readonly binnedBytes: number;
}

/** A photo whose original is in a file. */
export const photoInBackup = z.object({ id: photoId, format: photoFormat, bytes: z.int().gte(0) });

/** What stands first in a file: all that is in it, with a digest of each table's rows. */
export const backupManifest = z.object({
  madeBy: z.literal("Abendrot"),
  kind: z.literal("everything"),
  version: z.int().positive(),
  madeAt: z.iso.datetime(),
  /** Migrations that the tables had been through. */
  migrations: z.int().positive(),
  tables: z
    .array(z.object({ name: z.string().regex(/^[a-z_]{1,60}$/), rows: z.int().gte(0), sha256: digest }))
    .max(100),
  /** Photos whose originals are in the file; false for copies that lie beside them. */
  withPhotos: z.boolean(),
  photos: z.array(photoInBackup),
  /** Photos whose originals were gone or damaged when the file was made. */
  lost: z.array(photoId).max(LIMITS.photosInFile),
  holds: holdings,
});
export type BackupManifest = z.infer<typeof backupManifest>;

/** Why the program made a copy by itself. */
export const COPY_REASONS = ["of the day", "before a new version", "before something was put back"] as const;
export type CopyReason = (typeof COPY_REASONS)[number];

/** A dated copy of the records; photos lie in the data folder anyway. */
const datedCopy = z.object({
  name: z.string(),
  madeAt: z.iso.datetime(),
  reason: z.enum(COPY_REASONS),
  bytes: z.int().gte(0),
});
export type DatedCopy = Readonly<z.infer<typeof datedCopy>>;

/** What is here and which copies there are. */
export const copiesAnswer = z.object({ holds: holdings, copies: z.array(datedCopy) });

/** What a file holds that waits to be put back, and what it would take the place of. */
const waitingFile = z.object({
  token: z.uuid(),
  madeAt: z.iso.datetime(),
  holds: holdings,
  replaces: holdings,
  lost: z.int().gte(0),
  /** Migrations that its rows will be taken through: it is of an older Abendrot. */
  older: z.int().gte(0),
});
export type WaitingFile = Readonly<z.infer<typeof waitingFile>>;

/** What became of a file that was brought: put back at once where nothing of one's own was there, else it waits. */
export const broughtAnswer = z.union([z.object({ restored: holdings }), z.object({ waiting: waitingFile })]);

/** Which dated copy to put back. */
export const copyRequest = z.object({ name: z.string().max(80) });
/** Which waiting file to put back, or to drop. */
export const waitingRequest = z.object({ token: z.uuid() });

/** Whether there is nothing of one's own in a store. */
export const isNothing = ({ paintings, paints, entries }: Holdings): boolean => paintings + paints + entries === 0;
