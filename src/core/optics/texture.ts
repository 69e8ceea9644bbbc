/** Relative load and weight of each quadrature point: hollows, level ground, hills. */
export interface Texture {
  readonly loads: readonly [number, number, number];
  readonly weights: readonly [number, number, number];
  /** Relative standard deviation of the load over the sheet. */
  readonly spread: number;
}

/** How much a fully granulating paint spreads its load on a sheet of ordinary roughness. From memory. */
export const GRANULATION_GAIN = 2.2;

/**
 * Uneven load over the sheet's hills and valleys as three Gauss-Hermite points of a log-normal
 * distribution with mean 1 (nodes 0 and ±√3, weights 2/3 and 1/6: Abramowitz and Stegun 25.4.46).
 * @param roughness of the paper, relative spread for a smooth paint
 * @param granulation of the mix, 0 to 1
 */
export function textureOf(roughness: number, granulation: number): Texture {
  const spread = roughness * (1 + GRANULATION_GAIN * granulation);
  const sigma = Math.sqrt(Math.log(1 + spread * spread));
  const at = (z: number): number => Math.exp(sigma * z - (sigma * sigma) / 2);
  const root3 = Math.sqrt(3);
  const low = at(-root3);
  const middle = at(0);
  const high = at(root3);
  const mean = (low + high) / 6 + (2 * middle) / 3;
  return { loads: [low / mean, middle / mean, high / mean], weights: [1 / 6, 2 / 3, 1 / 6], spread };
}
