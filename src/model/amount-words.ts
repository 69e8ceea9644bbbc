/**
 * Millilitres so exact that a mix made by them is the mix that was meant: two figures, whatever the size. What is told
 * of one puddle adds up within them.
 */
export const mlToMix = (ml: number): string =>
  ml >= 10 ? `${Math.round(ml)} ml` : ml > 0 ? `${Number(ml.toPrecision(2))} ml` : "0 ml";
