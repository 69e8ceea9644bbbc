import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { workedInSlices } from "./in-slices";

let now: number;
beforeEach(() => {
  now = 0;
  vi.useFakeTimers();
  vi.spyOn(performance, "now").mockImplementation(() => now);
});
afterEach(() => {
  vi.restoreAllMocks();
  vi.useRealTimers();
});

/** Counts to twenty, ten milliseconds a step. */
function* counting(counted: { to: number }): Generator<void, string> {
  while (counted.to < 20) {
    counted.to++;
    now += 10;
    yield;
  }
  return "counted";
}

test("lets the page in after some steps each time, and tells the end", () => {
  const [counted, ends] = [{ to: 0 }, [] as string[]];
  workedInSlices(counting(counted), (made) => ends.push(made));
  expect(counted.to).toBe(0);
  const turns: number[] = [];
  while (ends.length === 0 && turns.length < 50) {
    vi.runOnlyPendingTimers();
    turns.push(counted.to);
  }
  expect(ends).toEqual(["counted"]);
  expect(turns.length).toBeGreaterThan(5);
  // No slice is longer than the next step after its time.
  turns.reduce((before, now) => (expect(now - before).toBeLessThanOrEqual(4), now), 0);
  expect(vi.getTimerCount()).toBe(0);
});

test("what is left ends where it is, and tells nothing", () => {
  const [counted, done] = [{ to: 0 }, vi.fn()];
  const leave = workedInSlices(counting(counted), done);
  vi.runOnlyPendingTimers();
  const at = counted.to;
  expect(at).toBeGreaterThan(0);
  leave();
  vi.runAllTimers();
  expect([counted.to, done.mock.calls.length]).toEqual([at, 0]);
});
