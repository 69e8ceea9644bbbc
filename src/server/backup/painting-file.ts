import { randomUUID } from "node:crypto";
import { rm } from "node:fs/promises";
import type { Readable } from "node:stream";
import { ZipFile } from "yazl";
import { BACKUP_FILE, photoFormat, photoName } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { matchPaints, paintingFile, paintsNamed, withPaints } from "@/model/painting-file";
import type { BroughtPainting, PaintingFile } from "@/model/painting-file";
import { FileRefused, openArchive } from "@/storage/backup/archive";
import type { Store } from "@/storage/ports";
import { PhotoRefused, readPhoto } from "../photo-import/read-photo";
import { storePhoto } from "../photo-import/photo-store";

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
    document: found.document,
    photo: { id: photo, format: photoFormat.parse(format), fileName },
    // What they cost and what is left of them is nobody else's.
    paints: paints
      .filter((paint) => named.has(paint.id))
      .map((paint) => ({ ...paint, price: null, boughtOn: null, openedOn: null, left: null, notes: "", batch: "" })),
  };
}

/** One painting as a zip: what is planned, the paints that it names, and its photo as it came; null for none. */
export async function writePainting(
  store: Store,
  id: string,
): Promise<{ readonly stream: Readable; readonly title: string } | null> {
  const file = await given(store, id);
  if (!file) return null;
  const { id: photo, format } = file.photo;
  const zip = new ZipFile();
  zip.addBuffer(Buffer.from(JSON.stringify(file, null, 1), "utf8"), BACKUP_FILE.manifest);
  zip.addFile(await store.photoFiles.original(photo, format), photoName(file.photo), { compress: false });
  zip.end();
  return { stream: zip.outputStream as Readable, title: file.document.title };
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
  const { manifest, photo, close } = await openArchive(path, FOREIGN, CHANGED);
  try {
    const read = paintingFile.safeParse(manifest);
    if (!read.success) {
      const everything = (manifest as { kind?: unknown } | null)?.kind === "everything";
      throw new FileRefused(
        everything
          ? "This is a backup of everything, not one painting. Bring it back under Safe keeping."
          : (read.error.issues.find(({ path: at }) => at[0] === "version")?.message ?? FOREIGN),
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
