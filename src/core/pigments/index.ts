/** The handbook of pigments. What the rest of the program may use of it. */
export { HANDBOOK, isKnownPigment, pigmentById, presentPigmentId, type Pigment } from "./handbook";
export { CONVENIENCE_MIXES } from "./handbook/convenience";
export { grainOf, type Grain } from "./granulation";
export type { Hazard } from "./record";
export type { PigmentShare } from "./share";
export { labelContradictions } from "./label-check";
export { COMMON } from "./common";
export { readPaintList } from "./read-list";
export { answersTo, searchPigments, type FoundPigment } from "./search";
export { hueOrder, tintingStrengthOf } from "./order";
