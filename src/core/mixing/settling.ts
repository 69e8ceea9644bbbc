import type { Optics } from "../pigments/optics";
import { blendOptics } from "../pigments/optics";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import type { MixPart } from "./predict";

/**
 * Where a dried wash is looked at: from the paper's hollows over level ground to its hills, and the rim of the wash.
 */
export const PLACES = ["hollows", "level", "hills", "edge"] as const;
export type SettledPlace = (typeof PLACES)[number];

/** What lies at a place: each paint's share of the mix's mean load there (1 in all: as much as was laid). */
export interface Settled {
  /** By paint, in the mix's order. */
  readonly amounts: readonly number[];
  /** Their sum: local load over the mean load. */
  readonly load: number;
  /** Share of the wash's area. */
  readonly area: number;
}

/**
 * Share of a wash's area that its rim takes, and how much more pigment of ordinary weight the rim holds: a wash of a
 * hand's breadth with a rim of a millimetre. From memory; that the edge is the densest part is common practice and
 * Deegan et al. 1997 (Nature 389, 827).
 */
const RIM_AREA = 0.04;
const RIM_GAIN = 0.45;
/**
 * A pigment that travels with the water leaves e times as much of its gain at the rim as one of ordinary weight. From
 * memory.
 */
const RIM_SORTING = 1;
/**
 * How far the water pushes a heavy and a light pigment apart between hollows and hills, on cold pressed paper. From
 * memory.
 */
const HOLLOW_SORTING = 0.45;
const USUAL_ROUGHNESS = 0.12;

/**
 * How a mix settles as it dries, one account for its colours, its drawing and its words. Granulating pigments gather in
 * the hollows by the texture's own distribution, each for itself; where pigments differ in weight, the heavy follow
 * further into the hollows and the light further to the rim. Each pigment is conserved: over the places, weighted by
 * area, its amounts make its share of the mix.
 * Throws a RangeError for a mix of nothing.
 */
export function settle(
  mix: readonly MixPart[],
  paper: Pick<Paper, "roughness">,
): Readonly<Record<SettledPlace, Settled>> {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  if (!(total > 0)) throw new RangeError("A mix needs at least one paint with parts above 0.");
  const mean = mix.reduce((sum, { paint, parts }) => sum + (paint.weight * parts) / total, 0);
  const rough = Math.min(1.5, Math.sqrt(paper.roughness / USUAL_ROUGHNESS));
  const areas = new Float64Array(PLACES.length);
  const byPaint = mix.map(({ paint, parts }) => {
    const share = parts / total;
    const apart = paint.weight - mean;
    const { loads, weights } = textureOf(paper.roughness, paint.granulation);
    const [hill, level, hollow] = loads;
    // Only what granulates or is pushed by its neighbours' difference in weight sorts itself; e to the power keeps
    // signs.
    const pushed = Math.exp(HOLLOW_SORTING * rough * apart);
    const inside = [hollow * pushed, level, hill / pushed];
    const heights = [weights[2], weights[1], weights[0]];
    const rim = 1 + RIM_GAIN * Math.exp(-RIM_SORTING * apart);
    const kept = (1 - RIM_AREA * rim) / (1 - RIM_AREA);
    const scale = kept / inside.reduce((sum, amount, i) => sum + heights[i]! * amount, 0);
    heights.forEach((weight, i) => (areas[i] = weight * (1 - RIM_AREA)));
    areas[3] = RIM_AREA;
    return [...inside.map((amount) => share * amount * scale), share * rim];
  });
  const at = (place: number): Settled => {
    const amounts = byPaint.map((paint) => paint[place]!);
    return { amounts, load: amounts.reduce((sum, amount) => sum + amount, 0), area: areas[place]! };
  };
  return { hollows: at(0), level: at(1), hills: at(2), edge: at(3) };
}

/** Optics of what lies at a place, for a film of the load there. */
export const opticsAt = (mix: readonly MixPart[], { amounts, load }: Settled): Optics =>
  blendOptics(mix.map(({ paint }, i) => ({ optics: paint.optics, share: amounts[i]! / load })));
