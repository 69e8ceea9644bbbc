import { tripleOf } from "../numeric/tuples";
import { WHITE_D65 } from "../colour/cie-tables";
import type { Lab, Rgb, Xyz } from "../colour/colour";
import { linearP3OfXyz, xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz, xyzOfLab } from "../colour/lab";

/** A 3 by 3 matrix, row by row. */
export type Matrix3 = readonly [number, number, number, number, number, number, number, number, number];

/** A white correction as a matrix on linear Display P3. */
export type WhiteMatrix = Matrix3;

/** No correction. */
export const AS_IT_IS: WhiteMatrix = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Cone responses of the Bradford transform (Lam 1985; ICC.1:2022, annex E). */
const BRADFORD: Matrix3 = [0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296];
const BRADFORD_INVERSE = inverse(BRADFORD);

function inverse([a, b, c, d, e, f, g, h, i]: Matrix3): Matrix3 {
  const A = e * i - f * h;
  const B = f * g - d * i;
  const C = d * h - e * g;
  const determinant = a * A + b * B + c * C;
  return [A, c * h - b * i, b * f - c * e, B, a * i - c * g, c * d - a * f, C, b * g - a * h, a * e - b * d].map(
    (x) => x / determinant,
  ) as unknown as Matrix3;
}

function times(m: Matrix3, n: Matrix3): Matrix3 {
  const cell = (row: number, column: number): number =>
    m[3 * row]! * n[column]! + m[3 * row + 1]! * n[3 + column]! + m[3 * row + 2]! * n[6 + column]!;
  return Array.from({ length: 9 }, (_, i) => cell(Math.floor(i / 3), i % 3)) as unknown as Matrix3;
}

const apply = (m: Matrix3, { X, Y, Z }: Xyz): [number, number, number] => [
  m[0] * X + m[1] * Y + m[2] * Z,
  m[3] * X + m[4] * Y + m[5] * Z,
  m[6] * X + m[7] * Y + m[8] * Z,
];

/**
 * The Bradford adaptation from one white to another, as a matrix on XYZ: each cone response is
 * scaled by the ratio of the whites'. Throws a RangeError for a white without light in it.
 */
export function bradford(from: Xyz, to: Xyz): Matrix3 {
  const source = apply(BRADFORD, from);
  const target = apply(BRADFORD, to);
  if (!source.every((cone) => cone > 0)) throw new RangeError("A white needs light of every colour in it.");
  const [l, m, s] = tripleOf(source.map((cone, i) => target[i]! / cone));
  return times(BRADFORD_INVERSE, times([l, 0, 0, 0, m, 0, 0, 0, s], BRADFORD));
}

const D65: Xyz = { X: WHITE_D65[0], Y: 1, Z: WHITE_D65[2] };

/**
 * The correction that makes a picked colour neutral without changing its luminance.
 * @param picked linear light of the neutral, as the photo has it
 * @param degree 0 leaves the photo as it is, 1 corrects it all the way
 * Returns null when the colour is too dark or too strong to have been a neutral.
 */
export function whiteMatrix(picked: Rgb, degree = 1): WhiteMatrix | null {
  const xyz = xyzOfLinearP3(picked);
  if (!(xyz.Y > 0.004)) return null;
  const seen: Xyz = { X: xyz.X / xyz.Y, Y: 1, Z: xyz.Z / xyz.Y };
  const from: Xyz = { X: D65.X + degree * (seen.X - D65.X), Y: 1, Z: D65.Z + degree * (seen.Z - D65.Z) };
  const cones = apply(BRADFORD, from);
  // A cast beyond a factor of four in a cone response is no light that one paints in.
  if (cones.some((cone, i) => !(cone > 0.25 * apply(BRADFORD, D65)[i]!) || cone > 4 * apply(BRADFORD, D65)[i]!))
    return null;
  const onXyz = bradford(from, D65);
  const column = (r: number, g: number, b: number): [number, number, number] => {
    const [X, Y, Z] = apply(onXyz, xyzOfLinearP3({ r, g, b }));
    const light = linearP3OfXyz({ X, Y, Z });
    return [light.r, light.g, light.b];
  };
  const [r, g, b] = [column(1, 0, 0), column(0, 1, 0), column(0, 0, 1)];
  return [r[0], g[0], b[0], r[1], g[1], b[1], r[2], g[2], b[2]];
}

/** A colour measured under one correction, as it is under another. */
export function rewhiten(lab: Lab, from: WhiteMatrix, to: WhiteMatrix): Lab {
  const { r, g, b } = linearP3OfXyz(xyzOfLab(lab));
  const m = times(to, inverse(from));
  const [r1, g1, b1] = [m[0] * r + m[1] * g + m[2] * b, m[3] * r + m[4] * g + m[5] * b, m[6] * r + m[7] * g + m[8] * b];
  return labOfXyz(xyzOfLinearP3({ r: r1, g: g1, b: b1 }));
}
