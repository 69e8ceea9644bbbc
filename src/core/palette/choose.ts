import type { MixCosts } from "./mix-costs";

/** A palette and how well it serves the targets. */
export interface ChosenPalette {
  /** Paints, as ascending indices. */
  readonly paints: readonly number[];
  /** Weighted mean of the targets' errors. */
  readonly error: number;
}

/** What a palette must hold and must not. */
export interface PaletteRules {
  readonly must: readonly number[];
  readonly never: readonly number[];
}

/** The best palettes of one size. */
export interface SizeChoice {
  readonly size: number;
  /** Best first. */
  readonly best: readonly ChosenPalette[];
  /** How many palettes of this size there are under the rules: the first of `best` is the best of all of them. */
  readonly outOf: number;
  /** Nodes of the search tree that were looked at. */
  readonly nodes: number;
}

/** Combinations of one target, best first under the present prices, as bit sets of paints. */
interface Ranked {
  readonly low: Uint32Array;
  readonly mid: Uint32Array;
  readonly high: Uint32Array;
  /** Weighted error. */
  readonly cost: Float64Array;
  /** Up to three paints a combination; the first is repeated. */
  readonly paints: Uint8Array;
  /** How many different paints. */
  readonly count: Uint8Array;
}

/** A set of up to 96 paints. */
interface Bits {
  low: number;
  mid: number;
  high: number;
}

const bitsOf = (paints: Iterable<number>): Bits => {
  const bits = { low: 0, mid: 0, high: 0 };
  for (const p of paints) {
    if (p < 32) bits.low |= 1 << p;
    else if (p < 64) bits.mid |= 1 << (p - 32);
    else bits.high |= 1 << (p - 64);
  }
  return bits;
};

export const MAX_PAINTS = 96;

/** A target's useful combinations, cheapest first: one whose part does as well is never needed. */
function rank({ combinations, weights }: MixCosts, costs: Float64Array, target: number, allowed: (paint: number) => boolean): Ranked {
  const byKey = new Map<string, number>();
  combinations.forEach((combination, c) => byKey.set(combination.join(), costs[c]));
  const useful = [...combinations.keys()].filter((c) => {
    const combination = combinations[c];
    if (!combination.every(allowed)) return false;
    if (combination.length === 1) return true;
    const parts = combination.length === 2
      ? combination.map((p) => [p])
      : [...combination.map((p) => [p]), [combination[0], combination[1]], [combination[0], combination[2]], [combination[1], combination[2]]];
    return parts.every((part) => (byKey.get(part.join()) ?? Infinity) > costs[c]);
  });
  useful.sort((a, b) => costs[a] - costs[b]);
  const ranked: Ranked = {
    low: new Uint32Array(useful.length), mid: new Uint32Array(useful.length), high: new Uint32Array(useful.length),
    cost: Float64Array.from(useful, (c) => weights[target] * costs[c]), paints: new Uint8Array(3 * useful.length), count: new Uint8Array(useful.length),
  };
  useful.forEach((c, i) => {
    const bits = bitsOf(combinations[c]);
    ranked.low[i] = bits.low;
    ranked.mid[i] = bits.mid;
    ranked.high[i] = bits.high;
    ranked.count[i] = combinations[c].length;
    for (let j = 0; j < 3; j++) ranked.paints[3 * i + j] = combinations[c][Math.min(j, combinations[c].length - 1)];
  });
  return ranked;
}

function permuted(ranked: Ranked, order: readonly number[], cost: Float64Array): Ranked {
  const pick = <T extends Uint32Array | Uint8Array>(from: T): T => from.map((_, i) => from[order[i]]) as T;
  const paints = new Uint8Array(ranked.paints.length);
  order.forEach((from, i) => paints.set(ranked.paints.subarray(3 * from, 3 * from + 3), 3 * i));
  return { low: pick(ranked.low), mid: pick(ranked.mid), high: pick(ranked.high), count: pick(ranked.count), paints, cost };
}

/** First entry of a ranking, from a place on, whose paints all lie in a set; the ranking's length when there is none. */
function firstWithin({ low, mid, high }: Ranked, set: Bits, from = 0): number {
  const [outLow, outMid, outHigh] = [~set.low, ~set.mid, ~set.high];
  for (let i = from; i < low.length; i++) if ((low[i] & outLow) === 0 && (mid[i] & outMid) === 0 && (high[i] & outHigh) === 0) return i;
  return low.length;
}

/** A target that no mix of the palette serves counts as this far off; it can't happen while every paint stands alone. */
const OUT_OF_REACH = 1e6;

/** Weighted sum of errors of a set of paints. */
function errorOf(ranked: readonly Ranked[], set: Bits): number {
  let sum = 0;
  for (const target of ranked) {
    const i = firstWithin(target, set);
    sum += i < target.cost.length ? target.cost[i] : OUT_OF_REACH;
  }
  return sum;
}

/** The best palettes found so far, each once. */
class Best {
  readonly kept: { paints: readonly number[]; error: number }[] = [];
  private readonly seen = new Set<string>();
  constructor(private readonly most: number) {}
  /** A palette must be better than this to be kept. */
  get limit(): number {
    return this.kept.length < this.most ? Infinity : this.kept[this.kept.length - 1].error;
  }
  offer(paints: readonly number[], error: number): void {
    if (error >= this.limit) return;
    const sorted = [...paints].sort((a, b) => a - b);
    const key = sorted.join();
    if (this.seen.has(key)) return;
    this.seen.add(key);
    this.kept.push({ paints: sorted, error });
    this.kept.sort((a, b) => a.error - b.error);
    if (this.kept.length > this.most) this.kept.pop();
  }
}

/** Palettes by adding the paint that helps most, then by swapping while that helps: usually the optimum, and a good limit for the search. */
function searchNearby(ranked: readonly Ranked[], must: readonly number[], free: readonly number[], size: number, best: Best, start: readonly number[]): void {
  let paints = [...new Set([...must, ...start])].slice(0, size);
  const within = new Set([...must, ...free]);
  paints = paints.filter((p) => within.has(p));
  while (paints.length < size) {
    let [chosen, least] = [-1, Infinity];
    for (const p of free) {
      if (paints.includes(p)) continue;
      const error = errorOf(ranked, bitsOf([...paints, p]));
      if (error < least) [chosen, least] = [p, error];
    }
    if (chosen < 0) return;
    paints.push(chosen);
  }
  let error = errorOf(ranked, bitsOf(paints));
  best.offer(paints, error);
  for (let improved = true; improved; ) {
    improved = false;
    for (const out of paints.filter((p) => !must.includes(p))) {
      for (const into of free) {
        if (paints.includes(into)) continue;
        const swapped = paints.map((p) => (p === out ? into : p));
        const tried = errorOf(ranked, bitsOf(swapped));
        best.offer(swapped, tried);
        if (tried < error - 1e-12) {
          paints = swapped;
          error = tried;
          improved = true;
          break;
        }
      }
      if (improved) break;
    }
  }
}

/** What a paint costs each target that uses it (Lagrange multipliers), targets by paints. */
type Prices = readonly Float64Array[];

interface Priced {
  readonly ranked: readonly Ranked[];
  /** What all targets would pay for each paint. */
  readonly worth: Float64Array;
}

/** Rankings under prices: each combination costs its error and what its paints cost. */
function price(ranked: readonly Ranked[], prices: Prices, paints: number): Priced {
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
function bestPrices(ranked: readonly Ranked[], must: readonly number[], free: readonly number[], size: number, goal: number, paints: number): Prices {
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

const binomial = (n: number, k: number): number => {
  let out = 1;
  for (let i = 1; i <= k; i++) out = (out * (n - k + i)) / i;
  return Math.round(out);
};

/**
 * Rankings without what no palette better than `limit` can use: a target's mix may cost at most the
 * limit less what the other targets cost at their very best.
 */
function worthwhile(ranked: readonly Ranked[], limit: number): readonly Ranked[] {
  if (!Number.isFinite(limit)) return ranked;
  const least = ranked.map(({ cost }) => cost[0] ?? 0);
  const all = least.reduce((sum, cost) => sum + cost, 0);
  return ranked.map((target, t) => {
    const most = limit - (all - least[t]);
    let end = target.cost.length;
    while (end > 1 && target.cost[end - 1] > most) end--;
    const { low, mid, high, cost, paints, count } = target;
    return { low: low.subarray(0, end), mid: mid.subarray(0, end), high: high.subarray(0, end), cost: cost.subarray(0, end), paints: paints.subarray(0, 3 * end), count: count.subarray(0, end) };
  });
}

/** Hears of progress and may stop the search by answering true. */
export type OnNode = (nodes: number) => boolean;
const ASK_EVERY = 512;

/** The choice was stopped. */
export class Stopped extends Error {}

/**
 * The best `most` palettes of one size, proven: branch and bound over which paints are in and which
 * are out. Two bounds cut the tree: each target's best mix among what may still be in, with no more
 * new paints than there is room for; and the relaxed choice under prices (see bestPrices).
 */
function chooseSize(all: readonly Ranked[], { must }: PaletteRules, free: readonly number[], size: number, most: number, paints: number, warm: { prices: Prices | null; start: readonly number[] }, onNode: OnNode): { choice: SizeChoice; prices: Prices } {
  const best = new Best(most);
  searchNearby(all, must, free, size, best, warm.start);
  searchNearby(all, must, free, size, best, []);
  const ranked = worthwhile(all, best.limit);
  const prices = bestPrices(ranked, must, free, size, best.limit === Infinity ? best.kept[0]?.error ?? 0 : best.limit, paints);
  const priced = price(ranked, prices, paints);
  const { worth } = priced;
  // Paints that earn most are decided first: taking them in keeps the bound, leaving them out raises it.
  const order = [...free].sort((a, b) => worth[b] - worth[a]);
  const targets = priced.ranked.length;
  // Where each target's best priced mix stands in its ranking, a row for each depth of the tree.
  const places = new Int32Array(targets * (order.length + 2));
  const totals = new Float64Array(paints);
  const each = Array.from({ length: size - must.length + 1 }, () => new Float64Array(ranked.length));
  const everything = bitsOf([...must, ...order]);
  const whole = ranked.map((target) => {
    const short = emptyShort(target.cost.length);
    shorten({ ...target, length: target.cost.length }, short, bitsOf(must), everything, Math.min(3, size - must.length), Infinity);
    return short;
  });
  const shorts = Array.from({ length: size - must.length + 1 }, (_, room) => (room >= Math.min(3, size - must.length) ? whole : ranked.map((target) => emptyShort(target.cost.length))));
  let nodes = 0;

  /** `row` is where this node's places lie; `priceBound` what the relaxed choice costs here. */
  const visit = (taken: readonly number[], depth: number, row: number, priceBound: number): void => {
    if (++nodes % ASK_EVERY === 1 && onNode(nodes)) throw new Stopped();
    const room = size - taken.length;
    const rest = order.length - depth;
    if (rest < room) return;
    if (room === 0 || rest === room) {
      const palette = [...taken, ...order.slice(depth, depth + room)];
      best.offer(palette, errorOf(ranked, bitsOf(palette)));
      return;
    }
    if (priceBound >= best.limit - 1e-9) return;
    if (room === 1) {
      lastPaint(shorts[1], bitsOf(taken), paints, totals);
      for (let i = depth; i < order.length; i++) if (totals[order[i]] < best.limit) best.offer([...taken, order[i]], totals[order[i]]);
      return;
    }
    const least = alone(shorts[room], bitsOf([...taken, ...order.slice(depth)]), best.limit, each[room]);
    if (least >= best.limit - 1e-9) return;
    const paint = order[depth];
    // Taking the paint in leaves the bound as it was: it was counted among those that earn most.
    const widened = [...taken, paint];
    const [now, still] = [bitsOf(widened), bitsOf([...widened, ...order.slice(depth + 1)])];
    // With three or more to come a mix can lack all its paints: there is nothing to cut until then.
    if (room <= 3) shorts[room].forEach((short, t) => shorten(short, shorts[room - 1][t], now, still, room - 1, best.limit - (least - each[room][t])));
    visit(widened, depth + 1, row, priceBound);
    // Leaving it out, the next one takes its place, and targets whose best mix held it look further.
    let bound = priceBound + worth[paint] - worth[order[depth + room]];
    const open = bitsOf([...taken, ...order.slice(depth + 1)]);
    const out = bitsOf([paint]);
    const next = targets * (depth + 1);
    for (let t = 0; t < targets; t++) {
      const target = priced.ranked[t];
      const at = places[row + t];
      const hit = (target.low[at] & out.low) !== 0 || (target.mid[at] & out.mid) !== 0 || (target.high[at] & out.high) !== 0;
      const to = hit ? firstWithin(target, open, at + 1) : at;
      places[next + t] = to;
      bound += (to < target.cost.length ? target.cost[to] : OUT_OF_REACH) - target.cost[at];
      if (bound >= best.limit + 1e3) break;
    }
    if (bound < best.limit - 1e-9) visit(taken, depth + 1, next, bound);
  };
  let root = 0;
  for (const p of must) root -= worth[p];
  for (let i = 0; i < Math.min(size - must.length, order.length); i++) root -= worth[order[i]];
  priced.ranked.forEach((target, t) => {
    places[t] = firstWithin(target, everything, 0);
    root += target.cost[places[t]];
  });
  visit(must, 0, 0, root);
  return {
    prices,
    choice: { size, best: best.kept, outOf: binomial(free.length, size - must.length), nodes },
  };
}

/** A target's ranking cut down to what can still matter in a part of the tree. */
interface Short {
  low: Uint32Array;
  mid: Uint32Array;
  high: Uint32Array;
  cost: Float64Array;
  length: number;
}

const emptyShort = (room: number): Short => ({ low: new Uint32Array(room), mid: new Uint32Array(room), high: new Uint32Array(room), cost: new Float64Array(room), length: 0 });

/** Keeps of a ranking what lies in the open set with at most `room` paints that are not taken yet and costs at most `most`, down to the best that the taken ones do alone. */
function shorten(from: Short, to: Short, taken: Bits, open: Bits, room: number, most: number): void {
  const [outLow, outMid, outHigh] = [~open.low, ~open.mid, ~open.high];
  const [newLow, newMid, newHigh] = [~taken.low, ~taken.mid, ~taken.high];
  let n = 0;
  for (let i = 0; i < from.length && from.cost[i] <= most; i++) {
    const low = from.low[i];
    const mid = from.mid[i];
    const high = from.high[i];
    if ((low & outLow) !== 0 || (mid & outMid) !== 0 || (high & outHigh) !== 0) continue;
    const missing = ones(low & newLow) + ones(mid & newMid) + ones(high & newHigh);
    if (missing > room) continue;
    to.low[n] = low;
    to.mid[n] = mid;
    to.high[n] = high;
    to.cost[n++] = from.cost[i];
    if (missing === 0) break;
  }
  to.length = n;
}

const gains = new Float64Array(MAX_PAINTS);

/** Weighted error of a set with each single paint added, for all paints at once, from rankings shortened to one new paint. */
function lastPaint(short: readonly Short[], taken: Bits, paints: number, totals: Float64Array): void {
  totals.fill(0, 0, paints);
  let base = 0;
  for (const { low, mid, high, cost, length } of short) {
    gains.fill(Infinity, 0, paints);
    let own = OUT_OF_REACH;
    for (let i = 0; i < length; i++) {
      const [l, m, h] = [low[i] & ~taken.low, mid[i] & ~taken.mid, high[i] & ~taken.high];
      if ((l | m | h) === 0) {
        own = cost[i];
        break;
      }
      const paint = l !== 0 ? 31 - Math.clz32(l) : m !== 0 ? 63 - Math.clz32(m) : 95 - Math.clz32(h);
      if (gains[paint] === Infinity) gains[paint] = cost[i];
    }
    base += own;
    for (let p = 0; p < paints; p++) if (gains[p] < own) totals[p] += gains[p] - own;
  }
  for (let p = 0; p < paints; p++) totals[p] += base;
}

/** Each target's best mix among the open paints in shortened rankings, with no more new paints than there is room for: into `each`, and their sum. */
function alone(short: readonly Short[], open: Bits, limit: number, each: Float64Array): number {
  let sum = 0;
  const [outLow, outMid, outHigh] = [~open.low, ~open.mid, ~open.high];
  for (let t = 0; t < short.length; t++) {
    const { low, mid, high, cost, length } = short[t];
    let found = OUT_OF_REACH;
    for (let i = 0; i < length; i++) {
      if ((low[i] & outLow) !== 0 || (mid[i] & outMid) !== 0 || (high[i] & outHigh) !== 0) continue;
      found = cost[i];
      break;
    }
    each[t] = found;
    sum += found;
    if (sum >= limit) break;
  }
  return sum;
}

/** Bits set, counted in parallel (Warren 2002, Hacker's Delight, figure 5-2). */
function ones(bits: number): number {
  if (bits === 0) return 0;
  let x = bits - ((bits >>> 1) & 0x55555555);
  x = (x & 0x33333333) + ((x >>> 2) & 0x33333333);
  return (((x + (x >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}

/**
 * For each size the best palettes of all that the rules allow, by the weighted mean of the targets'
 * errors; the optimum is exact for the given costs. Sizes that the rules can't fill are left out.
 * Throws a RangeError for more than 96 paints, and Stopped when `onNode` answers true.
 * @param most how many palettes to give for each size
 */
export function choosePalettes(costs: MixCosts, sizes: readonly number[], rules: PaletteRules = { must: [], never: [] }, most = 5, onNode: OnNode = () => false): readonly SizeChoice[] {
  if (costs.paints > MAX_PAINTS) throw new RangeError(`A palette is chosen from at most ${MAX_PAINTS} paints.`);
  const never = new Set(rules.never);
  const must = rules.must.filter((p) => !never.has(p));
  const ranked = costs.costs.map((target, t) => rank(costs, target, t, (p) => !never.has(p)));
  const free = Array.from({ length: costs.paints }, (_, p) => p).filter((p) => !never.has(p) && !must.includes(p));
  const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
  let warm: { prices: Prices | null; start: readonly number[] } = { prices: null, start: [] };
  return [...sizes].sort((a, b) => a - b).flatMap((size) => {
    if (size < Math.max(1, must.length) || size > must.length + free.length) return [];
    const { choice, prices } = chooseSize(ranked, { must, never: rules.never }, free, size, most, costs.paints, warm, onNode);
    warm = { prices, start: choice.best[0]?.paints ?? [] };
    return [{ ...choice, best: choice.best.map(({ paints, error }) => ({ paints, error: error / total })) }];
  });
}
