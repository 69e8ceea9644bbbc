import type { Load } from "../optics/load";

/** What stands against a paint beside its colour, dE00: little, so that it decides between equals. */
export interface Taste {
  /** How much less it is liked, or wants using, than the painter's dearest: a mix loses the mean of its paints'. */
  readonly less: number;
  /** What a sheet covered neat with it is worth being spared: a dear tube over large washes. */
  readonly sheet: number;
}
export const NO_TASTE: Taste = { less: 0, sheet: 0 };

/** What is known of a paint beside its colour. */
export interface Stock {
  readonly favourite: boolean;
  /** In the mood for it, for this painting. */
  readonly mood: boolean;
  /** Years since the tube was opened, null where it is not known. */
  readonly openYears: number | null;
  /** Price of a millilitre; null where it is not known. All of a list in one currency. */
  readonly pricePerMl: number | null;
}

/**
 * What a favourite, a paint one is in the mood for, and a tube that dries up are worth to a mix of it alone, dE00: a
 * palette that mixes half its colours half from it gains a quarter of that. From memory.
 */
const LIKED = { favourite: 0.4, mood: 1.2, dryingUp: 0.6 } as const;
/** A tube that has stood open so long wants using. From memory; common practice, no source. */
export const DRYING_UP_YEARS = 5;
/** A paint twice as dear as the middle one is spared so much on a sheet laid neat with it, dE00. From memory. */
const DEAR_SHEET = 1.5;
const MOST_DEAR = 3;
/** A sheet, for what is dear, cm². */
const SHEET_CM2 = 1000;

export const dryingUp = ({ openYears }: Pick<Stock, "openYears">): boolean =>
  openYears !== null && openYears >= DRYING_UP_YEARS;

const likingOf = (stock: Stock): number =>
  (stock.favourite ? LIKED.favourite : 0) + (stock.mood ? LIKED.mood : 0) + (dryingUp(stock) ? LIKED.dryingUp : 0);

/** How much dearer than the middle paint a price is, in doublings; 0 where it is no dearer or not known. */
export function dearness(pricePerMl: number | null, prices: readonly (number | null)[]): number {
  const known = prices.filter((price) => price !== null && price > 0).sort((a, b) => a! - b!);
  const middle = known[Math.floor((known.length - 1) / 2)];
  if (!middle || !pricePerMl || known.length < 3) return 0;
  return Math.max(0, Math.log2(pricePerMl / middle));
}

/** Tastes of paints, in their order: the best liked of them stands at 0. */
export function tastesOf(stocks: readonly Stock[]): readonly Taste[] {
  const likings = stocks.map(likingOf);
  const most = Math.max(0, ...likings);
  const prices = stocks.map(({ pricePerMl }) => pricePerMl);
  return stocks.map(({ pricePerMl }, i) => ({
    less: most - likings[i]!,
    sheet: Math.min(MOST_DEAR, DEAR_SHEET * dearness(pricePerMl, prices)),
  }));
}

/** How much less a mix's paints are liked than the best liked of all, in the mean, dE00. */
export const dislikeOf = (tastes: readonly Taste[]): number =>
  tastes.reduce((sum, { less }) => sum + less, 0) / tastes.length;

/** What is spared of dear paints by not laying a mix over so much of the sheet, dE00. Shares sum to 1. */
export const dearCost = (tastes: readonly Taste[], shares: ArrayLike<number>, load: Load, areaCm2: number): number =>
  (tastes.reduce((sum, { sheet }, i) => sum + shares[i]! * sheet, 0) * load * areaCm2) / SHEET_CM2;
