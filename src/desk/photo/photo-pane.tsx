"use client";

import { useEffect, useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { samplePhoto, valueRange, type Lab } from "@/core";
import type { PhotoRow } from "@/db/photos";
import { MAX_RADIUS, MIN_RADIUS, useDesk } from "../desk-store";
import { usePaints, usePaper } from "../paints";
import { AreaMarker } from "./area-marker";
import { Loupe } from "./loupe";
import { usePhotoPixels, type PhotoPixels } from "./photo-pixels";
import { ValueRail } from "./value-rail";

interface Point {
  /** Shares of the photo's width and height. */
  readonly x: number;
  readonly y: number;
}

const clamp = (x: number): number => Math.min(1, Math.max(0, x));
const STEP = 0.01;
const FINE_STEP = 0.001;

function useSize(): [(element: HTMLElement | null) => void, { width: number; height: number }] {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [element, setElement] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => setSize({ width: entry.contentRect.width, height: entry.contentRect.height }));
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [setElement, size];
}

function measure({ pixels }: PhotoPixels, point: Point, radius: number): { lab: Lab; untrusted: number } {
  return samplePhoto(pixels, point.x * pixels.width, point.y * pixels.height, radius * pixels.width);
}

/** The photo on neutral grey: click, drag or use the keys to take a colour; areas stand on it as markers. */
export function PhotoPane({ photo }: { photo: PhotoRow }) {
  const state = usePhotoPixels(photo.id);
  const [box, room] = useSize();
  const surface = useRef<HTMLDivElement>(null);
  const [cursor, setCursor] = useState<Point | null>(null);
  const [pressed, setPressed] = useState(false);
  const areas = useDesk((s) => s.document.areas);
  const palette = useDesk((s) => s.document.palette);
  const selectedId = useDesk((s) => s.selectedId);
  const taken = useDesk((s) => s.taken);
  const radius = useDesk((s) => s.radius);
  const { take, select, setRadius, changeArea } = useDesk((s) => s);
  const paints = usePaints();
  const paper = usePaper();
  const help = useId();
  const range = useMemo(() => valueRange(palette.flatMap((id) => paints.get(id)?.model ?? []), paper), [palette, paints, paper]);

  const ready = state.state === "ready" ? state.photo : null;
  const scale = Math.min(room.width / photo.workingWidthPx, room.height / photo.workingHeightPx);
  const width = Math.floor(photo.workingWidthPx * scale);
  const height = Math.floor(photo.workingHeightPx * scale);
  const sample = useMemo(() => (ready && cursor ? measure(ready, cursor, radius) : null), [ready, cursor, radius]);

  const pointOf = (event: PointerEvent): Point => {
    const rect = event.currentTarget.getBoundingClientRect();
    return { x: clamp((event.clientX - rect.left) / rect.width), y: clamp((event.clientY - rect.top) / rect.height) };
  };
  const takeAt = (point: Point): void => {
    if (ready) take({ sample: { ...point, radius }, ...measure(ready, point, radius) });
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target !== surface.current) return;
    const step = event.shiftKey ? FINE_STEP : STEP;
    const from = cursor ?? { x: 0.5, y: 0.5 };
    const moves: Record<string, Point> = {
      ArrowLeft: { x: from.x - step, y: from.y },
      ArrowRight: { x: from.x + step, y: from.y },
      ArrowUp: { x: from.x, y: from.y - step },
      ArrowDown: { x: from.x, y: from.y + step },
    };
    const move = moves[event.key];
    if (move) setCursor({ x: clamp(move.x), y: clamp(move.y) });
    else if (event.key === "Enter" || event.key === " ") takeAt(from);
    else if (event.key === "[" || event.key === "]") setRadius(radius * (event.key === "]" ? 1.25 : 0.8));
    else return;
    event.preventDefault();
  };

  return (
    <section aria-label="Photo" className="flex min-w-0 flex-col bg-(--photo-ground)">
      <div className="flex min-h-0 flex-1 items-center justify-center gap-2 py-4 pr-1 pl-4">
        <div ref={box} className="relative flex h-full min-w-0 flex-1 items-center justify-center">
          {state.state === "failed" && (
            <p role="alert" className="max-w-sm rounded-box bg-base-100 p-4">
              The photo could not be shown. Load the page again; if that doesn&apos;t help, its file is missing from the data folder.
            </p>
          )}
          {state.state === "loading" && <p role="status" className="text-(--photo-ink)">Developing the photo …</p>}
          {ready && width > 0 && (
            // The surface is a measuring instrument with its own keys, described to those who can't see it.
            // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
            <div
              ref={surface}
              role="application"
              aria-label={`Photo ${photo.fileName}: take a colour`}
              aria-describedby={help}
              // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
              tabIndex={0}
              className="relative shrink-0 cursor-crosshair touch-none select-none"
              style={{ width, height }}
              onPointerDown={(event) => {
                if (event.button !== 0) return;
                event.currentTarget.setPointerCapture(event.pointerId);
                setPressed(true);
                setCursor(pointOf(event));
              }}
              onPointerMove={(event) => setCursor((event.target as Element).closest("button") ? null : pointOf(event))}
              onPointerUp={(event) => {
                if (!pressed) return;
                setPressed(false);
                takeAt(pointOf(event));
              }}
              onPointerCancel={() => setPressed(false)}
              onPointerLeave={() => !pressed && setCursor(null)}
              onBlur={() => setCursor(null)}
              onKeyDown={onKeyDown}
            >
              <img src={`/api/photos/${photo.id}`} alt="" draggable={false} className="block size-full" />
              {areas.map((area, i) => (
                <AreaMarker
                  key={area.id} area={area} number={i + 1} selected={area.id === selectedId} width={width} height={height}
                  onSelect={() => select(area.id)}
                  onMove={(x, y) => changeArea(area.id, { sample: { ...area.sample, x, y }, lab: measure(ready, { x, y }, area.sample.radius).lab })}
                />
              ))}
              {taken && (
                <span
                  aria-hidden
                  className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-dashed border-white outline outline-1 outline-black/70"
                  style={{ left: taken.sample.x * width, top: taken.sample.y * height, width: Math.max(12, 2 * taken.sample.radius * width), height: Math.max(12, 2 * taken.sample.radius * width) }}
                />
              )}
              {cursor && sample && (
                <Loupe
                  photo={ready} x={cursor.x * ready.pixels.width} y={cursor.y * ready.pixels.height} radiusPx={radius * ready.pixels.width}
                  lab={sample.lab} left={cursor.x * width} top={cursor.y * height} roomWidth={width} roomHeight={height}
                />
              )}
            </div>
          )}
        </div>
        {ready && height > 0 && <ValueRail areas={areas} selectedId={selectedId} range={range} height={height} onSelect={select} />}
      </div>
      <div className="flex items-center gap-6 px-4 pb-3 text-[0.85rem] text-(--photo-ink)">
        <p id={help} className="min-w-0 flex-1 truncate">
          Click or drag to take a colour. Keys: arrows move (Shift: finer), Enter takes, [ and ] change the circle.
        </p>
        <label className="flex items-center gap-2 whitespace-nowrap">
          Circle
          <input
            type="range" className="range range-xs w-32 [--range-fill:0] text-(--photo-ink)" min={Math.log(MIN_RADIUS)} max={Math.log(MAX_RADIUS)} step={0.01}
            value={Math.log(radius)} onChange={(event) => setRadius(Math.exp(Number(event.target.value)))}
            aria-valuetext={`${Math.round(radius * photo.workingWidthPx)} pixels`}
          />
          <span className="w-12 text-right">{Math.max(1, Math.round(2 * radius * photo.workingWidthPx))} px</span>
        </label>
      </div>
    </section>
  );
}
