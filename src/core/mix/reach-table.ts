import { filmComputer, type FilmComputer } from "../film/kernel/film-kernel";
import { MIN_LOAD } from "../film/load";
import type { Paper } from "../film/paper";
import { combinationsOf, type CombinationRules } from "./combinations";
import type { PaintModel } from "./paint";

/** Parts on the grid of a mix of two or three paints: shares are multiples of 1 / steps. */
const STEPS = { two: 8, three: 6 } as const;
/** Loads on the grid, even in the logarithm. */
const LOADS = 7;
const LOAD_GRID = Array.from({ length: LOADS }, (_, i) => MIN_LOAD ** (1 - i / (LOADS - 1)));

/** The grid points of one combination; shared between tables while its paints stay the same. */
interface ReachBlock {
  /** L, a, b of each point. */
  readonly lab: Float32Array;
  /** Three shares (by paint amount) and the load of each point. */
  readonly mix: Float32Array;
}

/**
 * Colours that a set of paints can make on a paper, on a coarse grid: the starting points of every
 * match. Built once for a set of paints, shared by all targets, rebuilt only for what changed.
 */
export interface ReachTable {
  readonly paints: readonly PaintModel[];
  readonly paper: Paper;
  /** Each combination as indices into `paints`, with its block. */
  readonly combinations: readonly (readonly number[])[];
  readonly blocks: readonly ReachBlock[];
  readonly computer: FilmComputer;
  /** How many blocks were computed anew for this table; the rest came from the one before. */
  readonly computed: number;
}

function gridOf(count: number): readonly (readonly [number, number, number])[] {
  if (count === 1) return [[1, 0, 0]];
  const points: [number, number, number][] = [];
  if (count === 2) {
    for (let i = 1; i < STEPS.two; i++) points.push([i / STEPS.two, 1 - i / STEPS.two, 0]);
    return points;
  }
  for (let i = 1; i < STEPS.three - 1; i++) {
    for (let j = 1; i + j < STEPS.three; j++) {
      points.push([i / STEPS.three, j / STEPS.three, (STEPS.three - i - j) / STEPS.three]);
    }
  }
  return points;
}

const GRIDS = [gridOf(1), gridOf(2), gridOf(3)];

/** How strongly a paint speaks in a mix: the mean of K and S over the bands. Evens out the grid. */
function loudness({ optics }: PaintModel): number {
  let sum = 0;
  for (let i = 0; i < optics.K.length; i++) sum += optics.K[i] + 0.5 * optics.S[i];
  return sum / optics.K.length + 0.05;
}

/** Fills waiting slots of the computer and carries the answers to their blocks, a run at a time. */
class BlockWriter {
  private waiting: { block: ReachBlock; points: number }[] = [];
  private used = 0;

  constructor(private readonly computer: FilmComputer) {}

  write(combination: readonly number[], loud: Float64Array): ReachBlock {
    const grid = GRIDS[combination.length - 1];
    const points = grid.length * LOADS;
    if (this.used + points > this.computer.capacity) this.flush();
    const block = { lab: new Float32Array(3 * points), mix: new Float32Array(4 * points) };
    const [p0, p1 = p0, p2 = p0] = combination;
    let point = 0;
    for (const weights of grid) {
      // A paint's share is even in what it contributes, not in its amount, so that a strong
      // stainer is sampled as finely as a weak earth.
      const a0 = weights[0] / loud[p0];
      const a1 = combination.length > 1 ? weights[1] / loud[p1] : 0;
      const a2 = combination.length > 2 ? weights[2] / loud[p2] : 0;
      const total = a0 + a1 + a2;
      for (const load of LOAD_GRID) {
        this.computer.put(this.used++, p0, p1, p2, a0 / total, a1 / total, a2 / total, load);
        const at = 4 * point++;
        block.mix[at] = a0 / total;
        block.mix[at + 1] = a1 / total;
        block.mix[at + 2] = a2 / total;
        block.mix[at + 3] = load;
      }
    }
    this.waiting.push({ block, points });
    return block;
  }

  flush(): void {
    const lab = this.computer.run(this.used);
    let from = 0;
    for (const { block, points } of this.waiting) {
      block.lab.set(lab.subarray(from, from + 3 * points));
      from += 3 * points;
    }
    this.waiting = [];
    this.used = 0;
  }
}

const blockKey = (combination: readonly number[], names: readonly string[]): string => combination.map((i) => names[i]).join("|");

/** A paint's identity in a table: its optics may change under the same id. */
function paintKey({ id, optics, granulation }: PaintModel): string {
  let sum = granulation;
  for (let i = 0; i < optics.K.length; i++) sum += (i + 1) * optics.K[i] + (i + 101) * optics.S[i];
  return `${id} ${sum}`;
}

/**
 * Builds the table with the full film model.
 * @param before an earlier table: on the same paper, combinations whose paints are unchanged are taken over
 */
export function buildReachTable(paints: readonly PaintModel[], paper: Paper, rules: CombinationRules, before?: ReachTable): ReachTable {
  const combinations = combinationsOf(paints, rules);
  const computer = filmComputer(paints, paper);
  const writer = new BlockWriter(computer);
  const loud = Float64Array.from(paints, loudness);
  const names = paints.map(paintKey);
  const kept = new Map<string, ReachBlock>();
  if (before && before.paper.id === paper.id) {
    const oldNames = before.paints.map(paintKey);
    before.combinations.forEach((combination, c) => kept.set(blockKey(combination, oldNames), before.blocks[c]));
  }
  let computed = 0;
  const blocks = combinations.map((combination) => {
    const old = kept.size > 0 ? kept.get(blockKey(combination, names)) : undefined;
    if (old) return old;
    computed++;
    return writer.write(combination, loud);
  });
  writer.flush();
  return { paints, paper, combinations, blocks, computer, computed };
}
