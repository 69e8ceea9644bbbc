import type { Lab } from "../colour/colour";
import { describeColour, hueWord } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import { hueApart, lchOfLab } from "../colour/lab";
import { predict, type MixPart } from "../mixing/predict";
import type { PaintModel } from "../mixing/paint";
import { loadOfWater } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { Asked, EyeKind } from "./spacing";

/** A colour that can be asked about, and where it was seen: a place of a photo, or a swatch of the book. */
export interface SeenColour {
  readonly lab: Lab;
  readonly photoId: string | null;
  /** Shares of the photo's width and height. */
  readonly x: number;
  readonly y: number;
}

/** A mix that is offered as an answer. */
interface OfferedMix {
  readonly mix: readonly MixPart[];
  readonly waterParts: number;
  readonly lab: Lab;
}

/** What becomes of two paints: the choices, from clean to grey. */
export const FATES = ["a clean mix", "a dull mix", "nearly grey"] as const;

/** A question with its answer. */
export type EyeQuestion = Asked &
  (
    | { readonly kind: "value"; readonly seen: SeenColour; readonly value: number }
    | { readonly kind: "warmth"; readonly pair: readonly [SeenColour, SeenColour]; readonly right: number }
    | { readonly kind: "hue"; readonly seen: SeenColour; readonly words: readonly string[]; readonly right: number }
    | { readonly kind: "mix"; readonly offered: readonly OfferedMix[]; readonly right: number }
    | {
        readonly kind: "grey";
        readonly paints: readonly [PaintModel, PaintModel];
        /** The mixes from the one to the other as they dry. */
        readonly path: readonly Lab[];
        readonly right: number;
      }
  );

const WATER = 3;
const PATH_STEPS = 7;
/** Two temperatures that differ by less are not asked about; see temperatureOf. */
const PLAINLY_WARMER = 12;
/** A decoy is at least so far from the right mix, dE00, so that a trained eye can tell. */
const DECOY_APART = 9;
/** Of the chroma that its two paints have: above the first a mix is clean, below the second it is nearly grey. */
const CHROMA_LEFT = { clean: 0.62, grey: 0.3 } as const;
const TRIES = 60;

const bucketOfValue = (lab: Lab): string => {
  const { value } = describeColour(lab);
  return value < 4 ? "dark" : value < 7 ? "middle" : "light";
};
const bucketOfHue = (lab: Lab): string => {
  const { h } = lchOfLab(lab);
  return h < 52 || h >= 325 ? "reds" : h < 112 ? "yellows" : h < 205 ? "greens" : "blues";
};

const oneOf = <T>(list: readonly T[], random: () => number): T | undefined => list[Math.floor(list.length * random())];

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor((i + 1) * random());
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

/** Four hue words, the right one among them: the colour's own and three of hues that are apart from it. */
function hueChoices(lab: Lab, random: () => number): { words: string[]; right: number } {
  const { h } = lchOfLab(lab);
  const own = hueWord(h);
  const others = [60, 120, 180, 240, 300]
    .map((turn) => hueWord(h + turn))
    .filter((word, i, all) => word !== own && all.indexOf(word) === i);
  const words = shuffled([own, ...shuffled(others, random).slice(0, 3)], random);
  return { words, right: words.indexOf(own) };
}

function offer(paints: readonly PaintModel[], paper: Paper, random: () => number): OfferedMix {
  const [one, other] = shuffled(paints, random) as [PaintModel, PaintModel];
  const mix = [
    { paint: one, parts: 1 + Math.floor(3 * random()) },
    { paint: other, parts: 1 + Math.floor(3 * random()) },
  ];
  return { mix, waterParts: WATER, lab: predict(mix, loadOfWater(WATER), paper).dry };
}

/**
 * Makes a question of what is at hand; null when it has nothing to be asked of.
 * @param seen colours of photos and swatches
 * @param paints at least two for questions of mixes
 */
export function askEye(
  asked: Asked,
  seen: readonly SeenColour[],
  paints: readonly PaintModel[],
  paper: Paper,
  random: () => number,
): EyeQuestion | null {
  const { kind, bucket } = asked;
  if (kind === "value") {
    const one =
      oneOf(
        seen.filter(({ lab }) => bucketOfValue(lab) === bucket),
        random,
      ) ?? oneOf(seen, random);
    return one ? { ...asked, kind, seen: one, value: describeColour(one.lab).value } : null;
  }
  if (kind === "hue") {
    const coloured = seen.filter(({ lab }) => lchOfLab(lab).C > 8);
    const one =
      oneOf(
        coloured.filter(({ lab }) => bucketOfHue(lab) === bucket),
        random,
      ) ?? oneOf(coloured, random);
    return one ? { ...asked, kind, seen: one, ...hueChoices(one.lab, random) } : null;
  }
  if (kind === "warmth") {
    const warm = (one: SeenColour): number => describeColour(one.lab).temperature;
    const own = seen.filter((one) => warm(one) > 0 === (bucket === "warm colours"));
    for (let i = 0; i < TRIES; i++) {
      const one = oneOf(own.length > 1 ? own : seen, random);
      // A place in a photo is held against another of it, not against a swatch on bare ground.
      const other = oneOf(
        seen.filter(({ photoId }) => photoId === one?.photoId),
        random,
      );
      if (!one || !other || Math.abs(warm(one) - warm(other)) < PLAINLY_WARMER) continue;
      const pair = random() < 0.5 ? ([one, other] as const) : ([other, one] as const);
      return { ...asked, kind, pair, right: warm(pair[0]) > warm(pair[1]) ? 0 : 1 };
    }
    return null;
  }
  if (paints.length < 3) return null;
  if (kind === "mix") {
    const right = offer(paints, paper, random);
    const decoys: OfferedMix[] = [];
    for (let i = 0; i < TRIES && decoys.length < 2; i++) {
      const decoy = offer(paints, paper, random);
      if ([right, ...decoys].every((one) => deltaE00(one.lab, decoy.lab) >= DECOY_APART)) decoys.push(decoy);
    }
    if (decoys.length < 2) return null;
    const offered = shuffled([right, ...decoys], random);
    return { ...asked, kind, offered, right: offered.indexOf(right) };
  }
  const pair = shuffled(paints, random).slice(0, 2) as [PaintModel, PaintModel];
  const load = loadOfWater(WATER);
  const path = Array.from({ length: PATH_STEPS }, (_, i) => {
    const share = i / (PATH_STEPS - 1);
    const mix = [
      { paint: pair[0], parts: 1 - share },
      { paint: pair[1], parts: share },
    ].filter(({ parts }) => parts > 0);
    return predict(mix, load, paper).dry;
  });
  const chroma = (lab: Lab): number => lchOfLab(lab).C;
  const ends = (chroma(path[0]!) + chroma(path.at(-1)!)) / 2;
  const left = Math.min(...path.slice(1, -1).map(chroma)) / Math.max(ends, 1e-6);
  return { ...asked, kind, paints: pair, path, right: left > CHROMA_LEFT.clean ? 0 : left > CHROMA_LEFT.grey ? 1 : 2 };
}

/** What an answer is off by, in the kind's own measure (see EyeAnswer). */
export function errorOf(question: EyeQuestion, guess: number): number {
  switch (question.kind) {
    case "value":
      return Math.abs(guess - question.value);
    case "warmth":
      return guess === question.right ? 0 : 1;
    case "hue": {
      const { h } = lchOfLab(question.seen.lab);
      const word = question.words[guess];
      if (guess === question.right) return 0;
      // The nearest hue that has this word.
      const away = Array.from({ length: 72 }, (_, i) => 5 * i).filter((degrees) => hueWord(degrees) === word);
      return Math.min(180, ...away.map((degrees) => hueApart(degrees, h)));
    }
    case "mix":
      return deltaE00(question.offered[guess]!.lab, question.offered[question.right]!.lab);
    case "grey":
      return Math.abs(guess - question.right);
  }
}

/** Which unit an error of a kind is told in. */
export const ERROR_UNITS: Readonly<Record<EyeKind, string>> = {
  value: "value steps",
  warmth: "wrong",
  hue: "degrees of hue",
  mix: "dE00",
  grey: "steps",
};
