import { READ_VALUE } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import type { Lab } from "../colour/colour";
import type { PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";

/** What a base becomes as more of a darkener comes in. */
export interface DarkeningPath {
  /** Darkener's shares, 0 to 1 in even steps, with the dry colour at each. */
  readonly at: readonly {
    readonly share: number;
    readonly dry: Lab;
    readonly value: number;
    readonly chroma: number;
  }[];
  /** Least share from which more of it brings less than a tenth of a value step; 1 if it goes on to the end. */
  readonly noDarker: number;
  /** Least share at which two thirds of the base's chroma are gone; null if they never are. */
  readonly dead: number | null;
  /** It lightens: any of it makes the base paler. */
  readonly lightens: boolean;
}

const STEPS = 24;
/** What is left of the chroma of a dead mix. From memory. */
const DEAD = 1 / 3;

/** The path from a base to a darkener at one strength, and where it turns. */
export function darkeningPath(base: PaintModel, darkener: PaintModel, load: Load, paper: Paper): DarkeningPath {
  const at = Array.from({ length: STEPS + 1 }, (_, i) => {
    const share = i / STEPS;
    const mix = [
      { paint: base, parts: 1 - share },
      { paint: darkener, parts: share },
    ].filter(({ parts }) => parts > 0);
    const { dry } = predict(mix, load, paper);
    const { value, chroma } = describeColour(dry);
    return { share, dry, value, chroma };
  });
  const darkest = Math.min(...at.map(({ value }) => value));
  return {
    at,
    noDarker: at.find(({ value }) => value <= darkest + READ_VALUE)?.share ?? 1,
    dead: at.find(({ chroma, share }) => share > 0 && chroma <= DEAD * at[0]!.chroma)?.share ?? null,
    lightens: at[4]!.value > at[0]!.value + READ_VALUE,
  };
}
