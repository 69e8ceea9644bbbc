import { NO_HUE_CHROMA, OPPOSITE_DEGREES } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { hueApart } from "../colour/lab";
import { strongestOf, type PaintModel } from "../mixing/paint";
import { predict, type MixPart } from "../mixing/predict";
import { workableLoad } from "../mixing/workable";
import { COUNTABLE_WATER, loadOfWater, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { isKind, traitsOf, type PaintTraits } from "../palette/traits";
import { atValue } from "../variations/variations";

/** How a dark is come by, each different in kind. */
export type DarkKind = "primaries" | "opposites" | "darkener" | "tube" | "layers" | "purest";

/** A way to a dark, and what it comes to when dry. */
export interface DarkWay {
  readonly kind: DarkKind;
  readonly parts: readonly { readonly paintId: string; readonly parts: number }[];
  /** Of each layer. */
  readonly waterParts: WaterParts;
  readonly layers: number;
  readonly dry: Lab;
  /** Munsell value. */
  readonly value: number;
  readonly chroma: number;
  /** Signed: warm above 0. */
  readonly temperature: number;
  /** CIEDE2000 from what is wanted. */
  readonly difference: number;
  /** 0 smooth to 1: mean of its paints by parts. */
  readonly granulation: number;
  /** Of the paint that holds fastest: 0 lifts, 1 dyes. */
  readonly staining: number;
  /** Paint taken by the wash, parts of a masstone film of the same size: load times layers. */
  readonly paint: Load;
}

/** Proportions that a painter counts for a dark, as parts. */
const PROPORTIONS = [
  [1, 1],
  [2, 1],
  [1, 2],
  [3, 1],
  [1, 3],
  [3, 2],
  [2, 3],
] as const;
/** A darkener stays the smaller part; past a third a mix goes dead. Common practice, no source. */
const DARKENED = [
  [2, 1],
  [3, 1],
  [5, 1],
  [8, 1],
] as const;
/** Hues at least so far apart are two primaries, degrees. From memory. */
const PRIMARIES_APART = 60;
/** Paler than this nothing is a dark, Munsell value. */
const PALEST = 5;
/** A paint whose middle wash has less than so much chroma is no primary. */
const PRIMARY_CHROMA = 18;

interface Laid {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
  readonly layers: number;
}

const isDarkener = (traits: PaintTraits): boolean => isKind(traits, "dark brown") || isKind(traits, "neutral");
const isEarthen = ({ family }: PaintTraits): boolean => family === "earth" || family === "black" || family === "white";

/** A dark that has a hue keeps it within so many degrees. From memory. */
const SAME_HUE = 45;
/** Proportions tried for the most colour. */
const FOR_COLOUR = [
  [1, 0],
  [3, 1],
  [1, 1],
  [1, 3],
] as const;

/**
 * The most colour that one paint or any two of them keep at the value and of about the hue of a dark, at no more than a
 * strength; of any hue where it is a grey. Null when none comes down to it.
 */
function purestAt(paints: readonly PaintModel[], wanted: Lab, strongest: Load, paper: Paper): Laid | null {
  const { value, chroma, hueDegrees } = describeColour(wanted);
  let best: Laid | null = null;
  let most = 0;
  paints.forEach((paint, i) =>
    paints
      .slice(i + 1)
      .concat(paint)
      .forEach((other) => {
        for (const [p, q] of other === paint ? FOR_COLOUR.slice(0, 1) : FOR_COLOUR.slice(1)) {
          const mix = [
            { paint, parts: p },
            { paint: other, parts: q },
          ].filter(({ parts }) => parts > 0);
          const laid = atValue(mix, value, strongest, paper);
          if (!laid || laid.chroma <= most) continue;
          if (chroma >= NO_HUE_CHROMA && hueApart(describeColour(laid.dry).hueDegrees, hueDegrees) > SAME_HUE) continue;
          most = laid.chroma;
          best = { mix, waterParts: laid.waterParts, layers: 1 };
        }
      }),
  );
  return best;
}

/** What a way comes to. */
function weighed(kind: DarkKind, { mix, waterParts, layers }: Laid, wanted: Lab, paper: Paper): DarkWay {
  const load = layers * loadOfWater(waterParts);
  const { dry } = predict(mix, load, paper);
  const { value, chroma, temperature } = describeColour(dry);
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  return {
    kind,
    parts: mix.map(({ paint, parts }) => ({ paintId: paint.id, parts })),
    waterParts,
    layers,
    dry,
    value,
    chroma,
    temperature,
    difference: deltaE00(wanted, dry),
    granulation: mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0),
    staining: Math.max(...mix.map(({ paint }) => paint.staining)),
    paint: load,
  };
}

/**
 * Ways to a dark of a size, at most one of each kind, the nearest to what is wanted first: the two darkest primaries,
 * opposites, a base with a darkening brown or black as the smaller part, one paint from the tube, and the best mix of
 * two in two layers; and what keeps the most colour at that value. All are at strengths that can be laid over so large
 * a wash in one go.
 * @param wanted the dark to paint
 * @param areaCm2 its size; 0 when it is not known
 */
export function darkWays(
  paints: readonly PaintModel[],
  wanted: Lab,
  areaCm2: number,
  paper: Paper,
): readonly DarkWay[] {
  const traits = traitsOf(paints, paper);
  const strongest = workableLoad(areaCm2);
  const waters = COUNTABLE_WATER.filter((water) => loadOfWater(water) <= strongest * 1.1 && water <= 8);
  const best = new Map<DarkKind, DarkWay>();
  const offer = (kind: DarkKind, mix: readonly MixPart[], layers = 1): void => {
    // From the strongest on, as long as more water brings it nearer.
    let nearest: DarkWay | null = null;
    const most = strongestOf(mix.map(({ paint }) => paint));
    for (const waterParts of waters) {
      if (layers * loadOfWater(waterParts) > most + 1e-9) continue;
      const way = weighed(kind, { mix, waterParts, layers }, wanted, paper);
      if (nearest && way.difference >= nearest.difference) break;
      nearest = way;
    }
    if (!nearest || nearest.value > PALEST) return;
    if (nearest.difference < (best.get(kind)?.difference ?? Infinity)) best.set(kind, nearest);
  };
  for (const [i, paint] of paints.entries()) {
    const one = traits[i]!;
    if (one.family !== "white") offer("tube", [{ paint, parts: 1 }]);
    for (const [j, other] of paints.entries()) {
      if (i === j) continue;
      const two = traits[j]!;
      if (isDarkener(two) && !isDarkener(one))
        for (const [p, q] of DARKENED)
          offer("darkener", [
            { paint, parts: p },
            { paint: other, parts: q },
          ]);
      if (j < i) continue;
      const between = hueApart(one.hueDegrees, two.hueDegrees);
      const coloured = one.chroma >= PRIMARY_CHROMA && two.chroma >= PRIMARY_CHROMA;
      const opposite = coloured && between >= OPPOSITE_DEGREES;
      const primaries = coloured && !isEarthen(one) && !isEarthen(two) && between >= PRIMARIES_APART && !opposite;
      if (!opposite && !primaries) continue;
      for (const [p, q] of PROPORTIONS)
        offer(opposite ? "opposites" : "primaries", [
          { paint, parts: p },
          { paint: other, parts: q },
        ]);
    }
  }
  const oneLayer = [...best.values()].sort((a, b) => a.value - b.value)[0];
  // Two films of one mix add up (mixing/layers-and-time.test.ts): worth it where one is not dark enough. A recipe holds
  // no more than the load of a masstone.
  if (oneLayer && oneLayer.value > describeColour(wanted).value + 0.1) {
    const known = new Map(paints.map((paint) => [paint.id, paint]));
    for (const { parts } of [...best.values()])
      offer(
        "layers",
        parts.map(({ paintId, parts: n }) => ({ paint: known.get(paintId)!, parts: n })),
        2,
      );
  }
  const purest = describeColour(wanted).value <= PALEST ? purestAt(paints, wanted, strongest * 1.1, paper) : null;
  if (purest) best.set("purest", weighed("purest", purest, wanted, paper));
  return [...best.values()].sort((a, b) => a.difference - b.difference);
}
