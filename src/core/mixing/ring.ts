import { screenColourOfLab } from "../colour/gamut";
import { filmLab } from "../optics/film-colour";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import { valueNoise } from "../optics/wash-pixels";
import type { PaintModel } from "./paint";
import { opticsAt, settle } from "./settling";

/**
 * Angles, heights in the paper's tooth (hollows first) and loads at which the ring's colours are computed; pixels lie
 * between them.
 */
const ANGLES = 240;
const HEIGHTS = ["hollows", "level", "hills"] as const;
const RING_LOADS = 14;
const [THINNEST, STRONGEST] = [0.01, 1.2];
/**
 * How far a paint of no particular weight runs, as a share of the way to its neighbour; a light one runs farther. From
 * memory.
 */
const RUNS = 0.44;
const LIGHT_RUNS_FARTHER = 0.35;
/** Load where a brushful was put down. From memory. */
const PUT_DOWN = 0.55;
/** Inner and outer edge of the wet ring, as shares of half the picture. */
const [INNER, OUTER] = [0.5, 0.9];

/** Share of each paint around the ring, row by row of ANGLES, and the load there. */
export function ringFlow(paints: readonly PaintModel[]): {
  readonly shares: Float64Array;
  readonly load: Float64Array;
} {
  const n = paints.length;
  const shares = new Float64Array(ANGLES * n);
  const load = new Float64Array(ANGLES);
  for (let i = 0; i < ANGLES; i++) {
    const angle = (2 * Math.PI * i) / ANGLES;
    let sum = 0;
    paints.forEach(({ weight }, p) => {
      const reach = ((2 * Math.PI) / Math.max(2, n)) * RUNS * (1 - LIGHT_RUNS_FARTHER * weight);
      let amount = 0;
      for (const turn of [-1, 0, 1])
        amount += Math.exp(-(((angle - (2 * Math.PI * p) / n + 2 * Math.PI * turn) / reach) ** 2));
      shares[i * n + p] = amount;
      sum += amount;
    });
    for (let p = 0; p < n; p++) shares[i * n + p]! /= sum;
    load[i] = PUT_DOWN * Math.min(1, sum);
  }
  return { shares, load };
}

/** Encoded sRGB bytes of the ring by angle, height and load. */
function ringColours(paints: readonly PaintModel[], shares: Float64Array, paper: Paper): Uint8Array {
  const n = paints.length;
  const lab = new Float64Array(3);
  const rgb = new Uint8Array(3 * ANGLES * HEIGHTS.length * RING_LOADS);
  let at = 0;
  for (let i = 0; i < ANGLES; i++) {
    const mix = paints.map((paint, p) => ({ paint, parts: shares[i * n + p]! }));
    const settled = settle(mix, paper);
    for (const place of HEIGHTS) {
      const { K, S } = opticsAt(mix, settled[place]);
      for (let l = 0; l < RING_LOADS; l++, at += 3) {
        filmLab(K, S, THINNEST * (STRONGEST / THINNEST) ** (l / (RING_LOADS - 1)), paper, [1], [1], lab);
        const screen = screenColourOfLab({ L: lab[0]!, a: lab[1]!, b: lab[2]! }).rgb;
        rgb.set(
          [screen.r, screen.g, screen.b].map((c) => Math.round(255 * c)),
          at,
        );
      }
    }
  }
  return rgb;
}

/**
 * The ring test: paints put down around a wet ring on a paper, run together and dried, as RGBA
 * pixels (clear where the paper is bare). The first paint lies on top, the others follow clockwise;
 * light pigments run farther, heavy ones granulate and part from them. Ours, a simulation to look
 * at: where paint runs is from memory, its colours are the film model's.
 */
export function ringPixels(
  paints: readonly PaintModel[],
  paper: Paper,
  sidePx: number,
  seed: number,
): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(4 * sidePx * sidePx);
  if (paints.length === 0) return pixels;
  const { shares, load } = ringFlow(paints);
  const colours = ringColours(paints, shares, paper);
  const n = paints.length;
  const spread = Float64Array.from(
    { length: ANGLES },
    (_, i) =>
      textureOf(
        paper.roughness,
        paints.reduce((sum, { granulation }, p) => sum + granulation * shares[i * n + p]!, 0),
      ).spread,
  );
  const half = sidePx / 2;
  const grain = Math.max(2, sidePx / 110);
  for (let y = 0; y < sidePx; y++) {
    for (let x = 0; x < sidePx; x++) {
      const [dx, dy] = [(x + 0.5 - half) / half, (y + 0.5 - half) / half];
      const radius =
        Math.hypot(dx, dy) + 0.018 * valueNoise(x / 31, y / 31, seed) + 0.007 * valueNoise(x / 7, y / 7, seed + 1);
      const inside = Math.min(radius - INNER, OUTER - radius) * half;
      if (inside < -0.5) continue;
      // Wet paint wanders: the angle at which a colour is found is pushed about.
      const wander = 0.2 * valueNoise(x / 38, y / 38, seed + 2) + 0.07 * valueNoise(x / 12, y / 12, seed + 3);
      const turn = Math.atan2(dx, -dy) / (2 * Math.PI) + wander / (2 * Math.PI) + 2;
      const i = Math.floor((turn % 1) * ANGLES) % ANGLES;
      const height = Math.max(
        -1,
        Math.min(
          1,
          0.75 * valueNoise(x / grain, y / grain, seed + 4) +
            0.6 * valueNoise((2.1 * x) / grain, (2.1 * y) / grain, seed + 5),
        ),
      );
      const across = (radius - INNER) / (OUTER - INNER);
      const rim = 1 + 0.45 * Math.exp(-Math.max(0, inside) / 2.4);
      const pool =
        0.72 +
        0.35 * Math.sin(Math.PI * Math.min(1, Math.max(0, across))) +
        0.22 * valueNoise(x / 22, y / 22, seed + 6);
      const here = load[i]! * rim * pool * Math.exp(-1.7 * spread[i]! * height);
      const level = Math.max(
        0,
        Math.min(
          RING_LOADS - 1.001,
          (Math.log(Math.max(1e-6, here) / THINNEST) / Math.log(STRONGEST / THINNEST)) * (RING_LOADS - 1),
        ),
      );
      const step = height + 1;
      const [h, l] = [Math.min(1, Math.floor(step)), Math.floor(level)];
      const at = 4 * (y * sidePx + x);
      for (let c = 0; c < 3; c++) {
        const value = (dh: number, dl: number): number =>
          colours[3 * ((i * HEIGHTS.length + h + dh) * RING_LOADS + l + dl) + c]!;
        const [u, v] = [step - h, level - l];
        pixels[at + c] =
          value(0, 0) * (1 - u) * (1 - v) + value(1, 0) * u * (1 - v) + value(0, 1) * (1 - u) * v + value(1, 1) * u * v;
      }
      pixels[at + 3] = 255 * Math.min(1, inside + 0.5);
    }
  }
  return pixels;
}
