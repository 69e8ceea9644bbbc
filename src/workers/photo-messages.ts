import type { AreasMeasured } from "@/core/areas";
import type { Frame, Point } from "@/core/image";
import type { Answered } from "./answering";

/** How the photo is looked at: the white correction and the part that is painted. */
export interface Look {
  readonly white: readonly number[];
  readonly frame: Frame;
}

/** What the photo worker is asked. The photo comes first. */
export type PhotoRequest =
  | { readonly kind: "open"; readonly job: number; readonly width: number; readonly height: number; readonly data: Uint8ClampedArray }
  /** Divides what no label covers yet into about so many shapes. */
  | { readonly kind: "propose"; readonly job: number; readonly look: Look; readonly labels: Uint8Array; readonly shapes: number }
  | { readonly kind: "measure"; readonly job: number; readonly look: Look; readonly labels: Uint8Array }
  | { readonly kind: "shares"; readonly job: number; readonly look: Look; readonly steps: number }
  /** Fills a drawn line and, unless it is to stay as drawn, draws it to the photo's edges. */
  | { readonly kind: "enclose"; readonly job: number; readonly look: Look; readonly points: readonly Point[]; readonly snap: boolean }
  | { readonly kind: "split"; readonly job: number; readonly look: Look; readonly labels: Uint8Array; readonly label: number };
export type PhotoQuestion = Exclude<PhotoRequest, { kind: "open" }>;

/** What it answers, by kind of question. */
export interface PhotoAnswers {
  readonly open: { readonly opened: true };
  /** Labels 1 to `shapes`; 0 where there is nothing to propose. */
  readonly propose: { readonly labels: Uint8Array; readonly shapes: number; readonly milliseconds: number };
  readonly measure: AreasMeasured;
  /** Share of the sheet in each value step, dark to light, and of what is burnt out and blocked. */
  readonly shares: { readonly steps: readonly number[]; readonly burnt: number; readonly blocked: number };
  readonly enclose: { readonly mask: Uint8Array };
  /** The part to be cut off, or null when there is nothing to split. */
  readonly split: { readonly mask: Uint8Array | null };
}

export type PhotoReply = Answered<PhotoAnswers[keyof PhotoAnswers]>;
