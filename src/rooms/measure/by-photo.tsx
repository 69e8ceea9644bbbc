"use client";

import { useCallback } from "react";
import { useShallow } from "zustand/react/shallow";
import { useDroppedFiles } from "@/ui/dropped-files";
import { CardPanel } from "./card-panel";
import { CardPhotoView } from "./card-photo-view";
import { Guide } from "./guide";
import { newEdits, useMeasure } from "./measure-store";
import { PhotoQueue } from "./photo-queue";
import { useTakePhotos } from "./read-photos";
import { useRoom } from "./room";
import { useRereading } from "./use-row-fits";

const NOTHING_SAID = newEdits("");

/** Measuring by photo: the guide until there are photos, then the queue, the open card and its paints. */
export function ByPhoto({ start }: { start: string | null }) {
  const { paints } = useRoom();
  const { photos, openKey, document, edit, setPhoto } = useMeasure(
    useShallow(({ photos, openKey, document, edit, setPhoto }) => ({ photos, openKey, document, edit, setPhoto })),
  );
  const over = useDroppedFiles(useTakePhotos());
  const photo = photos.find(({ key }) => key === openKey);
  const edits = (photo && document.edits[photo.key]) ?? NOTHING_SAID;
  const key = photo?.key ?? "";
  const setRead = useCallback((change: Parameters<typeof setPhoto>[1]) => setPhoto(key, change), [key, setPhoto]);
  useRereading(photo, edits, setRead);
  const nameOf = useCallback(
    (row: number) => paints.find(({ id }) => id === edits.paints[row])?.name ?? `row ${row + 1}`,
    [paints, edits.paints],
  );
  const onToggle = useCallback(
    (place: string) => {
      const { [place]: out, ...rest } = edits.leftOut;
      edit(key, { leftOut: out ? rest : { ...rest, [place]: true } });
    },
    [edit, key, edits.leftOut],
  );
  const onMove = useCallback(
    (place: string, box: (typeof edits.moved)[string]) => {
      const reference = /^reference (\d+)$/.exec(place);
      if (reference)
        edit(key, {
          references: edits.references.map((one, i) => (i === Number(reference[1]) ? { ...one, box } : one)),
        });
      else edit(key, { moved: { ...edits.moved, [place]: box } });
    },
    [edit, key, edits],
  );
  return (
    <div className="h-full min-h-0">
      {photos.length === 0 ? (
        <div className="room-side h-full">
          <Guide start={start} />
        </div>
      ) : (
        <div className="room-sides h-full grid-cols-[210px_minmax(0,1fr)_470px]">
          <aside className="min-h-0 border-r border-(--hairline) bg-base-100">
            <PhotoQueue />
          </aside>
          {photo?.stored ? (
            <CardPhotoView
              key={photo.key}
              photo={photo}
              edits={edits}
              nameOf={nameOf}
              onMove={onMove}
              onToggle={onToggle}
            />
          ) : (
            <div className="bg-(--photo-ground)" />
          )}
          <section aria-label="The open card" className="room-side border-l border-(--hairline) bg-base-100">
            {photo && <CardPanel key={photo.key} photo={photo} edits={edits} onToggle={onToggle} />}
          </section>
        </div>
      )}
      {over && (
        <div className="pointer-events-none fixed inset-3 z-50 grid place-items-center rounded-box border-2 border-dashed border-primary bg-base-100/80">
          <p className="name-face text-3xl">Let go: the cards are read one after another</p>
        </div>
      )}
    </div>
  );
}
