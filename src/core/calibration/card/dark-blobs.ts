/** A grey picture: lightness 0 to 1 row by row. */
export interface GreyPicture {
  readonly data: Float32Array;
  readonly width: number;
  readonly height: number;
}

/** A connected dark patch of a picture with a hole in it. Lengths in pixels of the picture. */
export interface Ring {
  readonly x: number;
  readonly y: number;
  /** Area with its hole. */
  readonly area: number;
  /** Hole's share of that. */
  readonly hole: number;
}

/** Darker than this share of the picture around it counts as dark. */
const DARK = 0.7;
const SMALLEST_PX = 30;
const LARGEST_SHARE = 0.02;

/**
 * Pixels darker than their surroundings (mean over a window an eighth of the picture wide, by sums over rectangles).
 */
function darkerThanAround({ data, width, height }: GreyPicture): Uint8Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += data[y * width + x]!;
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row;
    }
  }
  const half = Math.max(6, Math.round(Math.max(width, height) / 16));
  const dark = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - half), Math.min(height, y + half + 1)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - half), Math.min(width, x + half + 1)];
      const sum =
        sums[bottom * (width + 1) + right]! -
        sums[top * (width + 1) + right]! -
        sums[bottom * (width + 1) + left]! +
        sums[top * (width + 1) + left]!;
      if (data[y * width + x]! * (bottom - top) * (right - left) < DARK * sum) dark[y * width + x] = 1;
    }
  }
  return dark;
}

interface Patch {
  readonly pixels: readonly number[];
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/**
 * The connected patch that a pixel lies in, over pixels for which `belongs` holds; marks them in `seen`. Null when it
 * touches the limits given.
 */
function patchFrom(
  start: number,
  width: number,
  limits: { left: number; right: number; top: number; bottom: number },
  belongs: (at: number) => boolean,
  seen: Uint8Array,
  diagonal: boolean,
): Patch {
  const pixels = [start];
  seen[start] = 1;
  let [left, right, top, bottom] = [start % width, start % width, Math.floor(start / width), Math.floor(start / width)];
  for (let i = 0; i < pixels.length; i++) {
    const [x, y] = [pixels[i]! % width, Math.floor(pixels[i]! / width)];
    [left, right, top, bottom] = [Math.min(left, x), Math.max(right, x), Math.min(top, y), Math.max(bottom, y)];
    for (let dy = -1; dy <= 1; dy++) {
      for (let dx = -1; dx <= 1; dx++) {
        if ((dx === 0 && dy === 0) || (!diagonal && dx !== 0 && dy !== 0)) continue;
        const [u, v] = [x + dx, y + dy];
        if (u < limits.left || u > limits.right || v < limits.top || v > limits.bottom) continue;
        const at = v * width + u;
        if (seen[at] || !belongs(at)) continue;
        seen[at] = 1;
        pixels.push(at);
      }
    }
  }
  return { pixels, left, right, top, bottom };
}

/** A patch with one round hole in its middle, filled up an ellipse; null for any other shape. */
function ringOf(patch: Patch, dark: Uint8Array, width: number): Ring | null {
  const { left, right, top, bottom, pixels } = patch;
  const box = { left: left - 1, right: right + 1, top: top - 1, bottom: bottom + 1 };
  if (box.left < 0 || box.top < 0 || (box.bottom + 1) * width > dark.length || box.right >= width) return null;
  const aspect = (right - left + 1) / (bottom - top + 1);
  if (aspect < 0.4 || aspect > 2.5) return null;
  const own = new Set(pixels);
  const light = (at: number): boolean => !own.has(at);
  const seen = new Uint8Array(dark.length);
  patchFrom(box.top * width + box.left, width, box, light, seen, false);
  let hole: Patch | null = null;
  for (let y = top; y <= bottom; y++) {
    for (let x = left; x <= right; x++) {
      const at = y * width + x;
      if (seen[at] || own.has(at)) continue;
      const found = patchFrom(at, width, box, light, seen, false);
      if (!hole || found.pixels.length > hole.pixels.length) hole = found;
    }
  }
  if (!hole) return null;
  const all = [...pixels, ...hole.pixels];
  const centre = (list: readonly number[]) => ({
    x: list.reduce((s, at) => s + (at % width), 0) / list.length,
    y: list.reduce((s, at) => s + Math.floor(at / width), 0) / list.length,
  });
  const [middle, inner] = [centre(all), centre(hole.pixels)];
  if (Math.hypot(inner.x - middle.x, inner.y - middle.y) > 0.12 * Math.sqrt(all.length)) return null;
  let [xx, xy, yy] = [1 / 12, 0, 1 / 12];
  for (const at of all) {
    const [dx, dy] = [(at % width) - middle.x, Math.floor(at / width) - middle.y];
    xx += (dx * dx) / all.length;
    xy += (dx * dy) / all.length;
    yy += (dy * dy) / all.length;
  }
  // An even ellipse has the area 4 pi times the root of its second moments' determinant.
  const roundness = all.length / (4 * Math.PI * Math.sqrt(Math.max(1e-9, xx * yy - xy * xy)));
  if (roundness < 0.93 || roundness > 1.07) return null;
  return { ...middle, area: all.length, hole: hole.pixels.length / all.length };
}

/** All dark round patches with a round hole in their middle. */
export function findRings(picture: GreyPicture): readonly Ring[] {
  const { width, height } = picture;
  const dark = darkerThanAround(picture);
  const seen = new Uint8Array(dark.length);
  const limits = { left: 0, right: width - 1, top: 0, bottom: height - 1 };
  const rings: Ring[] = [];
  for (let at = 0; at < dark.length; at++) {
    if (!dark[at] || seen[at]) continue;
    const patch = patchFrom(at, width, limits, (i) => dark[i] === 1, seen, true);
    if (patch.pixels.length < SMALLEST_PX || patch.pixels.length > LARGEST_SHARE * dark.length) continue;
    const ring = ringOf(patch, dark, width);
    if (ring) rings.push(ring);
  }
  return rings;
}
