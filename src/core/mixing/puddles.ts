import { compareColours, type Difference } from "../colour/compare";
import type { Lab } from "../colour/colour";
import { loadOfWater, waterUpTo, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { strongestOf, type PaintModel } from "./paint";
import { predict, type MixPart } from "./predict";

/** An area's recipe, as far as puddles need to know it. */
export interface PuddleUse {
  readonly id: string;
  readonly parts: readonly { readonly paintId: string; readonly parts: number }[];
  readonly waterParts: WaterParts;
  /** Paper to cover. */
  readonly areaCm2: number;
}

/** One mix in one well, used at one strength or several. */
export interface SharedPuddle {
  /** Parts in the smallest whole numbers it was given in, largest first. */
  readonly parts: PuddleUse["parts"];
  /** Weakest first: a puddle is thinned by adding water and never made stronger so. */
  readonly uses: readonly { readonly id: string; readonly waterParts: WaterParts; readonly areaCm2: number }[];
  readonly areaCm2: number;
  /**
   * It is what is left of an earlier puddle of the list with one paint added: that one's place; null for a well of its
   * own.
   */
  readonly from: number | null;
}

/**
 * Whether a mix is another one, of two paints or more, with one paint added: the others keep their ratios. Paints by
 * any key, in the parts' order. (One paint with another added is a new mix: the first comes from its own tube or
 * well.)
 */
export function addsOnePaint<Key>(
  child: { readonly paints: readonly Key[]; readonly parts: readonly number[] },
  parent: { readonly paints: readonly Key[]; readonly parts: readonly number[] },
): boolean {
  if (parent.paints.length < 2 || child.paints.length !== parent.paints.length + 1) return false;
  const places = parent.paints.map((paint) => child.paints.indexOf(paint));
  if (places.includes(-1)) return false;
  const scale = child.parts[places[0]!]! / parent.parts[0]!;
  return places.every((place, i) => Math.abs(child.parts[place]! - scale * parent.parts[i]!) < 1e-9);
}

type Unplaced = Omit<SharedPuddle, "from">;

const addsTo = (child: Unplaced, parent: Unplaced): boolean => {
  const [own, other] = [child, parent].map(({ parts }) => ({
    paints: parts.map(({ paintId }) => paintId),
    parts: parts.map(({ parts: amount }) => amount),
  }));
  return addsOnePaint(own!, other!);
};

/** The mix without one of its paints, as a puddle that serves nothing itself. */
const without = ({ parts }: Unplaced, paintId: string): Unplaced => ({
  parts: parts.filter((part) => part.paintId !== paintId),
  uses: [],
  areaCm2: 0,
});

/**
 * Puts each mix that is another with a paint added behind it. Mixes of three that have two paints at one ratio in
 * common get these as a puddle to begin from, though nothing is painted with it alone; the base of most comes first.
 */
function inFamilies(puddles: readonly Unplaced[]): SharedPuddle[] {
  const orphans = new Set(puddles.filter((child) => !puddles.some((parent) => addsTo(child, parent))));
  const families = new Map<Unplaced, Unplaced[]>();
  for (const parent of puddles) if (orphans.has(parent)) families.set(parent, []);
  for (const child of puddles) {
    const parent = puddles.find((other) => orphans.has(other) && addsTo(child, other));
    if (parent) families.get(parent)!.push(child);
  }
  for (let base: Unplaced | null = null, children: Unplaced[] = []; ;) {
    const loose = [...families].flatMap(([one, own]) => (own.length === 0 && one.parts.length > 2 ? [one] : []));
    [base, children] = [null, []];
    for (const one of loose)
      for (const { paintId } of one.parts) {
        const shared = without(one, paintId);
        const own = loose.filter((other) => addsTo(other, shared));
        if (own.length > Math.max(1, children.length)) [base, children] = [shared, own];
      }
    if (!base) break;
    for (const child of children) families.delete(child);
    families.set(base, children);
  }
  const area = ([one, own]: [Unplaced, Unplaced[]]): number =>
    own.reduce((sum, { areaCm2 }) => sum + areaCm2, one.areaCm2);
  return [...families]
    .sort((one, two) => area(two) - area(one))
    .reduce<SharedPuddle[]>((list, [parent, own]) => {
      const at = list.length;
      return [...list, { ...parent, from: null }, ...own.map((child) => ({ ...child, from: at }))];
    }, []);
}

/** What makes two mixes the same: paints and proportions, not water. */
function mixKey(parts: PuddleUse["parts"]): string {
  const most = Math.max(...parts.map((part) => part.parts));
  return [...parts]
    .sort((a, b) => a.paintId.localeCompare(b.paintId))
    .map(({ paintId, parts: amount }) => `${paintId} ${(amount / most).toFixed(3)}`)
    .join("|");
}

/**
 * All puddles of a painting, the largest area first, each followed by what one paint more makes of it; areas that
 * share a mix share a puddle.
 */
export function puddlesOf(uses: readonly PuddleUse[]): readonly SharedPuddle[] {
  const byMix = new Map<string, PuddleUse[]>();
  for (const use of uses) byMix.set(mixKey(use.parts), [...(byMix.get(mixKey(use.parts)) ?? []), use]);
  const puddles = [...byMix.values()]
    .map((together) => ({
      parts: [...together.reduce((few, use) => (sum(use.parts) < sum(few.parts) ? use : few)).parts].sort(
        (a, b) => b.parts - a.parts,
      ),
      uses: together
        .map(({ id, waterParts, areaCm2 }) => ({ id, waterParts, areaCm2 }))
        .sort((a, b) => b.waterParts - a.waterParts),
      areaCm2: together.reduce((total, { areaCm2 }) => total + areaCm2, 0),
    }))
    .sort((a, b) => b.areaCm2 - a.areaCm2);
  return inFamilies(puddles);
}

const sum = (parts: PuddleUse["parts"]): number => parts.reduce((total, part) => total + part.parts, 0);

/** A mix laid at the strength that comes nearest to a target. */
export interface Strength {
  readonly waterParts: WaterParts;
  readonly dry: Lab;
  readonly difference: Difference;
}

/**
 * The countable strength at which a given mix comes nearest to a target, by CIEDE2000: what another area's puddle
 * could do here.
 */
export function nearestStrength(target: Lab, mix: readonly MixPart[], paper: Paper): Strength {
  const tried = waterUpTo(strongestOf(mix.map(({ paint }) => paint))).map((waterParts): Strength => {
    const { dry } = predict(mix, loadOfWater(waterParts), paper);
    return { waterParts, dry, difference: compareColours(target, dry) };
  });
  return tried.reduce((best, one) => (one.difference.dE00 < best.difference.dE00 ? one : best));
}

/** A puddle of another area's serves here when it costs no more than this, CIEDE2000. From memory. */
export const SHARING_MAY_COST = 1.5;

/** What a wash looks like laid richer and thinner than planned. */
export interface OtherStrengths {
  readonly richer: { readonly waterParts: WaterParts; readonly dry: Lab } | null;
  readonly thinner: { readonly waterParts: WaterParts; readonly dry: Lab } | null;
}

/** A mix with about half and about twice the water, countable; null where it can't be had. */
export function otherStrengths(
  mix: readonly { readonly paint: PaintModel; readonly parts: number }[],
  waterParts: WaterParts,
  paper: Paper,
): OtherStrengths {
  const at = (wanted: WaterParts, side: (water: WaterParts) => boolean): OtherStrengths["richer"] => {
    const allowed = waterUpTo(strongestOf(mix.map(({ paint }) => paint))).filter(side);
    if (allowed.length === 0) return null;
    const water = allowed.reduce((best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best));
    return { waterParts: water, dry: predict(mix, loadOfWater(water), paper).dry };
  };
  return {
    richer: at(waterParts / 2, (water) => water < waterParts),
    thinner: at(Math.max(0.5, waterParts * 2), (water) => water > waterParts),
  };
}
