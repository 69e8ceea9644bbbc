import { grainOf } from "@/core/pigments";

/** How paint comes off again, in words. */
export const stainWords = (staining: number): string =>
  staining >= 0.7 ? "stains" : staining >= 0.4 ? "stains a little" : "lifts";

/** How a paint lies, in words: "granulates a little, stains". */
export const propertyWords = ({ granulation, staining }: { granulation: number; staining: number }): string =>
  `${grainOf(granulation)}, ${stainWords(staining)}`;
