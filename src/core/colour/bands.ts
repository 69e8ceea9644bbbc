/** Number of spectral bands used everywhere: 380 to 730 nm by 10 nm. */
export const BANDS = 36;

/** Centre wavelength of each band, nm. */
export const WAVELENGTHS_NM: readonly number[] = Array.from({ length: BANDS }, (_, i) => 380 + 10 * i);

/** One number for each of the 36 bands. */
export type Spectrum = Float64Array;

/** Reflectance factor for each band, 0 to 1 (a paper with brightener may exceed 1 slightly). */
export type Reflectance = Spectrum;

/** Builds a spectrum by evaluating `f` at each band's centre wavelength (nm). */
export function spectrumOf(f: (nm: number) => number): Spectrum {
  return Float64Array.from(WAVELENGTHS_NM, f);
}
