/**
 * How far a painter's parts and water scatter: one standard deviation of the logarithm of each part, of the water, and
 * what a brush may pick up more or less, in parts of a mix of twelve. All from memory; a logbook may know better.
 */
export interface Hand {
  readonly parts: number;
  readonly water: number;
  readonly pickUp: number;
}

/** Three hands: one that counts drops, one that mixes as most do, one that mixes by eye and quickly. From memory. */
export const HANDS = {
  careful: { parts: 0.1, water: 0.08, pickUp: 0.08 },
  usual: { parts: 0.2, water: 0.15, pickUp: 0.15 },
  loose: { parts: 0.35, water: 0.25, pickUp: 0.25 },
} as const satisfies Readonly<Record<string, Hand>>;

/**
 * What mixing is worth being spared, dE00, by how many paints are in a mix: one paint straight from the well, a
 * second, a third. From memory: a painter
 * takes the simpler mix where the other is hardly nearer.
 */
const EFFORT = [0, 0.5, 1.5] as const;
/** The effort of a mix of so many paints, dE00. */
export const effortOf = (paints: number): number => EFFORT[Math.min(paints, EFFORT.length) - 1]!;

/**
 * Parts in the largest mix that is counted (see parts.ts): a small share is a small part of it, and picked up the less
 * surely.
 */
const PARTS_IN_A_MIX = 12;
/** However small a touch is, it is not further off than this: a hand sees that it has picked up much too much. */
const MOST_UNSURE = 0.8;

/** Standard deviation of the logarithm of one paint's part in a mix of two or more. */
export const partDeviation = (share: number, hand: Hand): number =>
  Math.min(MOST_UNSURE, Math.hypot(hand.parts, hand.pickUp / (PARTS_IN_A_MIX * Math.max(share, 1e-6))));

/**
 * How far more of each paint moves a mix's colour: squares of the judged differences by the logarithm of its part.
 * More of one paint is more pigment, and another ratio: of the first paint, to all the others.
 * @param shares of the paints, summing to 1
 * @param slopes of the judged differences (three a row) by the logarithm of the load, then by that of each further
 *   paint's ratio to the first: 3 x shares.length numbers
 * @param out one number for each paint
 */
export function movedSquares(shares: ArrayLike<number>, slopes: ArrayLike<number>, out: Float64Array): void {
  const n = shares.length;
  for (let i = 0; i < n; i++) {
    let square = 0;
    for (let k = 0; k < 3; k++) {
      let slope = shares[i]! * slopes[k]!;
      if (i > 0) slope += slopes[3 * i + k]!;
      else for (let j = 1; j < n; j++) slope -= slopes[3 * j + k]!;
      square += slope * slope;
    }
    out[i] = square;
  }
}

/** Squared error that a hand adds to a mix, first order; arguments as of {@link movedSquares}, and its result. */
export function handSquares(
  shares: ArrayLike<number>,
  slopes: ArrayLike<number>,
  moved: ArrayLike<number>,
  hand: Hand,
): number {
  let sum = 0;
  for (let k = 0; k < 3; k++) sum += (hand.water * slopes[k]!) ** 2;
  if (shares.length === 1) return sum;
  for (let i = 0; i < shares.length; i++) sum += partDeviation(shares[i]!, hand) ** 2 * moved[i]!;
  return sum;
}
