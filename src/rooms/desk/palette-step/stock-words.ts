import { dryingUp, type Stock, type Taste } from "@/core/mixing";

/** What speaks for a paint or against it beside its colour, in words; empty where nothing does. */
export function stockWords(stock: Stock, { sheet }: Pick<Taste, "sheet">, why: "for" | "against"): readonly string[] {
  if (why === "against") return sheet > 0 ? ["a dear tube"] : [];
  return [
    ...(stock.mood ? ["you are in the mood for it"] : []),
    ...(stock.favourite ? ["a favourite"] : []),
    ...(dryingUp(stock) ? [`open for ${Math.floor(stock.openYears!)} years`] : []),
  ];
}
