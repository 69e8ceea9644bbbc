import { paintModel, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { type PigmentShare } from "@/core/pigments";

/** A paint on its way to a worker, which makes its model of it. */
export interface PaintMessage {
  readonly id: string;
  readonly pigments: readonly PigmentShare[];
  readonly tintingStrength: number;
  readonly measured: MeasuredOptics | null;
}

/** A paint as it is sent to a worker. */
export const messageOf = ({ id, pigments, tintingStrength, measured }: PaintMessage): PaintMessage => ({
  id,
  pigments,
  tintingStrength,
  measured,
});

/** The optical model of a paint that was sent to a worker. */
export const modelOf = ({ id, pigments, tintingStrength, measured }: PaintMessage): PaintModel =>
  paintModel(id, pigments, tintingStrength, measured);
