import { tripleOf } from "../numeric/tuples";
import type { Lab } from "../colour/colour";
import { temperatureOf } from "../colour/describe";
import { MIN_LOAD, type Load } from "../optics/load";
import { chromaScale, FREE_HUE, fullMetric, hueScale, judged, type MixMetric } from "./metric";
import { strongestOf } from "./paint";
import { nelderMead } from "../numeric/nelder-mead";
import { GRID_LOADS, gridLoadsUpTo, gridMix, type ReachTable } from "./reach-table";

/** The best mix of one combination before rounding. */
export interface ContinuousMix {
  /** Indices into the table's paints. */
  readonly combination: readonly number[];
  /** Share of each paint by amount, sum 1. */
  readonly shares: readonly number[];
  readonly load: number;
  /** CIEDE2000 with the value weight. */
  readonly cost: number;
}

/**
 * How many of the combinations, best on the grid first, are worth polishing. Measured: 0.02 dE00 behind polishing all
 * 2324 of 24 paints, in the mean of 24 targets.
 */
const POLISHED = 24;
const EVALUATIONS = 110;
const COST_TOLERANCE = 2e-3;
/** Differences below this can't be seen by anyone; no need to go on. */
const GOOD_ENOUGH = 0.02;
/** A share below this speaks for leaving the paint out; the smaller combination is polished on its own. */
const VANISHING_SHARE = 0.004;

/** The best grid point of each combination for a target, and its squared distance. */
export interface GridRanking {
  readonly cost: Float64Array;
  readonly point: Uint32Array;
}

/** Last grid load of each combination that none of its paints forbids, as a count of loads. */
function loadsAllowed({ combinations, paints }: ReachTable): Uint8Array {
  const most = paints.map(({ strongest }) => gridLoadsUpTo(strongest));
  return Uint8Array.from(combinations, (combination) => Math.min(...combination.map((p) => most[p]!)));
}

/**
 * Ranks all combinations by their nearest grid point, with CIE94-like weights around the target
 * (CIE 116-1995): cheap, ranks well. With hues free only value, chroma and temperature count.
 */
export function rankOnGrid(target: Lab, table: ReachTable, metric: MixMetric): GridRanking {
  const { firstPoint, L, a, b } = table;
  const { valueWeight, freeHue } = metric;
  const count = firstPoint.length - 1;
  const C = Math.hypot(target.a, target.b);
  const chroma = chromaScale(C) ** 2 * (freeHue ? FREE_HUE.chroma ** 2 : 1);
  const hue = freeHue ? 0 : hueScale(C) ** 2;
  const temperature = freeHue ? (chromaScale(C) * FREE_HUE.temperature) ** 2 : 0;
  const warm = { a: temperatureOf({ L: 0, a: 1, b: 0 }), b: temperatureOf({ L: 0, a: 0, b: 1 }) };
  const allowed = loadsAllowed(table);
  const cost = new Float64Array(count);
  const point = new Uint32Array(count);
  for (let c = 0; c < count; c++) {
    let best = Infinity;
    const most = allowed[c]!;
    for (let p = firstPoint[c]!, end = firstPoint[c + 1]!; p < end; p++) {
      const dL = (L[p]! - target.L) * valueWeight;
      let d = dL * dL;
      if (d >= best || (most < GRID_LOADS && (p - firstPoint[c]!) % GRID_LOADS >= most)) continue;
      const dC = Math.sqrt(a[p]! * a[p]! + b[p]! * b[p]!) - C;
      const [da, db] = [a[p]! - target.a, b[p]! - target.b];
      d += dC * dC * chroma + Math.max(0, da * da + db * db - dC * dC) * hue;
      if (temperature > 0) d += (da * warm.a + db * warm.b) ** 2 * temperature;
      if (d < best) {
        best = d;
        point[c] = p - firstPoint[c]!;
      }
    }
    cost[c] = best;
  }
  return { cost, point };
}

/** L, a, b of each combination's best grid point. */
export function gridColour({ firstPoint, L, a, b }: ReachTable, { point }: GridRanking): Float32Array {
  const colours = new Float32Array(3 * point.length);
  point.forEach((at, c) =>
    colours.set([L[firstPoint[c]! + at]!, a[firstPoint[c]! + at]!, b[firstPoint[c]! + at]!], 3 * c),
  );
  return colours;
}

/** Indices of the `count` lowest costs among combinations of a size (0: any), lowest first. */
function cheapest(
  costs: Float64Array,
  count: number,
  combinations: ReachTable["combinations"],
  size: number,
): readonly number[] {
  const best: number[] = [];
  for (let i = 0; i < costs.length; i++) {
    if (best.length === count && costs[i]! >= costs[best[count - 1]!]!) continue;
    if (size > 0 && combinations[i]!.length !== size) continue;
    let at = Math.min(best.length, count - 1);
    while (at > 0 && costs[best[at - 1]!]! > costs[i]!) {
      best[at] = best[at - 1]!;
      at--;
    }
    best[at] = i;
  }
  return best;
}

function polish(
  target: Lab,
  table: ReachTable,
  combinationIndex: number,
  gridPoint: number,
  metric: MixMetric,
  evaluations = EVALUATIONS,
): ContinuousMix {
  const combination = table.combinations[combinationIndex]!;
  const count = combination.length;
  const [p0, p1 = p0, p2 = p0] = combination;
  const { computer } = table;
  const from = gridMix(combination, table.loudness, gridPoint);
  const logMin = Math.log(MIN_LOAD);
  const logMax = Math.log(strongestOf(combination.map((p) => table.paints[p]!)));
  const loadOf = (x: number): number => Math.exp(Math.min(logMax, Math.max(logMin, x)));
  // Coordinates: log load, then the log ratio of each further paint to the first.
  const ratio = (x: number): number => Math.exp(Math.min(9, Math.max(-9, x)));
  const cost = (x: Float64Array): number => {
    const s1 = count > 1 ? ratio(x[1]!) : 0;
    const s2 = count > 2 ? ratio(x[2]!) : 0;
    const total = 1 + s1 + s2;
    computer.put(0, p0!, p1!, p2!, 1 / total, s1 / total, s2 / total, loadOf(x[0]!));
    const lab = computer.run(1);
    return judged(target, lab[0]!, lab[1]!, lab[2]!, metric);
  };
  const start = Float64Array.from({ length: count }, (_, p) =>
    Math.log(p === 0 ? from.load : from.shares[p]! / from.shares[0]),
  );
  const inward = start[0]! > -0.3 ? -0.3 : 0.3;
  const { point, cost: best } = nelderMead(
    cost,
    start,
    [inward, 0.5, 0.5].slice(0, count),
    evaluations,
    COST_TOLERANCE,
    GOOD_ENOUGH,
  );
  const shares = [1, ...Array.from(point.subarray(1), ratio)];
  const total = shares.reduce((a, b) => a + b, 0);
  return { combination, shares: shares.map((s) => s / total), load: loadOf(point[0]!), cost: best };
}

/** Evaluations that bring a combination's cost near enough to choose by; a recipe gets more. */
const ROUGH_EVALUATIONS = 45;

/** A combination roughly optimised: its index, cost and colour. */
export interface PolishedMix {
  readonly index: number;
  readonly cost: number;
  readonly made: Lab;
  readonly shares: readonly number[];
  readonly load: Load;
}

/** The `count` best combinations of a ranking, each roughly optimised with the full film model. */
export function polishMixes(
  target: Lab,
  table: ReachTable,
  metric: MixMetric,
  ranking: GridRanking,
  count: number,
): readonly PolishedMix[] {
  return cheapest(ranking.cost, Math.min(count, ranking.cost.length), table.combinations, 0).map((index) => {
    const { combination, shares, load, cost } = polish(
      target,
      table,
      index,
      ranking.point[index]!,
      metric,
      ROUGH_EVALUATIONS,
    );
    const [p0, p1 = p0, p2 = p0] = combination;
    const [c0, c1 = 0, c2 = 0] = shares;
    table.computer.put(0, p0!, p1!, p2!, c0!, c1, c2, load);
    const [L, a, b] = tripleOf(table.computer.run(1));
    return { index, cost, made: { L, a, b }, shares, load };
  });
}

/**
 * The best mixes of a set of paints for a target before rounding, one for each combination, best
 * first. The coarse table names the promising combinations; each is then optimised with the full
 * film model. Mixes in which a paint has all but vanished are left to the smaller combination.
 * @param valueWeight how much a difference in value counts against one in hue or chroma; 1 is CIEDE2000
 */
export function closestMixes(target: Lab, table: ReachTable, valueWeight: number): readonly ContinuousMix[] {
  const metric = fullMetric(valueWeight);
  const ranking = rankOnGrid(target, table, metric);
  const chosen = new Set(cheapest(ranking.cost, POLISHED, table.combinations, 0));
  // The best single paints and pairs always get their chance, for the simplest ways.
  for (const size of [1, 2]) {
    cheapest(ranking.cost, 6, table.combinations, size).forEach((c) => chosen.add(c));
  }
  return [...chosen]
    .map((c) => polish(target, table, c, ranking.point[c]!, metric))
    .filter((mix) => mix.shares.every((share) => share > VANISHING_SHARE))
    .sort((a, b) => a.cost - b.cost);
}
