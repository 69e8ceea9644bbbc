import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { hueApart } from "../colour/lab";
import type { PaintModel } from "../mixing/paint";
import { isCountable } from "../mixing/parts";
import type { MixPart } from "../mixing/predict";
import { loadOfWater, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { isKind, traitsOf, type PaintTraits } from "../palette/traits";
import { atValue, laidMix, variationsOf, type LaidMix } from "../variations/variations";

/** Why a mix is duller than it should be. */
type MudCause =
  /** Too many pigments in one mix. */
  | "pigments"
  /** The paint is a darkening brown or black in more than the smaller part. */
  | "darkener"
  /** The paint covers, in a mix that would be transparent without it. */
  | "opaque"
  /** The paint's hue is opposite to what is wanted. */
  | "opposite"
  /** The paint leans the wrong way: another of its kind makes the same hue purer. */
  | "partner";

/** What brings the colour back, predicted. */
interface WayOut extends LaidMix {
  /** A paint goes, or another takes its place, or there is more or less of one. */
  readonly change:
    | { readonly kind: "without"; readonly paint: PaintModel }
    | { readonly kind: "instead"; readonly paint: PaintModel; readonly instead: PaintModel }
    | { readonly kind: "more" | "less"; readonly paint: PaintModel };
  /** CIEDE2000 from what is wanted. */
  readonly difference: number;
}

/** A mix that is duller than what is wanted. */
export interface MixMud {
  readonly cause: MudCause;
  /** The paint whose going helps most. */
  readonly paint: PaintModel;
  /** Chroma that what is wanted has more than the mix, CIELAB. */
  readonly lost: number;
  readonly pigments: number;
  /** The mix nearest to what is wanted that one such change makes; null: the tray has none. */
  readonly wayOut: WayOut | null;
}

/**
 * Below this chroma a colour is a grey that is wanted as one, and never called mud, CIELAB: a little above
 * PAINTED_GREY_CHROMA, since what is not certain to be missed is not complained of. From memory.
 */
const WANTED_GREY = 10;
/** Less chroma lost than this is not called mud, CIELAB. From memory. */
const LOST = 8;
/** More pigments than this in one mix dull each other. Common practice, no source. */
const MOST_PIGMENTS = 3;
/** A darkener is the smaller part: up to a third. Common practice, no source. */
const SMALLER_PART = 1 / 3;
/**
 * A paint whose hue is so far from what is wanted kills it, degrees; not OPPOSITE_DEGREES, by which two paints are held
 * against each other: as a third a red in a green; of two paints a blue
 * in an orange, but not in a green, where it only leans. From memory.
 */
const OPPOSITE_FROM = { third: 100, partner: 140 } as const;
/** A way out is worth a change when it comes nearer by so much, CIEDE2000. From memory. */
const WORTH = 2;

const totalOf = (mix: readonly MixPart[]): number => mix.reduce((sum, { parts }) => sum + parts, 0);

function causeOf(
  mix: readonly MixPart[],
  traits: readonly PaintTraits[],
  i: number,
  wantedHue: number,
  pigments: number,
): MudCause {
  const one = traits[i]!;
  const share = mix[i]!.parts / totalOf(mix);
  if ((isKind(one, "dark brown") || isKind(one, "neutral")) && share > SMALLER_PART) return "darkener";
  if (hueApart(one.hueDegrees, wantedHue) >= OPPOSITE_FROM[mix.length > 2 ? "third" : "partner"]) return "opposite";
  if (pigments > MOST_PIGMENTS) return "pigments";
  return one.opaque && traits.some(({ opaque }, j) => j !== i && !opaque) ? "opaque" : "partner";
}

/** How often the others' parts are taken, and those of a new paint, whose strength may be another. */
const STRENGTHS = [
  [1, 1],
  [2, 1],
  [1, 2],
  [3, 1],
  [1, 3],
] as const;

/**
 * Whether a mix has lost so much of the colour that is wanted that a painter would call it mud, by what, and the way
 * out with this tray. Null where a grey is wanted, where little is lost, and for one paint alone.
 * @param tray paints that may take another's place
 * @param strongest load that can be laid at the wash's size
 */
export function mixMud(
  mix: readonly MixPart[],
  waterParts: WaterParts,
  wanted: Lab,
  tray: readonly PaintModel[],
  strongest: Load,
  paper: Paper,
): MixMud | null {
  const aim = describeColour(wanted);
  if (mix.length < 2 || aim.chroma < WANTED_GREY) return null;
  const laid = laidMix(mix, waterParts, paper);
  const lost = aim.chroma - laid.chroma;
  if (lost < LOST) return null;
  const limit = Math.max(strongest, loadOfWater(waterParts));
  const now = deltaE00(wanted, laid.dry);
  /** The nearest that each paint's going brings, and the nearest of all that is worth a change. */
  const nearest = mix.map(() => Infinity);
  let wayOut: WayOut | null = null;
  const take = (
    { mix: next, waterParts: water, ...left }: LaidMix,
    change: WayOut["change"],
    i: number | null,
  ): void => {
    if (left.chroma <= laid.chroma) return;
    const difference = deltaE00(wanted, left.dry);
    if (i !== null) nearest[i] = Math.min(nearest[i]!, difference);
    // Another proportion of the paints that dull each other must be plainly nearer than other paints.
    const ahead = change.kind === "more" || change.kind === "less" ? WORTH : 0;
    if (difference <= now - WORTH && difference + ahead < (wayOut?.difference ?? Infinity))
      wayOut = { ...left, mix: next, waterParts: water, change, difference };
  };
  const offer = (next: readonly MixPart[], i: number, instead: PaintModel | null): void => {
    const left = isCountable(next.map(({ parts }) => parts)) ? atValue(next, aim.value, limit, paper) : null;
    const { paint } = mix[i]!;
    if (left) take(left, instead ? { kind: "instead", paint, instead } : { kind: "without", paint }, i);
  };
  mix.forEach((_, i) => {
    offer(
      mix.filter((__, j) => j !== i),
      i,
      null,
    );
    for (const instead of tray) {
      if (mix.some(({ paint }) => paint.id === instead.id)) continue;
      for (const [others, own] of STRENGTHS)
        offer(
          mix.map(({ paint, parts }, j) =>
            j === i ? { paint: instead, parts: parts * own } : { paint, parts: parts * others },
          ),
          i,
          instead,
        );
    }
  });
  const own = mix.map(({ paint }) => paint);
  // Another proportion is a way out, but no paint is to blame for it.
  for (const one of variationsOf(mix, waterParts, own, limit, paper))
    if (one.mix.length === mix.length) take(one, { kind: one.added > 0 ? "more" : "less", paint: one.paint }, null);
  const traits = traitsOf(own, paper);
  const pigments = new Set(mix.flatMap(({ paint }) => paint.pigmentIds)).size;
  const turned = traits.map(({ hueDegrees }) => hueApart(hueDegrees, aim.hueDegrees));
  // Without a way out, the paint whose hue is farthest from what is wanted is to blame.
  const blamed = [...mix.keys()].sort((a, b) => nearest[a]! - nearest[b]! || turned[b]! - turned[a]!)[0]!;
  return {
    cause: causeOf(mix, traits, blamed, aim.hueDegrees, pigments),
    paint: mix[blamed]!.paint,
    lost,
    pigments,
    wayOut,
  };
}
