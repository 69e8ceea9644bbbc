import { pigmentById } from "../pigments/handbook";
import type { Load } from "../optics/load";
import type { PaintModel } from "./paint";

export const GRAINS = ["free", "rough", "smooth"] as const;

/** What is wished of a wash beside its colour. */
export interface WashCharacter {
  /** Pigment that gathers in the paper's hollows: left open, sought (a rock), or avoided (a clear sky). */
  readonly grain: (typeof GRAINS)[number];
  /** It will be lifted, so what stains is avoided. */
  readonly lifts: boolean;
  /** The paper is to speak through it, so what hides is avoided, but for tints. */
  readonly clear: boolean;
}
export const ANY_CHARACTER: WashCharacter = { grain: "free", lifts: false, clear: false };

/** How a wash is to be laid: its size (0 where it is not known) and its character. */
export interface Laying {
  readonly areaCm2: number;
  readonly character: WashCharacter;
}
export const ANYHOW: Laying = { areaCm2: 0, character: ANY_CHARACTER };

/** What a wish that is wholly missed is worth, dE00: as much as a plain difference in colour. From memory. */
const WISH_COUNTS = 3;
/** Granulation from which a wash is as rough as it need be, and wholly against a wish for a smooth one. From memory. */
const WHOLLY_ROUGH = 0.5;
/** Of an opaque paint a tint lets the paper through, and what is laid stronger than this hides. From memory. */
const HIDES_FROM: Load = 0.5;

/** How much of a paint's pigments hides, 0 to 1. */
export const hidingOf = ({ pigmentIds }: Pick<PaintModel, "pigmentIds">): number =>
  Math.max(
    ...pigmentIds.map(
      (id) =>
        ({ opaque: 1, "semi-opaque": 0.6, "semi-transparent": 0.1, transparent: 0 })[pigmentById(id).transparency],
    ),
  );

/** What a paint brings to the character of a mix. */
export interface Manner {
  readonly granulation: number;
  readonly staining: number;
  readonly hiding: number;
}

export const mannerOf = (paint: PaintModel): Manner => ({
  granulation: paint.granulation,
  staining: paint.staining,
  hiding: hidingOf(paint),
});

/** What a mix loses by missing what is wished of its wash, dE00: 0 where nothing is wished. Shares sum to 1. */
export function characterCost(
  { grain, lifts, clear }: WashCharacter,
  manners: readonly Manner[],
  shares: ArrayLike<number>,
  load: Load,
): number {
  if (grain === "free" && !lifts && !clear) return 0;
  const mean = (of: keyof Manner): number => manners.reduce((sum, manner, i) => sum + shares[i]! * manner[of], 0);
  const rough = Math.min(1, mean("granulation") / WHOLLY_ROUGH);
  const missed =
    (grain === "rough" ? 1 - rough : grain === "smooth" ? rough : 0) +
    (lifts ? mean("staining") : 0) +
    (clear ? mean("hiding") * Math.min(1, load / HIDES_FROM) : 0);
  return WISH_COUNTS * missed;
}
