import type { Paper } from "../optics/paper";
import type { PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { compareColours } from "../colour/compare";
import { lchOfLab } from "../colour/lab";
import type { Lab } from "../colour/colour";

/** Strengths at which two measurements of a paint are held side by side. */
const COMPARED_LOADS = [0.8, 0.3, 0.08] as const;

/** How a paint changed from one measurement to a later one. */
export interface PaintChange {
  /** Per compared load: both colours and how the later differs. */
  readonly at: readonly {
    readonly load: number;
    readonly before: Lab;
    readonly after: Lab;
    readonly dE00: number;
    readonly words: readonly string[];
  }[];
  /** Largest of those differences. */
  readonly dE00: number;
  /** What that most likely means. */
  readonly verdict: "the same" | "faded" | "changed";
}

/** Two measurements of one paint differ by so many of their likely misses before it means anything. From memory. */
const SURE = 2.5;
/** Fading takes chroma and darkness together, in pale washes first: at least so much of the chroma. From memory. */
const FADED_CHROMA = 0.9;

/**
 * Compares two states of a paint on a paper. Within what both measurements are likely to miss it
 * is the same; greyer or paler and lighter in its tints it has faded, if the same swatch was
 * measured; anything else is another formula, batch or paper.
 */
export function paintChange(before: PaintModel, after: PaintModel, paper: Paper): PaintChange {
  const at = COMPARED_LOADS.map((load) => {
    const seen = (paint: PaintModel): Lab => predict([{ paint, parts: 1 }], load, paper).dry;
    const [one, two] = [seen(before), seen(after)];
    const { dE00, words } = compareColours(one, two);
    return { load, before: one, after: two, dE00, words };
  });
  const dE00 = Math.max(...at.map((step) => step.dE00));
  const miss = Math.hypot(before.measured?.miss ?? 0, after.measured?.miss ?? 0);
  const chroma = (lab: Lab): number => lchOfLab(lab).C;
  const tints = at.slice(1);
  const faded = tints.every(
    (tint) => tint.after.L > tint.before.L && chroma(tint.after) < FADED_CHROMA * chroma(tint.before),
  );
  return { at, dE00, verdict: dE00 <= SURE * miss ? "the same" : faded ? "faded" : "changed" };
}
