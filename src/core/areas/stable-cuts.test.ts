import { describe, expect, test } from "vitest";
import { cutTree } from "./cut-tree";
import type { MergeTree } from "./merge-tree";
import { proposedCount, stableCounts } from "./stable-cuts";

/**
 * A chain of 30 pieces that grow together one by one, each merge dearer than the last by the factor given for its
 * count.
 */
function chain(factorAt: (shapes: number) => number): MergeTree {
  const pieces = 30;
  const merges: number[] = [];
  const heights: number[] = [];
  let height = 1;
  for (let left = pieces; left > 1; left--) {
    // `left` shapes become one fewer: the longer this takes, the more stable they were.
    height *= factorAt(left);
    merges.push(0, pieces - left + 1);
    heights.push(height);
  }
  return { pieces, merges: Int32Array.from(merges), heights: Float64Array.from(heights) };
}

describe("how many shapes a photo suggests", () => {
  test.each([5, 7, 9, 12])("the cut that holds longest is proposed: %i", (count) => {
    const tree = chain((shapes) => (shapes === count ? 6 : 1.05));
    expect(proposedCount(tree)).toBe(count);
    expect(stableCounts(tree)[0]).toBe(count);
    expect(cutTree(tree, count).shapes).toBe(count);
  });

  test("never fewer than four or more than fourteen unasked, though others are told as stable", () => {
    for (const far of [2, 20]) {
      const tree = chain((shapes) => (shapes === far ? 50 : shapes === 8 ? 1.3 : 1.05));
      expect(proposedCount(tree)).toBe(8);
      expect(stableCounts(tree)).toContain(far);
    }
  });

  test("where nothing stands out a usual number is proposed", () => {
    const count = proposedCount(chain(() => 1.2));
    expect(count).toBeGreaterThanOrEqual(7);
    expect(count).toBeLessThanOrEqual(9);
  });

  test("with hardly any pieces there is no crash, and no more than there are", () => {
    const tiny: MergeTree = { pieces: 2, merges: Int32Array.from([0, 1]), heights: Float64Array.from([1]) };
    expect(cutTree(tiny, proposedCount(tiny)).shapes).toBe(2);
    expect(stableCounts({ pieces: 1, merges: new Int32Array(0), heights: new Float64Array(0) })).toEqual([]);
  });
});
