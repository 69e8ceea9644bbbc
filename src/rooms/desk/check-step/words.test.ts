import { expect, test } from "vitest";
import { lightnessOfValue } from "@/core/colour";
import { paintModel } from "@/core/mixing";
import type { DarkWay } from "@/core/darks";
import {
  carriesWords,
  causeWords,
  eatsWords,
  firstWords,
  liftWords,
  slipWords,
  isDark,
  shortOfWords,
  turningWords,
  warmthShiftWords,
  warmthWords,
  withinWords,
  wayOutWords,
  wayWords,
} from "./words";

const way = (value: number, a: number, b: number): DarkWay => ({
  kind: "tube",
  parts: [{ paintId: "x", parts: 1 }],
  waterParts: 0,
  layers: 1,
  dry: { L: lightnessOfValue(value), a, b },
  value,
  chroma: Math.hypot(a, b),
  temperature: b,
  difference: 3,
  granulation: 0.9,
  staining: 0.1,
  paint: 1,
});

test("a dark is what lies below value 4; what a mix misses is told in steps", () => {
  expect(isDark({ L: lightnessOfValue(3.9), a: 0, b: 0 })).toBe(true);
  expect(isDark({ L: lightnessOfValue(4.1), a: 0, b: 0 })).toBe(false);
  expect(shortOfWords(2, 2.2)).toBe("as dark as wanted");
  expect(shortOfWords(2, 2.6)).toBe("0.6 too light");
  expect(shortOfWords(2, 3.4)).toMatch(/^1\.4 too light: /);
  expect(shortOfWords(3, 2)).toBe("1.0 darker than it need be");
});

test("a way says its value, its warmth and what colour it still is", () => {
  expect(wayWords(way(2, 0, -14))).toMatch(/^value 2\.0, cool by 14, still .*blue.* by 14; granulates, lifts$/);
  expect(wayWords(way(2, 1, 1))).toMatch(/neither warm nor cool, a grey;/);
});

test("how much colour the ways keep, or how far they stay short", () => {
  expect(carriesWords([way(2, 0, -14), way(1, 0, 0)], 2)).toMatch(
    /^The purest of these that is dark enough is still .*blue.* by 14\.$/,
  );
  expect(carriesWords([way(2, 1, 0)], 2)).toMatch(/these are greys/);
  expect(carriesWords([way(3, 0, -14)], 2)).toBe("These go down to value 3.0 at this size, 1.0 short of 2.0.");
  expect(carriesWords([], 2)).toBeNull();
});

test("where a darkener turns", () => {
  expect(turningWords("Umber", { noDarker: 0.5, dead: 1 / 3, lightens: false })).toBe(
    "More than 50 % of Umber makes it no darker. From 33 % on two thirds of its colour are gone.",
  );
  expect(turningWords("Lemon", { noDarker: 0, dead: null, lightens: true })).toBe(
    "Lemon makes it lighter, not darker.",
  );
});

test("how warm a mix is, and beside what is wanted", () => {
  expect(withinWords([{ temperature: 4 }])).toBeNull();
  expect(withinWords([{ temperature: 4 }, { temperature: 6 }])).toMatch(/of one temperature/);
  expect(withinWords([{ temperature: -9 }, { temperature: 12 }])).toBe(
    "Within this shape it goes from warm by 12 to cool by 9.",
  );
  expect(warmthWords({ temperature: 12.4 })).toBe("warm by 12");
  expect(warmthWords({ temperature: -7 })).toBe("cool by 7");
  expect(warmthWords({ temperature: 2 })).toBe("neither warm nor cool");
  const at = (b: number) => ({ L: 50, a: 0, b });
  expect(warmthShiftWords(at(20), at(20))).toBe("warm by 16, as wanted");
  expect(warmthShiftWords(at(20), at(0))).toBe("neither warm nor cool, 16 cooler than wanted");
  expect(warmthShiftWords(at(-20), null)).toBe("wanted cool by 16, not mixed yet");
});

test("why a mix is dull, and its way out", () => {
  const causes = (["pigments", "darkener", "opaque", "opposite", "partner"] as const).map((cause) =>
    causeWords({ cause, pigments: 4 }, "Umber"),
  );
  expect(new Set(causes).size).toBe(5);
  expect(causes[0]).toMatch(/^4 pigments/);
  const paint = paintModel("umber", [{ pigmentId: "PBr7-burnt-umber", share: 1 }]);
  const blue = paintModel("blue", [{ pigmentId: "PB29", share: 1 }]);
  const out = { mix: [], waterParts: 3, dry: { L: 50, a: 0, b: 30 }, value: 5, chroma: 30, temperature: 20 };
  const nameOf = (id: string): string => id.toUpperCase();
  expect(wayOutWords({ paint, wayOut: null }, 20, nameOf)).toMatch(/purer than UMBER would\.$/);
  expect(
    wayOutWords({ paint, wayOut: { ...out, change: { kind: "without", paint }, difference: 2.34 } }, 20, nameOf),
  ).toBe("Without UMBER: purer by 10, off by 2.3 dE00.");
  expect(
    wayOutWords(
      { paint, wayOut: { ...out, change: { kind: "instead", paint, instead: blue }, difference: 2 } },
      20,
      nameOf,
    ),
  ).toMatch(/^BLUE in place of UMBER: /);
  expect(
    wayOutWords({ paint, wayOut: { ...out, change: { kind: "less", paint }, difference: 2 } }, 20, nameOf),
  ).toMatch(/^Less UMBER: /);
});

test("by what a ground lifts its subject, and what each slip asks for", () => {
  const lift = { value: 2.14, warmth: 24, purity: -9, hue: "opposite" } as const;
  expect(liftWords({ lift, comesForward: false })).toBe("darker by 2.1, cooler by 24, purer by 9, of the opposite hue");
  expect(liftWords({ lift: { value: 0, warmth: -20, purity: 0, hue: "none" }, comesForward: true })).toBe(
    "warmer by 20, but warm: it comes forward",
  );
  expect(liftWords({ lift: { value: 0, warmth: 0, purity: 0, hue: "other" }, comesForward: false })).toBe(
    "hardly different",
  );
  expect(slipWords("dabbed").mend).toMatch(/draw the brush out/);
});

test("what a dark eats, and what its paints ask for first", () => {
  expect(eatsWords(0.8)).toBe("it eats 3.2 times a full wash's paint");
  const tube = { name: "Blue", form: "tube", left: null };
  expect(firstWords([tube])).toBeNull();
  expect(
    firstWords([
      { ...tube, form: "half pan" },
      { ...tube, name: "Umber", form: "stick" },
    ]),
  ).toBe("Soften Blue and Umber with a drop of water first.");
  expect(firstWords([{ ...tube, left: 0.05 }])).toBe("Blue is nearly gone.");
});
