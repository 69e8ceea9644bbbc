import type { Lab } from "./colour";

const RADIANS = Math.PI / 180;
const POW25_7 = 25 ** 7;

/** x to the seventh by four multiplications; Math.pow is many times slower in the searches. */
function seventh(x: number): number {
  const square = x * x;
  return square * square * square * x;
}

/** CIEDE2000 of two colours given as numbers; see {@link deltaE00}. Allocates nothing. */
export function deltaE00Of(L1: number, a1: number, b1: number, L2: number, a2: number, b2: number, kL: number): number {
  const meanC = (Math.sqrt(a1 * a1 + b1 * b1) + Math.sqrt(a2 * a2 + b2 * b2)) / 2;
  const meanC7 = seventh(meanC);
  const G = 0.5 * (1 - Math.sqrt(meanC7 / (meanC7 + POW25_7)));
  const a1p = (1 + G) * a1;
  const a2p = (1 + G) * a2;
  const C1 = Math.sqrt(a1p * a1p + b1 * b1);
  const C2 = Math.sqrt(a2p * a2p + b2 * b2);
  let h1 = C1 === 0 ? 0 : Math.atan2(b1, a1p) / RADIANS;
  let h2 = C2 === 0 ? 0 : Math.atan2(b2, a2p) / RADIANS;
  if (h1 < 0) h1 += 360;
  if (h2 < 0) h2 += 360;

  let dh = 0;
  let meanH = h1 + h2;
  if (C1 * C2 !== 0) {
    dh = h2 - h1;
    const wrapped = Math.abs(dh) > 180;
    if (dh > 180) dh -= 360;
    else if (dh < -180) dh += 360;
    meanH = !wrapped ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
  }
  const dL = L2 - L1;
  const dC = C2 - C1;
  const dH = 2 * Math.sqrt(C1 * C2) * Math.sin((dh / 2) * RADIANS);

  const meanL = (L1 + L2) / 2;
  const meanCp = (C1 + C2) / 2;
  const T =
    1 -
    0.17 * Math.cos((meanH - 30) * RADIANS) +
    0.24 * Math.cos(2 * meanH * RADIANS) +
    0.32 * Math.cos((3 * meanH + 6) * RADIANS) -
    0.2 * Math.cos((4 * meanH - 63) * RADIANS);
  const bend = (meanH - 275) / 25;
  const dTheta = 30 * Math.exp(-bend * bend);
  const meanCp7 = seventh(meanCp);
  const RC = 2 * Math.sqrt(meanCp7 / (meanCp7 + POW25_7));
  const l50 = (meanL - 50) * (meanL - 50);
  const SL = 1 + (0.015 * l50) / Math.sqrt(20 + l50);
  const SC = 1 + 0.045 * meanCp;
  const SH = 1 + 0.015 * meanCp * T;
  const RT = -Math.sin(2 * dTheta * RADIANS) * RC;

  const tL = dL / (kL * SL);
  const tC = dC / SC;
  const tH = dH / SH;
  return Math.sqrt(Math.max(0, tL * tL + tC * tC + tH * tH + RT * tC * tH));
}

/**
 * Colour difference CIEDE2000 (CIE 142-2001), following Sharma, Wu and Dalal (2005).
 * @param kL parametric factor of lightness; below 1 a difference in value counts more than one in hue.
 */
export function deltaE00(first: Lab, second: Lab, kL = 1): number {
  return deltaE00Of(first.L, first.a, first.b, second.L, second.a, second.b, kL);
}
