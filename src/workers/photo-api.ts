import type { AreaDetail, AreasMeasured, WashKind, WashPlan } from "@/core/areas";
import type { Frame, Point } from "@/core/image";

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
  /** The mask of the part to be cut off a label's area, or null when there is nothing to split. */
  split(look: Look, labels: Uint8Array, label: number): Uint8Array | null;
}
