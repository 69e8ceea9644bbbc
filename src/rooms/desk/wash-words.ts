import { describeColour, lchOfLab, type Lab } from "@/core/colour";
import type { WashKind } from "@/core/areas";
import type { PaintingArea, StoredWash } from "@/model/painting";
import { coloursOf } from "@/model/washes";

/** What a wash is called, and what it means to lay it so. */
export const WASH_WORDS: Readonly<Record<WashKind, { readonly name: string; readonly means: string }>> = {
  flat: { name: "flat", means: "One colour over all of it." },
  graded: { name: "graded", means: "From one colour to another in one go: two puddles that meet on wet paper." },
  varied: { name: "varied", means: "Colours of about one value, dropped in beside each other to melt." },
  layered: { name: "layered", means: "A first wash over all of it; when it is dry, the darker colour on it." },
};

const ENDS = { down: ["above", "below"], across: ["left", "right"] } as const;

/** Names of a run's two ends by its direction. */
function endsOf({ run }: StoredWash): readonly [string, string] {
  if (!run) return ["one end", "other end"];
  const [dx, dy] = [run.to.x - run.from.x, run.to.y - run.from.y];
  if (Math.abs(dy) >= Math.abs(dx)) return dy >= 0 ? ENDS.down : [ENDS.down[1], ENDS.down[0]];
  return dx >= 0 ? ENDS.across : [ENDS.across[1], ENDS.across[0]];
}

/** What one colour of a wash is called beside the area's name, e.g. "above" or "over it"; empty for a flat wash. */
export function placeName({ wash }: PaintingArea, index: number): string {
  const laid = 1 + wash.more.filter(({ drop }) => !drop).length;
  if (index >= laid) return "dropped in";
  if (wash.kind === "flat") return "";
  if (wash.kind === "graded") {
    const [from, to] = endsOf(wash);
    return index === 0 ? from : index === laid - 1 ? to : "between";
  }
  if (wash.kind === "layered") return index === 0 ? "first wash" : laid > 2 ? `over it, ${index}` : "over it";
  return ["one colour", "another", "a third"][index];
}

/** An area's colour by name: "Sky, above". */
export function colourName(area: PaintingArea, index: number): string {
  const place = placeName(area, index);
  return place ? `${area.name}, ${place}` : area.name;
}

/** Shortest word for what a colour is beside others of its wash. */
const hueOf = (lab: Lab): string => describeColour(lab).hueName.replace(/^(greyish|muted|clear|vivid) /, "");

/** Why a wash of this kind was proposed, in a few words: "blue above, warm grey below", "two greens of one value". */
export function washReason(area: PaintingArea): string {
  const colours = coloursOf(area).filter(({ drop }) => !drop);
  const labs = colours.map(({ lab }) => lab);
  const values = labs.map((lab) => describeColour(lab).value);
  if (area.wash.kind === "flat") return "its colours hardly differ";
  const hues = labs.map(hueOf);
  if (area.wash.kind === "graded") {
    const [from, to] = endsOf(area.wash);
    const [one, two] = [hues[0], hues[hues.length - 1]];
    if (one !== two) return `${one} ${from}, ${two} ${to}`;
    const lighter = values[0] > values[values.length - 1] ? from : to;
    return Math.abs(values[0] - values[values.length - 1]) >= 0.5
      ? `lighter ${lighter}`
      : `purer ${lchOfLab(labs[0]).C > lchOfLab(labs[labs.length - 1]).C ? from : to}`;
  }
  if (area.wash.kind === "varied") {
    const different = [...new Set(hues)];
    const count = ["", "", "two", "three"][labs.length];
    return different.length === 1
      ? `${count} kinds of ${different[0]}, one value`
      : `${different.join(" and ")}, about one value`;
  }
  const by = values[0] - Math.min(...values);
  return `${hues[hues.length - 1]} on a lighter ${hues[0]}, ${by.toFixed(1)} value steps darker`;
}
