import { deltaE00 } from "../colour/difference";
import { predict, type MixPart } from "../mixing/predict";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** A puddle to be mixed: its parts, and the weakest strength it is used at, where dirt shows most. */
export interface PuddleToMix {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
}

/** Of the puddle before, what a brush that was rinsed in a hurry brings into the next. From memory. */
const CARRIED = 0.03;
/** Up to so many puddles every order is weighed; with more, the best neighbour is taken and orders are mended. */
const MOST_EXACT = 12;

/** How far what a brush carries over from one puddle shifts the next, dE00. */
export function carriedOver(from: PuddleToMix, to: PuddleToMix, paper: Paper): number {
  const share = (mix: readonly MixPart[], of: number): MixPart[] => {
    const total = mix.reduce((sum, { parts }) => sum + parts, 0);
    return mix.map(({ paint, parts }) => ({ paint, parts: (of * parts) / total }));
  };
  const load = loadOfWater(to.waterParts);
  // What comes over is as strong as the puddle it comes from.
  const brought = (CARRIED * loadOfWater(from.waterParts)) / load;
  const clean = predict(to.mix, load, paper).dry;
  const dirty = predict([...share(to.mix, 1), ...share(from.mix, brought)], load * (1 + brought), paper).dry;
  return deltaE00(clean, dirty);
}

/** The path through all places that costs least, by dynamic programming over sets (Held and Karp 1962). */
function exactPath(cost: readonly (readonly number[])[]): number[] {
  const n = cost.length;
  const full = 1 << n;
  const best = Array.from({ length: full }, () => new Float64Array(n).fill(Infinity));
  const before = Array.from({ length: full }, () => new Int8Array(n).fill(-1));
  for (let i = 0; i < n; i++) best[1 << i]![i] = 0;
  for (let set = 1; set < full; set++)
    for (let last = 0; last < n; last++) {
      const so = best[set]![last]!;
      if (so === Infinity) continue;
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const to = set | (1 << next);
        if (so + cost[last]![next]! < best[to]![next]!) {
          best[to]![next] = so + cost[last]![next]!;
          before[to]![next] = last;
        }
      }
    }
  let [set, last] = [full - 1, 0];
  for (let i = 1; i < n; i++) if (best[set]![i]! < best[set]![last]!) last = i;
  const path: number[] = [];
  while (last >= 0) {
    path.unshift(last);
    const previous = before[set]![last]!;
    set &= ~(1 << last);
    last = previous;
  }
  return path;
}

const lengthOf = (path: readonly number[], cost: readonly (readonly number[])[]): number =>
  path.slice(1).reduce((sum, place, i) => sum + cost[path[i]!]![place]!, 0);

/** A path for many places: from every start the nearest next one, then each place moved to where it costs least. */
function goodPath(cost: readonly (readonly number[])[]): number[] {
  const all = cost.map((_, i) => i);
  // Clean ones first: those that spoil the others least.
  const spoils = cost.map((row) => row.reduce((sum, one) => sum + one, 0));
  let best: number[] = [...all].sort((one, two) => spoils[one]! - spoils[two]!);
  for (const start of all) {
    const path = [start];
    while (path.length < all.length) {
      const last = path[path.length - 1]!;
      path.push(
        all.filter((i) => !path.includes(i)).reduce((near, i) => (cost[last]![i]! < cost[last]![near]! ? i : near)),
      );
    }
    if (lengthOf(path, cost) < lengthOf(best, cost)) best = path;
  }
  for (let mended = true; mended;) {
    mended = false;
    for (const place of all)
      for (let to = 0; to < all.length; to++) {
        const moved = best.filter((i) => i !== place);
        moved.splice(to, 0, place);
        if (lengthOf(moved, cost) < lengthOf(best, cost) - 1e-9) [best, mended] = [moved, true];
      }
  }
  return best;
}

/**
 * In which order puddles are mixed so that a hurried rinsing spoils least: clean before dirty, light before dark come
 * of themselves. Exact for up to 12.
 * @returns the puddles' places
 */
export function mixingOrder(puddles: readonly PuddleToMix[], paper: Paper): readonly number[] {
  if (puddles.length === 0) return [];
  const cost = puddles.map((from, i) => puddles.map((to, j) => (i === j ? 0 : carriedOver(from, to, paper))));
  return puddles.length <= MOST_EXACT ? exactPath(cost) : goodPath(cost);
}
