/**
 * The computation's public face: everything the interface, the server and the workers may use.
 * Plain data in, plain data out; no clock, no DOM, no database.
 */
export type { Lab, Lch, Rgb, Xyz } from "./spectrum/colour";
export { lchOfLab, labOfXyz, xyzOfLab } from "./spectrum/lab";
export { screenColourOfLab, type ScreenColour } from "./spectrum/gamut";
export { deltaE00 } from "./spectrum/difference";
export { compareColours, HARDLY_SEEN, type Difference } from "./spectrum/compare";
export { describeColour, type ColourWords, type Warmth } from "./spectrum/describe";
export { luminanceOfValue, valueOfLuminance } from "./spectrum/munsell-value";
export { HANDBOOK, pigmentById, type Pigment } from "./pigment/handbook";
export { CONVENIENCE_MIXES } from "./pigment/handbook/convenience";
export type { Family, Hazard, Lightfastness } from "./pigment/record";
export { PAPERS, paperById, type Paper } from "./film/paper";
export { COUNTABLE_WATER, loadOfWater, strengthOf, waterOfLoad, waterWords, STRENGTHS, type Load, type WaterParts } from "./film/load";
export { washPixels, type WashShape } from "./film/wash-pixels";
export { drawnMix, type DrawnMix } from "./mix/load-colours";
export { paintModel, type PaintModel } from "./mix/paint";
export type { PigmentShare } from "./pigment/share";
export { predict, type MixPart, type Prediction } from "./mix/predict";
export { separationOf, type Separation } from "./mix/separation";
export { predictGlaze, type GlazeLayer } from "./mix/glaze";
export { chargePath, type Puddle } from "./mix/charge";
export { labelContradictions } from "./pigment/label-check";
export { searchPigments, type FoundPigment } from "./pigment/search";
export { looksOf } from "./mix/looks";
export { arrangePaints, BOX_ORDERS, fillWells, resizeWells, type BoxOrder } from "./palette/arrange";
export { findGaps, type Gap } from "./palette/gaps";
export { spreadPaints } from "./mix/spread";
export { findTwins, type Twins } from "./mix/twins";
export { hueOrder, tintingStrengthOf } from "./pigment/order";
export { colourLeft, fadedOptics, type Hanging } from "./pigment/fading";
export { WAVELENGTHS_NM } from "./spectrum/bands";
export { TOUCH } from "./mix/parts";
export { DEFAULT_MATCH, match, matchOver, prepareMatch, type MatchOptions, type Recipe, type RecipePart } from "./mix/match";
export { valueRange, type ValueRange } from "./mix/range";
export type { LikelyError } from "./mix/likely-error";
export { samplePhoto, type PixelArray, type Sample } from "./photo/sample";
export { decodeText } from "./formats/text";
export { guessColumns, PAINT_COLUMNS, readPaintRows, readTable, writeTable, type ColumnMap, type PaintColumn, type PaintRow, type RawTable } from "./formats/paint-table";
export { writeGimpPalette, type PaletteColour } from "./formats/gimp-palette";
