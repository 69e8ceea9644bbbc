import { deltaE00, type Lab } from "@/core/colour";
import { labOfXyz } from "@/core/colour/lab";
import { linearSrgbOfOklab } from "@/core/colour/oklab";
import { xyzOfLinearSrgb } from "@/core/colour/srgb";
import { DEFAULT_MATCH, HANDS, matchOver, paintModel, predict, prepareMatch, type Recipe } from "@/core/mixing";
import { partDeviation } from "@/core/mixing/hand";
import { fullMetric } from "@/core/mixing/metric";
import { seededRandom } from "@/core/numeric/random";
import { PAPERS } from "@/core/optics";
import { choosePalettes, mixCosts } from "@/core/palette";
import { shapesProposed } from "./photographs/photographs";

/** A box of 25 single pigments such as landscape painters own. */
export const BOX =
  "PY3 PY154 PY150 PO49 PY43 PBr7-raw-sienna PBr7-burnt-sienna PBr7-burnt-umber PBr7-raw-umber PR101-light-red PR101-indian-red PO73 PR108 PR254 PV19-rose PR177 PR179 PV23 PB29 PB28 PB35 PB15-green-shade PB60 PG7 PG18".split(
    " ",
  );

/** Photographs whose shapes are mixed. */
export const PICTURES = ["mountain", "bridge", "sunset", "field", "dune", "harbour"] as const;
export type Picture = (typeof PICTURES)[number];

/** How palettes and recipes are judged: by exact mixes, or by what comes out in a usual hand. */
export type Judge = "ideal" | "usual";

const labOfMean = (L: number, a: number, b: number): Lab => labOfXyz(xyzOfLinearSrgb(linearSrgbOfOklab({ L, a, b })));

type WeighedColours = readonly { readonly lab: Lab; readonly weight: number }[];

/** The mean colours of a photograph's shapes, each weighed by the root of its size. */
export async function coloursOf(name: Picture): Promise<WeighedColours> {
  const {
    image: { oklab },
    labels,
    shapes,
  } = await shapesProposed(name);
  const sums = Array.from({ length: shapes }, () => [0, 0, 0, 0]);
  labels.forEach((shape, i) => {
    if (shape < 0) return;
    for (let c = 0; c < 3; c++) sums[shape]![c]! += oklab[3 * i + c]!;
    sums[shape]![3]! += 1;
  });
  return sums.map(([L, a, b, n]) => ({
    lab: labOfMean(L! / n!, a! / n!, b! / n!),
    weight: Math.sqrt(n! / labels.length),
  }));
}

/**
 * Palettes of one photograph as laid: the paints of each size, the paints in each mix, and what the drawn hand missed
 * by.
 */
export interface Laid {
  readonly palettes: ReadonlyMap<number, readonly string[]>;
  readonly counts: readonly number[];
  readonly misses: readonly number[];
}

const paper = PAPERS[0];
const paints = BOX.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
let table: ReturnType<typeof prepareMatch> | null = null;

/**
 * The best palette of each size for a photograph by a judge, each colour mixed by its first way, and laid by a hand
 * whose parts and water are drawn evenly between two ends: not the distribution that the judge supposes.
 */
export async function laidByHand(name: Picture, judge: Judge, sizes: readonly number[], draws: number): Promise<Laid> {
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const random = seededRandom(3);
  const draw = (deviation: number): number => Math.exp(deviation * Math.sqrt(3) * (2 * random() - 1));
  const missesOf = ({ parts, load }: Recipe, lab: Lab): number[] => {
    const total = parts.reduce((sum, part) => sum + part.parts, 0);
    return Array.from({ length: draws }, () => {
      const mix = parts.map(({ paintId, parts: n }) => ({
        paint: byId.get(paintId)!,
        parts: n * (parts.length > 1 ? draw(partDeviation(n / total, HANDS.usual)) : 1),
      }));
      const laid = mix.reduce((sum, part) => sum + part.parts, 0) / total;
      return deltaE00(lab, predict(mix, load * laid * draw(HANDS.usual.water), paper).dry);
    });
  };
  const colours = await coloursOf(name);
  const hand = judge === "usual" ? HANDS.usual : undefined;
  const costs = mixCosts(colours, (table ??= prepareMatch(paints, paper)), { ...fullMetric(1.5), hand });
  const palettes = new Map<number, readonly string[]>();
  const [counts, misses]: [number[], number[]] = [[], []];
  for (const { size, best } of choosePalettes(costs, sizes)) {
    const own = best[0]!.paints.map((p) => paints[p]!);
    palettes.set(
      size,
      own.map(({ id }) => id),
    );
    const few = prepareMatch(own, paper);
    for (const { lab } of colours) {
      const ways = matchOver(lab, few, { ...DEFAULT_MATCH, ways: 2 });
      const recipe = hand ? ways[0]! : ways.find(({ kind }) => kind === "closest")!;
      misses.push(...missesOf(recipe, lab));
      counts.push(recipe.parts.length);
    }
  }
  return { palettes, counts, misses };
}

export const meanOf = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;
