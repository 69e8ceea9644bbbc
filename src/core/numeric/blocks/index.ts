/** Sparse symmetric matrices of small dense blocks. */
export { BlockMatrix } from "./cholesky";
export { eliminationOf } from "./elimination";
