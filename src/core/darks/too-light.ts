import { describeColour } from "../colour/describe";
import type { Lab } from "../colour/colour";
import { predict, type MixPart } from "../mixing/predict";
import { loadOfWater, MIN_LOAD, waterOfLoad, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** How much paint is squeezed out for a puddle. Volumes from memory. */
export const SQUEEZED = [
  { word: "a lentil", ml: 0.05 },
  { word: "a pea", ml: 0.15 },
  { word: "a bean", ml: 0.5 },
] as const;

/** What makes a mix come out lighter than it was meant. */
export type Slip =
  /** The brush was rinsed and went into the puddle wet, once for each paint. */
  | "wet brush"
  /** It was rinsed between every pick-up of paint. */
  | "rinsed between"
  /** Paint was taken from the wet edge of the well, where it is half water. */
  | "wet edge"
  /** The puddle was too small for the shape and was topped up with water. */
  | "topped up"
  /** It was judged in the well, where it lies thick. */
  | "in the well"
  /** It was tested as a dab, which lies thicker than what is drawn out. */
  | "dabbed"
  /** It was judged while wet. */
  | "wet";

/** What a slip makes of a mix. */
interface CameOut {
  readonly slip: Slip;
  /** The strength it was laid at in truth. */
  readonly waterParts: WaterParts;
  readonly dry: Lab;
  /** Munsell value. */
  readonly value: number;
}

/** Of a full brush: water that stays in a rinsed one, and in one that was wiped at the rim. From memory. */
const RINSED = 0.5;
const WIPED = 0.25;
/** Of a full brush: paint that one pick-up takes. From memory. */
const PICKED_UP = 0.15;
/** Share of water in the paint at a well's wet edge, and of the shape that a scant puddle covers. From memory. */
const AT_THE_EDGE = 0.5;
const SCANT = 2 / 3;
/** How much thicker than on paper a mix lies in the well, and in a dab. From memory. */
const WELL_THICKNESS = 4;
const DAB_THICKNESS = 2;

/** The load at which what is looked at has a value; by bisection, since more paint is darker. */
function loadLooking(value: number, look: (load: Load) => Lab, most: Load): Load {
  let [low, high] = [MIN_LOAD, most];
  for (let i = 0; i < 24; i++) {
    const middle = Math.sqrt(low * high);
    if (describeColour(look(middle)).value > value) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * Water that a puddle has in truth, by conservation of volume: paint and water each add up, whatever brought them in.
 * @param paintMl paint of the recipe
 * @param addedMl water that came in beside the recipe's
 * @param lost share of the paint that was water already
 */
export function waterWith(waterParts: WaterParts, paintMl: number, addedMl: number, lost = 0): WaterParts {
  const paint = paintMl * (1 - lost);
  return (paintMl * waterParts + addedMl + paintMl * lost) / paint;
}

/**
 * What each slip makes of a mix: lightest first. Judged in the well, as a dab or wet, a mix is taken for right too
 * early: as soon as it looks as the plan's does when dry.
 * @param brushMl what a full brush holds
 * @param paintMl paint that was squeezed out for the mix
 */
export function cameOut(
  mix: readonly MixPart[],
  waterParts: WaterParts,
  brushMl: number,
  paintMl: number,
  paper: Paper,
): readonly CameOut[] {
  const planned = loadOfWater(waterParts);
  const meant = describeColour(predict(mix, planned, paper).dry).value;
  const pickUps = Math.max(1, Math.ceil(paintMl / (PICKED_UP * brushMl)));
  const looked = (look: (load: Load) => Lab): WaterParts => waterOfLoad(loadLooking(meant, look, planned));
  const waters: Readonly<Record<Slip, WaterParts>> = {
    "wet brush": waterWith(waterParts, paintMl, mix.length * RINSED * brushMl),
    "rinsed between": waterWith(waterParts, paintMl, pickUps * WIPED * brushMl),
    "wet edge": waterWith(waterParts, paintMl, 0, AT_THE_EDGE),
    "topped up": waterWith(waterParts, SCANT * paintMl, (1 - SCANT) * paintMl * (1 + waterParts)),
    "in the well": looked((load) => predict(mix, WELL_THICKNESS * load, paper).wet),
    dabbed: looked((load) => predict(mix, DAB_THICKNESS * load, paper).dry),
    wet: looked((load) => predict(mix, load, paper).wet),
  };
  return (Object.keys(waters) as Slip[])
    .map((slip) => {
      const { dry } = predict(mix, loadOfWater(waters[slip]), paper);
      return { slip, waterParts: waters[slip], dry, value: describeColour(dry).value };
    })
    .sort((a, b) => b.value - a.value);
}
