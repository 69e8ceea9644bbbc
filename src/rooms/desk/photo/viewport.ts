import { photoOfSheet, sheetOfPhoto, type Frame, type Point, type Size } from "@/core/image";

/** How a part of the photo lies on screen. */
export interface Viewport {
  /** What the surface shows when it is not zoomed. */
  readonly frame: Frame;
  /** The photo's working copy, px. */
  readonly photo: Size;
  /** The surface, CSS px. */
  readonly view: Size;
  /** 1 shows the whole frame. */
  readonly zoom: number;
  /** The frame's point (0 to 1 across and down) that stands in the middle of the surface. */
  readonly centre: Point;
}

export const MAX_ZOOM = 40;
const MIDDLE: Point = { x: 0.5, y: 0.5 };

/** A viewport that shows the whole frame. */
export const wholeView = (frame: Frame, photo: Size, view: Size): Viewport => ({
  frame,
  photo,
  view,
  zoom: 1,
  centre: MIDDLE,
});

const clamp = (x: number, low: number, high: number): number => Math.min(high, Math.max(low, x));

/** The nearest viewport that shows nothing beyond the frame. */
function settled(viewport: Viewport): Viewport {
  const zoom = clamp(viewport.zoom, 1, MAX_ZOOM);
  const half = 0.5 / zoom;
  return {
    ...viewport,
    zoom,
    centre: { x: clamp(viewport.centre.x, half, 1 - half), y: clamp(viewport.centre.y, half, 1 - half) },
  };
}

const frameOfScreen = ({ view, zoom, centre }: Viewport, at: Point): Point => ({
  x: centre.x + (at.x / view.width - 0.5) / zoom,
  y: centre.y + (at.y / view.height - 0.5) / zoom,
});

/** The photo's point (shares of its width and height) under a point of the surface (CSS px). */
export const photoOfScreen = (viewport: Viewport, at: Point): Point =>
  photoOfSheet(frameOfScreen(viewport, at), viewport.frame, viewport.photo);

/** Where a point of the photo stands on the surface, CSS px. */
export function screenOfPhoto(viewport: Viewport, at: Point): Point {
  const sheet = sheetOfPhoto(at, viewport.frame, viewport.photo);
  const { view, zoom, centre } = viewport;
  return { x: ((sheet.x - centre.x) * zoom + 0.5) * view.width, y: ((sheet.y - centre.y) * zoom + 0.5) * view.height };
}

/** Zooms by a factor about a point of the surface, which keeps its place. */
export function zoomedAt(viewport: Viewport, factor: number, at: Point): Viewport {
  const fixed = frameOfScreen(viewport, at);
  const zoom = clamp(viewport.zoom * factor, 1, MAX_ZOOM);
  const { view } = viewport;
  return settled({
    ...viewport,
    zoom,
    centre: { x: fixed.x - (at.x / view.width - 0.5) / zoom, y: fixed.y - (at.y / view.height - 0.5) / zoom },
  });
}

/** Moves what is seen by so many CSS px. */
export function panned(viewport: Viewport, dx: number, dy: number): Viewport {
  const { view, zoom, centre } = viewport;
  return settled({
    ...viewport,
    centre: { x: centre.x - dx / view.width / zoom, y: centre.y - dy / view.height / zoom },
  });
}

/** CSS px on screen of one unit of the photo's width. */
export const scaleOf = ({ frame, view, zoom }: Viewport): number => (view.width * zoom) / frame.width;

/**
 * The affine map from points counted in `unit` (photo's width and height = unit.width and unit.height) to the surface:
 * a b c d e f as in CSS.
 */
export function matrixTo(viewport: Viewport, unit: Size): readonly [number, number, number, number, number, number] {
  const o = screenOfPhoto(viewport, { x: 0, y: 0 });
  const x = screenOfPhoto(viewport, { x: 1, y: 0 });
  const y = screenOfPhoto(viewport, { x: 0, y: 1 });
  return [
    (x.x - o.x) / unit.width,
    (x.y - o.y) / unit.width,
    (y.x - o.x) / unit.height,
    (y.y - o.y) / unit.height,
    o.x,
    o.y,
  ];
}
