import { waterOfLoad, type Load, type WaterParts } from "../optics/load";

/**
 * Neat paint can be brushed evenly over a dark of this size; over more it streaks and dries under the brush, and what
 * can be laid in one go falls with this power of the size. So a postcard takes about one part paint to one of water,
 * half a sheet one to three. From memory; that large washes are never neat is common practice, no source.
 */
const NEAT_CM2 = 25;
const FALLS = 0.36;
/** What each further layer, its mixing and its drying cost, dE00. From memory. */
const LAYER_COST = 2;
/** Coats that are laid of one mix at most. */
export const MOST_LAYERS = 3;

/** Strongest load that can be laid in one layer over so large a wash, 0 for a size that is not known. */
export const workableLoad = (areaCm2: number): Load => (areaCm2 > NEAT_CM2 ? (NEAT_CM2 / areaCm2) ** FALLS : 1);

/**
 * What it costs to lay a wash heavier than can be laid in one go: nothing up to there, then the share of a further
 * layer, dE00.
 */
export const heavyCost = (load: Load, areaCm2: number): number =>
  LAYER_COST * Math.min(MOST_LAYERS - 1, Math.max(0, load / workableLoad(areaCm2) - 1));

/** A load as it is laid at a size: in how many layers, and the water of each. Films of one mix add up. */
export function layersOf(load: Load, areaCm2: number): { readonly layers: number; readonly waterParts: WaterParts } {
  // A tenth over is within a hand's reach.
  const layers = Math.min(MOST_LAYERS, Math.max(1, Math.ceil(load / workableLoad(areaCm2) - 0.1)));
  return { layers, waterParts: waterOfLoad(load / layers) };
}
