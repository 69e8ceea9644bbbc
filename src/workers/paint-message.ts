import { paintModel, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { MAX_LOAD, type Load } from "@/core/optics";
import { type PigmentShare } from "@/core/pigments";

/** A paint on its way to a worker, which makes its model of it. */
export interface PaintMessage {
  readonly id: string;
  readonly pigments: readonly PigmentShare[];
  readonly tintingStrength: number;
  readonly measured: MeasuredOptics | null;
  /** The strongest load that it may be proposed at; left out where no approach limits it. */
  readonly strongest?: Load;
}

/** A paint as it is sent to a worker. */
export const messageOf = ({ id, pigments, tintingStrength, measured, strongest }: PaintMessage): PaintMessage => ({
  id,
  pigments,
  tintingStrength,
  measured,
  strongest,
});

/** The optical model of a paint that was sent to a worker. */
export const modelOf = ({
  id,
  pigments,
  tintingStrength,
  measured,
  strongest = MAX_LOAD,
}: PaintMessage): PaintModel => ({
  ...paintModel(id, pigments, tintingStrength, measured),
  strongest,
});
