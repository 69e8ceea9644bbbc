import { HARDLY_SEEN } from "./thresholds";
import type { Lab } from "./colour";
import { deltaE00 } from "./difference";
import { lchOfLab } from "./lab";
import { hueWord, temperatureOf } from "./describe";

/** How one colour differs from another, in numbers and in a painter's words. */
export interface Difference {
  readonly dE00: number;
  /** e.g. ["lighter", "a little greyer"]; empty when the two can hardly be told apart. */
  readonly words: readonly string[];
}

const degree = (amount: number, slight: number, strong: number, word: string): string | null => {
  if (amount < slight) return null;
  return amount < 2 * slight ? `a little ${word}` : amount < strong ? word : `much ${word}`;
};

/**
 * Describes `second` against `first`: lighter or darker, greyer or purer, warmer or cooler, and
 * where the hue leans when it turns by a visible amount.
 */
export function compareColours(first: Lab, second: Lab): Difference {
  const dE00 = deltaE00(first, second);
  if (dE00 < HARDLY_SEEN) return { dE00, words: [] };
  const one = lchOfLab(first);
  const two = lchOfLab(second);
  const dL = second.L - first.L;
  const dC = two.C - one.C;
  const dT = temperatureOf(second) - temperatureOf(first);
  const turn = ((two.h - one.h + 540) % 360) - 180;
  const dH = 2 * Math.sqrt(one.C * two.C) * Math.sin(((Math.abs(turn) / 2) * Math.PI) / 180);
  const words = [
    degree(Math.abs(dL), 2, 10, dL > 0 ? "lighter" : "darker"),
    degree(Math.abs(dC), 3, 15, dC > 0 ? "purer" : "greyer"),
    degree(Math.abs(dT), 3, 15, dT > 0 ? "warmer" : "cooler"),
    dH > 4 ? `leaning to ${hueWord(two.h + Math.sign(turn) * 20)}` : null,
  ].filter((word): word is string => word !== null);
  return { dE00, words: words.length > 0 ? words : ["slightly off in hue"] };
}
