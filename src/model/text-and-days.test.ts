import { describe, expect, test } from "vitest";
import { day, localDay, newestDay } from "./day";
import { faultIn } from "./fault";
import { cutText, text } from "./text";

/** A family of four, one character to the eye (Unicode emoji data 15, a ZWJ sequence of seven code points). */
const FAMILY = "👨‍👩‍👧‍👦";

describe("text", () => {
  test("is counted in characters as people see them", () => {
    expect(faultIn(text(3), FAMILY.repeat(3))).toBeNull();
    expect(faultIn(text(3), `${FAMILY}abc`)).toMatch(/At most 3/);
    expect(faultIn(text(3), "e\u0301".repeat(3))).toBeNull();
    // A letter under a tower of marks is one character and still no name.
    expect(faultIn(text(3), `a${"\u0301".repeat(500)}`)).toMatch(/At most 3/);
  });

  test.each(["\0", "a\u0007b", "\ud83c", "\udf05 sky", "\x7F"])("%j can't be kept, and is said so", (bad) =>
    expect(faultIn(text(80), bad)).toMatch(/can't be kept/),
  );
  test("tabs, line breaks and every alphabet can", () =>
    expect(faultIn(text(80), "Zeile\teins\r\nзакат 夕焼け 🌅")).toBeNull());

  test("is cut between characters, and cut text can always be kept", () => {
    expect(cutText(`ab${FAMILY}cd`, 3)).toBe(`ab${FAMILY}`);
    expect(cutText("🌅".slice(0, 1) + "sky\0", 80)).toBe("sky");
    for (let most = 0; most < 12; most++)
      expect(faultIn(text(most), cutText(`${FAMILY}é🌅${"\0"}x`.repeat(4), most))).toBeNull();
  });
});

describe("days", () => {
  const zone = process.env.TZ;
  const inZone = (name: string, at: string): string => {
    process.env.TZ = name;
    try {
      return localDay(new Date(at));
    } finally {
      if (zone === undefined) delete process.env.TZ;
      else process.env.TZ = zone;
    }
  };

  test("are the painter's own: early in the morning east of Greenwich it is already today, late in the west still", () => {
    expect(inZone("Pacific/Auckland", "2026-11-24T20:00:00Z")).toBe("2026-11-25");
    expect(inZone("America/Los_Angeles", "2026-11-25T03:00:00Z")).toBe("2026-11-24");
    expect(inZone("UTC", "2026-11-25T03:00:00Z")).toBe("2026-11-25");
  });

  test("a door takes every day that has begun somewhere on earth", () => {
    const at = "2026-11-25T11:00:00Z";
    expect(newestDay(new Date(at)) >= inZone("Pacific/Kiritimati", at)).toBe(true);
    expect(newestDay(new Date(at))).toBe("2026-11-26");
  });

  test.each([
    ["0000-01-01", false],
    ["1899-12-31", false],
    ["1900-01-01", true],
    ["2026-02-29", false],
    ["2028-02-29", true],
    ["3000-01-01", false],
    ["25.11.2026", false],
  ])("%s: %s", (date, good) => expect(faultIn(day, date) === null).toBe(good));
});
