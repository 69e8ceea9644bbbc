/** A set of up to 96 paints. */
export interface Bits {
  low: number;
  mid: number;
  high: number;
}

export const bitsOf = (paints: Iterable<number>): Bits => {
  const bits = { low: 0, mid: 0, high: 0 };
  for (const p of paints) {
    if (p < 32) bits.low |= 1 << p;
    else if (p < 64) bits.mid |= 1 << (p - 32);
    else bits.high |= 1 << (p - 64);
  }
  return bits;
};

export const MAX_PAINTS = 96;

/** Bits set, counted in parallel (Warren 2002, Hacker's Delight, figure 5-2). */
export function ones(bits: number): number {
  if (bits === 0) return 0;
  let x = bits - ((bits >>> 1) & 0x55555555);
  x = (x & 0x33333333) + ((x >>> 2) & 0x33333333);
  return (((x + (x >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
