import { BANDS } from "../colour/bands";
import { deltaE00 } from "../colour/difference";
import { drained } from "../numeric/in-turn";
import type { Paper } from "../optics/paper";
import { looksOf } from "./looks";
import type { PaintModel } from "./paint";

/** In what two paints of one colour may still be unlike. */
export type TwinTrait = "opacity" | "texture" | "staining" | "lasting";

/** Two paints of one colour; with no traits in `unlike` one of them is enough. */
export interface Twins {
  readonly first: string;
  readonly second: string;
  /** Largest difference at masstone, in a wash and in a tint, dE00. */
  readonly dE00: number;
  /** What they are unlike in, and which of the two has more of it (is more opaque, granulates, stains, lasts more). */
  readonly unlike: readonly { readonly trait: TwinTrait; readonly more: string }[];
}

/** Loads at which two paints are compared. */
const COMPARED_LOADS = [1, 0.25, 0.06];
/** Nearer than this everywhere, two paints have one colour. From memory. */
const TWIN_DE00 = 4;
/**
 * How far two may differ in L* over black at half load, in granulation, staining and class of lightfastness. From
 * memory.
 */
const ALIKE = { opacity: 8, texture: 0.3, staining: 0.35, lasting: 1 } as const;
const HALF_LOAD = 0.5;

/** All pairs of one colour among some paints: those that are alike in all else first, then the closest. */
export const findTwins = (...of: Parameters<typeof findingTwins>): readonly Twins[] => drained(findingTwins(...of));

/** {@link findTwins} a step for each paint: pairs grow with the square. */
export function* findingTwins(paints: readonly PaintModel[], paper: Paper): Generator<void, readonly Twins[]> {
  const looks = looksOf(paints, COMPARED_LOADS, paper);
  const overBlack = looksOf(paints, [HALF_LOAD], { ...paper, ground: new Float64Array(BANDS) });
  const traits = paints.map((paint, i): Readonly<Record<TwinTrait, number>> => ({
    opacity: overBlack[i]![0]!.L,
    texture: paint.granulation,
    staining: paint.staining,
    lasting: -paint.lightClass,
  }));
  const found: Twins[] = [];
  for (const [i, first] of paints.entries()) {
    yield;
    for (let j = i + 1; j < paints.length; j++) {
      const second = paints[j]!;
      // Lightness alone rules most pairs out before the full formula is worked.
      if (Math.abs(looks[i]![1]!.L - looks[j]![1]!.L) > 2 * TWIN_DE00) continue;
      const dE00 = Math.max(...COMPARED_LOADS.map((_, n) => deltaE00(looks[i]![n]!, looks[j]![n]!)));
      if (dE00 >= TWIN_DE00) continue;
      const unlike = (Object.keys(ALIKE) as TwinTrait[]).flatMap((trait) => {
        const apart = traits[i]![trait] - traits[j]![trait];
        return Math.abs(apart) > ALIKE[trait] - 1e-9 ? [{ trait, more: apart > 0 ? first.id : second.id }] : [];
      });
      found.push({ first: first.id, second: second.id, dE00, unlike });
    }
  }
  return found.sort((a, b) => Number(a.unlike.length > 0) - Number(b.unlike.length > 0) || a.dE00 - b.dE00);
}
