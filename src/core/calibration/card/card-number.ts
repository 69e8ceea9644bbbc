import { NUMBER_CELLS } from "./layout";

/** Largest number that a card can carry; 0 stands on the cut-out frame, which serves every card. */
export const MAX_CARD_NUMBER = 255;
export const FRAME_NUMBER = 0;

const checkOf = (number: number): number => (7 * (number & 15) + 3 * (number >> 4) + 5) & 15;

/** The number's cells from left to right, true for black. Throws a RangeError outside 0 to 255. */
export function cellsOfNumber(number: number): readonly boolean[] {
  if (!Number.isInteger(number) || number < 0 || number > MAX_CARD_NUMBER)
    throw new RangeError("A card's number lies between 0 and 255.");
  const bits = (number << 4) | checkOf(number);
  return Array.from({ length: NUMBER_CELLS }, (_, i) => ((bits >> (NUMBER_CELLS - 1 - i)) & 1) === 1);
}

/** The number that the cells spell, or null when the check doesn't hold. */
export function numberOfCells(cells: readonly boolean[]): number | null {
  const bits = cells.reduce((sum, black) => 2 * sum + (black ? 1 : 0), 0);
  const number = bits >> 4;
  return cells.length === NUMBER_CELLS && (bits & 15) === checkOf(number) ? number : null;
}
