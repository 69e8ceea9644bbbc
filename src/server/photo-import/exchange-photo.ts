import sharp from "sharp";
import { alignPhotos, areaImageOf, type AreaImage } from "@/core/image";
import { wayOver, withPhoto } from "@/model/exchanged";
import type { Store } from "@/storage/ports";
import { readCopy } from "./photo-store";
import type { ReadPhoto } from "./read-photo";

async function areaImage(workingCopy: Buffer): Promise<AreaImage> {
  const { data, info } = await sharp(workingCopy).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return areaImageOf({ data, width: info.width, height: info.height });
}

/** A painting with another photo. */
export interface Exchanged {
  readonly id: string;
  /** The photos show one motif: areas were brought over by what is seen. Else they lie by their places alone. */
  readonly alike: boolean;
  /** Areas that lie on nothing of the new photo. */
  readonly lost: readonly string[];
}

/**
 * Lays a painting out anew with a better photo of its motif, and puts the one with the photo of before in the bin,
 * in one step: until the bin is emptied nothing is lost. Null when there is no such painting.
 */
export async function exchangePhoto(store: Store, id: string, photo: ReadPhoto): Promise<Exchanged | null> {
  const found = await store.paintings.find(id);
  if (!found) return null;
  const [from, to] = await Promise.all([
    readCopy(store.photoFiles, found.photo, "working").then(areaImage),
    areaImage(photo.working),
  ]);
  const { alike, way } = wayOver(alignPhotos(from, to));
  const document = withPhoto(found.document, from, to, way);
  const before = new Map(found.document.areas.map((area) => [area.id, area.region]));
  const lost = document.areas.filter(({ id: own, region }) => region === null && before.get(own) !== null);
  const next = await store.transaction(async ({ paintings }) => {
    const created = await paintings.create(photo.id, document);
    await paintings.bin(id, true);
    return created;
  });
  return { id: next, alike, lost: lost.map(({ name }) => name) };
}
