import type { PatchKind } from "../calibration/patches";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { PigmentShare } from "../pigments/share";
import { seededRandom } from "../numeric/random";
import { BANDS, type Reflectance } from "../colour/bands";
import { normalFrom } from "../numeric/normal";
import { trueBlack, trueFilm, trueSheet, unevennessOf } from "./true-film";
import { truePaint } from "./true-paint";

/** Every other of the bench's bands: those of the model. */
const byTen = (fine: Float64Array): Reflectance => Float64Array.from({ length: BANDS }, (_, i) => fine[2 * i]!);

/** A painter's hand with puddles, as on the bench. */
const HAND = 0.12;

/**
 * Swatches that nobody painted, for the simulated meter to stand on: one maker's paint of these
 * pigments, the same for the same seed.
 */
export function madeUpSwatches(
  pigments: readonly PigmentShare[],
  seed: number,
): (what: PatchKind, swatch: number, waterParts: WaterParts) => Reflectance {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const sheet = trueSheet(random);
  const black = trueBlack(random, sheet);
  const paint = truePaint(pigments, random);
  const hand = Array.from({ length: 8 }, () => Math.exp(HAND * normal()));
  const film = (load: number, ground?: Float64Array): Reflectance =>
    byTen(trueFilm([{ paint, share: 1 }], load, sheet, unevennessOf(paint.granulation, sheet), ground));
  return (what, swatch, waterParts) => {
    if (what === "bare paper") return byTen(sheet.reflectance);
    if (what === "bare line") return byTen(trueFilm([], 0, sheet, 0, black));
    return film(loadOfWater(waterParts) * hand[swatch % hand.length]!, what === "across on line" ? black : undefined);
  };
}
