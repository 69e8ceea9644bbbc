import { pairOf } from "../numeric/tuples";
import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { normalFrom } from "../numeric/normal";
import { seededRandom } from "../numeric/random";
import { PAPERS } from "../optics/paper";
import { HANDS, partDeviation, type Hand } from "./hand";
import { DEFAULT_MATCH, matchOver, prepareMatch, type Recipe } from "./match";
import { paintModel, type PaintModel } from "./paint";
import { predict } from "./predict";

const paper = PAPERS[0];
const ids = [
  "PY43",
  "PY154",
  "PBr7-burnt-sienna",
  "PR254",
  "PV19-rose",
  "PB29",
  "PB15-green-shade",
  "PG7",
  "PBr7-burnt-umber",
];
const paints = new Map(ids.map((id): [string, PaintModel] => [id, paintModel(id, [{ pigmentId: id, share: 1 }])]));
const table = prepareMatch([...paints.values()], paper);
const random = seededRandom(91);
const targets: Lab[] = Array.from({ length: 24 }, () => ({
  L: 30 + 55 * random(),
  a: -15 + 40 * random(),
  b: -25 + 55 * random(),
}));

/** Root mean square error of a recipe as a hand lays it: every part and the water drawn anew, nothing made linear. */
function drawn({ parts, load }: Recipe, target: Lab, hand: Hand, draw: () => number, times = 300): number {
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  let squares = 0;
  for (let i = 0; i < times; i++) {
    const mix = parts.map(({ paintId, parts: n }) => ({
      paint: paints.get(paintId)!,
      parts: n * (parts.length > 1 ? Math.exp(partDeviation(n / total, hand) * draw()) : 1),
    }));
    const laid = mix.reduce((sum, part) => sum + part.parts, 0) / total;
    squares += deltaE00(target, predict(mix, load * laid * Math.exp(hand.water * draw()), paper).dry) ** 2;
  }
  return Math.sqrt(squares / times);
}

/** What is told of the exact mix and the hand together. */
const inHand = ({ comesOut: { from } }: Recipe): number => Math.hypot(from.reach, from.hand);

describe("what comes out in a hand", () => {
  const even = seededRandom(5);
  /** Two ways to scatter: as the judge supposes, and evenly between two ends with the same deviation. */
  const ways: readonly (readonly [string, () => number])[] = [
    ["normally", normalFrom(seededRandom(4))],
    ["evenly", () => Math.sqrt(3) * (2 * even() - 1)],
  ];
  test.each(ways)("the reckoned figure is within 15 % of hands drawn %s, in the median", (_, draw) => {
    for (const hand of [HANDS.careful, HANDS.usual]) {
      const off = targets
        .flatMap((target) =>
          matchOver(target, table, { ...DEFAULT_MATCH, hand, ways: 3 }).map((recipe) => ({ target, recipe })),
        )
        .filter(({ recipe }) => recipe.difference.dE00 < 8)
        .map(({ target, recipe }) => Math.abs(drawn(recipe, target, hand, draw) / inHand(recipe) - 1))
        .sort((a, b) => a - b);
      expect(off.length).toBeGreaterThan(25);
      expect(off[Math.floor(off.length / 2)]).toBeLessThan(0.15);
    }
  });

  test("a loose hand comes out further off than a careful one, and lays simpler mixes", () => {
    const first = (hand: Hand): Recipe[] =>
      targets.map((target) => matchOver(target, table, { ...DEFAULT_MATCH, hand, ways: 1 })[0]!);
    const mean = (recipes: Recipe[], of: (recipe: Recipe) => number): number =>
      recipes.reduce((sum, recipe) => sum + of(recipe), 0) / recipes.length;
    const [careful, loose] = [first(HANDS.careful), first(HANDS.loose)];
    expect(mean(loose, inHand)).toBeGreaterThan(1.3 * mean(careful, inHand));
    expect(mean(loose, ({ parts }) => parts.length)).toBeLessThan(mean(careful, ({ parts }) => parts.length));
  });

  test("a touch is surer to be off than a part, and three strong primaries than an earth with a blue (common practice, no source)", () => {
    expect(partDeviation(0.02, HANDS.usual)).toBeGreaterThan(2 * partDeviation(0.5, HANDS.usual));
    const greys: Lab[] = [40, 50, 60].map((L) => ({ L, a: -1, b: -3 }));
    const [earth, strong] = pairOf(
      [
        ["PBr7-burnt-sienna", "PB29", "PY43"],
        ["PB15-green-shade", "PV19-rose", "PY154"],
      ].map((three) => {
        const few = prepareMatch(
          three.map((id) => paints.get(id)!),
          paper,
        );
        return greys.reduce((sum, grey) => sum + inHand(matchOver(grey, few)[0]!), 0);
      }),
    );
    expect(earth).toBeLessThan(0.8 * strong);
  });
});
