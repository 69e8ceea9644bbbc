import { grainOf } from "@/core/pigments";

/** How a paint lies, in words: "granulates a little, stains". */
export function propertyWords({ granulation, staining }: { granulation: number; staining: number }): string {
  const stain = staining >= 0.7 ? "stains" : staining >= 0.4 ? "stains a little" : "lifts";
  return `${grainOf(granulation)}, ${stain}`;
}
