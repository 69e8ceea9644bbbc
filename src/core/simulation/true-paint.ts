import { pigmentById } from "../pigments/handbook";
import { scatteringAt, type Absorber } from "../pigments/optics";
import type { PigmentShare } from "../pigments/share";
import { FINE_NM } from "./fine-bands";
import { normalFrom } from "../numeric/normal";

/** A paint whose optics are known to the bench alone: K and S per true masstone load by 5 nm. */
export interface TruePaint {
  readonly K: Float64Array;
  readonly S: Float64Array;
  readonly granulation: number;
}

/**
 * How makers differ from the handbook: one standard deviation each, of the positions in nm and of
 * the logarithms of widths, heights and scattering. From memory, set so that the handbook alone
 * misses unseen mixes by about 5 dE00, as in the project's first trial.
 */
const VARIES = {
  positionNm: 6,
  width: 0.15,
  height: 0.18,
  strength: 0.28,
  scattering: 0.6,
  fall: 0.3,
  granulation: 0.25,
} as const;
/**
 * One paint in three holds an extender that scatters, and every paint some dull absorption of its binder and its
 * impurities. From memory.
 */
const EXTENDER = { share: 1 / 3, scattering: 0.12 } as const;
const DULL = 0.04;

function absorptionOf(part: Absorber, normal: () => number): (nm: number) => number {
  const height = Math.exp(VARIES.height * normal());
  const shift = VARIES.positionNm * normal();
  const width = Math.exp(VARIES.width * normal());
  if ("bandNm" in part)
    return (nm) => height * part.k * Math.exp(-0.5 * ((nm - part.bandNm - shift) / (width * part.widthNm)) ** 2);
  if ("edgeNm" in part)
    return (nm) => (height * part.k) / (1 + Math.exp((nm - part.edgeNm - shift) / (width * part.widthNm)));
  return (nm) => height * part.k * Math.max(0, 1 + ((part.tilt ?? 0) * (nm - 550)) / 100);
}

/** One maker's paint of these pigments: another seed (`random`) is another maker. */
export function truePaint(pigments: readonly PigmentShare[], random: () => number, tintingStrength = 1): TruePaint {
  const normal = normalFrom(random);
  const total = pigments.reduce((sum, { share }) => sum + share, 0);
  const strength = tintingStrength * Math.exp(VARIES.strength * normal());
  const extender = random() < EXTENDER.share ? EXTENDER.scattering * random() : 0;
  const parts = pigments.map(({ pigmentId, share }) => {
    const { absorbers, scatterer, granulation } = pigmentById(pigmentId);
    return {
      share: share / total,
      granulation,
      absorb: absorbers.map((part) => absorptionOf(part, normal)),
      scatterer: {
        at550: scatterer.at550 * Math.exp(VARIES.scattering * normal()),
        fall: scatterer.fall + VARIES.fall * normal(),
        inBand: scatterer.inBand,
      },
    };
  });
  const absorbed = parts.map(({ absorb }) =>
    FINE_NM.map((nm) =>
      Math.max(
        0,
        absorb.reduce((k, f) => k + f(nm), 0),
      ),
    ),
  );
  const most = absorbed.map((k) => Math.max(...k, 1e-6));
  const bare = FINE_NM.map((_, i) => parts.reduce((sum, { share }, p) => sum + share * absorbed[p]![i]!, 0));
  const dull = DULL * random() * (bare.reduce((sum, k) => sum + k, 0) / bare.length);
  const granulation = parts.reduce((sum, part) => sum + part.share * part.granulation, 0);
  return {
    K: Float64Array.from(bare, (k) => strength * (k + dull)),
    S: Float64Array.from(
      FINE_NM,
      (nm, i) =>
        strength *
        (extender +
          parts.reduce(
            (sum, { share, scatterer }, p) => sum + share * scatteringAt(scatterer, nm, absorbed[p]![i]! / most[p]!),
            0,
          )),
    ),
    granulation: Math.min(1, Math.max(0, granulation + VARIES.granulation * normal() * granulation)),
  };
}
