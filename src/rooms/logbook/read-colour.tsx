"use client";

import { useEffect, useRef, useState, type MouseEvent } from "react";
import { screenColourOfLab, xyzOfReflectance, type Lab } from "@/core/colour";
import { colourBesidePaper, samplePhoto, type PixelArray } from "@/core/image";
import { paperById } from "@/core/optics";
import { CloseButton } from "@/ui/close-button";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import { ViewChoice } from "@/ui/view-choice";

/** A place in a photo, shares of its width and height. */
interface Place {
  readonly x: number;
  readonly y: number;
}

/** Radius of what is averaged, share of the photo's width. */
const RADIUS = 0.012;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const STEP = 0.01;
const held = (x: number): number => Math.min(1, Math.max(0, x));

/** Pixels of a photo once they are there; or why they can't be had. */
function usePixels(photoId: string): PixelArray | string | null {
  const [pixels, setPixels] = useState<PixelArray | string | null>(null);
  useEffect(() => {
    let stale = false;
    decodeWorkingCopy(photoId).then(
      (found) => !stale && setPixels(found),
      (error: unknown) => !stale && setPixels(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      stale = true;
    };
  }, [photoId]);
  return pixels;
}

/** Reads a swatch's colour from a photo: the bare paper is shown first, then the swatch. */
export function ReadColour({
  photos,
  paperId,
  name,
  onRead,
  onClose,
}: {
  /** The photos of the entry; the first is open. */
  photos: readonly string[];
  paperId: string;
  name: string;
  onRead: (lab: Lab, photoId: string, at: Place) => void;
  onClose: () => void;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [photoId, setPhotoId] = useState(photos[0]!);
  const pixels = usePixels(photoId);
  const [shows, setShows] = useState<"paper" | "swatch">("paper");
  const [paperAt, setPaperAt] = useState<Place | null>(null);
  const [swatchAt, setSwatchAt] = useState<Place | null>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const linearAt = ({ x, y }: Place) =>
    pixels && typeof pixels !== "string"
      ? samplePhoto(pixels, x * pixels.width, y * pixels.height, RADIUS * pixels.width)
      : null;
  const paper = paperAt && linearAt(paperAt);
  const swatch = swatchAt && linearAt(swatchAt);
  const lab =
    paper && swatch && colourBesidePaper(swatch.linear, paper.linear, xyzOfReflectance(paperById(paperId).reflectance));
  const put = (place: Place): void => {
    const inside = { x: held(place.x), y: held(place.y) };
    if (shows === "paper") {
      setPaperAt(inside);
      if (!swatchAt) setShows("swatch");
    } else setSwatchAt(inside);
  };
  const press = ({ currentTarget, clientX, clientY }: MouseEvent): void => {
    const { left, top, width, height } = currentTarget.getBoundingClientRect();
    put({ x: (clientX - left) / width, y: (clientY - top) / height });
  };
  return (
    <dialog ref={dialog} className="modal" aria-label={`The colour of ${name}`} onClose={onClose}>
      <div className="modal-box max-w-4xl space-y-3">
        <div className="flex items-center gap-3">
          <h2 className="name-face text-2xl">The colour of {name}</h2>
          <CloseButton className="ml-auto" onClose={() => dialog.current?.close()} />
        </div>
        <p className="quiet">
          Show the bare paper close to the swatch, in the same light, then the swatch itself, dry. What the light was
          like is taken out by the paper.
        </p>
        {photos.length > 1 && (
          <ViewChoice
            label="Which photo"
            views={photos.map((view, i) => ({ view, name: `photo ${i + 1}` }))}
            shown={photoId}
            onShow={(view) => {
              setPhotoId(view);
              setPaperAt(null);
              setSwatchAt(null);
              setShows("paper");
            }}
          />
        )}
        <ViewChoice
          label="What is shown next"
          views={[
            { view: "paper", name: paperAt ? "bare paper: shown" : "bare paper" },
            { view: "swatch", name: swatchAt ? "swatch: shown" : "swatch" },
          ]}
          shown={shows}
          onShow={setShows}
        />
        <div className="bg-(--photo-ground) p-4 text-center">
          {typeof pixels === "string" ? (
            <p role="alert" className="text-error">
              The photo can&apos;t be read: {pixels}
            </p>
          ) : (
            <button
              type="button"
              aria-label={`Photo: press on the ${shows === "paper" ? "bare paper" : "swatch"}; arrows move it`}
              className="relative inline-block cursor-crosshair"
              onClick={press}
              onKeyDown={(event) => {
                const move = MOVES[event.key];
                if (!move) return;
                event.preventDefault();
                const from = (shows === "paper" ? paperAt : swatchAt) ?? { x: 0.5, y: 0.5 };
                const inside = { x: held(from.x + STEP * move[0]), y: held(from.y + STEP * move[1]) };
                (shows === "paper" ? setPaperAt : setSwatchAt)(inside);
              }}
            >
              <img src={`/api/photos/${photoId}?copy=view`} alt="" className="max-h-[52vh] w-auto" />
              {(
                [
                  ["paper", paperAt],
                  ["swatch", swatchAt],
                ] as const
              ).map(
                ([which, at]) =>
                  at && (
                    <span
                      key={which}
                      aria-hidden
                      className={`absolute size-6 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white ring-1 ring-black ${which === "paper" ? "border-dashed" : ""}`}
                      style={{ left: `${100 * at.x}%`, top: `${100 * at.y}%` }}
                    />
                  ),
              )}
            </button>
          )}
        </div>
        <div className="flex min-h-10 items-center gap-3">
          {lab && (
            <>
              <span aria-hidden className="h-9 w-16" style={{ background: screenColourOfLab(lab).hex }} />
              <output aria-label="Colour read">
                L* {lab.L.toFixed(0)}, a* {lab.a.toFixed(0)}, b* {lab.b.toFixed(0)}
              </output>
            </>
          )}
          {paper && swatch && !lab && (
            <p role="alert" className="leading-snug text-error">
              What was shown as paper is darker than the swatch, or in deep shadow. Show bare paper beside it.
            </p>
          )}
          {(paper?.untrusted ?? 0) > 0.2 && (
            <p role="alert" className="leading-snug text-warning">
              The paper is burnt out there; a darker photo, or a place out of the glare, reads truer.
            </p>
          )}
          <button
            type="button"
            className="btn btn-primary btn-sm ml-auto"
            disabled={!lab}
            onClick={() => {
              if (!lab || !swatchAt) return;
              onRead(lab, photoId, swatchAt);
              dialog.current?.close();
            }}
          >
            Take this colour
          </button>
        </div>
      </div>
    </dialog>
  );
}
