import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { fillPolygon } from "./edit";
import { knownPieces, snapToEdges, type KnownPieces } from "./snap";
import { featuresOf, superpixels } from "./superpixels";

// A drawn line found as it is written down: every pixel of the photo looked at, every walk from piece to piece walked.

const SURE = 0.12;
const NO_EDGE = 0.02;
const HAND_SHARE = 0.011;

/** Pieces most of whose pixels see both the inside and the outside of a mask within a hand's reach. */
function nearPlainly(mask: Uint8Array, { width, height, labels, count, sizes }: KnownPieces): boolean[] {
  const reach = Math.round(HAND_SHARE * Math.max(width, height));
  const close = new Array<number>(count).fill(0);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const seen = new Set<number>();
      for (let v = Math.max(0, y - reach); v <= Math.min(height - 1, y + reach); v++)
        for (let u = Math.max(0, x - reach); u <= Math.min(width - 1, x + reach); u++) seen.add(mask[v * width + u]!);
      const piece = labels[y * width + x]!;
      if (piece >= 0 && seen.size === 2) close[piece]!++;
    }
  return close.map((pixels, piece) => 2 * pixels > sizes[piece]!);
}

/** All pieces up to three steps away from one. */
function withinThreeSteps(piece: number, { neighbours }: KnownPieces): number[] {
  let reached = new Set([piece]);
  for (let step = 0; step < 3; step++) reached = new Set([...reached].flatMap((one) => [one, ...neighbours[one]!]));
  reached.delete(piece);
  return [...reached];
}

function snapPlainly(mask: Uint8Array, pieces: KnownPieces): Uint8Array {
  const { labels, count, sizes, colours } = pieces;
  const inside = Array.from({ length: count }, () => 0);
  labels.forEach((piece, i) => {
    if (piece >= 0) inside[piece]! += mask[i]!;
  });
  const share = inside.map((pixels, piece) => pixels / sizes[piece]!);
  const isIn = (piece: number): boolean => share[piece]! >= 1 - SURE;
  const isOut = (piece: number): boolean => share[piece]! <= SURE;
  if (!share.some((part) => part > 1 - SURE)) return mask;
  const near = nearPlainly(mask, pieces);
  const apart = (a: number, b: number): number =>
    Math.hypot(...[0, 1, 2].map((c) => colours[3 * a + c]! - colours[3 * b + c]!));
  const least = (piece: number, among: readonly number[]): number =>
    Math.min(Infinity, ...among.filter((other) => !near[other]).map((other) => apart(piece, other)));
  const taken = share.map((part, piece) => {
    const larger = part > 0.5;
    if (!near[piece] && (isIn(piece) || isOut(piece))) return larger;
    const around = withinThreeSteps(piece, pieces);
    const [within, without] = [least(piece, around.filter(isIn)), least(piece, around.filter(isOut))];
    if (without === Infinity && within < NO_EDGE) return true;
    if (within === Infinity && without < NO_EDGE) return false;
    if (within === Infinity || without === Infinity || Math.abs(within - without) < NO_EDGE) return larger;
    return within < without;
  });
  return Uint8Array.from(labels, (piece) => (piece >= 0 && taken[piece] ? 1 : 0));
}

/** A made-up photo of tilted bands and a disc, with a little grain; the sheet may leave its left side out. */
function scene(width: number, height: number, seed: number, sheetFrom = 0): KnownPieces {
  const random = seededRandom(seed);
  const oklab = new Float32Array(3 * width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const band = Math.floor((x + 0.4 * y) / (0.22 * width)) % 3;
      const disc = Math.hypot(x - 0.6 * width, y - 0.45 * height) < 0.2 * height;
      const L = disc ? 0.85 : 0.3 + 0.15 * band;
      oklab.set([L + 0.02 * random(), disc ? 0.06 : -0.02, 0.03 * band], 3 * (y * width + x));
    }
  const features = featuresOf({ width, height, oklab, linear: oklab });
  const mask = Uint8Array.from({ length: width * height }, (_, i) => (i % width >= sheetFrom ? 1 : 0));
  return knownPieces(superpixels(features, width, height, mask), features);
}

/** Shapes as a hand draws them: anywhere, of any size, some over the border. */
function shapes(width: number, height: number, seed: number, count: number): Uint8Array[] {
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => {
    const [cx, cy, size] = [random(), random(), 0.05 + 0.45 * random()];
    const corners = 3 + Math.floor(7 * random());
    const points = Array.from({ length: corners }, (_, i) => {
      const far = size * (0.5 + random());
      const turn = (2 * Math.PI * i) / corners;
      return { x: cx + far * Math.cos(turn), y: cy + far * Math.sin(turn) };
    });
    return fillPolygon(points, width, height);
  });
}

describe("a drawn line is found as it is written down, to the pixel", () => {
  test.each([
    [160, 110, 0],
    [110, 160, 0],
    [160, 110, 40],
  ])("on %i by %i pixels, the sheet from %i on", (width, height, sheetFrom) => {
    const pieces = scene(width, height, 7, sheetFrom);
    let changed = 0;
    for (const drawn of shapes(width, height, width + sheetFrom, 12)) {
      const snapped = snapToEdges(drawn, pieces);
      expect(Buffer.compare(snapped, snapPlainly(drawn, pieces))).toBe(0);
      changed += snapped.some((inside, i) => inside !== drawn[i]) ? 1 : 0;
    }
    expect(changed).toBeGreaterThan(6);
  });

  test("the whole photo stays the whole photo, and nothing stays nothing", () => {
    const pieces = scene(120, 90, 3);
    const whole = new Uint8Array(120 * 90).fill(1);
    expect(Buffer.compare(snapToEdges(whole, pieces), whole)).toBe(0);
    const nothing = new Uint8Array(120 * 90);
    expect(snapToEdges(nothing, pieces)).toBe(nothing);
  });
});
