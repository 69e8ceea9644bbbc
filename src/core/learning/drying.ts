import type { Load } from "../optics/load";
import { predict, type MixPart } from "../mixing/predict";
import type { Paper } from "../optics/paper";
import { inverseOfSymmetric } from "../numeric/inverse";

/** A wash that was seen wet and again when it had dried. */
export interface DriedWash {
  /** Its paints as they are known so far. */
  readonly mix: readonly MixPart[];
  readonly load: Load;
  readonly paper: Paper;
  /** How much lighter it dried, L*. */
  readonly lighter: number;
}

/** How unsure a pigment's drying shift is, common to all of a painter's washes and of its own. From memory. */
const SHIFT_UNSURE = { common: 0.05, own: 0.05 } as const;
/** Two looks at one wash, an hour apart: what their difference is off by, L*. From memory. */
const LOOKS_UNSURE = 2;
const BOUNDS = [0, 0.6] as const;
const STEP = 0.01;
const ROUNDS = 3;

const held = (shift: number): number => Math.min(BOUNDS[1], Math.max(BOUNDS[0], shift));

/**
 * Learns how much each paint's washes fade in drying (linear Gaussian update, linearised anew a few times).
 * @returns the drying shift by paint id, for every paint of the washes
 */
export function learnDrying(washes: readonly DriedWash[]): ReadonlyMap<string, number> {
  const prior = new Map(washes.flatMap(({ mix }) => mix.map(({ paint }) => [paint.id, paint.dryingShift] as const)));
  const ids = [...prior.keys()];
  const n = ids.length + 1;
  const at = new Float64Array(n);
  const shiftOf = (id: string): number => held(prior.get(id)! + at[0]! + at[1 + ids.indexOf(id)]!);
  const lighter = ({ mix, load, paper }: DriedWash, more: number): number => {
    const parts = mix.map(({ paint, parts: amount }) => ({
      paint: { ...paint, dryingShift: held(shiftOf(paint.id) + more) },
      parts: amount,
    }));
    const { dry, wet } = predict(parts, load, paper);
    return dry.L - wet.L;
  };
  for (let round = 0; round < ROUNDS; round++) {
    const precision = new Float64Array(n * n);
    const pull = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const sure = 1 / (i === 0 ? SHIFT_UNSURE.common : SHIFT_UNSURE.own) ** 2;
      precision[i * n + i]! += sure;
      pull[i]! -= sure * at[i]!;
    }
    for (const wash of washes) {
      const slope = (lighter(wash, STEP) - lighter(wash, -STEP)) / (2 * STEP);
      const off = wash.lighter - lighter(wash, 0);
      const total = wash.mix.reduce((sum, { parts }) => sum + parts, 0);
      const row = new Float64Array(n);
      row[0] = slope;
      for (const { paint, parts } of wash.mix) row[1 + ids.indexOf(paint.id)]! += (slope * parts) / total;
      for (let i = 0; i < n; i++) {
        pull[i]! += (row[i]! * off) / LOOKS_UNSURE ** 2;
        for (let j = 0; j < n; j++) precision[i * n + j]! += (row[i]! * row[j]!) / LOOKS_UNSURE ** 2;
      }
    }
    const covariance = inverseOfSymmetric(precision, n);
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) at[i]! += covariance[i * n + j]! * pull[j]!;
  }
  return new Map(ids.map((id) => [id, shiftOf(id)]));
}
