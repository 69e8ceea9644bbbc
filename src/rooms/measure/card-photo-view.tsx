"use client";

import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import {
  homographyOf,
  mapPoint,
  FIDUCIAL_CENTRES,
  placeKey,
  SHEETS,
  type Box,
  type Homography,
} from "@/core/calibration";
import { type PixelArray } from "@/core/image";
import { troubleWith } from "@/ui/trouble";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import type { CardEdits, CardPhoto } from "./measure-store";

interface Place {
  readonly key: string;
  readonly label: string;
  readonly box: Box;
  readonly leftOut: boolean;
}

interface CardPhotoViewProps {
  readonly photo: CardPhoto;
  readonly edits: CardEdits;
  readonly nameOf: (row: number) => string;
  readonly onMove: (key: string, box: Box) => void;
  readonly onToggle: (key: string) => void;
}

const STEP_MM = 1;

function useWorkingCopy(photoId: string | undefined): PixelArray | null {
  const [loaded, setLoaded] = useState<{
    id: string;
    pixels: PixelArray & { data: Uint8ClampedArray<ArrayBuffer> };
  } | null>(null);
  useEffect(() => {
    if (!photoId) return;
    let left = false;
    decodeWorkingCopy(photoId).then(
      (pixels) => !left && setLoaded({ id: photoId, pixels }),
      troubleWith("The card's photo could not be shown"),
    );
    return () => {
      left = true;
    };
  }, [photoId]);
  return loaded && loaded.id === photoId ? loaded.pixels : null;
}

function placesOf(photo: CardPhoto, edits: CardEdits, nameOf: (row: number) => string): Place[] {
  const rows = (photo.read?.rows ?? []).filter(({ row }) => edits.paints[row]);
  const own = rows.flatMap(({ row, places }) =>
    places.map(({ place, box }, index): Place => {
      const key = placeKey(row, index);
      const what =
        place.what === "wash"
          ? `wash ${place.swatch + 1}, ${SHEETS[photo.read?.kind ?? "card"].washNames[place.swatch]}`
          : place.what;
      return {
        key,
        label: `${nameOf(row)}, ${what}`,
        box: edits.moved[key] ?? box,
        leftOut: edits.leftOut[key] === true,
      };
    }),
  );
  return [
    ...own,
    ...edits.references.map(({ box }, i): Place => ({
      key: `reference ${i}`,
      label: `Reference ${i + 1}`,
      box,
      leftOut: false,
    })),
  ];
}

const cornersOf = ({ x, y, width, height }: Box, onPhoto: Homography): string =>
  [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]
    .map((corner) => {
      const at = mapPoint(onPhoto, corner);
      return `${at.x.toFixed(1)},${at.y.toFixed(1)}`;
    })
    .join(" ");

/**
 * The photo of a card on neutral grey, with every place that was read drawn on it: dragged with the pointer or the
 * arrow keys, left out with Delete.
 */
export function CardPhotoView({ photo, edits, nameOf, onMove, onToggle }: CardPhotoViewProps) {
  const pixels = useWorkingCopy(photo.stored?.id);
  const canvas = useRef<HTMLCanvasElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const [dragged, setDragged] = useState<{ key: string; from: { x: number; y: number }; box: Box } | null>(null);
  useEffect(() => {
    const context = canvas.current?.getContext("2d", { colorSpace: "display-p3" });
    if (pixels && context)
      context.putImageData(
        new ImageData(new Uint8ClampedArray(pixels.data), pixels.width, pixels.height, { colorSpace: "display-p3" }),
        0,
        0,
      );
  }, [pixels]);
  const found = photo.read?.found;
  const onCard = useMemo(() => (found ? homographyOf(found.marks, FIDUCIAL_CENTRES) : null), [found]);
  const places = useMemo(() => placesOf(photo, edits, nameOf), [photo, edits, nameOf]);
  if (!photo.stored) return null;
  const { widthPx, heightPx } = photo.stored;

  const mmAt = (event: PointerEvent): { x: number; y: number } | null => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix || !onCard) return null;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return mapPoint(onCard, at);
  };
  const movedBy = (box: Box, dx: number, dy: number): Box => ({ ...box, x: box.x + dx, y: box.y + dy });
  const onKeyDown =
    (place: Place) =>
    (event: KeyboardEvent): void => {
      const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
      if (step) onMove(place.key, movedBy(place.box, step[0]! * STEP_MM, step[1]! * STEP_MM));
      else if (event.key === "Delete" || event.key === "Backspace") onToggle(place.key);
      else return;
      event.preventDefault();
    };
  const beginDrag =
    (place: Place) =>
    (event: PointerEvent<SVGGElement>): void => {
      const at = mmAt(event);
      if (!at) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      setDragged({ key: place.key, from: at, box: place.box });
    };
  const boxNow = (place: Place): Box => (dragged?.key === place.key ? dragged.box : place.box);
  const drag =
    (place: Place) =>
    (event: PointerEvent): void => {
      const at = dragged?.key === place.key ? mmAt(event) : null;
      if (at && dragged)
        setDragged({ ...dragged, box: movedBy(place.box, at.x - dragged.from.x, at.y - dragged.from.y) });
    };
  const endDrag = (place: Place): void => {
    if (dragged?.key === place.key && (dragged.box.x !== place.box.x || dragged.box.y !== place.box.y))
      onMove(place.key, dragged.box);
    setDragged(null);
  };
  return (
    <div className="relative grid min-h-0 place-items-center bg-(--photo-ground) p-4">
      <svg
        ref={svg}
        viewBox={`0 0 ${widthPx} ${heightPx}`}
        className="absolute inset-4 size-[calc(100%-2rem)]"
        role="group"
        aria-label="Places read on the card"
      >
        <foreignObject width={widthPx} height={heightPx}>
          <canvas ref={canvas} width={widthPx} height={heightPx} aria-label="Photo of the card" role="img" />
        </foreignObject>
        {found &&
          places.map((place) => {
            const corners = cornersOf(boxNow(place), found.onPhoto);
            return (
              <g
                key={place.key}
                role="button"
                tabIndex={0}
                aria-label={place.label}
                aria-pressed={place.leftOut}
                className="group cursor-move touch-none outline-none"
                onKeyDown={onKeyDown(place)}
                onPointerDown={beginDrag(place)}
                onPointerMove={drag(place)}
                onPointerUp={() => endDrag(place)}
                onDoubleClick={() => onToggle(place.key)}
              >
                <title>{`${place.label}: drag to move, double click or Delete to ${place.leftOut ? "take it in again" : "leave it out"}`}</title>
                <polygon
                  points={corners}
                  fill="transparent"
                  stroke="#222"
                  strokeWidth={widthPx / 320}
                  className="group-focus-visible:stroke-[#5a3a72]"
                />
                <polygon
                  points={corners}
                  fill={place.leftOut ? "#2228" : "none"}
                  stroke="#fff"
                  strokeWidth={widthPx / 800}
                  strokeDasharray={place.leftOut ? `${widthPx / 100} ${widthPx / 150}` : undefined}
                  className="group-focus-visible:[stroke-width:0.45%]"
                />
              </g>
            );
          })}
      </svg>
      {!pixels && <p className="relative text-(--photo-ink)">Opening the photo …</p>}
    </div>
  );
}
