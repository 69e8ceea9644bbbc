import type { Paper } from "../optics/paper";
import { GRANULATION_GAIN } from "../optics/texture";
import { predict } from "../mixing/predict";
import type { PaintModel } from "../mixing/paint";
import { medianOf } from "./card/pixels";
import type { MeasuredPatch } from "./patches";

/** Fewer paints than this don't tell what the sheet, the brush and the camera make of any wash. */
const LEAST_PAINTS = 4;
/** Unevenness that the camera and the bare sheet bring to a spot, standard deviation in L*. From memory. */
const BARE_TEXTURE = 0.25;
/** Loads that are tried for a wash, and the step at which its slope is taken (natural logarithm of the load). */
const [LIGHTEST, HEAVIEST, HALVINGS] = [0.01, 4, 14];
const STEP = 0.1;

/**
 * Washes differ by so much from what the pigments let expect before they are believed over them, in ln of the spread:
 * one and a half standard deviations of what washes show of foreign paints. Chosen on the foreign bench.
 */
const DOUBT = 0.5;

/** One paint of a sheet: as the handbook has it, and its washes. */
export interface PaintWashes {
  readonly base: PaintModel;
  readonly patches: readonly MeasuredPatch[];
}

/** How much lighter a wash gets with less load, L* for each unit of ln(load), where it is as light as it was read. */
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

/**
 * How much the paints of a sheet granulate, 0 to 1, by the unevenness of their washes; null for all of a sheet with
 * too few paints to compare. How large unevenness looks hangs on the paper's tooth, the brush and the size of the spots
 * it is read in, so paints are compared with one another: the sheet's middle paint granulates as the handbook says.
 * Most tubes hold what their label says, so only washes that clearly differ move a paint from its pigments.
 */
export function granulationOfSheet(paints: readonly PaintWashes[], paper: Paper): (number | null)[] {
  const spreads = paints.map((paint) => spreadOf(paint, paper));
  const said = paints.map(({ base }) => Math.log(1 + GRANULATION_GAIN * base.granulation));
  const beside = spreads.map((spread, i) => (spread === null ? null : Math.log(spread) - said[i]!));
  const known = beside.filter((one) => one !== null);
  if (known.length < LEAST_PAINTS) return paints.map(() => null);
  const sheet = medianOf(known);
  return beside.map((one, i) => {
    if (one === null) return null;
    const apart = one - sheet;
    const moved = said[i]! + Math.sign(apart) * Math.max(0, Math.abs(apart) - DOUBT);
    return Math.min(1, Math.max(0, (Math.exp(moved) - 1) / GRANULATION_GAIN));
  });
}
