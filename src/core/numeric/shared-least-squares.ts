import { choleskyFactor } from "./solve";

/** One of several problems that have numbers of their own and a few in common. */
export interface SharedBlock {
  readonly start: Float64Array;
  /** Residuals of its own numbers and the common ones; always the same number of them. */
  readonly residuals: (own: Float64Array, common: Float64Array) => ArrayLike<number>;
}

const STEP = 1e-4;
const MOST_STEPS = 40;
/** Steps end when a step gains less than this share of the cost. */
const SETTLED = 1e-5;

/** A block at a point: its normal equations' parts, rows of own numbers first. */
interface Linear {
  readonly cost: number;
  /** J'J, J'G, G'G, -J'r and -G'r for slopes J by own and G by common numbers and residuals r. */
  readonly A: Float64Array;
  readonly B: Float64Array;
  readonly C: Float64Array;
  readonly a: Float64Array;
  readonly c: Float64Array;
}

const square = (values: ArrayLike<number>): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i]! * values[i]!;
  return sum;
};

function linearAt({ residuals }: SharedBlock, own: Float64Array, common: Float64Array): Linear {
  const [n, k] = [own.length, common.length];
  const here = residuals(own, common);
  const slopes = Array.from({ length: n + k }, (_, j) => {
    const [moved, shared] = [own.slice(), common.slice()];
    if (j < n) moved[j]! += STEP;
    else shared[j - n]! += STEP;
    const there = residuals(moved, shared);
    return Float64Array.from({ length: here.length }, (__, i) => (there[i]! - here[i]!) / STEP);
  });
  const dot = (x: ArrayLike<number>, y: ArrayLike<number>): number => {
    let sum = 0;
    for (let i = 0; i < x.length; i++) sum += x[i]! * y[i]!;
    return sum;
  };
  return {
    cost: square(here),
    A: Float64Array.from({ length: n * n }, (_, i) => dot(slopes[Math.floor(i / n)]!, slopes[i % n]!)),
    B: Float64Array.from({ length: n * k }, (_, i) => dot(slopes[Math.floor(i / k)]!, slopes[n + (i % k)]!)),
    C: Float64Array.from({ length: k * k }, (_, i) => dot(slopes[n + Math.floor(i / k)]!, slopes[n + (i % k)]!)),
    a: Float64Array.from({ length: n }, (_, i) => -dot(slopes[i]!, here)),
    c: Float64Array.from({ length: k }, (_, i) => -dot(slopes[n + i]!, here)),
  };
}

/**
 * A damped step of all numbers, each block's own eliminated first (the Schur complement); null when none can be told.
 */
function stepOf(
  blocks: readonly Linear[],
  k: number,
  damping: number,
): { readonly own: Float64Array[]; readonly common: Float64Array } | null {
  const S = new Float64Array(k * k);
  const s = new Float64Array(k);
  const solved = blocks.map(({ A, B, C, a, c }) => {
    const n = a.length;
    if (n === 0) {
      S.forEach((_, i) => (S[i]! += C[i]!));
      s.forEach((_, i) => (s[i]! += c[i]!));
      return { alone: a, columns: Array.from({ length: k }, () => a) };
    }
    const damped = A.slice();
    for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damping;
    const factor = choleskyFactor(damped, n);
    if (!factor) return null;
    const alone = factor(a);
    const columns = Array.from({ length: k }, (_, j) =>
      factor(Float64Array.from({ length: n }, (__, i) => B[i * k + j]!)),
    );
    for (let i = 0; i < k; i++) {
      s[i]! += c[i]!;
      for (let row = 0; row < n; row++) s[i]! -= B[row * k + i]! * alone[row]!;
      for (let j = 0; j < k; j++) {
        S[i * k + j]! += C[i * k + j]! * (i === j ? 1 + damping : 1);
        for (let row = 0; row < n; row++) S[i * k + j]! -= B[row * k + i]! * columns[j]![row]!;
      }
    }
    return { alone, columns };
  });
  // Equal but for rounding on both sides of the diagonal; the factor wants them equal.
  for (let i = 0; i < k; i++) for (let j = 0; j < i; j++) S[i * k + j] = S[j * k + i]!;
  const common = choleskyFactor(S, k)?.(s);
  if (!common || solved.includes(null)) return null;
  const own = solved.map((block) =>
    block!.alone.map(
      (value, row) => value - block!.columns.reduce((sum, column, j) => sum + column[row]! * common[j]!, 0),
    ),
  );
  return { own, common };
}

/**
 * Least squares over several problems that share a few numbers, by damped Gauss-Newton steps (Marquardt 1963) in which
 * each problem's own numbers are eliminated: the work grows with the number of problems, not with its cube.
 * @param start the common numbers to begin with; expectations of them are a block without own numbers
 */
export function sharedLeastSquares(
  blocks: readonly SharedBlock[],
  start: Float64Array,
): { readonly common: Float64Array; readonly own: readonly Float64Array[] } {
  let common = start.slice();
  let own = blocks.map((block) => block.start.slice());
  let linear = blocks.map((block, i) => linearAt(block, own[i]!, common));
  const costOf = (numbers: readonly Float64Array[], shared: Float64Array): number =>
    blocks.reduce((sum, { residuals }, i) => sum + square(residuals(numbers[i]!, shared)), 0);
  let cost = linear.reduce((sum, block) => sum + block.cost, 0);
  let damping = 1e-2;
  for (let steps = 0; steps < MOST_STEPS; steps++) {
    let gained = 0;
    for (let tries = 0; tries < 8 && gained === 0; tries++) {
      const step = stepOf(linear, common.length, damping);
      const next = step && {
        common: common.map((value, i) => value + step.common[i]!),
        own: own.map((numbers, i) => numbers.map((value, j) => value + step.own[i]![j]!)),
      };
      const there = next ? costOf(next.own, next.common) : Infinity;
      if (next && there < cost) {
        gained = cost - there;
        [common, own, cost] = [next.common, next.own, there];
        damping = Math.max(1e-7, damping / 5);
      } else damping *= 6;
    }
    if (gained <= SETTLED * (cost + 1e-9)) break;
    linear = blocks.map((block, i) => linearAt(block, own[i]!, common));
  }
  return { common, own };
}
