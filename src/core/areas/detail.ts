import { tripleOf } from "../numeric/tuples";
import type { Lab } from "../colour/colour";
import { labOfLinear, type AreaImage } from "../image/pixels";
import type { LabelMap } from "./label-map";

/** Thin things on a ground: stems before water, branches before a sky, glazing bars, courses of bricks. */
export interface AreaDetail {
  /** Share of the area, 0 to 1. */
  readonly share: number;
  /** Their mean colour, averaged as light. */
  readonly lab: Lab;
}

/**
 * A pixel is detail if half-closed eyes lose it: its OKLab is this far from what stays. From memory, tried on the
 * bench's photographs.
 */
const LOST = 0.09;
/** Less than this share of an area is not worth a word. */
const WORTH_A_WORD = 0.05;

/**
 * The detail on each label's ground, by what the squinted photo has lost of it.
 * @param calm OKLab of the squinted image, 3 a pixel, of the map's size
 */
export function detailsOf(map: LabelMap, image: AreaImage, calm: Float32Array): ReadonlyMap<number, AreaDetail> {
  const sums = new Map<number, { all: number; lost: number; light: [number, number, number] }>();
  for (let i = 0; i < map.labels.length; i++) {
    const label = map.labels[i]!;
    if (label === 0) continue;
    let sum = sums.get(label);
    if (!sum) sums.set(label, (sum = { all: 0, lost: 0, light: [0, 0, 0] }));
    sum.all++;
    const away = Math.hypot(
      image.oklab[3 * i]! - calm[3 * i]!,
      image.oklab[3 * i + 1]! - calm[3 * i + 1]!,
      image.oklab[3 * i + 2]! - calm[3 * i + 2]!,
    );
    if (away < LOST) continue;
    sum.lost++;
    for (let c = 0; c < 3; c++) sum.light[c]! += image.linear[3 * i + c]!;
  }
  const found = new Map<number, AreaDetail>();
  for (const [label, { all, lost, light }] of sums) {
    if (lost / all < WORTH_A_WORD) continue;
    const [r, g, b] = tripleOf(light.map((value) => value / lost));
    found.set(label, { share: lost / all, lab: labOfLinear({ r, g, b }) });
  }
  return found;
}
