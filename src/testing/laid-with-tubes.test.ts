import { expect, test } from "vitest";
import { meanOf } from "./laid-by-hand";
import { laidWithTubes, shareNearer } from "./laid-with-tubes";

test("what is told holds for tubes and hands that the program does not see, and measured paints are worth what they are worth", async () => {
  const [blind, knowing] = await Promise.all([
    laidWithTubes("field", false, 1, 10),
    laidWithTubes("field", true, 1, 10),
  ]);
  for (const laid of [blind, knowing]) {
    const { median, p90 } = shareNearer(laid);
    expect(Math.abs(median - 0.5)).toBeLessThan(0.12);
    expect(Math.abs(p90 - 0.9)).toBeLessThan(0.09);
  }
  const mean = (laid: typeof blind): number => meanOf(laid.flatMap(({ misses }) => misses));
  expect(mean(knowing)).toBeLessThan(0.85 * mean(blind));
});
