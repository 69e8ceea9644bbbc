import type { Wish } from "../planning/target";
import type { CardinalityConstraint } from "./search/cardinality-constraints";
import type { Kind } from "./traits";

/** The painter's school, as settings; each list's first is the one that suits most. */
export const APPROACH_CHOICES = {
  size: ["lean", "middle", "wide"],
  primaries: ["free", "red-yellow-blue", "magenta-yellow-cyan"],
  darks: ["free", "primaries", "brown", "tube"],
  hues: ["photo", "free"],
  chroma: ["photo", "bright", "muted"],
  granulation: ["allow", "seek", "avoid"],
  opacity: ["free", "tints", "transparent"],
  greys: ["free", "opposites", "earths", "tube"],
  lasting: ["lasting", "sketchbook"],
  mixing: ["well", "paper"],
  hand: ["usual", "careful", "loose", "own"],
  near: ["usual", "close", "free"],
  effort: ["usual", "few", "gladly"],
} as const;
export type ApproachKey = keyof typeof APPROACH_CHOICES;
type ApproachChoices = { readonly [K in ApproachKey]: (typeof APPROACH_CHOICES)[K][number] };

/** All settings, with the numbers among them. */
export interface Approach extends ApproachChoices {
  /** How much a difference in value counts against one in hue or chroma. */
  readonly valueWeight: number;
  /** Most pigments in one mix. */
  readonly maxPigments: number;
  /** One pigment in each paint, no convenience mixes. */
  readonly single: boolean;
  /** The palette must go as dark as this Munsell value; null: as dark as it comes. */
  readonly darkest: number | null;
}

export const DEFAULT_APPROACH: Approach = {
  size: "lean",
  primaries: "free",
  darks: "free",
  hues: "photo",
  chroma: "photo",
  granulation: "allow",
  opacity: "free",
  greys: "free",
  lasting: "lasting",
  mixing: "well",
  hand: "usual",
  near: "usual",
  effort: "usual",
  valueWeight: 1.5,
  maxPigments: 3,
  single: false,
  darkest: null,
};

/** How near is near enough under an approach, dE00; see softened. From memory. */
export const NEAR_ENOUGH = { close: 0.5, usual: 2, free: 6 } as const;
/** How much the effort of mixing counts under an approach. From memory. */
export const EFFORT_COUNTS = { gladly: 0.4, usual: 1, few: 2 } as const;

/** What a bright and a muted approach make of chroma where nothing else is wished. From memory. */
const CHROMA_BY = { photo: 1, bright: 1.25, muted: 0.75 } as const;

/** The wish for a painting's colours under an approach: what is wished by hand goes first. */
export const wishUnder = (approach: Pick<Approach, "chroma">, wish: Wish): Wish =>
  wish.way === "follow" && approach.chroma !== "photo" ? { way: "heighten", by: CHROMA_BY[approach.chroma] } : wish;

/** Sizes between which a palette is recommended: lean, middle or wide. */
export const SIZE_RANGE: Readonly<Record<Approach["size"], { readonly from: number; readonly to: number }>> = {
  lean: { from: 3, to: 5 },
  middle: { from: 6, to: 9 },
  wide: { from: 6, to: 12 },
};

/** Mixed on the paper, two paints meet; a third is mud. Common practice, no source. */
const PAINTS_ON_PAPER = 2;

export const paintsInMix = (approach: Approach): 2 | 3 => (approach.mixing === "paper" ? PAINTS_ON_PAPER : 3);

/** A rule on a kind that the paints at hand can or can't keep. */
export interface ApproachRule extends CardinalityConstraint {
  readonly kind: Kind;
}

/**
 * The kinds that an approach asks for, for sizes that have room for them: primaries of its school, a darkening brown, a
 * neutral tube, an earth, a granulating paint.
 */
export function kindsAskedFor(approach: Approach): readonly Kind[] {
  const asked = new Set<Kind>();
  if (approach.primaries === "red-yellow-blue") (["red", "yellow", "blue"] as const).forEach((kind) => asked.add(kind));
  if (approach.primaries === "magenta-yellow-cyan")
    (["magenta", "yellow", "cyan"] as const).forEach((kind) => asked.add(kind));
  if (approach.darks === "brown") asked.add("dark brown");
  if (approach.darks === "tube" || approach.greys === "tube") asked.add("neutral");
  if (approach.greys === "earths") asked.add("earth");
  if (approach.granulation === "seek") asked.add("granulating");
  return [...asked];
}
