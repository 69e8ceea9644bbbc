import { expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { PAPERS } from "../optics/paper";
import { agreementOf, agreementsOf } from "./agreement";

// Facts of the trade: common practice, no source. Each is checked on the handbook's own pigments.

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const agree = (one: string, two: string) => agreementOf(paint(one), paint(two), paper);

test.each([
  ["PB15-green-shade", "PY3"],
  ["PV19-rose", "PB29"],
  ["PY35", "PO20"],
  ["PG18", "PY35"],
  ["PY43", "PBr7-burnt-umber"],
])("neighbours stay clean: %s and %s", (one, two) => expect(agree(one, two).verdict).toBe("clean"));

test.each([
  ["PB29", "PBr7-burnt-sienna"],
  ["PB28", "PBr7-burnt-sienna"],
  ["PG18", "PV19-rose"],
  ["PG7", "PR179"],
  ["PO20", "PB35"],
  ["PV23", "PY3"],
])("opposites make a grey: %s and %s", (one, two) => {
  const { verdict, grey } = agree(one, two);
  expect(verdict).toBe("grey");
  expect(describeColour(grey!.dry).chroma).toBeLessThan(8);
});

test("a warm yellow and a warm blue make a quiet green, a cool yellow with a cool blue a vivid one", () => {
  expect(agree("PB29", "PY3").verdict).toBe("quiet");
  expect(agree("PB15-green-shade", "PY3").kept).toBeGreaterThan(2 * agree("PB29", "PY3").kept);
  expect(agree("PB15-green-shade", "PY3").kept).toBeGreaterThan(agree("PB15-green-shade", "PY35").kept);
});

test("a black only quietens: it makes no grey with a colour", () => {
  expect(agree("PBk9", "PO20")).toMatchObject({ verdict: "quiet", grey: null });
});

test("the balanced mix is what is predicted, and leans to neither more than its neighbours among the proportions", () => {
  const { balanced, kept } = agree("PB29", "PY43");
  const mix = [
    { paint: paint("PB29"), parts: balanced.parts[0] },
    { paint: paint("PY43"), parts: balanced.parts[1] },
  ];
  expect(deltaE00(predict(mix, 0.25, paper).dry, balanced.dry)).toBeLessThan(1e-9);
  const alone = mix.map(({ paint: one }) => predict([{ paint: one, parts: 1 }], 0.25, paper).dry);
  const [a, b] = alone.map((lab) => deltaE00(lab, balanced.dry));
  expect(Math.abs(a! - b!)).toBeLessThan(deltaE00(alone[0]!, alone[1]!) / 3);
  const purest = Math.max(...alone.map((lab) => describeColour(lab).chroma));
  expect(kept).toBeCloseTo(describeColour(balanced.dry).chroma / purest, 9);
});

test("which is named first makes no difference; every pair stands once", () => {
  expect(agree("PY43", "PB29").verdict).toBe(agree("PB29", "PY43").verdict);
  expect(agree("PY43", "PB29").balanced.parts).toEqual([...agree("PB29", "PY43").balanced.parts].reverse());
  const all = agreementsOf(["PB29", "PY43", "PG18", "PO20"].map(paint), paper);
  expect(new Set(all.map(({ first, second }) => [first.id, second.id].sort().join())).size).toBe(6);
  expect(all).toHaveLength(6);
});
