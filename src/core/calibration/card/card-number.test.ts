import { expect, test } from "vitest";
import { cellsOfNumber, MAX_CARD_NUMBER, numberOfCells } from "./card-number";

test("every number is read back from its cells, and no single wrong cell passes for another number", () => {
  for (let number = 0; number <= MAX_CARD_NUMBER; number++) {
    const cells = cellsOfNumber(number);
    expect(numberOfCells(cells)).toBe(number);
    cells.forEach((_, wrong) =>
      expect(numberOfCells(cells.map((black, i) => (i === wrong ? !black : black)))).toBeNull(),
    );
  }
});

test("bare paper and a black bar are no numbers; what can't be carried is refused", () => {
  expect(numberOfCells(Array.from({ length: 12 }, () => false))).toBeNull();
  expect(numberOfCells(Array.from({ length: 12 }, () => true))).toBeNull();
  expect(numberOfCells([])).toBeNull();
  for (const wrong of [-1, 256, 1.5, NaN]) expect(() => cellsOfNumber(wrong)).toThrow(RangeError);
});
