/** The first numbers of an array as a tuple, which the compiler can tell apart from an array of any length. */
export const pairOf = (of: ArrayLike<number>): [number, number] => [of[0]!, of[1]!];
export const tripleOf = (of: ArrayLike<number>): [number, number, number] => [of[0]!, of[1]!, of[2]!];
export const quadrupleOf = (of: ArrayLike<number>): [number, number, number, number] => [
  of[0]!,
  of[1]!,
  of[2]!,
  of[3]!,
];
