import { LINEAR, type PixelArray } from "../../image/pixels";
import type { Point } from "../../image/frame";
import { findRings, type GreyPicture, type Ring } from "./dark-blobs";
import { homographyOf, mapPoint, type Homography } from "./homography";
import { CARD, FIDUCIAL, FIDUCIAL_CENTRES } from "./layout";

/** Longer side of the picture in which marks are looked for, px. */
const SEARCH_SIDE_PX = 1000;

/** Lightness (cube root of luminance) of a photo, shrunk by whole steps. */
export function greyOf(photo: PixelArray, side = SEARCH_SIDE_PX): GreyPicture & { readonly step: number } {
  const step = Math.max(1, Math.ceil(Math.max(photo.width, photo.height) / side));
  const [width, height] = [Math.floor(photo.width / step), Math.floor(photo.height / step)];
  const data = new Float32Array(width * height);
  const [pixels, linear] = [photo.data, LINEAR];
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let j = 0; j < step; j++) {
        for (let i = 0; i < step; i++) {
          const at = 4 * ((y * step + j) * photo.width + x * step + i);
          sum += 0.23 * linear[pixels[at]!]! + 0.69 * linear[pixels[at + 1]!]! + 0.08 * linear[pixels[at + 2]!]!;
        }
      }
      data[y * width + x] = Math.cbrt(sum / (step * step));
    }
  }
  return { data, width, height, step };
}

const WIDE = (FIDUCIAL.wideHole / FIDUCIAL.radius) ** 2;
const NARROW = (FIDUCIAL.hole / FIDUCIAL.radius) ** 2;
const isWide = ({ hole }: Ring): boolean => hole > (WIDE + NARROW) / 2 && hole < 1.5 * WIDE;
const isNarrow = ({ hole }: Ring): boolean => hole <= (WIDE + NARROW) / 2 && hole > 0.25 * NARROW;

function triples<T>(list: readonly T[]): [T, T, T][] {
  const all: [T, T, T][] = [];
  for (let i = 0; i < list.length; i++)
    for (let j = i + 1; j < list.length; j++)
      for (let k = j + 1; k < list.length; k++) all.push([list[i]!, list[j]!, list[k]!]);
  return all;
}

const cross = (o: Point, a: Point, b: Point): number => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x);

/**
 * A wide ring and three narrow ones in the card's order, clockwise from the upper left; null when they make no card.
 */
function inOrder(wide: Ring, others: readonly [Ring, Ring, Ring]): readonly Ring[] | null {
  const all = [wide, ...others];
  const middle = { x: all.reduce((s, r) => s + r.x, 0) / 4, y: all.reduce((s, r) => s + r.y, 0) / 4 };
  const angle = (r: Ring): number => Math.atan2(r.y - middle.y, r.x - middle.x);
  const start = angle(wide);
  const turn = (r: Ring): number => (angle(r) - start + 4 * Math.PI) % (2 * Math.PI);
  const ordered = [wide, ...[...others].sort((a, b) => turn(a) - turn(b))];
  if (!ordered.every((r, i) => cross(r, ordered[(i + 1) % 4]!, ordered[(i + 2) % 4]!) > 0)) return null;
  const onPhoto = homographyOf(FIDUCIAL_CENTRES, ordered);
  if (!onPhoto) return null;
  // The marks must be as large as the card that they span says, and the card no wilder seen than a phone would see it.
  const sized = ordered.every((r, i) => {
    const { x, y } = FIDUCIAL_CENTRES[i]!;
    const [right, below] = [mapPoint(onPhoto, { x: x + 1, y }), mapPoint(onPhoto, { x, y: y + 1 })];
    const expected = Math.PI * FIDUCIAL.radius ** 2 * Math.abs(cross(r, right, below));
    return r.area > 0.6 * expected && r.area < 1.6 * expected;
  });
  return sized ? ordered : null;
}

/** Centre of a mark to a fraction of a pixel: the middle of the darkness in and around it. */
function sharpen(photo: PixelArray, ring: Ring, step: number): Point {
  const radius = 1.35 * step * Math.sqrt(ring.area / Math.PI);
  const [cx, cy] = [(ring.x + 0.5) * step, (ring.y + 0.5) * step];
  const light: number[] = [];
  const places: Point[] = [];
  for (let y = Math.max(0, Math.floor(cy - radius)); y <= Math.min(photo.height - 1, cy + radius); y++) {
    for (let x = Math.max(0, Math.floor(cx - radius)); x <= Math.min(photo.width - 1, cx + radius); x++) {
      if (Math.hypot(x + 0.5 - cx, y + 0.5 - cy) > radius) continue;
      light.push(LINEAR[photo.data[4 * (y * photo.width + x) + 1]!]!);
      places.push({ x: x + 0.5, y: y + 0.5 });
    }
  }
  const sorted = [...light].sort((a, b) => a - b);
  const paper = sorted[Math.floor(0.85 * sorted.length)]!;
  let [sum, sx, sy] = [1e-9, 0, 0];
  light.forEach((value, i) => {
    const weight = Math.max(0, 0.7 * paper - value);
    sum += weight;
    sx += weight * (places[i]!.x - cx);
    sy += weight * (places[i]!.y - cy);
  });
  return { x: cx + sx / sum, y: cy + sy / sum };
}

/** The card found on a photo. */
export interface FoundCard {
  /** From the card's mm to the photo's pixels. */
  readonly onPhoto: Homography;
  readonly marks: readonly Point[];
  readonly pxPerMm: number;
}

/** Finds the four corner marks, whichever way the photo is turned; otherwise tells how many were seen. */
export function findCard(photo: PixelArray): FoundCard | { readonly seen: number } {
  const grey = greyOf(photo);
  const rings = findRings(grey);
  const [wide, narrow] = [
    rings.filter(isWide),
    rings
      .filter(isNarrow)
      .sort((a, b) => b.area - a.area)
      .slice(0, 14),
  ];
  let best: readonly Ring[] | null = null;
  let largest = 0;
  for (const one of wide) {
    for (const others of triples(narrow)) {
      const ordered = inOrder(one, others);
      const area = ordered
        ? Math.abs(cross(ordered[0]!, ordered[1]!, ordered[2]!)) +
          Math.abs(cross(ordered[0]!, ordered[2]!, ordered[3]!))
        : 0;
      if (area > largest) [best, largest] = [ordered, area];
    }
  }
  if (!best) return { seen: Math.min(4, Math.min(1, wide.length) + Math.min(3, narrow.length)) };
  const marks = best.map((ring) => sharpen(photo, ring, grey.step));
  const onPhoto = homographyOf(FIDUCIAL_CENTRES, marks);
  if (!onPhoto) return { seen: 4 };
  const areaPx =
    Math.abs(cross(marks[0]!, marks[1]!, marks[2]!)) / 2 + Math.abs(cross(marks[0]!, marks[2]!, marks[3]!)) / 2;
  return { onPhoto, marks, pxPerMm: Math.sqrt(areaPx / (CARD.width * CARD.height)) };
}
