import { permuted, type Ranked } from "./ranking";

/** What a paint costs each target that uses it (Lagrange multipliers), targets by paints. */
export type Prices = readonly Float64Array[];

export interface Priced {
  readonly ranked: readonly Ranked[];
  /** What all targets would pay for each paint. */
  readonly worth: Float64Array;
}

/** Rankings under prices: each combination costs its error and what its paints cost. */
export function price(ranked: readonly Ranked[], prices: Prices, paints: number): Priced {
  const worth = new Float64Array(paints);
  for (const target of prices) for (let p = 0; p < paints; p++) worth[p] += target[p];
  return {
    worth,
    ranked: ranked.map((target, t) => {
      const cost = target.cost.map((c, i) => {
        let sum = c;
        for (let j = 0; j < target.count[i]; j++) sum += prices[t][target.paints[3 * i + j]];
        return sum;
      });
      const order = [...cost.keys()].sort((a, b) => cost[a] - cost[b]);
      return permuted(target, order, Float64Array.from(order, (i) => cost[i]));
    }),
  };
}

const ROUNDS = 400;

/**
 * Prices under which the relaxed choice (every target takes its own best mix and pays for its
 * paints, the palette holds the paints that earn most) costs as much as can be: a lower bound for
 * every palette, raised by subgradient steps (Held, Wolfe and Crowder 1974).
 */
export function bestPrices(ranked: readonly Ranked[], must: readonly number[], free: readonly number[], size: number, goal: number, paints: number): Prices {
  let prices = ranked.map(() => new Float64Array(paints));
  const direction = new Float64Array(paints * ranked.length);
  let kept: Float64Array<ArrayBuffer>[] = prices.map((target) => target.slice());
  let highest = -Infinity;
  let scale = 1;
  let stale = 0;
  const holds = new Uint8Array(paints);
  const uses = new Float64Array(paints * ranked.length);
  for (let round = 0; round < ROUNDS; round++) {
    const worth = new Float64Array(paints);
    for (const target of prices) for (let p = 0; p < paints; p++) worth[p] += target[p];
    const order = [...free].sort((a, b) => worth[b] - worth[a]);
    holds.fill(0);
    for (const p of must) holds[p] = 1;
    for (const p of order.slice(0, size - must.length)) holds[p] = 1;
    let bound = 0;
    for (let p = 0; p < paints; p++) if (holds[p]) bound -= worth[p];
    uses.fill(0);
    ranked.forEach((target, t) => {
      const own = prices[t];
      let [at, least] = [-1, Infinity];
      const { cost, paints: of, count } = target;
      for (let i = 0; i < cost.length && cost[i] < least; i++) {
        let sum = cost[i];
        for (let j = 0; j < count[i]; j++) sum += own[of[3 * i + j]];
        if (sum < least) [at, least] = [i, sum];
      }
      bound += least;
      for (let j = 0; j < count[at]; j++) uses[t * paints + of[3 * at + j]] = 1;
    });
    if (bound > highest + 1e-9) {
      highest = bound;
      kept = prices.map((target) => target.slice());
      stale = 0;
    } else if (++stale >= 10) {
      scale *= 0.7;
      stale = 0;
      // Back to the best prices so far, with shorter steps.
      prices = kept.map((target) => target.slice());
      direction.fill(0);
      if (scale < 5e-3) break;
      continue;
    }
    // A step in the mean direction of the last ones zigzags less than the newest alone (Camerini, Fratta and Maffioli 1975).
    let norm = 0;
    for (let i = 0; i < uses.length; i++) {
      direction[i] = 0.6 * direction[i] + (uses[i] - holds[i % paints]);
      norm += direction[i] * direction[i];
    }
    if (norm === 0 || goal - highest < 1e-9) break;
    const step = (scale * Math.max(1e-6, goal * 1.001 - bound)) / norm;
    prices = prices.map((target, t) => target.map((u, p) => Math.max(0, u + step * direction[t * paints + p])));
  }
  return kept;
}
