import { deltaE00Of } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { loadOfWater, MAX_LOAD, waterUpTo, type Load, type WaterParts } from "../optics/load";
import type { FilmComputer } from "../optics/kernel/film-kernel";

/** Most parts a painter counts in one mix. */
export const MAX_PARTS = 12;
/** A touch of a paint: what stays on the corner of a damp brush, taken as a quarter of a part. From memory. */
export const TOUCH = 0.25;
/** What one more part to count is worth in colour difference, so that 1 : 1 is kept where 7 : 8 gains nothing. */
const COST_OF_A_PART = 0.06;

/** A mix in countable parts at a countable water ratio. */
export interface RoundedMix {
  /** Whole parts, or TOUCH, one for each paint. */
  readonly parts: readonly number[];
  readonly waterParts: WaterParts;
  /** CIEDE2000 with the value weight. */
  readonly cost: number;
}

/** Whether a hand can count parts: whole ones and touches, no more than the largest mix has. */
export const isCountable = (parts: readonly number[]): boolean =>
  parts.every((part) => part === TOUCH || Number.isInteger(part)) &&
  parts.reduce((sum, part) => sum + part, 0) <= MAX_PARTS;

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));

/** Candidate parts near some shares: every total up to 12, with a touch where a share is under half a part. */
export function partsNear(shares: readonly number[]): readonly (readonly number[])[] {
  if (shares.length === 1) return [[1]];
  const seen = new Map<string, readonly number[]>();
  for (let total = shares.length; total <= MAX_PARTS; total++) {
    const parts = shares.map((share) => {
      const exact = share * total;
      return exact < 0.5 ? TOUCH : Math.max(1, Math.round(exact));
    });
    const whole = parts.filter((part) => part !== TOUCH);
    const sum = whole.reduce((a, b) => a + b, 0);
    if (whole.length === 0 || sum > MAX_PARTS) continue;
    // A touch is a fixed amount: without it the rest may share a divisor, with it they may not.
    const divisor = whole.length === parts.length ? whole.reduce(gcd) : 1;
    const reduced = parts.map((part) => part / divisor);
    seen.set(reduced.join(":"), reduced);
  }
  return [...seen.values()];
}

/** Countable water ratios around a load: the nearest and two on each side, none stronger than may be. */
function waterNear(load: Load, strongest: Load): readonly WaterParts[] {
  const waters = waterUpTo(strongest);
  const off = (water: WaterParts): number => Math.abs(Math.log(loadOfWater(water) / load));
  const nearest = waters.reduce((best, water, i) => (off(water) < off(waters[best]!) ? i : best), 0);
  return waters.slice(Math.max(0, nearest - 2), nearest + 3);
}

/**
 * Rounds a mix to parts a painter can count, choosing water anew for each candidate.
 * Few parts are preferred where many gain nothing.
 * @param computer holds the paints that `mix.combination` points into
 * @param mix the continuous optimum: paints, shares by amount and load
 * @param strongest load that the mix may be laid at
 * @param kL CIEDE2000's parametric factor of lightness, 1 / value weight
 */
export function roundMix(
  target: Lab,
  computer: FilmComputer,
  mix: { readonly combination: readonly number[]; readonly shares: readonly number[]; readonly load: Load },
  kL: number,
  strongest: Load = MAX_LOAD,
): RoundedMix {
  const [p0, p1 = p0, p2 = p0] = mix.combination;
  const waters = waterNear(mix.load, strongest);
  const candidates = partsNear(mix.shares);
  let slot = 0;
  for (const [a, b = 0, c = 0] of candidates) {
    const total = a! + b + c;
    for (const water of waters)
      computer.put(slot++, p0!, p1!, p2!, a! / total, b / total, c / total, loadOfWater(water));
  }
  const lab = computer.run(slot);
  let best: RoundedMix | null = null;
  let bestScore = Infinity;
  slot = 0;
  for (const parts of candidates) {
    const effort = COST_OF_A_PART * parts.reduce((sum, part) => sum + Math.ceil(part), 0);
    for (const waterParts of waters) {
      const at = 3 * slot++;
      const cost = deltaE00Of(target.L, target.a, target.b, lab[at]!, lab[at + 1]!, lab[at + 2]!, kL);
      if (cost + effort < bestScore) {
        bestScore = cost + effort;
        best = { parts, waterParts, cost };
      }
    }
  }
  if (!best) throw new RangeError("A mix needs 1 to 3 paints with shares above 0.");
  return best;
}
