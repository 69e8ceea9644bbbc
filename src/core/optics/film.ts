import { BANDS, type Reflectance, type Spectrum } from "../colour/bands";
import { TINY } from "./layer";
import type { Load } from "./load";
import type { Surface } from "./surface";
import type { Texture } from "./texture";

/**
 * Reflectance seen from outside of one textured film over a ground: per band the mean over the
 * texture's loads of Kubelka-Munk and surface. Writes into `out` (36 bands) and returns it.
 * `layerOverGround` and `saunderson` are written out here: what the loads share is worked out once.
 * @param scatterFactor scales S: 1 dry, below 1 wet
 */
export function filmReflectance(
  K: Spectrum,
  S: Spectrum,
  load: Load,
  ground: Reflectance,
  surface: Surface,
  texture: Texture,
  scatterFactor: number,
  out: Reflectance,
): Reflectance {
  const { loads, weights } = texture;
  const { k1, k2 } = surface;
  const through = (1 - k1) * (1 - k2);
  for (let i = 0, bands = BANDS; i < bands; i++) {
    const k = K[i]! + TINY;
    const s = S[i]! * scatterFactor;
    const g = ground[i]!;
    const beta = Math.sqrt(k * (k + 2 * s));
    let seen = 0;
    for (let n = 0; n < 3; n++) {
      const e = Math.exp(-2 * beta * load * loads[n]!);
      const open = (k + s) * (1 - e);
      const closed = beta * (1 + e);
      const scattered = s * (1 - e);
      const inside = (scattered - g * (open - closed)) / (open - g * scattered + closed);
      seen += weights[n]! * (k1 + (through * inside) / (1 - k2 * inside));
    }
    out[i] = seen;
  }
  return out;
}

/** Water between the pigment grains evens out the refractive index: a wet film scatters less. From memory. */
export const WET_SCATTER = 0.6;
