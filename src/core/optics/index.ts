/** Light in a film of paint on paper. What the rest of the program may use of it. */
export { PAPERS, paperById, type Paper } from "./paper";
export {
  COUNTABLE_WATER,
  MAX_LOAD,
  loadOfWater,
  washStrengthOf,
  waterOfLoad,
  waterWords,
  type Load,
  type WaterParts,
} from "./load";
export { washPixels } from "./wash-pixels";
