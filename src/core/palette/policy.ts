import { MAX_LOAD, type Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { PaintModel } from "../mixing/paint";
import { EFFORT_COUNTS, kindsAskedFor, NEAR_ENOUGH, paintsInMix, type Approach, type ApproachRule } from "./approach";
import { factsOf, isKind, traitsOf, type PaintFacts } from "./traits";

/** Why an approach doesn't propose a paint. */
export type LeftOutReason = "fades" | "mixed" | "granulates" | "opaque" | "neutral";

/** What an approach makes of one paint. */
export interface PaintPolicy {
  /** Why it is not proposed; null when it may be. */
  readonly leftOut: LeftOutReason | null;
  /** The strongest load that it may be proposed at. */
  readonly strongest: Load;
  /** How unwillingly it is taken into a mix, dE00. */
  readonly reluctance: number;
}

/** How mixes are sought and judged under an approach. */
export interface MixingPolicy {
  /** How much a difference in value counts against one in hue or chroma. */
  readonly valueWeight: number;
  /** Values and contrast are kept, hues may follow the palette. */
  readonly freeHue: boolean;
  /** How near is near enough when palettes are chosen, dE00. */
  readonly nearEnough: number;
  /** How much the effort of mixing counts; 1 is usual. */
  readonly effort: number;
  readonly maxPaints: 2 | 3;
  readonly maxPigments: number;
}

/** All that an approach says of what is proposed: asked by everything that proposes a mix or a palette. */
export interface ApproachPolicy {
  /** Of each paint, in their order. */
  readonly paints: readonly PaintPolicy[];
  /** The kinds that a palette must have a paint of; paints by their places. */
  readonly kinds: readonly ApproachRule[];
  /** The Munsell value that a palette must go down to; null: as dark as it comes. */
  readonly darkest: number | null;
  readonly mixing: MixingPolicy;
}

/** An opaque paint laid no stronger than this still lets the paper through. From memory. */
const TINT_LOAD: Load = 0.25;

/**
 * What leaving a black or grey tube out of a mix is worth, dE00: most painters mix their greys where they can. From
 * memory.
 */
const MIXED_GREYS = 2.5;

/** The strongest load that an approach proposes a paint at. */
const strongestUnder = (approach: Pick<Approach, "opacity">, { opaque }: Pick<PaintFacts, "opaque">): Load =>
  approach.opacity === "tints" && opaque ? TINT_LOAD : MAX_LOAD;

/** A paint's model as an approach lets it be laid. */
export const modelUnder = (approach: Pick<Approach, "opacity">, model: PaintModel): PaintModel => ({
  ...model,
  strongest: strongestUnder(approach, factsOf(model)),
});

/** How mixes are sought and judged under an approach. */
export const mixingUnder = (approach: Approach): MixingPolicy => ({
  valueWeight: approach.valueWeight,
  freeHue: approach.hues === "free",
  nearEnough: NEAR_ENOUGH[approach.near],
  effort: EFFORT_COUNTS[approach.effort],
  maxPaints: paintsInMix(approach),
  maxPigments: approach.maxPigments,
});

const tubeAskedFor = ({ darks, greys }: Approach): boolean => darks === "tube" || greys === "tube";

/**
 * Why an approach does not propose each of some paints, in their order; null for those that it may. For thousands:
 * what they look like is asked only where a rule hangs on it.
 */
export function leftOutUnder(
  approach: Approach,
  paints: readonly PaintModel[],
  paper: Paper,
): readonly (LeftOutReason | null)[] {
  const withoutTubes = !tubeAskedFor(approach) && (approach.darks !== "free" || approach.greys !== "free");
  const traits = withoutTubes ? traitsOf(paints, paper) : null;
  return paints.map((paint, place) => {
    const facts = factsOf(paint);
    if (approach.lasting === "lasting" && facts.lightfastness > 2) return "fades";
    if (approach.single && facts.pigments > 1) return "mixed";
    if (approach.granulation === "avoid" && facts.granulates) return "granulates";
    if (approach.opacity === "transparent" && facts.opaque) return "opaque";
    return traits && isKind(traits[place]!, "neutral") ? "neutral" : null;
  });
}

/** What an approach says of some paints on a paper. */
export function approachPolicy(approach: Approach, paints: readonly PaintModel[], paper: Paper): ApproachPolicy {
  const traits = traitsOf(paints, paper);
  const leftOut = leftOutUnder(approach, paints, paper);
  return {
    paints: traits.map((one, place) => ({
      leftOut: leftOut[place]!,
      strongest: strongestUnder(approach, one),
      reluctance: !tubeAskedFor(approach) && isKind(one, "neutral") ? MIXED_GREYS : 0,
    })),
    kinds: kindsAskedFor(approach).map((kind) => ({
      kind,
      paints: traits.flatMap((one, place) => (isKind(one, kind) ? [place] : [])),
      least: 1,
      most: traits.length,
    })),
    darkest: approach.darkest,
    mixing: mixingUnder(approach),
  };
}
