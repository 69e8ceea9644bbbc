import { deltaE00 } from "../colour/difference";
import type { Paper } from "../optics/paper";
import { looksOf } from "./looks";
import type { PaintModel } from "./paint";

/** Two paints so close in masstone, wash and tint that one is enough. */
export interface Twins {
  readonly first: string;
  readonly second: string;
  /** Largest difference at masstone, in a wash and in a tint, dE00. */
  readonly dE00: number;
}

/** Loads at which two paints are compared. */
const COMPARED_LOADS = [1, 0.25, 0.06];
/** Nearer than this everywhere, two paints serve as one. From memory. */
const TWIN_DE00 = 4;
/** And no further apart than this in granulation. From memory. */
const TWIN_GRANULATION = 0.3;

/** All pairs of twins among some paints, closest first. */
export function findTwins(paints: readonly PaintModel[], paper: Paper): readonly Twins[] {
  const looks = looksOf(paints, COMPARED_LOADS, paper);
  const found: Twins[] = [];
  paints.forEach((first, i) => {
    for (let j = i + 1; j < paints.length; j++) {
      const second = paints[j];
      if (Math.abs(first.granulation - second.granulation) > TWIN_GRANULATION) continue;
      // Lightness alone rules most pairs out before the full formula is worked.
      if (Math.abs(looks[i][1].L - looks[j][1].L) > 2 * TWIN_DE00) continue;
      const dE00 = Math.max(...COMPARED_LOADS.map((_, n) => deltaE00(looks[i][n], looks[j][n])));
      if (dE00 < TWIN_DE00) found.push({ first: first.id, second: second.id, dE00 });
    }
  });
  return found.sort((a, b) => a.dE00 - b.dE00);
}
