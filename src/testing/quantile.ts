/** The value that this share of a list lies under. */
export const quantile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]!;
