/**
 * From how much on a paint is said to granulate, and to granulate a little; 0 lies flat, 1 settles heavily. From
 * memory.
 */
const GRANULATES = 0.4;
const GRANULATES_A_LITTLE = 0.25;

/** How a paint settles, in words that every list, question and rule shares. */
export type Grain = "granulates" | "granulates a little" | "lies flat";

/** The word for an amount of granulation, 0 to 1. */
export const grainOf = (granulation: number): Grain =>
  granulation >= GRANULATES ? "granulates" : granulation >= GRANULATES_A_LITTLE ? "granulates a little" : "lies flat";
