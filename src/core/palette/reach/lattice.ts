import { filmComputer } from "../../optics/kernel/film-kernel";
import { MAX_LOAD, MIN_LOAD } from "../../optics/load";
import type { Paper } from "../../optics/paper";
import { labOfXyz } from "../../colour/lab";
import { xyzOfReflectance } from "../../colour/xyz";
import type { PaintModel } from "../../mixing/paint";
import { loudnessOf } from "../../mixing/reach-table";

/** Steps along a side of the triangle of shares. */
const LATTICE_STEPS = 9;
/** Loads from bare paper to masstone: nothing, then even in the logarithm. */
export const LATTICE_LOADS: readonly number[] = [
  0,
  ...Array.from({ length: 11 }, (_, i) => MIN_LOAD ** (1 - i / 10) * MAX_LOAD),
];
/** Most paints a lattice is made of: triples grow with the cube. */
const MOST_PAINTS = 14;

/**
 * Everything a palette reaches on a paper, in the order of a net: for each two or three paints all
 * their shares, at each load. Points of one share stand together, bare paper first.
 */
export interface Lattice {
  readonly paints: number;
  /** Paints of each net: three, or as many as there are. */
  readonly nets: readonly (readonly number[])[];
  /** Shares of each place in a net, by its paints, sum 1; the same places in every net. */
  readonly places: readonly (readonly number[])[];
  /** Triangles of neighbouring places (none when a net is a line or a point). */
  readonly triangles: readonly (readonly [number, number, number])[];
  /** L, a, b of each net, place and load. */
  readonly lab: Float32Array;
  /** Amounts (not loudness) of the paints at each net and place, sum 1: three a place. */
  readonly amounts: Float32Array;
}

/** Points of the triangle (line, point) of shares: multiples of 1 / STEPS. */
function placesOf(count: number): readonly (readonly number[])[] {
  if (count < 2) return [[1]];
  const places: number[][] = [];
  for (let i = 0; i <= LATTICE_STEPS; i++) {
    if (count === 2) places.push([1 - i / LATTICE_STEPS, i / LATTICE_STEPS]);
    else
      for (let j = 0; i + j <= LATTICE_STEPS; j++)
        places.push([(LATTICE_STEPS - i - j) / LATTICE_STEPS, i / LATTICE_STEPS, j / LATTICE_STEPS]);
  }
  return places;
}

function trianglesOf(): readonly (readonly [number, number, number])[] {
  const at = new Map<string, number>();
  let n = 0;
  for (let i = 0; i <= LATTICE_STEPS; i++) for (let j = 0; i + j <= LATTICE_STEPS; j++) at.set(`${i},${j}`, n++);
  const place = (i: number, j: number): number => at.get(`${i},${j}`) ?? -1;
  const triangles: [number, number, number][] = [];
  for (let i = 0; i < LATTICE_STEPS; i++) {
    for (let j = 0; i + j < LATTICE_STEPS; j++) {
      triangles.push([place(i, j), place(i + 1, j), place(i, j + 1)]);
      if (i + j < LATTICE_STEPS - 1) triangles.push([place(i + 1, j), place(i + 1, j + 1), place(i, j + 1)]);
    }
  }
  return triangles;
}

function choose(n: number, k: number, from = 0): number[][] {
  if (k === 0) return [[]];
  return Array.from({ length: Math.max(0, n - from) }, (_, i) =>
    choose(n, k - 1, from + i + 1).map((rest) => [from + i, ...rest]),
  ).flat();
}

/** Computes the lattice of a palette of one paint or more; of more than MOST_PAINTS the first ones. */
export function latticeOf(palette: readonly PaintModel[], paper: Paper): Lattice {
  const paints = palette.slice(0, MOST_PAINTS);
  const size = Math.min(3, paints.length);
  const nets = choose(paints.length, size);
  const places = placesOf(size);
  const computer = filmComputer(paints, paper);
  const loud = paints.map(loudnessOf);
  const lab = new Float32Array(3 * nets.length * places.length * LATTICE_LOADS.length);
  const amounts = new Float32Array(3 * nets.length * places.length);
  const bare = labOfXyz(xyzOfReflectance(paper.reflectance));
  let used = 0;
  let done = 0;
  const slots: number[] = [];
  const flush = (): void => {
    const found = computer.run(used);
    for (let s = 0; s < used; s++) lab.set(found.subarray(3 * s, 3 * s + 3), slots[s]);
    used = 0;
    slots.length = 0;
  };
  for (const net of nets) {
    const [p0, p1 = p0, p2 = p0] = net;
    for (const shares of places) {
      // Shares are even in what a paint contributes, so that a strong stainer is sampled as finely as a weak earth.
      const parts = shares.map((share, i) => share / loud[net[i]!]!);
      const total = parts.reduce((sum, part) => sum + part, 0);
      const [c0, c1 = 0, c2 = 0] = parts.map((part) => part / total);
      amounts.set([c0!, c1, c2], 3 * (done / LATTICE_LOADS.length));
      for (const load of LATTICE_LOADS) {
        const at = 3 * done++;
        if (load === 0) {
          lab.set([bare.L, bare.a, bare.b], at);
          continue;
        }
        if (used === computer.capacity) flush();
        slots.push(at);
        computer.put(used++, p0!, p1!, p2!, c0!, c1, c2, load);
      }
    }
  }
  flush();
  return { paints: paints.length, nets, places, triangles: size === 3 ? trianglesOf() : [], lab, amounts };
}
