import { describeColour, NO_HUE_CHROMA, type Lab } from "@/core/colour";
import type { DarkKind, DarkWay, Slip } from "@/core/darks";
import type { Ground } from "@/core/grounds";
import type { MixMud } from "@/core/mud";
import type { Shift } from "@/core/variations";
import { stainWords } from "@/ui/property-words";
import { grainOf } from "@/core/pigments";
import { listed } from "@/model/text";

/** What counts as a dark, Munsell value. From memory. */
const DARK_BELOW = 4;
export const isDark = (lab: Lab): boolean => describeColour(lab).value < DARK_BELOW;

/** A difference in value that is seen across a room, steps. From memory. */
const SEEN = 0.3;

/** How much lighter a mix is than it should be, in words. */
export function shortOfWords(wanted: number, mixed: number): string {
  const by = mixed - wanted;
  if (by < -SEEN) return `${(-by).toFixed(1)} darker than it need be`;
  if (by <= SEEN) return "as dark as wanted";
  return by < 1 ? `${by.toFixed(1)} too light` : `${by.toFixed(1)} too light: it won't sit as the dark it is`;
}

export const KIND_NAMES: Readonly<Record<DarkKind, string>> = {
  primaries: "Two deep primaries",
  opposites: "Opposites",
  darkener: "With a darkener, the smaller part",
  tube: "From the tube",
  layers: "In two layers",
  purest: "The most colour at this value",
};

/** A way in figures and words: value, warmth, what colour it still is, how it lies. */
export function wayWords({ value, chroma, temperature, dry, granulation, staining }: DarkWay): string {
  const lean = warmthWords({ temperature });
  const still = chroma < NO_HUE_CHROMA ? "a grey" : `still ${describeColour(dry).hueName} by ${chroma.toFixed(0)}`;
  return `value ${value.toFixed(1)}, ${lean}, ${still}; ${grainOf(granulation)}, ${stainWords(staining)}`;
}

/** How much colour the ways keep: the purest that is dark enough; else how far the tray stays short. */
export function carriesWords(ways: readonly DarkWay[], wantedValue: number): string | null {
  const darkEnough = ways.filter(({ value }) => value <= wantedValue + SEEN);
  if (darkEnough.length === 0) {
    const [darkest] = [...ways].sort((a, b) => a.value - b.value);
    return darkest
      ? `These go down to value ${darkest.value.toFixed(1)} at this size, ${(darkest.value - wantedValue).toFixed(1)} short of ${wantedValue.toFixed(1)}.`
      : null;
  }
  const purest = darkEnough.reduce((best, way) => (way.chroma > best.chroma ? way : best));
  return purest.chroma < NO_HUE_CHROMA
    ? "Dark enough, these are greys."
    : `The purest of these that is dark enough is still ${describeColour(purest.dry).hueName} by ${purest.chroma.toFixed(0)}.`;
}

/** Where a darkener turns, in words. */
export function turningWords(
  darkener: string,
  { noDarker, dead, lightens }: { noDarker: number; dead: number | null; lightens: boolean },
): string {
  const percent = (share: number): string => `${Math.round(100 * share)} %`;
  if (lightens) return `${darkener} makes it lighter, not darker.`;
  return [
    noDarker < 1
      ? `More than ${percent(noDarker)} of ${darkener} makes it no darker.`
      : `${darkener} darkens it to the end.`,
    dead === null ? "Its colour never dies of it." : `From ${percent(dead)} on two thirds of its colour are gone.`,
  ].join(" ");
}

export const SHIFT_WORDS: Readonly<Record<Shift, string>> = {
  warmer: "warmer",
  cooler: "cooler",
  purer: "purer",
  quieter: "quieter",
};

/** A lean that the eye sees, as core's words for colours have it, CIELAB. From memory. */
const LEANS = 2.5;

/** How warm or cool a colour is, in words and steps of chroma. */
export const warmthWords = ({ temperature }: { readonly temperature: number }): string =>
  Math.abs(temperature) < LEANS
    ? "neither warm nor cool"
    : `${temperature > 0 ? "warm" : "cool"} by ${Math.abs(temperature).toFixed(0)}`;

/** How far a shape of several colours goes from warm to cool within itself; null for one colour. */
export function withinWords(laid: readonly { readonly temperature: number }[]): string | null {
  if (laid.length < 2) return null;
  const [coolest, ...warmer] = [...laid].sort((a, b) => a.temperature - b.temperature);
  const warmest = warmer[warmer.length - 1]!;
  const by = warmest.temperature - coolest!.temperature;
  return by < NO_HUE_CHROMA
    ? "Within this shape its colours are of one temperature."
    : `Within this shape it goes from ${warmthWords(warmest)} to ${warmthWords(coolest!)}.`;
}

/** How warm a mix is, and how far that is from what is wanted. */
export function warmthShiftWords(wanted: Lab, mix: Lab | null): string {
  if (!mix) return `wanted ${warmthWords(describeColour(wanted))}, not mixed yet`;
  const by = describeColour(mix).temperature - describeColour(wanted).temperature;
  const beside =
    Math.abs(by) < NO_HUE_CHROMA
      ? "as wanted"
      : `${Math.abs(by).toFixed(0)} ${by > 0 ? "warmer" : "cooler"} than wanted`;
  return `${warmthWords(describeColour(mix))}, ${beside}`;
}

/** Why a mix is duller than it should be, in a painter's words. */
export function causeWords({ cause, pigments }: Pick<MixMud, "cause" | "pigments">, paint: string): string {
  switch (cause) {
    case "pigments":
      return `${pigments} pigments in one mix dull each other.`;
    case "darkener":
      return `${paint} is more than the smaller part, and kills it.`;
    case "opaque":
      return `${paint} covers: it makes a transparent mix milky.`;
    case "opposite":
      return `${paint} is opposite to what is wanted.`;
    case "partner":
      return `${paint} leans the other way from what is wanted.`;
  }
}

/** The way out of a dull mix and what it brings, in words. */
export function wayOutWords(
  { wayOut, paint }: Pick<MixMud, "wayOut" | "paint">,
  chroma: number,
  nameOf: (paintId: string) => string,
): string {
  if (!wayOut) return `No paint at hand makes it purer. One that is purer than ${nameOf(paint.id)} would.`;
  const { change, difference } = wayOut;
  const name = nameOf(change.paint.id);
  const what =
    change.kind === "instead"
      ? `${nameOf(change.instead.id)} in place of ${name}`
      : `${{ without: "Without", more: "More", less: "Less" }[change.kind]} ${name}`;
  return `${what}: purer by ${(wayOut.chroma - chroma).toFixed(0)}, off by ${difference.toFixed(1)} dE00.`;
}

const SLIPS: Readonly<Record<Slip, { readonly name: string; readonly mend: string }>> = {
  "wet brush": {
    name: "A rinsed brush went in wet",
    mend: "Dab it on a cloth first: a damp brush takes paint, a wet one brings water.",
  },
  "rinsed between": {
    name: "Rinsed before every pick-up",
    mend: "Take all the paint you need before you rinse.",
  },
  "wet edge": {
    name: "Paint from the wet edge of the well",
    mend: "Take it from the middle, or squeeze out fresh: at the edge it is half water.",
  },
  "topped up": {
    name: "Too little, topped up with water",
    mend: "Mix half as much again as you think; top up with the same mix, not with water.",
  },
  "in the well": {
    name: "Judged in the well",
    mend: "There it lies thick and looks dark: judge it drawn out on scrap, and dry.",
  },
  dabbed: {
    name: "Tested as a dab",
    mend: "A dab lies thicker: draw the brush out, as you will on the sheet.",
  },
  wet: {
    name: "Judged while wet",
    mend: "Wet paint is darker than dry: wait, or mix it darker than looks right.",
  },
};

/** What may have happened to a mix that came out too light, and what to do about it. */
export const slipWords = (slip: Slip): { readonly name: string; readonly mend: string } => SLIPS[slip];

const LIFTED = { value: 0.5, warmth: 5, purity: 5 } as const;

/** By what a ground lifts its subject, in words: "darker by 2.1, cooler by 24, greyer by 30, of the opposite hue". */
export function liftWords({ lift, comesForward }: Pick<Ground, "lift" | "comesForward">): string {
  const { value, warmth, purity, hue } = lift;
  const words = [
    Math.abs(value) >= LIFTED.value && `${value > 0 ? "darker" : "lighter"} by ${Math.abs(value).toFixed(1)}`,
    Math.abs(warmth) >= LIFTED.warmth && `${warmth > 0 ? "cooler" : "warmer"} by ${Math.abs(warmth).toFixed(0)}`,
    Math.abs(purity) >= LIFTED.purity && `${purity > 0 ? "greyer" : "purer"} by ${Math.abs(purity).toFixed(0)}`,
    hue === "opposite" && "of the opposite hue",
    hue === "related" && "of a related hue",
    comesForward && "but warm: it comes forward",
  ].filter((word) => word !== false);
  return words.length > 0 ? words.join(", ") : "hardly different";
}

/** The load of a full wash: one part of paint to three of water. */
const FULL_WASH = 0.25;
/** Under this share of what was bought a paint is nearly gone. From memory. */
const NEARLY_GONE = 0.1;

/** How much paint a dark eats beside a full wash of its size. */
export const eatsWords = (load: number): string => `it eats ${(load / FULL_WASH).toFixed(1)} times a full wash's paint`;

/** What a dark's paints ask for before it is mixed: to be softened, to be looked for; null when nothing. */
export function firstWords(
  paints: readonly { readonly name: string; readonly form: string; readonly left: number | null }[],
): string | null {
  const dry = paints.filter(({ form }) => form === "whole pan" || form === "half pan" || form === "stick");
  const gone = paints.filter(({ left }) => left !== null && left <= NEARLY_GONE);
  const words = [
    dry.length > 0 && `Soften ${listed(dry.map(({ name }) => name))} with a drop of water first.`,
    gone.length > 0 && `${listed(gone.map(({ name }) => name))} ${gone.length === 1 ? "is" : "are"} nearly gone.`,
  ].filter((word) => word !== false);
  return words.length > 0 ? words.join(" ") : null;
}
