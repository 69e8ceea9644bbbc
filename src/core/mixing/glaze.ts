import { BANDS, type Reflectance } from "../colour/bands";
import type { Lab } from "../colour/colour";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { layerOverGround } from "../optics/layer";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { DRY_SURFACE, inverseSaunderson, saunderson } from "../optics/surface";
import { textureOf } from "../optics/texture";
import { blendOptics } from "../pigments/optics";
import type { MixPart } from "./predict";

/** One dried wash of a glaze. */
export interface GlazeLayer {
  readonly mix: readonly MixPart[];
  readonly load: Load;
}

/**
 * Reflectance of dried washes laid over each other, lowest first. The paper's hills and hollows are
 * the same for every wash, so each texture point is stacked for itself and then averaged.
 * No layers at all is the bare paper; a layer of nothing throws a RangeError.
 */
export function glazeReflectance(layers: readonly GlazeLayer[], paper: Paper): Reflectance {
  const films = layers.map(({ mix, load }) => {
    const total = mix.reduce((sum, { parts }) => sum + parts, 0);
    if (!(total > 0)) throw new RangeError("A layer needs at least one paint with parts above 0.");
    const granulation = mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0);
    const optics = blendOptics(mix.map(({ paint, parts }) => ({ optics: paint.optics, share: parts / total })));
    return { ...optics, load, texture: textureOf(paper.roughness, granulation) };
  });
  const { weights } = textureOf(paper.roughness, 0);
  const out = new Float64Array(BANDS);
  for (let i = 0; i < BANDS; i++) {
    for (let n = 0; n < weights.length; n++) {
      let below = paper.ground[i]!;
      for (const { K, S, load, texture } of films)
        below = layerOverGround(K[i]!, S[i]!, load * texture.loads[n]!, below);
      out[i]! += weights[n]! * saunderson(below, DRY_SURFACE);
    }
  }
  return out;
}

/**
 * A sheet under a dried wash, as the ground of the next one. The wash below is taken even: its own
 * hills and hollows are averaged before the next wash is laid (`glazeReflectance` keeps them apart; the
 * difference stays under 1 dE00 in the tests).
 */
export function paperUnder(below: GlazeLayer, paper: Paper): Paper {
  const reflectance = glazeReflectance([below], paper);
  const ground = reflectance.map((r) => inverseSaunderson(r, DRY_SURFACE));
  return { ...paper, reflectance, ground, wetGround: ground };
}

/** Dry colour of a glaze of any depth, lowest wash first. */
export function predictGlaze(layers: readonly GlazeLayer[], paper: Paper): Lab {
  return labOfXyz(xyzOfReflectance(glazeReflectance(layers, paper)));
}
