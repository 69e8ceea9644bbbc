import type { MixSlopes } from "./slopes";

/** Adds Jᵀ N J to a matrix (size by size), J given by its places and slopes. */
export function addInformation(
  matrix: Float64Array,
  size: number,
  { places, slopes }: Pick<MixSlopes, "places" | "slopes">,
  precision: Float64Array,
): void {
  const n = places.length;
  const weighted = new Float64Array(3 * n);
  for (let i = 0; i < n; i++)
    for (let k = 0; k < 3; k++)
      weighted[3 * i + k] =
        precision[3 * k]! * slopes[3 * i]! +
        precision[3 * k + 1]! * slopes[3 * i + 1]! +
        precision[3 * k + 2]! * slopes[3 * i + 2]!;
  for (let i = 0; i < n; i++) {
    const row = places[i]! * size;
    const [x, y, z] = [weighted[3 * i]!, weighted[3 * i + 1]!, weighted[3 * i + 2]!];
    for (let j = 0; j < n; j++)
      matrix[row + places[j]!]! += x * slopes[3 * j]! + y * slopes[3 * j + 1]! + z * slopes[3 * j + 2]!;
  }
}

/** Adds Jᵀ v to a vector. */
export function addPulled(
  vector: Float64Array,
  { places, slopes }: Pick<MixSlopes, "places" | "slopes">,
  v: ArrayLike<number>,
): void {
  for (let i = 0; i < places.length; i++)
    vector[places[i]!]! += slopes[3 * i]! * v[0]! + slopes[3 * i + 1]! * v[1]! + slopes[3 * i + 2]! * v[2]!;
}

/** J C Jᵀ of two colours for a covariance C (size by size): how they vary together, nine numbers. */
export function coloursTogether(
  covariance: Float64Array,
  size: number,
  one: Pick<MixSlopes, "places" | "slopes">,
  other: Pick<MixSlopes, "places" | "slopes">,
): Float64Array {
  const out = new Float64Array(9);
  for (let i = 0; i < one.places.length; i++) {
    const row = one.places[i]! * size;
    let [x, y, z] = [0, 0, 0];
    for (let j = 0; j < other.places.length; j++) {
      const c = covariance[row + other.places[j]!]!;
      x += c * other.slopes[3 * j]!;
      y += c * other.slopes[3 * j + 1]!;
      z += c * other.slopes[3 * j + 2]!;
    }
    for (let k = 0; k < 3; k++) {
      const slope = one.slopes[3 * i + k]!;
      out[3 * k]! += slope * x;
      out[3 * k + 1]! += slope * y;
      out[3 * k + 2]! += slope * z;
    }
  }
  return out;
}

/** A matrix (size by size) times a vector. */
export function timesVector(matrix: Float64Array, size: number, vector: Float64Array): Float64Array {
  const out = new Float64Array(size);
  for (let i = 0; i < size; i++) for (let j = 0; j < size; j++) out[i]! += matrix[i * size + j]! * vector[j]!;
  return out;
}
