/** Matrices of three rows as nine numbers, row by row. */

/** Adds factor * v vᵀ to a matrix. */
export function addOuter(matrix: Float64Array, v: ArrayLike<number>, factor: number, at = 0): void {
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) matrix[3 * i + j]! += factor * v[at + i]! * v[at + j]!;
}

/** The inverse of a matrix of three rows by its adjugate. Throws a RangeError when it is singular. */
export function inverse3(m: ArrayLike<number>): Float64Array {
  const [a, b, c, d, e, f, g, h, i] = Array.from(m) as unknown as readonly [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const [p, q, r] = [e * i - f * h, f * g - d * i, d * h - e * g];
  const determinant = a * p + b * q + c * r;
  if (!(Math.abs(determinant) > 0)) throw new RangeError("A matrix without an inverse.");
  return Float64Array.of(
    p,
    c * h - b * i,
    b * f - c * e,
    q,
    a * i - c * g,
    c * d - a * f,
    r,
    b * g - a * h,
    a * e - b * d,
  ).map((value) => value / determinant);
}

/** The product of two matrices. */
export function product3(a: ArrayLike<number>, b: ArrayLike<number>): Float64Array {
  const out = new Float64Array(9);
  for (let i = 0; i < 3; i++)
    for (let j = 0; j < 3; j++) for (let k = 0; k < 3; k++) out[3 * i + j]! += a[3 * i + k]! * b[3 * k + j]!;
  return out;
}

export const sum3 = (a: Float64Array, b: Float64Array): Float64Array => a.map((value, i) => value + b[i]!);

/** A matrix times a vector. */
export const times3 = (m: ArrayLike<number>, v: ArrayLike<number>): Float64Array =>
  Float64Array.from({ length: 3 }, (_, i) => m[3 * i]! * v[0]! + m[3 * i + 1]! * v[1]! + m[3 * i + 2]! * v[2]!);

/** vᵀ M v. */
export const quadratic3 = (m: Float64Array, v: ArrayLike<number>): number => {
  const mv = times3(m, v);
  return mv[0]! * v[0]! + mv[1]! * v[1]! + mv[2]! * v[2]!;
};
