import { grainOf, type Grain } from "./granulation";
import type { Pigment } from "./handbook";

/** Facts as printed on a label. */
export interface LabelFacts {
  readonly transparency: string;
  readonly staining: string;
  readonly granulation: string;
  readonly lightfastness: string;
}

type Level = 0 | 1 | 2;

/** A printed yes, half or no, in the notations usual in the trade: words, letters, signs. From memory. */
const READINGS: Readonly<Record<"transparency" | "staining" | "granulation", readonly (readonly [RegExp, Level])[]>> = {
  // 0 transparent, 1 between, 2 opaque
  transparency: [
    [/semi|half|^s[to]$|◪|◩/i, 1],
    [/^(t|transparent|□|☐)/i, 0],
    [/^(o|opaque|■)/i, 2],
  ],
  // 0 lifts, 1 between, 2 stains
  staining: [
    [/non|^(n|0|1|no|lifts?)$|^low/i, 0],
    [/semi|medium|^(2|3)$/i, 1],
    [/^(s|st|4|yes|high|stain)/i, 2],
  ],
  // 0 lies flat, 1 between, 2 granulates
  granulation: [
    [/non|^(n|no|0|smooth|flat)$/i, 0],
    [/semi|slight|little/i, 1],
    [/^(g|y|yes|granul)/i, 2],
  ],
};

/** What the handbook has, on the same scale. */
const GRAIN_LEVELS: Readonly<Record<Grain, Level>> = { granulates: 2, "granulates a little": 1, "lies flat": 0 };

function readingOf(fact: keyof typeof READINGS, printed: string): Level | null {
  const text = printed.trim();
  return READINGS[fact].find(([pattern]) => pattern.test(text))?.[1] ?? null;
}

/** Lightfastness as ASTM class or blue wool grade or stars, as a class 1 to 5; null where it can't be told. */
function lightClass(printed: string): number | null {
  const text = printed.trim();
  const roman = /^(?:astm\s*)?(iv|v|i{1,3})$/i.exec(text)?.[1]?.toLowerCase();
  if (roman) return ["i", "ii", "iii", "iv", "v"].indexOf(roman) + 1;
  const wool = /(?:blue wool|bws?)\s*:?\s*([1-8])/i.exec(text)?.[1];
  if (wool) return Number(wool) >= 7 ? 1 : Number(wool) >= 6 ? 2 : Number(wool) >= 4 ? 3 : Number(wool) >= 2 ? 4 : 5;
  if (/^(excellent|very good)/i.test(text)) return 1;
  if (/^fugitive/i.test(text)) return 5;
  return null;
}

/**
 * Where a label says the opposite of what the handbook has for its pigments: one word a fact.
 * A label may be right: makers' grinds differ, and the handbook is typical.
 */
export function labelContradictions(
  label: LabelFacts,
  pigments: readonly Pigment[],
): Readonly<Partial<Record<keyof LabelFacts, string>>> {
  const found: Partial<Record<keyof LabelFacts, string>> = {};
  const opposite = (printed: Level | null, usual: Level): boolean =>
    printed !== null && Math.abs(printed - usual) === 2;
  const mostOpaque = Math.max(
    ...pigments.map(({ transparency }) =>
      ["transparent", "semi-transparent", "semi-opaque", "opaque"].indexOf(transparency),
    ),
  );
  if (opposite(readingOf("transparency", label.transparency), mostOpaque === 0 ? 0 : mostOpaque === 3 ? 2 : 1)) {
    found.transparency = `the handbook has it as ${mostOpaque === 0 ? "transparent" : "opaque"}`;
  }
  const staining = Math.max(...pigments.map((p) => p.staining));
  if (opposite(readingOf("staining", label.staining), staining >= 0.7 ? 2 : staining < 0.3 ? 0 : 1))
    found.staining = `the handbook has it as ${staining >= 0.7 ? "staining" : "lifting"}`;
  const granulation = Math.max(...pigments.map((p) => p.granulation));
  if (opposite(readingOf("granulation", label.granulation), GRAIN_LEVELS[grainOf(granulation)])) {
    found.granulation = `the handbook has it as ${grainOf(granulation) === "granulates" ? "granulating" : "lying flat"}`;
  }
  const printed = lightClass(label.lightfastness);
  const worst = Math.max(...pigments.map(({ lightfastness }) => lightfastness.class));
  if (printed !== null && Math.abs(printed - worst) >= 2) found.lightfastness = `the handbook has class ${worst}`;
  return found;
}
