import { expect, test } from "vitest";
import { predict } from "@/core/mixing";
import { HANDBOOK } from "@/core/pigments";
import { learnedBookOf } from "./learned-book";
import { fingerprintOf, modelFingerprint } from "./model-fingerprint";

test("it is the same for the same program, and another one when a record, the film or the learning answers otherwise", () => {
  const own = { handbook: HANDBOOK, predict, learn: learnedBookOf };
  const before = modelFingerprint();
  expect(fingerprintOf(own)).toBe(before);
  const [first, ...rest] = HANDBOOK;
  const others = [
    fingerprintOf({ ...own, handbook: [{ ...first!, granulation: first!.granulation + 0.05 }, ...rest] }),
    fingerprintOf({ ...own, predict: (mix, load, paper) => predict(mix, load * 1.001, paper) }),
    fingerprintOf({
      ...own,
      learn: (sources) => {
        const book = learnedBookOf(sources);
        return book && { ...book, habit: book.habit * 1.0001 };
      },
    }),
  ];
  expect(new Set([before, ...others]).size).toBe(4);
});
