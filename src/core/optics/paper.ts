import { spectrumOf, type Reflectance } from "../colour/bands";
import { DRY_SURFACE, inverseSaunderson } from "./surface";

/** A sheet: its colour and how it takes a wash. Typical values. */
export interface Paper {
  readonly id: string;
  readonly name: string;
  /** Measured (outside) reflectance of the bare dry sheet. */
  readonly reflectance: Reflectance;
  /** Internal reflectance of the dry sheet, the ground of the film. */
  readonly ground: Reflectance;
  /** Internal reflectance of the soaked sheet. */
  readonly wetGround: Reflectance;
  /** Relative spread of the load between hills and valleys for a paint that doesn't granulate. */
  readonly roughness: number;
  /** 0 hard sized, the wash stays on top; 1 drinks at once. Scales how much a wash fades in drying. */
  readonly absorbency: number;
}

/**
 * A soaked sheet scatters less, since water fills the air between the fibres: its K/S rises about
 * threefold. From memory; the sign and the size follow Lekner and Dorf (1988), Appl. Opt. 27, 1278.
 */
const SOAKED_K_OVER_S = 3;

function soaked(internal: number): number {
  const ratio = (SOAKED_K_OVER_S * (1 - internal) ** 2) / (2 * internal);
  return 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio);
}

function paper(id: string, name: string, roughness: number, absorbency: number, reflectance: Reflectance): Paper {
  const ground = reflectance.map((r) => inverseSaunderson(r, DRY_SURFACE));
  return { id, name, reflectance, ground, wetGround: ground.map(soaked), roughness, absorbency };
}

/** Typical sheets, spectra from memory: fibre without brightener falls gently towards violet. */
const fibre =
  (level: number, fall: number) =>
  (nm: number): number =>
    level - fall * Math.exp(-(nm - 380) / 55) - 0.0001 * Math.max(0, 600 - nm);

/** An optical brightener drinks ultraviolet below 410 nm and glows about 440 nm (from memory). */
const brightened =
  (base: (nm: number) => number, glow: number) =>
  (nm: number): number =>
    base(nm) - 0.16 * Math.exp(-0.5 * ((nm - 385) / 14) ** 2) + glow * Math.exp(-0.5 * ((nm - 442) / 22) ** 2);

/** The papers on offer, the usual one first. */
export const PAPERS: readonly [Paper, ...Paper[]] = [
  paper("cotton-cold-pressed", "natural white cotton, cold pressed", 0.12, 0.5, spectrumOf(fibre(0.915, 0.12))),
  paper("cotton-rough", "natural white cotton, rough", 0.2, 0.5, spectrumOf(fibre(0.912, 0.12))),
  paper("cotton-hot-pressed", "natural white cotton, hot pressed", 0.05, 0.4, spectrumOf(fibre(0.917, 0.12))),
  paper(
    "bright-cotton",
    "bright white cotton with brightener, cold pressed",
    0.12,
    0.5,
    spectrumOf(brightened(fibre(0.93, 0.08), 0.075)),
  ),
  paper("cream-cotton", "cream cotton, cold pressed", 0.12, 0.6, spectrumOf(fibre(0.89, 0.3))),
  paper("cellulose", "cellulose, student grade", 0.08, 0.8, spectrumOf(brightened(fibre(0.89, 0.12), 0.04))),
];

/** The paper with this id; the usual one when there is none. */
export function paperById(id: string): Paper {
  return PAPERS.find((p) => p.id === id) ?? PAPERS[0];
}
