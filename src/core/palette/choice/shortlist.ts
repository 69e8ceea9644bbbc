import { MAX_PAINTS, ones, type Bits } from "./bits";
import { OUT_OF_REACH } from "./ranking";

/** A target's ranking cut down to what can still matter in a part of the tree. */
export interface Short {
  low: Uint32Array;
  mid: Uint32Array;
  high: Uint32Array;
  cost: Float64Array;
  length: number;
}

export const emptyShort = (room: number): Short => ({ low: new Uint32Array(room), mid: new Uint32Array(room), high: new Uint32Array(room), cost: new Float64Array(room), length: 0 });

/** Keeps of a ranking what lies in the open set with at most `room` paints that are not taken yet and costs at most `most`, down to the best that the taken ones do alone. */
export function shorten(from: Short, to: Short, taken: Bits, open: Bits, room: number, most: number): void {
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
export function lastPaint(short: readonly Short[], taken: Bits, paints: number, totals: Float64Array): void {
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
export function alone(short: readonly Short[], open: Bits, limit: number, each: Float64Array): number {
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
