import { PAINTED_GREY_CHROMA } from "../../colour/thresholds";
import { pairOf, quadrupleOf } from "../../numeric/tuples";
import { outlinesOf } from "../../areas/outline";
import { temperatureOf } from "../../colour/describe";
import type { Lab } from "../../colour/colour";
import { LATTICE_LOADS, type Lattice } from "./lattice";

/** Half the side of the hue and chroma plane, CIELAB units, and its cells. */
export const PLANE_HALF = 110;
const CELL = 2;
const SIDE = (2 * PLANE_HALF) / CELL;

/** A mix on the plane. */
export interface SlicePoint {
  readonly a: number;
  readonly b: number;
  /** Paints as indices and their amounts, sum 1. */
  readonly paints: readonly number[];
  readonly amounts: readonly number[];
}

/** What a palette reaches at one lightness. */
export interface ReachSlice {
  readonly L: number;
  /** Outlines of the reach, interleaved CIELAB a and b; what lies within an odd number of them is reached. */
  readonly outlines: readonly Float32Array[];
  /** How each pair of paints mixes at this lightness, as far as it gets there: interleaved a and b. It bends. */
  readonly paths: readonly { readonly pair: readonly [number, number]; readonly points: Float32Array }[];
  /** Paints that reach this lightness alone. */
  readonly alone: readonly SlicePoint[];
  /** Warmest and coolest of the near-neutral mixes; null when there is none. */
  readonly neutrals: { readonly warm: SlicePoint; readonly cool: SlicePoint } | null;
}

/**
 * a and b of one place of a net at a lightness, by straight lines between loads; false when it does not get so dark.
 */
function at(lattice: Lattice, place: number, L: number, out: Float64Array): boolean {
  const { lab } = lattice;
  const from = 3 * place * LATTICE_LOADS.length;
  for (let l = 1; l < LATTICE_LOADS.length; l++) {
    const [above, below] = pairOf([lab[from + 3 * (l - 1)]!, lab[from + 3 * l]!]);
    if (below > L) continue;
    const share = above - below < 1e-6 ? 0 : Math.min(1, Math.max(0, (above - L) / (above - below)));
    out[0] = lab[from + 3 * l - 2]! * (1 - share) + lab[from + 3 * l + 1]! * share;
    out[1] = lab[from + 3 * l - 1]! * (1 - share) + lab[from + 3 * l + 2]! * share;
    return true;
  }
  return false;
}

/** Marks the cells of a triangle, edges included, so that thin ones leave a trace. */
function fillTriangle(cells: Uint8Array, x: readonly number[], y: readonly number[]): void {
  const [left, right] = [Math.floor(Math.min(...x)), Math.floor(Math.max(...x))];
  const [top, bottom] = [Math.floor(Math.min(...y)), Math.floor(Math.max(...y))];
  const area = (x[1]! - x[0]!) * (y[2]! - y[0]!) - (x[2]! - x[0]!) * (y[1]! - y[0]!);
  for (let row = Math.max(0, top); row <= Math.min(SIDE - 1, bottom); row++) {
    for (let column = Math.max(0, left); column <= Math.min(SIDE - 1, right); column++) {
      const [px, py] = [column + 0.5, row + 0.5];
      let inside = true;
      for (let i = 0; i < 3 && inside; i++) {
        const j = (i + 1) % 3;
        const side = (x[j]! - x[i]!) * (py - y[i]!) - (y[j]! - y[i]!) * (px - x[i]!);
        const length = Math.hypot(x[j]! - x[i]!, y[j]! - y[i]!);
        inside = (area >= 0 ? side : -side) >= -0.6 * length - 1e-9;
      }
      if (inside) cells[row * SIDE + column] = 1;
    }
  }
}

/**
 * The reach at a lightness: its outline, the paths between paints, and the neutrals. Fast enough to follow a slider.
 */
export function sliceAt(lattice: Lattice, L: number): ReachSlice {
  const { nets, places, triangles, amounts } = lattice;
  const cells = new Uint8Array(SIDE * SIDE);
  const here = new Float64Array(2 * places.length);
  const reached = new Uint8Array(places.length);
  const colour = new Float64Array(2);
  const paths = new Map<string, { pair: readonly [number, number]; points: Float32Array }>();
  const alone = new Map<number, SlicePoint>();
  let warm: (SlicePoint & { temperature: number }) | null = null;
  let cool: (SlicePoint & { temperature: number }) | null = null;
  const cell = (value: number): number => (value + PLANE_HALF) / CELL;
  nets.forEach((net, n) => {
    places.forEach((shares, p) => {
      const place = n * places.length + p;
      reached[p] = at(lattice, place, L, colour) ? 1 : 0;
      if (!reached[p]) return;
      here.set(colour, 2 * p);
      const [a, b] = pairOf(colour);
      cells[
        Math.floor(Math.min(SIDE - 1, Math.max(0, cell(b)))) * SIDE +
          Math.floor(Math.min(SIDE - 1, Math.max(0, cell(a))))
      ] = 1;
      const used = net.flatMap((paint, i) => (shares[i]! > 0 ? [{ paint, amount: amounts[3 * place + i]! }] : []));
      const point = { a, b, paints: used.map(({ paint }) => paint), amounts: used.map(({ amount }) => amount) };
      if (used.length === 1) alone.set(used[0]!.paint, point);
      if (Math.hypot(a, b) > PAINTED_GREY_CHROMA) return;
      const temperature = temperatureOf({ L, a, b });
      if (!warm || temperature > warm.temperature) warm = { ...point, temperature };
      if (!cool || temperature < cool.temperature) cool = { ...point, temperature };
    });
    for (const [i, j, k] of triangles) {
      if (!reached[i] || !reached[j] || !reached[k]) continue;
      fillTriangle(
        cells,
        [i, j, k].map((p) => cell(here[2 * p]!)),
        [i, j, k].map((p) => cell(here[2 * p + 1]!)),
      );
    }
    for (let i = 0; i < net.length; i++) {
      for (let j = i + 1; j < net.length; j++) {
        const key = `${net[i]},${net[j]}`;
        if (paths.has(key)) continue;
        const along = [...places.keys()]
          .filter((p) => reached[p] && places[p]![i]! + places[p]![j]! > 1 - 1e-9)
          .sort((p, q) => places[p]![j]! - places[q]![j]!);
        paths.set(key, {
          pair: [net[i]!, net[j]!],
          points: Float32Array.from(along.flatMap((p) => [here[2 * p], here[2 * p + 1]])),
        });
      }
    }
  });
  const outlines = outlinesOf({ width: SIDE, height: SIDE, labels: cells })
    .filter(({ sides }) => sides.includes(1) && sides.includes(0))
    .map(({ points }) => points.map((value) => value * CELL - PLANE_HALF));
  return {
    L,
    outlines,
    paths: [...paths.values()].filter(({ points }) => points.length >= 4),
    alone: [...alone.values()],
    neutrals: warm && cool ? { warm, cool } : null,
  };
}

/** Darkest lightness that a lattice reaches. */
export function darkestOf({ lab }: Lattice): number {
  let L = 100;
  for (let i = 0; i < lab.length; i += 3) L = Math.min(L, lab[i]!);
  return L;
}

/** Whether a colour's hue and chroma lie within a slice's outlines (even-odd rule). */
export function withinSlice({ outlines }: Pick<ReachSlice, "outlines">, { a, b }: Pick<Lab, "a" | "b">): boolean {
  let inside = false;
  for (const points of outlines) {
    for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
      const [ax, ay, bx, by] = quadrupleOf([points[i]!, points[i + 1]!, points[j]!, points[j + 1]!]);
      if (ay > b !== by > b && a < ((bx - ax) * (b - ay)) / (by - ay) + ax) inside = !inside;
    }
  }
  return inside;
}
