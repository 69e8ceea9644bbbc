/** Made-up paints, sheets and a meter, with physics of their own. What the rest of the program may use of it. */
export { simulatedMeter } from "./meter";
export { madeUpSwatches } from "./made-up-swatches";
