import { HANDS, type Hand } from "../mixing/hand";
import { drained } from "../numeric/in-turn";
import { inverse3, times3 } from "../numeric/three";
import { distanceFromOthers, handAfter, HandTowards, type Beside } from "./assess";
import { Covariance } from "./covariance";
import { readingUnsure, type Evidence } from "./evidence";
import { addInformation, addPulled, spreadWithin, takeMoved } from "./linear";
import { addCard, addPrior, roomFor, type CardEvidence } from "./normal";
import { noiseOf, type HandScale } from "./noise";
import { mixSlopes } from "./slopes";
import { stateById, stateFrom, stateLayout, withPaints, PRIOR, type StateLayout, type StateById } from "./state";

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
  readonly covariance: Covariance;
  readonly hand: Hand;
  readonly scale: HandScale;
  /** By the evidence's id. */
  readonly agreements: ReadonlyMap<string, Agreement>;
}

/** What was learned before, to begin from: a page more in a book leaves most of it as it was. */
export interface LearnedBefore extends StateById {
  readonly scale: HandScale;
  /** Of each swatch what it counted for, by its id. */
  readonly weights: Readonly<Record<string, number>>;
}

/**
 * Squared distance up to which a swatch counts in full: nineteen in twenty stay within it (chi-square, three degrees of
 * freedom: Abramowitz and Stegun, table 26.8); beyond, it counts less by as much (Huber 1964).
 */
const FULL_WITHIN = 7.81;
/** Gauss-Newton steps at most before single swatches and the hand are looked at, and such looks at most. */
const STEPS = { betweenLooks: 4, looks: 12 } as const;
/** A state that moves by less in a step is settled: the next one would move it by the square of that. */
const SETTLED = 0.01;
/** Looks end when no swatch counts otherwise than before by more, and the hand scatters as before within this share. */
const LOOKED_ENOUGH = { weight: 0.02, hand: 0.01 } as const;
/** No correction moves by more than this in one step, so that a film far from its swatch does not overshoot. */
const LONGEST_STEP = 0.7;

const counted = (distance2: number): number => Math.min(1, FULL_WITHIN / Math.max(distance2, 1e-9));

/** Photos from which several swatches were read: each has a light of its own. */
function sharedPhotos(evidence: readonly Evidence[]): Set<string> {
  const counts = new Map<string, number>();
  for (const { photo } of evidence) if (photo !== null) counts.set(photo, (counts.get(photo) ?? 0) + 1);
  return new Set([...counts].filter(([, count]) => count > 1).map(([id]) => id));
}

/**
 * Learns from painted swatches: the most probable state, swatches that lie far off counting less (Huber 1964), by
 * Gauss-Newton steps, with the covariance of its Gaussian approximation (Laplace), and the hand's scatter by
 * expectation and maximisation (Dempster, Laird and Rubin 1977). Formulas: docs/learning.md.
 * @param paintIds paints that are asked about beside those of the evidence
 * @param supposed the hand that is supposed while little is known
 * @param before what was learned of nearly the same: the end is the same, and is there sooner
 */
export const learn = (...of: Parameters<typeof learning>): Posterior => drained(learning(...of));

/** {@link learn} step by step, so that a server can see to others in between. */
export function* learning(
  evidence: readonly Evidence[],
  cards: readonly CardEvidence[] = [],
  paintIds: Iterable<string> = [],
  supposed: Hand = HANDS.usual,
  before: LearnedBefore | null = null,
): Generator<void, Posterior> {
  const layout = stateLayout(
    new Set([...evidence.flatMap(({ mix }) => mix.map(({ paint }) => paint.id)), ...cards.map((c) => c.paintId)]),
    new Set([...evidence.map(({ paper }) => paper.id), ...cards.map((c) => c.paperId)]),
    sharedPhotos(evidence),
  );
  const state = before ? stateFrom(before, layout) : new Float64Array(layout.size);
  const matrix = roomFor(layout, evidence, cards);
  let scale: HandScale = before?.scale ?? { parts: 1, water: supposed.water };
  const weights = evidence.map(({ id }) => before?.weights[id] ?? 1);
  const distances = evidence.map(() => 0);
  const photoWeights = new Map([...layout.photos.keys()].map((id) => [id, 1]));
  weighPhotos();

  function weighPhotos(): void {
    for (const [id, at] of layout.photos)
      photoWeights.set(id, counted([0, 1, 2].reduce((sum, k) => sum + state[at + k]! ** 2, 0) / PRIOR.photo ** 2));
  }
  /** Fills and factors the precision around the state; what pulls at it, and each swatch as it is seen there. */
  function* linearising() {
    const pull = new Float64Array(layout.size);
    matrix.clear();
    addPrior(matrix, pull, layout, state, photoWeights);
    const swatches = [];
    for (const [i, one] of evidence.entries()) {
      const seen = mixSlopes(one, layout, state, one.photo);
      const { L, a, b } = seen.lab;
      const residual = Float64Array.of(one.lab.L - L, one.lab.a - a, one.lab.b - b);
      const unsure = readingUnsure(one.by, one.lab);
      const noise = noiseOf(one, seen, unsure, supposed, scale);
      const precision = inverse3(noise).map((value) => value * weights[i]!);
      addInformation(matrix, seen, precision);
      addPulled(pull, seen, times3(precision, residual));
      swatches.push({ swatch: one, seen, residual, unsure });
      yield;
    }
    for (const card of cards) addCard(card, layout, state, matrix, pull);
    yield* matrix.factoring();
    return { swatches, pull };
  }
  /** A Gauss-Newton step; how far the number that moved most did, and what the swatches are off by after it. */
  function* step() {
    const { swatches, pull } = yield* linearising();
    let longest = 0;
    const by = matrix.solved(pull).map((value, i) => {
      const held = i <= layout.habit ? Math.max(-LONGEST_STEP, Math.min(LONGEST_STEP, value)) : value;
      longest = Math.max(longest, Math.abs(held));
      state[i]! += held;
      return held;
    });
    for (const { seen, residual } of swatches) takeMoved(residual, seen, by);
    return { swatches, longest };
  }
  /** Notes how each swatch agrees with the others, and what the hand is. Whether both are as they were before. */
  function* look(swatches: readonly Omit<Beside, "within" | "weight">[]): Generator<void, boolean> {
    yield* matrix.inverting();
    const beside = swatches.map((one, i) => ({ ...one, within: spreadWithin(matrix, one.seen)!, weight: weights[i]! }));
    let most = 0;
    beside.forEach((one, i) => {
      distances[i] = distanceFromOthers(one, noiseOf(one.swatch, one.seen, one.unsure, supposed, scale));
      weights[i] = counted(distances[i]);
      most = Math.max(most, Math.abs(weights[i] - one.weight));
    });
    weighPhotos();
    const last = scale;
    scale = towards.of(handAfter(beside, supposed, scale));
    const moved = Math.max(Math.abs(scale.water / last.water - 1), Math.abs(scale.parts / last.parts - 1));
    return most < LOOKED_ENOUGH.weight && moved < LOOKED_ENOUGH.hand;
  }
  const towards = new HandTowards(scale);
  for (let steps = 0, looks = 0; looks < STEPS.looks;) {
    const { swatches, longest } = yield* step();
    steps++;
    if (longest > SETTLED && steps < STEPS.betweenLooks) continue;
    [steps, looks] = [0, looks + 1];
    if ((yield* look(swatches)) && longest <= SETTLED) break;
  }
  const others = sharingOf(evidence);
  const posterior = {
    layout,
    state,
    covariance: new Covariance(matrix, layout.size),
    scale,
    hand: { parts: supposed.parts * scale.parts, pickUp: supposed.pickUp * scale.parts, water: scale.water },
    agreements: new Map(
      evidence.map((one, i) => [one.id, { distance2: distances[i]!, others: others(one), weight: weights[i]! }]),
    ),
  };
  return askedAbout(posterior, paintIds);
}

/** A posterior with paints that nothing is known of in it, as the prior has them. */
export function askedAbout(posterior: Posterior, paintIds: Iterable<string>): Posterior {
  const layout = withPaints(posterior.layout, paintIds);
  const state = Float64Array.from({ length: layout.size }, (_, i) => posterior.state[i] ?? 0);
  return { ...posterior, layout, state };
}

/** What a posterior leaves to begin from. */
export function leftBy({ layout, state, scale, agreements }: Posterior): LearnedBefore {
  return {
    ...stateById(state, layout),
    scale,
    weights: Object.fromEntries([...agreements].map(([id, { weight }]) => [id, weight])),
  };
}

/** Of a swatch: how many others have a paint in common with it. */
function sharingOf(all: readonly Evidence[]): (one: Evidence) => number {
  const by = new Map<string, Evidence[]>();
  for (const one of all)
    for (const { paint } of one.mix) {
      const sharing = by.get(paint.id);
      if (sharing) sharing.push(one);
      else by.set(paint.id, [one]);
    }
  return (one) => new Set(one.mix.flatMap(({ paint }) => by.get(paint.id)!.map(({ id }) => id))).size - 1;
}
