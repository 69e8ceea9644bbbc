export { featuresOf, superpixels, type Superpixels } from "./superpixels";
export { cutTree, mergeTree, type MergeTree } from "./merge-tree";
export { countLabels, emptyMap, labelAt, MAX_LABEL, packMap, pointWithin, unpackMap, withLabel, type LabelMap } from "./label-map";
export { outlinesOf, type Outline } from "./outline";
export { fillPolygon, snapToEdges, splitArea } from "./edit";
export { measureAreas, type AreaBorder, type AreaMeasure, type AreasMeasured } from "./measure";
export { relationsOf, type Light, type Plane, type RelatedArea, type Relation } from "./relations";
export { labelUncovered, uncoveredPieces } from "./uncovered";
