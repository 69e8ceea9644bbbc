import { pairOf } from "../../numeric/tuples";
import { CLOSED, lacking, NONE, OPEN, type States } from "./paint-set";
import { emptyRanked, OUT_OF_REACH, type Ranked } from "./ranking";

/** Rankings of all targets, cut up so that the last paints can be weighed without looking at everything again. */
export interface Split {
  /** Mixes that lack at most two paints, cheapest first. */
  readonly few: readonly Ranked[];
  /**
   * Mixes that lack three, under each of those paints, cheapest first: those of paint p from `from[p]` to `from[p +
   * 1]`.
   */
  readonly three: readonly { readonly mixes: Ranked; readonly from: Uint32Array }[];
}

/** Room to split rankings of these lengths. */
export const emptySplit = (lengths: readonly number[]): Split => ({
  few: lengths.map(emptyRanked),
  three: lengths.map((length) => ({ mixes: emptyRanked(3 * length), from: new Uint32Array(258) })),
});

/** Splits rankings by what their mixes lack. */
export function splitRankings(ranked: readonly Ranked[], states: States, to: Split): void {
  ranked.forEach(({ code, cost, length }, t) => {
    const few = to.few[t]!;
    const { mixes, from } = to.three[t]!;
    from.fill(0);
    let n = 0;
    for (let i = 0; i < length; i++) {
      const c = code[i]!;
      if (lacking(c, states) < 3) {
        few.code[n] = c;
        few.cost[n++] = cost[i]!;
      } else {
        from[(c & 255) + 2]!++;
        from[((c >>> 8) & 255) + 2]!++;
        from[(c >>> 16) + 2]!++;
      }
    }
    few.length = n;
    for (let p = 3; p < 258; p++) from[p]! += from[p - 1]!;
    for (let i = 0; i < length; i++) {
      const c = code[i]!;
      if (lacking(c, states) < 3) continue;
      for (let shift = 0; shift < 24; shift += 8) {
        const at = from[((c >>> shift) & 255) + 1]!++;
        mixes.code[at] = c;
        mixes.cost[at] = cost[i]!;
      }
    }
  });
}

/**
 * Weighs all pairs of open paints at once, target by target: pairs that are over the limit already
 * are given up, and when none is left the other targets need not be looked at.
 */
export class PairBound {
  /**
   * What one target costs with one more paint, and with two: the latter valid where `seen` bears the target's stamp.
   */
  private readonly alone: Float64Array;
  private readonly together: Float64Array;
  private readonly seen: Int32Array;
  private stamp = 0;
  /** Pairs still in question and what they cost so far. */
  private readonly pair: Uint16Array;
  private readonly sum: Float64Array;
  /** What each target costs at least, and the order in which targets are looked at. */
  private readonly least: Float64Array;
  private readonly place = new Uint8Array(256);

  constructor(
    paints: number,
    private readonly targets: number,
  ) {
    this.alone = new Float64Array(paints);
    this.together = new Float64Array(paints * paints);
    this.seen = new Int32Array(paints * paints);
    this.pair = new Uint16Array((paints * (paints - 1)) / 2 + 1);
    this.sum = new Float64Array((paints * (paints - 1)) / 2 + 1);
    this.least = new Float64Array(targets);
  }

  /**
   * Calls `found` with every pair that costs less than `limit`; it returns the new limit.
   * @param just the paint taken since the split, whose mixes lack only two now; NONE when there is none
   */
  run(
    split: Split,
    just: number,
    states: States,
    open: readonly number[],
    limit: number,
    found: (p: number, q: number, error: number) => number,
  ): void {
    const { alone, together, seen, pair, sum, least, place, targets } = this;
    let rest = this.bounds(split, just, states);
    if (rest >= limit) return;
    const n = open.length;
    open.forEach((p, i) => (place[p] = i));
    let alive = 0;
    for (let p = 0; p < n; p++) for (let q = p + 1; q < n; q++) pair[alive++] = p * n + q;
    sum.fill(0, 0, alive);
    const order = [...least.keys()].sort((a, b) => split.few[a]!.length - split.few[b]!.length);
    for (let k = 0; k < targets && alive > 0; k++) {
      const t = order[k]!;
      const most = limit - (rest - least[t]!);
      this.stamp++;
      alone.fill(OUT_OF_REACH, 0, n);
      const { mixes, from } = split.three[t]!;
      let own = this.enter(split.few[t]!, 0, split.few[t]!.length, states, n, most, OUT_OF_REACH);
      if (just !== NONE) own = this.enter(mixes, from[just]!, from[just + 1]!, states, n, most, own);
      rest -= least[t]!;
      const { stamp } = this;
      let kept = 0;
      for (let i = 0; i < alive; i++) {
        const at = pair[i]!;
        const p = (at / n) | 0;
        const [one, two] = pairOf([alone[p]!, alone[at - p * n]!]);
        let cost = one < two ? one : two;
        if (own < cost) cost = own;
        if (seen[at] === stamp && together[at]! < cost) cost = together[at]!;
        const now = sum[i]! + cost;
        if (now + rest >= limit) continue;
        pair[kept] = at;
        sum[kept++] = now;
      }
      alive = kept;
    }
    for (let i = 0; i < alive; i++)
      if (sum[i]! < limit) limit = found(open[(pair[i]! / n) | 0]!, open[pair[i]! % n]!, sum[i]!);
  }

  /** Enters a target's mixes from a sorted ranking, down to the best of those that lack nothing, which is answered. */
  private enter(
    { code, cost }: Ranked,
    start: number,
    end: number,
    states: States,
    n: number,
    most: number,
    own: number,
  ): number {
    const { alone, together, seen, place, stamp } = this;
    for (let i = start; i < end && cost[i]! <= most && cost[i]! < own; i++) {
      const c = code[i]!;
      const p0 = c & 255;
      const p1 = (c >>> 8) & 255;
      const p2 = c >>> 16;
      const missing = states[p0]! + states[p1]! + states[p2]!;
      if (missing > 2) continue;
      if (missing === 2) {
        const p = place[states[p0] === OPEN ? p0 : p1]!;
        const q = place[states[p2] === OPEN ? p2 : p1]!;
        const at = p < q ? p * n + q : q * n + p;
        if (seen[at] !== stamp || cost[i]! < together[at]!) {
          seen[at] = stamp;
          together[at] = cost[i]!;
        }
      } else if (missing === 1) {
        const p = place[states[p0] === OPEN ? p0 : states[p1] === OPEN ? p1 : p2]!;
        if (cost[i]! < alone[p]!) alone[p] = cost[i]!;
      } else return cost[i]!;
    }
    return own;
  }

  /** What each target costs at least, by its best mix that can still be had: their sum. */
  private bounds({ few, three }: Split, just: number, states: States): number {
    let sum = 0;
    for (let t = 0; t < this.targets; t++) {
      const { code, cost, length } = few[t]!;
      let i = 0;
      while (i < length && lacking(code[i]!, states) >= CLOSED) i++;
      let least = i < length ? cost[i]! : OUT_OF_REACH;
      const { mixes, from } = three[t]!;
      if (just !== NONE)
        for (let j = from[just]!; j < from[just + 1]! && mixes.cost[j]! < least; j++)
          if (lacking(mixes.code[j]!, states) < CLOSED) least = mixes.cost[j]!;
      this.least[t] = least;
      sum += least;
    }
    return sum;
  }
}
