"use client";

import { useCallback, useEffect, useId, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { labelAt } from "@/core/areas";
import { samplePhoto, type Point, type Sample } from "@/core/image";
import { useEdits } from "../edits-context";
import { useDesk, useDeskStore } from "../desk-store";
import { useAreaMap, useFrame, usePhoto, useWhite } from "../photo-study";
import { AreaMarker } from "./area-marker";
import { photoOfScreen, scaleOf, screenOfPhoto } from "./viewport";
import { CircleSize } from "./circle-size";
import { CropFrame, nudged } from "./crop-frame";
import { LassoLine } from "./lasso-line";
import { Loupe } from "./loupe";
import { Outlines } from "./outlines";
import { PairMarks } from "./pair-marks";
import { PhotoCanvas } from "./photo-canvas";
import { Rail } from "./rail";
import { useViewport } from "./use-viewport";
import { WashMarks } from "./wash-marks";
import { useLassoLine } from "./use-lasso-line";
import { SheetSlider } from "./sheet-slider";
import { SplitLine } from "./split-line";
import { useEarlyPress } from "./use-early-press";
import { useTwoFingers } from "./use-two-fingers";
import { ViewBar } from "./view-bar";

const clamp = (x: number): number => Math.min(1, Math.max(0, x));
/** Steps of the arrow keys, as shares of what is seen. */
const STEP = 0.01;
const FINE_STEP = 0.001;
/** A neutral is read from at least this much of the photo, so that grain doesn't tint it. */
const WHITE_RADIUS = 0.004;

const HELP = {
  sample: "Click or drag to take a colour. Keys: arrows move (Shift: finer), Enter takes, [ and ] change the circle.",
  select: "Click a shape to open it. Keys: arrows move, Enter opens what lies under the cross.",
  white: "Click something that is truly grey or white: a wall, a cloud, a road. Keys: arrows move, Enter picks.",
  compare: "Click two points to compare them. Keys: arrows move, Enter sets a point.",
  lasso:
    "Draw around a shape, or click corner by corner and close with Enter. Backspace takes a corner back, Escape gives up.",
  crop: "Drag the sheet over the photo, its corner to change its size. Keys: arrows move, + and − size, [ and ] turn.",
} as const;

function useSize(): [(element: HTMLElement | null) => void, { width: number; height: number }] {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const [element, setElement] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) =>
      setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [element]);
  return [setElement, size];
}

/** The photo on neutral grey, through a way of seeing: what a press does depends on the present tool. */
export function PhotoPane() {
  const { row, size, view: firstLook, pixels, failed } = usePhoto();
  const isSeen = pixels !== null || firstLook !== null;
  const [box, room] = useSize();
  const surface = useRef<HTMLDivElement>(null);
  const [cursor, setCursor] = useState<Point | null>(null);
  const [pressed, setPressed] = useState(false);
  const [holding, setHolding] = useState(false);
  const areas = useDesk((s) => s.document.areas);
  const selectedId = useDesk((s) => s.selectedId);
  const taken = useDesk((s) => s.taken);
  const radius = useDesk((s) => s.radius);
  const tool = useDesk((s) => s.tool);
  const step = useDesk((s) => s.step);
  const seeing = useDesk((s) => s.seeing);
  const outlines = useDesk((s) => s.outlines);
  const picking = useDesk((s) => s.picking);
  const proposal = useDesk((s) => s.proposal);
  const degree = useDesk((s) => s.document.study.white?.degree ?? 1);
  const { take, select, setRadius, setWhite, comparePoint, setTool, changeStudy, moveColour, pick } =
    useDeskStore().getState();
  const edits = useEdits();
  const map = useAreaMap();
  const white = useWhite();
  const frame = useFrame();
  const help = useId();
  const { viewport, zoomAt, panBy, showAll } = useViewport(room);
  const { width, height } = viewport.view;
  const lasso = useLassoLine((points) => void edits.enclose(points, true));
  const fingers = useTwoFingers(zoomAt, panBy);

  const measure = useCallback(
    (point: Point, share = radius): Sample | null =>
      pixels && samplePhoto(pixels, point.x * pixels.width, point.y * pixels.height, share * pixels.width, white),
    [pixels, radius, white],
  );
  const measures = tool === "sample" || tool === "white" || tool === "compare";
  const sample = useMemo(() => (cursor && measures ? measure(cursor) : null), [measure, cursor, measures]);
  const selected = areas.find(({ id }) => id === selectedId) ?? null;

  const pointOf = (event: { clientX: number; clientY: number }): Point => {
    const rect = surface.current!.getBoundingClientRect();
    const at = photoOfScreen(viewport, { x: event.clientX - rect.left, y: event.clientY - rect.top });
    return { x: clamp(at.x), y: clamp(at.y) };
  };
  const { press, waiting } = useEarlyPress(pixels !== null, picking ? "pick" : tool, (point) => {
    if (picking) {
      moveColour(picking, point, measure(point)!.lab);
      pick(null);
    } else if (tool === "sample") {
      const { lab, untrusted } = measure(point)!;
      take({ sample: { ...point, radius }, lab, untrusted });
    } else if (tool === "white") {
      const { linear } = measure(point, Math.max(radius, WHITE_RADIUS))!;
      setWhite({ ...point, light: linear, degree: degree === 0 ? 1 : degree });
      setTool("sample");
    } else if (tool === "compare") comparePoint(point);
    else if (tool === "select") {
      const proposed = proposal ? labelAt(proposal.map, point.x, point.y) : 0;
      const found = areas.find(({ region }) => region !== null && region === labelAt(map, point.x, point.y));
      if (proposed > 0) void edits.accept(proposed);
      else select(found && found.id !== selectedId ? found.id : null);
    }
  });

  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.target !== surface.current || event.ctrlKey || event.metaKey) return;
    if (tool === "crop") {
      const moved = nudged(frame, event.key, event.shiftKey, size);
      if (!moved) return;
      changeStudy({ frame: moved });
      event.preventDefault();
      return event.stopPropagation();
    }
    const stride = (event.shiftKey ? FINE_STEP : STEP) / viewport.zoom;
    const from = cursor ?? photoOfScreen(viewport, { x: width / 2, y: height / 2 });
    const moves: Record<string, Point> = {
      ArrowLeft: { x: -stride, y: 0 },
      ArrowRight: { x: stride, y: 0 },
      ArrowUp: { x: 0, y: -stride },
      ArrowDown: { x: 0, y: stride },
    };
    const move = moves[event.key];
    if (move) {
      const next = { x: clamp(from.x + move.x), y: clamp(from.y + move.y) };
      setCursor(next);
      const at = screenOfPhoto(viewport, next);
      panBy(at.x < 0 ? -at.x : at.x > width ? width - at.x : 0, at.y < 0 ? -at.y : at.y > height ? height - at.y : 0);
    } else if (tool === "lasso" && lasso.onKey(event.key, from)) {
      // taken by the line
    } else if (event.key === "Enter" || event.key === " ") press(from);
    else if (measures && (event.key === "[" || event.key === "]")) setRadius(radius * (event.key === "]" ? 1.25 : 0.8));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };

  useEffect(() => {
    const element = surface.current;
    if (!element) return;
    // React's own wheel listener is passive, and this one keeps the page from scrolling.
    const onWheel = (event: WheelEvent): void => {
      event.preventDefault();
      const rect = element.getBoundingClientRect();
      zoomAt(Math.exp(-event.deltaY * (event.deltaMode === 1 ? 0.05 : 0.0016)), {
        x: event.clientX - rect.left,
        y: event.clientY - rect.top,
      });
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [zoomAt]);

  const onPointerDown = (event: PointerEvent): void => {
    surface.current?.focus({ preventScroll: true });
    event.currentTarget.setPointerCapture(event.pointerId);
    if (fingers.down(event)) {
      setPressed(false);
      lasso.cancel();
      return;
    }
    if (event.button === 1) return setHolding(true);
    if (event.button !== 0) return;
    setPressed(true);
    setCursor(pointOf(event));
    if (tool === "lasso") lasso.press(pointOf(event));
  };
  const onPointerMove = (event: PointerEvent): void => {
    if (fingers.move(event)) return;
    if (holding) return panBy(event.movementX, event.movementY);
    const point = pointOf(event);
    if (pressed && tool === "lasso") lasso.drag(point, scaleOf(viewport));
    setCursor((event.target as Element).closest("button") ? null : point);
  };
  const onPointerUp = (event: PointerEvent): void => {
    if (fingers.up(event) || holding) return setHolding(false);
    if (!pressed) return;
    setPressed(false);
    if (tool === "lasso") lasso.release();
    else press(pointOf(event));
  };

  const at = (point: Point): { left: number; top: number } => {
    const { x, y } = screenOfPhoto(viewport, point);
    return { left: x, top: y };
  };
  const circle = (share: number): number => Math.max(12, 2 * share * scaleOf(viewport));
  const cross = cursor && !measures && tool !== "crop" ? at(cursor) : null;

  return (
    <section
      aria-label="Photo"
      className="flex min-w-0 flex-col bg-(--photo-ground) small:h-[23rem] small:overflow-x-clip"
    >
      <ViewBar zoom={viewport.zoom} zoomAt={zoomAt} showAll={showAll} />
      <div className="flex min-h-0 flex-1 items-center justify-center gap-2 py-2.5 pr-1 pl-4">
        <div ref={box} className="relative flex h-full min-w-0 flex-1 items-center justify-center">
          {failed && (
            <p role="alert" className="max-w-sm rounded-box bg-base-100 p-4">
              The photo could not be shown. {failed} Then load the page again.
            </p>
          )}
          {!isSeen && !failed && (
            <p role="status" className="text-(--photo-ink)">
              Developing the photo …
            </p>
          )}
          {isSeen && !failed && room.width > 0 && (
            // The surface is a measuring instrument with its own keys, described to those who can't see it.
            // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
            <div
              ref={surface}
              role="application"
              aria-label={`Photo ${row.fileName}: ${tool === "sample" ? "take a colour" : tool}`}
              aria-describedby={help}
              // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
              tabIndex={0}
              className={`relative shrink-0 touch-none overflow-hidden select-none ${holding ? "cursor-grabbing" : "cursor-crosshair"}`}
              style={{ width, height }}
              onPointerDown={onPointerDown}
              onPointerMove={onPointerMove}
              onPointerUp={onPointerUp}
              onPointerCancel={(event) => {
                fingers.up(event);
                setPressed(false);
                setHolding(false);
                lasso.cancel();
              }}
              onPointerLeave={() => !pressed && setCursor(null)}
              onBlur={() => setCursor(null)}
              onKeyDown={onKeyDown}
            >
              <PhotoCanvas viewport={viewport} map={map} white={white} />
              {outlines && tool !== "crop" && seeing !== "planned" && (
                <Outlines map={map} viewport={viewport} strong={selected?.region ?? null} />
              )}
              {proposal && (
                <Outlines
                  map={proposal.map}
                  viewport={viewport}
                  strong={cursor ? labelAt(proposal.map, cursor.x, cursor.y) || null : null}
                  dashed
                />
              )}
              {tool !== "crop" &&
                tool !== "lasso" &&
                (outlines || step !== "photo") &&
                areas.map((area, i) => (
                  <AreaMarker
                    key={area.id}
                    area={area}
                    number={i + 1}
                    selected={area.id === selectedId}
                    place={at(area.sample)}
                    radius={area.sample.radius * scaleOf(viewport)}
                    roomWidth={width}
                    bare={step === "areas" && area.region !== null}
                    idle={tool === "white" || tool === "compare"}
                    onSelect={() => select(area.id)}
                    onMove={(left, top) => {
                      const to = photoOfScreen(viewport, { x: left, y: top });
                      const point = { x: clamp(to.x), y: clamp(to.y) };
                      const found = measure(point, area.sample.radius);
                      if (found) moveColour(area.id, point, found.lab);
                    }}
                  />
                ))}
              {pixels && selected && (step === "areas" || step === "mixes") && (
                <WashMarks
                  area={selected}
                  viewport={viewport}
                  colourAt={(point) => measure(point, selected.sample.radius)!.lab}
                />
              )}
              <PairMarks viewport={viewport} />
              <LassoLine points={lasso.points} cursor={cursor} viewport={viewport} />
              {tool === "crop" && <CropFrame viewport={viewport} />}
              {[taken?.sample, waiting && { ...waiting, radius }].map(
                (circled, i) =>
                  circled && (
                    <span
                      key={i}
                      aria-hidden
                      className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-dashed border-white outline outline-1 outline-black/70"
                      style={{ ...at(circled), width: circle(circled.radius), height: circle(circled.radius) }}
                    />
                  ),
              )}
              {cross && (
                <span
                  aria-hidden
                  className="pointer-events-none absolute size-4 -translate-x-1/2 -translate-y-1/2"
                  style={cross}
                >
                  <span className="absolute inset-x-0 top-1/2 h-px bg-white outline outline-1 outline-black/50" />
                  <span className="absolute inset-y-0 left-1/2 w-px bg-white outline outline-1 outline-black/50" />
                </span>
              )}
            </div>
          )}
          {pixels && (seeing === "palette" || seeing === "planned") && (
            <div className="pointer-events-none absolute" style={{ width, height }}>
              <SplitLine />
            </div>
          )}
          {pixels && cursor && sample && (
            <div className="pointer-events-none absolute" style={{ width, height }}>
              <Loupe
                pixels={pixels}
                white={white}
                x={cursor.x * pixels.width}
                y={cursor.y * pixels.height}
                radiusPx={radius * pixels.width}
                lab={sample.lab}
                left={at(cursor).left}
                top={at(cursor).top}
                roomWidth={width}
                roomHeight={height}
              />
            </div>
          )}
        </div>
        {isSeen && height > 1 && <Rail height={Math.min(height, room.height)} />}
      </div>
      <div className="flex h-9 items-center gap-6 px-4 pb-2 text-[0.87rem] text-(--photo-ink)">
        <p id={help} role="status" className="min-w-0 flex-1 truncate">
          {waiting ? "Taken as soon as the photo can be measured …" : HELP[tool]}
        </p>
        {seeing === "planned" && <SheetSlider />}
        {measures && seeing !== "planned" && <CircleSize />}
      </div>
    </section>
  );
}
