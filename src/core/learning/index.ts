/** What a painter's own swatches teach. What the rest of the program may use of it. */
export { READ_BY, type Evidence, type PaintedMix, type ReadBy } from "./evidence";
export { type CardEvidence } from "./normal";
export { askedAbout, learning, leftBy, type Agreement, type LearnedBefore, type Posterior } from "./posterior";
export { habitFactor, learnedPaint, opticsLeft, paperFactor } from "./learned-paint";
export { learnDrying, type DriedWash } from "./drying";
export { choosingSwatches, MEDIAN_OF_EXPECTED, type WantedMix } from "./next-swatch";
export { drained } from "../numeric/in-turn";
export { type StateById } from "./state";
