import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";
import type { Readable } from "node:stream";
import { ZipFile } from "yazl";
import { BACKUP_FILE, photoFormat, photoName, type BackupManifest } from "@/model/backup";
import { photoId } from "@/model/photo-id";
import type { Database } from "../drizzle/database";
import { migrationsDone, othersTurn, type Place } from "../drizzle/migrations";
import { readAllRows, type Replaced, type TableRows } from "../drizzle/rows";
import type { BackupFile, PhotoFiles } from "../ports";
import { holdingsOf } from "./holdings";

type PhotoRow = { readonly id: string; readonly format: string };

/** The rows of a table, read as JSON. */
const rowsIn = <Row>(tables: readonly TableRows[], name: string): Row[] =>
  (tables.find((table) => table.name === name)?.lines ?? []).map((line) => JSON.parse(line) as Row);

/** A table as it stands in the file: a line for each row. */
const linesOf = ({ lines }: TableRows): Buffer => Buffer.from(lines.map((line) => `${line}\n`).join(""), "utf8");

/** Digest of a file's bytes; null when it can't be read. */
export async function digestOf(path: string): Promise<{ sha256: string; bytes: number } | null> {
  try {
    const hash = createHash("sha256");
    for await (const chunk of createReadStream(path)) hash.update(chunk as Buffer);
    return { sha256: hash.digest("hex"), bytes: (await stat(path)).size };
  } catch {
    return null;
  }
}

/** What of the photos is whole: one that is gone or damaged is told, and does not keep the rest from being saved. */
async function wholePhotos(files: PhotoFiles, rows: readonly PhotoRow[]) {
  const photos: { id: string; format: string; bytes: number; path: string }[] = [];
  const lost: string[] = [];
  for (const { id, format } of rows) {
    if (!photoId.safeParse(id).success || !photoFormat.safeParse(format).success) continue;
    const path = await files.original(id, format).catch(() => null);
    const found = path === null ? null : await digestOf(path);
    if (path !== null && found?.sha256 === id) photos.push({ id, format, bytes: found.bytes, path });
    else lost.push(id);
  }
  return { photos, lost };
}

/**
 * Everything that a store keeps as one zip: every table's rows as lines of JSON, every photo as it came, and a list of
 * it all. What stands in it is of one moment.
 */
export async function writeBackup(
  db: Database,
  place: Place,
  files: PhotoFiles,
  how: { withPhotos: boolean; now: Date },
): Promise<BackupFile> {
  const migrations = await migrationsDone(db, place);
  return zipOfRows({ tables: await readAllRows(db, place), migrations }, files, how);
}

/**
 * Rows as a backup's zip.
 * @param withPhotos false for a copy that lies beside the photos: small, and packed
 */
export async function zipOfRows(
  { tables, migrations }: Replaced,
  files: PhotoFiles,
  { withPhotos, now }: { withPhotos: boolean; now: Date },
): Promise<BackupFile> {
  const rows = rowsIn<PhotoRow>(tables, "photos");
  const { photos, lost } = withPhotos
    ? await wholePhotos(files, rows)
    : { photos: rows.map(({ id, format }) => ({ id, format, bytes: 0, path: "" })), lost: [] };
  const zip = new ZipFile();
  // Where nothing is packed, the size of the whole is known beforehand; photos hardly pack anyway.
  const how = { compress: !withPhotos, mtime: now };
  const listed: BackupManifest["tables"] = [];
  for (const table of tables) {
    const bytes = linesOf(table);
    await othersTurn();
    zip.addBuffer(bytes, `${BACKUP_FILE.rows}${table.name}.jsonl`, how);
    await othersTurn();
    const sha256 = createHash("sha256").update(bytes).digest("hex");
    listed.push({ name: table.name, rows: table.lines.length, sha256 });
    await othersTurn();
  }
  const manifest: BackupManifest = {
    madeBy: "Abendrot",
    kind: "everything",
    version: BACKUP_FILE.version,
    madeAt: now.toISOString(),
    migrations,
    tables: listed,
    withPhotos,
    photos: photos.map(({ id, format, bytes }) => ({ id, format, bytes })),
    lost,
    holds: await holdingsOf(tables),
  };
  zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 1), "utf8"), BACKUP_FILE.manifest, how);
  if (withPhotos)
    for (const { id, format, path } of photos) zip.addFile(path, photoName({ id, format }), { compress: false });
  return new Promise((resolve, reject) => {
    zip.on("error", reject);
    // It is called with the size, or with -1 where that is not known; the package's types leave that out.
    const sized = (bytes: number): void =>
      resolve({ stream: zip.outputStream as Readable, bytes: bytes < 0 ? null : bytes, manifest });
    zip.end({ forceZip64Format: false, comment: "" }, sized as () => void);
  });
}
