import type { WaterParts } from "../optics/load";
import { brushFor } from "./brushes";

/** Millilitres, which are also cubic centimetres. */
export type Ml = number;
/** Thickness of the wet film that a wash leaves on the sheet, micrometres. */
export type Micrometres = number;

/** A colour that a puddle serves, as far as its amount hangs on it. */
export interface Laid {
  readonly areaCm2: number;
  readonly waterParts: WaterParts;
  readonly filmUm: Micrometres;
}

/** What one puddle takes. */
export interface PuddleAmount {
  /** What goes on the sheet, and what is mixed: that with a reserve, and what stays in brush and well. */
  readonly laidMl: Ml;
  readonly mixedMl: Ml;
  readonly waterMl: Ml;
  /** Of each paint of the mix, in its order. */
  readonly paintMl: readonly Ml[];
  /** How often the brush that suits its largest wash is filled. */
  readonly brushfuls: number;
}

/** Mixed beyond what the sheet takes; too little is the usual mistake. From memory. */
export const RESERVE = 0.3;
/** Of a full brush: what is rinsed out of it at the end; and what stays in the well. From memory. */
const LEFT_IN_BRUSH = 0.5;
const LEFT_IN_WELL_ML: Ml = 0.2;

/** Volume of a film on a sheet: 1 cm² under 1 µm is a ten thousandth of a millilitre. */
export const filmMl = (areaCm2: number, filmUm: Micrometres): Ml => areaCm2 * filmUm * 1e-4;

/**
 * Water and paint of one puddle that serves washes at one strength or several: each takes the volume of its film, and a
 * part of paint in every 1 + w parts of it. Water and paint add up to what is mixed.
 * @param parts of the paints in the mix
 */
export function puddleAmount(parts: readonly number[], served: readonly Laid[]): PuddleAmount {
  const total = parts.reduce((sum, part) => sum + part, 0);
  if (!(total > 0)) throw new RangeError("A puddle has at least one paint with parts above 0.");
  const onSheet = served.map(({ areaCm2, filmUm }) => filmMl(areaCm2, filmUm));
  const laidMl = onSheet.reduce((sum, ml) => sum + ml, 0);
  const brush = brushFor(Math.max(0, ...served.map(({ areaCm2 }) => areaCm2)));
  const lost = laidMl > 0 ? LEFT_IN_WELL_ML + LEFT_IN_BRUSH * Math.min(brush.ml, laidMl) : 0;
  const mixedMl = laidMl * (1 + RESERVE) + lost;
  const paint = served.reduce(
    (sum, { waterParts }, i) => sum + (laidMl > 0 ? onSheet[i]! / laidMl : 0) * (mixedMl / (1 + waterParts)),
    0,
  );
  return {
    laidMl,
    mixedMl,
    waterMl: mixedMl - paint,
    paintMl: parts.map((part) => (paint * part) / total),
    brushfuls: laidMl > 0 ? Math.max(1, Math.round(laidMl / brush.ml)) : 0,
  };
}

/** A bead of paint from a tube's mouth is so thick, cm. From memory. */
const BEAD_CM = 0.45;

/** Length of a bead squeezed from a tube, cm. */
export const squeezedCm = (ml: Ml): number => ml / (Math.PI * (BEAD_CM / 2) ** 2);
