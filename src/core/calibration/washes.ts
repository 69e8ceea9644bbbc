import { loadOfWater, type Load, type WaterParts } from "../optics/load";

/**
 * Water to one part of paint in each swatch of a card, from neat to pale; the last, across the line, comes from the
 * second puddle.
 */
export const CARD_WATER: readonly WaterParts[] = [0, 1.5, 6, 20, 1.5];

/** Load that each swatch of a card is meant to have. */
export const CARD_LOADS: readonly Load[] = CARD_WATER.map(loadOfWater);

/** Names of a card's swatches. */
export const WASH_NAMES: readonly string[] = ["neat", "strong", "light", "pale", "across the line"];

/**
 * Water to one part of paint in a box sheet's two washes. Of the pairs tried on the bench of foreign paints (thinned 3,
 * 5, 6 or 8 times) one about six times thinner tells most: mixes are missed by a quarter less at nine in ten.
 */
export const BOX_WATER: readonly WaterParts[] = [0, 6];
