import type { WashKind } from "../areas/wash/wash-plan";
import { layersOf } from "../mixing/workable";
import { loadOfWater, MIN_LOAD, waterOfLoad, type WaterParts } from "../optics/load";
import { puddleAmount, type Micrometres, type Ml } from "./amounts";
import { dryingMinutes, workableMinutes, type Air, type Sheet } from "./drying";

/** How a light that stays is kept: painted around, covered by a mask, or lifted out again. */
export const RESERVES = ["around", "mask", "lift"] as const;
export type Reserve = (typeof RESERVES)[number];

/** A colour of an area, as far as the order of painting hangs on it. */
export interface ColourToPlan {
  readonly id: string;
  /** Of the mix as it dries: Munsell value and chroma. */
  readonly value: number;
  readonly chroma: number;
  /** Of its paints by their parts, 0 lifts to white paper, 1 dyes it. */
  readonly staining: number;
  readonly areaCm2: number;
  readonly waterParts: WaterParts;
  /** Dropped into the wet wash; laid over the dried first one. */
  readonly drop: boolean;
  readonly over: boolean;
}

/** An area to be painted; its colours in their order, its own first. */
export interface AreaToPlan {
  readonly id: string;
  /** On the areas' map; null: it lies nowhere, and touches nothing. */
  readonly label: number | null;
  readonly kind: WashKind;
  readonly edge: "soft" | "hard" | null;
  readonly focal: boolean;
  /** Its place on the sheet, shares of width and height. */
  readonly at: { readonly x: number; readonly y: number };
  readonly reserve: Reserve | null;
  readonly colours: readonly ColourToPlan[];
}

/** What is done in one go. `coat` is the same mix once more, where it can't be laid heavy enough at that size. */
export type WashTask = "mask" | "first" | "drop" | "unmask" | "lift" | "second" | "coat";

/**
 * How a crisp edge between two washes that lie side by side is kept: by a hairline of dry paper between them, or by
 * waiting until the first is dry. At the focal point, and where one stands on the other, it is always waited for.
 */
export const CRISP_BY = ["hairline", "drying"] as const;
export type CrispBy = (typeof CRISP_BY)[number];

/** How wetly the painter works: the film's thickness, and so water, paint and time. */
export const WETNESSES = ["lean", "usual", "juicy"] as const;
export type Wetness = (typeof WETNESSES)[number];
const THICKNESS: Readonly<Record<Wetness, number>> = { lean: 0.65, usual: 1, juicy: 1.6 };

/**
 * Wet film that a wash leaves, micrometres: on dry paper, on paper that was wetted first, and of what is dropped in.
 * From memory: 3 ml over an A4 sheet are 48.
 */
const ON_DRY_UM = 26;
const ON_WET_UM = 36;
/** What wetting the sheet adds to what dries. From memory. */
const WETTED_UM = 14;
const DROPPED_UM = 20;

/** Minutes that laying takes: to begin, and for each so many cm²; more where colours are varied. From memory. */
const TO_BEGIN_MIN = 1;
const CM2_A_MINUTE = 70;
const VARIED_TAKES = 1.4;
const TASK_MIN: Readonly<Record<"mask" | "unmask" | "lift" | "drop", number>> = {
  mask: 3,
  unmask: 1,
  lift: 2,
  drop: 0.5,
};
/** Masking fluid as a film that has to dry before anything goes near it. From memory. */
const MASK_UM = 25;

/** One thing to do, in one go, and how long it and its drying take. */
export interface PlannedWash {
  /** The colour's id, with a number from the second coat on, or the area's with what is done to it. */
  readonly key: string;
  readonly task: WashTask;
  readonly areaId: string;
  /** The colours it is laid with, in their order. */
  readonly colourIds: readonly string[];
  readonly areaCm2: number;
  readonly filmUm: Micrometres;
  /** All water that dries: the film, and what the sheet was wetted with. */
  readonly wetUm: Micrometres;
  readonly onWet: boolean;
  /** Of its colours by size: Munsell value, chroma; the most staining. */
  readonly value: number;
  readonly chroma: number;
  readonly staining: number;
  readonly minutes: number;
  readonly dryMinutes: number;
  /** So long it can be worked wet, minutes. */
  readonly workableMinutes: number;
}

/** Under which conditions it is painted. */
export interface Conditions {
  readonly air: Air;
  readonly sheet: Sheet;
  readonly wetness: Wetness;
  readonly crispBy: CrispBy;
}

/** The film that a colour of a wash leaves. */
const filmOf = (task: WashTask, onWet: boolean, wetness: Wetness): Micrometres =>
  THICKNESS[wetness] * (task === "drop" ? DROPPED_UM : onWet ? ON_WET_UM : ON_DRY_UM);

/** A quarter of a sheet of 22 by 30 inches, cm². */
const QUARTER_SHEET_CM2 = 28 * 38;
/** A full wash: one part paint to three of water. */
const FULL_WATER = 3;

/** Paint that a full wash over a quarter sheet takes, ml. */
export const paintOfFullWashMl = (): Ml =>
  puddleAmount([1], [{ areaCm2: QUARTER_SHEET_CM2, waterParts: FULL_WATER, filmUm: filmOf("first", false, "usual") }])
    .paintMl[0]!;

function laid(
  key: string,
  task: WashTask,
  { id: areaId, kind }: AreaToPlan,
  colours: readonly ColourToPlan[],
  { air, sheet, wetness }: Conditions,
): PlannedWash {
  const onWet = task !== "drop" && kind === "varied";
  const filmUm = filmOf(task, onWet, wetness);
  const areaCm2 = colours.reduce((sum, colour) => sum + colour.areaCm2, 0);
  const mean = (of: (colour: ColourToPlan) => number): number =>
    areaCm2 > 0
      ? colours.reduce((sum, colour) => sum + (colour.areaCm2 / areaCm2) * of(colour), 0)
      : colours.reduce((sum, colour) => sum + of(colour) / colours.length, 0);
  const wetUm = onWet ? filmUm + THICKNESS[wetness] * WETTED_UM : filmUm;
  const dryMinutes = dryingMinutes(wetUm, areaCm2, air, sheet);
  return {
    key,
    task,
    areaId,
    colourIds: colours.map(({ id }) => id),
    areaCm2,
    filmUm,
    wetUm,
    onWet,
    value: mean(({ value }) => value),
    chroma: mean(({ chroma }) => chroma),
    staining: Math.max(...colours.map(({ staining }) => staining)),
    minutes:
      task === "drop"
        ? TASK_MIN.drop
        : (TO_BEGIN_MIN + areaCm2 / CM2_A_MINUTE) * (colours.length > 1 ? VARIED_TAKES : 1),
    dryMinutes,
    workableMinutes: workableMinutes(dryMinutes, sheet.paper),
  };
}

/** What the coats of a colour hang on. */
type ColourInCoats = Pick<ColourToPlan, "id" | "areaCm2" | "waterParts" | "drop" | "over">;

/**
 * In how many coats each colour of an area is laid. The first wash is one piece of paper: where one of its colours
 * needs coats at that size, all are laid in each of them, so much thinner; one that is nearly water already, in fewer.
 */
export function coatsByColour(colours: readonly ColourInCoats[]): ReadonlyMap<string, number> {
  const together = colours.filter(({ drop, over }) => !drop && !over);
  const groups = [together, ...colours.filter((colour) => !together.includes(colour)).map((colour) => [colour])];
  return new Map(
    groups.flatMap((group) => {
      const whole = group.reduce((sum, { areaCm2 }) => sum + areaCm2, 0);
      const layers = Math.max(
        1,
        ...group.map(({ waterParts, drop }) => (drop ? 1 : layersOf(loadOfWater(waterParts), whole).layers)),
      );
      return group.map(({ id, waterParts }) => {
        const most = Math.floor(loadOfWater(waterParts) / MIN_LOAD + 1e-9);
        return [id, Math.max(1, Math.min(layers, most))] as const;
      });
    }),
  );
}

/** The water of each of so many coats of one mix: their films add up to its load. */
export const waterOfCoats = (waterParts: WaterParts, coats: number): WaterParts =>
  coats > 1 ? waterOfLoad(loadOfWater(waterParts) / coats) : waterParts;

/** In how many coats a plan lays a colour, and the water of each: films of one mix add up to what its recipe says. */
export function coatsOf(
  washes: readonly PlannedWash[],
  colourId: string,
  waterParts: WaterParts,
): { readonly coats: number; readonly waterParts: WaterParts } {
  const coats = Math.max(1, washes.filter(({ colourIds }) => colourIds.includes(colourId)).length);
  return { coats, waterParts: waterOfCoats(waterParts, coats) };
}

/**
 * What lies dried under a colour when a wash of it is laid, lowest first, as ids of colours: the first wash of its area
 * with its coats, where that is of one colour, and its own earlier coats. Other second layers lie beside it.
 */
export const liesUnder = (washes: readonly PlannedWash[], wash: PlannedWash, colourId: string): readonly string[] =>
  washes
    .slice(
      0,
      washes.findIndex(({ key }) => key === wash.key),
    )
    .filter(({ areaId, task }) => areaId === wash.areaId && task !== "drop")
    .flatMap(({ colourIds }) => {
      if (colourIds.includes(colourId)) return [colourId];
      return colourIds.length === 1 && colourIds[0] === wash.areaId ? [wash.areaId] : [];
    });

/** What is done to a light that stays, beside washes. */
function kept(task: "mask" | "unmask" | "lift", area: AreaToPlan, { air, sheet }: Conditions): PlannedWash {
  const areaCm2 = area.colours.reduce((sum, { areaCm2: own, over }) => (over ? sum : sum + own), 0);
  return {
    key: `${area.id} ${task}`,
    task,
    areaId: area.id,
    colourIds: [],
    areaCm2,
    filmUm: 0,
    wetUm: task === "unmask" ? 0 : MASK_UM,
    onWet: false,
    value: 10,
    chroma: 0,
    staining: 0,
    minutes: TASK_MIN[task],
    dryMinutes: task === "unmask" ? 0 : dryingMinutes(MASK_UM, areaCm2, air, sheet),
    workableMinutes: 0,
  };
}

/**
 * Everything that is done for one area, in its order: a mask before and after, or a light lifted out; the first wash
 * with its coats, what is dropped into it while wet, and second layers over it.
 */
export function washesOfArea(area: AreaToPlan, conditions: Conditions): readonly PlannedWash[] {
  const first = area.colours.filter(({ drop, over }) => !drop && !over);
  const washes: PlannedWash[] = [];
  if (area.reserve === "mask") washes.push(kept("mask", area, conditions), kept("unmask", area, conditions));
  if (area.reserve === "lift") washes.push(kept("lift", area, conditions));
  const counts = coatsByColour(area.colours);
  const coats = (colours: readonly ColourToPlan[], task: "first" | "second"): void => {
    if (colours.length === 0) return;
    const layers = Math.max(...colours.map(({ id }) => counts.get(id)!));
    for (let coat = 1; coat <= layers; coat++) {
      const key = coat === 1 ? colours[0]!.id : `${colours[0]!.id} ${coat}`;
      const inIt = colours.filter(({ id }) => counts.get(id)! >= coat);
      washes.push(laid(key, coat === 1 ? task : "coat", area, inIt, conditions));
      if (coat === 1 && task === "first")
        for (const colour of area.colours.filter(({ drop }) => drop))
          washes.push(laid(colour.id, "drop", area, [colour], conditions));
    }
  };
  coats(first, "first");
  for (const colour of area.colours.filter(({ over, drop }) => over && !drop)) coats([colour], "second");
  return washes;
}
