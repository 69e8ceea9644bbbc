import type { Lab } from "../colour/colour";
import type { Load } from "../optics/load";
import { handSquares, movedSquares, type Hand } from "./hand";
import { residuals, type MixMetric } from "./metric";
import type { ReachTable } from "./reach-table";
import { SLOPE } from "./refine";

/** A mix by its paints (indices into the table), shares (sum 1) and load. */
interface SharedMix {
  readonly combination: readonly number[];
  readonly shares: readonly number[];
  readonly load: Load;
}

/** The mix of a combination at the logarithms that refineMixes gives. */
export function mixAt(combination: readonly number[], at: Float64Array, c: number): SharedMix {
  const ratios = combination.map((_, p) => (p === 0 ? 1 : Math.exp(at[3 * c + p]!)));
  const total = ratios.reduce((sum, ratio) => sum + ratio, 0);
  return { combination, shares: ratios.map((ratio) => ratio / total), load: Math.exp(at[3 * c]!) };
}

/**
 * Share of the tubes' squares that decides between mixes and palettes. On the bench (docs/judging.md), with ten of 25
 * paints measured, palettes chosen so come out nearer by a third. A quarter would gain more there, but where no paint
 * is measured all mixes are so doubtful that calm and shaky hands would hardly count beside it, and a painter puts a
 * tube's strength right on scrap.
 */
export const TUBES_DECIDE = 0.1;

/** Squared errors that are added to mixes, dE00 squared as judged: by the hand, and by how unsure their paints are. */
export interface Scatter {
  readonly hand: Float64Array;
  readonly tubes: Float64Array;
}

/**
 * What a hand and unsure paints add to each of some mixes (see hand.ts), many at a time by the film model's slopes.
 * @param doubts of each paint of the computer, see tubeDoubt: what is not known of a tube moves a mix as another
 *   part would
 */
export function scatterOf(
  target: Lab,
  { computer }: Pick<ReachTable, "computer">,
  metric: MixMetric,
  hand: Hand,
  doubts: ArrayLike<number>,
  mixes: readonly SharedMix[],
): Scatter {
  const batch = Math.floor(computer.capacity / 4);
  const scatter: Scatter = { hand: new Float64Array(mixes.length), tubes: new Float64Array(mixes.length) };
  const [residual, slopes, moved] = [new Float64Array(12), new Float64Array(9), new Float64Array(3)];
  const more = Math.exp(SLOPE);
  for (let from = 0; from < mixes.length; from += batch) {
    const chunk = mixes.slice(from, from + batch);
    chunk.forEach(({ combination: [p0, p1 = p0, p2 = p0], shares: [s0, s1 = 0, s2 = 0], load }, slot) => {
      for (let shift = 0; shift < 4; shift++) {
        const r1 = shift === 2 ? more * s1 : s1;
        const r2 = shift === 3 ? more * s2 : s2;
        const total = s0! + r1 + r2;
        computer.put(
          4 * slot + shift,
          p0!,
          p1!,
          p2!,
          s0! / total,
          r1 / total,
          r2 / total,
          shift === 1 ? load / more : load,
        );
      }
    });
    const lab = computer.run(4 * chunk.length);
    chunk.forEach(({ combination, shares }, slot) => {
      const first = 12 * slot;
      for (let shift = 0; shift < 4; shift++) {
        const place = first + 3 * shift;
        residuals(target, metric, lab[place]!, lab[place + 1]!, lab[place + 2]!, residual, 3 * shift);
      }
      for (let j = 0; j < shares.length; j++)
        for (let k = 0; k < 3; k++)
          slopes[3 * j + k] = (residual[3 * (j + 1) + k]! - residual[k]!) / (j === 0 ? -SLOPE : SLOPE);
      movedSquares(shares, slopes, moved);
      scatter.hand[from + slot] = handSquares(shares, slopes, moved, hand);
      for (let j = 0; j < shares.length; j++) scatter.tubes[from + slot]! += doubts[combination[j]!]! ** 2 * moved[j]!;
    });
  }
  return scatter;
}
