import { WAVELENGTHS_NM, type Reflectance } from "../colour/bands";
import type { Lab } from "../colour/colour";
import { xyzOfLab } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { solveLinear } from "../numeric/solve";

/** Level, slope and bend over the spectrum. */
const TILTS = [0, 1, 2].map((power) => Float64Array.from(WAVELENGTHS_NM, (nm) => ((nm - 555) / 175) ** power));

/**
 * A reflectance in another colour: multiplied by the level, slope and bend over the spectrum that bring it to the
 * colour exactly (three linear equations, since XYZ is linear in reflectance). As it was where no such bend exists.
 */
export function tinted(reflectance: Reflectance, lab: Lab): Reflectance {
  const bent = TILTS.map((tilt) => reflectance.map((r, i) => r * tilt[i]!));
  const columns = bent.map(xyzOfReflectance);
  const { X, Y, Z } = xyzOfLab(lab);
  const by = solveLinear(
    [columns.map((column) => column.X), columns.map((column) => column.Y), columns.map((column) => column.Z)],
    [X, Y, Z],
  );
  const made = by && reflectance.map((_, i) => bent.reduce((sum, one, k) => sum + by[k]! * one[i]!, 0));
  return made && made.every((r) => r > 0 && r < 1.2) ? made : reflectance;
}
