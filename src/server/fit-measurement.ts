import { fitPatches, type FitRefusal } from "@/core/calibration";
import { paintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import type { NewMeasurement, StoredFit } from "@/model/measurement";
import type { PaintEntry } from "@/model/paintbox";

/** Fits a paint to what was measured of it, as it is kept; or tells why it can't be. */
export function fitMeasurement(
  { pigments, tintingStrength, id }: Pick<PaintEntry, "id" | "pigments" | "tintingStrength">,
  { patches, paperId }: Pick<NewMeasurement, "patches" | "paperId">,
): StoredFit | { readonly refused: FitRefusal } {
  const fit = fitPatches(paintModel(id, pigments, tintingStrength), patches, paperById(paperId));
  if ("refused" in fit) return fit;
  const { optics, rms, miss, loads, fitted } = fit;
  return { K: [...optics.K], S: [...optics.S], rms, miss, loads, fitted };
}
