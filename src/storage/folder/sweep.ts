import { counted } from "@/model/text";
import type { Store } from "../ports";

/** A photo that nothing uses stays for a day: a card may be read from it, or a painting kept from another window. */
const UNUSED_MS = 24 * 3_600_000;

/**
 * Clears the photos' files while nobody uses them: uploads that were broken off, photos whose record
 * was never written, photos that no painting and no measurement has used for a day. Photos that the
 * records know nothing of, but which arrived whole, are left alone: an older copy of the database
 * may have been put back.
 * @param youngest what came later may still be on its way to another process
 * @param spared photos that dated copies of the records stand on
 */
export async function sweepPhotos(
  { photos, photoFiles }: Pick<Store, "photos" | "photoFiles">,
  now: Date,
  say: (words: string) => void,
  spared: ReadonlySet<string> = new Set(),
  youngest: Date | null = null,
): Promise<{ readonly broken: number; readonly unused: number }> {
  let broken = 0;
  for (const { id, brokenOff, recorded, since } of await photoFiles.list()) {
    if (youngest && since > youngest) continue;
    if (!brokenOff && (recorded || spared.has(id))) continue;
    if (!brokenOff && (await photos.find(id))) await photoFiles.setRecorded(id, true);
    else {
      await photoFiles.remove(id);
      broken++;
    }
  }
  const unused = await photos.unused(new Date(now.getTime() - UNUSED_MS));
  const swept = unused.filter((id) => !spared.has(id));
  for (const id of swept) {
    await photoFiles.setRecorded(id, false);
    await photos.remove(id);
    await photoFiles.remove(id);
  }
  if (broken + swept.length > 0)
    say(
      `Cleared: ${counted(broken, "upload")} broken off, ${counted(swept.length, "photo")} without anything that uses it.`,
    );
  return { broken, unused: swept.length };
}
