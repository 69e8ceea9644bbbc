import type { Lab } from "../colour/colour";
import { describeColour, temperatureOf } from "../colour/describe";
import { lchOfLab } from "../colour/lab";

/** One colour against another, as a painter asks. Positive: the first has more. */
export interface PointComparison {
  /** Munsell value steps by which the first is lighter. */
  readonly lighter: number;
  /** Temperature by which the first is warmer. */
  readonly warmer: number;
  /** CIELAB chroma by which the first is purer. */
  readonly purer: number;
}

/** Which of two colours is lighter, by how many value steps, which is warmer and which purer. */
export function comparePoints(first: Lab, second: Lab): PointComparison {
  return {
    lighter: describeColour(first).value - describeColour(second).value,
    warmer: temperatureOf(first) - temperatureOf(second),
    purer: lchOfLab(first).C - lchOfLab(second).C,
  };
}
