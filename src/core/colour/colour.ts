/** CIE tristimulus values, Y = 1 for the perfect diffuser, D65, 2 degree observer. */
export interface Xyz {
  readonly X: number;
  readonly Y: number;
  readonly Z: number;
}

/** CIELAB relative to D65. L 0 to 100. */
export interface Lab {
  readonly L: number;
  readonly a: number;
  readonly b: number;
}

/** Cylindrical CIELAB: chroma C and hue angle h in degrees, 0 to 360. */
export interface Lch {
  readonly L: number;
  readonly C: number;
  readonly h: number;
}

/** OKLab (Ottosson 2020): L 0 to 1. */
export interface Oklab {
  readonly L: number;
  readonly a: number;
  readonly b: number;
}

/** sRGB, each 0 to 1; `linear` is before the transfer curve, `encoded` after. */
export interface Rgb {
  readonly r: number;
  readonly g: number;
  readonly b: number;
}
