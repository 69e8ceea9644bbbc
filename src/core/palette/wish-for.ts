import type { Lab } from "../colour/colour";
import { rankOnGrid } from "../mixing/closest";
import type { MixMetric } from "../mixing/metric";
import { paintModel, type PaintModel } from "../mixing/paint";
import { reachTableOf } from "../mixing/reach-table";
import type { Paper } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import { UNSEEN } from "./mix-costs";

/** What to do about a colour that no paint at hand reaches. */
export interface Wished {
  /** Pigment to wish for; null: none of the handbook helps enough, so let the colour go. */
  readonly pigmentId: string | null;
  /** Error with it. */
  readonly error: number;
}

/**
 * A pigment is worth wishing for when it takes away this share of the error, and at least this much of it. From
 * memory.
 */
const WORTH = { share: 0.4, least: 1.5 } as const;
/** Metals that are no advice for a painter. */
const UNWANTED = new Set(["lead", "antimony"]);

/**
 * For colours that some paints don't reach: the lasting pigment of the handbook that, alone or
 * with one of them, comes nearest.
 * @param errors that they are missed by now
 */
export function wishFor(
  targets: readonly Lab[],
  errors: readonly number[],
  paints: readonly PaintModel[],
  paper: Paper,
  metric: MixMetric,
): readonly Wished[] {
  const owned = new Set(paints.flatMap(({ pigmentIds }) => pigmentIds));
  const candidates = HANDBOOK.filter(
    ({ id, lightfastness, hazards = [] }) =>
      !owned.has(id) && lightfastness.class <= 2 && !hazards.some((metal) => UNWANTED.has(metal)),
  );
  const best: Wished[] = targets.map(() => ({ pigmentId: null, error: Infinity }));
  for (const { id } of candidates) {
    // The pigment alone and with each paint: what the paints make among themselves is known already.
    const combinations = [[0], ...paints.map((_, p) => [0, p + 1])];
    const table = reachTableOf(combinations, [paintModel(id, [{ pigmentId: id, share: 1 }]), ...paints], paper);
    targets.forEach((target, t) => {
      const { cost } = rankOnGrid(target, table, metric);
      const error = Math.max(0, Math.sqrt(cost.reduce((least, c) => Math.min(least, c), Infinity)) - UNSEEN);
      if (error < best[t]!.error) best[t] = { pigmentId: id, error };
    });
  }
  return best.map((wish, t) =>
    errors[t]! - wish.error >= Math.max(WORTH.least, WORTH.share * errors[t]!)
      ? wish
      : { pigmentId: null, error: errors[t]! },
  );
}
