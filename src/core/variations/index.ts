/** Other mixes of the same value from the same puddle: keep the value, change the colour. */
export { laidMix, variationsOf, type LaidMix, type Variation } from "./variations";
export { neighboursOf, SHIFTS, shiftsOf, warmAndCool, type Shift } from "./choose";
