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

/** Scattering at 550 nm and its fall with wavelength, S = at550 (λ / 550)^-fall. */
export interface Scatterer {
  readonly at550: number;
  readonly fall: number;
}

export const band = (bandNm: number, widthNm: number, k: number): Band => ({ bandNm, widthNm, k });
export const edge = (edgeNm: number, widthNm: number, k: number): Edge => ({ edgeNm, widthNm, k });
export const flat = (k: number, tilt?: number): Flat => ({ k, tilt });
export const scatter = (at550: number, fall: number): Scatterer => ({ at550, fall });

function absorptionAt(part: Absorber, nm: number): number {
  if ("bandNm" in part) return part.k * Math.exp(-0.5 * ((nm - part.bandNm) / part.widthNm) ** 2);
  if ("edgeNm" in part) return part.k / (1 + Math.exp((nm - part.edgeNm) / part.widthNm));
  return Math.max(0, part.k * (1 + ((part.tilt ?? 0) * (nm - 550)) / 100));
}

/** K and S over 36 bands at masstone load from a pigment's absorbers and its scattering. */
export function opticsOf(absorbers: readonly Absorber[], scatterer: Scatterer): Optics {
  return {
    K: spectrumOf((nm) =>
      Math.max(
        0,
        absorbers.reduce((sum, part) => sum + absorptionAt(part, nm), 0),
      ),
    ),
    S: spectrumOf((nm) => scatterer.at550 * (nm / 550) ** -scatterer.fall),
  };
}

/** Optics of several together: K and S add by share (Duncan 1940). Shares need not sum to 1. */
export function blendOptics(parts: readonly { readonly optics: Optics; readonly share: number }[]): Optics {
  const K = new Float64Array(BANDS);
  const S = new Float64Array(BANDS);
  for (const { optics, share } of parts) {
    for (let i = 0; i < BANDS; i++) {
      K[i] += share * optics.K[i];
      S[i] += share * optics.S[i];
    }
  }
  return { K, S };
}
