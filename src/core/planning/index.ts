export { CURVE_AT, CURVE_KINDS, curveOf, paintedValue, type CurveKind, type CurveValues } from "./value-curve";
export { targetColour, wished, type Wish } from "./target";
