import type { PrintedPlan, PrintPage } from "@/model/printed-plan";
import { capital, listed } from "@/model/text";
import { madePdf, PAGES, PdfPage, PT_PER_MM, type Doc } from "./pdf-page";
import type { Face } from "./fonts";

const MARGIN_MM = 12;
const GREY = "#555555";
const HAIRLINE = "#b5b5b5";
/** A photo takes at most this share of the page's height. */
const PHOTO_SHARE = 0.36;
/** Parts and millilitres without needless places. */
const short = (n: number): string => (n >= 10 ? String(Math.round(n)) : String(Math.round(10 * n) / 10));
const clock = (minutes: number): string =>
  `${Math.floor(Math.round(minutes) / 60)}:${String(Math.round(minutes) % 60).padStart(2, "0")}`;

/** A photo as it is printed: JPEG or PNG, and its width over its height. */
interface PrintedPhoto {
  readonly bytes: Buffer;
  readonly aspect: number;
}

/** A page on which things are set one below the other; a new one is begun where there is no room. */
class Flow extends PdfPage {
  y = MARGIN_MM;
  readonly inner: number;
  private readonly bottom: number;

  constructor(
    doc: Doc,
    private readonly page: PrintPage,
  ) {
    super(doc, 0, 0);
    this.inner = PAGES[page].width - 2 * MARGIN_MM;
    this.bottom = PAGES[page].height - MARGIN_MM;
  }

  /** Begins a new page where so much does not fit, mm. */
  room(height: number): void {
    if (this.y + height <= this.bottom) return;
    const { width, height: whole } = PAGES[this.page];
    this.doc.addPage({ size: [width * PT_PER_MM, whole * PT_PER_MM], margin: 0 });
    this.y = MARGIN_MM;
  }

  para(words: string, sizePt: number, face: Face = "sans", ink = "#000000", indent = 0): void {
    this.room(0.5 * sizePt);
    this.y += this.lines(words, MARGIN_MM + indent, this.y, this.inner - indent, sizePt, face, ink);
  }

  head(words: string): void {
    this.room(16);
    this.y += 3;
    this.para(words, 12, "serif");
    this.rule();
  }

  rule(): void {
    this.doc
      .lineWidth(0.3)
      .strokeColor(HAIRLINE)
      .moveTo(...this.at(MARGIN_MM, this.y))
      .lineTo(...this.at(MARGIN_MM + this.inner, this.y))
      .stroke();
    this.y += 1;
  }

  /** The photo with its shapes and their numbers. */
  photo({ bytes, aspect }: PrintedPhoto, plan: PrintedPlan): void {
    const most = PHOTO_SHARE * PAGES[this.page].height;
    const width = Math.min(this.inner, most * aspect);
    const height = width / aspect;
    this.room(height + 2);
    const [left, top] = [MARGIN_MM + (this.inner - width) / 2, this.y];
    this.doc.image(bytes, ...this.at(left, top), { width: width * PT_PER_MM, height: height * PT_PER_MM });
    const on = (x: number, y: number): [number, number] => this.at(left + x * width, top + y * height);
    this.doc.save();
    this.doc.rect(...this.at(left, top), width * PT_PER_MM, height * PT_PER_MM).clip();
    for (const line of plan.outlines) {
      this.doc.moveTo(...on(line[0]!, line[1]!));
      for (let i = 2; i + 1 < line.length; i += 2) this.doc.lineTo(...on(line[i]!, line[i + 1]!));
    }
    this.doc.lineWidth(0.6).strokeColor("#ffffff").stroke();
    this.doc.restore();
    for (const { mark, x, y } of plan.marks) {
      const [px, py] = on(Math.min(0.98, Math.max(0.02, x)), Math.min(0.97, Math.max(0.03, y)));
      this.doc.circle(px, py, 6.5).fill("#ffffff");
      this.doc.circle(px, py, 6.5).lineWidth(0.5).strokeColor("#000000").stroke();
      const wide = this.width(mark, 8, "sans") * PT_PER_MM;
      this.text(mark, px / PT_PER_MM - wide / PT_PER_MM / 2, py / PT_PER_MM - 1.7, 8, "sans");
    }
    this.y += height + 2;
  }
}

const mixWords = (parts: PrintedPlan["puddles"][number]["parts"]): string =>
  parts.map(({ name, parts: amount }) => `${amount < 1 ? "a touch of" : short(amount)} ${name}`).join(" + ");

/** A plan on one to two pages: photo with numbered shapes, palette, puddles, order with times, cautions. */
export function planPdf(plan: PrintedPlan, photo: PrintedPhoto, page: PrintPage): Promise<Buffer> {
  const { doc, done } = madePdf(`Plan of ${plan.title}`, PAGES[page]);
  const flow = new Flow(doc, page);
  flow.para(plan.title, 19, "serif");
  flow.para(`Planned ${plan.on}, ${plan.madeFor}`, 8.5, "sans", GREY);
  flow.y += 1.5;
  flow.photo(photo, plan);
  flow.para(
    plan.marks
      .map(
        ({ mark, name, value, of }) =>
          `${mark} ${name} (${of === "dry" ? "dries to" : "wanted at"} value ${value.toFixed(1)})`,
      )
      .join("   "),
    8,
    "sans",
    GREY,
  );
  flow.head("Palette");
  flow.para(
    listed(plan.palette.map(({ name, codes, measured }) => `${name} (${codes}${measured ? ", measured" : ""})`)),
    9,
  );
  flow.head("Puddles, in the order of mixing");
  plan.puddles.forEach((puddle, i) => {
    flow.room(9);
    flow.para(
      `${i + 1}  ${mixWords(puddle.parts)}${puddle.from ? `, made of some of puddle ${puddle.from}` : ""}; ${puddle.brush}`,
      9,
    );
    for (const step of puddle.steps) flow.para(`${capital(step)}.`, 8, "sans", "#000000", 5);
    flow.para(puddle.serves.join("; "), 7.5, "sans", GREY, 5);
  });
  flow.head(`Order, ${clock(plan.totalMin)} in all`);
  for (const wash of plan.washes) {
    flow.room(10);
    if (wash.waitMin >= 0.5) flow.para(`wait ${Math.round(wash.waitMin)} min`, 8, "sans", GREY, 11);
    const top = flow.y;
    flow.text(clock(wash.startMin), MARGIN_MM, top, 9, "sans", GREY);
    flow.para(
      `${wash.mark} ${wash.name}, ${wash.task}: ${wash.mixes.map(({ parts, strength }) => `${mixWords(parts)}, ${strength}`).join("; then ") || "no paint"}`,
      9,
      "sans",
      "#000000",
      11,
    );
    flow.para(
      `${[
        `${Math.max(1, Math.round(wash.minutes))} min`,
        ...(wash.brush ? [wash.brush] : []),
        ...(wash.dryMin >= 1 ? [`dry ${Math.round(wash.dryMin)} min later`] : []),
      ].join(", ")}. ${wash.mind.join(" ")}`,
      7.5,
      "sans",
      GREY,
      11,
    );
  }
  flow.head("Paint");
  flow.para(
    listed(plan.paints.map(({ name, ml, out }) => `${name} ${ml < 0.05 ? "a trace" : `${ml.toFixed(2)} ml`} (${out})`)),
    8.5,
  );
  flow.y += 2;
  flow.para(plan.trust, 7.5, "sans", GREY);
  for (const caution of plan.cautions) flow.para(caution, 7.5, "sans", GREY);
  doc.end();
  return done;
}
