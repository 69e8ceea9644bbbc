import { describe, expect, test } from "vitest";
import { doubtWords, refusalWords } from "./reading-words";

describe("why something can't be measured, in words", () => {
  test("figures are told, and what to do", () => {
    expect(refusalWords({ code: "not found", seen: 3 })).toMatch(/: 3 of its four round corner marks .* All four must/);
    expect(refusalWords({ code: "uneven", times: 2.456 })).toMatch(/gets 2\.5 times as much .* Turn it/);
    expect(refusalWords({ code: "cast", looks: "orange" })).toMatch(/the paper looks orange\. Take the photo in day/);
    expect(refusalWords({ code: "out of order", wash: 3 })).toMatch(/wash 3 is stronger than wash 2/);
    expect(refusalWords({ code: "bare wash", wash: 4 })).toMatch(/^Wash 4 is bare paper\. Paint it/);
  });

  test("doubts: one wash or several, shares as percentages", () => {
    expect(doubtWords({ code: "blotchy", wash: 2, leftOut: 0.347 })).toBe(
      "Wash 2 is blotchy: 35 % of it was left out.",
    );
    expect(doubtWords({ code: "cut off", washes: 1 })).toMatch(/^One wash is purer/);
    expect(doubtWords({ code: "cut off", washes: 2 })).toMatch(/^2 washes are purer/);
    expect(doubtWords({ code: "no black line" })).toContain("how opaque the paint is stays the handbook's");
    expect(doubtWords({ code: "cut off", washes: 2 }, "short")).toBe("2 washes purer than the photo can hold");
  });
});
