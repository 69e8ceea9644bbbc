"use client";

import { useCallback } from "react";
import { MAX_CARD_NUMBER, SHEETS, type SheetKind } from "@/core/calibration";
import { localDay } from "@/model/day";
import type { SwatchCard } from "@/model/measurement";
import { uploadSwatches } from "@/ui/upload";
import { refusalWords } from "@/model/reading-words";
import type { CardReader } from "./card-reader";
import { newEdits, useMeasureStore, type CardEdits, type CardPhoto, type MeasureStore } from "./measure-store";
import { useRoom } from "./room";

/** The sheet that a number in a photo means: the last one of its kind printed with it. */
export const cardOfNumber = (cards: readonly SwatchCard[], kind: SheetKind, number: number | null): SwatchCard | null =>
  number
    ? (cards.find((card) => card.kind === kind && ((card.id - 1) % MAX_CARD_NUMBER) + 1 === number) ?? null)
    : null;

/** What is said of a photo when its sheet is known: paints place by place, and the paper. */
export const editsOfCard = (card: SwatchCard): Pick<CardEdits, "cardId" | "kind" | "paints" | "paperId"> => ({
  cardId: card.id,
  kind: card.kind,
  paperId: card.paperId,
  paints: placesFor(card.kind, card.paints),
});

/** As many places as such a sheet has, with these paints in the first ones. */
const placesFor = (kind: SheetKind, paints: readonly (string | null)[]): (string | null)[] =>
  Array.from({ length: SHEETS[kind].paints }, (_, place) => paints[place] ?? null);

/** Rows that are read: those with a paint, or all while no paint is named. */
export function rowsOf(edits: Pick<CardEdits, "paints">): number[] {
  const named = edits.paints.flatMap((paint, row) => (paint ? [row] : []));
  return named.length > 0 ? named : edits.paints.map((_, row) => row);
}

/** All that a reading depends on, as one text. */
export const readingKey = (edits: CardEdits): string =>
  JSON.stringify([edits.paperId, edits.kind, rowsOf(edits), edits.moved, edits.references]);

/** Reads a stored photo as the painter says; the answer is what changes of the photo. */
export async function readWith(
  reader: CardReader,
  photoId: string,
  edits: CardEdits,
): Promise<Partial<CardPhoto> & { readonly state: "read" | "refused" }> {
  const { paperId, kind, moved, references } = edits;
  const read = await reader.read(photoId, {
    paperId,
    kind: kind ?? undefined,
    rows: rowsOf(edits),
    moved: { ...moved },
    references: references.map(({ box, lab }) => ({ box, lab })),
  });
  const readFor = readingKey(edits);
  return "refused" in read
    ? { state: "refused", message: refusalWords(read.refused), readFor }
    : { state: "read", read, readFor };
}

/** Reads photos anew that a draft holds: they lie in the data folder, unless it was swept meanwhile. */
export async function readKeptPhotos(store: MeasureStore, reader: CardReader): Promise<void> {
  const { photos, setPhoto } = store.getState();
  for (const { key, stored } of photos) {
    const edits = store.getState().document.edits[key];
    if (!stored || !edits) continue;
    const answer = await readWith(reader, stored.id, edits).catch(() => ({
      state: "refused" as const,
      message:
        "The photo is no longer in the data folder. Put it away and bring it again; what you said of it is lost.",
    }));
    setPhoto(key, answer);
  }
}

/** Takes photos in: sends, reads and recognises them one after another. */
export function useTakePhotos(): (files: readonly File[]) => void {
  const store = useMeasureStore();
  const { reader, cards } = useRoom();
  return useCallback(
    (files) => {
      const { addPhotos, setPhoto, edit } = store.getState();
      const today = localDay(new Date());
      const named = files.map((file) => ({ key: crypto.randomUUID(), fileName: file.name, file }));
      // What the program does by itself is no step of the painter's to be undone.
      const byItself = (change: () => void): void => {
        const { pause, resume } = store.temporal.getState();
        pause();
        change();
        resume();
      };
      byItself(() =>
        addPhotos(
          named.map(({ key, fileName }) => ({ key, fileName })),
          today,
        ),
      );
      const one = async ({ key, file }: (typeof named)[number]): Promise<void> => {
        setPhoto(key, { state: "sending" });
        const sent = await uploadSwatches(file, (share) => setPhoto(key, { share }));
        if ("message" in sent) return setPhoto(key, { state: "refused", message: sent.message });
        setPhoto(key, { state: "reading", stored: sent });
        const plain = newEdits(today);
        const first = await readWith(reader, sent.id, plain);
        if (!first.read) return setPhoto(key, first);
        const { kind, number } = first.read;
        const card = cardOfNumber(cards, kind, number);
        const told = card ? editsOfCard(card) : { kind, paints: placesFor(kind, []) };
        byItself(() => edit(key, told));
        return setPhoto(key, await readWith(reader, sent.id, { ...plain, ...told }));
      };
      void (async () => {
        for (const photo of named) {
          await one(photo).catch((error: unknown) => {
            console.error(error);
            setPhoto(photo.key, {
              state: "refused",
              message:
                "The photo was kept but could not be opened here. Put it away and bring it again; if that doesn't help, load the page again.",
            });
          });
        }
      })();
    },
    [store, reader, cards],
  );
}
