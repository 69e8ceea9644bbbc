/** What mixes of paints look like, and which mix makes a colour. What the rest of the program may use of it. */
export { drawnMix } from "./load-colours";
export { paintKey, paintModel, type PaintModel } from "./paint";
export { predict, type MixPart } from "./predict";
export { separationOf } from "./separation";
export { paperUnder, predictGlaze } from "./glaze";
export { chargePath } from "./charge";
export { looksOf } from "./looks";
export { newlyReached, ringMixes } from "./ring-reach";
export { ringPixels } from "./ring";
export {
  nearestStrength,
  otherStrengths,
  puddlesOf,
  SHARING_MAY_COST,
  type PuddleUse,
  type SharedPuddle,
} from "./puddles";
export { farthestPointSample } from "./farthest-point-sample";
export { findingTwins, type TwinTrait } from "./twins";
export { TOUCH } from "./parts";
export { fadedMix, HANGS, lastingSubstitute, TEST_MLXH, type Fading, type Hangs } from "./fading";
export { comesOut, type ComesOut } from "./comes-out";
export { HANDS, type Hand } from "./hand";
export { ANY_CHARACTER, GRAINS, type Laying, type WashCharacter } from "./character";
export { dryingUp, NO_TASTE, tastesOf, type Stock, type Taste } from "./taste";
export { DEFAULT_MATCH, matchOver, prepareMatch, type MatchOptions, type Recipe } from "./match";
export { combinationsOf, pigmentCount } from "./combinations";
export { joinedTable, makingReachTable, type GridColours, type ReachTable } from "./reach-table";
export { valueRange, type ValueRange } from "./range";
export { likelyErrorOf, type LikelyError } from "./likely-error";
export { type MeasuredOptics } from "./paint";
export { mixSteps } from "./steps";
export { layersOf, workableLoad } from "./workable";
