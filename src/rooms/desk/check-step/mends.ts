import type { Relation } from "@/core/areas";
import { describeColour } from "@/core/colour";
import type { Shift } from "@/core/variations";
import { FOCAL_WEIGHT, type PaintingArea } from "@/model/painting";
import { colourOf, mainColourOf, type MixedColour } from "../mixed";

/** What would mend a relation that does not hold: an area, and which way its mix is to be shifted at its value. */
export interface Mend {
  readonly area: PaintingArea;
  readonly shift: Shift;
}

const PULLS = { warmth: "cooler", purity: "quieter" } as const satisfies Readonly<Record<string, Shift>>;

/**
 * What to shift so that a relation holds, at the same value: of the far plane what pulls it forward most; of what
 * touches the focal point what is nearest to it in temperature, away from it. Null where it holds, and where values
 * are to blame: those are changed by water, or in the areas.
 */
export function mendOf(
  relation: Relation,
  areas: readonly PaintingArea[],
  colours: readonly MixedColour[],
  borders: readonly { readonly a: number; readonly b: number }[],
): Mend | null {
  if (relation.holds !== false) return null;
  const temperature = (area: PaintingArea): number => described(area)?.temperature ?? 0;
  const described = (area: PaintingArea) => {
    const own = mainColourOf(colours, area.id);
    return own && describeColour(colourOf(own));
  };
  if (relation.id === "depth") {
    const by = relation.forwardBy;
    if (by !== "warmth" && by !== "purity") return null;
    const pull = (area: PaintingArea): number => (by === "warmth" ? temperature(area) : (described(area)?.chroma ?? 0));
    const [most] = areas.filter(({ plane }) => plane === "far").sort((a, b) => pull(b) - pull(a));
    return most ? { area: most, shift: PULLS[by] } : null;
  }
  if (relation.id !== "subject") return null;
  const focal = areas.filter(({ weight }) => weight === FOCAL_WEIGHT);
  const subject = focal[0];
  if (!subject) return null;
  const touching = areas.filter(
    ({ region, weight }) =>
      weight !== FOCAL_WEIGHT &&
      focal.some((one) =>
        borders.some(({ a, b }) => (a === one.region && b === region) || (b === one.region && a === region)),
      ),
  );
  const away = (area: PaintingArea): number => Math.abs(temperature(area) - temperature(subject));
  const [nearest] = touching.sort((a, b) => away(a) - away(b));
  return nearest ? { area: nearest, shift: temperature(subject) >= 0 ? "cooler" : "warmer" } : null;
}
