import type { CardinalityConstraint } from "./cardinality-constraints";
import type { Ranked } from "./ranking";

/** What one size is searched for in. */
export interface SizeSearch {
  /** Rankings of all targets. */
  readonly all: readonly Ranked[];
  readonly must: readonly number[];
  readonly free: readonly number[];
  readonly kinds: readonly CardinalityConstraint[];
  readonly size: number;
  /** How many paints there are, chosen from or not. */
  readonly paints: number;
}
