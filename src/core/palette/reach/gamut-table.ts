import { screenColourOfLab } from "../../colour/gamut";
import type { Lab } from "../../colour/colour";
import { labOfXyz } from "../../colour/lab";
import { xyzOfLinearP3 } from "../../colour/display-p3";
import { linearOfSrgb } from "../../colour/srgb";
import { LATTICE_LOADS, type Lattice } from "./lattice";
import { PointTree } from "./point-tree";

/** Sides of the cube of colours; encoded Display P3 along each. */
export const CUBE_SIDE = 17;
/** Misses are kept as a share of this, CIELAB with the value weight. */
export const GAMUT_TABLE_MISS = 32;

/**
 * For each colour of a photo the nearest that a palette reaches: encoded sRGB, and in the fourth byte by how much it
 * misses.
 */
export interface GamutTable {
  readonly side: number;
  /** 4 bytes a place; red runs fastest, then green, then blue. */
  readonly rgba: Uint8Array<ArrayBuffer>;
}

/** Reached colours fall together in cells of this size, CIELAB. */
const GRAIN = 2.2;

/** Colours put between two neighbouring loads, on the straight line. */
const BETWEEN = 2;

/**
 * Distinct reached colours, those between neighbouring places and loads on straight lines included: interleaved
 * value-weighted L, a, b.
 */
function cloudOf({ lab, nets, places, triangles }: Lattice, valueWeight: number): Float32Array {
  const seen = new Set<number>();
  const points: number[] = [];
  const one = new Float64Array(3 * LATTICE_LOADS.length);
  const add = (): void => {
    for (let l = 0; l < LATTICE_LOADS.length; l++) {
      const next = Math.min(l + 1, LATTICE_LOADS.length - 1);
      for (let step = 0; step <= (next === l ? 0 : BETWEEN); step++) {
        const t = step / (BETWEEN + 1);
        const L = (one[3 * l]! * (1 - t) + one[3 * next]! * t) * valueWeight;
        const a = one[3 * l + 1]! * (1 - t) + one[3 * next + 1]! * t;
        const b = one[3 * l + 2]! * (1 - t) + one[3 * next + 2]! * t;
        const key = (Math.round(L / GRAIN) * 256 + Math.round(a / GRAIN) + 128) * 256 + Math.round(b / GRAIN) + 128;
        if (seen.has(key)) continue;
        seen.add(key);
        points.push(L, a, b);
      }
    }
  };
  const row = 3 * LATTICE_LOADS.length;
  for (let n = 0; n < nets.length; n++) {
    const from = n * places.length * row;
    for (let p = 0; p < places.length; p++) {
      one.set(lab.subarray(from + p * row, from + (p + 1) * row));
      add();
    }
    for (const [i, j, k] of triangles) {
      for (let c = 0; c < row; c++)
        one[c] = (lab[from + i * row + c]! + lab[from + j * row + c]! + lab[from + k * row + c]!) / 3;
      add();
    }
  }
  return Float32Array.from(points);
}

/** Side of the cells of the gamut's inside test, CIELAB with the value weight. */
const CELL = 5;
const CELLS = { L: 84, ab: 56 } as const;

/** Cells that hold reached colours, and whose neighbours all do: what lies in one of those can be mixed as it is. */
class Inside {
  private readonly held = new Uint8Array(CELLS.L * CELLS.ab * CELLS.ab);
  constructor(cloud: Float32Array) {
    for (let i = 0; i < cloud.length; i += 3) this.held[this.at(cloud[i]!, cloud[i + 1]!, cloud[i + 2]!)] = 1;
  }
  private at(L: number, a: number, b: number): number {
    const side = (x: number): number => Math.min(CELLS.ab - 2, Math.max(1, Math.round(x / CELL) + CELLS.ab / 2));
    return (Math.min(CELLS.L - 2, Math.max(1, Math.round(L / CELL) + 1)) * CELLS.ab + side(a)) * CELLS.ab + side(b);
  }
  has(L: number, a: number, b: number): boolean {
    const { held } = this;
    const at = this.at(L, a, b);
    const row = CELLS.ab;
    const layer = CELLS.ab * CELLS.ab;
    return (
      (held[at]! &
        held[at - 1]! &
        held[at + 1]! &
        held[at - row]! &
        held[at + row]! &
        held[at - layer]! &
        held[at + layer]!) ===
      1
    );
  }
}

/**
 * The cube through which a photo is repainted.
 * @param wanted the colour to paint for a colour of the photo (value curve, wishes)
 */
export function gamutTable(lattice: Lattice, wanted: (photo: Lab) => Lab, valueWeight: number): GamutTable {
  const cloud = cloudOf(lattice, valueWeight);
  const tree = new PointTree(cloud);
  const inside = new Inside(cloud);
  let at = 0;
  const screen = new Uint8Array(cloud.length);
  const done = new Uint8Array(cloud.length / 3);
  const light = Float64Array.from({ length: CUBE_SIDE }, (_, i) => linearOfSrgb(i / (CUBE_SIDE - 1)));
  const rgba = new Uint8Array(4 * CUBE_SIDE ** 3);
  for (let i = 0; i < CUBE_SIDE ** 3; i++) {
    const [r, g, b] = [i % CUBE_SIDE, Math.floor(i / CUBE_SIDE) % CUBE_SIDE, Math.floor(i / CUBE_SIDE ** 2)];
    const want = wanted(labOfXyz(xyzOfLinearP3({ r: light[r]!, g: light[g]!, b: light[b]! })));
    if (inside.has(want.L * valueWeight, want.a, want.b)) {
      const { rgb } = screenColourOfLab(want);
      rgba.set(
        [rgb.r, rgb.g, rgb.b].map((c) => Math.round(255 * c)),
        4 * i,
      );
      continue;
    }
    // The neighbour's nearest is a good first guess.
    at = tree.nearest(want.L * valueWeight, want.a, want.b, at);
    if (!done[at / 3]) {
      const { rgb } = screenColourOfLab({ L: cloud[at]! / valueWeight, a: cloud[at + 1]!, b: cloud[at + 2]! });
      screen.set(
        [rgb.r, rgb.g, rgb.b].map((c) => Math.round(255 * c)),
        at,
      );
      done[at / 3] = 1;
    }
    const miss = Math.hypot(cloud[at]! - want.L * valueWeight, cloud[at + 1]! - want.a, cloud[at + 2]! - want.b);
    rgba.set(screen.subarray(at, at + 3), 4 * i);
    rgba[4 * i + 3] = Math.round(255 * Math.min(1, miss / GAMUT_TABLE_MISS));
  }
  return { side: CUBE_SIDE, rgba };
}
