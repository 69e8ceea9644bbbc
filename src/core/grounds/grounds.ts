import { OPPOSITE_DEGREES, PAINTED_GREY_CHROMA } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { hueApart } from "../colour/lab";
import type { PaintModel } from "../mixing/paint";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { atValue, type LaidMix } from "../variations/variations";

/** How light a ground is. */
export const GROUND_TONES = ["light", "middle", "dark"] as const;
export type GroundTone = (typeof GROUND_TONES)[number];

/** By what a ground lifts what stands before it; signed from the ground to the subject. */
export interface Lift {
  /** Munsell steps that the subject is lighter. */
  readonly value: number;
  /** Steps of temperature that it is warmer, CIELAB. */
  readonly warmth: number;
  /** Chroma that it has more, CIELAB. */
  readonly purity: number;
  readonly hue: "opposite" | "related" | "other" | "none";
}

/** A ground that this palette can lay. */
export interface Ground extends LaidMix {
  readonly tone: GroundTone;
  readonly lift: Lift;
  /** 0 disappears into it, 1 stands out by all that counts. */
  readonly score: number;
  /** It is warm, and warmer than the subject: it will come forward. */
  readonly comesForward: boolean;
}

/** Values of the three tones, Munsell. From memory. */
const VALUES: Readonly<Record<GroundTone, number>> = { light: 8, middle: 6, dark: 3.5 };
const PROPORTIONS = [
  [3, 1],
  [1, 1],
  [1, 3],
] as const;
/** What counts in full: value steps, steps of temperature, chroma; and how much each counts. From memory. */
const FULL = { value: 3, warmth: 35, purity: 35 } as const;
const COUNTS = { value: 0.5, warmth: 0.3, purity: 0.2 } as const;
/** Two grounds of one tone are told apart by at least this, CIEDE2000. From memory. */
const TOLD_APART = 8;
const MOST_OF_A_TONE = 3;
/** Hues within so many degrees are related. From memory. */
const RELATED = 45;
/** A ground warmer than this comes forward where the subject is cooler. From memory. */
const WARM = 12;

/** By what a ground lifts a subject. */
export function liftOf(subject: Lab, ground: Lab): Lift {
  const [one, two] = [describeColour(subject), describeColour(ground)];
  const between = hueApart(one.hueDegrees, two.hueDegrees);
  const hue =
    Math.min(one.chroma, two.chroma) < PAINTED_GREY_CHROMA
      ? "none"
      : between >= OPPOSITE_DEGREES
        ? "opposite"
        : between <= RELATED
          ? "related"
          : "other";
  return {
    value: one.value - two.value,
    warmth: one.temperature - two.temperature,
    purity: one.chroma - two.chroma,
    hue,
  };
}

/**
 * How plainly a subject stands out: value, temperature and purity, each up to what counts in full. A ground that is
 * purer than the subject takes away from it.
 */
export function standsOut({ value, warmth, purity }: Lift): number {
  const share = (by: number, full: number): number => Math.min(1, Math.abs(by) / full);
  const pure = Math.max(-1, Math.min(1, purity / FULL.purity));
  const sum =
    COUNTS.value * share(value, FULL.value) + COUNTS.warmth * share(warmth, FULL.warmth) + COUNTS.purity * pure;
  return Math.max(0, sum);
}

/**
 * Grounds and shadows that a palette can lay behind a subject: up to three light, three middle and three dark, those
 * that lift it most first, each of one paint or two.
 * @param strongest load that can be laid at the ground's size
 */
export function groundsFor(
  subject: Lab,
  paints: readonly PaintModel[],
  strongest: Load,
  paper: Paper,
): readonly Ground[] {
  const mixes = paints.flatMap((paint, i) => [
    [{ paint, parts: 1 }],
    ...paints.slice(i + 1).flatMap((other) =>
      PROPORTIONS.map(([p, q]) => [
        { paint, parts: p },
        { paint: other, parts: q },
      ]),
    ),
  ]);
  return GROUND_TONES.flatMap((tone) => {
    const found = mixes.flatMap((mix): Ground[] => {
      const laid = atValue(mix, VALUES[tone], strongest, paper);
      if (!laid) return [];
      const lift = liftOf(subject, laid.dry);
      return [
        { ...laid, tone, lift, score: standsOut(lift), comesForward: laid.temperature >= WARM && lift.warmth < 0 },
      ];
    });
    const chosen: Ground[] = [];
    for (const ground of found.sort((a, b) => b.score - a.score)) {
      if (chosen.length === MOST_OF_A_TONE) break;
      if (chosen.every(({ dry }) => deltaE00(dry, ground.dry) >= TOLD_APART)) chosen.push(ground);
    }
    return chosen;
  });
}
