import { fitPatches, type FitRefusal } from "@/core/calibration";
import { paintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import type { NewMeasurement, StoredFit } from "@/model/measurement";
import type { PaintEntry } from "@/model/paintbox";

/** Fits a paint to what was measured of it, as it is kept; or tells why it can't be. */
export function fitMeasurement(
  { pigments, tintingStrength, id }: Pick<PaintEntry, "id" | "pigments" | "tintingStrength">,
  { patches, paperId, granulation }: Pick<NewMeasurement, "patches" | "paperId" | "granulation">,
): StoredFit | { readonly refused: FitRefusal } {
  const label = paintModel(id, pigments, tintingStrength);
  const fit = fitPatches({ ...label, granulation: granulation ?? label.granulation }, patches, paperById(paperId));
  if ("refused" in fit) return fit;
  const { optics, rms, miss, loads, fitted } = fit;
  return { K: [...optics.K], S: [...optics.S], rms, miss, loads, fitted, granulation };
}
