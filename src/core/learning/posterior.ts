import { HANDS, type Hand } from "../mixing/hand";
import { inverseOfSymmetric } from "../numeric/inverse";
import { inverse3, product3, quadratic3, sum3, times3 } from "../numeric/three";
import { CORRECTIONS } from "../pigments/maker-variation";
import { readingUnsure, type Evidence } from "./evidence";
import { addInformation, addPulled, coloursTogether, timesVector } from "./linear";
import { noiseOf, slipsOf, type HandScale } from "./noise";
import { mixSlopes, type MixSlopes } from "./slopes";
import { addPrior, FIRST_S, PRIOR, stateLayout, type StateLayout } from "./state";

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
/** The supposed hand counts as so many swatches. From memory. */
const HAND_COUNTS = 8;
const MOST_STEPS = 14;
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

/** How far a swatch lies from what all others predict of it: its residual and covariance without its own say. */
function leftOut(residual: Float64Array, within: Float64Array, noise: Float64Array, weight: number): number {
  const counted = noise.map((value) => value / weight);
  const without = inverse3(counted.map((value, i) => value - within[i]!));
  const gain = product3(within, without);
  const spread = sum3(noise, sum3(within, product3(gain, within)));
  const away = times3(product3(counted, without), residual);
  return quadratic3(inverse3(spread), away);
}

/**
 * Learns from painted swatches: the most probable state, swatches that lie far off counting less (Huber 1964), by
 * Gauss-Newton steps, with the covariance of its Gaussian approximation (Laplace), and the hand's scatter by expectation and maximisation
 * (Dempster, Laird and Rubin 1977). Formulas: docs/learning.md.
 * @param paintIds paints that are asked about beside those of the evidence
 * @param supposed the hand that is supposed while little is known
 */
export function learn(
  evidence: readonly Evidence[],
  cards: readonly CardEvidence[] = [],
  paintIds: Iterable<string> = [],
  supposed: Hand = HANDS.usual,
): Posterior {
  const layout = stateLayout(
    new Set([
      ...evidence.flatMap(({ mix }) => mix.map(({ paint }) => paint.id)),
      ...cards.map((c) => c.paintId),
      ...paintIds,
    ]),
    new Set([...evidence.map(({ paper }) => paper.id), ...cards.map((c) => c.paperId)]),
    sharedPhotos(evidence),
  );
  const { size } = layout;
  const state = new Float64Array(size);
  let scale: HandScale = { parts: 1, water: supposed.water };
  const weights = evidence.map(() => 1);
  const distances = evidence.map(() => 0);
  const photoWeights = new Map([...layout.photos.keys()].map((id) => [id, 1]));
  let covariance: Float64Array = new Float64Array(0);

  for (let steps = 0; steps < MOST_STEPS; steps++) {
    const seen = evidence.map((one) => mixSlopes(one, layout, state, one.photo));
    const residuals = evidence.map(({ lab }, i) =>
      Float64Array.of(lab.L - seen[i]!.lab.L, lab.a - seen[i]!.lab.a, lab.b - seen[i]!.lab.b),
    );
    const noises = evidence.map((one, i) => noiseOf(one, seen[i]!, readingUnsure(one.by, one.lab), supposed, scale));
    const matrix = new Float64Array(size * size);
    addPrior(matrix, layout, photoWeights);
    const pull = timesVector(matrix, size, state).map((value) => -value);
    evidence.forEach((_one, i) => {
      const precision = inverse3(noises[i]!).map((value) => value * weights[i]!);
      addInformation(matrix, size, seen[i]!, precision);
      addPulled(pull, seen[i]!, times3(precision, residuals[i]!));
    });
    for (const card of cards) addCard(card, layout, state, matrix, pull);
    covariance = inverseOfSymmetric(matrix, size);
    const step = timesVector(covariance, size, pull);
    let longest = 0;
    step.forEach((by, i) => {
      const held = i <= layout.habit ? Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, by)) : by;
      state[i]! += held;
      longest = Math.max(longest, Math.abs(held));
    });
    // What is said of single swatches and of the hand waits for a state that is near to them.
    if (steps >= 2) {
      const within = seen.map((one) => coloursTogether(covariance, size, one, one));
      const moved = seen.map((one, i) => residualAfter(residuals[i]!, one, step));
      evidence.forEach((_one, i) => {
        distances[i] = leftOut(moved[i]!, within[i]!, noises[i]!, weights[i]!);
        weights[i] = counted(distances[i]!);
      });
      for (const [id, at] of layout.photos) {
        const off = [0, 1, 2].reduce((sum, k) => sum + state[at + k]! ** 2, 0) / PRIOR.photo ** 2;
        photoWeights.set(id, counted(off));
      }
      scale = handAfter(evidence, seen, moved, within, noises, weights, supposed, scale);
    }
    if (steps >= 4 && longest < SETTLED) break;
  }
  return {
    layout,
    state,
    covariance,
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

/** What is left of a residual after a step, to first order. */
function residualAfter(residual: Float64Array, { places, slopes }: MixSlopes, step: Float64Array): Float64Array {
  const left = residual.slice();
  for (let i = 0; i < places.length; i++)
    for (let k = 0; k < 3; k++) left[k]! -= slopes[3 * i + k]! * step[places[i]!]!;
  return left;
}

/** Swatches other than this one that have a paint in common with it. */
function sharing(one: Evidence, all: readonly Evidence[]): number {
  const paints = new Set(one.mix.map(({ paint }) => paint.id));
  return all.filter(({ id, mix }) => id !== one.id && mix.some(({ paint }) => paints.has(paint.id))).length;
}

/** The hand's scatter from the expected squares of its slips. */
function handAfter(
  evidence: readonly Evidence[],
  seen: readonly MixSlopes[],
  residuals: readonly Float64Array[],
  within: readonly Float64Array[],
  noises: readonly Float64Array[],
  weights: readonly number[],
  supposed: Hand,
  scale: HandScale,
): HandScale {
  const sums = {
    water: { squares: HAND_COUNTS * supposed.water ** 2, count: HAND_COUNTS },
    parts: { squares: HAND_COUNTS, count: HAND_COUNTS },
  };
  evidence.forEach((one, i) => {
    const inverse = inverse3(noises[i]!.map((value) => value / weights[i]!));
    for (const { of, deviation, at } of slipsOf(one, supposed, scale)) {
      const j = seen[i]!.slips.subarray(at, at + 3);
      const towards = times3(inverse, j);
      const along = towards.reduce((sum, value, k) => sum + value * residuals[i]![k]!, 0);
      // Expected square of a unit slip, given this residual and how unsure the state still is.
      const unit =
        deviation ** 2 * (along ** 2 + quadratic3(within[i]!, towards)) +
        1 -
        deviation ** 2 * towards.reduce((sum, value, k) => sum + value * j[k]!, 0);
      sums[of].squares += unit * (of === "water" ? deviation ** 2 : scale.parts ** 2);
      sums[of].count += 1;
    }
  });
  return {
    water: Math.sqrt(sums.water.squares / sums.water.count),
    parts: Math.sqrt(sums.parts.squares / sums.parts.count),
  };
}
