import type { Elimination } from "./elimination";
import { blocksOf, type Blocks } from "./products";
import { factorHere, invertTriangle, timesInverseTransposed } from "./small";

/**
 * A sparse symmetric positive definite matrix, of which the blocks that are not zero are kept: filled through `place`,
 * then factored, solved with, and inverted where its factor is not zero. Steps are those of a generator, a block's
 * column each, so that others can be seen to in between.
 */
export class BlockMatrix {
  private readonly blocks: Blocks;
  private readonly widest: number;
  /** Where the inverse begins, and the room that is worked in. */
  private readonly out: number;
  private readonly desk: number;

  constructor(readonly shape: Elimination) {
    const { sizes, below, stored } = shape;
    this.widest = sizes.reduce((most, size) => Math.max(most, size), 0);
    const deepest = below.reduce((most, rows) => Math.max(most, rows.length), 0);
    this.out = stored;
    this.desk = 2 * stored;
    this.blocks = blocksOf(2 * stored + this.widest ** 2 * (2 * deepest + 4));
  }

  /** The matrix, or once it is factored its factor: blocks of the lower half, row by row. */
  get values(): Float64Array {
    return this.blocks.values;
  }

  /** Once it is inverted: the inverse's blocks, each at the `place` of the matrix's own. */
  get inverse(): Float64Array {
    return this.values.subarray(this.out, this.out + this.shape.stored);
  }

  clear(): void {
    this.values.fill(0, 0, this.shape.stored);
  }

  /** Adds to a number of the matrix, in a block that is stored; both halves are to be given. */
  add(i: number, j: number, value: number): void {
    const { positionOf, sizes, starts } = this.shape;
    const [row, column] = [positionOf[i]!, positionOf[j]!];
    if (row < column) return;
    const at = this.place(row, column)!;
    this.values[at + (i - starts[row]!) * sizes[column]! + j - starts[column]!]! += value;
  }

  /** Where the block of a row and an earlier column of blocks stands; undefined for a block of zeros. */
  place(row: number, column: number): number | undefined {
    return this.shape.placeOf.get(column * this.shape.sizes.length + row);
  }

  /**
   * Cholesky's factor A = L Lᵀ in the matrix's own place (George and Liu, Computer Solution of Large Sparse Positive
   * Definite Systems, 1981). Throws a RangeError unless the matrix is positive definite.
   */
  *factoring(): Generator<void, void> {
    const { sizes, below, places, own } = this.shape;
    const { values } = this;
    const placeInColumn = new Int32Array(sizes.length);
    /** Columns before, by the row that they touch: the column, and where in it the row stands. */
    const touching: [number, number][][] = Array.from(sizes, () => []);
    below.forEach((rows, column) => rows.forEach((row, nth) => touching[row]!.push([column, nth])));
    const row = new Float64Array(this.widest);
    for (let j = 0; j < sizes.length; j++) {
      const n = sizes[j]!;
      placeInColumn[j] = own[j]!;
      below[j]!.forEach((i, nth) => (placeInColumn[i] = places[j]![nth]!));
      for (const [k, nth] of touching[j]!) {
        const [rows, at] = [below[k]!, places[k]!];
        for (let i = nth; i < rows.length; i++)
          this.blocks.lessProduct(placeInColumn[rows[i]!]!, at[i]!, at[nth]!, sizes[rows[i]!]!, n, sizes[k]!);
      }
      factorHere(values, own[j]!, n);
      invertTriangle(values, own[j]!, n, this.desk);
      below[j]!.forEach((i, nth) => timesInverseTransposed(values, places[j]![nth]!, sizes[i]!, n, this.desk, row));
      yield;
    }
  }

  /** Solves A x = b once A is factored; b is left as it was. */
  solved(b: Float64Array): Float64Array {
    const { sizes, starts, below, places, own } = this.shape;
    const { values } = this;
    const x = b.slice();
    for (let j = 0; j < sizes.length; j++) {
      const [n, from, at] = [sizes[j]!, starts[j]!, own[j]!];
      for (let i = 0; i < n; i++) {
        let sum = x[from + i]!;
        for (let k = 0; k < i; k++) sum -= values[at + i * n + k]! * x[from + k]!;
        x[from + i] = sum / values[at + i * n + i]!;
      }
      const [rows, where] = [below[j]!, places[j]!];
      for (let nth = 0; nth < rows.length; nth++) {
        const [to, m] = [starts[rows[nth]!]!, sizes[rows[nth]!]!];
        for (let r = 0, place = where[nth]!; r < m; r++, place += n) {
          let sum = 0;
          for (let k = 0; k < n; k++) sum += values[place + k]! * x[from + k]!;
          x[to + r]! -= sum;
        }
      }
    }
    for (let j = sizes.length - 1; j >= 0; j--) {
      const [n, from, at] = [sizes[j]!, starts[j]!, own[j]!];
      const [rows, where] = [below[j]!, places[j]!];
      for (let nth = 0; nth < rows.length; nth++) {
        const [to, m] = [starts[rows[nth]!]!, sizes[rows[nth]!]!];
        for (let r = 0, place = where[nth]!; r < m; r++, place += n) {
          const value = x[to + r]!;
          if (value !== 0) for (let k = 0; k < n; k++) x[from + k]! -= values[place + k]! * value;
        }
      }
      for (let i = n - 1; i >= 0; i--) {
        let sum = x[from + i]!;
        for (let k = i + 1; k < n; k++) sum -= values[at + k * n + i]! * x[from + k]!;
        x[from + i] = sum / values[at + i * n + i]!;
      }
    }
    return x;
  }

  /**
   * The blocks of the inverse where the factor's are stored: all that is asked of numbers that stand together in some
   * row (Takahashi, Fagan and Chin 1973; Erisman and Tinney, Communications of the ACM 18, 1975). See `inverseAt`.
   */
  *inverting(): Generator<void, void> {
    const { sizes, below, places, own } = this.shape;
    const { values, out, widest } = this;
    const square = widest ** 2;
    const deepest = below.reduce((most, rows) => Math.max(most, rows.length), 0);
    const sums = this.desk + square * deepest;
    const turned = sums + square * deepest;
    const [inverse, spare, less] = [turned + square, turned + 2 * square, turned + 3 * square];
    const nthOf = new Int32Array(sizes.length).fill(-1);
    for (let k = sizes.length - 1; k >= 0; k--) {
      const [n, rows, at] = [sizes[k]!, below[k]!, places[k]!];
      invertTriangle(values, own[k]!, n, spare);
      this.blocks.transpose(spare, n, n, inverse);
      for (let x = 0; x < n * n; x++) values[less + x] = -values[inverse + x]!;
      // W_i = L_ik L_kk⁻¹, kept transposed (n by the rows of i).
      for (let nth = 0; nth < rows.length; nth++) {
        const m = sizes[rows[nth]!]!;
        const w = this.desk + square * nth;
        values.fill(0, sums + square * nth, sums + square * nth + m * n);
        nthOf[rows[nth]!] = nth;
        values.fill(0, w, w + n * m);
        this.blocks.lessProduct(w, less, at[nth]!, n, m, n);
      }
      // Z_ik = - sum over j of Z_ij W_j: each stored block serves both its halves.
      for (let nth = 0; nth < rows.length; nth++) {
        const j = rows[nth]!;
        const m = sizes[j]!;
        const w = this.desk + square * nth;
        this.blocks.lessProduct(sums + square * nth, out + own[j]!, w, m, n, m);
        const [under, where] = [below[j]!, places[j]!];
        for (let u = 0; u < under.length; u++) {
          const other = nthOf[under[u]!]!;
          if (other < 0) continue;
          const rowsOf = sizes[under[u]!]!;
          this.blocks.lessProduct(sums + square * other, out + where[u]!, w, rowsOf, n, m);
          this.blocks.transpose(out + where[u]!, rowsOf, m, turned);
          this.blocks.lessProduct(sums + square * nth, turned, this.desk + square * other, m, n, rowsOf);
        }
      }
      // Z_kk = L_kk⁻ᵀ L_kk⁻¹ - sum over j of W_jᵀ Z_jk
      for (let r = 0; r < n; r++)
        for (let c = 0; c < n; c++) {
          let sum = 0;
          for (let x = Math.max(r, c); x < n; x++) sum += values[inverse + r * n + x]! * values[inverse + c * n + x]!;
          for (let nth = 0; nth < rows.length; nth++) {
            const m = sizes[rows[nth]!]!;
            const [w, z] = [this.desk + square * nth + r * m, sums + square * nth + c];
            for (let x = 0; x < m; x++) sum -= values[w + x]! * values[z + x * n]!;
          }
          values[out + own[k]! + r * n + c] = sum;
        }
      for (let nth = 0; nth < rows.length; nth++) {
        const length = sizes[rows[nth]!]! * n;
        values.copyWithin(out + at[nth]!, sums + square * nth, sums + square * nth + length);
        nthOf[rows[nth]!] = -1;
      }
      yield;
    }
  }

  /** A number of the inverse; undefined where it was not computed. */
  inverseAt(i: number, j: number): number | undefined {
    const { positionOf, sizes, starts } = this.shape;
    const [one, other] = [positionOf[i]!, positionOf[j]!];
    const [row, column, r, c] = one >= other ? [one, other, i, j] : [other, one, j, i];
    const at = this.place(row, column);
    if (at === undefined) return undefined;
    return this.values[this.out + at + (r - starts[row]!) * sizes[column]! + c - starts[column]!]!;
  }
}
