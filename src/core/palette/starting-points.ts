import { hueApart } from "../colour/lab";
import type { PaintModel } from "../mixing/paint";
import { buildReachTable } from "../mixing/reach-table";
import type { Paper } from "../optics/paper";
import { isKind, type Kind, type PaintTraits } from "./traits";

export const STRUCTURES = [
  "bright triad",
  "earth triad",
  "pair of each primary",
  "opposites and an accent",
  "magenta, yellow, cyan",
  "one blue, one brown",
] as const;
export type Structure = (typeof STRUCTURES)[number];

/** A classic structure filled from the paints at hand; what it lacks when they can't fill it. */
export interface StartingPoint {
  readonly structure: Structure;
  /** Paints as indices, in the structure's order. */
  readonly paints: readonly number[];
  readonly lacks: readonly string[];
}

/** Area of the triangle of three colours in the chroma plane: how much a triad spans. */
const spanOf = (a: PaintTraits, b: PaintTraits, c: PaintTraits): number =>
  Math.abs(
    (b.purest.a - a.purest.a) * (c.purest.b - a.purest.b) - (c.purest.a - a.purest.a) * (b.purest.b - a.purest.b),
  ) / 2;

const highest = <T>(items: readonly T[], score: (item: T) => number): T | undefined =>
  items.reduce<T | undefined>(
    (best, item) => (best === undefined || score(item) > score(best) ? item : best),
    undefined,
  );

const pairsOf = (paints: readonly number[]): readonly (readonly [number, number])[] =>
  paints.flatMap((p, i) => paints.slice(i + 1).map((q) => [p, q] as const));

/** Hues that printers call primary, CIELAB degrees of middle washes. From memory: lemon, magenta, cyan. */
const PROCESS_HUES = { yellow: 98, magenta: 345, cyan: 240 } as const;
/** Printers' colours lie over each other: an opaque one spoils them. Counted in chroma, from memory. */
const OPAQUE_PROCESS = 40;

/**
 * Classic structures, each filled from these paints by what it is for: a bright triad spans the
 * most, an earth triad is red and yellow earth, clear rather than opaque, with a quiet, dark, granulating blue, a pair
 * of each primary lies furthest apart in hue while bright, opposites are the two that grey each other darkest, and the
 * accent is the purest paint far from both. The structures are common practice, no source.
 */
export function startingPoints(
  paints: readonly PaintModel[],
  traits: readonly PaintTraits[],
  paper: Paper,
): readonly StartingPoint[] {
  const all = [...paints.keys()];
  const of = (kind: Kind): readonly number[] => all.filter((p) => isKind(traits[p]!, kind));
  const filled = (
    structure: Structure,
    found: readonly (number | undefined)[],
    names: readonly string[],
  ): StartingPoint => ({
    structure,
    paints: [...new Set(found.filter((p) => p !== undefined))],
    lacks: names.filter((_, i) => found[i] === undefined),
  });
  const [yellows, reds, blues] = [of("yellow"), [...new Set([...of("red"), ...of("magenta")])], of("blue")];

  const triads = yellows.flatMap((y) => reds.flatMap((r) => blues.map((b) => [y, r, b] as const)));
  const triad = highest(triads, ([y, r, b]) => spanOf(traits[y]!, traits[r]!, traits[b]!)) ?? [
    yellows[0],
    reds[0],
    blues[0],
  ];

  const earths = of("earth");
  const clear = (p: number): number => traits[p]!.chroma - (traits[p]!.opaque ? 10 : 0);
  const quietBlues = all.filter(
    (p) => isKind(traits[p]!, "blue") || (isKind(traits[p]!, "neutral") && traits[p]!.hueDegrees > 180),
  );
  const earthTriad = [
    highest(
      earths.filter((p) => traits[p]!.hueDegrees > 70),
      clear,
    ),
    highest(
      earths.filter((p) => traits[p]!.hueDegrees < 66),
      clear,
    ),
    highest(quietBlues, (p) => 20 * traits[p]!.granulation - 0.5 * traits[p]!.chroma - traits[p]!.masstoneL),
  ];

  const widest = (kind: readonly number[]): readonly (number | undefined)[] =>
    highest(
      pairsOf(kind),
      ([p, q]) =>
        hueApart(traits[p]!.hueDegrees, traits[q]!.hueDegrees) + 0.3 * Math.min(traits[p]!.chroma, traits[q]!.chroma),
    ) ?? [kind[0], undefined];

  const { darkest, neutral } = pairFacts(paints, paper);
  const pure = all.filter((p) => traits[p]!.chroma > 25);
  const opposites = highest(
    pairsOf(pure).filter(([p, q]) => hueApart(traits[p]!.hueDegrees, traits[q]!.hueDegrees) > 110),
    ([p, q]) => -neutral(p, q) - 0.3 * darkest(p, q),
  );
  const accent =
    opposites &&
    highest(
      all.filter((p) => !opposites.includes(p)),
      (p) =>
        Math.hypot(traits[p]!.purest.a, traits[p]!.purest.b) *
        Math.min(1, Math.min(...opposites.map((q) => hueApart(traits[p]!.hueDegrees, traits[q]!.hueDegrees))) / 60),
    );

  const nearest = (kind: "yellow" | "magenta" | "cyan"): number | undefined =>
    highest(
      of(kind),
      (p) =>
        traits[p]!.chroma -
        1.5 * hueApart(traits[p]!.hueDegrees, PROCESS_HUES[kind]) -
        (traits[p]!.opaque ? OPAQUE_PROCESS : 0),
    );
  const browns = earths.filter((p) => traits[p]!.hueDegrees > 40 && traits[p]!.hueDegrees < 82);
  const couple = highest(
    of("blue").flatMap((b) => browns.map((e) => [b, e] as const)),
    ([b, e]) => -darkest(b, e) - 0.3 * neutral(b, e),
  ) ?? [of("blue")[0], browns[0]];

  return [
    filled("bright triad", triad, ["a yellow", "a red", "a blue"]),
    filled("earth triad", earthTriad, ["a yellow earth", "a red earth", "a quiet blue"]),
    filled(
      "pair of each primary",
      [...widest(yellows), ...widest(reds), ...widest(blues)],
      ["a yellow", "a second yellow", "a red", "a second red", "a blue", "a second blue"],
    ),
    filled(
      "opposites and an accent",
      [...(opposites ?? [undefined, undefined]), accent],
      ["two opposites", "their partner", "an accent"],
    ),
    filled("magenta, yellow, cyan", (["magenta", "yellow", "cyan"] as const).map(nearest), [
      "a magenta",
      "a yellow",
      "a cyan",
    ]),
    filled("one blue, one brown", couple, ["a blue", "a brown"]),
  ];
}

/** Darkest lightness that two paints mix, and the least chroma among their dark mixes. */
function pairFacts(
  paints: readonly PaintModel[],
  paper: Paper,
): { darkest: (p: number, q: number) => number; neutral: (p: number, q: number) => number } {
  const { combinations, firstPoint, L, a, b } = buildReachTable(paints, paper, { maxPaints: 2, maxPigments: 12 });
  const key = (p: number, q: number): number => Math.min(p, q) * 1024 + Math.max(p, q);
  const facts = new Map<number, { darkest: number; neutral: number }>();
  combinations.forEach(([p, q], c) => {
    if (q === undefined) return;
    let [darkest, neutral] = [100, 200];
    for (let i = firstPoint[c]!; i < firstPoint[c + 1]!; i++) darkest = Math.min(darkest, L[i]!);
    for (let i = firstPoint[c]!; i < firstPoint[c + 1]!; i++)
      if (L[i]! < darkest + 15) neutral = Math.min(neutral, Math.hypot(a[i]!, b[i]!));
    facts.set(key(p!, q), { darkest, neutral });
  });
  const fact = (p: number, q: number): { darkest: number; neutral: number } =>
    facts.get(key(p, q)) ?? { darkest: 100, neutral: 200 };
  return { darkest: (p, q) => fact(p, q).darkest, neutral: (p, q) => fact(p, q).neutral };
}
