import { BANDS, type Reflectance, type Spectrum } from "../colour/bands";
import { layerOverGround } from "./layer";
import type { Load } from "./load";
import { saunderson, type Surface } from "./surface";
import type { Texture } from "./texture";

/** Reflectance of one band of a textured film, seen from outside: the mean over the texture's loads. */
export function filmBand(
  K: number,
  S: number,
  load: Load,
  ground: number,
  surface: Surface,
  loads: Texture["loads"],
  weights: Texture["weights"],
): number {
  // Read once: an import may be looked up anew at every use.
  const [layer, outside] = [layerOverGround, saunderson];
  return (
    weights[0] * outside(layer(K, S, load * loads[0], ground), surface) +
    weights[1] * outside(layer(K, S, load * loads[1], ground), surface) +
    weights[2] * outside(layer(K, S, load * loads[2], ground), surface)
  );
}

/**
 * Reflectance seen from outside of one textured film over a ground: per band the mean over the
 * texture's loads of Kubelka-Munk and surface (`filmBand`). Writes into `out` (36 bands) and returns it.
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
  for (let i = 0, bands = BANDS; i < bands; i++)
    out[i] = filmBand(K[i]!, S[i]! * scatterFactor, load, ground[i]!, surface, loads, weights);
  return out;
}

/** Water between the pigment grains evens out the refractive index: a wet film scatters less. From memory. */
export const WET_SCATTER = 0.6;
