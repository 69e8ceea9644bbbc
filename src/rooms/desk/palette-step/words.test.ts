import { expect, test } from "vitest";
import type { FoundSize, ServedPalette } from "@/core/palette";
import { listed } from "@/model/text";
import type { KnownPaint } from "../paints";
import { characterWords } from "./character-words";
import { bestOfWords, changeOf, changeWords, firstOf, gainWords } from "./words";

const paints = ["Ochre", "Blue", "Rose"].map((name) => ({ name }) as KnownPaint);
const areas = ["sky", "brick", "reeds"];
const served = (own: readonly number[], errors: readonly number[]): ServedPalette => ({
  paints: own,
  error: errors.reduce((a, b) => a + b) / errors.length,
  expected: 0,
  ideal: 0,
  served: errors.map((error) => ({ error, expected: error, ideal: error, combination: [], made: null })),
});
const size = (own: readonly number[], errors: readonly number[]): FoundSize => ({
  size: own.length,
  outOf: 3,
  nodes: 1,
  proven: true,
  chosenFrom: 3,
  best: [served(own, errors)],
});

test("tells what a palette is the best of, and where not all could be weighed", () => {
  const found = { ...size([0, 1], [9, 1, 5]), outOf: 1225 };
  expect(bestOfWords({ ...found, chosenFrom: 50 }, 50)).toBe("The best of all 1,225 palettes of 2 paints.");
  expect(bestOfWords({ ...found, chosenFrom: 50 }, 80)).toBe(
    "The best of all 1,225 palettes of 2 paints, of the 50 paints that promise most here.",
  );
  expect(bestOfWords({ ...found, proven: false, chosenFrom: 50 }, 80)).toMatch(
    /^The best found among 1,225 palettes of 2 paints, of the 50 paints that promise most here\. With so many/,
  );
  expect(bestOfWords({ ...found, proven: false, chosenFrom: 80 }, 80)).toMatch(
    /^The best found among 1,225 palettes of 2 paints\. W/,
  );
});

test("lists as a painter reads them", () => {
  expect([
    listed([]),
    listed(["a"]),
    listed(["a", "b", "c"]),
    firstOf(["a", "b", "c"], 2),
    firstOf(["a", "b"], 2),
  ]).toEqual(["", "a", "a, b and c", "a, b and 1 more", "a and b"]);
});

test("what one more paint buys names the paint and the areas it helps", () => {
  expect(gainWords(size([0], [9, 1, 5]), size([0, 2], [3, 1, 2]), paints, areas)).toBe(
    "A second paint (Rose) gains 3.0, most for sky and reeds.",
  );
  expect(gainWords(size([0], [9, 9, 9]), size([1, 2], [3, 3, 3]), paints, areas)).toContain(
    "(Blue and Rose for Ochre)",
  );
  expect(gainWords(size([0], [1, 1, 1]), size([0, 1], [1, 1, 0.9]), paints, areas)).toBe(
    "A second paint hardly helps.",
  );
  expect(gainWords(size([0], [1, 1, 1]), undefined, paints, areas)).toBe("");
});

test("a change of palette says first what is lost, and passes over what hardly moves", () => {
  const change = changeOf(served([0], [5, 1, 2]), served([1], [2, 4, 2.3]), areas);
  expect(change).toEqual({ better: [{ name: "sky", by: 3 }], worse: [{ name: "brick", by: 3 }] });
  expect(changeWords(change)).toBe("Lost: brick by 3.0. Better: sky by 3.0.");
  expect(changeWords(changeOf(served([0], [5, 1, 2]), served([1], [5, 1, 2]), areas))).toBe("Hardly any area changes.");
  expect(changeWords(changeOf(served([0], [5, 1, 2]), served([], [Infinity, Infinity, Infinity]), areas))).toContain(
    "by everything",
  );
});

test("each character names its figure beside the best palette's", () => {
  expect(characterWords("simplest", 1.6, 2.4)).toEqual({ name: "Simplest mixes", figure: "of 1.6 for 2.4 paints" });
  expect(characterWords("textured", 0.438, 0.21).figure).toBe("44 % for 21 % of granulation");
  expect(characterWords("darkest", 2.1, 2.6).figure).toBe("down to value 2.1 for 2.6");
});
