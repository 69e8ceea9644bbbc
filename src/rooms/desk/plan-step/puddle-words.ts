import { waterWords } from "@/core/optics";
import type { MixedWell } from "@/core/planning";
import { mlToMix } from "@/model/amount-words";
import { listed } from "@/model/text";

/** A puddle, as far as its mixing is told. */
interface ToldPuddle {
  readonly parts: readonly { readonly name: string }[];
  readonly well: MixedWell;
  readonly from: number | null;
  readonly colourAt: (serves: readonly number[]) => readonly { readonly mark: string; readonly name: string }[];
}

/** Below this no water is told, ml: it is less than what a rinsed brush brings. From memory. */
const NO_WATER_ML = 0.005;

/** Amounts of the paints that are squeezed into a well, in words. */
function paintWords({ parts, well: { stock } }: ToldPuddle): string {
  return listed(
    parts.flatMap(({ name }, i) => (stock.paintMl[i]! > 0 ? [`${mlToMix(stock.paintMl[i]!)} ${name}`] : [])),
  );
}

/**
 * How a puddle is mixed, step by step, strongest first: what goes into the well, what is laid with it as it is, what is
 * taken out and thinned, in the order in which it is needed, and what goes into another puddle.
 */
export function puddleSteps(puddle: ToldPuddle): readonly string[] {
  const { well, from, colourAt } = puddle;
  const { stock, thinned, passedOnMl } = well;
  const names = (serves: readonly number[]): string =>
    listed(colourAt(serves).map(({ mark, name }) => `${mark} ${name}`));
  const taken = from === null ? "" : `${mlToMix(stock.takenMl)} of puddle ${from}, `;
  const water = stock.waterMl < NO_WATER_ML ? "no water" : `${mlToMix(stock.waterMl)} of water`;
  return [
    `${taken}${paintWords(puddle)}, ${water}: ${mlToMix(stock.ml)}, ${waterWords(stock.waterParts)}` +
      (stock.serves.length > 0 ? `, for ${names(stock.serves)}` : ""),
    ...thinned.map(
      ({ takenMl, waterMl, ml, waterParts, serves }) =>
        `take ${mlToMix(takenMl)} of it, add ${mlToMix(waterMl)} of water: ${mlToMix(ml)}, ${waterWords(waterParts)}, for ${names(serves)}`,
    ),
    ...(passedOnMl > 0 ? [`${mlToMix(passedOnMl)} of it goes into another puddle`] : []),
  ];
}
