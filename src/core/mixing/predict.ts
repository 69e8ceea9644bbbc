import { BANDS, type Reflectance } from "../colour/bands";
import type { Lab } from "../colour/colour";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { blendOptics } from "../pigments/optics";
import { filmReflectance, WET_SCATTER } from "../optics/film";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { DRY_SURFACE, WET_SURFACE } from "../optics/surface";
import { textureOf } from "../optics/texture";
import type { PaintModel } from "./paint";

/** One paint in a mix; only the proportions of the parts matter. */
export interface MixPart {
  readonly paint: PaintModel;
  readonly parts: number;
}

/** What a mix is predicted to look like on a paper. */
export interface Prediction {
  readonly dry: Lab;
  readonly wet: Lab;
  /** Reflectance of the dried wash, 36 bands. */
  readonly dryReflectance: Reflectance;
}

/**
 * Predicts the colour of a wash.
 * @param mix one or more paints with parts above 0; throws a RangeError otherwise
 * @param load of the mix as a whole, 0 (bare paper) to 1 (masstone)
 */
export function predict(mix: readonly MixPart[], load: Load, paper: Paper): Prediction {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  if (mix.length === 0 || !(total > 0) || mix.some(({ parts }) => !(parts > 0))) {
    throw new RangeError("A mix needs at least one paint, and every part must be above 0.");
  }
  if (!(load >= 0)) throw new RangeError("A load must be 0 or more.");
  const { K, S } = blendOptics(mix.map(({ paint, parts }) => ({ optics: paint.optics, share: parts / total })));
  const granulation = mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0);
  const texture = textureOf(paper.roughness, granulation);
  const dryReflectance = filmReflectance(K, S, load, paper.ground, DRY_SURFACE, texture, 1, new Float64Array(BANDS));
  // The load is that of the dried film; while wet, what will sink or flatten still shows.
  const dryingShift = mix.reduce((sum, { paint, parts }) => sum + (paint.dryingShift * parts) / total, 0);
  const wetReflectance = filmReflectance(
    K,
    S,
    load / (1 - dryingShift * paper.absorbency),
    paper.wetGround,
    WET_SURFACE,
    texture,
    WET_SCATTER,
    new Float64Array(BANDS),
  );
  const colour = (reflectance: Reflectance): Lab => labOfXyz(xyzOfReflectance(reflectance));
  return {
    dry: colour(dryReflectance),
    wet: colour(wetReflectance),
    dryReflectance,
  };
}
