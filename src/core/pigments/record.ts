import type { Absorber, Scatterer } from "./optics";

/** Families of pigments, in the order in which painters lay them out: round the wheel, then earths, blacks, whites. */
export const FAMILIES = ["yellow", "orange", "red", "violet", "blue", "green", "earth", "black", "white"] as const;
export type Family = (typeof FAMILIES)[number];

type Transparency = "transparent" | "semi-transparent" | "semi-opaque" | "opaque";

/** Cautions by the metal that asks for care; empty for none known. */
export type Hazard =
  | "antimony"
  | "barium"
  | "cadmium"
  | "chromium"
  | "cobalt"
  | "copper"
  | "lead"
  | "manganese"
  | "nickel"
  | "tin"
  | "zinc";

/** How a pigment stands light. */
export interface Lightfastness {
  /** 1 excellent to 5 very poor, the classes of ASTM D5067 (watercolour paints). */
  readonly class: 1 | 2 | 3 | 4 | 5;
  /** True where the standard is remembered to list the pigment; false where the class is our estimate from memory. */
  readonly listed: boolean;
}

/** CIELAB lightness, chroma and hue angle in degrees (D65, 2 degree observer). */
type RecalledColour = readonly [lightness: number, chroma: number, hueDegrees: number];

/** One pigment of the handbook: typical facts and the absorbers its typical optics are built from. */
export interface PigmentRecord {
  /** Own key: the Colour Index name, with a shade where one name covers several, e.g. "PBr7-burnt-sienna". */
  readonly id: string;
  /** Generic pigment name in the trade. */
  readonly name: string;
  /** Other generic names it goes by. */
  readonly also?: readonly string[];
  readonly absorbers: readonly Absorber[];
  readonly scatterer: Scatterer;
  /**
   * What its absorbers were aimed at: masstone, middle wash (load 0.25) and tint (0.06) on white cotton as they are
   * remembered from painted swatches. From memory; where several facts of mixing pull elsewhere, the computed colour
   * may stand a few units off. docs/handbook.md shows both.
   */
  readonly recalled: readonly [masstone: RecalledColour, wash: RecalledColour, tint: RecalledColour];
  readonly transparency: Transparency;
  /** 0 lies flat, 1 settles heavily into the paper's hollows. */
  readonly granulation: number;
  /** 0 lifts to white paper, 1 dyes it. */
  readonly staining: number;
  /** -1 travels far with the water, 1 drops where it is put. */
  readonly weight: number;
  readonly lightfastness: Lightfastness;
  /** What is known of it in light beyond its class, a sentence for painters. */
  readonly inLight?: string;
  /** How much of the load seems to go in drying, where that is known to be large; 0.1 is a tenth. */
  readonly dryingShift?: number;
  readonly hazards?: readonly Hazard[];
  /** A sentence for painters. */
  readonly note: string;
  /** Where the band and edge positions come from, when not simply from memory. */
  readonly source?: string;
}

/** Remembered as listed in ASTM D5067. */
export const listed = (grade: Lightfastness["class"]): Lightfastness => ({ class: grade, listed: true });
/** Not remembered as listed; an estimate. */
export const estimated = (grade: Lightfastness["class"]): Lightfastness => ({ class: grade, listed: false });
