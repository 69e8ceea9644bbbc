import type { Paper } from "../optics/paper";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { PaintModel } from "../mixing/paint";
import { BANDS, type Reflectance } from "../colour/bands";
import type { Lab } from "../colour/colour";
import { labOfXyz, xyzOfLab } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import type { RowRead } from "./card/read-card";
import { tinted } from "./tinted";
import { fitOptics, type FittedOptics, type Ground, type Reading } from "./fit/fit-optics";
import { fitCamera, withoutCameraOf } from "./fit/fit-camera";
import type { FitRefusal } from "./refusal";
import { informationOf, type Information } from "./fit/information";
import { likelyMiss } from "./fit/likely-miss";
import { CARD_WATER } from "./washes";

/** What lies at a place that was measured. */
export const PATCH_KINDS = ["wash", "across on paper", "across on line", "bare line", "bare paper"] as const;
export type PatchKind = (typeof PATCH_KINDS)[number];

/** One place measured, by whatever way: photo, meter, typed numbers, a file. */
export interface MeasuredPatch {
  readonly what: PatchKind;
  /** Swatches brushed from one puddle have the same number. */
  readonly swatch: number;
  /** Water to one part of paint, as it was meant. */
  readonly waterParts: WaterParts;
  readonly lab: Lab;
  readonly reflectance?: readonly number[];
  readonly cutOff?: readonly [boolean, boolean, boolean];
  readonly unsure?: number;
  /** How much its lightness varies from spot to spot, standard deviation in L*; known of a photo alone. */
  readonly texture?: number;
  /** Set aside by the painter. */
  readonly leftOut?: boolean;
}

/** What the patches give to fit. */
interface ToFit {
  readonly readings: readonly Reading[];
  /** Which patch each reading is. */
  readonly indices: readonly number[];
  readonly ground: Ground;
}

/** A bare line lighter than this is no black line, L*. */
const BLACK_LINE = 45;

const spectrumOf = ({ reflectance }: MeasuredPatch): Reflectance | undefined =>
  reflectance && Float64Array.from(reflectance);

/**
 * The bare sheet: its own spectrum if it was measured, the paper's typical one in the colour that was measured, or as
 * it is.
 */
function paperOf(patches: readonly MeasuredPatch[], paper: Paper): Reflectance {
  const bare = patches.find(({ what, leftOut }) => what === "bare paper" && !leftOut);
  return bare ? (spectrumOf(bare) ?? tinted(paper.reflectance, bare.lab)) : paper.reflectance;
}

/** Sorts patches into readings and the ground that they were painted on. */
function toFit(patches: readonly MeasuredPatch[], paper: Paper): ToFit {
  const line = patches.find(({ what, leftOut, lab }) => what === "bare line" && !leftOut && lab.L < BLACK_LINE);
  const black = line ? (spectrumOf(line) ?? new Float64Array(BANDS).fill(xyzOfLab(line.lab).Y)) : null;
  const used = patches.flatMap((patch, index) => {
    const { what, leftOut } = patch;
    if (leftOut || what === "bare line" || what === "bare paper" || (what === "across on line" && !black)) return [];
    const { swatch, waterParts, lab, cutOff, unsure } = patch;
    const reading: Reading = {
      puddle: swatch,
      meantLoad: loadOfWater(waterParts),
      over: what === "across on line" ? "black" : "paper",
      lab,
      reflectance: spectrumOf(patch),
      cutOff,
      unsure,
    };
    return [{ reading, index }];
  });
  return {
    readings: used.map(({ reading }) => reading),
    indices: used.map(({ index }) => index),
    ground: { paper: paperOf(patches, paper), black, roughness: paper.roughness },
  };
}

/** A paint fitted to its patches, ready to be kept. */
export interface PaintFit extends Pick<FittedOptics, "optics" | "rms"> {
  /** The fitted colour of each patch and its distance; null for one that was not fitted. */
  readonly fitted: readonly ({ readonly lab: Lab; readonly dE00: number; readonly load: number } | null)[];
  /** The colours are far from what such pigments usually look like: it may be another paint. */
  readonly doubted: boolean;
  /** How far predictions of its washes are likely to be off, median dE00. */
  readonly miss: number;
  /** Least and greatest load that was measured. */
  readonly loads: readonly [number, number];
}

/** Fewer washes than this tell too little. */
const LEAST_WASHES = 2;

/**
 * Fits a paint to the patches measured of it.
 * @param base the paint as the handbook has it
 * Returns the reason instead when there is too little to go by, or when what was
 * measured is too far from any paint with these pigments.
 */
export function fitPatches(
  base: Pick<PaintModel, "optics" | "granulation">,
  patches: readonly MeasuredPatch[],
  paper: Paper,
): PaintFit | { readonly refused: FitRefusal } {
  const { readings, indices, ground } = toFit(patches, paper);
  const washes = new Set(readings.filter(({ over }) => over === "paper").map(({ puddle }) => puddle));
  if (washes.size < LEAST_WASHES) return { refused: { code: "too few washes" } };
  const fit = fitOptics(base, readings, ground);
  const { reducedChiSquare } = fit;
  if (reducedChiSquare > MOST_REDUCED_CHI_SQUARE.refused) return { refused: { code: "other pigments" } };
  const fitted: PaintFit["fitted"][number][] = patches.map(() => null);
  indices.forEach((index, i) => (fitted[index] = { ...fit.fitted[i]!, load: fit.loads.get(readings[i]!.puddle)! }));
  const loads = [...fit.loads.values()];
  return {
    optics: fit.optics,
    rms: fit.rms,
    doubted: reducedChiSquare > MOST_REDUCED_CHI_SQUARE.doubted,
    fitted,
    miss: likelyMiss(base, fit, ground),
    loads: [Math.min(...loads), Math.max(...loads)],
  };
}

/**
 * What patches say of a paint beside what the handbook expects of it; null when there is too little to go by, or when
 * they are of other pigments.
 */
export function informationOfPatches(
  base: Pick<PaintModel, "optics" | "granulation">,
  patches: readonly MeasuredPatch[],
  paper: Paper,
): Information | null {
  const { readings, ground } = toFit(patches, paper);
  if (new Set(readings.filter(({ over }) => over === "paper").map(({ puddle }) => puddle)).size < LEAST_WASHES)
    return null;
  const fit = fitOptics(base, readings, ground);
  return fit.reducedChiSquare > MOST_REDUCED_CHI_SQUARE.refused ? null : informationOf(fit);
}

/**
 * A fit can bend nearly any pigment to nearly any colour, at a price. On the simulated bench the right paint pays at
 * most 1.3, half of all wrong ones pay more than 2.3.
 */
const MOST_REDUCED_CHI_SQUARE = { doubted: 1.7, refused: 4.7 } as const;

/** One paint of a photographed card: as the handbook has it, and its patches. */
export interface PaintPatches {
  readonly base: Pick<PaintModel, "optics" | "granulation">;
  /** The base was measured before. */
  readonly known?: boolean;
  readonly patches: readonly MeasuredPatch[];
}

/** The patches of a sheet's paints as a true camera would have read them, estimated from all of them together. */
export function withoutCamera(card: readonly PaintPatches[], paper: Paper): MeasuredPatch[][] {
  const usable = card.flatMap(({ base, known, patches }) => {
    const { readings, ground } = toFit(patches, paper);
    return readings.length > 0 ? [{ base, known, readings, ground }] : [];
  });
  const camera = fitCamera(usable);
  return card.map(({ patches }) =>
    patches.map((patch) => ({ ...patch, lab: withoutCameraOf(patch.lab, camera, paper.reflectance) })),
  );
}

/** The patches of a card's row. */
export function patchesOfRow(
  { places }: Pick<RowRead, "places">,
  water: readonly WaterParts[] = CARD_WATER,
): MeasuredPatch[] {
  return places.map(({ place: { what, swatch }, reading: { lab, cutOff, unsure, texture } }) => ({
    what,
    swatch,
    waterParts: water[swatch]!,
    lab,
    cutOff,
    unsure,
    texture,
  }));
}

/** A patch from a spectrum. */
export function patchOfSpectrum(
  what: PatchKind,
  swatch: number,
  waterParts: WaterParts,
  reflectance: Reflectance,
): MeasuredPatch {
  return { what, swatch, waterParts, lab: labOfXyz(xyzOfReflectance(reflectance)), reflectance: [...reflectance] };
}
