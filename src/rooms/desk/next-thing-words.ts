import { counted } from "@/model/text";
import type { Step } from "./desk-state";

/** How far a painting is, in the numbers that decide what comes next. */
export interface Progress {
  readonly step: Step;
  /** Paints that may be mixed from. */
  readonly atHand: number;
  readonly areas: number;
  readonly colours: number;
  readonly mixed: number;
  /** Paints in the tray. */
  readonly laidOut: number;
}

/** What stands at the foot of a step: what is done or missing, and where to go. */
export interface NextThing {
  readonly says: string;
  readonly go:
    | { readonly to: Step | "unmixed"; readonly words: string }
    | { readonly to: "paintbox"; readonly words: string }
    | null;
}

/** The one next thing of a step, from how far the painting is. */
export function nextThing({ step, atHand, areas, colours, mixed, laidOut }: Progress): NextThing {
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
  if (step === "palette")
    return {
      says: `${counted(laidOut, "paint")} laid out, ${mixed === colours ? `all ${colours}` : `${mixed} of ${colours}`} colours mixed.`,
      go: { to: "mixes", words: "On to the mixes" },
    };
  return mixed < colours
    ? {
        says: `${mixed} of ${counted(colours, "colour")} mixed, ${colours - mixed} to go.`,
        go: { to: "unmixed", words: "The next without a mix" },
      }
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
