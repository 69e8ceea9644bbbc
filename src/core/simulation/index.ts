export { simulatedMeter } from "./meter";
export { madeUpSwatches } from "./made-up-swatches";
