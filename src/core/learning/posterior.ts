import { HANDS, type Hand } from "../mixing/hand";
import { inverseOfSymmetric, solveSymmetric } from "../numeric/inverse";
import { inverse3, times3 } from "../numeric/three";
import { CORRECTIONS } from "../pigments/maker-variation";
import { distanceFromOthers, handAfter } from "./assess";
import { readingUnsure, type Evidence } from "./evidence";
import { addInformation, addPulled, coloursTogether, timesVector } from "./linear";
import { noiseOf, type HandScale } from "./noise";
import { mixSlopes } from "./slopes";
import { addPrior, FIRST_S, PRIOR, priorCovariance, stateLayout, withPaints, type StateLayout } from "./state";

/**
 * What a swatch card or a box sheet says of a paint: precision and pull of its corrections as laid by this painter on
 * that paper (CORRECTIONS squared, and CORRECTIONS).
 */
export interface CardEvidence {
  readonly paintId: string;
  readonly paperId: string;
  readonly precision: Float64Array;
  readonly pull: Float64Array;
}

/** How a swatch agrees with what all others say of its paints. */
export interface Agreement {
  /** Squared distance from what the others predict, in units of what is likely; about 3 when all goes well. */
  readonly distance2: number;
  /** Other swatches that share a paint with it. */
  readonly others: number;
  /** 1 counts in full, towards 0 hardly at all. */
  readonly weight: number;
}

/** All that is known of paints, hand and papers. */
export interface Posterior {
  readonly layout: StateLayout;
  readonly state: Float64Array;
  /** Covariance of the state, size by size. */
  readonly covariance: Float64Array;
  readonly hand: Hand;
  readonly scale: HandScale;
  /** By the evidence's id. */
  readonly agreements: ReadonlyMap<string, Agreement>;
}

/**
 * Squared distance up to which a swatch counts in full: nineteen in twenty stay within it (chi-square, three degrees of
 * freedom: Abramowitz and Stegun, table 26.8); beyond, it counts less by as much (Huber 1964).
 */
const FULL_WITHIN = 7.81;
/** Gauss-Newton steps before single swatches and the hand are looked at, between such looks, and such looks. */
const STEPS = { first: 4, between: 2, looks: 3 } as const;
/** A state that moves by less is settled. */
const SETTLED = 1e-3;
/** No correction moves by more than this in one step, so that a film far from its swatch does not overshoot. */
const LONGEST_STEP = 0.7;

const counted = (distance2: number): number => Math.min(1, FULL_WITHIN / Math.max(distance2, 1e-9));

/** Photos from which several swatches were read: each has a light of its own. */
function sharedPhotos(evidence: readonly Evidence[]): Set<string> {
  const counts = new Map<string, number>();
  for (const { photo } of evidence) if (photo !== null) counts.set(photo, (counts.get(photo) ?? 0) + 1);
  return new Set([...counts].filter(([, count]) => count > 1).map(([id]) => id));
}

function addCard(
  { paintId, paperId, precision, pull }: CardEvidence,
  layout: StateLayout,
  state: Float64Array,
  matrix: Float64Array,
  vector: Float64Array,
): void {
  const at = layout.paints.get(paintId);
  if (at === undefined) return;
  const { size } = layout;
  const paper = layout.papers.get(paperId);
  const shifts = paper === undefined ? [layout.habit] : [layout.habit, paper];
  const shift = shifts.reduce((sum, place) => sum + state[place]!, 0);
  // As laid, a wash has the habit's and the paper's factor on K and on S.
  const own = Float64Array.from(
    { length: CORRECTIONS },
    (_, i) => state[at + i]! + (i === 0 || i === FIRST_S ? shift : 0),
  );
  const strength = (row: number): number => precision[row * CORRECTIONS]! + precision[row * CORRECTIONS + FIRST_S]!;
  for (let i = 0; i < CORRECTIONS; i++) {
    let left = pull[i]!;
    for (let j = 0; j < CORRECTIONS; j++) {
      left -= precision[i * CORRECTIONS + j]! * own[j]!;
      matrix[(at + i) * size + at + j]! += precision[i * CORRECTIONS + j]!;
    }
    vector[at + i]! += left;
    for (const place of shifts) {
      matrix[(at + i) * size + place]! += strength(i);
      matrix[place * size + at + i]! += strength(i);
      if (i === 0 || i === FIRST_S) vector[place]! += left;
    }
  }
  const both = strength(0) + strength(FIRST_S);
  for (const one of shifts) for (const other of shifts) matrix[one * size + other]! += both;
}

/**
 * Learns from painted swatches: the most probable state, swatches that lie far off counting less (Huber 1964), by
 * Gauss-Newton steps, with the covariance of its Gaussian approximation (Laplace), and the hand's scatter by
 * expectation and maximisation (Dempster, Laird and Rubin 1977). Formulas: docs/learning.md.
 * @param paintIds paints that are asked about beside those of the evidence
 * @param supposed the hand that is supposed while little is known
 */
export function learn(...of: Parameters<typeof learning>): Posterior {
  const steps = learning(...of);
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
  }
}

/** {@link learn} step by step, so that a server can see to others in between. */
export function* learning(
  evidence: readonly Evidence[],
  cards: readonly CardEvidence[] = [],
  paintIds: Iterable<string> = [],
  supposed: Hand = HANDS.usual,
): Generator<void, Posterior> {
  const layout = stateLayout(
    new Set([...evidence.flatMap(({ mix }) => mix.map(({ paint }) => paint.id)), ...cards.map((c) => c.paintId)]),
    new Set([...evidence.map(({ paper }) => paper.id), ...cards.map((c) => c.paperId)]),
    sharedPhotos(evidence),
  );
  const { size } = layout;
  const state = new Float64Array(size);
  let scale: HandScale = { parts: 1, water: supposed.water };
  const weights = evidence.map(() => 1);
  const distances = evidence.map(() => 0);
  const photoWeights = new Map([...layout.photos.keys()].map((id) => [id, 1]));

  /** The precision around the present state, and what pulls at it; each swatch as it is seen there. */
  const linearised = () => {
    const swatches = evidence.map((one) => {
      const seen = mixSlopes(one, layout, state, one.photo);
      const { L, a, b } = seen.lab;
      const residual = Float64Array.of(one.lab.L - L, one.lab.a - a, one.lab.b - b);
      return { seen, residual, unsure: readingUnsure(one.by, one.lab) };
    });
    const matrix = new Float64Array(size * size);
    addPrior(matrix, layout, photoWeights);
    const pull = timesVector(matrix, size, state).map((value) => -value);
    swatches.forEach(({ seen, residual, unsure }, i) => {
      const noise = noiseOf(evidence[i]!, seen, unsure, supposed, scale);
      const precision = inverse3(noise).map((value) => value * weights[i]!);
      addInformation(matrix, size, seen, precision);
      addPulled(pull, seen, times3(precision, residual));
    });
    for (const card of cards) addCard(card, layout, state, matrix, pull);
    return { swatches, matrix, pull };
  };
  const settle = function* (steps: number): Generator<void, void> {
    for (let n = 0; n < steps; n++) {
      yield;
      const { matrix, pull } = linearised();
      let longest = 0;
      solveSymmetric(matrix, size, pull).forEach((by, i) => {
        const held = i <= layout.habit ? Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, by)) : by;
        state[i]! += held;
        longest = Math.max(longest, Math.abs(held));
      });
      if (longest < SETTLED) break;
    }
  };
  /** Covariance of the state; how each swatch agrees with the others, and what the hand is, are noted on the way. */
  const look = (): Float64Array => {
    const { swatches, matrix } = linearised();
    const covariance = inverseOfSymmetric(matrix, size);
    const beside = swatches.map((one, i) => ({
      ...one,
      swatch: evidence[i]!,
      within: coloursTogether(covariance, size, one.seen, one.seen),
      weight: weights[i]!,
    }));
    beside.forEach((one, i) => {
      distances[i] = distanceFromOthers(one, noiseOf(one.swatch, one.seen, one.unsure, supposed, scale));
      weights[i] = counted(distances[i]);
    });
    for (const [id, at] of layout.photos)
      photoWeights.set(id, counted([0, 1, 2].reduce((sum, k) => sum + state[at + k]! ** 2, 0) / PRIOR.photo ** 2));
    scale = handAfter(beside, supposed, scale);
    return covariance;
  };
  yield* settle(STEPS.first);
  let covariance = look();
  for (let n = 1; n < STEPS.looks && evidence.length > 0; n++) {
    yield* settle(STEPS.between);
    covariance = look();
  }
  const known = { layout, state, covariance };
  return {
    ...withUnpainted(known, paintIds),
    scale,
    hand: { parts: supposed.parts * scale.parts, pickUp: supposed.pickUp * scale.parts, water: scale.water },
    agreements: new Map(
      evidence.map((one, i) => [
        one.id,
        { distance2: distances[i]!, others: sharing(one, evidence), weight: weights[i]! },
      ]),
    ),
  };
}

/** A posterior with paints that nothing is known of: they are as the prior has them, and hang on nothing else. */
function withUnpainted(
  known: Pick<Posterior, "layout" | "state" | "covariance">,
  paintIds: Iterable<string>,
): Pick<Posterior, "layout" | "state" | "covariance"> {
  const { layout, from } = withPaints(known.layout, paintIds);
  if (layout.size === known.layout.size) return known;
  const { size } = layout;
  const covariance = new Float64Array(size * size);
  const block = (i: number): number => Math.floor(i / CORRECTIONS);
  for (let i = 0; i < size; i++)
    for (let j = 0; j < size; j++) {
      const [one, other] = [from[i]!, from[j]!];
      if (one >= 0 && other >= 0) covariance[i * size + j] = known.covariance[one * known.layout.size + other]!;
      else if (one < 0 && other < 0 && block(i) === block(j))
        covariance[i * size + j] = priorCovariance(i % CORRECTIONS, j % CORRECTIONS);
    }
  return { layout, covariance, state: Float64Array.from(from, (place) => (place < 0 ? 0 : known.state[place]!)) };
}

/** Swatches other than this one that have a paint in common with it. */
function sharing(one: Evidence, all: readonly Evidence[]): number {
  const paints = new Set(one.mix.map(({ paint }) => paint.id));
  return all.filter(({ id, mix }) => id !== one.id && mix.some(({ paint }) => paints.has(paint.id))).length;
}
