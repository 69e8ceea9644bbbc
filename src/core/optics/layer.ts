import type { Load } from "./load";

/** Keeps the closed forms away from 0/0 for a layer that neither absorbs nor scatters. */
export const TINY = 1e-9;

/**
 * Internal reflectance of one Kubelka-Munk layer over a ground, one band.
 *
 * The usual form R = (1 - Rg (a - b coth bSX)) / (a - Rg + b coth bSX) with every term multiplied
 * by S (1 - e), e = exp(-2 bSX): it needs one exponential, and it runs smoothly into the layer
 * without scattering, R = Rg exp(-2KX). Kubelka (1948), J. Opt. Soc. Am. 38, 448.
 *
 * @param K absorption per unit load, >= 0
 * @param S scattering per unit load, >= 0
 * @param X load, >= 0
 * @param ground internal reflectance below the layer, 0 to 1
 */
export function layerOverGround(K: number, S: number, X: Load, ground: number): number {
  const k = K + TINY;
  const beta = Math.sqrt(k * (k + 2 * S));
  const e = Math.exp(-2 * beta * X);
  const open = (k + S) * (1 - e);
  const closed = beta * (1 + e);
  return (S * (1 - e) - ground * (open - closed)) / (open - ground * S * (1 - e) + closed);
}

/** Reflectance and transmittance of a layer alone. */
export interface LayerAlone {
  readonly R: number;
  readonly T: number;
}

/** R0 and T0 of a layer by itself: sinh / (a sinh + b cosh) and b / (a sinh + b cosh) of bSX. Kubelka (1948). */
export function layerAlone(K: number, S: number, X: Load): LayerAlone {
  const k = K + TINY;
  const beta = Math.sqrt(k * (k + 2 * S));
  const half = Math.exp(-beta * X);
  const e = half * half;
  const denominator = (k + S) * (1 - e) + beta * (1 + e);
  return { R: (S * (1 - e)) / denominator, T: (2 * beta * half) / denominator };
}

/** One layer laid over another or over a ground: R = R1 + T1² R2 / (1 - R1 R2). Kubelka (1948). */
export function stackOver(top: LayerAlone, below: number): number {
  return top.R + (top.T * top.T * below) / (1 - top.R * below);
}
