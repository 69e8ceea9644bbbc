import { inverse3, product3, times3 } from "../numeric/three";
import { tripleOf } from "../numeric/tuples";
import { WHITE_D65 } from "../colour/cie-tables";
import type { Lab, Rgb, Xyz } from "../colour/colour";
import { linearP3OfXyz, xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz, xyzOfLab } from "../colour/lab";

/** A 3 by 3 matrix, row by row. */
export type Matrix3 = readonly [number, number, number, number, number, number, number, number, number];

const nineOf = (of: Float64Array): Matrix3 => [...of] as unknown as Matrix3;

/** A white correction as a matrix on linear Display P3. */
export type WhiteMatrix = Matrix3;

/** No correction. */
export const AS_IT_IS: WhiteMatrix = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Cone responses of the Bradford transform (Lam 1985; ICC.1:2022, annex E). */
const BRADFORD: Matrix3 = [0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296];
const BRADFORD_INVERSE = inverse3(BRADFORD);

const apply = (m: Matrix3, { X, Y, Z }: Xyz): [number, number, number] => tripleOf(times3(m, [X, Y, Z]));

/**
 * The Bradford adaptation from one white to another, as a matrix on XYZ: each cone response is
 * scaled by the ratio of the whites'. Throws a RangeError for a white without light in it.
 */
export function bradford(from: Xyz, to: Xyz): Matrix3 {
  const source = apply(BRADFORD, from);
  const target = apply(BRADFORD, to);
  if (!source.every((cone) => cone > 0)) throw new RangeError("A white needs light of every colour in it.");
  const [l, m, s] = tripleOf(source.map((cone, i) => target[i]! / cone));
  return nineOf(product3(BRADFORD_INVERSE, product3([l, 0, 0, 0, m, 0, 0, 0, s], BRADFORD)));
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
  const [r1, g1, b1] = tripleOf(times3(product3(to, inverse3(from)), [r, g, b]));
  return labOfXyz(xyzOfLinearP3({ r: r1, g: g1, b: b1 }));
}
