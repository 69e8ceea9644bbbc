import { compareColours, type Difference } from "../colour/compare";
import type { Lab } from "../colour/colour";
import { COUNTABLE_WATER, loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { PaintModel } from "./paint";
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
  /** It is what is left of an earlier puddle of the list with one paint added: that one's place; null for a well of its own. */
  readonly from: number | null;
}

/** Whether a mix is another one with one paint added: the others keep their ratios. Paints by any key, in the parts' order. */
export function addsOnePaint<Key>(
  child: { readonly paints: readonly Key[]; readonly parts: readonly number[] },
  parent: { readonly paints: readonly Key[]; readonly parts: readonly number[] },
): boolean {
  if (child.paints.length !== parent.paints.length + 1) return false;
  const places = parent.paints.map((paint) => child.paints.indexOf(paint));
  if (places.includes(-1)) return false;
  const scale = child.parts[places[0]] / parent.parts[0];
  return places.every((place, i) => Math.abs(child.parts[place] - scale * parent.parts[i]) < 1e-9);
}

/** Puts each mix that is an earlier one with a paint added behind it; of several it is the largest one's. */
function inFamilies(puddles: readonly Omit<SharedPuddle, "from">[]): SharedPuddle[] {
  const mixOf = ({ parts }: Pick<SharedPuddle, "parts">) => ({
    paints: parts.map(({ paintId }) => paintId),
    parts: parts.map(({ parts: amount }) => amount),
  });
  const ordered: SharedPuddle[] = [];
  const place = (puddle: Omit<SharedPuddle, "from">, from: number | null): void => {
    const own = ordered.push({ ...puddle, from }) - 1;
    for (const other of puddles)
      if (parentOf(other) === puddle && !ordered.some(({ parts }) => parts === other.parts)) place(other, own);
  };
  const parentOf = (puddle: Omit<SharedPuddle, "from">): Omit<SharedPuddle, "from"> | undefined =>
    puddles.find((other) => addsOnePaint(mixOf(puddle), mixOf(other)));
  for (const puddle of puddles) if (!parentOf(puddle)) place(puddle, null);
  return ordered;
}

/** What makes two mixes the same: paints and proportions, not water. */
function mixKey(parts: PuddleUse["parts"]): string {
  const most = Math.max(...parts.map((part) => part.parts));
  return [...parts]
    .sort((a, b) => a.paintId.localeCompare(b.paintId))
    .map(({ paintId, parts: amount }) => `${paintId} ${(amount / most).toFixed(3)}`)
    .join("|");
}

/** All puddles of a painting, the largest area first, each followed by what one paint more makes of it; areas that share a mix share a puddle. */
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

/** The countable strength at which a given mix comes nearest to a target, by CIEDE2000: what another area's puddle could do here. */
export function nearestStrength(target: Lab, mix: readonly MixPart[], paper: Paper): Strength {
  const tried = COUNTABLE_WATER.map((waterParts): Strength => {
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
    const allowed = COUNTABLE_WATER.filter(side);
    if (allowed.length === 0) return null;
    const water = allowed.reduce((best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best));
    return { waterParts: water, dry: predict(mix, loadOfWater(water), paper).dry };
  };
  return {
    richer: at(waterParts / 2, (water) => water < waterParts),
    thinner: at(Math.max(0.5, waterParts * 2), (water) => water > waterParts),
  };
}
