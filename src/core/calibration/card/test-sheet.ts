import type { Lab } from "../../colour/colour";
import type { CardRead } from "./read-card";

/**
 * Places of a box sheet that a painting's test sheet uses, one for each mix: every other line, so that there is room
 * for words beneath. Of each the left wash is painted.
 */
export const TEST_PLACES = [0, 1, 2, 3, 8, 9, 10, 11] as const;

/** As light and grey as this a place is bare paper: L* and chroma. From memory. */
const BARE = { L: 92, chroma: 4 } as const;

/** Colour that each mix of a test sheet dried to, by its place in order; null where nothing is painted. */
export function testedColours({ rows }: Pick<CardRead, "rows">): readonly (Lab | null)[] {
  const isBare = ({ L, a, b }: Lab): boolean => L > BARE.L && Math.hypot(a, b) < BARE.chroma;
  return TEST_PLACES.map((place) => {
    const lab = rows.find(({ row }) => row === place)?.places[0]?.reading.lab;
    return lab && !isBare(lab) ? lab : null;
  });
}
