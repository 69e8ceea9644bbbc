import type { Absorber, Scatterer } from "./optics";

export type Family = "yellow" | "orange" | "red" | "violet" | "blue" | "green" | "earth" | "black" | "white";

export type Transparency = "transparent" | "semi-transparent" | "semi-opaque" | "opaque";

/** Cautions by the metal or compound that asks for care; empty for none known. */
export type Hazard = "cadmium" | "cobalt" | "copper" | "manganese" | "chromium" | "nickel" | "zinc" | "tin";

/** One pigment of the handbook: typical facts and the absorbers its typical optics are built from. */
export interface PigmentRecord {
  /** Own key: the Colour Index name, with a shade where one name covers several, e.g. "PBr7-burnt-sienna". */
  readonly id: string;
  /** Colour Index generic name, e.g. "PB29". */
  readonly code: string;
  /** Generic pigment name in the trade. */
  readonly name: string;
  readonly family: Family;
  readonly absorbers: readonly Absorber[];
  readonly scatterer: Scatterer;
  readonly transparency: Transparency;
  /** 0 lies flat, 1 settles heavily into the paper's hollows. */
  readonly granulation: number;
  /** 0 lifts to white paper, 1 dyes it. */
  readonly staining: number;
  /** A sentence for painters. */
  readonly note: string;
  /** Where the band and edge positions come from. */
  readonly source: string;
  readonly hazards: readonly Hazard[];
}

export const FROM_MEMORY = "from memory";
