import { BANDS, spectrumOf, type Spectrum } from "../colour/bands";

/** Absorption K and scattering S per unit load, 36 bands each. */
export interface Optics {
  readonly K: Spectrum;
  readonly S: Spectrum;
}

/** A symmetric absorption band: Gaussian, `widthNm` is one standard deviation, `k` its height (negative: a window). */
export interface Band {
  readonly bandNm: number;
  readonly widthNm: number;
  readonly k: number;
}

/**
 * An absorption edge: full absorption `k` on the short side of `edgeNm`, falling beyond it as
 * exp(-(λ - edge) / widthNm), which gives deep layers their redder masstone.
 */
export interface Edge {
  readonly edgeNm: number;
  readonly widthNm: number;
  readonly k: number;
}

/** Absorption alike at all wavelengths, leaning by `tilt` per 100 nm towards red (positive) or violet. */
export interface Flat {
  readonly k: number;
  readonly tilt?: number;
}

export type Absorber = Band | Edge | Flat;

/** Scattering at 550 nm and its fall with wavelength, S = at550 (λ / 550)^-fall, where nothing is absorbed. */
export interface Scatterer {
  readonly at550: number;
  readonly fall: number;
  /**
   * Share of the scattering that is left where the pigment absorbs most, 0 to 1. Grains that swallow the light send
   * little of it back: Curtis et al. (1997) measured S of cadmium red as 0.77 in red and 0.02 in green and blue, of
   * cadmium yellow as 0.97, 0.65 and 0.01, of Indian red as 1.28, 0.38 and 0.21.
   */
  readonly inBand: number;
}

export const band = (bandNm: number, widthNm: number, k: number): Band => ({ bandNm, widthNm, k });
export const edge = (edgeNm: number, widthNm: number, k: number): Edge => ({ edgeNm, widthNm, k });
export const flat = (k: number, tilt?: number): Flat => ({ k, tilt });
export const scatter = (at550: number, fall: number, inBand = 1): Scatterer => ({ at550, fall, inBand });

function absorptionAt(part: Absorber, nm: number): number {
  if ("bandNm" in part) return part.k * Math.exp(-0.5 * ((nm - part.bandNm) / part.widthNm) ** 2);
  if ("edgeNm" in part) return part.k / (1 + Math.exp((nm - part.edgeNm) / part.widthNm));
  return Math.max(0, part.k * (1 + ((part.tilt ?? 0) * (nm - 550)) / 100));
}

/** Absorption of some absorbers together at a wavelength, at masstone load; never below 0. */
const absorptionOf = (absorbers: readonly Absorber[], nm: number): number =>
  Math.max(
    0,
    absorbers.reduce((sum, part) => sum + absorptionAt(part, nm), 0),
  );

/** Scattering at a wavelength where `share` of the greatest absorption is absorbed. */
export const scatteringAt = ({ at550, fall, inBand }: Scatterer, nm: number, share: number): number =>
  at550 * (nm / 550) ** -fall * (1 - (1 - inBand) * share);

/** K and S over 36 bands at masstone load from a pigment's absorbers and its scattering. */
export function opticsOf(absorbers: readonly Absorber[], scatterer: Scatterer): Optics {
  const K = spectrumOf((nm) => absorptionOf(absorbers, nm));
  const most = Math.max(...K);
  const S = spectrumOf((nm) => scatteringAt(scatterer, nm, most > 0 ? absorptionOf(absorbers, nm) / most : 0));
  return { K, S };
}

/** Optics of several together: K and S add by share (Duncan 1940). Shares need not sum to 1. */
export function blendOptics(parts: readonly { readonly optics: Optics; readonly share: number }[]): Optics {
  const K = new Float64Array(BANDS);
  const S = new Float64Array(BANDS);
  for (const { optics, share } of parts) {
    for (let i = 0; i < BANDS; i++) {
      K[i]! += share * optics.K[i]!;
      S[i]! += share * optics.S[i]!;
    }
  }
  return { K, S };
}
