import { PAINTED_GREY_CHROMA } from "../colour/thresholds";
import { deltaE00 } from "../colour/difference";
import { hueApart, lchOfLab } from "../colour/lab";
import type { LaidMix, Variation } from "./variations";

/** What a painter wants of a colour whose value is right. */
export const SHIFTS = ["warmer", "cooler", "purer", "quieter"] as const;
export type Shift = (typeof SHIFTS)[number];

/** How far a colour may turn and still be its area's, degrees of hue; a grey may turn to any. From memory. */
const HUE_KEPT_DEGREES = 25;
/** How far any colour may go before it is another one, CIEDE2000. From memory. */
const KEPT = 12;
/** Neighbours in one wash are told apart by at least this, CIEDE2000. From memory. */
const TOLD_APART = 3;
const MOST_NEIGHBOURS = 5;
/** A step in warmth or purity that is seen across a room, CIELAB. From memory. */
const SEEN_SHIFT = 4;
const MOST_SHIFTS = 3;

/** Whether a variation still is its area's colour. */
export function keepsHue(from: LaidMix, to: LaidMix): boolean {
  if (deltaE00(from.dry, to.dry) > KEPT) return false;
  const [one, two] = [lchOfLab(from.dry), lchOfLab(to.dry)];
  if (one.C < PAINTED_GREY_CHROMA) return true;
  return two.C >= PAINTED_GREY_CHROMA && hueApart(one.h, two.h) <= HUE_KEPT_DEGREES;
}

/**
 * Up to five neighbours of a mix that differ most from it and from each other while they keep its hue: what a wash can
 * change to as it goes, by more of a paint alone, since nothing can be taken from a puddle. Farthest-point sampling,
 * the mix itself being the first point; warmest first.
 */
export function neighboursOf(from: LaidMix, variations: readonly Variation[]): readonly Variation[] {
  const open = variations.filter((to) => to.added > 0 && keepsHue(from, to));
  const chosen: Variation[] = [];
  const nearest = open.map(({ difference }) => difference);
  while (chosen.length < MOST_NEIGHBOURS) {
    const farthest = nearest.reduce((best, away, i) => (away > (nearest[best] ?? -1) ? i : best), 0);
    if (!((nearest[farthest] ?? 0) >= TOLD_APART)) break;
    const next = open[farthest]!;
    chosen.push(next);
    open.forEach(({ dry }, i) => (nearest[i] = Math.min(nearest[i]!, deltaE00(next.dry, dry))));
  }
  return chosen.sort((a, b) => b.temperature - a.temperature);
}

/** How far a variation goes the way that is wanted, CIELAB units; below 0 it goes the other way. */
export function goes(shift: Shift, from: LaidMix, to: LaidMix): number {
  switch (shift) {
    case "warmer":
      return to.temperature - from.temperature;
    case "cooler":
      return from.temperature - to.temperature;
    case "purer":
      return to.chroma - from.chroma;
    case "quieter":
      return from.chroma - to.chroma;
  }
}

/**
 * The smallest changes that bring what is wanted: up to three, each by another paint.
 * @param by how far at least, CIELAB units
 */
export function shiftsOf(
  from: LaidMix,
  variations: readonly Variation[],
  shift: Shift,
  by = SEEN_SHIFT,
): readonly Variation[] {
  const smallest = new Map<string, Variation>();
  for (const to of variations) {
    if (goes(shift, from, to) < by) continue;
    const before = smallest.get(to.paint.id);
    if (!before || to.difference < before.difference) smallest.set(to.paint.id, to);
  }
  return [...smallest.values()].sort((a, b) => a.difference - b.difference).slice(0, MOST_SHIFTS);
}

/** How unlike the two ends of one dark may become, CIEDE2000 from the dark itself: beyond that it is another shape. */
const ONE_DARK = 14;

/**
 * One dark, warm and cool: the warmest and the coolest mix of its value from the same puddle that still hold together
 * as one shape; null where the two would not be told apart.
 */
export function warmAndCool(
  variations: readonly Variation[],
): { readonly warm: Variation; readonly cool: Variation } | null {
  const open = variations.filter(({ added, difference }) => added > 0 && difference <= ONE_DARK);
  const [first] = open;
  if (!first) return null;
  const warm = open.reduce((best, one) => (one.temperature > best.temperature ? one : best), first);
  const cool = open.reduce((best, one) => (one.temperature < best.temperature ? one : best), first);
  return warm.temperature - cool.temperature >= 1.5 * SEEN_SHIFT ? { warm, cool } : null;
}
