import type { Lab } from "../colour/colour";
import type { GlazeLayer } from "../mixing/glaze";
import type { PaintModel } from "../mixing/paint";
import type { WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** How the colour of a dried swatch came to be known. */
export const READ_BY = ["meter", "sheet", "photo", "typed", "value"] as const;
export type ReadBy = (typeof READ_BY)[number];

/**
 * What a reading is off by when all goes well, CIELAB units near grey, one standard deviation: a meter, a photo of a
 * sheet with marks, a photo in which the bare paper was shown, numbers typed from elsewhere, a value judged against a
 * grey scale. A value says nothing of a* and b*. From memory.
 */
const READING_UNSURE: Readonly<Record<ReadBy, number>> = { meter: 0.5, sheet: 1.2, photo: 2.5, typed: 2, value: 4 };
/** Standard deviation that stands for "not read at all". */
const NOT_READ = 1e4;
/** The model itself, another brush, another corner of the sheet: what is left of each of L*, a*, b*. See REMAINS. */
const MODEL_UNSURE = 0.65;
/** Differences of a* and b* count less where colours are strong, as in CIE94 (CIE 116). */
const BY_CHROMA = 0.045;

/** A paint in a painted mix, as the handbook has it: what is learned are its corrections. */
interface PaintedPart {
  readonly paint: PaintModel;
  readonly parts: number;
}

/** A mix as it was, or could be, painted. */
export interface PaintedMix {
  readonly mix: readonly PaintedPart[];
  readonly waterParts: WaterParts;
  readonly paper: Paper;
  /** The dried wash that it lies on; null for bare paper. */
  readonly over: GlazeLayer | null;
}

/** A swatch whose recipe is known and whose dried colour was read. */
export interface Evidence extends PaintedMix {
  readonly id: string;
  readonly lab: Lab;
  readonly by: ReadBy;
  /** Swatches read from one photo share what its light was off by; null for one that stands alone. */
  readonly photo: string | null;
}

/** Standard deviations of what a reading says of L*, a* and b*, the model's own share in it. */
export function readingUnsure(by: ReadBy, lab: Lab): readonly [number, number, number] {
  const near = Math.hypot(READING_UNSURE[by], MODEL_UNSURE);
  const chroma = by === "value" ? NOT_READ : near * chromaFactor(lab);
  return [near, chroma, chroma];
}

/** By how much differences of a* and b* are seen less than at grey. */
export const chromaFactor = ({ a, b }: Lab): number => 1 + BY_CHROMA * Math.hypot(a, b);
