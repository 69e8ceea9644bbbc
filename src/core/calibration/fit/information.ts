import { inverseOfSymmetric } from "../../numeric/inverse";
import { CORRECTIONS, LIKELY } from "../../pigments/maker-variation";
import type { FittedOptics } from "./fit-optics";
import { scaleOfMisses } from "./likely-miss";

/** What swatches alone say of a paint's corrections, as a Gaussian: its precision, and precision times mean. */
export interface Information {
  /** CORRECTIONS squared numbers, row by row. */
  readonly precision: Float64Array;
  readonly pull: Float64Array;
}

/**
 * What a fit's readings say, without what was expected beforehand, loads left open: the normal matrix of the readings'
 * rows with the loads eliminated (Schur complement); at the best point it pulls as hard as the prior held back. Made
 * less sure as the fit meets its readings worse than was expected.
 */
export function informationOf({ solution: { at, slopes }, reducedChiSquare }: FittedOptics): Information {
  const [n, puddles] = [at.length, at.length - CORRECTIONS];
  const fromPrior = slopes.length - puddles - CORRECTIONS;
  const rows = slopes.filter((_row, i) => i < fromPrior || i >= fromPrior + CORRECTIONS);
  const normal = (i: number, j: number): number => rows.reduce((sum, row) => sum + row[i]! * row[j]!, 0);
  const loads = new Float64Array(puddles * puddles);
  for (let i = 0; i < puddles; i++)
    for (let j = 0; j < puddles; j++) loads[i * puddles + j] = normal(CORRECTIONS + i, CORRECTIONS + j);
  const open = inverseOfSymmetric(loads, puddles);
  const across = Array.from({ length: CORRECTIONS }, (_, i) =>
    Float64Array.from({ length: n - CORRECTIONS }, (_load, j) => normal(i, CORRECTIONS + j)),
  );
  const scale = 1 / scaleOfMisses(reducedChiSquare) ** 2;
  const precision = new Float64Array(CORRECTIONS * CORRECTIONS);
  for (let i = 0; i < CORRECTIONS; i++)
    for (let j = 0; j < CORRECTIONS; j++) {
      let value = normal(i, j);
      for (let k = 0; k < puddles; k++)
        for (let l = 0; l < puddles; l++) value -= across[i]![k]! * open[k * puddles + l]! * across[j]![l]!;
      precision[i * CORRECTIONS + j] = scale * value;
    }
  const pull = Float64Array.from({ length: CORRECTIONS }, (_, i) => {
    let value = (scale * at[i]!) / LIKELY[i]! ** 2;
    for (let j = 0; j < CORRECTIONS; j++) value += precision[i * CORRECTIONS + j]! * at[j]!;
    return value;
  });
  return { precision, pull };
}
