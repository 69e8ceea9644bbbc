import type { FitRefusal, RowDoubt, RowRefusal, SheetRefusal } from "@/core/calibration";

/** Why a photo, a row or a paint can't be measured, and what to do, in a painter's words. */
export function refusalWords(refusal: SheetRefusal | RowRefusal | FitRefusal): string {
  switch (refusal.code) {
    case "blurred":
      return "The photo is blurred. Hold still, let the camera focus on the sheet, and take it again.";
    case "not found":
      return (
        `The sheet was not found: ${refusal.seen} of its four round corner marks can be seen. ` +
        "All four must be in the picture, uncovered and sharp."
      );
    case "too small":
      return "The sheet is too small in the picture. Go nearer, until it nearly fills the frame.";
    case "burnt out":
      return (
        "The paper is burnt out: it is brighter than the camera can tell. " +
        "Expose darker, or shade the sun, and take it again."
      );
    case "no bare paper":
      return (
        "Too little bare paper is left between the washes, or a shadow lies over it. " +
        "The paper is what everything is measured against."
      );
    case "too dark":
      return "The photo is too dark. Take it by a window in daylight, without a flash.";
    case "cast":
      return (
        `The light has too strong a cast: the paper looks ${refusal.looks}. ` +
        "Take the photo in daylight, away from lamps and coloured walls."
      );
    case "uneven":
      return (
        `The light is too uneven: one side of the sheet gets ${refusal.times.toFixed(1)} times as much as the other. ` +
        "Turn it to the window, or move out of a shadow."
      );
    case "bare row":
      return "This row is bare. Was it painted?";
    case "bare wash":
      return `Wash ${refusal.wash} is bare paper. Paint it, or drag it onto its wash.`;
    case "out of order":
      return (
        `The washes are out of order: wash ${refusal.wash} is stronger than wash ${refusal.wash - 1}. ` +
        "They run from neat at the left to pale at the right."
      );
    case "too few washes":
      return "At least two washes on bare paper are needed to measure a paint.";
    case "other pigments":
      return "These colours can't come from the paint's pigments. Is it the right paint, and are the washes in order?";
  }
}

/** What is odd about a row, in a painter's words: a sentence, or as few as there is room for. */
export function doubtWords(doubt: RowDoubt, length: "long" | "short" = "long"): string {
  const [long, short] = doubtPair(doubt);
  return length === "long" ? long : short;
}

function doubtPair(doubt: RowDoubt): readonly [long: string, short: string] {
  switch (doubt.code) {
    case "no black line":
      return [
        "No black line was found in the last swatch: how opaque the paint is stays the handbook's.",
        "no black line was found",
      ];
    case "blotchy": {
      const share = `${Math.round(100 * doubt.leftOut)} %`;
      return [
        `Wash ${doubt.wash} is blotchy: ${share} of it was left out.`,
        `wash ${doubt.wash} is blotchy (${share})`,
      ];
    }
    case "cut off": {
      const which = doubt.washes === 1 ? "One wash is" : `${doubt.washes} washes are`;
      return [
        `${which} purer than the photo can hold; what was cut off is not taken for measured.`,
        `${doubt.washes === 1 ? "one wash" : `${doubt.washes} washes`} purer than the photo can hold`,
      ];
    }
  }
}
