/** Colours as people see them: spaces, differences, words. What the rest of the program may use of it. */
export type { Lab } from "./colour";
export { lchOfLab, xyzOfLab } from "./lab";
export { xyzOfReflectance } from "./xyz";
export { oklabOfLab } from "./oklab";
export { screenColourOfLab } from "./gamut";
export { deltaE00 } from "./difference";
export { compareColours, type Difference } from "./compare";
export { HARDLY_SEEN, NO_HUE_CHROMA, PAINTED_GREY_CHROMA, SHORTEST_MEETING } from "./thresholds";
export { describeColour } from "./describe";
export { lightnessOfValue, valueOfLuminance } from "./munsell-value";
export { WAVELENGTHS_NM } from "./bands";
export { linearSrgbOfLinearP3 } from "./display-p3";
export { srgbOfLinear } from "./srgb";
