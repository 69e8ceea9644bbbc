import { SHORTEST_MEETING } from "../colour/thresholds";
import type { AreaBorder } from "../areas/measure";
import { DisjointSet } from "../numeric/disjoint-set";
import type { AreaToPlan, CrispBy, PlannedWash } from "./laid-washes";

/** Why one wash comes before another. */
export type RuleWhy =
  /** A second layer or coat over a dried one. */
  | "layer"
  /** What is dropped in goes into the wet wash, at once. */
  | "drop"
  /** A lost edge: both are wet together. */
  | "lost edge"
  /** Light before dark: a dark neighbour can be brought up to a dried light one, not the other way. */
  | "light"
  /** Of about one value the purer first: a wash can be quietened later, never brightened. */
  | "pure"
  /** The ground before what stands on it. */
  | "ground"
  /** A mask is dry before anything comes near it, and comes off when all around it is dry. */
  | "mask"
  | "unmask"
  /** A light is lifted out of what lies there, and painted then. */
  | "lift";

/** One wash before another; `dry`: whichever is first has to be dry before the other is laid. */
export interface WashRule {
  readonly first: string;
  readonly then: string;
  readonly why: RuleWhy;
  readonly dry: boolean;
  /** The edge is soft in the photo, but both can't be wet together: it is softened with a damp brush. */
  readonly soften: boolean;
}

/** Washes that are laid in one go while all of them are wet, in their order. */
export type WetBlock = readonly string[];

export interface WashRules {
  readonly rules: readonly WashRule[];
  /** Pairs that lie side by side and need not wait: a hairline of dry paper stays between them while one is wet. */
  readonly beside: readonly (readonly [string, string])[];
  /** Every wash stands in one block; most alone. In the order of their ranks: light and pure before dark. */
  readonly blocks: readonly WetBlock[];
}

/** An edge that is softer than this in the photo is laid wet in wet, if nothing else is decided. From memory. */
const SOFT_BELOW = 0.4;
/** Of an area's whole border so much lies along its ground. From memory. */
const STANDS_ON = 0.6;
/**
 * Under this difference in value the purer of two neighbours comes first: less than what melts into one wash, since a
 * darker wash over a wet border shows sooner than two colours in one. From memory.
 */
const PURER_FIRST_WITHIN = 0.7;
/** What a step of chroma counts against a step of value where neighbours are put in order. From memory. */
const CHROMA_COUNTS = 0.01;
/** Washes that one hand can keep wet together. From memory. */
const MOST_WET = 3;
const STEP = 1e-3;

/** Whether two neighbours are laid wet in wet: as decided in the areas, or else as soft as the photo shows it. */
export const meetsWet = (
  one: { readonly edge: "soft" | "hard" | null },
  two: { readonly edge: "soft" | "hard" | null },
  hardness: number,
): boolean =>
  one.edge !== "hard" && two.edge !== "hard" && (one.edge === "soft" || two.edge === "soft" || hardness < SOFT_BELOW);

/**
 * What must come before what, and which washes are laid wet together: softest edges first, as long as the first of them
 * can still be worked when the last is laid. Every rule runs from a lower rank to a higher one, so that they never
 * contradict each other.
 */
export function washRules(
  areas: readonly AreaToPlan[],
  washes: readonly PlannedWash[],
  borders: readonly AreaBorder[],
  crispBy: CrispBy,
): WashRules {
  const byLabel = new Map(areas.flatMap((area) => (area.label === null ? [] : [[area.label, area] as const])));
  const of = (area: AreaToPlan): readonly PlannedWash[] => washes.filter(({ areaId }) => areaId === area.id);
  const meetings = borders.flatMap((border) => {
    const [a, b] = [byLabel.get(border.a), byLabel.get(border.b)];
    return a && b && border.length >= SHORTEST_MEETING
      ? [{ a, b, length: border.length, hardness: border.hardness }]
      : [];
  });
  const places = new Map(washes.map(({ key }, i) => [key, i]));
  const firstOf = new Map(
    areas.flatMap((area) => {
      const found = of(area).find(({ task }) => task === "first");
      return found ? [[area.id, found] as const] : [];
    }),
  );

  // Wet together: drops with their wash, and neighbours with a lost edge.
  const together = new DisjointSet(washes.length);
  const members = (place: number): PlannedWash[] => washes.filter((_, i) => together.find(i) === together.find(place));
  for (const wash of washes)
    if (wash.task === "drop") together.union(places.get(firstOf.get(wash.areaId)!.key)!, places.get(wash.key)!);
  const lost: { readonly one: PlannedWash; readonly two: PlannedWash; readonly kept: boolean }[] = [];
  for (const { a, b, hardness } of [...meetings].sort((one, two) => one.hardness - two.hardness)) {
    const [one, two] = [firstOf.get(a.id), firstOf.get(b.id)];
    if (!one || !two || !meetsWet(a, b, hardness)) continue;
    const free = !a.reserve && !b.reserve;
    const all = [...new Set([...members(places.get(one.key)!), ...members(places.get(two.key)!)])];
    const firsts = all.filter(({ task }) => task === "first");
    const minutes = all.reduce((sum, wash) => sum + wash.minutes, 0);
    // From the moment that the first of them lies there.
    const wetFor = Math.min(...firsts.map(({ minutes: own, workableMinutes }) => own + workableMinutes));
    const kept = free && firsts.length <= MOST_WET && minutes <= wetFor;
    if (kept) together.union(places.get(one.key)!, places.get(two.key)!);
    lost.push({ one, two, kept });
  }

  // Ranks: light and pure before dark and grey; a block as the mean of its washes; what lies over a wash after it.
  const lightness = ({ value, chroma }: PlannedWash): number => 10 - value - CHROMA_COUNTS * chroma;
  const rank = new Float64Array(washes.length);
  washes.forEach((wash, i) => {
    const firsts = members(i).filter(({ task }) => task === "first");
    rank[i] =
      wash.task === "mask"
        ? -1
        : firsts.length > 0
          ? firsts.reduce((sum, one) => sum + lightness(one), 0) / firsts.length
          : lightness(wash);
  });
  const neighboursOf = (area: AreaToPlan): readonly AreaToPlan[] =>
    meetings.flatMap(({ a, b }) => (a === area ? [b] : b === area ? [a] : []));
  const lift = (i: number, over: number): void => {
    if (rank[i]! > over) return;
    for (const member of members(i)) rank[places.get(member.key)!] = over + STEP;
  };
  /** Washes of one area one after another. */
  const inOrder = (area: AreaToPlan): void => {
    const own = of(area).filter(({ task }) => task !== "mask" && task !== "drop");
    own.slice(1).forEach((wash, i) => lift(places.get(wash.key)!, rank[places.get(own[i]!.key)!]!));
  };
  areas.forEach(inOrder);
  for (const area of areas.filter(({ reserve }) => reserve === "mask" || reserve === "lift")) {
    const opened = of(area).find(({ task }) => task === "unmask" || task === "lift")!;
    const around = neighboursOf(area).filter(({ reserve }) => reserve !== "mask" && reserve !== "lift");
    const last = around.flatMap((one) => of(one).map(({ key }) => rank[places.get(key)!]!));
    lift(places.get(opened.key)!, Math.max(0, ...last));
    inOrder(area);
  }

  const rules: WashRule[] = [];
  const sides: [string, string][] = [];
  const rule = (
    first: PlannedWash,
    then: PlannedWash,
    why: RuleWhy,
    dry = true,
    besides: Partial<WashRule> = {},
  ): void => void rules.push({ first: first.key, then: then.key, why, dry, soften: false, ...besides });
  for (const area of areas) {
    const own = of(area);
    const [mask, opened] = [own.find(({ task }) => task === "mask"), own.find(({ task }) => task === "unmask")];
    const lifted = own.find(({ task }) => task === "lift");
    const laid = own.filter(({ task }) => task === "first" || task === "second" || task === "coat");
    laid.slice(1).forEach((wash, i) => rule(laid[i]!, wash, "layer"));
    const first = laid[0];
    for (const drop of own.filter(({ task }) => task === "drop")) if (first) rule(first, drop, "drop", false);
    if (first && opened) rule(opened, first, "unmask");
    if (first && lifted) rule(lifted, first, "lift");
    for (const other of neighboursOf(area).filter(({ reserve }) => reserve !== "mask" && reserve !== "lift"))
      for (const wash of of(other).filter(({ task }) => task !== "drop")) {
        if (mask) rule(mask, wash, "mask");
        if (opened) rule(wash, opened, "unmask");
        if (lifted) rule(wash, lifted, "lift");
      }
  }
  for (const { one, two, kept } of lost) if (kept) rule(one, two, "lost edge", false);
  for (const { a, b, length } of meetings) {
    const whole = (area: AreaToPlan): number =>
      meetings.reduce((sum, one) => sum + (one.a === area || one.b === area ? one.length : 0), 0);
    // An edge that is lost in the first washes stays so: no hairline parts what comes over them.
    const softened = lost.some(
      ({ one, two }) => [a.id, b.id].includes(one.areaId) && [a.id, b.id].includes(two.areaId),
    );
    const laid = (area: AreaToPlan) =>
      of(area).filter(({ task }) => task === "first" || task === "second" || task === "coat");
    for (const one of laid(a))
      for (const two of laid(b)) {
        const [p, q] = [places.get(one.key)!, places.get(two.key)!];
        if (together.find(p) === together.find(q)) continue;
        const [first, then] = rank[p]! < rank[q]! || (rank[p] === rank[q] && p < q) ? [one, two] : [two, one];
        const stands = length / whole(then === one ? a : b) >= STANDS_ON && then.areaCm2 < first.areaCm2;
        const beside = !stands && !softened && !a.focal && !b.focal && crispBy === "hairline";
        const why = stands ? "ground" : Math.abs(one.value - two.value) >= PURER_FIRST_WITHIN ? "light" : "pure";
        if (beside) sides.push([first.key, then.key]);
        // Side by side light and pure come first once: further coats and layers of either wait for nobody.
        if (!beside || (one.task === "first" && two.task === "first"))
          rule(first, then, why, !beside, { soften: softened && !beside });
      }
  }
  const blocks = new Map<number, string[]>();
  for (const i of [...places.values()].sort((one, two) => rank[one]! - rank[two]! || one - two))
    blocks.set(together.find(i), [...(blocks.get(together.find(i)) ?? []), washes[i]!.key]);
  return {
    rules,
    beside: sides,
    // In a block the lightest begins, and each drop follows its wash.
    blocks: [...blocks.values()].map((keys) => {
      const own = keys.map((key) => washes[places.get(key)!]!);
      return own
        .filter(({ task }) => task !== "drop")
        .sort((one, two) => lightness(one) - lightness(two))
        .flatMap((wash) => [wash, ...own.filter(({ task, areaId }) => task === "drop" && areaId === wash.areaId)])
        .map(({ key }) => key);
    }),
  };
}
