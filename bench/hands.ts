import { proposeShapes } from "@/core/areas";
import type { Lab } from "@/core/colour";
import { deltaE00 } from "@/core/colour";
import { labOfXyz } from "@/core/colour/lab";
import { linearSrgbOfOklab } from "@/core/colour/oklab";
import { xyzOfLinearSrgb } from "@/core/colour/srgb";
import { areaImageOf } from "@/core/image";
import { DEFAULT_MATCH, HANDS, matchOver, paintModel, predict, prepareMatch, type Recipe } from "@/core/mixing";
import { partDeviation } from "@/core/mixing/hand";
import { fullMetric } from "@/core/mixing/metric";
import { seededRandom } from "@/core/numeric/random";
import { PAPERS } from "@/core/optics";
import { choosePalettes, mixCosts } from "@/core/palette";
import { photograph } from "@/testing/photographs/photographs";

const PICTURES = ["mountain", "bridge", "sunset", "field", "dune", "harbour"] as const;
const SIZES = [3, 4, 5];
const DRAWS = 60;
/** A box of 25 single pigments such as landscape painters own. */
const BOX =
  "PY3 PY154 PY150 PO49 PY43 PBr7-raw-sienna PBr7-burnt-sienna PBr7-burnt-umber PBr7-raw-umber PR101-light-red PR101-indian-red PO73 PR108 PR254 PV19-rose PR177 PR179 PV23 PB29 PB28 PB35 PB15-green-shade PB60 PG7 PG18".split(
    " ",
  );

const labOfMean = (L: number, a: number, b: number): Lab => labOfXyz(xyzOfLinearSrgb(linearSrgbOfOklab({ L, a, b })));

/** The colours of a photograph's shapes, each weighed by the root of its size. */
async function coloursOf(name: (typeof PICTURES)[number]): Promise<{ lab: Lab; weight: number }[]> {
  const { width, height, oklab, linear } = areaImageOf(await photograph(name));
  const { labels, shapes } = proposeShapes({ width, height, oklab, linear }, new Uint8Array(width * height).fill(1));
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
 * Palettes chosen and mixed by an ideal hand's judge and by a usual hand's, laid by a hand whose parts and water are
 * drawn evenly between two ends, which is not the judge's distribution.
 */
export async function benchHands(row: (name: string, text: string) => void): Promise<void> {
  const paper = PAPERS[0];
  const paints = BOX.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const table = prepareMatch(paints, paper);
  const random = seededRandom(3);
  const draw = (deviation: number): number => Math.exp(deviation * Math.sqrt(3) * (2 * random() - 1));
  const missesOf = ({ parts, load }: Recipe, lab: Lab): number[] => {
    const total = parts.reduce((sum, part) => sum + part.parts, 0);
    return Array.from({ length: DRAWS }, () => {
      const mix = parts.map(({ paintId, parts: n }) => ({
        paint: byId.get(paintId)!,
        parts: n * (parts.length > 1 ? draw(partDeviation(n / total, HANDS.usual)) : 1),
      }));
      const laid = mix.reduce((sum, part) => sum + part.parts, 0) / total;
      return deltaE00(lab, predict(mix, load * laid * draw(HANDS.usual.water), paper).dry);
    });
  };
  const all = { ideal: [] as number[], usual: [] as number[] };
  const counts = { ideal: [] as number[], usual: [] as number[] };
  for (const name of PICTURES) {
    const colours = await coloursOf(name);
    const threes = new Map<string, string>();
    for (const judge of ["ideal", "usual"] as const) {
      const hand = judge === "usual" ? HANDS.usual : undefined;
      const costs = mixCosts(colours, table, { ...fullMetric(1.5), hand });
      for (const { size, best } of choosePalettes(costs, SIZES)) {
        const own = best[0]!.paints.map((p) => paints[p]!);
        if (size === 3) threes.set(judge, own.map(({ id }) => id).join(" "));
        const few = prepareMatch(own, paper);
        for (const { lab } of colours) {
          const ways = matchOver(lab, few, { ...DEFAULT_MATCH, ways: 2 });
          const recipe = hand ? ways[0]! : ways.find(({ kind }) => kind === "closest")!;
          all[judge].push(...missesOf(recipe, lab));
          counts[judge].push(recipe.parts.length);
        }
      }
    }
    row(`${name}: three paints, by an ideal hand and by a usual one`, `${threes.get("ideal")}; ${threes.get("usual")}`);
  }
  const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;
  const at = (list: readonly number[], share: number): number =>
    [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]!;
  for (const judge of ["ideal", "usual"] as const)
    row(
      `laid by a drawn hand, judged by ${judge === "ideal" ? "an ideal" : "a usual"} one`,
      `dE00 mean ${mean(all[judge]).toFixed(2)}, 90 % ${at(all[judge], 0.9).toFixed(1)}; ${mean(counts[judge]).toFixed(1)} paints in the mean mix, ${at(counts[judge], 0.5)} in the median`,
    );
  row(
    "ratio, usual to ideal (goal 0.8 or less)",
    `mean ${(mean(all.usual) / mean(all.ideal)).toFixed(2)}, 90 % ${(at(all.usual, 0.9) / at(all.ideal, 0.9)).toFixed(2)}`,
  );
}
