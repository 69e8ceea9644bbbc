import { BlockMatrix, eliminationOf } from "../numeric/blocks";
import { CORRECTIONS } from "../pigments/maker-variation";
import type { Evidence } from "./evidence";
import { eachOfPrior, FIRST_S, type StateLayout } from "./state";

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

/**
 * Room for the precision of a state: a block for each paint, one for habit and papers, one for each photo; those of one
 * swatch touch each other, and no others.
 */
export function roomFor(
  layout: StateLayout,
  evidence: readonly Evidence[],
  cards: readonly CardEvidence[],
): BlockMatrix {
  const paints = layout.paints.size;
  const blocks = [
    ...Array.from({ length: paints }, () => CORRECTIONS),
    1 + layout.papers.size,
    ...Array.from(layout.photos, () => 3),
  ];
  const blockOf = (paintId: string): number => layout.paints.get(paintId)! / CORRECTIONS;
  const photos = new Map([...layout.photos.keys()].map((id, i) => [id, paints + 1 + i]));
  const groups = evidence.map(({ mix, photo }) => {
    const light = photo === null ? undefined : photos.get(photo);
    return [...mix.map(({ paint }) => blockOf(paint.id)), paints, ...(light === undefined ? [] : [light])];
  });
  return new BlockMatrix(eliminationOf(blocks, [...groups, ...cards.map(({ paintId }) => [blockOf(paintId), paints])]));
}

/** Puts the prior into a matrix, and how it pulls a state back into a vector. */
export function addPrior(
  matrix: BlockMatrix,
  pull: Float64Array,
  layout: StateLayout,
  state: Float64Array,
  photoWeights: ReadonlyMap<string, number>,
): void {
  eachOfPrior(layout, photoWeights, (i, j, value) => {
    matrix.add(i, j, value);
    pull[i]! -= value * state[j]!;
  });
}

/** Adds what a card says to a matrix, and how it pulls at a state to a vector. */
export function addCard(
  { paintId, paperId, precision, pull }: CardEvidence,
  layout: StateLayout,
  state: Float64Array,
  matrix: BlockMatrix,
  vector: Float64Array,
): void {
  const at = layout.paints.get(paintId)!;
  const shifts = [layout.habit, layout.papers.get(paperId)!];
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
      matrix.add(at + i, at + j, precision[i * CORRECTIONS + j]!);
    }
    vector[at + i]! += left;
    for (const place of shifts) {
      matrix.add(at + i, place, strength(i));
      matrix.add(place, at + i, strength(i));
      if (i === 0 || i === FIRST_S) vector[place]! += left;
    }
  }
  const both = strength(0) + strength(FIRST_S);
  for (const one of shifts) for (const other of shifts) matrix.add(one, other, both);
}
