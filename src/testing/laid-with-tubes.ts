import { deltaE00 } from "@/core/colour";
import {
  DEFAULT_MATCH,
  HANDS,
  matchOver,
  paintModel,
  prepareMatch,
  type ComesOut,
  type PaintModel,
} from "@/core/mixing";
import { partDeviation } from "@/core/mixing/hand";
import { fullMetric } from "@/core/mixing/metric";
import { seededRandom } from "@/core/numeric/random";
import { PAPERS } from "@/core/optics";
import { choosePalettes, mixCosts } from "@/core/palette";
import { FINE_NM } from "@/core/simulation/fine-bands";
import { between, foreignPaint, type ForeignPaint } from "./foreign-bench/foreign-paint";
import { foreignColour, foreignSheet } from "./foreign-bench/foreign-sheet";
import { BOX, coloursOf, type Picture } from "./laid-by-hand";

/** So many paints of the box have been measured, and are what their models say. */
const MEASURED = 10;
const paper = PAPERS[0];

/** A tube that is just what its model says. */
const justSo = ({ optics, granulation }: PaintModel): ForeignPaint => ({
  K: Float64Array.from(FINE_NM, (nm) => between(Float64Array.from(optics.K), nm)),
  S: Float64Array.from(FINE_NM, (nm) => between(Float64Array.from(optics.S), nm)),
  granulation,
});

/** One recipe as laid with tubes that the program has not seen. */
export interface LaidWithTubes {
  /** What was told beforehand. */
  readonly told: ComesOut;
  /** What it missed by, in several tubes and draws of the hand. */
  readonly misses: readonly number[];
}

/**
 * Palettes of three to five paints for a photograph out of a box of which ten paints were measured, chosen with or
 * without knowing that, and laid by a drawn hand with those ten as they are and foreign tubes of all others.
 */
export async function laidWithTubes(
  name: Picture,
  counted: boolean,
  seed: number,
  tubes: number,
): Promise<LaidWithTubes[]> {
  const random = seededRandom(seed);
  const order = BOX.map((_, i) => [random(), i] as const).sort((a, b) => a[0] - b[0]);
  const measured = new Set(order.slice(0, MEASURED).map(([, i]) => i));
  const paints = BOX.map((id, i): PaintModel => {
    const model = paintModel(id, [{ pigmentId: id, share: 1 }]);
    if (!counted || !measured.has(i)) return model;
    return { ...model, measured: { miss: 1.5, loads: [0.06, 1], on: "2026-11-26", way: "bench" } };
  });
  const boxes = Array.from({ length: tubes }, (_, i) => {
    const own = seededRandom(100 + i);
    const sheet = foreignSheet(own);
    return {
      sheet,
      truth: new Map(
        BOX.map((id, p) => {
          const foreign = foreignPaint(id, own);
          return [id, measured.has(p) ? justSo(paints[p]!) : foreign];
        }),
      ),
    };
  });
  const draw = (deviation: number): number => Math.exp(deviation * Math.sqrt(3) * (2 * random() - 1));
  const colours = await coloursOf(name);
  const costs = mixCosts(colours, prepareMatch(paints, paper), { ...fullMetric(1.5), hand: HANDS.usual });
  return choosePalettes(costs, [3, 4, 5]).flatMap(({ best }) => {
    const few = prepareMatch(
      best[0]!.paints.map((p) => paints[p]!),
      paper,
    );
    return colours.map(({ lab }) => {
      const recipe = matchOver(lab, few, { ...DEFAULT_MATCH, ways: 1 })[0]!;
      const total = recipe.parts.reduce((sum, part) => sum + part.parts, 0);
      const misses = boxes.map(({ sheet, truth }) => {
        const mix = recipe.parts.map(({ paintId, parts }) => ({
          paint: truth.get(paintId)!,
          share: parts * (recipe.parts.length > 1 ? draw(partDeviation(parts / total, HANDS.usual)) : 1),
        }));
        const laid = mix.reduce((sum, { share }) => sum + share, 0);
        const load = recipe.load * (laid / total) * draw(HANDS.usual.water);
        return deltaE00(
          lab,
          foreignColour(
            mix.map((part) => ({ ...part, share: part.share / laid })),
            load,
            sheet,
          ),
        );
      });
      return { told: recipe.comesOut, misses };
    });
  });
}

/** Share of the misses that are nearer than what was told as the median, and as nine in ten. */
export function shareNearer(laid: readonly LaidWithTubes[]): { readonly median: number; readonly p90: number } {
  const all = laid.flatMap(({ told, misses }) => misses.map((miss) => ({ miss, told })));
  const share = (of: "median" | "p90"): number => all.filter(({ miss, told }) => miss < told[of]).length / all.length;
  return { median: share("median"), p90: share("p90") };
}
