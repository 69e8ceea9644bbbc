/** Which few paints serve a painting, and what each is worth. What the rest of the program may use of it. */
export { arrangePaints, BOX_ORDERS, fillWells, resizeWells, type BoxOrder } from "./arrange";
export { figuresOf, findingOthers, type Character, type OtherPalette } from "./characters";
export {
  costsShare,
  findingUntasted,
  posePalette,
  problemOf,
  servedIn,
  solvingPalette,
  withWeights,
  type FoundSize,
  type OnProgress,
  type PaletteChoice,
  type PaletteProblem,
  type PaletteQuestion,
  type PaletteStage,
  type ServedPalette,
} from "./problem";
export { closeUp } from "./close-up";
export { isLarge, findingWeighed, weighedTogether, type Weighed } from "./weighed";
export { choosePalettes, choosePrepared, prepareChoice } from "./choose";
export { HARDLY_HELPS, recommendedSize, servedBy } from "./gain";
export { mixCosts, UNSEEN, weighingOf, type TargetCosts, type MixCosts, type PaletteTarget } from "./mix-costs";
export { APPROACH_CHOICES, DEFAULT_APPROACH, SIZE_RANGE, wishUnder, type Approach, type ApproachKey } from "./approach";
export {
  approachPolicy,
  leftOutUnder,
  mixingUnder,
  modelUnder,
  type ApproachPolicy,
  type LeftOutReason,
  type MixingPolicy,
} from "./policy";
export { isKind, KINDS, traitsOf, type Kind, type PaintTraits } from "./traits";
export { startingPoints, type StartingPoint, type Structure } from "./starting-points";
export { DOES_NOTHING, savedMixing, worthOf, type PaletteWorth, type Saving } from "./worth";
export { wishFor, type Wished } from "./wish-for";
export { latticeOf, type Lattice } from "./reach/lattice";
export { darkestOf, PLANE_HALF, sliceAt, withinSlice, type ReachSlice, type SlicePoint } from "./reach/slice";
export { GAMUT_TABLE_MISS, gamutTable, type GamutTable } from "./reach/gamut-table";
export { findingGaps } from "./gaps";
export { MAX_PAINTS as MOST_WEIGHED } from "./search/paint-set";
export { boxProblemOf, NEEDED, packBox, type BoxProblem, type PackedBox, type PackedPaint } from "./box";
