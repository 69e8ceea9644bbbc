"use client";

import { Check, CircleAlert, X } from "lucide-react";
import { useShallow } from "zustand/react/shallow";
import { useMeasure, type CardPhoto } from "./measure-store";
import { ChoosePhotos } from "./choose-photos";

function stateWords(photo: CardPhoto, kept: number, paints: number): string {
  switch (photo.state) {
    case "waiting":
      return "waiting";
    case "sending":
      return photo.share < 1 ? `sending, ${Math.round(100 * photo.share)} %` : "developing …";
    case "reading":
      return "reading …";
    case "refused":
      return "not read";
    case "read":
      return paints === 0 ? "read: say which paints" : `${kept} of ${paints} kept`;
  }
}

/** The photos taken in, and how far each is; one of them is open. */
export function PhotoQueue() {
  const { photos, openKey, kept, document, open, dropPhoto } = useMeasure(
    useShallow(({ photos, openKey, kept, document, open, dropPhoto }) => ({
      photos,
      openKey,
      kept,
      document,
      open,
      dropPhoto,
    })),
  );
  const read = photos.filter(({ state }) => state === "read").length;
  const done = read + photos.filter(({ state }) => state === "refused").length;
  return (
    <section aria-label="Photos of sheets" className="flex min-h-0 flex-col gap-3 p-4">
      <div className="flex items-baseline gap-2">
        <h2 className="name-face text-xl">Sheets</h2>
        <span role="status" className="quiet">
          {done < photos.length ? `${done} of ${photos.length} looked through` : `${read} of ${photos.length} read`}
        </span>
      </div>
      {done < photos.length && (
        <progress className="progress h-1 w-full" aria-label="Reading the photos" value={done} max={photos.length} />
      )}
      <ul className="min-h-0 flex-1 space-y-1 overflow-y-auto">
        {photos.map((photo) => {
          const edits = document.edits[photo.key];
          const paints = edits?.paints.filter(Boolean).length ?? 0;
          const keptHere = edits?.paints.filter((paint, row) => paint && kept[`${photo.key} ${row}`]).length ?? 0;
          return (
            <li
              key={photo.key}
              className={`flex items-center gap-2 rounded-field p-1.5 ${photo.key === openKey ? "bg-base-300" : ""}`}
            >
              <button
                type="button"
                aria-current={photo.key === openKey}
                className="flex min-w-0 flex-1 cursor-pointer items-center gap-2 text-left"
                onClick={() => open(photo.key)}
              >
                {photo.stored ? (
                  <img
                    src={`/api/photos/${photo.stored.id}?copy=small`}
                    alt=""
                    className="h-11 w-9 rounded-sm object-cover"
                  />
                ) : (
                  <span className="h-11 w-9 rounded-sm bg-(--photo-ground)" />
                )}
                <span className="min-w-0">
                  <span className="name-face block truncate">
                    {edits?.cardId ? `${edits.kind === "box" ? "Box sheet" : "Card"} ${edits.cardId}` : photo.fileName}
                  </span>
                  <span className="label-line flex items-center gap-1">
                    {photo.state === "refused" && <CircleAlert size={12} />}
                    {photo.state === "read" && paints > 0 && keptHere === paints && <Check size={12} />}
                    {stateWords(photo, keptHere, paints)}
                  </span>
                </span>
              </button>
              <button
                type="button"
                className="btn btn-square btn-ghost btn-xs"
                aria-label={`Put ${photo.fileName} away`}
                onClick={() => dropPhoto(photo.key)}
              >
                <X size={13} />
              </button>
            </li>
          );
        })}
      </ul>
      <ChoosePhotos words="More photos" className="btn btn-sm" />
    </section>
  );
}
