import { describeColour, lchOfLab, PAINTED_GREY_CHROMA, type Lab } from "@/core/colour";
import type { Point } from "@/core/image";
import { capital } from "@/model/text";

/** Colours by the one word that a painter would say: bounds from memory. */
export function plainHue(lab: Lab): string {
  const { C, h } = lchOfLab(lab);
  if (C < PAINTED_GREY_CHROMA) return lab.L > 88 ? "white" : lab.L < 15 ? "black" : "grey";
  if (h >= 35 && h < 75) return lab.L > 68 ? (C < 30 ? "sand" : "orange") : C > 55 ? "orange" : "brown";
  if (h >= 75 && h < 108)
    return lab.L > 65 ? (C < 40 ? "straw" : "yellow") : C > 50 ? "ochre" : lab.L > 45 ? "khaki" : "olive";
  if (h < 35 || h >= 345) return lab.L > 65 ? "pink" : C < 22 ? "russet" : "red";
  if (h < 180) return "green";
  if (h < 225) return "turquoise";
  return h < 290 ? "blue" : "violet";
}

/** Where a point lies, in one word or two; the middle has none. */
function placeWords({ x, y }: Point): { readonly down: string; readonly across: string } {
  return {
    down: y < 0.3 ? "top" : y > 0.7 ? "bottom" : "",
    across: x < 0.3 ? "left" : x > 0.7 ? "right" : "",
  };
}

/**
 * A name from an area's place, value and hue, in at most four words and unlike the names there are:
 * the shortest that tells it apart.
 */
export function suggestedName(at: Point, mean: Lab, taken: ReadonlySet<string>): string {
  const value = describeColour(mean).value;
  const hue = plainHue(mean);
  const isExtreme = hue === "white" || hue === "black";
  const tone =
    value < 2.5 ? "very dark" : value < 4 ? "dark" : value < 6.5 ? "mid" : value < 8.3 ? "light" : "very light";
  const short = isExtreme ? "" : value < 4 ? "dark" : value >= 6.5 ? "light" : "";
  const { down, across } = placeWords(at);
  const place = [down, across].filter(Boolean).join(" ") || "middle";
  const tries = [
    [short, hue],
    [short, hue, down || across || "middle"],
    [short, hue, place],
    [isExtreme ? "pure" : tone, hue],
    [isExtreme ? "pure" : tone, hue, down || across || "middle"],
    ["small", hue, place],
    ["patch of", hue, across || down || "within"],
  ].map((words) => capital(words.filter(Boolean).join(" ")));
  const fits = tries.find((name) => !taken.has(name) && name.split(" ").length <= 4);
  if (fits) return fits;
  for (let n = 2; ; n++) if (!taken.has(`${tries[1]} ${n}`)) return `${tries[1]} ${n}`;
}
