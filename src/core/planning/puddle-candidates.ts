/** Ratios of two and three paints that puddles are mixed at: what a painter would count for a well. */
const PAIRS = [
  [1, 1],
  [2, 1],
  [3, 1],
  [5, 1],
  [8, 1],
] as const;
const TRIPLES = [
  [1, 1, 1],
  [2, 1, 1],
  [2, 2, 1],
  [3, 1, 1],
  [3, 2, 1],
  [4, 2, 1],
  [5, 3, 1],
  [6, 1, 1],
] as const;

/** Each way of giving the ratio's numbers to the paints, once. */
function ordered(ratio: readonly number[]): readonly (readonly number[])[] {
  if (ratio.length === 1) return [ratio];
  const seen = new Map<string, readonly number[]>();
  ratio.forEach((first, i) => {
    for (const rest of ordered(ratio.filter((_, k) => k !== i))) seen.set([first, ...rest].join(), [first, ...rest]);
  });
  return [...seen.values()];
}

/** A mix for a well. */
export interface Candidate {
  readonly paints: readonly number[];
  readonly parts: readonly number[];
}

/** All mixes of up to three of so many paints at the ratios of a well. */
export function candidatesOf(paints: number, maxPaints: number): readonly Candidate[] {
  const all = [...Array(paints).keys()];
  const pairs = all.flatMap((a) => all.filter((b) => b > a).map((b): [number, number] => [a, b]));
  const triples = pairs.flatMap(([a, b]) => all.filter((c) => c > b).map((c) => [a, b, c]));
  const at = (groups: readonly number[][], ratios: readonly (readonly number[])[]): Candidate[] =>
    groups.flatMap((group) => ratios.flatMap(ordered).map((parts) => ({ paints: group, parts })));
  return [
    ...all.map((a) => ({ paints: [a], parts: [1] })),
    ...(maxPaints > 1 ? at(pairs, PAIRS) : []),
    ...(maxPaints > 2 ? at(triples, TRIPLES) : []),
  ];
}
