import type { PrintedTest, PrintPage } from "@/model/printed-plan";
import { fitted } from "./fitted";
import { madePdf, PAGES, PdfPage, PT_PER_MM } from "./pdf-page";

const MARGIN_MM = 12;
const GREY = "#555555";
/** A swatch drawn out with half a brushful, and the gap below it, mm. */
const SWATCH_MM = { width: 56, height: 20 } as const;
const ROW_MM = 36;
const RING_RADIUS_MM = 24;

const HOW =
  "Print at 100 % on watercolour paper, or lay the paper beside it. Mix each as written, half a brushful, drawn out over " +
  "its place in one go; let it dry flat, then note the value beside it. Colours stand on the screen, not here: printed " +
  "swatches can't be trusted.";

/** A test sheet in real size: the mixes that matter most, the ring of the palette, and a risky meeting. */
export function testSheetPdf(test: PrintedTest, page: PrintPage): Promise<Buffer> {
  const { width, height } = PAGES[page];
  const { doc, done } = madePdf(`Test sheet for ${test.title}`, { width, height });
  const sheet = new PdfPage(doc, 0, 0);
  const inner = width - 2 * MARGIN_MM;
  let y = MARGIN_MM;
  y += sheet.lines(`Test sheet: ${test.title}`, MARGIN_MM, y, inner, 15, "serif");
  y += sheet.lines(`${test.on}, ${test.madeFor}`, MARGIN_MM, y, inner, 8, "sans", GREY);
  y += sheet.lines(HOW, MARGIN_MM, y, inner, 8, "sans", GREY) + 4;
  const columns = Math.max(1, Math.floor(inner / (SWATCH_MM.width + 30)));
  const columnWidth = inner / columns;
  const rows = Math.ceil(test.mixes.length / columns);
  test.mixes.forEach((mix, i) => {
    const [x, top] = [MARGIN_MM + (i % columns) * columnWidth, y + Math.floor(i / columns) * ROW_MM];
    const name = `${mix.mark} ${mix.name}`;
    sheet.text(fitted(sheet, name, 10, "serif", columnWidth - 4), x, top, 10, "serif");
    const parts = mix.parts.map(({ name: paint, parts: amount }) => `${amount < 1 ? "a touch of" : amount} ${paint}`);
    sheet.text(
      fitted(sheet, `${parts.join(" + ")}, ${mix.strength}`, 7.5, "sans", columnWidth - 4),
      x,
      top + 4.6,
      7.5,
      "sans",
      GREY,
    );
    sheet.outline({ x, y: top + 9, ...SWATCH_MM });
    const beside = x + SWATCH_MM.width + 2;
    sheet.text(`meant ${mix.value.toFixed(1)}`, beside, top + 10, 8, "sans");
    sheet.text("came out", beside, top + 17, 8, "sans");
    sheet.line(beside + 13, top + 20, beside + 25, top + 20);
    sheet.text(fitted(sheet, mix.why, 6.5, "sans", columnWidth - 4), x, top + 30, 6.5, "sans", GREY);
  });
  y += rows * ROW_MM + 2;
  const beneath = height - MARGIN_MM - y;
  if (test.ring.length > 2 && beneath > 2 * RING_RADIUS_MM + 14) {
    const [cx, cy] = [MARGIN_MM + 44, y + RING_RADIUS_MM + 10];
    sheet.text("The ring: each paint into its neighbours", MARGIN_MM, y, 9, "serif");
    for (const radius of [RING_RADIUS_MM, RING_RADIUS_MM - 9])
      doc
        .circle(cx * PT_PER_MM, cy * PT_PER_MM, radius * PT_PER_MM)
        .lineWidth(0.3)
        .strokeColor("#9a9a9a")
        .stroke();
    test.ring.forEach((name, i) => {
      const angle = (2 * Math.PI * i) / test.ring.length - Math.PI / 2;
      const words = fitted(sheet, name, 6.5, "sans", 24);
      const wide = sheet.width(words, 6.5, "sans");
      const [tx, ty] = [cx + Math.cos(angle) * (RING_RADIUS_MM + 2), cy + Math.sin(angle) * (RING_RADIUS_MM + 4)];
      sheet.text(words, Math.cos(angle) < -0.2 ? tx - wide : Math.cos(angle) > 0.2 ? tx : tx - wide / 2, ty - 1.2, 6.5);
    });
    if (test.meeting && inner > 160) {
      const x = MARGIN_MM + 100;
      sheet.text("Wet into wet: what becomes of their meeting", x, y, 9, "serif");
      sheet.outline({ x, y: y + 6, width: 38, height: 26 });
      sheet.outline({ x: x + 38, y: y + 6, width: 38, height: 26 });
      sheet.text(fitted(sheet, test.meeting.one, 7.5, "sans", 36), x, y + 33, 7.5);
      sheet.text(fitted(sheet, test.meeting.two, 7.5, "sans", 36), x + 38, y + 33, 7.5);
      sheet.lines(test.meeting.why, x, y + 38, 76, 7, "sans", GREY);
    }
  }
  doc.end();
  return done;
}
