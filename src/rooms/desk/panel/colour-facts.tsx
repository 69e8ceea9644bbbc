import { describeColour, type Lab } from "@/core/colour";

/** Value, chroma, hue name and temperature of a colour, as numbers and words. */
export function ColourFacts({ lab }: { lab: Lab }) {
  const words = describeColour(lab);
  const temperature = `${words.temperature > 0 ? "+" : "−"}${Math.abs(words.temperature).toFixed(0)}`;
  const facts = [
    { term: "value", fact: words.value.toFixed(1), title: "Munsell value, 0 black to 10 white (ASTM D1535)" },
    { term: "chroma", fact: words.chroma.toFixed(0), title: "CIELAB chroma: 0 grey, above 50 vivid" },
    { term: "hue", fact: words.hueName, title: `CIELAB hue angle ${words.hueDegrees.toFixed(0)}°` },
    {
      term: "temperature",
      fact: `${words.warmth} ${words.warmth === "neutral" ? "" : temperature}`,
      title: "Signed distance from grey towards orange (warm) or blue (cool)",
    },
  ];
  return (
    <dl className="flex flex-wrap gap-x-3 gap-y-1">
      {facts.map(({ term, fact, title }) => (
        <div key={term} title={title}>
          <dt className="label-line leading-tight">{term}</dt>
          <dd className="leading-snug font-medium whitespace-nowrap">{fact}</dd>
        </div>
      ))}
    </dl>
  );
}
