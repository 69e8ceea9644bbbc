import { valueNoise } from "@/core/optics/wash-pixels";

/** Fractal sum of value noise, about -1 to 1. */
export function fbm(x: number, y: number, octaves: number, seed: number): number {
  let sum = 0;
  let amplitude = 0.5;
  for (let o = 0; o < octaves; o++) {
    sum += amplitude * valueNoise(x, y, seed + o);
    const t = x * 1.6 - y * 1.2;
    y = x * 1.2 + y * 1.6;
    x = t;
    amplitude *= 0.52;
  }
  return sum;
}

export const clamp01 = (x: number): number => Math.min(1, Math.max(0, x));
export const smooth = (a: number, b: number, x: number): number => {
  const t = clamp01((x - a) / (b - a));
  return t * t * (3 - 2 * t);
};
export type Vec = [number, number, number];
export const mix = (a: Vec, b: Vec, t: number): Vec => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
export const times = (a: Vec, s: number): Vec => [a[0] * s, a[1] * s, a[2] * s];
export const plus = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const by = (a: Vec, b: Vec): Vec => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const unit = (a: Vec): Vec => times(a, 1 / Math.hypot(a[0], a[1], a[2]));
