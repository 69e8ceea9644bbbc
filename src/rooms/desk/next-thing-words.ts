import { counted, listed } from "@/model/text";
import type { Step } from "./desk-state";

/** How far a painting is, in the numbers that decide what comes next. */
export interface Progress {
  readonly step: Step;
  /** Paints that may be mixed from. */
  readonly atHand: number;
  readonly areas: number;
  readonly colours: number;
  /** Colours with a recipe whose paints are all in the paintbox. */
  readonly mixed: number;
  /** Paints in the tray. */
  readonly laidOut: number;
  /** Paints that recipes use though they are not laid out, and how many colours are mixed from them. */
  readonly outside: { readonly paints: readonly string[]; readonly colours: number };
}

/** What stands at the foot of a step: what is done or missing, and where to go. */
export interface NextThing {
  readonly says: string;
  readonly go:
    | { readonly to: Step | "unmixed" | "outside"; readonly words: string }
    | { readonly to: "paintbox"; readonly words: string }
    | null;
}

/** Paints named at the foot at most: more would push the step away. */
const MOST_NAMED = 2;

/** What is mixed from paints that are not laid out: "5 colours need Ultramarine, which is not laid out". */
function needed({ paints, colours }: Progress["outside"]): string {
  const need = `${counted(colours, "colour")} ${colours === 1 ? "needs" : "need"}`;
  return paints.length > MOST_NAMED
    ? `${need} ${paints.length} paints that are not laid out`
    : `${need} ${listed(paints)}, which ${paints.length === 1 ? "is" : "are"} not laid out`;
}

/** The one next thing of a step, from how far the painting is. */
export function nextThing({ step, atHand, areas, colours, mixed, laidOut, outside }: Progress): NextThing {
  if (step === "photo")
    return areas === 0
      ? {
          says: "Is the sheet placed and the white true? Then find the shapes.",
          go: { to: "areas", words: "On to the areas" },
        }
      : { says: `${counted(areas, "area")} on this photo so far.`, go: { to: "areas", words: "On to the areas" } };
  if (areas === 0)
    return step === "areas"
      ? { says: "No area yet: let the shapes be proposed, or draw one.", go: null }
      : {
          says: "This step waits for areas: it is their colours that are mixed.",
          go: { to: "areas", words: "Find the areas" },
        };
  if (step === "areas")
    return {
      says: `${counted(areas, "area")}, ${counted(colours, "colour")} to paint.`,
      go: { to: "palette", words: "On to the palette" },
    };
  if (atHand === 0)
    return {
      says: "This step waits for paints: none is at hand.",
      go: { to: "paintbox", words: "Fill the paintbox" },
    };
  if (laidOut === 0)
    return step === "palette"
      ? { says: "No paint is laid out yet: lay out a palette that suits you.", go: null }
      : { says: "No paint is laid out yet.", go: { to: "palette", words: "Choose a palette" } };
  if (step === "palette" && outside.colours > 0)
    return {
      says: `${counted(laidOut, "paint")} laid out. ${needed(outside)}.`,
      go: { to: "mixes", words: "On to the mixes" },
    };
  if (step === "palette")
    return {
      says: `${counted(laidOut, "paint")} laid out, ${mixed === colours ? `all ${colours}` : `${mixed} of ${colours}`} colours mixed.`,
      go: { to: "mixes", words: "On to the mixes" },
    };
  if (mixed < colours)
    return {
      says: `${mixed} of ${counted(colours, "colour")} mixed, ${colours - mixed} to go.`,
      go: { to: "unmixed", words: "The next without a mix" },
    };
  return outside.colours > 0
    ? { says: `${needed(outside)}.`, go: { to: "outside", words: "The first of them" } }
    : {
        says: `All ${counted(colours, "colour")} mixed from ${counted(laidOut, "paint")}.`,
        go:
          step === "mixes"
            ? { to: "check", words: "Check it before painting" }
            : step === "check"
              ? { to: "plan", words: "On to the plan" }
              : null,
      };
}
