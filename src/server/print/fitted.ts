import { cutText } from "@/model/text";
import type { Face } from "./fonts";
import type { PdfPage } from "./pdf-page";

/** Shortens words until they fit a width, mm. */
export function fitted(sheet: PdfPage, words: string, sizePt: number, face: Face, width: number): string {
  let text = words;
  for (let letters = words.length - 1; letters > 3 && sheet.width(text, sizePt, face) > width; letters--)
    text = `${cutText(words, letters)}…`;
  return text;
}
