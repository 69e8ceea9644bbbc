import { listed } from "@/model/text";
import type { Differences, Relation } from "@/core/areas";

const steps = (x: number): string => `${Math.abs(x).toFixed(1)} value steps`;

function wordsOf({ value, chroma, temperature }: Differences): string[] {
  return [
    value === null ? null : `${value > 0 ? "lighter" : "darker"} by ${steps(value)}`,
    chroma === null ? null : `${chroma > 0 ? "purer" : "greyer"} by ${Math.abs(chroma).toFixed(0)} chroma`,
    temperature === null ? null : `${temperature > 0 ? "warmer" : "cooler"} by ${Math.abs(temperature).toFixed(0)}`,
  ].filter((word) => word !== null);
}

const FORWARD = {
  warmth: "warmth pulls it forward",
  purity: "its purity pulls it forward",
  darkness: "its darkness pulls it forward",
} as const;

function meetingWords(relation: Extract<Relation, { id: "meeting" }>): string {
  if (relation.holds === null)
    return "No area is the focal point yet: give one that weight, and it is checked whether light and dark meet there.";
  if (relation.holds) return `The lightest light and the darkest dark meet at ${relation.at}, the focal point.`;
  const { meet, strongest } = relation;
  const where = meet
    ? "Lightest and darkest meet, but not at the focal point."
    : "The lightest and the darkest area don't meet.";
  if (!strongest) return where;
  const { focal, against, by } = strongest;
  return `${where} The strongest contrast at the focal point is ${focal} against ${against}, ${steps(by)}.`;
}

/** A relation between areas in a painter's words, one or two sentences. */
export function relationWords(relation: Relation): string {
  if (relation.id === "range") {
    const { lightest, darkest } = relation;
    const [high, low] = [lightest.value.toFixed(1), darkest.value.toFixed(1)];
    const apart = steps(lightest.value - darkest.value);
    return `Lightest is ${lightest.name} (${high}), darkest is ${darkest.name} (${low}): ${apart} apart.`;
  }
  if (relation.id === "meeting") return meetingWords(relation);
  if (relation.id === "edge") {
    const [one, two] = relation.between;
    const where = `The crispest edge lies between ${one} and ${two}`;
    return relation.holds === null ? `${where}.` : `${where}${relation.holds ? ", at" : ", not at"} the focal point.`;
  }
  const words = listed(wordsOf(relation.differences));
  if (relation.id === "depth") {
    const contrast = relation.lessContrast ? "with less contrast" : "with more contrast";
    const verdict = relation.forwardBy ? FORWARD[relation.forwardBy] : "it recedes";
    return `The far plane is ${words || "hardly different from the near one"}, ${contrast}: ${verdict}.`;
  }
  if (relation.id === "subject")
    return words
      ? `Against what surrounds it, the focal point is ${words}.`
      : "The focal point hardly differs from what surrounds it in value, purity or temperature.";
  return words ? `Shade is ${words} than light.` : "Light and shade hardly differ.";
}
