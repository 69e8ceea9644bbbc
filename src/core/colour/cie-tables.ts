import { BANDS } from "./bands";

/**
 * CIE 1931 2 degree colour-matching functions, x̄ ȳ z̄ by 10 nm from 380 to 730 nm.
 * Source: CIE 015 (colorimetry), table of the 1931 standard observer; cie-tables.test.ts holds it to
 * the file of Debian's package colord-data, CIE1931-2deg-XYZ.cmf.
 */
export const CMF_1931: readonly number[] = [
  0.001368, 0.000039, 0.00645, 0.004243, 0.00012, 0.02005, 0.01431, 0.000396, 0.06785, 0.04351, 0.00121, 0.2074,
  0.13438, 0.004, 0.6456, 0.2839, 0.0116, 1.3856, 0.34828, 0.023, 1.74706, 0.3362, 0.038, 1.77211, 0.2908, 0.06, 1.6692,
  0.19536, 0.09098, 1.28764, 0.09564, 0.13902, 0.81295, 0.03201, 0.20802, 0.46518, 0.0049, 0.323, 0.272, 0.0093, 0.503,
  0.1582, 0.06327, 0.71, 0.07825, 0.1655, 0.862, 0.04216, 0.2904, 0.954, 0.0203, 0.43345, 0.99495, 0.00875, 0.5945,
  0.995, 0.0039, 0.7621, 0.952, 0.0021, 0.9163, 0.87, 0.00165, 1.0263, 0.757, 0.0011, 1.0622, 0.631, 0.0008, 1.0026,
  0.503, 0.00034, 0.85445, 0.381, 0.00019, 0.6424, 0.265, 0.00005, 0.4479, 0.175, 0.00002, 0.2835, 0.107, 0, 0.1649,
  0.061, 0, 0.0874, 0.032, 0, 0.04677, 0.017, 0, 0.0227, 0.00821, 0, 0.011359, 0.004102, 0, 0.00579, 0.002091, 0,
  0.002899, 0.001047, 0, 0.00144, 0.00052, 0,
];

/**
 * CIE standard illuminant D65, relative power by 10 nm, 100 at 560 nm. Source: CIE 015; held to the same package's
 * CIE-D65.sp.
 */
export const D65_POWER: readonly number[] = [
  49.9755, 54.6482, 82.7549, 91.486, 93.4318, 86.6823, 104.865, 117.008, 117.812, 114.861, 115.923, 108.811, 109.354,
  107.802, 104.79, 107.689, 104.405, 104.046, 100, 96.3342, 95.788, 88.6856, 90.0062, 89.5991, 87.6987, 83.2886,
  83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091, 74.349, 61.604, 69.8856,
];

/**
 * CIE illuminant D50, relative power by 10 nm, 100 at 560 nm: the light of the graphic trade's Lab
 * values. Source: CIE 015; held to the same package's CIE-D50.sp, and in measured-colours.test.ts to
 * argyll's sums.
 */
export const D50_POWER: readonly number[] = [
  24.488, 29.871, 49.308, 56.513, 60.034, 57.818, 74.825, 87.247, 90.612, 91.368, 95.109, 91.963, 95.724, 96.613,
  97.129, 102.099, 100.755, 102.317, 100, 97.735, 98.918, 93.499, 97.688, 99.269, 99.042, 95.722, 98.857, 95.667, 98.19,
  103.003, 99.133, 87.381, 91.604, 92.889, 76.854, 86.511,
];

function weightsOf(component: 0 | 1 | 2, power: readonly number[] = D65_POWER): Float64Array {
  const normaliser = power.reduce((sum, p, i) => sum + p * CMF_1931[3 * i + 1]!, 0);
  return Float64Array.from({ length: BANDS }, (_, i) => (power[i]! * CMF_1931[3 * i + component]!) / normaliser);
}

/** Band weights for X, Y, Z under D50. */
export const WEIGHTS_D50: readonly [Float64Array, Float64Array, Float64Array] = [
  weightsOf(0, D50_POWER),
  weightsOf(1, D50_POWER),
  weightsOf(2, D50_POWER),
];

/** Band weights that turn a reflectance into X, Y, Z under D65, with Y = 1 for a perfect diffuser. */
export const WEIGHT_X = weightsOf(0);
export const WEIGHT_Y = weightsOf(1);
export const WEIGHT_Z = weightsOf(2);

const sum = (w: Float64Array): number => w.reduce((a, b) => a + b, 0);

/**
 * White of these tables: X, Y, Z of the perfect diffuser under D65 (Y = 1). Lab is taken
 * relative to it, so that a perfect diffuser has a* = b* = 0 exactly.
 */
export const WHITE_D65: readonly [number, number, number] = [sum(WEIGHT_X), 1, sum(WEIGHT_Z)];
