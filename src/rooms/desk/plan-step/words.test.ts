import { expect, test } from "vitest";
import { clockWords, minutesWords, mlWords, moreWords, squeezedWords, unmixedWords, washesWords } from "./words";

test("times, amounts and fractions are said as a painter says them", () => {
  expect([0, 0.2, 59.4, 59.6, 80, 120].map(minutesWords)).toEqual(["0 min", "1 min", "59 min", "1 h", "1 h 20", "2 h"]);
  expect([0, 5, 59.7, 125].map(clockWords)).toEqual(["0:00", "0:05", "1:00", "2:05"]);
  expect([0.01, 0.3, 2.34, 14.6].map(mlWords)).toEqual(["a trace", "0.30 ml", "2.3 ml", "15 ml"]);
  expect([0.1, 0.5, 3.14].map(squeezedWords)).toEqual(["a dot", "5 mm", "3.1 cm"]);
  expect([1, 2].map(washesWords)).toEqual(["1 wash", "2 washes"]);
  expect([1.1, 1.33, 1.5, 2, 3.5, 0.9, 0.75, 0.66, 0.5].map(moreWords)).toEqual([
    "a little more paint",
    "a third more paint",
    "half as much paint again",
    "twice the paint",
    "3.5 times the paint",
    "a little less paint",
    "a quarter less paint",
    "a third less paint",
    "half the paint",
  ]);
});

test("colours without a mix are named, many of them counted", () => {
  expect(unmixedWords(["Sky"])).toBe("Sky has no mix yet, and stands in no wash.");
  expect(unmixedWords(["a", "b", "c", "d", "e", "f"])).toBe(
    "a, b, c and d and 2 colours more have no mix yet, and stand in no wash.",
  );
});
