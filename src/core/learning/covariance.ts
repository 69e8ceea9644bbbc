import type { BlockMatrix } from "../numeric/blocks";
import { CORRECTIONS } from "../pigments/maker-variation";
import { spreadWithin, type Moves } from "./linear";
import { priorCovariance } from "./state";

/** How unsure a state is: the inverse of a precision, of which no more is computed than is asked for. */
export class Covariance {
  /**
   * @param precision factored and inverted
   * @param known so many numbers of the state are in it; those of paints that nothing is known of stand behind, as the
   *   prior has them, and hang on nothing else
   */
  constructor(
    private readonly precision: BlockMatrix,
    private readonly known: number,
  ) {}

  private ofUnpainted(i: number, j: number): number {
    if (i < this.known || j < this.known) return 0;
    const [one, other] = [i - this.known, j - this.known];
    const same = Math.floor(one / CORRECTIONS) === Math.floor(other / CORRECTIONS);
    return same ? priorCovariance(one % CORRECTIONS, other % CORRECTIONS) : 0;
  }

  /** Covariance of two numbers of the state. */
  at(i: number, j: number): number {
    if (i >= this.known || j >= this.known) return this.ofUnpainted(i, j);
    const there = this.precision.inverseAt(i, j);
    if (there !== undefined) return there;
    const unit = new Float64Array(this.known);
    unit[i] = 1;
    return this.precision.solved(unit)[j]!;
  }

  /** Covariance of a colour: nine numbers. */
  of(colour: Moves): Float64Array {
    const known = colour.places.every((place) => place < this.known);
    return (known && spreadWithin(this.precision, colour)) || this.beside(colour)(colour);
  }

  /** How a colour varies together with others, C₁₂ = J₁ C J₂ᵀ, nine numbers each: solved once, then asked of each. */
  beside({ places, slopes }: Moves): (other: Moves) => Float64Array {
    const columns = [0, 1, 2].map((k) => {
      const row = new Float64Array(this.known);
      places.forEach((place, i) => {
        if (place < this.known) row[place]! += slopes[3 * i + k]!;
      });
      return this.precision.solved(row);
    });
    const unpainted = [...places.keys()].filter((i) => places[i]! >= this.known);
    return (other) => {
      const out = new Float64Array(9);
      other.places.forEach((place, j) => {
        for (let k = 0; k < 3; k++) {
          let moved = place < this.known ? columns[k]![place]! : 0;
          if (place >= this.known)
            for (const i of unpainted) moved += slopes[3 * i + k]! * this.ofUnpainted(places[i]!, place);
          for (let l = 0; l < 3; l++) out[3 * k + l]! += moved * other.slopes[3 * j + l]!;
        }
      });
      return out;
    };
  }
}
