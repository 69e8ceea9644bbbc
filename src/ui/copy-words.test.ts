import { expect, test } from "vitest";
import { aheadWords, holdingsWords, sizeWords, spaceWords, whenWords } from "./copy-words";

test("when a copy was made, how large it is and what a store holds are told as one says it", () => {
  const now = new Date(2026, 2, 1, 9, 5);
  const at = (...when: [number, number, number, number, number]): string => new Date(...when).toISOString();
  expect(whenWords(at(2026, 2, 1, 0, 0), now)).toBe("today 00:00");
  expect(whenWords(at(2026, 1, 28, 23, 59), now)).toBe("yesterday 23:59");
  expect(whenWords(at(2025, 2, 1, 9, 5), now)).toBe("1 March 2025, 09:05");
  expect(aheadWords({ madeAt: at(2026, 2, 1, 9, 12) }, now)).toBe("");
  expect(aheadWords({ madeAt: at(2031, 0, 1, 0, 0) }, now)).toContain("clock was wrong");
  expect([0, 27_400, 1_250_000, 48_600_000].map(sizeWords)).toEqual(["1 KB", "27 KB", "1.3 MB", "49 MB"]);
  expect(spaceWords({ bytes: 48_600_000, binnedBytes: 0 })).toBe("All photos as they came take 49 MB.");
  expect(spaceWords({ bytes: 48_600_000, binnedBytes: 27_400 })).toContain("27 KB of it only the bin shows");
  expect(holdingsWords({ paintings: 1, paints: 0, entries: 2, photos: 1 })).toBe(
    "1 painting, 0 paints, 2 pages of the logbook, 1 photo",
  );
});
