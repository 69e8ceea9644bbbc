import type { Optics } from "./optics";
import type { Lightfastness } from "./record";

/** Where a painting hangs: museum light, or a bright room by the window. */
export type Hanging = "museum" | "window";

/**
 * Years in museum light in which a wash of each ASTM class loses 1 - 1/e of its colour. From memory
 * of the classes' usual wording (1: over a century without change, 5: gone within years). An estimate.
 */
const FADING_YEARS: Readonly<Record<Lightfastness["class"], number>> = { 1: 900, 2: 260, 3: 90, 4: 30, 5: 6 };
/** A bright room by the window gives about ten times the light of a museum wall. From memory. */
const WINDOW_LIGHT = 10;

/** Share of the colour left after some years, 0 to 1: an estimate by lightfastness class. */
export function colourLeft({ class: grade }: Lightfastness, years: number, hanging: Hanging): number {
  if (!(years >= 0)) throw new RangeError("Years must be 0 or more.");
  return Math.exp((-years * (hanging === "window" ? WINDOW_LIGHT : 1)) / FADING_YEARS[grade]);
}

/** Optics after fading: the absorber goes, the scattering body stays. */
export function fadedOptics({ K, S }: Optics, left: number): Optics {
  return { K: K.map((k) => k * left), S };
}
