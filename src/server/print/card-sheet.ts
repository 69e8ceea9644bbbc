import {
  CARD,
  cellBox,
  cellsOfNumber,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  KIND_CELLS,
  type SheetKind,
} from "@/core/calibration";
import type { CardPage } from "@/model/measurement";
import { PAGES, PdfPage, PT_PER_MM, type Doc } from "./pdf-page";

/** Draws in the card's own mm on a PDF page. */
export class CardSheet extends PdfPage {
  constructor(doc: Doc, page: CardPage) {
    super(doc, (PAGES[page].width - CARD.width) / 2, (PAGES[page].height - CARD.height) / 2);
  }

  /** The corner marks: discs with a hole. */
  marks(): void {
    FIDUCIAL_CENTRES.forEach(({ x, y }, i) => {
      this.doc.circle(...this.at(x, y), FIDUCIAL.radius * PT_PER_MM).fill("#000000");
      this.doc.circle(...this.at(x, y), (i === 0 ? FIDUCIAL.wideHole : FIDUCIAL.hole) * PT_PER_MM).fill("#ffffff");
    });
  }

  /** The cells that tell a sheet's number and kind. */
  cells(number: number, kind: SheetKind): void {
    cellsOfNumber(number).forEach((black, i) => black && this.fill(cellBox(i)));
    if (kind === "box") KIND_CELLS.forEach((cell) => this.fill(cellBox(cell)));
  }
}
