import { SHORTEST_MEETING } from "../colour/thresholds";
import type { Lab } from "../colour/colour";
import { deltaE00 } from "../colour/difference";
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

/** An area by its name and Munsell value. */
interface ValuedArea {
  readonly name: string;
  readonly value: number;
}

/**
 * How far one group of areas is from another in value steps, chroma and temperature; null where nobody would see it.
 */
export interface Differences {
  readonly value: number | null;
  readonly chroma: number | null;
  readonly temperature: number | null;
}

/**
 * One thing that a painter checks before painting; `holds` tells whether it works as pictures usually do, null when
 * it is not a matter of right and wrong.
 */
export type Relation =
  | { readonly id: "range"; readonly holds: null; readonly lightest: ValuedArea; readonly darkest: ValuedArea }
  /** No area is the focal point. */
  | { readonly id: "meeting"; readonly holds: null }
  /** The focal area at which the lightest light and the darkest dark meet. */
  | { readonly id: "meeting"; readonly holds: true; readonly at: string }
  /** Whether the two meet at all, and the focal point's strongest contrast with a neighbour, in value steps. */
  | {
      readonly id: "meeting";
      readonly holds: false;
      readonly meet: boolean;
      readonly strongest: { readonly focal: string; readonly against: string; readonly by: number } | null;
    }
  /** Far against near, and what pulls the far plane forward. */
  | {
      readonly id: "depth";
      readonly holds: boolean;
      readonly differences: Differences;
      readonly lessContrast: boolean;
      readonly forwardBy: "warmth" | "purity" | "darkness" | null;
    }
  /** The crispest edge, by how hard it is and how unlike its sides are; whether it lies at the focal point. */
  | { readonly id: "edge"; readonly holds: boolean | null; readonly between: readonly [string, string] }
  /** The focal point against what surrounds it; shade against light. */
  | { readonly id: "subject" | "light"; readonly holds: boolean; readonly differences: Differences };

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

/** Differences under these are not worth a word: value steps, chroma, temperature. From memory. */
const SEEN = { value: 0.3, chroma: 3, temperature: 3 } as const;

function differencesOf(one: Group, two: Group): Differences {
  const seen = (what: keyof typeof SEEN): number | null => {
    const by = one[what] - two[what];
    return Math.abs(by) >= SEEN[what] ? by : null;
  };
  return { value: seen("value"), chroma: seen("chroma"), temperature: seen("temperature") };
}

const valued = ({ name, colour }: RelatedArea): ValuedArea => ({ name, value: describeColour(colour).value });

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
  if (focal.length === 0) return { id: "meeting", holds: null };
  const meet = touching(lightest, darkest);
  const at = focal.find((f) => (f === lightest || touching(f, lightest)) && (f === darkest || touching(f, darkest)));
  if (at) return { id: "meeting", holds: true, at: at.name };
  // The strongest contrast that the focal area does have with a neighbour.
  const contrasts = focal.flatMap((f) =>
    areas
      .filter((other) => touching(f, other))
      .map((other) => ({
        focal: f.name,
        against: other.name,
        by: Math.abs(describeColour(f.colour).value - describeColour(other.colour).value),
      })),
  );
  const strongest = contrasts.sort((a, b) => b.by - a.by)[0] ?? null;
  return { id: "meeting", holds: false, meet, strongest };
}

function depth(areas: readonly RelatedArea[]): Relation | null {
  const near = groupOf(areas.filter((area) => area.plane === "near"));
  const far = groupOf(areas.filter((area) => area.plane === "far"));
  if (!near || !far) return null;
  const recedes =
    far.value >= near.value &&
    far.chroma <= near.chroma + SEEN.chroma &&
    far.temperature <= near.temperature + SEEN.temperature;
  const forwardBy = recedes
    ? null
    : far.temperature > near.temperature + SEEN.temperature
      ? "warmth"
      : far.chroma > near.chroma + SEEN.chroma
        ? "purity"
        : "darkness";
  return {
    id: "depth",
    holds: recedes,
    differences: differencesOf(far, near),
    lessContrast: far.spread < near.spread,
    forwardBy,
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
  const stands = Math.abs(one.value - two.value) >= 1 || Math.abs(one.temperature - two.temperature) >= 12;
  return { id: "subject", holds: stands, differences: differencesOf(one, two) };
}

function edge(areas: readonly RelatedArea[], borders: readonly AreaBorder[]): Relation | null {
  // Of an area of several colours the first one stands for it.
  const at = (label: number): RelatedArea | undefined => areas.find((area) => area.label === label);
  let best: Relation | null = null;
  let most = 0;
  for (const { a, b, length, hardness } of borders) {
    const [one, two] = [at(a), at(b)];
    if (!one || !two || length < SHORTEST_MEETING) continue;
    const crisp = hardness * deltaE00(one.colour, two.colour);
    if (crisp <= most) continue;
    most = crisp;
    const holds = areas.some(({ focal }) => focal) ? one.focal || two.focal : null;
    best = { id: "edge", holds, between: [one.name, two.name] };
  }
  return best;
}

function light(areas: readonly RelatedArea[]): Relation | null {
  const lit = groupOf(areas.filter((area) => area.light === "lit"));
  const shade = groupOf(areas.filter((area) => area.light === "shade" || area.light === "cast"));
  if (!lit || !shade) return null;
  return { id: "light", holds: lit.value > shade.value, differences: differencesOf(shade, lit) };
}

/**
 * What painters check between areas: the range of values, where light and dark meet, the crispest edge, near against
 * far, subject against ground, light against shade.
 */
export function relationsOf(areas: readonly RelatedArea[], borders: readonly AreaBorder[]): Relation[] {
  if (areas.length < 2) return [];
  const byValue = [...areas].sort((a, b) => b.colour.L - a.colour.L);
  const [lightest, darkest] = [byValue[0], byValue[byValue.length - 1]];
  return [
    { id: "range" as const, holds: null, lightest: valued(lightest!), darkest: valued(darkest!) },
    meeting(lightest!, darkest!, areas, borders),
    edge(areas, borders),
    depth(areas),
    subject(areas, borders),
    light(areas),
  ].filter((relation): relation is Relation => relation !== null);
}
