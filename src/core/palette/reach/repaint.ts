import { screenColourOfLab } from "../../spectrum/gamut";
import type { Lab } from "../../spectrum/colour";
import { labOfXyz } from "../../spectrum/lab";
import { xyzOfLinearP3 } from "../../spectrum/display-p3";
import { linearOfSrgb } from "../../spectrum/srgb";
import { LOADS, type Lattice } from "./lattice";
import { PointTree } from "./point-tree";

/** Sides of the cube of colours; encoded Display P3 along each. */
export const CUBE_SIDE = 21;
/** Misses are kept as a share of this, CIELAB with the value weight. */
export const CUBE_MISS = 32;

/** For each colour of a photo the nearest that a palette reaches: encoded sRGB, and in the fourth byte by how much it misses. */
export interface ReachCube {
  readonly side: number;
  /** 4 bytes a place; red runs fastest, then green, then blue. */
  readonly rgba: Uint8Array<ArrayBuffer>;
}

/** Reached colours fall together in cells of this size, CIELAB. */
const GRAIN = 2;

/** Colours put between two neighbouring loads, on the straight line. */
const BETWEEN = 3;

/** Distinct reached colours: value-weighted L, a, b by turns. */
function cloudOf({ lab }: Lattice, valueWeight: number): Float32Array {
  const seen = new Set<number>();
  const points: number[] = [];
  for (let i = 0; i < lab.length; i += 3) {
    const next = (i / 3 + 1) % LOADS.length === 0 ? i : i + 3;
    for (let step = 0; step <= (next === i ? 0 : BETWEEN); step++) {
      const t = step / (BETWEEN + 1);
      const L = (lab[i] * (1 - t) + lab[next] * t) * valueWeight;
      const a = lab[i + 1] * (1 - t) + lab[next + 1] * t;
      const b = lab[i + 2] * (1 - t) + lab[next + 2] * t;
      const key = (Math.round(L / GRAIN) * 256 + Math.round(a / GRAIN) + 128) * 256 + Math.round(b / GRAIN) + 128;
      if (seen.has(key)) continue;
      seen.add(key);
      points.push(L, a, b);
    }
  }
  return Float32Array.from(points);
}

/**
 * The cube through which a photo is repainted.
 * @param wanted the colour to paint for a colour of the photo (value curve, wishes)
 */
export function reachCube(lattice: Lattice, wanted: (photo: Lab) => Lab, valueWeight: number): ReachCube {
  const cloud = cloudOf(lattice, valueWeight);
  const tree = new PointTree(cloud);
  let at = 0;
  const screen = new Uint8Array(cloud.length);
  const done = new Uint8Array(cloud.length / 3);
  const light = Float64Array.from({ length: CUBE_SIDE }, (_, i) => linearOfSrgb(i / (CUBE_SIDE - 1)));
  const rgba = new Uint8Array(4 * CUBE_SIDE ** 3);
  for (let i = 0; i < CUBE_SIDE ** 3; i++) {
    const [r, g, b] = [i % CUBE_SIDE, Math.floor(i / CUBE_SIDE) % CUBE_SIDE, Math.floor(i / CUBE_SIDE ** 2)];
    const want = wanted(labOfXyz(xyzOfLinearP3({ r: light[r], g: light[g], b: light[b] })));
    // The neighbour's nearest is a good first guess.
    at = tree.nearest(want.L * valueWeight, want.a, want.b, at);
    if (!done[at / 3]) {
      const { rgb } = screenColourOfLab({ L: cloud[at] / valueWeight, a: cloud[at + 1], b: cloud[at + 2] });
      screen.set([rgb.r, rgb.g, rgb.b].map((c) => Math.round(255 * c)), at);
      done[at / 3] = 1;
    }
    const miss = Math.hypot(cloud[at] - want.L * valueWeight, cloud[at + 1] - want.a, cloud[at + 2] - want.b);
    rgba.set(screen.subarray(at, at + 3), 4 * i);
    rgba[4 * i + 3] = Math.round(255 * Math.min(1, miss / CUBE_MISS));
  }
  return { side: CUBE_SIDE, rgba };
}
