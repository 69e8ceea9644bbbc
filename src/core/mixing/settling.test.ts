import { describe, expect, test } from "vitest";
import { BANDS } from "../colour/bands";
import { deltaE00 } from "../colour/difference";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { seededRandom } from "../numeric/random";
import { filmReflectance } from "../optics/film";
import { paperById, PAPERS } from "../optics/paper";
import { DRY_SURFACE } from "../optics/surface";
import { HANDBOOK } from "../pigments/handbook";
import { drawnMix } from "./load-colours";
import { paintModel } from "./paint";
import { predict } from "./predict";
import { opticsAt, PLACES, settle } from "./settling";

const random = seededRandom(4);
const single = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const MIXES = Array.from({ length: 200 }, (_, i) => ({
  mix: Array.from({ length: 1 + (i % 3) }, () => ({
    paint: single(HANDBOOK[Math.floor(random() * HANDBOOK.length)]!.id),
    parts: 1 + Math.floor(4 * random()),
  })),
  paper: PAPERS[i % PAPERS.length],
  load: Math.exp(Math.log(0.03) * random()),
}));

describe("how a mix settles", () => {
  test("every pigment is conserved, every place holds some, and the edge holds most", () => {
    for (const { mix, paper } of MIXES) {
      const settled = settle(mix, paper!);
      const total = mix.reduce((sum, { parts }) => sum + parts, 0);
      expect(PLACES.reduce((sum, place) => sum + settled[place].area, 0)).toBeCloseTo(1, 9);
      mix.forEach(({ parts }, i) => {
        const laid = PLACES.reduce((sum, place) => sum + settled[place].area * settled[place].amounts[i]!, 0);
        expect(laid).toBeCloseTo(parts / total, 9);
      });
      expect(Math.min(...PLACES.flatMap((place) => settled[place].amounts))).toBeGreaterThan(0);
      expect(settled.edge.load).toBeGreaterThan(settled.level.load);
      expect(settled.hollows.load).toBeGreaterThan(settled.hills.load);
    }
  });

  test("the mean of all its places is the predicted colour: within half a dE00 for nine mixes in ten", () => {
    const flat = { loads: [1, 1, 1], weights: [1 / 6, 2 / 3, 1 / 6], spread: 0 } as const;
    const misses = MIXES.map(({ mix, paper, load }) => {
      const settled = settle(mix, paper!);
      const mean = new Float64Array(BANDS);
      for (const place of PLACES) {
        const { K, S } = opticsAt(mix, settled[place]);
        const own = new Float64Array(BANDS);
        filmReflectance(K, S, load * settled[place].load, paper!.ground, DRY_SURFACE, flat, 1, own);
        own.forEach((r, i) => (mean[i]! += settled[place].area * r));
      }
      return deltaE00(labOfXyz(xyzOfReflectance(mean)), predict(mix, load, paper!).dry);
    }).sort((a, b) => a - b);
    expect(misses[Math.floor(0.5 * misses.length)]).toBeLessThan(0.15);
    expect(misses[Math.floor(0.9 * misses.length)]).toBeLessThan(0.6);
  });

  test("a granulating blue lies in the hollows, its staining partner on the hills and at the edge (common practice, no source)", () => {
    const paper = paperById("cotton-rough");
    const mix = [
      { paint: single("PB35"), parts: 1 },
      { paint: single("PY150"), parts: 1 },
    ];
    const { hollows, hills, edge } = settle(mix, paper);
    const blueShare = ({ amounts: [blue, yellow] }: typeof hollows): number => blue! / (blue! + yellow!);
    expect(blueShare(hollows)).toBeGreaterThan(0.6);
    expect(blueShare(hills)).toBeLessThan(0.4);
    expect(blueShare(edge)).toBeLessThan(0.45);
  });

  test("a drawn wash of such a mix shows two hues, one of two stainers does not", () => {
    const paper = paperById("cotton-rough");
    const apartOf = (one: string, two: string): number => {
      const { colours } = drawnMix(
        [
          { paint: single(one), parts: 1 },
          { paint: single(two), parts: 1 },
        ],
        paper,
      );
      const levels = colours.rgb.length / 12;
      const at = (row: number): readonly number[] => [
        ...colours.rgb.subarray(3 * (row * levels + 50), 3 * (row * levels + 51)),
      ];
      const [hill, , hollow] = [0, 1, 2].map(at);
      return Math.max(...hill!.map((c, i) => Math.abs(c - hollow![i]!)));
    };
    expect(apartOf("PB35", "PY150")).toBeGreaterThan(25);
    expect(apartOf("PB15-green-shade", "PY150")).toBeLessThan(6);
  });
});
