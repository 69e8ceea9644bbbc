import PDFDocument from "pdfkit";
import type { Box } from "@/core/calibration";
import type { PrintPage } from "@/model/printed-plan";
import { fontFile, runsOf, type Face } from "./fonts";

export const PT_PER_MM = 72 / 25.4;
/** ISO 216 and ANSI/ASME Y14.1, mm. */
export const PAGES: Readonly<Record<PrintPage, { readonly width: number; readonly height: number }>> = {
  a4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
  half: { width: 148, height: 210 },
};

/** Lines stand so far apart, of the letters' size. */
const LINE_HEIGHT = 1.28;

export type Doc = InstanceType<typeof PDFDocument>;

/** Fonts that documents know by name. */
const registered = new WeakMap<Doc, Set<string>>();

/** Draws on a PDF page in mm from a corner of its own. */
export class PdfPage {
  constructor(
    protected readonly doc: Doc,
    private readonly left: number,
    private readonly top: number,
  ) {}

  protected at(x: number, y: number): [number, number] {
    return [(this.left + x) * PT_PER_MM, (this.top + y) * PT_PER_MM];
  }

  text(words: string, x: number, y: number, sizePt: number, face: Face = "sans", ink = "#000000"): void {
    let [px] = this.at(x, y);
    const [, py] = this.at(x, y);
    for (const { alphabet, text } of runsOf(words)) {
      this.use(face, alphabet, sizePt).fillColor(ink).text(text, px, py, { lineBreak: false });
      px += this.doc.widthOfString(text);
    }
  }

  /** Takes a font: read into the document once, by its name from then on. */
  private use(face: Face, alphabet: string, sizePt: number): Doc {
    const name = `${face} ${alphabet}`;
    const known = registered.get(this.doc) ?? new Set();
    registered.set(this.doc, known);
    if (!known.has(name)) this.doc.registerFont(name, fontFile(face, alphabet));
    known.add(name);
    return this.doc.font(name).fontSize(sizePt);
  }

  /** How wide words are set, mm. */
  width(words: string, sizePt: number, face: Face): number {
    return (
      runsOf(words).reduce((sum, { alphabet, text }) => sum + this.use(face, alphabet, sizePt).widthOfString(text), 0) /
      PT_PER_MM
    );
  }

  /**
   * Words in lines of so many mm, broken between words; how high they stand, mm.
   */
  lines(
    words: string,
    x: number,
    y: number,
    width: number,
    sizePt: number,
    face: Face = "sans",
    ink = "#000000",
  ): number {
    const step = (LINE_HEIGHT * sizePt) / PT_PER_MM;
    let line = "";
    let at = y;
    const put = (): void => {
      this.text(line, x, at, sizePt, face, ink);
      at += step;
    };
    for (const word of words.split(/\s+/)) {
      const longer = line === "" ? word : `${line} ${word}`;
      if (line !== "" && this.width(longer, sizePt, face) > width) {
        put();
        line = word;
      } else line = longer;
    }
    if (line !== "") put();
    return at - y;
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

  circle(x: number, y: number, radius: number): void {
    this.doc
      .circle(...this.at(x, y), radius * PT_PER_MM)
      .lineWidth(0.3)
      .strokeColor("#9a9a9a")
      .stroke();
  }

  line(x1: number, y1: number, x2: number, y2: number): void {
    this.doc
      .lineWidth(0.5)
      .strokeColor("#000000")
      .moveTo(...this.at(x1, y1))
      .lineTo(...this.at(x2, y2))
      .stroke();
  }
}

/** A PDF that is being drawn, and its bytes once it is ended. */
export function madePdf(
  title: string,
  { width, height }: { readonly width: number; readonly height: number },
): { readonly doc: Doc; readonly done: Promise<Buffer> } {
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
  return { doc, done };
}
