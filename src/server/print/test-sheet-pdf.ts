import { boxWash, CARD, FRAME_NUMBER, TEST_PLACES, type Box } from "@/core/calibration";
import type { PrintedTest, PrintPage } from "@/model/printed-plan";
import { CardSheet } from "./card-sheet";
import { fitted } from "./fitted";
import { madePdf, PAGES, PdfPage, type Doc } from "./pdf-page";

const GREY = "#555555";
const RING_MM = 22;
const HOW = [
  "Print at 100 %. Mix each as written, half a brushful, drawn out over its place, coat on dry coat, on watercolour paper printed",
  "or laid so; leave the paper between bare and let it dry flat. Photograph the whole sheet from above in daylight, all four",
  "marks in view, and read it in Abendrot; or note the value by hand. Colours stand on the screen: printed ones can't be trusted.",
];

type Mix = PrintedTest["mixes"][number];
const mixWords = ({ parts, strength }: Mix): string =>
  `${parts.map(({ name, parts: amount }) => `${amount < 1 ? "a touch of" : amount} ${name}`).join(" + ")}, ${strength}`;

/** A mix at its place: its name above, parts and room for what came out below. */
function drawMix(sheet: PdfPage, mix: Mix, box: Box, width: number): void {
  sheet.text(fitted(sheet, `${mix.mark} ${mix.name}`, 10, "serif", width), box.x, box.y - 5.4, 10, "serif");
  sheet.outline(box);
  const y = box.y + box.height + 1.5;
  const under = y + sheet.lines(mixWords(mix), box.x, y, width, 7, "sans");
  sheet.text(`meant ${mix.value.toFixed(1)}, came out`, box.x, under + 1, 7.5);
  const line = box.x + sheet.width(`meant ${mix.value.toFixed(1)}, came out `, 7.5, "sans");
  sheet.line(line, under + 4, line + 9, under + 4);
  sheet.lines(mix.why, box.x, under + 6, width, 6, "sans", GREY);
}

/** The ring of the palette, each paint to be run into its neighbours. */
function drawRing(sheet: PdfPage, cx: number, cy: number, names: readonly string[]): void {
  for (const radius of [RING_MM, RING_MM - 9]) sheet.circle(cx, cy, radius);
  names.forEach((name, i) => {
    const angle = (2 * Math.PI * i) / names.length - Math.PI / 2;
    const words = fitted(sheet, name, 6.5, "sans", 24);
    const wide = sheet.width(words, 6.5, "sans");
    const [tx, ty] = [cx + Math.cos(angle) * (RING_MM + 2), cy + Math.sin(angle) * (RING_MM + 4)];
    sheet.text(words, Math.cos(angle) < -0.2 ? tx - wide : Math.cos(angle) > 0.2 ? tx : tx - wide / 2, ty - 1.2, 6.5);
  });
}

/** Two washes whose meeting is risky. */
function drawMeeting(sheet: PdfPage, meeting: NonNullable<PrintedTest["meeting"]>, x: number, y: number): void {
  sheet.text("Wet into wet: what becomes of their meeting", x, y, 9, "serif");
  for (const left of [x, x + 30]) sheet.outline({ x: left, y: y + 6, width: 30, height: 24 });
  sheet.text(fitted(sheet, meeting.one, 7, "sans", 29), x, y + 31, 7);
  sheet.text(fitted(sheet, meeting.two, 7, "sans", 29), x + 30, y + 31, 7);
  sheet.lines(meeting.why, x, y + 35, 62, 6.5, "sans", GREY);
}

/** A test sheet in real size on half a page: too small for the marks that a photo is read by; noted by hand. */
function halfSheet(doc: Doc, test: PrintedTest): void {
  const margin = 12;
  const sheet = new PdfPage(doc, 0, 0);
  const inner = PAGES.half.width - 2 * margin;
  let y = margin;
  y += sheet.lines(`Test sheet: ${test.title}`, margin, y, inner, 14, "serif");
  y += sheet.lines(`${test.on}, ${test.madeFor}`, margin, y, inner, 7.5, "sans", GREY);
  y +=
    sheet.lines(
      "Print at 100 %. Half a brushful of each, drawn out, coat on dry coat as written; note the value once dry.",
      margin,
      y,
      inner,
      7.5,
    ) + 8;
  test.mixes.forEach((mix, i) => {
    const box = { x: margin + (i % 3) * 42, y: y + Math.floor(i / 3) * 48, width: 17.5, height: 23 };
    drawMix(sheet, mix, box, 38);
  });
}

/**
 * A test sheet in real size: the mixes that matter most at places of a box sheet, so that a photo of it can be read,
 * the ring of the palette, and a risky meeting.
 */
export function testSheetPdf(test: PrintedTest, page: PrintPage): Promise<Buffer> {
  const { doc, done } = madePdf(`Test sheet for ${test.title}`, PAGES[page]);
  if (page === "half") halfSheet(doc, test);
  else {
    const sheet = new CardSheet(doc, page);
    sheet.marks();
    sheet.cells(FRAME_NUMBER, "box");
    sheet.text(fitted(sheet, `Test sheet: ${test.title}`, 15, "serif", 110), 9, -4.5, 15, "serif");
    sheet.text(fitted(sheet, `${test.on}, ${test.madeFor}`, 7.5, "sans", 130), 9, 2, 7.5, "sans", GREY);
    test.mixes.forEach((mix, i) => drawMix(sheet, mix, boxWash(TEST_PLACES[i]!, 0), 38));
    const y = boxWash(16, 0).y;
    if (test.ring.length > 2) {
      sheet.text("The ring: each paint into its neighbours", 4, y - 5, 9, "serif");
      drawRing(sheet, 48, y + 34, test.ring);
    }
    if (test.meeting) drawMeeting(sheet, test.meeting, 104, y - 5);
    HOW.forEach((words, i) => sheet.text(words, 0, CARD.height + 7 + 3.2 * i, 6.4, "sans", "#333333"));
  }
  doc.end();
  return done;
}
