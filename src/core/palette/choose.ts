import { bitsOf, MAX_PAINTS } from "./choice/bits";
import { Best, searchNearby } from "./choice/nearby";
import { bestPrices, price } from "./choice/prices";
import { errorOf, firstWithin, OUT_OF_REACH, rank, worthwhile, type Ranked } from "./choice/ranking";
import { alone, emptyShort, lastPaint, shorten } from "./choice/shortlist";
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

const binomial = (n: number, k: number): number => {
  let out = 1;
  for (let i = 1; i <= k; i++) out = (out * (n - k + i)) / i;
  return Math.round(out);
};

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
function chooseSize(all: readonly Ranked[], { must }: PaletteRules, free: readonly number[], size: number, most: number, paints: number, start: readonly number[], onNode: OnNode): SizeChoice {
  const best = new Best(most);
  searchNearby(all, must, free, size, best, start);
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
  return { size, best: best.kept, outOf: binomial(free.length, size - must.length), nodes };
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
  let last: readonly number[] = [];
  return [...sizes].sort((a, b) => a - b).flatMap((size) => {
    if (size < Math.max(1, must.length) || size > must.length + free.length) return [];
    const choice = chooseSize(ranked, { must, never: rules.never }, free, size, most, costs.paints, last, onNode);
    last = choice.best[0]?.paints ?? [];
    return [{ ...choice, best: choice.best.map(({ paints, error }) => ({ paints, error: error / total })) }];
  });
}
