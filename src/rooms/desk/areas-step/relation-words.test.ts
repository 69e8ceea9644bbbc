import { describe, expect, test } from "vitest";
import { relationWords } from "./relation-words";

const none = { value: null, chroma: null, temperature: null };

describe("relations in words", () => {
  test("only what is seen is said, the last with 'and'", () => {
    const differences = { value: -2.94, chroma: -36.1, temperature: -21.7 };
    expect(relationWords({ id: "light", holds: true, differences })).toBe(
      "Shade is darker by 2.9 value steps, greyer by 36 chroma and cooler by 22 than light.",
    );
    expect(relationWords({ id: "light", holds: true, differences: { ...differences, chroma: null } })).toBe(
      "Shade is darker by 2.9 value steps and cooler by 22 than light.",
    );
    expect(relationWords({ id: "subject", holds: false, differences: none })).toContain("hardly differs");
  });

  test("where the crispest edge lies", () => {
    const edge = (holds: boolean | null) => relationWords({ id: "edge", holds, between: ["House", "Sky"] });
    expect(edge(true)).toBe("The crispest edge lies between House and Sky, at the focal point.");
    expect(edge(false)).toMatch(/, not at the focal point\.$/);
    expect(edge(null)).toBe("The crispest edge lies between House and Sky.");
  });

  test("where light and dark meet, and what there is at the focal point instead", () => {
    expect(relationWords({ id: "meeting", holds: null })).toContain("No area is the focal point yet");
    expect(relationWords({ id: "meeting", holds: true, at: "House" })).toContain("meet at House, the focal point");
    const strongest = { focal: "House", against: "Reeds", by: 2.04 };
    expect(relationWords({ id: "meeting", holds: false, meet: true, strongest })).toBe(
      "Lightest and darkest meet, but not at the focal point. " +
        "The strongest contrast at the focal point is House against Reeds, 2.0 value steps.",
    );
    expect(relationWords({ id: "meeting", holds: false, meet: false, strongest: null })).toMatch(/don't meet\.$/);
  });

  test("the far plane, and what pulls it forward", () => {
    const far = { id: "depth", holds: false, differences: none, lessContrast: false, forwardBy: "warmth" } as const;
    expect(relationWords(far)).toBe(
      "The far plane is hardly different from the near one, with more contrast: warmth pulls it forward.",
    );
    expect(relationWords({ ...far, holds: true, forwardBy: null, lessContrast: true })).toMatch(
      /with less contrast: it recedes/,
    );
  });
});
