// AssemblyScript: the film model of src/core/optics over 36 bands, four at a time. Compiled by
// `npm run kernel`; src/core/optics/kernel/film-kernel.test.ts holds it to the plain model.

const BANDS: i32 = 36;
const ROW: i32 = 4 * BANDS;
export const MAX_PAINTS: i32 = 512;

// Memory: paper (ground, then weights for X, Y, Z), paints (K row, S row each), granulations, mixes in and out.
const GROUND: i32 = 1024;
const WEIGHT_X: i32 = GROUND + ROW;
const WEIGHT_Y: i32 = WEIGHT_X + ROW;
const WEIGHT_Z: i32 = WEIGHT_Y + ROW;
const PAINTS: i32 = WEIGHT_Z + ROW;
const GRANULATION: i32 = PAINTS + MAX_PAINTS * 2 * ROW;
const MIXES: i32 = GRANULATION + 4 * MAX_PAINTS;

export function groundAt(): i32 { return GROUND; }
export function paintAt(index: i32): i32 { return PAINTS + index * 2 * ROW; }
export function granulationAt(): i32 { return GRANULATION; }
/** Mixes in: three paint indices (i32), three shares and a load (f32), 28 bytes each. Out, after them: L a b (f32). */
export function mixesAt(): i32 { return MIXES; }

const LOG2E: f32 = 1.4426950408889634;
const TINY: f32 = 1e-9;
const ROOT3: f32 = 1.7320508;

/**
 * e^x for x <= 0: 2^i by the exponent's bits times a polynomial for the rest (relative error below 5e-6); below 2^-40
 * it stays there, clear of denormals.
 */
// @ts-ignore: decorator
@inline
function exp4(x: v128): v128 {
  const t = f32x4.pmax(f32x4.mul(x, f32x4.splat(LOG2E)), f32x4.splat(-40));
  // Adding 1.5 x 2^23 rounds to a whole number, which then stands in the lowest bits.
  const shifted = f32x4.add(t, f32x4.splat(12582912));
  const whole = f32x4.sub(shifted, f32x4.splat(12582912));
  const f = f32x4.sub(t, whole);
  let p = f32x4.splat(0.00966637);
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.05592198));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.24022349));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(0.69312105));
  p = f32x4.add(f32x4.mul(p, f), f32x4.splat(1));
  const bits = i32x4.shl(i32x4.add(shifted, i32x4.splat(127)), 23);
  return f32x4.mul(p, bits);
}

// @ts-ignore: decorator
@inline
function sum4(v: v128): f32 {
  return f32x4.extract_lane(v, 0) + f32x4.extract_lane(v, 1) + f32x4.extract_lane(v, 2) + f32x4.extract_lane(v, 3);
}

/** CIELAB's compression; the cube root by a guess from the bits and three steps of Newton's method. */
// @ts-ignore: decorator
@inline
function labF(t: f32): f32 {
  if (t <= 0.008856452) return (903.2963 * t + 16) / 116;
  let y = reinterpret<f32>(reinterpret<i32>(t) / 3 + 709921077);
  y = (2 * y + t / (y * y)) / 3;
  y = (2 * y + t / (y * y)) / 3;
  y = (2 * y + t / (y * y)) / 3;
  return y;
}

/**
 * Dry L a b of `count` mixes on the loaded paper.
 * `roughness` and `gain` as in texture.ts, `k1` and `k2` as in surface.ts, `whiteX` and `whiteZ` the white of the
 * weights.
 */
export function evaluate(count: i32, roughness: f32, gain: f32, k1: f32, k2: f32, whiteX: f32, whiteZ: f32): void {
  let input = MIXES;
  let output = MIXES + 28 * count;
  const out: f32 = (1 - k1) * (1 - k2);
  const veil = f32x4.splat(k2);
  for (let m = 0; m < count; m++) {
    const p0 = paintAt(load<i32>(input));
    const p1 = paintAt(load<i32>(input, 4));
    const p2 = paintAt(load<i32>(input, 8));
    const c0 = load<f32>(input, 12);
    const c1 = load<f32>(input, 16);
    const c2 = load<f32>(input, 20);
    const film = load<f32>(input, 24);
    const granulation = c0 * load<f32>(GRANULATION + 4 * load<i32>(input)) + c1 * load<f32>(GRANULATION + 4 * load<i32>(input, 4)) + c2 * load<f32>(GRANULATION + 4 * load<i32>(input, 8));
    const spread = roughness * (1 + gain * granulation);
    const v = spread * spread;
    // log(1 + v) as a Padé approximant, within 0.2 % for v up to 0.5
    const sigma = sqrt((v * (6 + v)) / (6 + 4 * v));
    // Only exponents <= 0 here: e^(2 root3 sigma) is 1 over e^(-2 root3 sigma).
    const tail = exp4(f32x4.replace_lane(f32x4.splat(-2 * ROOT3 * sigma), 1, -ROOT3 * sigma));
    const low = f32x4.extract_lane(tail, 0);
    const middle = f32x4.extract_lane(tail, 1);
    const mean = (low + 1) / 6 + (2 * middle) / 3;
    const x0 = f32x4.splat((-2 * film * low) / mean);
    const x1 = f32x4.splat((-2 * film * middle) / mean);
    const x2 = f32x4.splat((-2 * film) / mean);
    const s0 = f32x4.splat(c0);
    const s1 = f32x4.splat(c1);
    const s2 = f32x4.splat(c2);
    let X = f32x4.splat(0);
    let Y = f32x4.splat(0);
    let Z = f32x4.splat(0);
    for (let i = 0; i < ROW; i += 16) {
      const k = f32x4.add(f32x4.splat(TINY), f32x4.add(f32x4.mul(s0, v128.load(p0 + i)), f32x4.add(f32x4.mul(s1, v128.load(p1 + i)), f32x4.mul(s2, v128.load(p2 + i)))));
      const s = f32x4.add(f32x4.mul(s0, v128.load(p0 + i, ROW)), f32x4.add(f32x4.mul(s1, v128.load(p1 + i, ROW)), f32x4.mul(s2, v128.load(p2 + i, ROW))));
      const g = v128.load(GROUND + i);
      const ks = f32x4.add(k, s);
      const beta = f32x4.sqrt(f32x4.mul(k, f32x4.add(ks, s)));
      // With e = exp(-2 b S X), the layer over its ground with the surface folded in (film-colour.ts)
      // is (na + nb e) / (da + db e): the paint's share of the work is done once for all three loads.
      const gb = f32x4.mul(g, beta);
      const gk = f32x4.sub(s, f32x4.mul(g, ks));
      const na = f32x4.add(gb, gk);
      const nb = f32x4.sub(gb, gk);
      const kg = f32x4.sub(ks, f32x4.mul(g, s));
      const da = f32x4.sub(f32x4.add(beta, kg), f32x4.mul(veil, na));
      const db = f32x4.sub(f32x4.sub(beta, kg), f32x4.mul(veil, nb));
      const e0 = exp4(f32x4.mul(beta, x0));
      const e1 = exp4(f32x4.mul(beta, x1));
      const e2 = exp4(f32x4.mul(beta, x2));
      const n0 = f32x4.add(na, f32x4.mul(nb, e0));
      const n1 = f32x4.add(na, f32x4.mul(nb, e1));
      const n2 = f32x4.add(na, f32x4.mul(nb, e2));
      const d0 = f32x4.add(da, f32x4.mul(db, e0));
      const d1 = f32x4.add(da, f32x4.mul(db, e1));
      const d2 = f32x4.add(da, f32x4.mul(db, e2));
      // n0/d0 + 4 n1/d1 + n2/d2 with one division
      const d02 = f32x4.mul(d0, d2);
      const outer = f32x4.add(f32x4.mul(n0, d2), f32x4.mul(n2, d0));
      const top = f32x4.add(f32x4.mul(outer, d1), f32x4.mul(f32x4.mul(f32x4.splat(4), n1), d02));
      const R = f32x4.div(top, f32x4.mul(d02, d1));
      X = f32x4.add(X, f32x4.mul(R, v128.load(WEIGHT_X + i)));
      Y = f32x4.add(Y, f32x4.mul(R, v128.load(WEIGHT_Y + i)));
      Z = f32x4.add(Z, f32x4.mul(R, v128.load(WEIGHT_Z + i)));
    }
    const scale = out / 6;
    const fx = labF(k1 + (scale * sum4(X)) / whiteX);
    const fy = labF(k1 + scale * sum4(Y));
    const fz = labF(k1 + (scale * sum4(Z)) / whiteZ);
    store<f32>(output, 116 * fy - 16);
    store<f32>(output, 500 * (fx - fy), 4);
    store<f32>(output, 200 * (fy - fz), 8);
    input += 28;
    output += 12;
  }
}
