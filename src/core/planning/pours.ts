import { deltaE00 } from "../colour/difference";
import { describeColour } from "../colour/describe";
import type { Lab } from "../colour/colour";
import { predictGlaze, type GlazeLayer } from "../mixing/glaze";
import type { PaintModel } from "../mixing/paint";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** An area that pours are to serve: what it is to become, and its share of the sheet. */
export interface PouredArea {
  readonly id: string;
  readonly lab: Lab;
  readonly share: number;
}

/** One pour over the whole sheet, and the sheet when it is dry. */
interface Pour {
  readonly paint: PaintModel;
  readonly waterParts: WaterParts;
  readonly dry: Lab;
}

/** So many pours, and what they do for each area. */
export interface Pours {
  readonly pours: readonly Pour[];
  /** Share of the way from bare paper to what is wanted that is gone, mean over the sheet. */
  readonly done: number;
  /** Lights that the pours would drown: masked before, or lifted after; by how many value steps. */
  readonly lights: readonly { readonly id: string; readonly by: number }[];
  /** Areas where the poured sheet is nearly what is wanted: it shows plainly there. */
  readonly shows: readonly string[];
}

/** Strengths that are poured: a pour is mostly water. From memory. */
const POURED: readonly WaterParts[] = [12, 20, 35, 60];
export const MOST_POURS = 3;
/** What a further pour has to bring, dE00 in the mean over the sheet: it is mixed, poured and dried. From memory. */
const POUR_COSTS = 0.7;
/** What a sheet that is too dark for an area counts against one that is too light, which washes mend. From memory. */
const TOO_DARK_COUNTS = 3;
/** A light is drowned from so many value steps on. From memory. */
const DROWNED = 0.4;
/** The sheet shows plainly where it is so near to what is wanted, dE00. From memory. */
const SHOWS_WITHIN = 7;
/** Best beginnings that are gone on from. */
const KEPT = 12;

/**
 * One to three pours over the whole sheet that bring it nearest to all areas, paints of the palette one over the other
 * from pale strengths. What is too dark can't be mended by washes, so it counts more; every pour has to be worth its
 * drying. All single pours and pairs of the best beginnings are weighed by the spectral stack.
 * @param count null: as many as are worth it
 */
export function choosePours(
  areas: readonly PouredArea[],
  paints: readonly PaintModel[],
  paper: Paper,
  count: number | null = null,
): Pours | null {
  const total = areas.reduce((sum, { share }) => sum + share, 0);
  if (total <= 0 || paints.length === 0) return null;
  const films = paints.flatMap((paint) => POURED.map((waterParts) => ({ paint, waterParts })));
  const stackOf = (chosen: readonly (typeof films)[number][]): readonly GlazeLayer[] =>
    chosen.map(({ paint, waterParts }) => ({ mix: [{ paint, parts: 1 }], load: loadOfWater(waterParts) }));
  const cost = (sheet: Lab): number =>
    areas.reduce(
      (sum, { lab, share }) => sum + share * deltaE00(lab, sheet) * (sheet.L < lab.L ? TOO_DARK_COUNTS : 1),
      0,
    ) / total;
  const bare = predictGlaze([], paper);
  let best = { chosen: [] as (typeof films)[number][], cost: cost(bare) };
  let from = [best];
  for (let pours = 1; pours <= (count ?? MOST_POURS); pours++) {
    const next = from.flatMap(({ chosen }) =>
      films
        .filter(({ paint }) => !chosen.some((one) => one.paint === paint))
        .map((film) => {
          const all = [...chosen, film];
          return { chosen: all, cost: cost(predictGlaze(stackOf(all), paper)) + POUR_COSTS * all.length };
        }),
    );
    if (next.length === 0) break;
    from = next.sort((one, two) => one.cost - two.cost).slice(0, KEPT);
    if (count !== null || from[0]!.cost < best.cost) best = from[0]!;
  }
  const pours = best.chosen.map((film, i) => ({
    ...film,
    dry: predictGlaze(stackOf(best.chosen.slice(0, i + 1)), paper),
  }));
  const sheet = pours[pours.length - 1]?.dry ?? bare;
  const way = areas.reduce((sum, { lab, share }) => sum + share * deltaE00(lab, bare), 0);
  const left = areas.reduce((sum, { lab, share }) => sum + share * deltaE00(lab, sheet), 0);
  const value = describeColour(sheet).value;
  return {
    pours,
    done: way > 0 ? Math.max(0, 1 - left / way) : 0,
    lights: areas
      .map(({ id, lab }) => ({ id, by: describeColour(lab).value - value }))
      .filter(({ by }) => by >= DROWNED)
      .sort((one, two) => two.by - one.by),
    shows: areas.filter(({ lab }) => deltaE00(lab, sheet) <= SHOWS_WITHIN).map(({ id }) => id),
  };
}
