import type { Load } from "@/core/optics";
import { counted, listed } from "@/model/text";
import type { LeftOutWhy } from "./at-hand";

/** What a paint is that the approach leaves out. */
export const WHY_LEFT_OUT: Readonly<Record<LeftOutWhy, string>> = {
  fades: "fading",
  mixed: "mixed of several pigments",
  granulates: "granulating",
  opaque: "opaque",
  neutral: "black or neutral",
  never: "not wanted in the palette",
};

/** How many paints are left out and why: "3 paints left out: 2 fading, 1 opaque". */
export function leftOutWords(whys: readonly LeftOutWhy[]): string {
  const reasons = [...new Set(whys)].map((why) => `${whys.filter((one) => one === why).length} ${WHY_LEFT_OUT[why]}`);
  return `${counted(whys.length, "paint")} left out: ${reasons.join(", ")}`;
}

/** Those of some paints that are left out, each with its why: "Opal rose (fading)". */
const namedOut = (
  paints: readonly { readonly id: string; readonly name: string }[],
  leftOut: ReadonlyMap<string, LeftOutWhy>,
): readonly string[] =>
  paints.flatMap(({ id, name }) => {
    const why = leftOut.get(id);
    return why ? [`${name} (${WHY_LEFT_OUT[why]})`] : [];
  });

/** What is said where mixes come from the tray, and paints lie in it that the approach leaves out; null for none. */
export function trayAgainstApproach(
  tray: readonly { readonly id: string; readonly name: string }[],
  leftOut: ReadonlyMap<string, LeftOutWhy>,
): string | null {
  const against = namedOut(tray, leftOut);
  if (against.length === 0) return null;
  return `${listed(against)} ${against.length === 1 ? "lies" : "lie"} in the tray, so ${
    against.length === 1 ? "it is" : "they are"
  } mixed from, though the approach would leave ${against.length === 1 ? "it" : "them"} out.`;
}

/** What is said of a mix that the approach would not propose like this; null where it would. */
export function recipeAgainstApproach(
  paints: readonly { readonly id: string; readonly name: string; readonly strongest: Load }[],
  load: Load,
  leftOut: ReadonlyMap<string, LeftOutWhy>,
): string | null {
  const out = namedOut(paints, leftOut);
  // What is rounded to countable water may be a breath stronger.
  const heavy = paints.filter(({ strongest }) => load > 1.05 * strongest).map(({ name }) => name);
  const said = [
    out.length > 0 ? `Your approach leaves out ${listed(out)}.` : null,
    heavy.length > 0 ? `Your approach lays ${listed(heavy)} in tints only; this mix is stronger.` : null,
  ].filter((words) => words !== null);
  return said.length > 0 ? said.join(" ") : null;
}
