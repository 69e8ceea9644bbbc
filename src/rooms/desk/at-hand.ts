import type { PaintModel } from "@/core/mixing";
import type { Paper } from "@/core/optics";
import { leftOutUnder, type Approach, type LeftOutReason } from "@/core/palette";

/** Why a paint at hand is not proposed. */
export type LeftOutWhy = LeftOutReason | "never";

/** The paints that a painting is planned from. */
export interface AtHand<P> {
  /** All that can be mixed from, those of the box that is taken along, or a chosen few. */
  readonly all: readonly P[];
  /** Those that may be proposed: what the approach leaves out or the painter never wants is not. */
  readonly proposed: readonly P[];
  readonly leftOut: ReadonlyMap<string, LeftOutWhy>;
}

/**
 * What of the paints at hand may be proposed.
 * @param never ids of paints that the painter doesn't want in the palette
 * @param insisted ids of paints that the painter wants in any case: no approach leaves them out
 */
export function atHandUnder<P extends { readonly id: string; readonly model: PaintModel }>(
  approach: Approach,
  all: readonly P[],
  paper: Paper,
  never: readonly string[],
  insisted: readonly string[],
): AtHand<P> {
  const reasons = leftOutUnder(
    approach,
    all.map(({ model }) => model),
    paper,
  );
  const leftOut = new Map(
    all.flatMap(({ id }, i): [string, LeftOutWhy][] => {
      const why = never.includes(id) ? "never" : reasons[i];
      return why && !insisted.includes(id) ? [[id, why]] : [];
    }),
  );
  return { all, leftOut, proposed: all.filter(({ id }) => !leftOut.has(id)) };
}
