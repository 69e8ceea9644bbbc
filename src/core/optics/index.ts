export { PAPERS, paperById, type Paper } from "./paper";
export { COUNTABLE_WATER, loadOfWater, strengthOf, waterOfLoad, waterWords, STRENGTHS, type Load, type WaterParts } from "./load";
export { washPixels, type WashShape } from "./wash-pixels";
