import { labOfXyz } from "../../colour/lab";
import { screenColourOfLab } from "../../colour/gamut";
import { xyzOfReflectance } from "../../colour/xyz";
import { LINEAR } from "../../image/pixels";
import { drawnMix } from "../../mixing/load-colours";
import type { MixPart } from "../../mixing/predict";
import type { Load } from "../../optics/load";
import type { Paper } from "../../optics/paper";

/** Places of a dried wash, as in `LoadColours`: hills, level ground, hollows, and the rim. */
const PLACES = 4;

/**
 * What a mix takes of the light of what it is laid on: by place and load the logarithm of its share in linear sRGB, so
 * that washes over each other add up. Loads are spaced evenly in the logarithm.
 */
export interface WashLook {
  readonly logShare: Float32Array;
  readonly levels: number;
  readonly logMin: number;
  readonly logStep: number;
  /** Of the load as it is laid. */
  readonly logLoad: number;
  /** Relative spread of the load over the sheet's hills and hollows; the rim's load over the wash's, less 1. */
  readonly spread: number;
  readonly rimGain: number;
}

/** Least light that is reckoned with, so that logarithms stay finite. */
const DARKEST = 2e-3;

/** A sheet's own colour on a screen, linear sRGB. */
export function sheetLight(paper: Paper): readonly [number, number, number] {
  const { r, g, b } = screenColourOfLab(labOfXyz(xyzOfReflectance(paper.reflectance))).rgb;
  return [r, g, b].map((c) => LINEAR[Math.round(c * 255)]!) as [number, number, number];
}

/** A mix as it is laid at a load over a sheet, or over what lies dried on it (`paperUnder`). */
export function washLook(mix: readonly MixPart[], load: Load, ground: Paper): WashLook {
  const { colours, spread, rimGain } = drawnMix(mix, ground);
  const levels = colours.rgb.length / (3 * PLACES);
  const below = sheetLight(ground);
  const logShare = Float32Array.from(colours.rgb, (byte, i) =>
    Math.log(Math.max(DARKEST, LINEAR[byte]!) / Math.max(DARKEST, below[i % 3]!)),
  );
  const logMin = Math.log(colours.minLoad);
  return {
    logShare,
    levels,
    logMin,
    logStep: (Math.log(colours.maxLoad) - logMin) / (levels - 1),
    logLoad: Math.log(load),
    spread,
    rimGain,
  };
}
