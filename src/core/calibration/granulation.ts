import type { Paper } from "../optics/paper";
import { GRANULATION_GAIN } from "../optics/texture";
import { predict } from "../mixing/predict";
import type { PaintModel } from "../mixing/paint";
import type { MeasuredPatch } from "./patches";

/** Fewer paints than this don't tell what the sheet, the brush and the camera make of any wash. */
const LEAST_PAINTS = 4;
/** Unevenness that the camera and the bare sheet bring to a spot of their own, standard deviation in L*. From memory. */
const BARE_TEXTURE = 0.25;
/** Loads that are tried for a wash, and the step at which its slope is taken (natural logarithm of the load). */
const [LIGHTEST, HEAVIEST, HALVINGS] = [0.01, 4, 14];
const STEP = 0.1;

/**
 * Standard deviations of ln(1 + gain times granulation): of a tube beside what the handbook says of its pigments, and
 * of what its washes show beside what it does. Chosen on the foreign bench (docs/learning.md says how).
 */
const TUBE_VARIES = 0.25;
const WASHES_VARY = 0.0001;

/** One paint of a sheet: as the handbook has it, and its washes. */
export interface PaintWashes {
  readonly base: PaintModel;
  readonly patches: readonly MeasuredPatch[];
}

/** How much lighter a wash becomes with less load, L* for each unit of ln(load), where it is as light as it was read. */
function slopeAt(paint: PaintModel, L: number, paper: Paper): number {
  const mix = [{ paint, parts: 1 }];
  const lightness = (load: number): number => predict(mix, load, paper).dry.L;
  let [low, high] = [LIGHTEST, HEAVIEST];
  for (let i = 0; i < HALVINGS; i++) {
    const middle = Math.sqrt(low * high);
    if (lightness(middle) > L) low = middle;
    else high = middle;
  }
  const load = Math.sqrt(low * high);
  return Math.max(0, (lightness(load * Math.exp(-STEP)) - lightness(load * Math.exp(STEP))) / (2 * STEP));
}

/** Relative spread of a paint's load from spot to spot of its washes; null where none shows it. */
function spreadOf({ base, patches }: PaintWashes, paper: Paper): number | null {
  let [seen, slopes] = [0, 0];
  for (const { what, leftOut, texture, lab } of patches) {
    if (what !== "wash" || leftOut || texture === undefined) continue;
    seen += Math.max(0, texture * texture - BARE_TEXTURE * BARE_TEXTURE);
    slopes += slopeAt(base, lab.L, paper) ** 2;
  }
  return seen > 0 && slopes > 0 ? Math.sqrt(seen / slopes) : null;
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
};

/**
 * How much the paints of a sheet granulate, 0 to 1, by the unevenness of their washes; null for all of a sheet with
 * too few paints to compare. How large unevenness looks hangs on the paper's tooth, the brush and the size of the spots
 * it is read in, so paints are compared with one another: the sheet's middle paint granulates as the handbook says.
 * What the washes show and what the handbook says are weighed by how far each is usually off.
 */
export function granulationOfSheet(paints: readonly PaintWashes[], paper: Paper): (number | null)[] {
  const gains = paints.map(({ base }) => Math.log(1 + GRANULATION_GAIN * base.granulation));
  const shown = paints.map((paint) => {
    const spread = spreadOf(paint, paper);
    return spread === null ? null : Math.log(spread);
  });
  const apart = shown.flatMap((spread, i) => (spread === null ? [] : [spread - gains[i]!]));
  if (apart.length < LEAST_PAINTS) return paints.map(() => null);
  const sheet = median(apart);
  const trust = TUBE_VARIES ** 2 / (TUBE_VARIES ** 2 + WASHES_VARY ** 2);
  return shown.map((spread, i) => {
    if (spread === null) return null;
    const gain = gains[i]! + trust * (spread - sheet - gains[i]!);
    return Math.min(1, Math.max(0, (Math.exp(gain) - 1) / GRANULATION_GAIN));
  });
}
