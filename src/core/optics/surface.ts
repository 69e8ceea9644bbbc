/**
 * The step between film and air (Saunderson 1942, J. Opt. Soc. Am. 32, 727):
 * measured = k1 + (1 - k1)(1 - k2) R / (1 - k2 R).
 */
export interface Surface {
  /** Light sent back by the outer surface before it meets any paint: the veil that lifts every dark. */
  readonly k1: number;
  /** Light inside that the surface sends back down into the film. */
  readonly k2: number;
}

/**
 * Dry, matt watercolour on cotton paper. k1 from memory: a rough matt surface sends back about 3 %
 * as a diffuse veil; k2 is below the 0.6 of a smooth varnish (Saunderson) because the fibres break
 * the surface. From memory, set so that full-strength ivory black dries near L* 22 to 28.
 */
export const DRY_SURFACE: Surface = { k1: 0.03, k2: 0.45 };

/** Wet and shining: the veil leaves in one direction and misses the eye. From memory. */
export const WET_SURFACE: Surface = { k1: 0.008, k2: 0.5 };

/** Reflectance seen from outside for an internal reflectance. */
export function saunderson(internal: number, { k1, k2 }: Surface): number {
  return k1 + ((1 - k1) * (1 - k2) * internal) / (1 - k2 * internal);
}

/** Internal reflectance behind a measured one: Saunderson's formula turned round. */
export function inverseSaunderson(measured: number, { k1, k2 }: Surface): number {
  return (measured - k1) / ((1 - k1) * (1 - k2) + k2 * (measured - k1));
}
