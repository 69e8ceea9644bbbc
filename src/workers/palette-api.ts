import type { Hand, Taste } from "@/core/mixing";
import type {
  Character,
  FoundSize,
  MixingPolicy,
  OnProgress,
  OtherPalette,
  PackedBox,
  PaletteChoice,
  PaletteTarget,
  PaletteWorth,
  Saving,
  ServedPalette,
  StartingPoint,
  Wished,
} from "@/core/palette";
import type { PaintMessage } from "./paint-message";

/** Most paints that a palette is chosen from: all mixes of three of more take too long. */
export const MOST_CHOSEN_FROM = 80;

/** What is weighed: paints, areas, and how a mix is judged. Everything else is asked of it. */
export interface Opening {
  readonly paperId: string;
  readonly hand: Hand;
  readonly mixing: MixingPolicy;
  readonly paints: readonly (PaintMessage & { readonly reluctance: number; readonly taste: Taste })[];
  readonly targets: readonly PaletteTarget[];
  /**
   * Paints that are mixed in any case, and such as no palette may hold, by their places; named only where so much is
   * asked that not all are mixed.
   */
  readonly always?: readonly number[];
  readonly never?: readonly number[];
}

/** A palette's figure in each character, and the palettes that are better in one. */
export interface OtherPalettes {
  readonly figures: Readonly<Record<Character, number>>;
  readonly others: readonly OtherPalette[];
  /** Paints that one is in the mood for and that are not in it, each with the best palette of that size that has it. */
  readonly withMood: readonly { readonly paint: number; readonly palette: ServedPalette }[];
  /** The best palette of that size if all paints were liked alike; null where it is the same one. */
  readonly untasted: ServedPalette | null;
}

/** What a box is packed under; paints by their places. */
export interface BoxChoice {
  readonly size: number;
  readonly must: readonly number[];
  readonly never: readonly number[];
}

/** Paints by their place in what was opened. */
type Palette = readonly number[];

/** What the palette worker offers; `open` comes first, and again whenever what is weighed has changed. */
export interface PaletteApi {
  open(opening: Opening, progress: OnProgress): Promise<void>;
  /** Rejected as superseded when another choice or opening is asked for meanwhile; so is `open`. */
  choose(choice: PaletteChoice, progress: OnProgress): Promise<readonly FoundSize[]>;
  serve(palettes: readonly Palette[]): readonly ServedPalette[];
  /**
   * Palettes of a palette's size that are plainly better than it in something, and its own figures; rejected as
   * superseded when it is asked of another palette, or something else is opened.
   */
  others(palette: Palette, choice: PaletteChoice, mood: Palette): Promise<OtherPalettes>;
  /**
   * The box of so many paints that serves several paintings best, all opened on the same paints; null where there is
   * none. What was opened before is forgotten.
   */
  pack(openings: readonly Opening[], choice: BoxChoice, progress: (share: number) => void): Promise<PackedBox | null>;
  weigh(palette: Palette, convenience: Palette): PaletteWorth & { readonly savings: readonly Saving[] };
  wish(atHand: Palette, targets: readonly number[], errors: readonly number[]): readonly Wished[];
  start(among: Palette): readonly StartingPoint[];
}
