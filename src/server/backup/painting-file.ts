import { createHash, randomUUID } from "node:crypto";
import { rm } from "node:fs/promises";
import type { Readable } from "node:stream";
import { ZipFile } from "yazl";
import { BACKUP_FILE, photoFormat, photoName } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { DATA_SHAPE, newerIn } from "@/model/shape";
import { matchPaints, paintingFile, paintsNamed, withPaints } from "@/model/painting-file";
import type { BroughtPainting, PaintingFile } from "@/model/painting-file";
import { FileRefused, openArchive } from "@/storage/backup/archive";
import type { Store } from "@/storage/ports";
import { PhotoRefused, readPhoto } from "../photo-import/read-photo";
import { storePhoto } from "../photo-import/photo-store";
import { streamOf, tellMissing, wholeOriginal } from "../written-zip";

/** What is planned and the paints that it names: a document is taken up to a megabyte at its own door. */
const MANIFEST_BYTES = 2 * 1024 * 1024;
const FOREIGN = "This is no painting of Abendrot, or the file is cut off. Nothing was kept.";
const CHANGED = "This painting's file has been changed since it was made, or it is damaged. Nothing was kept.";

/** What of a painting is given away; null for none. */
async function given({ paintings, paintbox }: Store, id: string): Promise<PaintingFile | null> {
  const found = await paintings.find(id);
  if (!found) return null;
  const paints = await paintbox.paints();
  const named = new Set(paintsNamed(found.document, new Set(paints.map((paint) => paint.id))));
  const { id: photo, format, fileName } = found.photo;
  return {
    madeBy: "Abendrot",
    kind: "painting",
    version: BACKUP_FILE.version,
    least: DATA_SHAPE,
    document: found.document,
    photo: { id: photo, format: photoFormat.parse(format), fileName },
    // What they cost and what is left of them is nobody else's.
    paints: paints
      .filter((paint) => named.has(paint.id))
      .map((paint) => ({ ...paint, price: null, boughtOn: null, openedOn: null, left: null, notes: "", batch: "" })),
  };
}

/** A photo's bytes to give away: the original where it is whole, else the copy that is measured; null for neither. */
async function photoToGive(
  { photoFiles }: Store,
  photo: PaintingFile["photo"],
): Promise<{ readonly photo: PaintingFile["photo"]; readonly bytes: Buffer | string } | null> {
  const original = await wholeOriginal(photoFiles, photo);
  if (original) return { photo, bytes: original };
  const bytes = await photoFiles.readCopy(photo.id, "working");
  if (!bytes) return null;
  const id = createHash("sha256").update(bytes).digest("hex");
  return { photo: { ...photo, id, format: "png" }, bytes };
}

/**
 * One painting as a zip: what is planned, the paints that it names, and its photo as it came; null for none. Where the
 * photo's original is gone, the copy that is measured goes in its place, and the file says so. Throws FileRefused where
 * that is gone too: nothing of the painting could be opened.
 */
export async function writePainting(
  store: Store,
  id: string,
): Promise<{ readonly stream: Readable; readonly title: string } | null> {
  const file = await given(store, id);
  if (!file) return null;
  const give = await photoToGive(store, file.photo);
  if (!give) throw new FileRefused(`The photo of “${file.document.title}” is gone. Exchange it for a new one first.`);
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify({ ...file, photo: give.photo }), "utf8"), BACKUP_FILE.manifest);
  if (typeof give.bytes === "string") zip.addFile(give.bytes, photoName(give.photo), { compress: false });
  else {
    tellMissing(zip, "The photo as it came (its measured copy stands for it)");
    zip.addBuffer(give.bytes, photoName(give.photo), { compress: false });
  }
  return { stream: streamOf(zip), title: file.document.title };
}

/**
 * Lays a painting out in other stores too, with the paints that are there; null for none. A store that can't take it
 * keeps no other from having it.
 * @param trouble told what went wrong
 */
export async function handOut(
  store: Store,
  id: string,
  others: readonly (() => Promise<Store>)[],
  trouble: (error: unknown) => void,
): Promise<{ readonly given: number; readonly failed: number } | null> {
  const file = await given(store, id);
  if (!file) return null;
  const path = await store.photoFiles.original(file.photo.id, file.photo.format);
  const photo = await readPhoto(path);
  let reached = 0;
  for (const open of others) {
    try {
      const other = await open();
      await storePhoto(other, photo, path, file.photo.fileName);
      await layOut(other, file);
      reached++;
    } catch (error) {
      trouble(error);
    }
  }
  return { given: reached, failed: others.length - reached };
}

/** Lays a painting out with the paints that are here: what is missing is wished for. */
async function layOut(store: Store, file: PaintingFile): Promise<BroughtPainting> {
  return store.transaction(async ({ paintbox, paintings }) => {
    const { revision, document: box } = await paintbox.find();
    const { own, missing } = matchPaints(file.paints, box.paints);
    if (box.paints.length + missing.length > LIMITS.paints)
      throw new FileRefused(`The paintbox holds ${LIMITS.paints} paints; there is no room for what this needs.`);
    const wished = missing.map((paint) => ({
      ...paint,
      id: randomUUID(),
      status: "wished for" as const,
      sameAs: null,
      favourite: false,
      demo: false,
    }));
    if (wished.length > 0)
      await paintbox.save({ revision, writer: randomUUID(), step: 1 }, { ...box, paints: [...box.paints, ...wished] });
    const idOf = new Map([
      ...[...own].map(([theirs, paint]): [string, string] => [theirs, paint.id]),
      ...missing.map((paint, i): [string, string] => [paint.id, wished[i]!.id]),
    ]);
    const id = await paintings.create(file.photo.id, withPaints(file.document, idOf));
    const theirName = new Map(file.paints.map((paint) => [paint.id, paint.name]));
    return {
      id,
      wished: wished.map(({ name }) => name),
      instead: [...own]
        .map(([theirs, paint]) => ({ theirs: theirName.get(theirs)!, yours: paint.name }))
        .filter(({ theirs, yours }) => theirs !== yours),
    };
  });
}

/** Takes a painting's file at `path`: its photo, and the painting with one's own paints. Throws FileRefused. */
export async function takePainting(store: Store, path: string): Promise<BroughtPainting> {
  const { json, photo, close } = await openArchive(path, FOREIGN, CHANGED);
  try {
    const manifest = await json(BACKUP_FILE.manifest, MANIFEST_BYTES, [], () => {});
    const read = paintingFile.safeParse(manifest);
    if (!read.success) {
      const everything = (manifest as { kind?: unknown } | null)?.kind === "everything";
      throw new FileRefused(
        everything
          ? "This is a backup of everything, not one painting. Bring it back under Safe keeping."
          : (newerIn(read.error) ?? FOREIGN),
      );
    }
    const arriving = await store.photoFiles.arrivingPath();
    try {
      await photo(read.data.photo.id, photoName(read.data.photo), arriving);
      await storePhoto(store, await readPhoto(arriving), arriving, read.data.photo.fileName);
    } finally {
      await rm(arriving, { force: true });
    }
    return await layOut(store, read.data);
  } catch (error) {
    if (error instanceof PhotoRefused) throw new FileRefused(CHANGED);
    throw error;
  } finally {
    close();
  }
}
