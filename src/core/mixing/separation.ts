import { compareColours } from "../colour/compare";
import type { Lab } from "../colour/colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import { predict, type MixPart } from "./predict";

/** How a wash of several paints comes apart as it dries. */
export interface Separation {
  /** Paint that settles where it is put, and paint that travels to the edge; null when they keep together. */
  readonly stays: string | null;
  readonly travels: string | null;
  /** Colour in the paper's hollows and at the wash's edge. */
  readonly hollows: Lab;
  readonly edge: Lab;
  /** Difference between the two, dE00, beyond that of the same wash without separation. */
  readonly visible: number;
  readonly word: "keeps together" | "separates a little" | "separates" | "separates strongly";
}

/**
 * How much a full difference in weight shifts the shares between hollow and edge on cold pressed
 * paper: e^±SORTING. From memory.
 */
const SORTING = 0.85;
const USUAL_ROUGHNESS = 0.12;
/** Differences in weight below this keep together. */
const SAME_WEIGHT = 0.35;

/** How far heavy and light paints part on a paper, for a mix whose heaviest granulates so much; for {@link sorted}. */
export const sortingOn = (paper: Paper, granulation: number): number =>
  SORTING * Math.min(1.5, Math.sqrt(paper.roughness / USUAL_ROUGHNESS)) * Math.max(0.3, granulation);

/** A mix as it lies in the hollows (sorting above 0) or at the edge and on the hills (below 0). */
export function sorted(mix: readonly MixPart[], sorting: number): readonly MixPart[] {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const mean = mix.reduce((sum, { paint, parts }) => sum + (paint.weight * parts) / total, 0);
  return mix.map((part) => ({ ...part, parts: part.parts * Math.exp(sorting * (part.paint.weight - mean)) }));
}

/**
 * In a mix of a heavy and a light pigment the light one travels with the water: the heavy gathers
 * in the hollows, the light at the edge. Smooth paper and one paint alone show nothing of it. Throws
 * a RangeError for a mix of nothing.
 */
export function separationOf(mix: readonly MixPart[], load: Load, paper: Paper): Separation {
  if (mix.length === 0) throw new RangeError("A mix needs at least one paint.");
  const byWeight = [...mix].sort((a, b) => b.paint.weight - a.paint.weight);
  const heavy = byWeight[0].paint;
  const light = byWeight[byWeight.length - 1].paint;
  const apart = heavy.weight - light.weight;
  const sorting = apart < SAME_WEIGHT ? 0 : sortingOn(paper, heavy.granulation);
  const [hollowLoad, , hillLoad] = [...textureOf(paper.roughness, 0).loads].reverse();
  const hollows = predict(sorted(mix, sorting), load * hollowLoad, paper).dry;
  const edge = predict(sorted(mix, -sorting), load * hillLoad, paper).dry;
  const together = compareColours(
    predict(mix, load * hollowLoad, paper).dry,
    predict(mix, load * hillLoad, paper).dry,
  ).dE00;
  const visible = sorting === 0 ? 0 : Math.max(0, compareColours(hollows, edge).dE00 - together);
  const word =
    visible < 1
      ? "keeps together"
      : visible < 3
        ? "separates a little"
        : visible < 7
          ? "separates"
          : "separates strongly";
  return { stays: visible < 1 ? null : heavy.id, travels: visible < 1 ? null : light.id, hollows, edge, visible, word };
}
