import { FAMILIES } from "../pigments/record";
import { temperatureOf } from "../colour/describe";
import { lchOfLab } from "../colour/lab";
import type { Paper } from "../optics/paper";
import { pigmentById } from "../pigments/handbook";
import { hueOrder } from "../pigments/order";
import { looksOf } from "../mixing/looks";
import type { PaintModel } from "../mixing/paint";

/** Orders in which painters lay out a box. */
export const BOX_ORDERS = ["round the wheel", "warm and cool apart", "lights to darks", "by family"] as const;
export type BoxOrder = (typeof BOX_ORDERS)[number];

/**
 * Paints in one of the usual orders, by their middle wash: round the wheel from greenish yellow with
 * earths, blacks and whites last; the warm from warmest, then the cool to coldest; from light to
 * dark at masstone; or family by family, each from light to dark.
 */
export function arrangePaints(paints: readonly PaintModel[], order: BoxOrder, paper: Paper): readonly PaintModel[] {
  const looks = looksOf(paints, [1, 0.2], paper);
  const entries = paints.map((paint, i) => {
    const [masstone, wash] = looks[i]!;
    return {
      paint,
      pigment: pigmentById(paint.pigmentIds[0]!),
      hueDegrees: lchOfLab(wash!).h,
      temperature: temperatureOf(wash!),
      L: masstone!.L,
    };
  });
  const compare: Readonly<Record<BoxOrder, (a: (typeof entries)[number], b: (typeof entries)[number]) => number>> = {
    "round the wheel": hueOrder,
    "warm and cool apart": (a, b) => b.temperature - a.temperature,
    "lights to darks": (a, b) => b.L - a.L,
    "by family": (a, b) => FAMILIES.indexOf(a.pigment.family) - FAMILIES.indexOf(b.pigment.family) || b.L - a.L,
  };
  return entries.sort(compare[order]).map(({ paint }) => paint);
}

/** Wells with their paints in a new order; an empty well stays where it is, kept for a paint to come. */
export function fillWells<T>(wells: readonly (T | null)[], inOrder: readonly T[]): readonly (T | null)[] {
  let next = 0;
  return wells.map((well) => (well === null ? null : inOrder[next++]!));
}

/**
 * Wells of a box whose size changes: what still fits stays in its row and column, the rest goes to empty wells while
 * there are any.
 */
export function resizeWells<T>(
  wells: readonly (T | null)[],
  columns: number,
  newRows: number,
  newColumns: number,
): readonly (T | null)[] {
  const out: (T | null)[] = Array.from({ length: newRows * newColumns }, () => null);
  const homeless: T[] = [];
  wells.forEach((well, i) => {
    if (well === null) return;
    const [row, column] = [Math.floor(i / columns), i % columns];
    if (row < newRows && column < newColumns) out[row * newColumns + column] = well;
    else homeless.push(well);
  });
  for (let i = 0; i < out.length && homeless.length > 0; i++) if (out[i] === null) out[i] = homeless.shift() ?? null;
  return out;
}
