import type { Character } from "@/core/palette";

const hundredths = (share: number): string => `${Math.round(100 * share)} %`;

/** What a palette is better in than the best one, and by which figure. */
export function characterWords(
  character: Character,
  own: number,
  best: number,
): { readonly name: string; readonly figure: string } {
  const against = (of: (x: number) => string): string => `${of(own)} for ${of(best)}`;
  const tenth = (x: number): string => x.toFixed(1);
  switch (character) {
    case "closest":
      return { name: "Closest", figure: `if mixed exactly: off by ${against(tenth)}` };
    case "calmest":
      return { name: "Calmest in the hand", figure: `which adds ${against(tenth)}` };
    case "simplest":
      return { name: "Simplest mixes", figure: `of ${against(tenth)} paints` };
    case "textured":
      return { name: "Most texture", figure: `${against(hundredths)} of granulation` };
    case "darkest":
      return { name: "Darkest darks", figure: `down to value ${against(tenth)}` };
  }
}
