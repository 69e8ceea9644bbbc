import { tripleOf } from "../numeric/tuples";
import { bradford } from "../image/white";
import { WEIGHTS_D50, WHITE_D65 } from "../colour/cie-tables";
import type { Reflectance } from "../colour/bands";
import type { Lab } from "../colour/colour";
import { labF, labFInverse, labOfXyz } from "../colour/lab";
import { gapIn, resample } from "../colour/resample";
import { FileError } from "./file-problem";

/** One colour of a file of measurements. */
export interface MeasuredColour {
  readonly name: string;
  /** Reflectance at the 36 bands, where the file has spectra. */
  readonly reflectance?: Reflectance;
  /** Lab as the file gives it, relative to the white it says, or D50. */
  readonly lab?: Lab;
}

/** A file of measured colours as read. */
export interface MeasuredColours {
  readonly colours: readonly MeasuredColour[];
  /** White of the Lab values. */
  readonly white: LabWhite;
}

export const LAB_WHITES = ["D50", "D65"] as const;
export type LabWhite = (typeof LAB_WHITES)[number];

/** White of the graphic trade's Lab values, CIE illuminant D50 for the 2 degree observer (ISO 13655). */
export const WHITE_D50 = { X: 0.96422, Y: 1, Z: 0.82521 } as const;
const D65 = { X: WHITE_D65[0], Y: 1, Z: WHITE_D65[2] };
const TO_D65 = bradford(WHITE_D50, D65);
const TO_D50 = bradford(D65, WHITE_D50);

const xyzUnder = ({ L, a, b }: Lab, white: { X: number; Y: number; Z: number }) => {
  const fy = (L + 16) / 116;
  return { X: white.X * labFInverse(fy + a / 500), Y: labFInverse(fy), Z: white.Z * labFInverse(fy - b / 200) };
};

const apply = (m: readonly number[], { X, Y, Z }: { X: number; Y: number; Z: number }) => ({
  X: m[0]! * X + m[1]! * Y + m[2]! * Z,
  Y: m[3]! * X + m[4]! * Y + m[5]! * Z,
  Z: m[6]! * X + m[7]! * Y + m[8]! * Z,
});

/** Lab relative to D65 of Lab relative to the given white; from D50 by the Bradford transform. */
export function labUnderD65(lab: Lab, white: LabWhite): Lab {
  return white === "D65" ? lab : labOfXyz(apply(TO_D65, xyzUnder(lab, WHITE_D50)));
}

/** Lab relative to D50, as the graphic trade's files have it, of Lab relative to D65. */
export function labUnderD50(lab: Lab): Lab {
  const { X, Y, Z } = apply(TO_D50, xyzUnder(lab, D65));
  const [fx, fy, fz] = [labF(X / WHITE_D50.X), labF(Y), labF(Z / WHITE_D50.Z)];
  return { L: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) };
}

/** Lab relative to D50 of a reflectance, summed under D50 itself. */
export function labOfReflectanceD50(reflectance: ArrayLike<number>): Lab {
  const [fx, fy, fz] = tripleOf(
    WEIGHTS_D50.map((weights) =>
      labF(weights.reduce((sum, w, i) => sum + w * reflectance[i]!, 0) / weights.reduce((sum, w) => sum + w, 0)),
    ),
  );
  return { L: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) };
}

/** A number as files write it, with a point or a comma; NaN for none. */
export const numberIn = (text: string): number => (text.trim() === "" ? NaN : Number(text.trim().replace(",", ".")));

/** Wavelength that a column's name tells, nm: SPEC_380, nm450, R_500nm, SPECTRAL_NM_710, 620; NaN for none. */
export function wavelengthIn(name: string): number {
  const match = /^(?:spec(?:tral)?_?(?:nm)?_?|nm_?|r_?)?(\d{3}(?:\.\d+)?)(?:\s*nm)?$/i.exec(name.trim());
  const nm = match ? Number(match[1]) : NaN;
  return nm >= 300 && nm <= 1100 ? nm : NaN;
}

/**
 * A spectrum at the 36 bands from a file's values, which are shares or per cents. Throws a RangeError with words for
 * the painter.
 */
export function reflectanceOf(
  wavelengthsNm: readonly number[],
  values: readonly number[],
  percent: boolean,
): Reflectance {
  if (values.some((v) => !Number.isFinite(v))) throw new FileError({ code: "value missing" });
  const scaled = percent ? values.map((v) => v / 100) : values;
  if (scaled.some((v) => v < -0.02 || v > 1.6)) throw new FileError({ code: "not reflectance" });
  const gap = gapIn(wavelengthsNm);
  if (gap) throw new FileError(gap);
  return resample(
    wavelengthsNm,
    scaled.map((v) => Math.max(0, v)),
  );
}

/** Whether values of spectra are per cents: shares hardly pass 1.6. */
export const looksPercent = (values: readonly number[]): boolean => values.some((v) => v > 1.6);
