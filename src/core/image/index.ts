/** A photo's pixels: sampled, framed, whitened, seen in different ways. What the rest of the program may use of it. */
export { samplePhoto, type Sample } from "./sample";
export {
  areaImageOf,
  BLOCKED_BYTE,
  BURNT_BYTE,
  labOfLinear,
  LINEAR,
  mapSizeOf,
  resized,
  shapeImageOf,
  type AreaImage,
  type PixelArray,
} from "./pixels";
export { againstAlignment, alignPhotos, alongAlignment, MIDDLE_ON_MIDDLE, SAME_MOTIF, type Alignment } from "./align";
export { colourBesidePaper } from "./beside-paper";
export { AS_IT_IS, rewhiten, whiteMatrix, type WhiteMatrix } from "./white";
export {
  frameMask,
  keepInside,
  MAX_ANGLE_DEGREES,
  photoOfSheet,
  sheetOfPhoto,
  wholePhoto,
  widestFrame,
  type Frame,
  type Point,
  type Size,
} from "./frame";
export * as viewing from "./views";
export type { ViewKind } from "./views";
export { comparePoints } from "./compare-points";
export { MAX_STEPS, MIN_STEPS, stepGrey, stepLimits, stepShares, stepValue } from "./value-steps";
export { lostValues } from "./lost-values";
