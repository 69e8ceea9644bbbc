import { expect, test } from "vitest";
import { quantile } from "../quantile";
import { tryBoxSheet } from "./box-sheet";

test("from one photo of two washes each, mixes of foreign paints are missed by less than a third of what labels miss", async () => {
  const { read, missed, byLabel, told, granulation, refused } = await tryBoxSheet(
    31,
    "careful",
    { moderate: 1 },
    { mixes: 90 },
  );
  expect(read).toMatchObject({ kind: "box", number: 3 });
  expect(told.length + refused.length).toBe(24);
  expect(refused.length).toBeLessThan(4);
  const apart = (of: "label" | "read") =>
    granulation.reduce((sum, paint) => sum + (paint[of]! - paint.truth) ** 2, 0) / granulation.length;
  expect(apart("read")).toBeLessThan(0.9 * apart("label"));
  const misses = missed.map(({ miss }) => miss);
  expect(quantile(misses, 0.5)).toBeLessThan(quantile(byLabel, 0.5) / 3);
  expect(quantile(misses, 0.5)).toBeLessThan(2.3);
  expect(quantile(misses, 0.9)).toBeLessThan(5.5);
});
