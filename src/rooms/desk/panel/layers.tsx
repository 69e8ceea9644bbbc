import { layersOf } from "@/core/mixing";
import { loadOfWater, waterWords, type WaterParts } from "@/core/optics";

/** "in two layers of 1 paint : 3 water", or null where one will do. */
export function layersWords(waterParts: WaterParts, areaCm2: number): string | null {
  const each = layersOf(loadOfWater(waterParts), areaCm2);
  return each.layers > 1 ? `in ${each.layers === 2 ? "two" : "three"} layers of ${waterWords(each.waterParts)}` : null;
}

/** How a mix that is too heavy to be laid in one go over so much paper is laid; nothing where it is not. */
export function Layers({ waterParts, areaCm2 }: { waterParts: WaterParts; areaCm2: number }) {
  const words = layersWords(waterParts, areaCm2);
  if (!words) return null;
  return (
    <p
      className="leading-snug"
      title="As heavy as this a wash of that size streaks. Two thinner films make the same colour."
    >
      Over {areaCm2} cm² <b>{words}</b>, dry between
    </p>
  );
}
