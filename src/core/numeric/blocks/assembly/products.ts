// AssemblyScript: C -= A Bᵀ on small blocks of doubles, two at a time, and transposing. Compiled by `npm run kernel`;
// src/core/numeric/blocks/cholesky.test.ts holds it to plain loops.

// @ts-ignore: decorator
@inline
function less(at: usize, pair: v128, last: f64): void {
  store<f64>(at, load<f64>(at) - (f64x2.extract_lane(pair, 0) + f64x2.extract_lane(pair, 1) + last));
}

/** C (m by n) -= A (m by p) Bᵀ (B n by p), row by row, each from an address of its own. */
export function lessProduct(c: usize, a: usize, b: usize, m: i32, n: i32, p: i32): void {
  const row: usize = <usize>p << 3;
  const even: usize = <usize>(p & ~1) << 3;
  const odd = (p & 1) != 0;
  let i: i32 = 0;
  for (; i + 1 < m; i += 2) {
    const a0: usize = a + <usize>i * row;
    const a1: usize = a0 + row;
    const c0: usize = c + ((<usize>i * <usize>n) << 3);
    const c1: usize = c0 + (<usize>n << 3);
    const z0: f64 = odd ? load<f64>(a0 + even) : 0;
    const z1: f64 = odd ? load<f64>(a1 + even) : 0;
    let j: i32 = 0;
    for (; j + 1 < n; j += 2) {
      const b0: usize = b + <usize>j * row;
      const b1: usize = b0 + row;
      let s00 = f64x2.splat(0);
      let s01 = f64x2.splat(0);
      let s10 = f64x2.splat(0);
      let s11 = f64x2.splat(0);
      for (let k: usize = 0; k < even; k += 16) {
        const x0 = v128.load(a0 + k);
        const x1 = v128.load(a1 + k);
        const y0 = v128.load(b0 + k);
        const y1 = v128.load(b1 + k);
        s00 = f64x2.add(s00, f64x2.mul(x0, y0));
        s01 = f64x2.add(s01, f64x2.mul(x0, y1));
        s10 = f64x2.add(s10, f64x2.mul(x1, y0));
        s11 = f64x2.add(s11, f64x2.mul(x1, y1));
      }
      const w0: f64 = odd ? load<f64>(b0 + even) : 0;
      const w1: f64 = odd ? load<f64>(b1 + even) : 0;
      const at: usize = <usize>j << 3;
      less(c0 + at, s00, z0 * w0);
      less(c0 + at + 8, s01, z0 * w1);
      less(c1 + at, s10, z1 * w0);
      less(c1 + at + 8, s11, z1 * w1);
    }
    if (j < n) {
      const b0: usize = b + <usize>j * row;
      let s0 = f64x2.splat(0);
      let s1 = f64x2.splat(0);
      for (let k: usize = 0; k < even; k += 16) {
        const y0 = v128.load(b0 + k);
        s0 = f64x2.add(s0, f64x2.mul(v128.load(a0 + k), y0));
        s1 = f64x2.add(s1, f64x2.mul(v128.load(a1 + k), y0));
      }
      const w0: f64 = odd ? load<f64>(b0 + even) : 0;
      less(c0 + (<usize>j << 3), s0, z0 * w0);
      less(c1 + (<usize>j << 3), s1, z1 * w0);
    }
  }
  if (i < m) {
    const a0: usize = a + <usize>i * row;
    const c0: usize = c + ((<usize>i * <usize>n) << 3);
    const z0: f64 = odd ? load<f64>(a0 + even) : 0;
    for (let j: i32 = 0; j < n; j++) {
      const b0: usize = b + <usize>j * row;
      let s = f64x2.splat(0);
      for (let k: usize = 0; k < even; k += 16) s = f64x2.add(s, f64x2.mul(v128.load(a0 + k), v128.load(b0 + k)));
      less(c0 + (<usize>j << 3), s, odd ? z0 * load<f64>(b0 + even) : 0);
    }
  }
}

/** The transpose of a block (m by n) into another place. */
export function transpose(from: usize, m: i32, n: i32, to: usize): void {
  const row: usize = <usize>m << 3;
  for (let i: i32 = 0; i < m; i++) {
    let at: usize = to + (<usize>i << 3);
    for (let j: i32 = 0; j < n; j++) {
      store<f64>(at, load<f64>(from));
      from += 8;
      at += row;
    }
  }
}
