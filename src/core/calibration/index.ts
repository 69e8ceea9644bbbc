/** A paint measured: the swatch card, its reading, the fit. What the rest of the program may use of it. */
export {
  CARD,
  cellBox,
  lineBox,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  KIND_CELLS,
  ROWS,
  swatchBox,
  SWATCHES,
  windowBox,
  type Box,
} from "./card/layout";
export { BOX_PLACES, BOX_WASHES, boxWash } from "./card/box-layout";
export { TEST_PLACES, testedColours } from "./card/test-sheet";
export { SHEET_KINDS, SHEETS, type SheetKind } from "./card/sheets";
export { cellsOfNumber, FRAME_NUMBER, MAX_CARD_NUMBER } from "./card/card-number";
export { homographyOf, mapPoint, type Homography } from "./card/homography";
export {
  findLitCard,
  placeKey,
  readCard,
  readLitCard,
  type CardRead,
  type LitCard,
  type RowRead,
} from "./card/read-card";
export {
  fitPatches,
  informationOfPatches,
  PATCH_KINDS,
  patchesOfRow,
  patchOfSpectrum,
  withoutCamera,
  type MeasuredPatch,
  type PaintFit,
  type PatchKind,
} from "./patches";
export type { FitRefusal, RowDoubt, RowRefusal, SheetRefusal } from "./refusal";
export { BOX_WATER, CARD_WATER, WASH_NAMES } from "./washes";
export { missOfKnown } from "./known-paint";
export { granulationOfSheet } from "./granulation";
export { paintChange, type PaintChange } from "./change";
export { MeterRefused, type ColourMeter, type MeterRefusal } from "./meter";

export { ASKED_LOADS, missOfUnsure } from "./fit/likely-miss";
