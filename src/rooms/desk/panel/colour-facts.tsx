import { describeColour, type Lab } from "@/core/colour";
import { Term } from "@/ui/help/term";
import type { GlossaryWord } from "@/ui/help/words";

/** Value, chroma, hue name and temperature of a colour, as numbers and words. */
export function ColourFacts({ lab }: { lab: Lab }) {
  const words = describeColour(lab);
  const temperature = `${words.temperature > 0 ? "+" : "−"}${Math.abs(words.temperature).toFixed(0)}`;
  const facts = [
    { term: "value", fact: words.value.toFixed(1) },
    { term: "chroma", fact: words.chroma.toFixed(0) },
    { term: "hue", fact: words.hueName, title: `CIELAB hue angle ${words.hueDegrees.toFixed(0)}°` },
    { term: "temperature", fact: `${words.warmth} ${words.warmth === "neutral" ? "" : temperature}` },
  ] as const satisfies readonly { term: GlossaryWord; fact: string; title?: string }[];
  return (
    <dl className="flex flex-wrap gap-x-3 gap-y-1">
      {facts.map(({ term, fact, ...more }) => (
        <div key={term}>
          <dt className="label-line leading-tight">
            <Term word={term} />
          </dt>
          <dd className="leading-snug font-medium whitespace-nowrap" title={"title" in more ? more.title : undefined}>
            {fact}
          </dd>
        </div>
      ))}
    </dl>
  );
}
