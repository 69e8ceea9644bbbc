import type { AreaDetail, AreasMeasured, WashKind, WashPlan } from "@/core/areas";
import type { Lab } from "@/core/colour";
import type { Frame, Point } from "@/core/image";
import type { SheetWashKind } from "@/core/planning";
import type { PaintMessage } from "./paint-message";

/** How the photo is looked at: the white correction and the part that is painted. */
export interface Look {
  readonly white: readonly number[];
  readonly frame: Frame;
}

/** Labels 1 to `shapes`; 0 where there is nothing to propose. */
interface ProposedShapes {
  readonly labels: Uint8Array;
  readonly shapes: number;
  /** Numbers of shapes that hold longest, most stable first. */
  readonly stable: readonly number[];
  readonly milliseconds: number;
}

/** Share of the sheet in each value step, dark to light, and of what is burnt out and blocked. */
export interface ValueShares {
  readonly steps: readonly number[];
  readonly burnt: number;
  readonly blocked: number;
}

/** A mix as it is laid. */
interface LaidFilm {
  readonly parts: readonly { readonly paint: PaintMessage; readonly parts: number }[];
  readonly load: number;
}

/** Washes as they will look on the sheet, in their order. */
export interface SheetJob {
  readonly paperId: string;
  readonly mmPerPx: number;
  readonly washes: readonly {
    readonly label: number;
    readonly kind: SheetWashKind;
    /** Each with what the photo shows where it belongs, and what lies dried under it there, lowest first. */
    readonly colours: readonly (LaidFilm & { readonly photo: Lab; readonly under: readonly LaidFilm[] })[];
    /** Colours of the same area that belong to other washes. */
    readonly others: readonly Lab[];
    readonly run: { readonly from: Point; readonly to: Point } | null;
    readonly soft: boolean;
  }[];
}

/** What the photo worker offers. The photo comes first. */
export interface PhotoApi {
  open(photo: { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray }): void;
  /** Divides what no label covers yet into about so many shapes; null: as many as the photo suggests. */
  propose(look: Look, labels: Uint8Array, shapes: number | null): ProposedShapes;
  measure(look: Look, labels: Uint8Array): AreasMeasured;
  /** What half-closed eyes lose of each area, by its label: the thin things on its ground. */
  details(look: Look, labels: Uint8Array): ReadonlyMap<number, AreaDetail>;
  /**
   * How areas would be laid, in the order of `wanted`; null where a label has no pixel, or too few for what is asked.
   */
  washes(
    look: Look,
    labels: Uint8Array,
    bother: number,
    wanted: readonly { readonly label: number; readonly kind: WashKind | null }[],
  ): readonly (WashPlan | null)[];
  shares(look: Look, steps: number): ValueShares;
  /** Fills a drawn line and, unless it is to stay as drawn, draws it to the photo's edges: the mask. */
  enclose(look: Look, points: readonly Point[], snap: boolean): Uint8Array;
  /** The sheet with these washes dried on it: RGBA at the map's size, sRGB. */
  sheet(look: Look, labels: Uint8Array, job: SheetJob): Uint8ClampedArray<ArrayBuffer>;
  /** The mask of the part to be cut off a label's area, or null when there is nothing to split. */
  split(look: Look, labels: Uint8Array, label: number): Uint8Array | null;
}
