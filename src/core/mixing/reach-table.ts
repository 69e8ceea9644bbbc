import { filmComputer, type FilmComputer } from "../optics/kernel/film-kernel";
import { MIN_LOAD } from "../optics/load";
import type { Paper } from "../optics/paper";
import { drained } from "../numeric/in-turn";
import { combinationsOf, type CombinationRules } from "./combinations";
import { paintKey, type PaintModel } from "./paint";

/** Parts on the grid of a mix of two or three paints: shares are multiples of 1 / steps. */
const SHARE_STEPS = { two: 8, three: 6 } as const;
/** Loads on the grid, even in the logarithm. */
const LOADS = 7;
export const GRID_LOADS = LOADS;
const LOAD_GRID = Array.from({ length: LOADS }, (_, i) => MIN_LOAD ** (1 - i / (LOADS - 1)));

/** How many loads of the grid, from the thinnest, are no stronger than this; at least the thinnest. */
export const gridLoadsUpTo = (strongest: number): number =>
  Math.max(1, LOAD_GRID.filter((load) => load <= strongest + 1e-9).length);

/**
 * Colours that a set of paints can make on a paper, on a coarse grid: the starting points of every
 * match. Built once for a set of paints, shared by all targets, rebuilt only for what changed.
 */
export interface ReachTable {
  readonly paints: readonly PaintModel[];
  readonly paper: Paper;
  /** Each combination as indices into `paints`. */
  readonly combinations: readonly (readonly number[])[];
  /** First grid point of each combination, and one past the last of all. */
  readonly firstPoint: Uint32Array;
  /** Colour of each grid point, one array for each coordinate: most points are passed over by L alone. */
  readonly L: Float32Array;
  readonly a: Float32Array;
  readonly b: Float32Array;
  readonly computer: FilmComputer;
  /** How many combinations were computed anew for this table; the rest came from the one before. */
  readonly computed: number;
  /** How strongly each paint speaks in a mix; see {@link gridMix}. */
  readonly loudness: Float64Array;
}

/** Shares (by paint amount, sum 1) and load of one grid point. */
export interface GridMix {
  readonly shares: readonly [number, number, number];
  readonly load: number;
}

function gridOf(count: number): readonly (readonly [number, number, number])[] {
  if (count === 1) return [[1, 0, 0]];
  const points: [number, number, number][] = [];
  if (count === 2) {
    for (let i = 1; i < SHARE_STEPS.two; i++) points.push([i / SHARE_STEPS.two, 1 - i / SHARE_STEPS.two, 0]);
    return points;
  }
  for (let i = 1; i < SHARE_STEPS.three - 1; i++) {
    for (let j = 1; i + j < SHARE_STEPS.three; j++) {
      points.push([i / SHARE_STEPS.three, j / SHARE_STEPS.three, (SHARE_STEPS.three - i - j) / SHARE_STEPS.three]);
    }
  }
  return points;
}

const GRIDS = [gridOf(1), gridOf(2), gridOf(3)];

/** How strongly a paint speaks in a mix: the mean of K and S over the bands. Evens out the grid. */
export function loudnessOf({ optics }: PaintModel): number {
  let sum = 0;
  for (let i = 0; i < optics.K.length; i++) sum += optics.K[i]! + 0.5 * optics.S[i]!;
  return sum / optics.K.length + 0.05;
}

/**
 * The mix at a grid point, counted from the combination's first. A paint's share is even in what
 * it contributes, not in its amount, so that a strong stainer is sampled as finely as a weak earth.
 */
export function gridMix(combination: readonly number[], loud: Float64Array, point: number): GridMix {
  const weights = GRIDS[combination.length - 1]![Math.floor(point / LOADS)]!;
  const [p0, p1 = p0, p2 = p0] = combination;
  const a = weights[0] / loud[p0!]!;
  const b = weights[1] / loud[p1!]!;
  const c = weights[2] / loud[p2!]!;
  const total = a + b + c;
  return { shares: [a / total, b / total, c / total], load: LOAD_GRID[point % LOADS]! };
}

const combinationKeys = (
  paints: readonly PaintModel[],
  combinations: readonly (readonly number[])[],
): readonly string[] => {
  const names = paints.map(paintKey);
  return combinations.map((combination) => combination.map((i) => names[i]).join("|"));
};

/** Grid points of a step: some ten milliseconds. */
const POINTS_A_STEP = 16_384;

/** Computes the grid points of some combinations, some thousands a step. */
function* filling(table: Omit<ReachTable, "computed">, wanted: readonly number[]): Generator<void, void> {
  const { combinations, firstPoint, L, a, b, computer, loudness: loud } = table;
  let batch: number[] = [];
  let used = 0;
  const flush = (): void => {
    const done = computer.run(used);
    let from = 0;
    for (const c of batch) {
      for (let p = firstPoint[c]!; p < firstPoint[c + 1]!; p++) {
        L[p] = done[from++]!;
        a[p] = done[from++]!;
        b[p] = done[from++]!;
      }
    }
    batch = [];
    used = 0;
  };
  for (const c of wanted) {
    const points = firstPoint[c + 1]! - firstPoint[c]!;
    if (used + points > Math.min(computer.capacity, POINTS_A_STEP)) {
      flush();
      yield;
    }
    const [p0, p1 = p0, p2 = p0] = combinations[c]!;
    for (let point = 0; point < points; point++) {
      const { shares, load } = gridMix(combinations[c]!, loud, point);
      computer.put(used++, p0!, p1!, p2!, shares[0], shares[1], shares[2], load);
    }
    batch.push(c);
  }
  flush();
}

/**
 * Builds the table with the full film model.
 * @param before an earlier table: on the same paper, combinations whose paints are unchanged are taken over
 */
export function buildReachTable(
  paints: readonly PaintModel[],
  paper: Paper,
  rules: CombinationRules,
  before?: ReachTable,
): ReachTable {
  return reachTableOf(combinationsOf(paints, rules), paints, paper, before);
}

/** Colours of grid points, one after another: what of a table takes long to compute, and travels between threads. */
export type GridColours = Pick<ReachTable, "L" | "a" | "b">;

/** A table of combinations whose grid is still black. */
function emptyTable(
  combinations: readonly (readonly number[])[],
  paints: readonly PaintModel[],
  paper: Paper,
): Omit<ReachTable, "computed"> {
  const firstPoint = new Uint32Array(combinations.length + 1);
  combinations.forEach((combination, c) => {
    firstPoint[c + 1] = firstPoint[c]! + GRIDS[combination.length - 1]!.length * LOADS;
  });
  const points = firstPoint[combinations.length]!;
  return {
    paints,
    paper,
    combinations,
    firstPoint,
    L: new Float32Array(points),
    a: new Float32Array(points),
    b: new Float32Array(points),
    computer: filmComputer(paints, paper),
    loudness: Float64Array.from(paints, loudnessOf),
  };
}

/** A table put together from the colours of its grid, computed elsewhere: those of the first combinations first. */
export function joinedTable(
  combinations: readonly (readonly number[])[],
  paints: readonly PaintModel[],
  paper: Paper,
  parts: readonly GridColours[],
): ReachTable {
  const table = emptyTable(combinations, paints, paper);
  let from = 0;
  for (const { L, a, b } of parts) {
    table.L.set(L, from);
    table.a.set(a, from);
    table.b.set(b, from);
    from += L.length;
  }
  if (from !== table.L.length) throw new RangeError("The parts of a table do not make it up.");
  return { ...table, computed: combinations.length };
}

/** The table of some combinations alone; else as {@link buildReachTable}. */
export const reachTableOf = (...of: Parameters<typeof makingReachTable>): ReachTable =>
  drained(makingReachTable(...of));

/** {@link reachTableOf} step by step: it can be left between two of them. */
export function* makingReachTable(
  combinations: readonly (readonly number[])[],
  paints: readonly PaintModel[],
  paper: Paper,
  before?: ReachTable,
): Generator<void, ReachTable> {
  const table = emptyTable(combinations, paints, paper);
  const { firstPoint, L, a, b } = table;
  let wanted: number[] = Array.from(combinations.keys());
  if (before && before.paper.id === paper.id) {
    const old = new Map(combinationKeys(before.paints, before.combinations).map((key, c) => [key, c]));
    const keys = combinationKeys(paints, combinations);
    wanted = wanted.filter((c) => {
      const at = old.get(keys[c]!);
      if (at === undefined) return true;
      const [from, to] = [before.firstPoint[at], before.firstPoint[at + 1]];
      L.set(before.L.subarray(from, to), firstPoint[c]);
      a.set(before.a.subarray(from, to), firstPoint[c]);
      b.set(before.b.subarray(from, to), firstPoint[c]);
      return false;
    });
  }
  yield* filling(table, wanted);
  return { ...table, computed: wanted.length };
}
