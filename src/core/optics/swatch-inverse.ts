/** Absorption and scattering per unit load of one band. */
export interface KubelkaMunkPair {
  readonly K: number;
  readonly S: number;
}

/**
 * K and S of a unit layer from its reflectance over a white and over a black ground, by the
 * formula of Curtis, Anderson, Seims, Fleischer and Salesin (1997), "Computer-generated
 * watercolor", section 5.1. Internal reflectances; the grounds are perfect (1 and 0).
 * Throws a RangeError unless 0 < Rb < Rw < 1.
 */
export function pairFromSwatch(overWhite: number, overBlack: number): KubelkaMunkPair {
  if (!(overBlack > 0 && overBlack < overWhite && overWhite < 1)) {
    throw new RangeError("A swatch needs 0 < over black < over white < 1.");
  }
  const a = 0.5 * (overWhite + (overBlack - overWhite + 1) / overBlack);
  const b = Math.sqrt(a * a - 1);
  const inner = (b * b - (a - overWhite) * (a - 1)) / (b * (1 - overWhite));
  const S = (0.5 * Math.log((inner + 1) / (inner - 1))) / b;
  return { S, K: S * (a - 1) };
}
