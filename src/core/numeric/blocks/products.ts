import { PRODUCTS_BASE64 } from "./products-bytes";

/** Doubles in one array, and C -= A Bᵀ on blocks of them, each from a place of its own. */
export interface Blocks {
  readonly values: Float64Array;
  /**
   * C (m by n) -= A (m by p) Bᵀ, B (n by p), row by row.
   * @param c where C begins, then where A and B do
   */
  lessProduct(c: number, a: number, b: number, m: number, n: number, p: number): void;
  /** The transpose of a block (m by n) into another place. */
  transpose(from: number, m: number, n: number, to: number): void;
}

const BYTES = 8;
const PAGE_BYTES = 65_536;

let compiled: WebAssembly.Module | undefined;

/** Room for so many doubles, zeros at first. Throws a RangeError when there is none. */
export function blocksOf(length: number): Blocks {
  compiled ??= new WebAssembly.Module(Uint8Array.from(atob(PRODUCTS_BASE64), (c) => c.charCodeAt(0)));
  const memory = new WebAssembly.Memory({ initial: Math.ceil((length * BYTES) / PAGE_BYTES) + 1 });
  const kernel = new WebAssembly.Instance(compiled, { env: { memory, abort: () => {} } }).exports as unknown as Pick<
    Blocks,
    "lessProduct" | "transpose"
  >;
  const { lessProduct, transpose } = kernel;
  return {
    values: new Float64Array(memory.buffer, 0, length),
    lessProduct: (c, a, b, m, n, p) => lessProduct(BYTES * c, BYTES * a, BYTES * b, m, n, p),
    transpose: (from, m, n, to) => transpose(BYTES * from, m, n, BYTES * to),
  };
}
