import { COLOURED_CHROMA, NO_HUE_CHROMA } from "./thresholds";
import type { Lab } from "./colour";
import { lchOfLab, xyzOfLab } from "./lab";
import { valueOfLuminance } from "./munsell-value";

/**
 * Hue words by CIELAB hue angle, degrees: the upper bound of each sector. The unique hues lie near
 * 24 (red), 90 (yellow), 162 (green) and 246 (blue) by CIECAM02's unique-hue data; the words
 * between them are ours, bounds from memory.
 */
const HUE_WORDS: readonly (readonly [upToDegrees: number, word: string])[] = [
  [12, "rose red"],
  [36, "red"],
  [52, "orange red"],
  [68, "orange"],
  [80, "yellow orange"],
  [97, "yellow"],
  [112, "green yellow"],
  [135, "yellow green"],
  [172, "green"],
  [205, "blue green"],
  [238, "green blue"],
  [282, "blue"],
  [305, "violet blue"],
  [325, "violet"],
  [345, "red violet"],
  [360, "rose red"],
];

type Warmth = "warm" | "cool" | "neutral";

/** What a painter says about one colour. */
export interface ColourWords {
  /** Munsell value, 0 black to 10 white. */
  readonly value: number;
  /** CIELAB chroma. */
  readonly chroma: number;
  /** CIELAB hue angle, degrees. */
  readonly hueDegrees: number;
  /** e.g. "muted orange", "bluish grey". */
  readonly hueName: string;
  readonly warmth: Warmth;
  /** Signed temperature, about -100 (coldest blue) to 100 (hottest orange). */
  readonly temperature: number;
}

/** Plain hue word of a hue angle in degrees. */
export function hueWord(hueDegrees: number): string {
  const h = ((hueDegrees % 360) + 360) % 360;
  return HUE_WORDS.find(([upTo]) => h < upTo)?.[1] ?? "rose red";
}

/**
 * Signed temperature of a colour: chroma times the cosine of its hue angle from the warm pole,
 * 55 degrees (orange), so its opposite, 235 degrees (blue), is coldest. Common practice, no source;
 * the pole from memory.
 */
export function temperatureOf(lab: Lab): number {
  const pole = (55 * Math.PI) / 180;
  return lab.a * Math.cos(pole) + lab.b * Math.sin(pole);
}

function chromaWord(chroma: number): string {
  if (chroma < COLOURED_CHROMA) return "greyish";
  if (chroma < 25) return "muted";
  if (chroma < 50) return "clear";
  return "vivid";
}

/** Words and numbers for a colour: Munsell value, chroma, hue name, warm or cool. */
export function describeColour(lab: Lab): ColourWords {
  const { C, h } = lchOfLab(lab);
  const temperature = temperatureOf(lab);
  const warmth: Warmth = Math.abs(temperature) < 2.5 ? "neutral" : temperature > 0 ? "warm" : "cool";
  const value = valueOfLuminance(xyzOfLab(lab).Y);
  const grey = warmth === "neutral" ? "neutral grey" : `${warmth} grey`;
  const hueName = C < NO_HUE_CHROMA ? grey : `${chromaWord(C)} ${hueWord(h)}`;
  return { value, chroma: C, hueDegrees: h, hueName, warmth, temperature };
}
