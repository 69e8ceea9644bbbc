import type { Stock } from "@/core/mixing";
import type { PaintEntry } from "./paintbox";

const DAYS_A_YEAR = 365.25;
const yearsBetween = (from: string, to: string): number =>
  (Date.parse(to) - Date.parse(from)) / 86_400_000 / DAYS_A_YEAR;

/** What is known of paints beside their colour. Prices are compared in the currency that most of them stand in. */
export function stocksOf(
  paints: readonly Pick<PaintEntry, "id" | "favourite" | "openedOn" | "price" | "currency" | "sizeMl">[],
  mood: readonly string[],
  today: string,
): readonly Stock[] {
  const priced = new Map<string, number>();
  for (const { price, currency } of paints) if (price !== null) priced.set(currency, (priced.get(currency) ?? 0) + 1);
  const [common] = [...priced].sort((one, two) => two[1] - one[1])[0] ?? [];
  return paints.map(({ id, favourite, openedOn, price, currency, sizeMl }) => ({
    favourite,
    mood: mood.includes(id),
    openYears: openedOn === null ? null : yearsBetween(openedOn, today),
    pricePerMl: price !== null && sizeMl && currency === common ? price / sizeMl : null,
  }));
}
