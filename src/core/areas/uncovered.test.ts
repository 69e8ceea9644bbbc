import { describe, expect, test } from "vitest";
import { labelUncovered, uncoveredPieces } from "./uncovered";
import { cuesOf } from "./cues";
import { mergeTree } from "./merge-tree";
import type { Superpixels } from "./superpixels";

/** Four pieces side by side, eight pixels wide, one high each row; features are their greys. */
const [WIDTH, HEIGHT] = [32, 6];
const labels = Int32Array.from({ length: WIDTH * HEIGHT }, (_, i) => Math.floor((i % WIDTH) / 8));
const pieces: Superpixels = { width: WIDTH, height: HEIGHT, labels, count: 4 };
const greys = [20, 22, 70, 74];
const oklab = Float32Array.from({ length: 3 * WIDTH * HEIGHT }, (_, i) =>
  i % 3 === 0 ? greys[labels[Math.floor(i / 3)]!]! / 100 : 0,
);
const cues = cuesOf({ width: WIDTH, height: HEIGHT, oklab, linear: oklab });
const none = new Uint8Array(WIDTH * HEIGHT);
/** A label over the leftmost so many pixels of each row. */
const takenUpTo = (x: number): Uint8Array => none.map((_, i) => (i % WIDTH < x ? 9 : 0));

describe("what no area covers yet", () => {
  test("a piece counts as uncovered while more of it is free than taken", () => {
    expect([...uncoveredPieces(pieces, none)]).toEqual([1, 1, 1, 1]);
    expect([...uncoveredPieces(pieces, takenUpTo(3))]).toEqual([1, 1, 1, 1]);
    expect([...uncoveredPieces(pieces, takenUpTo(4))]).toEqual([0, 1, 1, 1]);
    expect([...uncoveredPieces(pieces, takenUpTo(13))]).toEqual([0, 0, 1, 1]);
  });

  test("is divided into shapes of like pieces, and nothing is proposed where an area lies", () => {
    const only = uncoveredPieces(pieces, none);
    const two = labelUncovered(pieces, mergeTree(pieces, cues, only, 0), only, none, 2);
    expect(two.shapes).toBe(2);
    const at = (x: number): number => two.labels[x]!;
    expect(at(0)).toBe(at(15));
    expect(at(16)).toBe(at(31));
    expect(at(0)).not.toBe(at(31));
    expect(two.labels.every((label) => label > 0)).toBe(true);
  });

  test("with an area over the left piece the rest alone is proposed, part of a piece that it cuts too", () => {
    const taken = takenUpTo(10);
    const only = uncoveredPieces(pieces, taken);
    const { labels: proposed, shapes } = labelUncovered(pieces, mergeTree(pieces, cues, only, 0), only, taken, 3);
    expect(shapes).toBe(3);
    expect(taken.findIndex((label, i) => proposed[i]! > 0 !== (label === 0))).toBe(-1);
  });

  test("when all is covered there is nothing", () => {
    const taken = takenUpTo(WIDTH);
    const only = uncoveredPieces(pieces, taken);
    const nothing = labelUncovered(pieces, mergeTree(pieces, cues, only, 0), only, taken, 5);
    expect(nothing.shapes).toBe(0);
    expect(nothing.labels.every((label) => label === 0)).toBe(true);
  });
});
