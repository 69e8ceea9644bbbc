import type { Incumbents } from "./incumbents";
import type { SizeSearch } from "./size-search";
import { propagate } from "./cardinality-constraints";
import { emptySplit, PairBound, splitRankings } from "./pair-bound";
import { CLOSED, lacking, NONE, OPEN, statesOf, TAKEN, type States } from "./paint-set";
import { emptyRanked, errorOf, errorWithEach, OUT_OF_REACH, shorten, type Ranked } from "./ranking";

/** A step for so many parts of the tree: some milliseconds. */
const NODES_A_STEP = 16;

const SLACK = 1e-9;

const votes = new Float64Array(256);
/** How many of the targets with the fewest ways left are asked which paint to decide next. */
const ASKED = 4;

/** The open paint that the targets with the fewest ways left depend on most. */
function mostNeeded(ranked: readonly Ranked[], states: States, open: readonly number[]): number {
  votes.fill(0);
  const pressed = ranked
    .filter(({ code, length }) => length > 0 && lacking(code[0]!, states) !== 0)
    .sort((a, b) => a.length - b.length)
    .slice(0, ASKED);
  for (const { code, length } of pressed) {
    const v = 1 / (length * length);
    for (let i = 0; i < length; i++) {
      const c = code[i]!;
      if (lacking(c, states) >= CLOSED) continue;
      votes[c & 255]! += v;
      votes[(c >>> 8) & 255]! += v;
      votes[c >>> 16]! += v;
    }
  }
  let best = open[0]!;
  for (const p of open) if (votes[p]! > votes[best]!) best = p;
  return best;
}

/**
 * Finds all palettes that belong among the best, by branch and bound. The paint decided next is the
 * one that the targets with the fewest mixes left depend on most ("fail first", Haralick and
 * Elliott 1980); a part of the tree is cut when even each target's best mix among what may still be
 * in, with no more new paints than there are wells left, costs too much; and the last two wells are
 * filled by weighing all pairs at once. In steps, so that whoever waits for something else can leave it.
 * @param mostNodes parts of the tree after which it is left as it is: what was found then is good, but not proven
 * @returns how many parts of the tree were looked at, and whether they were all
 */
export function* branchAndBound(
  { all, must, free, kinds, size, paints }: SizeSearch,
  best: Incumbents,
  mostNodes = Infinity,
): Generator<void, { readonly nodes: number; readonly proven: boolean }> {
  const states = statesOf(must, free);
  const targets = all.length;
  const totals = new Float64Array(paints);
  const firsts = new Float64Array(targets);
  const lists: Ranked[][] = [all.map((target) => emptyRanked(target.length))];
  const pairBound = new PairBound(paints, targets);
  const split = emptySplit(all.map(({ length }) => length));
  let nodes = 0;
  let proven = true;

  /** Each target's cheapest mix that can still be had, from the places where it stood before. */
  const leastOf = (own: readonly Ranked[], places: Int32Array): number => {
    let sum = 0;
    own.forEach(({ code, cost, length }, t) => {
      let i = places[t]!;
      while (i < length && lacking(code[i]!, states) >= CLOSED) i++;
      places[t] = i;
      firsts[t] = i < length ? cost[i]! : OUT_OF_REACH;
      sum += firsts[t];
    });
    return sum;
  };

  function* branch(taken: readonly number[], level: number): Generator<void, void> {
    const wellsLeft = size - taken.length;
    const own = lists[level]!;
    const closed: number[] = [];
    const places = new Int32Array(targets);
    for (let first = true; ; first = false) {
      if (nodes >= mostNodes) {
        proven = false;
        break;
      }
      if (++nodes % NODES_A_STEP === 0) yield;
      const keeps = propagate(kinds, states, wellsLeft, paints, (p) => {
        states[p] = CLOSED;
        closed.push(p);
      });
      const open = free.filter((p) => states[p] === OPEN);
      if (!keeps || open.length < wellsLeft) break;
      if (wellsLeft === 0 || open.length === wellsLeft) {
        const palette = [...taken, ...open.slice(0, wellsLeft)];
        best.offer(palette, errorOf(own, statesOf(palette)));
        break;
      }
      const least = leastOf(own, places);
      if (least >= best.limit - SLACK) break;
      if (wellsLeft === 1) {
        errorWithEach(own, states, paints, totals);
        for (const p of open) if (totals[p]! < best.limit) best.offer([...taken, p], totals[p]!);
        break;
      }
      if (wellsLeft === 2) {
        splitRankings(own, states, split);
        pairBound.run(split, NONE, states, open, best.limit, (p, q, error) => {
          best.offer([...taken, p, q], error);
          return best.limit;
        });
        break;
      }
      if (wellsLeft === 3 && first) splitRankings(own, states, split);
      const paint = mostNeeded(own, states, open);
      states[paint] = TAKEN;
      if (wellsLeft === 3) {
        pairBound.run(
          split,
          paint,
          states,
          open.filter((p) => p !== paint),
          best.limit,
          (p, q, error) => {
            best.offer([...taken, paint, p, q], error);
            return best.limit;
          },
        );
      } else {
        const to = (lists[level + 1] ??= all.map((target) => emptyRanked(target.length)));
        own.forEach((target, t) => shorten(target, to[t]!, states, wellsLeft - 1, best.limit - (least - firsts[t]!)));
        yield* branch([...taken, paint], level + 1);
      }
      states[paint] = CLOSED;
      closed.push(paint);
    }
    for (const p of closed) states[p] = OPEN;
  }

  all.forEach((target, t) => shorten(target, lists[0]![t]!, states, size - must.length, Infinity));
  yield* branch(must, 0);
  return { nodes, proven };
}
