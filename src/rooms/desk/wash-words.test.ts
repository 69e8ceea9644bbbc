import { describe, expect, test } from "vitest";
import type { Lab } from "@/core/colour";
import { newArea, type StoredWash } from "@/model/painting";
import { colourName, washReason } from "./wash-words";

const BLUE = { L: 55, a: -4, b: -28 };
const STRAW = { L: 85, a: 4, b: 30 };
const SAND = { L: 80, a: 6, b: 22 };
const BROWN = { L: 40, a: 14, b: 20 };
const id = (n: number): string => `00000000-0000-4000-8000-00000000000${n}`;

/** An area of these colours, its own first. */
const area = (kind: StoredWash["kind"], labs: readonly Lab[], run: StoredWash["run"] = null, dropLast = false) =>
  newArea({
    id: id(1),
    name: "Sky",
    sample: { x: 0, y: 0, radius: 0.01 },
    lab: labs[0]!,
    wash: {
      kind,
      share: 0.5,
      run,
      more: labs.slice(1).map((lab, i) => ({
        id: id(i + 2),
        lab,
        at: { x: 0.5, y: 0.5 },
        share: 0.5,
        recipe: null,
        drop: dropLast && i === labs.length - 2,
      })),
    },
  });
const run = (dx: number, dy: number) => ({ from: { x: 0.5, y: 0.5 }, to: { x: 0.5 + dx, y: 0.5 + dy } });

describe("what a wash is told as", () => {
  test("a run by where it goes: down, up, across", () => {
    expect(washReason(area("graded", [BLUE, STRAW], run(0, 0.4)))).toBe("blue above, straw below");
    expect(washReason(area("graded", [BLUE, STRAW], run(0.05, -0.4)))).toBe("blue below, straw above");
    expect(washReason(area("graded", [BLUE, STRAW], run(0.4, 0.1)))).toBe("blue left, straw right");
    const paler = { ...BLUE, L: 75 };
    expect(washReason(area("graded", [BLUE, paler], run(0, 0.4)))).toBe("lighter below");
    expect(washReason(area("graded", [BLUE, { ...BLUE, b: -16 }], run(0, 0.4)))).toBe("purer above");
  });

  test("layers by what goes over what, varied ones by their hues and whether they are of one value", () => {
    expect(washReason(area("layered", [SAND, BROWN]))).toMatch(/^brown over sand, darker by 4\.\d$/);
    expect(washReason(area("varied", [BROWN, { L: 42, a: -18, b: 20 }]))).toBe("brown and green, about one value");
    expect(washReason(area("varied", [SAND, BLUE]))).toBe("sand and blue side by side");
    expect(washReason(area("varied", [BROWN, { L: 44, a: 16, b: 24 }]))).toBe("two kinds of brown, about one value");
    expect(washReason(area("flat", [BLUE]))).toBe("its colours hardly differ");
  });

  test("each colour has a name beside its area's; what is dropped in is no part of the reason", () => {
    const names = (one: ReturnType<typeof area>, count: number) =>
      Array.from({ length: count }, (_, i) => colourName(one, i));
    expect(names(area("flat", [BLUE]), 1)).toEqual(["Sky"]);
    expect(names(area("graded", [BLUE, SAND, STRAW], run(0, 0.4)), 3)).toEqual([
      "Sky, above",
      "Sky, between",
      "Sky, below",
    ]);
    const dropped = area("layered", [SAND, BROWN, BLUE], null, true);
    expect(names(dropped, 3)).toEqual(["Sky, first wash", "Sky, over it", "Sky, dropped in"]);
    expect(washReason(dropped)).not.toContain("blue");
  });
});
