import { expect, test } from "vitest";
import { filmMl, puddleAmount, RESERVE, squeezedCm } from "./amounts";
import { brushFor } from "./brushes";

test("a film of 50 micrometres over an A4 sheet is 3.1 ml", () => {
  // ISO 216: 21.0 by 29.7 cm. Worked by hand: 623.7 cm² by 0.005 cm.
  expect(filmMl(21 * 29.7, 50)).toBeCloseTo(3.1185, 6);
});

test("water and paint add up to what is mixed, paint by its parts and strengths", () => {
  const { laidMl, mixedMl, waterMl, paintMl } = puddleAmount(
    [2, 1],
    [
      { areaCm2: 400, waterParts: 4, filmUm: 50 },
      { areaCm2: 100, waterParts: 1, filmUm: 50 },
    ],
  );
  expect(laidMl).toBeCloseTo(2.5, 9);
  // Laid and a reserve of 30 %; 0.2 ml stay in the well and half a brush is rinsed out, here half of what is laid,
  // since the flat brush holds 3 ml: 3.25 + 0.2 + 1.25.
  expect(RESERVE).toBe(0.3);
  expect(mixedMl).toBeCloseTo(4.7, 9);
  expect(waterMl + paintMl[0]! + paintMl[1]!).toBeCloseTo(mixedMl, 9);
  expect(paintMl[0]! / paintMl[1]!).toBeCloseTo(2, 9);
  // Of the sheet's 2 ml at 1 : 4 a fifth is paint, of 0.5 ml at 1 : 1 a half: 26 % of the whole.
  expect((paintMl[0]! + paintMl[1]!) / mixedMl).toBeCloseTo(0.26, 9);
});

test("what is laid nowhere takes nothing, and a mix of nothing is refused", () => {
  expect(puddleAmount([1], [])).toMatchObject({ mixedMl: 0, waterMl: 0, paintMl: [0], brushfuls: 0 });
  expect(() => puddleAmount([0, 0], [])).toThrow(RangeError);
});

test("a bead from a tube's mouth of 4.5 mm holds a millilitre in 6.3 cm; bigger washes take bigger brushes", () => {
  expect(squeezedCm(1)).toBeCloseTo(6.288, 3);
  const sizes = [5, 50, 200, 800].map((cm2) => brushFor(cm2).ml);
  expect([...sizes].sort((a, b) => a - b)).toEqual(sizes);
  expect(new Set(sizes).size).toBe(4);
});
