import { listed } from "@/model/text";
import { describeColour, lchOfLab } from "@/core/colour";
import { ONE_VALUE, type WashKind } from "@/core/areas";
import type { PaintingArea, StoredWash } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { plainHue } from "./area-names";

/** What a wash is called, and what it means to lay it so. */
export const WASH_WORDS: Readonly<Record<WashKind, { readonly name: string; readonly means: string }>> = {
  flat: { name: "flat", means: "One colour over all of it." },
  graded: { name: "graded", means: "From one colour to another in one go: two puddles that meet on wet paper." },
  varied: { name: "varied", means: "Colours laid wet beside each other, to melt where they meet." },
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
  return ["one colour", "another", "a third"][index]!;
}

/** An area's colour by name: "Sky, above". */
export function colourName(area: PaintingArea, index: number): string {
  const place = placeName(area, index);
  return place ? `${area.name}, ${place}` : area.name;
}

/** Why a wash of this kind was proposed, in a few words: "blue above, straw below", "brown and olive over sand". */
export function washReason(area: PaintingArea): string {
  const labs = coloursOf(area).flatMap(({ lab, drop }) => (drop ? [] : [lab]));
  const values = labs.map((lab) => describeColour(lab).value);
  const hues = labs.map(plainHue);
  const last = labs.length - 1;
  if (area.wash.kind === "flat") return "its colours hardly differ";
  if (area.wash.kind === "graded") {
    const [from, to] = endsOf(area.wash);
    if (hues[0] !== hues[last]) return `${hues[0]} ${from}, ${hues[last]} ${to}`;
    if (Math.abs(values[0]! - values[last]!) >= 0.5) return `lighter ${values[0]! > values[last]! ? from : to}`;
    return `purer ${lchOfLab(labs[0]!).C > lchOfLab(labs[last]!).C ? from : to}`;
  }
  const different = [...new Set(hues)];
  if (area.wash.kind === "varied") {
    const words =
      different.length === 1 ? `${labs.length === 2 ? "two" : "three"} kinds of ${different[0]}` : listed(different);
    // Colours that differ in value too are varied when none can be a glaze over another.
    return Math.max(...values) - Math.min(...values) < ONE_VALUE
      ? `${words}, about one value`
      : `${words} side by side`;
  }
  const over = [...new Set(hues.slice(1))];
  const by = `darker by ${(values[0]! - Math.min(...values)).toFixed(1)}`;
  return over.length === 1 && over[0] === hues[0]
    ? `${hues[0]} on ${hues[0]}, ${by}`
    : `${listed(over)} over ${hues[0]}, ${by}`;
}
