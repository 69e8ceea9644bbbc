import { expect, test } from "vitest";
import { paintModel } from "../mixing/paint";
import { seededRandom } from "../numeric/random";
import { PAPERS } from "../optics/paper";
import { carriedOver, mixingOrder } from "./mixing-order";

type PuddleToMix = Parameters<typeof mixingOrder>[0][number];

const [paper] = PAPERS;
const puddle = (pigmentId: string, waterParts: number): PuddleToMix => ({
  mix: [{ paint: paintModel(pigmentId, [{ pigmentId, share: 1 }]), parts: 1 }],
  waterParts,
});
const YELLOW = puddle("PY150", 12);
const DARK = puddle("PB60", 1);
const EARTH = puddle("PBr7-burnt-sienna", 4);

test("a dark puddle spoils a light yellow, a light yellow hardly a dark", () => {
  expect(carriedOver(DARK, YELLOW, paper)).toBeGreaterThan(5 * carriedOver(YELLOW, DARK, paper));
  expect(carriedOver(YELLOW, YELLOW, paper)).toBeLessThan(1.5);
});

test("light and clean is mixed first, whatever order the puddles stand in", () => {
  for (const list of [
    [DARK, EARTH, YELLOW],
    [EARTH, YELLOW, DARK],
  ])
    expect(mixingOrder(list, paper).map((i) => list[i])).toEqual([YELLOW, EARTH, DARK]);
  expect(mixingOrder([], paper)).toEqual([]);
});

test("no order of five puddles carries less over than the one found, and none of 300 drawn orders of fifteen", () => {
  const random = seededRandom(5);
  const ids = ["PY150", "PB60", "PBr7-burnt-sienna", "PB29", "PR122", "PG7"];
  const some = (count: number): PuddleToMix[] =>
    Array.from({ length: count }, (_, i) => puddle(ids[i % ids.length]!, 1 + Math.round(20 * random())));
  const costs = (list: readonly PuddleToMix[]): number[][] =>
    list.map((from) => list.map((to) => carriedOver(from, to, paper)));
  const carried = (cost: readonly number[][], order: readonly number[]): number =>
    order.reduce((sum, to, i) => order.slice(0, i).reduce((all, from) => all + cost[from]![to]!, sum), 0);
  const every = (left: readonly number[]): number[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((one) => every(left.filter((i) => i !== one)).map((rest) => [one, ...rest]));
  const five = some(5);
  const cost = costs(five);
  const least = Math.min(...every(five.map((_, i) => i)).map((order) => carried(cost, order)));
  expect(carried(cost, mixingOrder(five, paper))).toBeCloseTo(least, 9);
  const many = some(15);
  const found = mixingOrder(many, paper);
  expect([...found].sort((a, b) => a - b)).toEqual(many.map((_, i) => i));
  const large = costs(many);
  const drawn = Array.from({ length: 300 }, () =>
    many
      .map((_, i) => ({ i, at: random() }))
      .sort((a, b) => a.at - b.at)
      .map(({ i }) => i),
  );
  expect(carried(large, found)).toBeLessThan(Math.min(...drawn.map((order) => carried(large, order))));
});
