import { deltaE00 } from "../colour/difference";
import { predict, type MixPart } from "../mixing/predict";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** A puddle to be mixed: its parts, and the weakest strength it is used at, where dirt shows most. */
interface PuddleToMix {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
}

/** Of every puddle before, what brush and rinsing water bring into the next. From memory. */
const CARRIED = 0.01;
/** Up to so many puddles every order is weighed; with more, single puddles are moved while that helps. */
const MOST_EXACT = 14;

/** How far what brush and water carry over from one puddle shifts a later one, dE00. */
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

type Costs = readonly (readonly number[])[];

/**
 * The order that costs least where each one is spoilt by all before it (the linear ordering problem), by dynamic
 * programming over sets: whichever comes last of a set is spoilt by the rest of it.
 */
function exactOrder(cost: Costs): number[] {
  const n = cost.length;
  const best = new Float64Array(1 << n).fill(Infinity);
  const last = new Int8Array(1 << n);
  best[0] = 0;
  for (let set = 1; set < best.length; set++)
    for (let j = 0; j < n; j++) {
      if (!(set & (1 << j))) continue;
      const rest = set & ~(1 << j);
      let spoilt = best[rest]!;
      for (let i = 0; i < n && spoilt < best[set]!; i++) if (rest & (1 << i)) spoilt += cost[i]![j]!;
      if (spoilt < best[set]!) [best[set], last[set]] = [spoilt, j];
    }
  const order: number[] = [];
  for (let set = (1 << n) - 1; set > 0; set &= ~(1 << order[0]!)) order.unshift(last[set]!);
  return order;
}

const costOf = (order: readonly number[], cost: Costs): number =>
  order.reduce((sum, to, i) => order.slice(0, i).reduce((all, from) => all + cost[from]![to]!, sum), 0);

/** A good order of many: those first that spoil others least, then each moved to where it costs least. */
function goodOrder(cost: Costs): number[] {
  const spoils = cost.map((row) => row.reduce((sum, one) => sum + one, 0));
  const all = cost.map((_, i) => i);
  let best = [...all].sort((one, two) => spoils[one]! - spoils[two]!);
  let least = costOf(best, cost);
  for (let mended = true; mended;) {
    mended = false;
    for (const puddle of all)
      for (let to = 0; to < all.length; to++) {
        const moved = best.filter((i) => i !== puddle);
        moved.splice(to, 0, puddle);
        const now = costOf(moved, cost);
        if (now < least - 1e-9) [best, least, mended] = [moved, now, true];
      }
  }
  return best;
}

/**
 * In which order puddles are mixed so that brush and water that were used for those before spoil least: clean before
 * dirty, light before dark come of themselves. Exact for up to 14.
 * @returns the puddles' places
 */
export function mixingOrder(puddles: readonly PuddleToMix[], paper: Paper): readonly number[] {
  const cost = puddles.map((from, i) => puddles.map((to, j) => (i === j ? 0 : carriedOver(from, to, paper))));
  return puddles.length <= MOST_EXACT ? exactOrder(cost) : goodOrder(cost);
}
