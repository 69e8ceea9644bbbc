import { clamp01, fbm, mix, times, type Vec } from "./noise";
import { valueNoise } from "@/core/optics/wash-pixels";

/** Where a ray meets a convex body: distance and the face's outward normal. */
export interface Hit {
  readonly t: number;
  readonly normal: Vec;
  readonly face: number;
}

type Plane = readonly [nx: number, ny: number, nz: number, d: number];

/** A convex body as half-spaces n·p <= d in its own coordinates, turned about y and placed. */
export class Body {
  private readonly cos: number;
  private readonly sin: number;
  constructor(
    private readonly at: Vec,
    turn: number,
    private readonly planes: readonly Plane[],
  ) {
    this.cos = Math.cos(turn);
    this.sin = Math.sin(turn);
  }

  local(p: Vec): Vec {
    const x = p[0] - this.at[0];
    const z = p[2] - this.at[2];
    return [this.cos * x - this.sin * z, p[1] - this.at[1], this.sin * x + this.cos * z];
  }

  private turned(d: Vec): Vec {
    return [this.cos * d[0] - this.sin * d[2], d[1], this.sin * d[0] + this.cos * d[2]];
  }

  hit(origin: Vec, direction: Vec): Hit | null {
    const o = this.local(origin);
    const d = this.turned(direction);
    let near = 1e-4;
    let far = Infinity;
    let face = -1;
    for (let i = 0; i < this.planes.length; i++) {
      const [nx, ny, nz, limit] = this.planes[i]!;
      const speed = nx * d[0] + ny * d[1] + nz * d[2];
      const room = limit - (nx * o[0] + ny * o[1] + nz * o[2]);
      if (Math.abs(speed) < 1e-9) {
        if (room < 0) return null;
        continue;
      }
      const t = room / speed;
      if (speed < 0) {
        if (t > near) {
          near = t;
          face = i;
        }
      } else if (t < far) far = t;
      if (near > far) return null;
    }
    if (face < 0) return null;
    const [nx, ny, nz] = this.planes[face]!;
    return { t: near, normal: [this.cos * nx + this.sin * nz, ny, -this.sin * nx + this.cos * nz], face };
  }
}

const SLOPE = 0.82;
const norm = Math.hypot(1, SLOPE);
export const HALF_WIDTH = 3.1;
export const HALF_DEPTH = 4.3;
export const EAVES = 4.7;

const box = (u: number, low: number, high: number, v: number): readonly Plane[] => [
  [-1, 0, 0, u],
  [1, 0, 0, u],
  [0, 0, -1, v],
  [0, 0, 1, v],
  [0, 1, 0, high],
  [0, -1, 0, -low],
];

const PLACE: Vec = [7.9, 0, 27];
const TURN = 0.62;
/** Faces 0 and 1 are the long walls, 2 and 3 the gables, 4 and 5 the roof. */
export const HOUSE = new Body(PLACE, TURN, [
  [-1, 0, 0, HALF_WIDTH],
  [1, 0, 0, HALF_WIDTH],
  [0, 0, -1, HALF_DEPTH],
  [0, 0, 1, HALF_DEPTH],
  [-SLOPE / norm, 1 / norm, 0, (EAVES + SLOPE * HALF_WIDTH) / norm],
  [SLOPE / norm, 1 / norm, 0, (EAVES + SLOPE * HALF_WIDTH) / norm],
  [0, -1, 0, 1.2],
]);
export const ROOF = new Body([PLACE[0], 0.12, PLACE[2]], TURN, [
  [-1, 0, 0, HALF_WIDTH + 0.32],
  [1, 0, 0, HALF_WIDTH + 0.32],
  [0, 0, -1, HALF_DEPTH + 0.25],
  [0, 0, 1, HALF_DEPTH + 0.25],
  [-SLOPE / norm, 1 / norm, 0, (EAVES + SLOPE * HALF_WIDTH) / norm],
  [SLOPE / norm, 1 / norm, 0, (EAVES + SLOPE * HALF_WIDTH) / norm],
  [0, -1, 0, -(EAVES - 0.16)],
]);
export const CHIMNEY = new Body([PLACE[0] + 1.5, 0, PLACE[2] + 2.6], TURN, box(0.42, 3, 9.4, 0.42));
export const ANNEX = new Body([PLACE[0] + 4.1, 0, PLACE[2] + 3.7], TURN, box(1.7, -1, 2.7, 2.2));
export const SLUICE = new Body([PLACE[0] - 4.7, 0, PLACE[2] - 1.9], TURN, box(0.9, -1.4, 0.35, 1.6));

const PANE: Vec = [-1, -1, -1];

/** Brickwork at wall coordinates in metres: colour per brick, pale joints, stains, damp foot. */
export function brick(u: number, y: number, seed: number): Vec {
  const row = Math.floor(y / 0.078);
  const shifted = u + (row & 1 ? 0.115 : 0);
  const column = Math.floor(shifted / 0.23);
  const inRow = y / 0.078 - row;
  const inColumn = shifted / 0.23 - column;
  const joint = inRow < 0.13 || inColumn < 0.05;
  const tone = valueNoise(column * 7.31 + 0.5, row * 3.77 + 0.5, seed);
  const kiln = valueNoise(column * 1.7, row * 9.1, seed + 5);
  let colour: Vec = [0.225 + 0.07 * tone, 0.1 + 0.032 * tone + 0.018 * kiln, 0.07 + 0.018 * kiln];
  if (kiln > 0.5) colour = [0.12, 0.065, 0.06];
  if (joint) colour = [0.25, 0.2, 0.16];
  const stain = 0.5 + 0.5 * fbm(u * 0.55, y * 0.22, 4, seed + 9);
  const streak = clamp01(0.5 + 1.4 * fbm(u * 2.6, y * 0.16, 4, seed + 14));
  colour = times(colour, (0.5 + 0.75 * stain) * (0.68 + 0.4 * streak));
  const damp = clamp01(1 - (y + 0.25 * fbm(u, 0, 3, seed + 3)) / 1.1);
  return mix(colour, [0.085, 0.075, 0.045], 0.62 * damp);
}

/** A wall with tall arched windows, sills, a door and a concrete course; PANE-like negative red marks glass. */
export function wall(
  u: number,
  y: number,
  half: number,
  seed: number,
  windows: readonly number[],
  door: number | null,
): Vec {
  for (const centre of windows) {
    const du = u - centre;
    const inside = (grow: number): boolean =>
      Math.abs(du) < 0.5 + grow &&
      y > 1.15 - grow &&
      (y < 2.95 || du * du + (y - 2.95) * (y - 2.95) < (0.5 + grow) ** 2);
    if (y > 1.0 && y < 1.15 && Math.abs(du) < 0.68) return [0.36, 0.33, 0.29];
    if (inside(0)) {
      const bar = Math.abs(du) < 0.035 || Math.abs(((y - 1.15) % 0.6) - 0.02) < 0.035;
      return bar ? [0.4, 0.39, 0.35] : PANE;
    }
    if (inside(0.22)) return times(brick(y * 1.3, du * 2.1, seed + 31), 1.12);
  }
  if (door !== null && Math.abs(u - door) < 0.62 && y < 2.35 && y > 0.3) {
    const board = Math.abs((((u - door) / 0.155) % 1) - 0.5) > 0.44;
    return times([0.035, 0.085, 0.075], board ? 0.5 : 0.9 + 0.3 * fbm(u * 3, y, 3, seed));
  }
  if (y > EAVES - 0.34 && y < EAVES - 0.16) return [0.38, 0.27, 0.2];
  if (y < 0.3) return times([0.2, 0.19, 0.17], 0.75 + 0.4 * fbm(u * 1.4, y * 3, 4, seed + 2));
  if (half - Math.abs(u) < 0.36) return times(brick(u, y, seed), 0.93);
  return brick(u, y, seed);
}

/** The gable above the eaves: brick with a round window, and a board along the slope of the roof. */
export function gable(u: number, y: number, seed: number): Vec {
  const below = EAVES + SLOPE * (HALF_WIDTH - Math.abs(u)) - y;
  if (below < 0.24) return times([0.3, 0.27, 0.23], below < 0.05 ? 0.5 : 1);
  const round = Math.hypot(u, y - 5.75);
  if (round < 0.42) return Math.abs(u) < 0.035 || Math.abs(y - 5.75) < 0.035 ? [0.4, 0.39, 0.35] : PANE;
  if (round < 0.64) return times(brick(y * 1.3, u * 2.1, seed + 31), 1.12);
  return brick(u, y, seed);
}

/** Pantiles: rounded columns in overlapping rows, old and mossy. */
export function tiles(u: number, along: number): Vec {
  const row = Math.floor(along / 0.32);
  const curve = Math.sin((u / 0.24) * 2 * Math.PI);
  const lip = along / 0.32 - row;
  const old = fbm(u * 0.7, along * 0.7, 5, 300);
  const tone = valueNoise(Math.floor(u / 0.24) * 5.3, row * 7.7, 310);
  const clay = times([0.2, 0.085, 0.062], 0.85 + 0.22 * tone + 0.16 * curve);
  const mossy = mix(clay, [0.085, 0.085, 0.045], clamp01(0.25 + 1.1 * old));
  return times(mossy, lip < 0.14 ? 0.55 : 1);
}
