export { PAPERS, paperById, type Paper } from "./paper";
export { COUNTABLE_WATER, loadOfWater, washStrengthOf, waterOfLoad, waterWords, WASH_STRENGTHS, type Load, type WaterParts } from "./load";
export { washPixels, type WashShape } from "./wash-pixels";
