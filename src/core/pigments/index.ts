export { HANDBOOK, pigmentById, type Pigment } from "./handbook";
export { CONVENIENCE_MIXES } from "./handbook/convenience";
export { grainOf } from "./granulation";
export type { Family, Hazard, Lightfastness } from "./record";
export type { PigmentShare } from "./share";
export { labelContradictions } from "./label-check";
export { searchPigments, type FoundPigment } from "./search";
export { hueOrder, tintingStrengthOf } from "./order";
export { colourLeft, fadedOptics, type Hanging } from "./fading";
