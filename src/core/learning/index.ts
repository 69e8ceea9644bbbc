/** What a painter's own swatches teach. What the rest of the program may use of it. */
export { READ_BY, type Evidence, type PaintedMix, type ReadBy } from "./evidence";
export { learning, type Agreement, type CardEvidence, type Posterior } from "./posterior";
export { habitFactor, learnedPaint, paperFactor } from "./learned-paint";
export { learnDrying, type DriedWash } from "./drying";
export { choosingSwatches, MEDIAN_OF_EXPECTED, type WantedMix } from "./next-swatch";
export { drained } from "../numeric/in-turn";
