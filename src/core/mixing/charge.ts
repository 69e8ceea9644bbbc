import type { Lab } from "../colour/colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { predict, type MixPart } from "./predict";

/** A puddle: what is in it and how strong it is. */
export interface Puddle {
  readonly mix: readonly MixPart[];
  readonly load: Load;
}

/**
 * Two colours meeting on wet paper: the dry colours along the path from one puddle to the other,
 * both ends included. Between them lie mixtures of the two in proportion to their pigment.
 */
export function chargePath(from: Puddle, to: Puddle, paper: Paper, steps: number): readonly Lab[] {
  const share = (puddle: Puddle, amount: number): readonly MixPart[] => {
    const total = puddle.mix.reduce((sum, { parts }) => sum + parts, 0);
    return puddle.mix.map(({ paint, parts }) => ({ paint, parts: (amount * puddle.load * parts) / total }));
  };
  return Array.from({ length: steps }, (_, i) => {
    const t = i / (steps - 1);
    const mix = [...share(from, 1 - t), ...share(to, t)].filter(({ parts }) => parts > 0);
    return predict(mix, from.load * (1 - t) + to.load * t, paper).dry;
  });
}
