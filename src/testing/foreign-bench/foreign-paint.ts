import { BANDS } from "@/core/colour/bands";
import { deltaE00 } from "@/core/colour/difference";
import { looksOf } from "@/core/mixing/looks";
import { paintModel } from "@/core/mixing/paint";
import { normalFrom } from "@/core/numeric/normal";
import { PAPERS } from "@/core/optics/paper";
import { HANDBOOK, pigmentById } from "@/core/pigments/handbook";
import { FINE_NM } from "@/core/simulation/fine-bands";

/** A paint of the foreign bench: K and S by 5 nm, built by none of the handbook's rules. */
export interface ForeignPaint {
  readonly K: Float64Array;
  readonly S: Float64Array;
  readonly granulation: number;
}

/** A tube is up to twice as strong or half as strong as the handbook has it, evenly in the logarithm. */
const STRENGTH = Math.LN2;
/** One tube in so many holds a relative of what its label says: one of the three nearest of its family. */
const SWAPPED = 1 / 3;
/**
 * One standard deviation each: shift of the spectrum, its slow warp (nm), the power its bands are raised to, bumps,
 * grain of the spectrum.
 */
const VARIES = { shiftNm: 13, warpNm: 9, power: 0.28, bump: 0.42, grain: 0.08, scattering: 0.8, fall: 0.5 } as const;

const relatives = new Map<string, readonly string[]>();
function relativesOf(id: string): readonly string[] {
  const known = relatives.get(id);
  if (known) return known;
  const family = HANDBOOK.filter((other) => other.family === pigmentById(id).family);
  const looks = looksOf(
    family.map((other) => paintModel(other.id, [{ pigmentId: other.id, share: 1 }])),
    [0.25],
    PAPERS[0],
  );
  const own = looks[family.findIndex((other) => other.id === id)]![0]!;
  const near = family
    .map((other, i) => ({ id: other.id, away: deltaE00(own, looks[i]![0]!) }))
    .filter((other) => other.id !== id)
    .sort((a, b) => a.away - b.away)
    .slice(0, 3)
    .map((other) => other.id);
  relatives.set(id, near);
  return near;
}

/** A value of a spectrum by 10 nm at any wavelength, in a straight line between its bands. */
export function between(spectrum: Float64Array, nm: number): number {
  const x = Math.min(BANDS - 1.001, Math.max(0, (nm - 380) / 10));
  const i = Math.floor(x);
  return spectrum[i]! + (x - i) * (spectrum[i + 1]! - spectrum[i]!);
}

/** One maker's paint of a pigment, or of a relative of it. */
export function foreignPaint(pigmentId: string, random: () => number): ForeignPaint {
  const normal = normalFrom(random);
  const near = relativesOf(pigmentId);
  const swapped = near.length > 0 && random() < SWAPPED;
  const { optics, granulation } = pigmentById(swapped ? near[Math.floor(random() * near.length)]! : pigmentId);
  const strength = Math.exp(STRENGTH * (2 * random() - 1));
  const shift = VARIES.shiftNm * normal();
  const [warp, phase] = [VARIES.warpNm * normal(), 2 * Math.PI * random()];
  const power = Math.min(1.5, Math.max(0.65, 1 + VARIES.power * normal()));
  // Bumps that rise and fall unlike on their two sides: no cosine and no Gaussian.
  const bumps = Array.from({ length: 6 }, () => ({
    at: 380 + 350 * random(),
    height: VARIES.bump * normal(),
    short: 8 + 40 * random(),
    long: 8 + 40 * random(),
  }));
  const most = Math.max(...optics.K);
  const binder = most * 0.012 * random();
  const scatter = Math.exp(VARIES.scattering * normal());
  const fall = VARIES.fall * normal();
  const extender = random() < 1 / 3 ? 0.1 * random() : 0;
  let grain = 0;
  const factors = FINE_NM.map((nm) => {
    grain = 0.6 * grain + VARIES.grain * normal();
    const bump = bumps.reduce(
      (sum, { at, height, short, long }) => sum + height * Math.exp(-Math.abs((nm - at) / (nm < at ? short : long))),
      0,
    );
    return Math.exp(bump + grain);
  });
  const warped = (nm: number): number => nm + shift + warp * Math.sin(phase + (nm - 380) / 70);
  return {
    K: Float64Array.from(
      FINE_NM,
      (nm, i) =>
        strength *
        (most * Math.pow(Math.max(1e-4, between(optics.K, warped(nm)) / most), power) * factors[i]! +
          binder * Math.exp(-(nm - 380) / 80)),
    ),
    S: Float64Array.from(
      FINE_NM,
      (nm) => strength * (extender + scatter * between(optics.S, warped(nm)) * (nm / 550) ** fall),
    ),
    granulation: Math.min(1, Math.max(0, granulation * Math.exp(0.3 * normal()))),
  };
}
