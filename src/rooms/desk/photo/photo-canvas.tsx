"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { type LabelMap } from "@/core/areas";
import { oklabOfLab, screenColourOfLab } from "@/core/colour";
import { type WhiteMatrix } from "@/core/image";
import { viewCopyUrl } from "@/model/addresses";
import { coloursOf } from "@/model/washes";
import { troubleWith } from "@/ui/trouble";
import { useDesk } from "../desk-store";
import { usePhoto } from "../photo-study";
import { useGamutTable } from "../reach";
import { useShownColours } from "../mixed";
import { usePlannedSheet } from "../plan-step/use-sheet";
import { scaleOf, screenOfPhoto, type Viewport } from "./viewport";
import { ViewPainter, type DrawnWash } from "./view-painter";

interface PhotoCanvasProps {
  readonly viewport: Viewport;
  readonly map: LabelMap;
  readonly white: WhiteMatrix;
}

/** Beyond this many device pixels to one of the working copy, the close copy is fetched. */
const CLOSE_FROM = 1.15;

/** The sharper copy, fetched when the painter first goes close and the photo has more to show. */
function useCloseCopy(wanted: boolean, photoId: string): ImageBitmap | null {
  const [bitmap, setBitmap] = useState<ImageBitmap | null>(null);
  const loaded = bitmap !== null;
  useEffect(() => {
    if (!wanted || loaded) return;
    let left = false;
    fetch(`/api/photos/${photoId}?copy=close`)
      .then((response) =>
        response.ok
          ? response.blob()
          : response.json().then((body: { message?: string }) => Promise.reject(new Error(body.message))),
      )
      .then((blob) => createImageBitmap(blob, { colorSpaceConversion: "none" }))
      .then((made) => !left && setBitmap(made), troubleWith("The sharper copy of the photo could not be shown"));
    return () => {
      left = true;
    };
  }, [wanted, loaded, photoId]);
  return bitmap;
}

/** The photo as it is, where a browser can't draw it: everything else goes on. */
function PlainPhoto({ viewport, photoId }: { viewport: Viewport; photoId: string }) {
  const { width, height } = viewport.photo;
  const [origin, right, down] = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 0, y: 1 },
  ].map((corner) => screenOfPhoto(viewport, corner));
  const across = [(right!.x - origin!.x) / width, (right!.y - origin!.y) / width];
  const along = [(down!.x - origin!.x) / height, (down!.y - origin!.y) / height];
  return (
    <div className="pointer-events-none absolute inset-0 overflow-hidden">
      {/* The photo is an original of the painter's own server: there is nothing to optimise. */}
      <img
        src={viewCopyUrl(photoId)}
        alt=""
        data-plain
        className="absolute top-0 left-0 max-w-none origin-top-left"
        style={{
          width,
          height,
          transform: `matrix(${[...across, ...along, origin!.x, origin!.y].join()})`,
        }}
      />
    </div>
  );
}

/** The photo through the present way of seeing; redrawn once a frame at most. */
export function PhotoCanvas({ viewport, map, white }: PhotoCanvasProps) {
  const { row, view: firstLook, pixels } = usePhoto();
  const seeing = useDesk((s) => s.seeing);
  const valueSteps = useDesk((s) => s.valueSteps);
  const marks = useDesk((s) => s.marks);
  const split = useDesk((s) => s.split);
  const cube = useGamutTable();
  const greyed = useDesk((s) => s.greyed);
  const sheet = usePlannedSheet(seeing === "planned");
  const areas = useDesk((s) => s.document.areas);
  const targets = useShownColours();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [undrawable, setUndrawable] = useState(false);
  const [restored, setRestored] = useState(0);
  const ratio = typeof window === "undefined" ? 1 : Math.min(2, window.devicePixelRatio || 1);
  const isClose = row.widthPx > row.workingWidthPx && (scaleOf(viewport) * ratio) / row.workingWidthPx > CLOSE_FROM;
  const closeCopy = useCloseCopy(isClose, row.id);

  const colours = useMemo(
    () =>
      new Map(
        areas.flatMap((area) => {
          if (area.region === null) return [];
          const laid = coloursOf(area).filter(({ drop }) => !drop);
          const wash: DrawnWash = {
            kind: area.wash.kind,
            run: area.wash.run,
            colours: laid.map(({ id, lab }) => {
              const { r, g, b } = screenColourOfLab(targets.get(id) ?? lab).rgb;
              const ok = oklabOfLab(lab);
              return { paint: [r, g, b] as const, photo: [ok.L, ok.a, ok.b] as const };
            }),
          };
          return [[area.region, wash] as const];
        }),
      ),
    [areas, targets],
  );

  const drawn = useRef<{
    painter: ViewPainter;
    photo?: unknown;
    map?: unknown;
    colours?: unknown;
    cube?: unknown;
    sheet?: unknown;
  } | null>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const onLost = (event: Event): void => event.preventDefault();
    const onRestored = (): void => {
      drawn.current = null;
      setRestored((n) => n + 1);
    };
    element.addEventListener("webglcontextlost", onLost);
    element.addEventListener("webglcontextrestored", onRestored);
    return () => {
      element.removeEventListener("webglcontextlost", onLost);
      element.removeEventListener("webglcontextrestored", onRestored);
      drawn.current?.painter.release();
      if (!element.isConnected) drawn.current?.painter.giveBack();
      drawn.current = null;
    };
  }, []);
  useEffect(() => {
    const element = canvas.current;
    const shown = pixels ?? firstLook;
    if (!element || !shown || undrawable) return;
    // What the card already holds is not sent to it again.
    const frame = requestAnimationFrame(() => {
      try {
        const now = (drawn.current ??= { painter: new ViewPainter(element) });
        const photo =
          closeCopy && Math.max(closeCopy.width, closeCopy.height) <= now.painter.maxSide ? closeCopy : shown;
        if (now.photo !== photo) now.painter.setPhoto(photo);
        if (now.map !== map) now.painter.setAreas(map);
        if (now.colours !== colours) now.painter.setTargets(colours);
        if (now.cube !== cube) now.painter.setReach(cube);
        if (now.sheet !== sheet) now.painter.setSheet(sheet);
        Object.assign(now, { photo, map, colours, cube, sheet });
        now.painter.draw({ viewport, seeing, valueSteps, white, marks, split, greyed });
        element.dataset.seen = "yes";
        // Said only of the photo that is measured: what is clicked before has no answer.
        if (pixels)
          element.dataset.drawn =
            (seeing === "palette" && !cube) || (seeing === "planned" && !sheet) ? "plain" : seeing;
      } catch {
        setUndrawable(true);
      }
    });
    return () => cancelAnimationFrame(frame);
  }, [
    pixels,
    firstLook,
    closeCopy,
    viewport,
    seeing,
    valueSteps,
    white,
    marks,
    split,
    cube,
    sheet,
    greyed,
    map,
    colours,
    undrawable,
    restored,
  ]);

  const { width, height } = viewport.view;
  return (
    <>
      <canvas
        ref={canvas}
        width={Math.round(width * ratio)}
        height={Math.round(height * ratio)}
        className="pointer-events-none absolute inset-0 size-full"
      />
      {undrawable && (
        <>
          <PlainPhoto viewport={viewport} photoId={row.id} />
          {seeing !== "plain" && (
            <p role="alert" className="absolute inset-x-6 bottom-6 rounded-box bg-base-100 p-4">
              This browser shows the photo only as it is: other ways of seeing it need WebGL 2. Turn on hardware
              acceleration, or open Abendrot in another browser.
            </p>
          )}
        </>
      )}
    </>
  );
}
