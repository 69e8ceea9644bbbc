import { describe, expect, test } from "vitest";
import { FLAT_WASH, newArea, newPainting, paintingDocument, type PaintingArea, type StoredWash } from "./painting";
import { coloursOf, weightsOf, withColourAt, withDrop, withoutColour, withRecipes } from "./washes";

const id = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;
const colour = (n: number, share: number, drop = false) => ({
  id: id(n),
  lab: { L: 10 * n, a: 0, b: 0 },
  at: { x: 0.1 * n, y: 0.2 },
  share,
  recipe: null,
  drop,
});
const laid = (wash: StoredWash, more: Partial<PaintingArea> = {}): PaintingArea =>
  newArea({ id: id(1), name: "Wall", sample: { x: 0, y: 0, radius: 0.01 }, lab: { L: 70, a: 5, b: 9 }, wash, ...more });
const layered = laid({ kind: "layered", share: 0.5, more: [colour(2, 0.45), colour(3, 0.05, true)], run: null });
const stored = (area: PaintingArea) =>
  paintingDocument.safeParse({ ...newPainting("P", "cotton-rough"), areas: [area] });

describe("the colours of a wash", () => {
  test("its own comes first, what is dropped in last; only second washes lie over the first", () => {
    const dropFirst = laid({ ...layered.wash, more: [...layered.wash.more].reverse() });
    expect(coloursOf(dropFirst).map((one) => [one.id, one.over, one.drop])).toEqual([
      [id(1), false, false],
      [id(2), true, false],
      [id(3), false, true],
    ]);
    expect(coloursOf(laid(FLAT_WASH)).length).toBe(1);
  });

  test("they share their area's weight, and an accent counts a tenth of it", () => {
    const weights = weightsOf({ ...layered, weight: 2 });
    expect(weights[0]! + weights[1]!).toBeCloseTo(2, 9);
    expect(weights[0]! / weights[1]!).toBeCloseTo(0.5 / 0.45, 9);
    expect(weights[2]).toBeCloseTo(0.2, 9);
  });

  test("recipes go to whom they belong, and nobody else's is touched", () => {
    const recipe = { parts: [{ paintId: id(9), parts: 1 }], waterParts: 2 };
    const mixed = withRecipes(layered, new Map([[id(2), recipe]]));
    expect(coloursOf(mixed).map((one) => one.recipe)).toEqual([null, recipe, null]);
    expect(withRecipes(mixed, new Map([[id(1), recipe]])).wash).toEqual(mixed.wash);
  });

  test("one is moved, left out, or counted in; what is left is a wash that can be stored", () => {
    const moved = withColourAt(layered, id(2), { x: 0.9, y: 0.9 }, { L: 33, a: 1, b: 1 });
    expect(coloursOf(moved)[1]).toMatchObject({ at: { x: 0.9, y: 0.9 }, lab: { L: 33 } });
    expect(withColourAt(layered, id(8), { x: 0, y: 0 }, layered.lab)).toBe(layered);
    const alone = withoutColour(layered, id(2));
    expect(alone.wash).toMatchObject({ kind: "flat", share: 1, more: [{ id: id(3) }] });
    const counted = withDrop(alone, id(3), false);
    expect(counted.wash.kind).toBe("varied");
    const back = withDrop(counted, id(3), true);
    expect(back.wash.kind).toBe("flat");
    for (const area of [layered, moved, alone, counted, back]) expect(stored(area).success, area.wash.kind).toBe(true);
  });

  test("no door takes a flat wash of two colours, a run without a direction, or two colours of one id", () => {
    const words = (area: PaintingArea): string | undefined => stored(area).error?.issues[0]!.message;
    expect(words(laid({ ...FLAT_WASH, more: [colour(2, 0.5)] }))).toMatch(/flat wash has one colour/);
    expect(words(laid({ kind: "graded", share: 0.5, more: [colour(2, 0.5)], run: null }))).toMatch(
      /runs in a direction/,
    );
    expect(words(laid({ kind: "varied", share: 0.5, more: [colour(1, 0.5)], run: null }))).toMatch(/same id/);
  });

  test("a painting of before, without washes, is flat", () => {
    const { wash: _, ...before } = laid(FLAT_WASH);
    const { bother: __, ...study } = newPainting("P", "cotton-rough").study;
    const read = paintingDocument.parse({ ...newPainting("P", "cotton-rough"), areas: [before], study });
    expect(read.areas[0]!.wash).toEqual(FLAT_WASH);
    expect(read.study.bother).toBe(4);
  });
});
