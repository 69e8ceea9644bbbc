import { blendOptics, type Optics } from "../pigment/optics";
import type { PigmentShare } from "../pigment/share";
import { pigmentById, type Pigment } from "../pigment/handbook";

/** A paint as the film model sees it. */
export interface PaintModel {
  readonly id: string;
  readonly optics: Optics;
  /** Distinct handbook pigments, so that a convenience mix brings all of its own. */
  readonly pigmentIds: readonly string[];
  readonly granulation: number;
  /** -1 travels with the water, 1 drops where it is put. */
  readonly weight: number;
  /** Share of the load that seems to go in drying on a fully absorbent sheet. */
  readonly dryingShift: number;
  readonly basis: "typical" | "measured";
}

/** What a wash of a pigment with no known large shift loses in drying. From memory. */
const ORDINARY_DRYING_SHIFT = 0.05;

/**
 * Paint model from its pigments' typical optics.
 * @param tintingStrength 1 typical; a student's paint with filler has less. Scales K and S.
 */
export function paintModel(id: string, pigments: readonly PigmentShare[], tintingStrength = 1): PaintModel {
  const total = pigments.reduce((sum, { share }) => sum + share, 0);
  const known: { pigment: Pigment; share: number }[] = pigments.map(({ pigmentId, share }) => ({
    pigment: pigmentById(pigmentId),
    share: share / total,
  }));
  const mean = (of: (pigment: Pigment) => number): number => known.reduce((sum, { pigment, share }) => sum + share * of(pigment), 0);
  return {
    id,
    optics: blendOptics(known.map(({ pigment, share }) => ({ optics: pigment.optics, share: share * tintingStrength }))),
    pigmentIds: [...new Set(known.map(({ pigment }) => pigment.id))],
    granulation: mean(({ granulation }) => granulation),
    weight: mean(({ weight }) => weight),
    dryingShift: mean(({ dryingShift }) => dryingShift ?? ORDINARY_DRYING_SHIFT),
    basis: "typical",
  };
}
