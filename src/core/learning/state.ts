import { CORRECTIONS, K_CORRECTIONS, LIKELY } from "../pigments/maker-variation";
import { TUBE } from "../mixing/likely-error";

/**
 * What is not known beforehand, as one row of numbers with a Gaussian prior around zero:
 * for each paint its corrections (pigments/maker-variation.ts); the painter's habit with water; for each paper how much
 * more of a wash it takes; for each photo of several swatches what its light was off by (L*, a*, b*).
 */
export interface StateLayout {
  /** Where the numbers of a paint begin, by its id. */
  readonly paints: ReadonlyMap<string, number>;
  /** Where the logarithm of the habit stands: every wash has this much more pigment than was meant. */
  readonly habit: number;
  readonly papers: ReadonlyMap<string, number>;
  readonly photos: ReadonlyMap<string, number>;
  readonly size: number;
}

/** A paint's first correction of S: its strength moves S as it moves K. */
export const FIRST_S = K_CORRECTIONS;

/**
 * One standard deviation each: of the logarithm of a painter's habit, of that of what a paper takes, and of what a
 * photo's light is off by in each of L*, a*, b*. From memory.
 */
export const PRIOR = { habit: 0.2, paper: 0.12, photo: 1.5 } as const;

/** Lays out the numbers for some paints, papers and photos. */
export function stateLayout(
  paintIds: Iterable<string>,
  paperIds: Iterable<string>,
  photoIds: Iterable<string>,
): StateLayout {
  const paints = new Map([...paintIds].map((id, i) => [id, CORRECTIONS * i]));
  const habit = CORRECTIONS * paints.size;
  const papers = new Map([...paperIds].map((id, i) => [id, habit + 1 + i]));
  const photosAt = habit + 1 + papers.size;
  const photos = new Map([...photoIds].map((id, i) => [id, photosAt + 3 * i]));
  return { paints, habit, papers, photos, size: photosAt + 3 * photos.size };
}

/**
 * The prior's precision, number by number: for each paint a strength that moves K and S alike, as unsure as makers'
 * tubes are (mixing/likely-error.ts), then hue and scattering.
 * @param photoWeights how much each photo's light is believed to be ordinary
 * @param put is given a row, a column and what stands there; both halves
 */
export function eachOfPrior(
  layout: StateLayout,
  photoWeights: ReadonlyMap<string, number>,
  put: (i: number, j: number, value: number) => void,
): void {
  // The scattering's own deviation is that of S beyond the strength.
  const own = 1 / (TUBE.scattering * LIKELY[FIRST_S]!) ** 2;
  for (const at of layout.paints.values()) {
    put(at, at, 1 / TUBE.strength ** 2 + own);
    for (let i = 1; i < K_CORRECTIONS; i++) put(at + i, at + i, 1 / (TUBE.hue * LIKELY[i]!) ** 2);
    for (let i = FIRST_S; i < CORRECTIONS; i++) put(at + i, at + i, 1 / (TUBE.scattering * LIKELY[i]!) ** 2);
    put(at, at + FIRST_S, -own);
    put(at + FIRST_S, at, -own);
  }
  put(layout.habit, layout.habit, 1 / PRIOR.habit ** 2);
  for (const at of layout.papers.values()) put(at, at, 1 / PRIOR.paper ** 2);
  for (const [id, at] of layout.photos)
    for (let k = 0; k < 3; k++) put(at + k, at + k, (photoWeights.get(id) ?? 1) / PRIOR.photo ** 2);
}

/** A layout with more paints in it, behind all that was in it before. */
export function withPaints(layout: StateLayout, paintIds: Iterable<string>): StateLayout {
  const paints = new Map(layout.paints);
  let { size } = layout;
  for (const id of paintIds) {
    if (paints.has(id)) continue;
    paints.set(id, size);
    size += CORRECTIONS;
  }
  return { ...layout, paints, size };
}

/** Covariance of one number of a paint with another, as the prior has it; places within the paint. */
export function priorCovariance(i: number, j: number): number {
  const strength = (place: number): boolean => place === 0 || place === FIRST_S;
  const shared = strength(i) && strength(j) ? TUBE.strength ** 2 : 0;
  if (i !== j || i === 0) return shared;
  const own = (i < K_CORRECTIONS ? TUBE.hue : TUBE.scattering) * LIKELY[i]!;
  return shared + own ** 2;
}

/** A state by names, which outlasts a layout. */
export interface StateById {
  readonly paints: Readonly<Record<string, readonly number[]>>;
  readonly habit: number;
  readonly papers: Readonly<Record<string, number>>;
  readonly photos: Readonly<Record<string, readonly number[]>>;
}

/** A state in a layout; what is not named in it is as nothing is known of it. */
export function stateFrom({ paints, habit, papers, photos }: StateById, layout: StateLayout): Float64Array {
  const state = new Float64Array(layout.size);
  for (const [id, at] of layout.paints) state.set(paints[id] ?? [], at);
  state[layout.habit] = habit;
  for (const [id, at] of layout.papers) state[at] = papers[id] ?? 0;
  for (const [id, at] of layout.photos) state.set(photos[id] ?? [], at);
  return state;
}

/** A layout's state by names. */
export function stateById(state: Float64Array, layout: StateLayout): StateById {
  const numbers = (at: number, count: number): number[] => [...state.subarray(at, at + count)];
  return {
    paints: Object.fromEntries([...layout.paints].map(([id, at]) => [id, numbers(at, CORRECTIONS)])),
    habit: state[layout.habit]!,
    papers: Object.fromEntries([...layout.papers].map(([id, at]) => [id, state[at]!])),
    photos: Object.fromEntries([...layout.photos].map(([id, at]) => [id, numbers(at, 3)])),
  };
}
