/** A number and what it counts, one of it or several. */
export const counted = (number, one, several = `${one}s`) => `${number} ${Number(number) === 1 ? one : several}`;
