/** Shapes in a photo: found, drawn, measured, related. What the rest of the program may use of it. */
export { featuresOf, superpixels, type Superpixels } from "./superpixels";
export { detailsOf, type AreaDetail } from "./detail";
export { cuesOf, type Cues } from "./cues";
export { mergeTree, type MergeTree } from "./merge-tree";
export {
  countLabels,
  emptyMap,
  labelAt,
  MAX_LABEL,
  packMap,
  pointWithin,
  unpackMap,
  withLabel,
  type LabelMap,
} from "./label-map";
export { outlinesOf, type Outline } from "./outline";
export { fillPolygon, splitArea } from "./edit";
export { knownPieces, snapToEdges, type KnownPieces } from "./snap";
export { measureAreas, type AreaMeasure, type AreasMeasured } from "./measure";
export { relationsOf, type Differences, type Light, type Plane, type Relation } from "./relations";
export { labelUncovered, uncoveredPieces } from "./uncovered";
export {
  BOTHER,
  ONE_VALUE,
  WASH_KINDS,
  washPlan,
  type WashColour,
  type WashKind,
  type WashPlan,
} from "./wash/wash-plan";
export { proposedCount, stableCounts } from "./stable-cuts";
export { squinted } from "./squint";
export { proposeShapes } from "./propose";
