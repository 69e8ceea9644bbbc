import { tripleOf } from "../../numeric/tuples";
import { labOfLinear, type AreaImage } from "../../image/pixels";
import type { LabelMap } from "../label-map";

/** An area's pixels as they are looked at for its washes: calm colours, and where they lie. */
export interface AreaColours {
  /** The part of the map that holds the area, px. */
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** All its pixels, and those that are looked at, as places within that part. */
  readonly all: Int32Array;
  readonly places: Int32Array;
  /** CIELAB of each, 3 a pixel, averaged close by so that grain and noise are no colours of their own. */
  readonly lab: Float32Array;
  /** The same as linear light (Display P3), 3 a pixel. */
  readonly light: Float32Array;
}

/** Colours are averaged over this share of the longer side to each side of a pixel. */
const CALM_SHARE = 1 / 330;
/** Pixels this near to another area are left out, px: cameras blur colours across a border. */
const BORDER_PX = 2;
/** About so many pixels of an area are looked at. */
const LOOKED_AT = 2500;

/** Where a label lies on a map; null when it has no pixel. */
function boundsOf({ width, labels }: LabelMap, label: number) {
  let [left, top, right, bottom] = [Infinity, Infinity, -1, -1];
  for (let i = 0; i < labels.length; i++) {
    if (labels[i] !== label) continue;
    const x = i % width;
    const y = (i - x) / width;
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  return right < 0 ? null : { left, top, width: right - left + 1, height: bottom - top + 1 };
}

/** Sums over a square of `2 reach + 1` pixels by a table of running sums (Crow 1984). */
function boxSums(values: Float64Array, width: number, height: number, reach: number): Float64Array {
  const table = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += values[y * width + x]!;
      table[(y + 1) * (width + 1) + x + 1] = table[y * (width + 1) + x + 1]! + row;
    }
  }
  const out = new Float64Array(values.length);
  for (let y = 0; y < height; y++) {
    const [above, below] = [Math.max(0, y - reach), Math.min(height, y + reach + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)];
      out[y * width + x] =
        table[below * (width + 1) + right]! -
        table[above * (width + 1) + right]! -
        table[below * (width + 1) + left]! +
        table[above * (width + 1) + left]!;
    }
  }
  return out;
}

/** An area's colours on the photo; null when the label has no pixel. Light is averaged within the area alone. */
export function areaColours(map: LabelMap, label: number, image: AreaImage): AreaColours | null {
  const bounds = boundsOf(map, label);
  if (!bounds) return null;
  const { left, top, width, height } = bounds;
  const n = width * height;
  const inside = new Float64Array(n);
  const planes = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const from = (top + y) * map.width + left + x;
      if (map.labels[from] !== label) continue;
      const i = y * width + x;
      inside[i] = 1;
      for (let c = 0; c < 3; c++) planes[c]![i] = image.linear[3 * from + c]!;
    }
  }
  const reach = Math.max(1, Math.round(CALM_SHARE * Math.max(map.width, map.height)));
  const counts = boxSums(inside, width, height, reach);
  const sums = planes.map((plane) => boxSums(plane, width, height, reach));
  const wide = 2 * BORDER_PX + 1;
  const whole = boxSums(inside, width, height, BORDER_PX);
  let within: number[] = [];
  const all: number[] = [];
  for (let i = 0; i < n; i++) {
    if (inside[i] === 0) continue;
    all.push(i);
    if (whole[i] === wide * wide) within.push(i);
  }
  // A narrow area has little but border: then its border counts too.
  if (within.length < 0.3 * all.length) within = all;
  const stride = Math.max(1, Math.floor(within.length / LOOKED_AT));
  const places = Int32Array.from({ length: Math.ceil(within.length / stride) }, (_, k) => within[k * stride]!);
  const lab = new Float32Array(3 * places.length);
  const light = new Float32Array(3 * places.length);
  places.forEach((i, k) => {
    const [r, g, b] = tripleOf(sums.map((sum) => sum[i]! / counts[i]!));
    const { L, a, b: yellow } = labOfLinear({ r, g, b });
    lab.set([L, a, yellow], 3 * k);
    light.set([r, g, b], 3 * k);
  });
  return { left, top, width, height, all: Int32Array.from(all), places, lab, light };
}
