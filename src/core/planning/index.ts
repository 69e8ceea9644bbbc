/** What is to be painted, from what the photo shows. What the rest of the program may use of it. */
export { CURVE_AT, CURVE_KINDS, curveOf, paintedValue, type CurveKind, type CurveValues } from "./value-curve";
export { targetColour, type Wish } from "./target";
export { planPuddles, type PuddlePlan, type StandingPuddle } from "./puddle-plan";
