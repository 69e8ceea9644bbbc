/**
 * Paints of one combination in a single number, a byte each; a combination of fewer than three
 * fills up with NONE. So a look at three bytes of a table of states tells how it stands.
 */
export const NONE = 255;
/**
 * Most paints that a choice can be made from: all their mixes of up to three have to find room in a ranking's keys
 * (ranking.ts).
 */
export const MAX_PAINTS = 116;

/**
 * States of paints in a part of the search: laid out, still possible, left out. Three of them add up to how many a
 * combination lacks.
 */
export const TAKEN = 0;
export const OPEN = 1;
export const CLOSED = 8;
export type States = Uint8Array;

export const codeOf = (paints: readonly number[]): number =>
  (paints[0]! | ((paints[1] ?? NONE) << 8) | ((paints[2] ?? NONE) << 16)) >>> 0;

/** States of a palette: these taken, all others left out. */
export function statesOf(taken: Iterable<number>, open: Iterable<number> = []): States {
  const states = new Uint8Array(256).fill(CLOSED);
  for (const p of open) states[p] = OPEN;
  for (const p of taken) states[p] = TAKEN;
  states[NONE] = TAKEN;
  return states;
}

/** How many paints a combination lacks; CLOSED or more when it can't be had. */
export const lacking = (code: number, states: States): number =>
  states[code & 255]! + states[(code >>> 8) & 255]! + states[code >>> 16]!;
