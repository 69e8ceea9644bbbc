import { BANDS, type Reflectance, type Spectrum } from "../colour/bands";
import { layerOverGround } from "./layer";
import type { Load } from "./load";
import type { Surface } from "./surface";
import { saunderson } from "./surface";
import type { Texture } from "./texture";

/**
 * Reflectance seen from outside of one textured film over a ground: per band the mean over the
 * texture's loads of Kubelka-Munk and surface. Writes into `out` (36 bands) and returns it.
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
  for (let i = 0; i < BANDS; i++) {
    const k = K[i]!;
    const s = S[i]! * scatterFactor;
    const g = ground[i]!;
    out[i] =
      weights[0] * saunderson(layerOverGround(k, s, load * loads[0], g), surface) +
      weights[1] * saunderson(layerOverGround(k, s, load * loads[1], g), surface) +
      weights[2] * saunderson(layerOverGround(k, s, load * loads[2], g), surface);
  }
  return out;
}

/** Water between the pigment grains evens out the refractive index: a wet film scatters less. From memory. */
export const WET_SCATTER = 0.6;
