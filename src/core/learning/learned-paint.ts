import { ASKED_LOADS, missOfUnsure } from "../calibration";
import { waterOfLoad, type Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { PaintModel } from "../mixing/paint";
import type { Optics } from "../pigments/optics";
import { chromaFactor, type Evidence } from "./evidence";
import type { Posterior } from "./posterior";
import { mixSlopes, opticsAt } from "./slopes";
import type { StateById } from "./state";

/** A paint as a painter's swatches have it, the habit with water in it: predictions take washes as they are meant. */
export interface LearnedPaint {
  readonly optics: Optics;
  /** How far predictions of its washes are likely to be off, median dE00. */
  readonly miss: number;
  /** Least and greatest load of it that was painted. */
  readonly loads: readonly [Load, Load];
  /** Swatches with it. */
  readonly swatches: number;
}

/** How much more pigment this painter's washes have than is meant: 1 for none. */
export const habitFactor = ({ layout, state }: Pick<Posterior, "layout" | "state">): number =>
  Math.exp(state[layout.habit]!);

/** How much more of a wash a paper shows than the painter's papers together; 1 for one that nothing was painted on. */
export function paperFactor({ layout, state }: Pick<Posterior, "layout" | "state">, paperId: string): number {
  const at = layout.papers.get(paperId);
  return at === undefined ? 1 : Math.exp(state[at]!);
}

/** A paint's optics as an earlier learning left them, the habit in them; null where it knew nothing of it. */
export function opticsLeft(
  { paints, habit }: StateById,
  { id, optics }: Pick<PaintModel, "id" | "optics">,
): Optics | null {
  const corrections = paints[id];
  if (!corrections) return null;
  const { K, S } = opticsAt(optics, Float64Array.from(corrections), 0);
  return { K: K.map((k) => Math.exp(habit) * k), S: S.map((s) => Math.exp(habit) * s) };
}

/**
 * A paint of the evidence as it was learned.
 * @param base as the handbook has it; the paint of the evidence
 * @param paper the sheet on which its washes' uncertainty is asked for
 * @returns null when no swatch has it
 */
export function learnedPaint(
  posterior: Posterior,
  base: PaintModel,
  evidence: readonly Evidence[],
  paper: Paper,
): LearnedPaint | null {
  const { layout, state, covariance } = posterior;
  const own = evidence.filter(({ mix }) => mix.some(({ paint }) => paint.id === base.id));
  if (own.length === 0) return null;
  const loads = own.map(({ mix, waterParts }) => {
    const total = mix.reduce((sum, { parts }) => sum + parts, 0);
    return mix.find(({ paint }) => paint.id === base.id)!.parts / total / (1 + waterParts);
  });
  const squares = ASKED_LOADS.map((load) => {
    const wash = { mix: [{ paint: base, parts: 1 }], waterParts: waterOfLoad(load), paper, over: null };
    const seen = mixSlopes(wash, layout, state);
    const spread = covariance.of(seen);
    return spread[0]! + (spread[4]! + spread[8]!) / chromaFactor(seen.lab) ** 2;
  });
  const factor = habitFactor(posterior);
  const { K, S } = opticsAt(base.optics, state, layout.paints.get(base.id));
  return {
    optics: { K: K.map((k) => factor * k), S: S.map((s) => factor * s) },
    miss: missOfUnsure(Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / squares.length)),
    loads: [Math.min(...loads), Math.max(...loads)],
    swatches: own.length,
  };
}
