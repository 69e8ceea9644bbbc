import {
  labelAt,
  measureAreas,
  packMap,
  pointWithin,
  unpackMap,
  washPlan,
  type AreaMeasure,
  type LabelMap,
} from "@/core/areas";
import {
  againstAlignment,
  alongAlignment,
  frameMask,
  keepInside,
  labOfLinear,
  MIDDLE_ON_MIDDLE,
  resized,
  SAME_MOTIF,
  shapeImageOf,
  wholePhoto,
  type Alignment,
  type AreaImage,
  type Point,
  type Size,
} from "@/core/image";
import type { PaintingArea, PaintingDocument } from "./painting";
import { withPlan } from "./washes";

const between = (v: number): number => Math.min(1, Math.max(0, v));

/** Nearer to the photo's edge than this an area's number can hardly be seen, share of its width or height. */
const EDGE = 0.03;
const isClear = ({ x, y }: Point): boolean => Math.min(x, y, 1 - x, 1 - y) >= EDGE;

/** How areas come to another photo: by what is seen in both, or by their places when the two are little alike. */
export function wayOver(found: Alignment): { readonly alike: boolean; readonly way: Alignment } {
  const alike = found.likeness >= SAME_MOTIF;
  return { alike, way: alike ? found : MIDDLE_ON_MIDDLE };
}

/** The areas' map as it lies on another photo; what that does not show is lost. */
function mapOver(map: LabelMap, way: Alignment, from: Size, to: Size): LabelMap {
  const labels = new Uint8Array(to.width * to.height);
  for (let y = 0; y < to.height; y++)
    for (let x = 0; x < to.width; x++) {
      const at = againstAlignment(way, from, to, { x: (x + 0.5) / to.width, y: (y + 0.5) / to.height });
      labels[y * to.width + x] = labelAt(map, at.x, at.y);
    }
  return { width: to.width, height: to.height, labels };
}

function colourAt({ width, height, linear }: AreaImage, { x, y }: Point) {
  const i = 3 * (Math.min(height - 1, Math.floor(y * height)) * width + Math.min(width - 1, Math.floor(x * width)));
  return labOfLinear({ r: linear[i]!, g: linear[i + 1]!, b: linear[i + 2]! });
}

/**
 * A painting whose photo is exchanged for another one of its motif: its areas lie on what they lay on before, with the
 * new photo's colours. Names, wishes, recipes and the palette stay; the white that was picked in the old photo goes.
 * @param from size of the old photo, any unit
 * @param to the new photo, as areas see it
 */
export function withPhoto(document: PaintingDocument, from: Size, to: AreaImage, way: Alignment): PaintingDocument {
  const { study } = document;
  const move = (at: Point): Point => {
    const { x, y } = alongAlignment(way, from, to, at);
    return { x: between(x), y: between(y) };
  };
  const map = study.map && mapOver(unpackMap(study.map.packed, study.map.width, study.map.height), way, from, to);
  const frame = study.frame && {
    ...study.frame,
    ...move(study.frame),
    width: Math.min(1, (study.frame.width * way.scale * from.width * to.height) / (from.height * to.width)),
  };
  const kept = frame && keepInside(frame, to);
  const measured = map
    ? measureAreas(map, to, frameMask(kept ?? wholePhoto(to), to), (kept?.width ?? 1) * to.width).areas
    : [];
  const small = shapeImageOf(to);
  const smallMap = map && { width: small.width, height: small.height, labels: resized(map.labels, to, small) };
  const areas = document.areas.map((area) =>
    onPhoto(area, { to, move, map, small, smallMap, measured, bother: study.bother }),
  );
  return {
    ...document,
    areas,
    study: {
      ...study,
      white: null,
      frame: kept,
      map: map && { width: map.width, height: map.height, packed: packMap(map) },
      pairs: study.pairs.map((pair) => ({ ...pair, a: move(pair.a), b: move(pair.b) })),
    },
  };
}

interface Seen {
  readonly to: AreaImage;
  readonly move: (at: Point) => Point;
  readonly map: LabelMap | null;
  readonly small: AreaImage;
  readonly smallMap: LabelMap | null;
  readonly measured: readonly AreaMeasure[];
  readonly bother: number;
}

function onPhoto(area: PaintingArea, { to, move, map, small, smallMap, measured, bother }: Seen): PaintingArea {
  const at = move(area.sample);
  const within = map && area.region !== null ? pointWithin(map, area.region) : null;
  if (!map || !smallMap || area.region === null || !within) {
    // Known by its places alone, or no longer in the photo: each colour is read where it lies now.
    const more = area.wash.more.map((colour) => ({
      ...colour,
      at: move(colour.at),
      lab: colourAt(to, move(colour.at)),
    }));
    const run = area.wash.run && { from: move(area.wash.run.from), to: move(area.wash.run.to) };
    return {
      ...area,
      region: null,
      lab: colourAt(to, at),
      sample: { ...area.sample, ...at },
      wash: { ...area.wash, more, run },
    };
  }
  const inside = isClear(at) && labelAt(map, at.x, at.y) === area.region ? at : within;
  // An area that the sheet cuts off is not measured, but is there.
  const lab = measured.find(({ label }) => label === area.region)?.mean ?? colourAt(to, inside);
  const moved = { ...area, lab, sample: { ...area.sample, ...inside } };
  const { kind, more } = area.wash;
  if (kind === "flat" && more.length === 0) return moved;
  const plan = washPlan(smallMap, area.region, small, bother, kind);
  return plan ? withPlan(moved, plan) : moved;
}
