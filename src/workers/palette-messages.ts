import type { Lab } from "@/core/colour";
import type { PaletteWorth, Saving, ServedTarget, SizeChoice, StartingPoint, Wished } from "@/core/palette";
import type { Answered } from "./answering";
import type { PaintMessage } from "./paint-message";

/** Most paints that a palette is chosen from: all mixes of three of more take too long. */
export const MOST_CHOSEN_FROM = 80;

/** What is weighed: paints, areas, and how a mix is judged. Everything else is asked of it. */
export interface Opening {
  readonly paperId: string;
  readonly valueWeight: number;
  readonly freeHue: boolean;
  readonly maxPigments: number;
  readonly maxPaints: 2 | 3;
  readonly paints: readonly (PaintMessage & { readonly strongest: number })[];
  readonly targets: readonly { readonly lab: Lab; readonly weight: number }[];
}

/** Paints by their place in what was opened. */
type Palette = readonly number[];

/** What the palette worker is asked; `open` comes first, and again whenever what is weighed has changed. */
export type PaletteRequest =
  | { readonly kind: "open"; readonly job: number; readonly opening: Opening }
  | {
      readonly kind: "choose"; readonly job: number; readonly sizes: readonly number[]; readonly must: Palette; readonly never: Palette;
      readonly kinds: readonly { readonly paints: Palette; readonly least: number; readonly most: number }[];
      readonly darkest: number | null; readonly within: readonly { readonly target: number; readonly most: number }[];
    }
  | { readonly kind: "serve"; readonly job: number; readonly palettes: readonly Palette[] }
  | { readonly kind: "weigh"; readonly job: number; readonly palette: Palette; readonly convenience: Palette }
  | { readonly kind: "wish"; readonly job: number; readonly atHand: Palette; readonly targets: readonly number[]; readonly errors: readonly number[] }
  | { readonly kind: "start"; readonly job: number; readonly among: Palette };
export type PaletteQuestion = PaletteRequest["kind"];

/** A palette and how it serves each target. */
export interface ServedPalette {
  readonly paints: readonly number[];
  readonly error: number;
  readonly served: readonly ServedTarget[];
}

export type FoundSize = Omit<SizeChoice, "best"> & { readonly best: readonly ServedPalette[] };

/** The answer to each question. */
export interface PaletteAnswers {
  readonly open: { readonly targets: readonly Lab[] };
  readonly choose: { readonly sizes: readonly FoundSize[] };
  readonly serve: { readonly palettes: readonly ServedPalette[] };
  readonly weigh: PaletteWorth & { readonly savings: readonly Saving[] };
  readonly wish: { readonly wishes: readonly Wished[] };
  readonly start: { readonly points: readonly StartingPoint[] };
}

/** What the worker says: how far it is, and the answer or why there is none. */
export type PaletteReply =
  | { readonly kind: "progress"; readonly job: number; readonly words: string; readonly share: number }
  | { readonly kind: "size"; readonly job: number; readonly choice: FoundSize }
  | Answered<PaletteAnswers[PaletteQuestion]>;
