import { CLOSED, OPEN, TAKEN, type States } from "./paint-set";

/** How many paints of a kind a palette may hold: at least, at most. */
export interface CardinalityConstraint {
  readonly paints: readonly number[];
  readonly least: number;
  readonly most: number;
}

/**
 * Whether a palette begun can still keep the rules with so many wells left; paints that can't come
 * any more are closed, each by a call of `close`.
 */
export function propagate(
  kinds: readonly CardinalityConstraint[],
  states: States,
  wellsLeft: number,
  paints: number,
  close: (paint: number) => void,
): boolean {
  for (const { paints: kind, least, most } of kinds) {
    let has = 0;
    let can = 0;
    for (const p of kind) {
      if (states[p] === TAKEN) has++;
      else if (states[p] === OPEN) can++;
    }
    if (has > most || has + Math.min(wellsLeft, can) < least) return false;
    if (has === most) for (const p of kind) if (states[p] === OPEN) close(p);
    if (least - has !== wellsLeft || wellsLeft === 0) continue;
    // Every well left belongs to this kind.
    const within = new Set(kind);
    for (let p = 0; p < paints; p++) if (states[p] === OPEN && !within.has(p)) close(p);
  }
  return true;
}

/** Whether a whole palette keeps the rules. */
export const satisfiesConstraints =
  (kinds: readonly CardinalityConstraint[]) =>
  (palette: readonly number[]): boolean =>
    kinds.every(({ paints, least, most }) => {
      const has = palette.filter((p) => paints.includes(p)).length;
      return has >= least && has <= most;
    });

const binomial = (n: number, k: number): number => {
  let out = 1;
  for (let i = 1; i <= k; i++) out = (out * (n - k + i)) / i;
  return Math.round(out);
};

/** How many palettes of a size keep the rules: paints that belong to the same kinds are counted together. */
export function countPalettes(
  must: readonly number[],
  free: readonly number[],
  size: number,
  kinds: readonly CardinalityConstraint[],
): number {
  const signature = (p: number): string => kinds.map(({ paints }) => (paints.includes(p) ? 1 : 0)).join("");
  const groups = new Map<string, number>();
  for (const p of free) groups.set(signature(p), (groups.get(signature(p)) ?? 0) + 1);
  // Ways by how many paints there are, and how many of each kind.
  let ways = new Map<string, number>([
    [[must.length, ...kinds.map(({ paints }) => must.filter((p) => paints.includes(p)).length)].join(), 1],
  ]);
  for (const [kindsOf, members] of groups) {
    const next = new Map<string, number>();
    for (const [key, count] of ways) {
      const [held, ...of] = key.split(",").map(Number);
      for (let take = 0; take <= Math.min(members, size - held!); take++) {
        const to = [held! + take, ...of.map((has, k) => has + take * Number(kindsOf[k]))].join();
        next.set(to, (next.get(to) ?? 0) + count * binomial(members, take));
      }
    }
    ways = next;
  }
  let sum = 0;
  for (const [key, count] of ways) {
    const [held, ...of] = key.split(",").map(Number);
    if (held === size && of.every((has, k) => has >= kinds[k]!.least && has <= kinds[k]!.most)) sum += count;
  }
  return sum;
}

/** Closed states for a palette begun, for a try of the rules alone. */
export function couldBe(
  kinds: readonly CardinalityConstraint[],
  taken: readonly number[],
  free: readonly number[],
  wellsLeft: number,
  paints: number,
): boolean {
  if (kinds.length === 0) return true;
  const states = new Uint8Array(256).fill(CLOSED);
  for (const p of free) states[p] = OPEN;
  for (const p of taken) states[p] = TAKEN;
  const close = (p: number): void => void (states[p] = CLOSED);
  // Closing for one rule may break another: twice round settles what two rules do to each other.
  return propagate(kinds, states, wellsLeft, paints, close) && propagate(kinds, states, wellsLeft, paints, close);
}
