/**
 * What is to be painted, from what the photo shows; in how few puddles, in which order, how much and when. What the
 * rest of the program may use of it.
 */
export { CURVE_AT, CURVE_KINDS, curveOf, paintedValue, type CurveKind, type CurveValues } from "./value-curve";
export { targetColour, type Wish } from "./target";
export { planPuddles, type PuddlePlan, type StandingPuddle } from "./puddle-plan";
export { BRUSHES, brushFor, type WashBrush } from "./brushes";
export { squeezedCm, type Ml } from "./amounts";
export { mixWells, type MixedWell } from "./wells";
export {
  paintOfFullWashMl,
  CRISP_BY,
  coatsByColour,
  coatsOf,
  waterOfCoats,
  liesUnder,
  RESERVES,
  WETNESSES,
  type AreaToPlan,
  type ColourToPlan,
  type CrispBy,
  type Conditions,
  type Reserve,
  type WashTask,
  type Wetness,
} from "./laid-washes";
export { meetsWet, type RuleWhy } from "./wash-rules";
export { paintingPlan, type BrokenRule, type PaintingPlan, type TimedWash } from "./painting-plan";
export { mixingOrder } from "./mixing-order";
export { sheetFields, sheetPixels, type SheetFields, type SheetWashKind } from "./sheet/sheet-pixels";
export { sheetLight, washLook, type WashLook } from "./sheet/wash-look";
export { sittingAt, type Sitting } from "./sitting";
export { correctedBy } from "./correction";
