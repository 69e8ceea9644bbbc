import type { Lab } from "../colour/colour";
import { describeColour, temperatureOf } from "../colour/describe";
import { lchOfLab } from "../colour/lab";
import type { AreaBorder } from "./measure";

export type Plane = "near" | "middle" | "far";
export type Light = "lit" | "shade" | "cast";

/** A colour of an area as the relations between areas are judged; those of one area have its label in common. */
export interface RelatedArea {
  readonly label: number;
  readonly name: string;
  readonly colour: Lab;
  readonly share: number;
  readonly plane: Plane | null;
  readonly light: Light | null;
  readonly focal: boolean;
}

/** One thing that a painter checks before painting. */
export interface Relation {
  readonly id: "range" | "meeting" | "depth" | "subject" | "light";
  /** Whether it works as pictures usually do; null when it is not a matter of right and wrong. */
  readonly holds: boolean | null;
  readonly words: string;
}

interface Group {
  readonly value: number;
  readonly chroma: number;
  readonly temperature: number;
  readonly spread: number;
}

/** Means weighted by size, and how far the values spread. */
function groupOf(
  areas: readonly RelatedArea[],
  weight: (area: RelatedArea) => number = (area) => area.share,
): Group | null {
  const all = areas.reduce((sum, area) => sum + weight(area), 0);
  if (all <= 0) return null;
  const mean = (f: (area: RelatedArea) => number): number =>
    areas.reduce((sum, area) => sum + weight(area) * f(area), 0) / all;
  const value = mean((area) => describeColour(area.colour).value);
  return {
    value,
    chroma: mean((area) => lchOfLab(area.colour).C),
    temperature: mean((area) => temperatureOf(area.colour)),
    spread: Math.sqrt(mean((area) => (describeColour(area.colour).value - value) ** 2)),
  };
}

const steps = (x: number): string => `${Math.abs(x).toFixed(1)} value steps`;
/** Differences under these are not worth a word: value steps, chroma, temperature. From memory. */
const SEEN = { value: 0.3, chroma: 3, temperature: 3 } as const;

function differences(one: Group, two: Group): string[] {
  const [dv, dc, dt] = [one.value - two.value, one.chroma - two.chroma, one.temperature - two.temperature];
  return [
    Math.abs(dv) >= SEEN.value ? `${dv > 0 ? "lighter" : "darker"} by ${steps(dv)}` : null,
    Math.abs(dc) >= SEEN.chroma ? `${dc > 0 ? "purer" : "greyer"} by ${Math.abs(dc).toFixed(0)} chroma` : null,
    Math.abs(dt) >= SEEN.temperature ? `${dt > 0 ? "warmer" : "cooler"} by ${Math.abs(dt).toFixed(0)}` : null,
  ].filter((word): word is string => word !== null);
}

const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;

function range(areas: readonly RelatedArea[]): { relation: Relation; lightest: RelatedArea; darkest: RelatedArea } {
  const byValue = [...areas].sort((a, b) => b.colour.L - a.colour.L);
  const [lightest, darkest] = [byValue[0], byValue[byValue.length - 1]];
  const [high, low] = [describeColour(lightest.colour).value, describeColour(darkest.colour).value];
  return {
    lightest,
    darkest,
    relation: {
      id: "range",
      holds: null,
      words: `Lightest is ${lightest.name} (${high.toFixed(1)}), darkest is ${darkest.name} (${low.toFixed(1)}): ${steps(high - low)} apart.`,
    },
  };
}

function meeting(
  lightest: RelatedArea,
  darkest: RelatedArea,
  areas: readonly RelatedArea[],
  borders: readonly AreaBorder[],
): Relation {
  const touching = (a: RelatedArea, b: RelatedArea): boolean =>
    a.label !== 0 &&
    (a.label === b.label ||
      borders.some(
        (border) => (border.a === a.label && border.b === b.label) || (border.a === b.label && border.b === a.label),
      ));
  const focal = areas.filter((area) => area.focal);
  if (focal.length === 0)
    return {
      id: "meeting",
      holds: null,
      words:
        "No area is the focal point yet: give one that weight, and it is checked whether light and dark meet there.",
    };
  const meet = touching(lightest, darkest);
  const at = focal.find((f) => (f === lightest || touching(f, lightest)) && (f === darkest || touching(f, darkest)));
  if (at)
    return {
      id: "meeting",
      holds: true,
      words: `The lightest light and the darkest dark meet at ${at.name}, the focal point.`,
    };
  const where = meet
    ? "Lightest and darkest meet, but not at the focal point"
    : "The lightest and the darkest area don't meet";
  // The strongest contrast that the focal area does have with a neighbour.
  const contrasts = focal.flatMap((f) =>
    areas
      .filter((other) => touching(f, other))
      .map((other) => ({
        f,
        other,
        by: Math.abs(describeColour(f.colour).value - describeColour(other.colour).value),
      })),
  );
  const best = contrasts.sort((a, b) => b.by - a.by)[0];
  return {
    id: "meeting",
    holds: false,
    words: `${where}.${best ? ` The strongest contrast at the focal point is ${best.f.name} against ${best.other.name}, ${steps(best.by)}.` : ""}`,
  };
}

function depth(areas: readonly RelatedArea[]): Relation | null {
  const near = groupOf(areas.filter((area) => area.plane === "near"));
  const far = groupOf(areas.filter((area) => area.plane === "far"));
  if (!near || !far) return null;
  const words = differences(far, near);
  const recedes =
    far.value >= near.value &&
    far.chroma <= near.chroma + SEEN.chroma &&
    far.temperature <= near.temperature + SEEN.temperature;
  const contrast = far.spread < near.spread ? "with less contrast" : "with more contrast";
  const verdict = recedes
    ? "it recedes"
    : far.temperature > near.temperature + SEEN.temperature
      ? "warmth pulls it forward"
      : far.chroma > near.chroma + SEEN.chroma
        ? "its purity pulls it forward"
        : "its darkness pulls it forward";
  return {
    id: "depth",
    holds: recedes,
    words: `The far plane is ${words.length > 0 ? listed(words) : "hardly different from the near one"}, ${contrast}: ${verdict}.`,
  };
}

function subject(areas: readonly RelatedArea[], borders: readonly AreaBorder[]): Relation | null {
  const focal = areas.filter((area) => area.focal);
  const labels = new Set(focal.map((area) => area.label));
  const lengths = new Map<number, number>();
  for (const { a, b, length } of borders) {
    if (labels.has(a) && !labels.has(b)) lengths.set(b, (lengths.get(b) ?? 0) + length);
    if (labels.has(b) && !labels.has(a)) lengths.set(a, (lengths.get(a) ?? 0) + length);
  }
  const one = groupOf(focal);
  const two = groupOf(
    areas.filter((area) => lengths.has(area.label)),
    (area) => lengths.get(area.label) ?? 0,
  );
  if (!one || !two) return null;
  const words = differences(one, two);
  const stands = Math.abs(one.value - two.value) >= 1 || Math.abs(one.temperature - two.temperature) >= 12;
  return {
    id: "subject",
    holds: stands,
    words:
      words.length > 0
        ? `Against what surrounds it, the focal point is ${listed(words)}.`
        : "The focal point hardly differs from what surrounds it in value, purity or temperature.",
  };
}

function light(areas: readonly RelatedArea[]): Relation | null {
  const lit = groupOf(areas.filter((area) => area.light === "lit"));
  const shade = groupOf(areas.filter((area) => area.light === "shade" || area.light === "cast"));
  if (!lit || !shade) return null;
  const words = differences(shade, lit);
  return {
    id: "light",
    holds: lit.value > shade.value,
    words: words.length > 0 ? `Shade is ${listed(words)} than light.` : "Light and shade hardly differ.",
  };
}

/** What painters check between areas: the range of values, where light and dark meet, near against far, subject against ground, light against shade. */
export function relationsOf(areas: readonly RelatedArea[], borders: readonly AreaBorder[]): Relation[] {
  if (areas.length < 2) return [];
  const extremes = range(areas);
  return [
    extremes.relation,
    meeting(extremes.lightest, extremes.darkest, areas, borders),
    depth(areas),
    subject(areas, borders),
    light(areas),
  ].filter((relation): relation is Relation => relation !== null);
}
