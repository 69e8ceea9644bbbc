import { loadOfWater } from "@/core/optics";
import type { OverWash } from "./match-api";
import { modelOf } from "./paint-message";

/** A wash that lies there already, as the film model sees it. */
export const layerOfWash = ({ parts: laid, waterParts }: OverWash) => ({
  mix: laid.map(({ paint, parts }) => ({ paint: modelOf(paint), parts })),
  load: loadOfWater(waterParts),
});
