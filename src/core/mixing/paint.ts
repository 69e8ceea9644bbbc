import { blendOptics, type Optics } from "../pigments/optics";
import { MAX_LOAD, type Load } from "../optics/load";
import type { PigmentShare } from "../pigments/share";
import { pigmentById, type Pigment } from "../pigments/handbook";

/** Optics fitted to a painter's own swatches, and what is known of how good they are. */
export interface MeasuredOptics {
  readonly K: readonly number[];
  readonly S: readonly number[];
  /** How far predictions of its washes are likely to be off, median dE00. */
  readonly miss: number;
  /** Least and greatest load that was measured. */
  readonly loads: readonly [Load, Load];
  /** Day of the measurement, e.g. "2026-11-25", and the way it was taken. */
  readonly on: string;
  readonly way: string;
  /** Swatches of the logbook that it was learned from; none for a measurement alone. */
  readonly swatches?: number;
  /** Swatches of the whole logbook: all of them speak of hand and habit. */
  readonly book?: number;
  /** Share of the load that seems to go in drying, where it was seen. */
  readonly dryingShift?: number;
  /** How much its washes granulate, 0 to 1, where they showed it. */
  readonly granulation?: number;
}

/** A paint as the film model sees it. */
export interface PaintModel {
  readonly id: string;
  readonly optics: Optics;
  /** Distinct handbook pigments, so that a convenience mix brings all of its own. */
  readonly pigmentIds: readonly string[];
  readonly granulation: number;
  /** -1 travels with the water, 1 drops where it is put. */
  readonly weight: number;
  /** 0 lifts to white paper, 1 dyes it. */
  readonly staining: number;
  /** The class of ASTM D5067 of its least lasting pigment, 1 excellent to 5 very poor. */
  readonly lightClass: number;
  /** Share of the load that seems to go in drying on a fully absorbent sheet. */
  readonly dryingShift: number;
  /** The strongest load that it may be proposed at: what the painter's approach allows. */
  readonly strongest: Load;
  /** The measurement that its optics stand on; null for the handbook's typical ones. */
  readonly measured: Pick<MeasuredOptics, "miss" | "loads" | "on" | "way" | "swatches" | "book"> | null;
}

/** What a wash of a pigment with no known large shift loses in drying. From memory. */
const ORDINARY_DRYING_SHIFT = 0.05;

/**
 * Paint model from its own measured optics where there are any, else from its pigments' typical ones.
 * @param tintingStrength 1 typical; a student's paint with filler has less. Scales K and S of the
 * handbook; what was measured has it in it already.
 */
export function paintModel(
  id: string,
  pigments: readonly PigmentShare[],
  tintingStrength = 1,
  measured: MeasuredOptics | null = null,
): PaintModel {
  const total = pigments.reduce((sum, { share }) => sum + share, 0);
  if (!(total > 0)) throw new RangeError("A paint has at least one pigment with a share above 0.");
  const known: { pigment: Pigment; share: number }[] = pigments.map(({ pigmentId, share }) => ({
    pigment: pigmentById(pigmentId),
    share: share / total,
  }));
  const mean = (of: (pigment: Pigment) => number): number =>
    known.reduce((sum, { pigment, share }) => sum + share * of(pigment), 0);
  const optics = measured
    ? { K: Float64Array.from(measured.K), S: Float64Array.from(measured.S) }
    : blendOptics(known.map(({ pigment, share }) => ({ optics: pigment.optics, share: share * tintingStrength })));
  return {
    id,
    optics,
    pigmentIds: [...new Set(known.map(({ pigment }) => pigment.id))],
    granulation: measured?.granulation ?? mean(({ granulation }) => granulation),
    weight: mean(({ weight }) => weight),
    staining: mean(({ staining }) => staining),
    lightClass: Math.max(...known.map(({ pigment }) => pigment.lightfastness.class)),
    dryingShift: measured?.dryingShift ?? mean(({ dryingShift }) => dryingShift ?? ORDINARY_DRYING_SHIFT),
    strongest: MAX_LOAD,
    measured,
  };
}

/** The strongest load that none of a mix's paints forbids. */
export const strongestOf = (paints: readonly Pick<PaintModel, "strongest">[]): Load =>
  Math.min(MAX_LOAD, ...paints.map(({ strongest }) => strongest));

const checksums = new WeakMap<Optics, number>();
function checksumOf(optics: Optics): number {
  const known = checksums.get(optics);
  if (known !== undefined) return known;
  let sum = 0;
  for (let i = 0; i < optics.K.length; i++) sum += (i + 1) * optics.K[i]! + (i + 101) * optics.S[i]!;
  checksums.set(optics, sum);
  return sum;
}

/**
 * Which paint in which state is meant: its id, its optics and how it settles. What was computed of it holds as long as
 * this stays.
 */
export const paintKey = ({ id, optics, granulation }: PaintModel): string =>
  `${id} ${checksumOf(optics)} ${granulation}`;
