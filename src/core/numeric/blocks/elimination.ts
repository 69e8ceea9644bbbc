/**
 * The order in which the blocks of a sparse symmetric matrix are eliminated, and the blocks that are not zero then.
 * Rows and columns are counted in that order: position 0 goes first.
 */
export interface Elimination {
  /** Numbers in the matrix. */
  readonly size: number;
  /** Of each position: how many numbers its block has, and where they stand in a vector. */
  readonly sizes: Int32Array;
  readonly starts: Int32Array;
  /** Of each number of a vector its block's position. */
  readonly positionOf: Int32Array;
  /** Of each column the rows beyond it whose blocks are not zero, ascending. */
  readonly below: readonly Int32Array[];
  /** Where those blocks are stored, row by row in each, and where the column's own block is. */
  readonly places: readonly Int32Array[];
  readonly own: Int32Array;
  /** Numbers that are stored in all. */
  readonly stored: number;
  /** Where a block is stored, by its column times the number of blocks, and its row. */
  readonly placeOf: ReadonlyMap<number, number>;
}

const WORD = 32;

/** Sets of block numbers as rows of bits. */
class BitRows {
  private readonly words: number;
  private readonly bits: Uint32Array;

  constructor(readonly count: number) {
    this.words = Math.ceil(count / WORD);
    this.bits = new Uint32Array(count * this.words);
  }

  add(row: number, item: number): void {
    this.bits[row * this.words + (item >>> 5)]! |= 1 << (item & 31);
  }

  remove(row: number, item: number): void {
    this.bits[row * this.words + (item >>> 5)]! &= ~(1 << (item & 31));
  }

  /** Adds all items of another row. */
  join(row: number, other: number): void {
    const [to, from] = [row * this.words, other * this.words];
    for (let w = 0; w < this.words; w++) this.bits[to + w]! |= this.bits[from + w]!;
  }

  items(row: number): number[] {
    const found: number[] = [];
    for (let w = 0; w < this.words; w++)
      for (let word = this.bits[row * this.words + w]!; word !== 0; word &= word - 1)
        found.push(w * WORD + (31 - Math.clz32(word & -word)));
    return found;
  }
}

/**
 * Orders blocks so that few become other than zero: of those left, the one with the fewest numbers in the blocks that
 * it touches goes next (minimum degree: Tinney and Walker 1967; George and Liu, The Evolution of the Minimum Degree
 * Ordering, SIAM Review 31, 1989).
 * @param blocks of each block how many numbers it has; they stand in a vector one after the other
 * @param together blocks that stand in one row of the problem: each touches all others of its group
 */
export function eliminationOf(blocks: ArrayLike<number>, together: Iterable<readonly number[]>): Elimination {
  const count = blocks.length;
  const touching = new BitRows(count);
  for (const group of together)
    for (const one of group) for (const other of group) if (one !== other) touching.add(one, other);
  const weightOf = (block: number): number => touching.items(block).reduce((sum, other) => sum + blocks[other]!, 0);
  const weights = Float64Array.from({ length: count }, (_, block) => weightOf(block));
  const left = new Set(Array.from({ length: count }, (_, block) => block));
  const order: number[] = [];
  const touched: number[][] = [];
  while (left.size > 0) {
    let next = -1;
    for (const block of left) if (next < 0 || weights[block]! < weights[next]!) next = block;
    left.delete(next);
    const neighbours = touching.items(next);
    order.push(next);
    touched.push(neighbours);
    for (const one of neighbours) {
      touching.join(one, next);
      touching.remove(one, one);
      touching.remove(one, next);
    }
    for (const one of neighbours) weights[one] = weightOf(one);
  }
  return laidOut(blocks, order, touched);
}

/** Where everything is stored, for an order and what each block touches when its turn comes. */
function laidOut(
  blocks: ArrayLike<number>,
  order: readonly number[],
  touched: readonly (readonly number[])[],
): Elimination {
  const count = order.length;
  const position = new Int32Array(count);
  order.forEach((block, at) => (position[block] = at));
  const startOf = new Int32Array(count);
  let size = 0;
  for (let block = 0; block < count; block++) {
    startOf[block] = size;
    size += blocks[block]!;
  }
  const positionOf = new Int32Array(size);
  for (let block = 0; block < count; block++)
    positionOf.fill(position[block]!, startOf[block], startOf[block]! + blocks[block]!);
  const sizes = Int32Array.from(order, (block) => blocks[block]!);
  const below = touched.map((neighbours) => Int32Array.from(neighbours, (block) => position[block]!).sort());
  const own = new Int32Array(count);
  const placeOf = new Map<number, number>();
  let stored = 0;
  const places = below.map((rows, column) => {
    own[column] = stored;
    placeOf.set(column * count + column, stored);
    stored += sizes[column]! ** 2;
    return rows.map((row) => {
      const at = stored;
      placeOf.set(column * count + row, at);
      stored += sizes[row]! * sizes[column]!;
      return at;
    });
  });
  const starts = Int32Array.from(order, (block) => startOf[block]!);
  return { size, sizes, starts, positionOf, below, places, own, stored, placeOf };
}
