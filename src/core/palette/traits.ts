import { PAINTED_GREY_CHROMA } from "../colour/thresholds";
import { lchOfLab } from "../colour/lab";
import { looksOf } from "../mixing/looks";
import type { PaintModel } from "../mixing/paint";
import type { Paper } from "../optics/paper";
import { pigmentById } from "../pigments/handbook";
import { grainOf } from "../pigments/granulation";
import type { Family } from "../pigments/record";

/** What is known of a paint by its pigments, whatever it looks like. */
export interface PaintFacts {
  /** Of its first pigment. */
  readonly family: Family;
  readonly granulation: number;
  readonly granulates: boolean;
  readonly opaque: boolean;
  /** ASTM class of its least lasting pigment. */
  readonly lightfastness: number;
  readonly pigments: number;
}

/** What the choice of a palette asks of a paint, from its pigments and its own look. */
export interface PaintTraits extends PaintFacts {
  /** CIELAB hue angle, degrees, and chroma of a middle wash. */
  readonly hueDegrees: number;
  readonly chroma: number;
  /** CIE lightness brushed out as strong as it goes. */
  readonly masstoneL: number;
  /** Most chroma at any strength, and the colour there. */
  readonly purest: { readonly L: number; readonly a: number; readonly b: number };
}

/** What is known of a paint by its pigments. */
export function factsOf({ pigmentIds, granulation }: PaintModel): PaintFacts {
  const pigments = pigmentIds.map(pigmentById);
  return {
    family: pigments[0]!.family,
    granulation,
    granulates: grainOf(granulation) === "granulates",
    opaque: pigments.some(({ transparency }) => transparency === "opaque" || transparency === "semi-opaque"),
    lightfastness: Math.max(...pigments.map((pigment) => pigment.lightfastness.class)),
    pigments: pigments.length,
  };
}

/** Masstone, a middle wash, and others to look for the purest at. */
const TRAIT_LOADS = [1, 0.15, 0.6, 0.35, 0.2, 0.1];

/** Traits of paints, in their order. */
export function traitsOf(paints: readonly PaintModel[], paper: Paper): readonly PaintTraits[] {
  const looks = looksOf(paints, TRAIT_LOADS, paper);
  return paints.map((paint, i) => {
    const { C, h } = lchOfLab(looks[i]![1]!);
    return {
      ...factsOf(paint),
      hueDegrees: h,
      chroma: C,
      masstoneL: looks[i]![0]!.L,
      purest: looks[i]!.reduce((best, lab) => (Math.hypot(lab.a, lab.b) > Math.hypot(best.a, best.b) ? lab : best)),
    };
  });
}

/** Kinds that rules and classic structures speak of. */
export const KINDS = [
  "yellow",
  "red",
  "blue",
  "magenta",
  "cyan",
  "earth",
  "dark brown",
  "neutral",
  "granulating",
] as const;
export type Kind = (typeof KINDS)[number];

const within = (h: number, from: number, to: number): boolean =>
  from <= to ? h >= from && h < to : h >= from || h < to;

/**
 * Whether a paint is of a kind: by family, and by the hue and chroma of its middle wash. The bounds
 * are ours, from memory of where painters draw them (common practice, no source): quinacridone rose
 * counts as magenta, phthalocyanine blue as cyan, and an earth is never a primary.
 */
export function isKind({ family, hueDegrees: h, chroma, masstoneL, granulates }: PaintTraits, kind: Kind): boolean {
  const pure = family !== "earth" && family !== "black" && family !== "white";
  switch (kind) {
    case "yellow":
      return pure && within(h, 72, 115) && chroma > 30;
    case "red":
      return pure && within(h, 0, 48) && chroma > 35;
    case "magenta":
      return pure && within(h, 320, 355) && chroma > 40;
    case "blue":
      return pure && within(h, 225, 300) && chroma > 18;
    case "cyan":
      return pure && within(h, 200, 263) && chroma > 18;
    case "earth":
      return family === "earth";
    case "dark brown":
      return family === "earth" && masstoneL < 42 && within(h, 45, 85);
    case "neutral":
      return family === "black" || (chroma < PAINTED_GREY_CHROMA && masstoneL < 45);
    case "granulating":
      return granulates;
  }
}
