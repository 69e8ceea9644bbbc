import type { Agreement, Verdict } from "@/core/mud";

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  clean: "stay clean",
  quiet: "quieten each other",
  grey: "make a grey",
};

/** What two paints do with each other, after their names: "make a grey at 2 : 3, and separate." */
export function agreementWords(
  { verdict, balanced, grey, kept, separates, covers, first, second }: Agreement,
  nameOf: (paintId: string) => string,
): string {
  const ratio = ([a, b]: readonly [number, number]): string => `${a} ${nameOf(first.id)} to ${b} ${nameOf(second.id)}`;
  const does = grey
    ? `${VERDICT_WORDS.grey} at ${ratio(grey.parts)}`
    : `${VERDICT_WORDS[verdict]}: at ${ratio(balanced.parts)}, where neither has the upper hand, ${Math.round(100 * kept)} % of the purer one's chroma is left`;
  const parts = separates === "keeps together" ? "" : ` In drying, the mix ${separates}.`;
  const cover =
    covers.length > 0
      ? ` ${covers.map(({ id }) => nameOf(id)).join(" and ")} ${covers.length === 1 ? "covers" : "cover"}.`
      : "";
  return `${does}.${parts}${cover}`;
}
