import PDFDocument from "pdfkit";
import {
  CARD,
  CARD_WATER,
  cellBox,
  cellsOfNumber,
  FRAME_NUMBER,
  lineBox,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  MAX_CARD_NUMBER,
  ROWS,
  swatchBox,
  SWATCHES,
  WASH_NAMES,
  windowBox,
  type Box,
} from "@/core/calibration";
import { waterWords } from "@/core/optics";
import type { CardPage } from "@/model/measurement";
import { cutText } from "@/model/text";
import { fontFile, runsOf, type Face } from "./fonts";

const PT_PER_MM = 72 / 25.4;
/** ISO 216 and ANSI/ASME Y14.1, mm. */
const PAGES: Readonly<Record<CardPage, { readonly width: number; readonly height: number }>> = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
};

/** A paint as it stands on the card. */
interface CardPaint {
  readonly name: string;
  readonly codes: string;
}

/** What is printed: a card for these paints, or the cut-out frame that serves every card. */
export type CardPrint =
  | { readonly kind: "card"; readonly id: number; readonly on: string; readonly paints: readonly CardPaint[] }
  | { readonly kind: "frame" };

/** Number that a card carries in its cells; after 255 they begin again. */
export const numberOfCard = (id: number): number => ((id - 1) % MAX_CARD_NUMBER) + 1;

type Doc = InstanceType<typeof PDFDocument>;

/** Draws in the card's own mm on a PDF page. */
class Sheet {
  private readonly left: number;
  private readonly top: number;

  constructor(
    private readonly doc: Doc,
    page: CardPage,
  ) {
    this.left = (PAGES[page].width - CARD.width) / 2;
    this.top = (PAGES[page].height - CARD.height) / 2;
  }

  private at(x: number, y: number): [number, number] {
    return [(this.left + x) * PT_PER_MM, (this.top + y) * PT_PER_MM];
  }

  text(words: string, x: number, y: number, sizePt: number, face: Face = "sans", ink = "#000000"): void {
    let [px] = this.at(x, y);
    const [, py] = this.at(x, y);
    for (const { alphabet, text } of runsOf(words)) {
      this.doc.font(fontFile(face, alphabet)).fontSize(sizePt).fillColor(ink).text(text, px, py, { lineBreak: false });
      px += this.doc.widthOfString(text);
    }
  }

  /** How wide words are set, mm. */
  width(words: string, sizePt: number, face: Face): number {
    return (
      runsOf(words).reduce(
        (sum, { alphabet, text }) => sum + this.doc.font(fontFile(face, alphabet)).fontSize(sizePt).widthOfString(text),
        0,
      ) / PT_PER_MM
    );
  }

  fill({ x, y, width, height }: Box): void {
    this.doc.rect(...this.at(x, y), width * PT_PER_MM, height * PT_PER_MM).fill("#000000");
  }

  outline({ x, y, width, height }: Box, dashed = false): void {
    this.doc.lineWidth(dashed ? 0.7 : 0.3).strokeColor(dashed ? "#000000" : "#9a9a9a");
    if (dashed) this.doc.dash(4, { space: 3 });
    this.doc.rect(...this.at(x, y), width * PT_PER_MM, height * PT_PER_MM).stroke();
    this.doc.undash();
  }

  line(x1: number, y1: number, x2: number, y2: number): void {
    this.doc
      .lineWidth(0.5)
      .strokeColor("#000000")
      .moveTo(...this.at(x1, y1))
      .lineTo(...this.at(x2, y2))
      .stroke();
  }

  /** A corner mark: a disc with a hole. */
  mark(x: number, y: number, hole: number): void {
    this.doc.circle(...this.at(x, y), FIDUCIAL.radius * PT_PER_MM).fill("#000000");
    this.doc.circle(...this.at(x, y), hole * PT_PER_MM).fill("#ffffff");
  }
}

/** Shortens words until they fit a width, mm. */
function fitted(sheet: Sheet, words: string, sizePt: number, face: Face, width: number): string {
  let text = words;
  for (let letters = words.length - 1; letters > 3 && sheet.width(text, sizePt, face) > width; letters--)
    text = `${cutText(words, letters)}…`;
  return text;
}

const strengthWords = (swatch: number): string =>
  `${swatch + 1}  ${swatch === SWATCHES - 1 ? "as 2, across" : waterWords(CARD_WATER[swatch]).replace("no water", "neat")}`;

function drawRow(sheet: Sheet, row: number, paint: CardPaint | null, framed: boolean): void {
  const first = swatchBox(row, 0);
  if (paint) {
    const name = fitted(sheet, paint.name, 12, "serif", 110);
    sheet.text(name, first.x, first.y - 9.8, 12, "serif");
    sheet.text(
      fitted(sheet, paint.codes, 8, "sans", 50),
      first.x + sheet.width(name, 12, "serif") + 3,
      first.y - 8.2,
      8,
      "sans",
      "#555555",
    );
  } else if (framed) {
    sheet.text(`row ${row + 1}`, first.x, first.y - 11, 9, "sans", "#555555");
  }
  for (let swatch = 0; swatch < SWATCHES; swatch++) {
    const box = swatchBox(row, swatch);
    sheet.text(strengthWords(swatch), box.x, first.y - (framed ? 6.4 : 4.4), 7.5, "sans", "#333333");
    if (framed) for (const x of [box.x, box.x + box.width]) sheet.line(x, first.y - 1.3, x, first.y - 2.6);
    else sheet.outline(box);
  }
  if (framed) sheet.outline(windowBox(row), true);
  else sheet.fill(lineBox(row));
}

const CARD_WORDS = [
  "Print at 100 %: the middles of the upper marks lie 176 mm apart. Paint each row from 1 neat to 4 pale, measuring water by drops or brushfuls; 5 with puddle 2, right across",
  "the black line. Leave the paper between bare. Let it dry flat, then photograph the whole sheet from above in daylight, without a flash, so that all four round marks show.",
];
const FRAME_WORDS = [
  "Print at 100 % and cut the dashed windows out. Lay it on watercolour paper, mark the swatches' corners, draw a black line 6 mm wide down the middle of each fifth place with a",
  "waterproof pen, taller than the swatch. Take the frame off, paint, let it dry, lay it back and photograph all of it in daylight. Mind the knife: cut away from your hand.",
];

/** The card or the frame as a PDF of one page. */
export function cardPdf(print: CardPrint, page: CardPage): Promise<Buffer> {
  const { width, height } = PAGES[page];
  const title = print.kind === "card" ? `Swatch card ${print.id}` : "Swatch frame";
  const doc = new PDFDocument({
    size: [width * PT_PER_MM, height * PT_PER_MM],
    margin: 0,
    info: { Title: title, Creator: "Abendrot" },
  });
  const chunks: Buffer[] = [];
  doc.on("data", (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on("end", () => resolve(Buffer.concat(chunks)));
    doc.on("error", reject);
  });
  const sheet = new Sheet(doc, page);
  const framed = print.kind === "frame";
  FIDUCIAL_CENTRES.forEach(({ x, y }, i) => sheet.mark(x, y, i === 0 ? FIDUCIAL.wideHole : FIDUCIAL.hole));
  cellsOfNumber(framed ? FRAME_NUMBER : numberOfCard(print.id)).forEach((black, i) => black && sheet.fill(cellBox(i)));
  sheet.text(title, 9, -4.5, 17, "serif");
  sheet.text(
    framed ? `for ${ROWS} paints: ${WASH_NAMES.join(", ")}` : `printed ${print.on}`,
    9,
    2,
    8,
    "sans",
    "#555555",
  );
  for (let row = 0; row < ROWS; row++) {
    const paint = print.kind === "card" ? (print.paints[row] ?? null) : null;
    if (paint || framed) drawRow(sheet, row, paint, framed);
  }
  (framed ? FRAME_WORDS : CARD_WORDS).forEach((words, i) =>
    sheet.text(words, 0, CARD.height + 7 + 3.4 * i, 6.4, "sans", "#333333"),
  );
  doc.end();
  return done;
}
