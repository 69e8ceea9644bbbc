import type { Box, CardRead, FitRefusal, MeasuredPatch, PaintFit, SheetKind, SheetRefusal } from "@/core/calibration";
import type { Lab } from "@/core/colour";
import type { PaintMessage } from "./paint-message";

/** How a card is to be read. */
export interface CardWishes {
  readonly paperId: string;
  /** What the painter says it is, whatever is printed on it. */
  readonly kind?: SheetKind;
  readonly rows: readonly number[];
  readonly moved: Readonly<Record<string, Box>>;
  readonly references: readonly { readonly box: Box; readonly lab: Lab }[];
}

/** What all paints of a sheet together say of one of them. */
export interface ReadTogether {
  readonly patches: readonly MeasuredPatch[];
  /** 0 to 1; missing on a sheet with too few paints. */
  readonly granulation?: number;
}

/** What the card worker offers. */
export interface CardApi {
  /** Opens a photo's working copy; it stays open until another is. */
  open(
    photoId: string,
    photo: { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray },
  ): void;
  /** Reads the card on the open photo. */
  read(photoId: string, wishes: CardWishes): CardRead | { readonly refused: SheetRefusal };
  /** The patches of a sheet's paints as a true camera would have read them, and how much each paint granulates. */
  together(
    paperId: string,
    paints: readonly { readonly paint: PaintMessage; readonly patches: readonly MeasuredPatch[] }[],
  ): readonly ReadTogether[];
  /** Fits a paint's optics to its patches, beginning at the handbook's. */
  fit(
    paperId: string,
    paint: PaintMessage,
    patches: readonly MeasuredPatch[],
    granulation?: number,
  ): PaintFit | { readonly refused: FitRefusal };
}
