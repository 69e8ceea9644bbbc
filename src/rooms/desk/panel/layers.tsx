import { layersOf } from "@/core/mixing";
import { loadOfWater, waterWords, type WaterParts } from "@/core/optics";
import { waterOfCoats } from "@/core/planning";

/** "in two layers of 1 paint : 3 water", or null where it is laid in one. */
export const layersWords = (waterParts: WaterParts, coats: number): string | null =>
  coats > 1 ? `in ${coats === 2 ? "two" : "three"} layers of ${waterWords(waterOfCoats(waterParts, coats))}` : null;

/** In how many coats a mix would be laid over so much paper by itself: one that is only looked at. */
export const coatsAlone = (waterParts: WaterParts, areaCm2: number): number =>
  layersOf(loadOfWater(waterParts), areaCm2).layers;

/** How a mix is laid that its wash is too large for in one go; nothing where it is not. */
export function Layers({ waterParts, coats }: { waterParts: WaterParts; coats: number }) {
  const words = layersWords(waterParts, coats);
  if (!words) return null;
  return (
    <p
      className="leading-snug"
      title="As heavy as this a wash of that size streaks. Thinner films, one over the other, make the same colour."
    >
      Laid <b>{words}</b>, dry between
    </p>
  );
}
