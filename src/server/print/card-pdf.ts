import {
  BOX_PLACES,
  BOX_WASHES,
  BOX_WATER,
  boxWash,
  CARD,
  CARD_WATER,
  FRAME_NUMBER,
  lineBox,
  MAX_CARD_NUMBER,
  ROWS,
  SHEETS,
  swatchBox,
  SWATCHES,
  WASH_NAMES,
  windowBox,
  type SheetKind,
} from "@/core/calibration";
import { waterWords } from "@/core/optics";
import type { CardPage } from "@/model/measurement";
import { CardSheet } from "./card-sheet";
import { madePdf, PAGES } from "./pdf-page";
import { fitted } from "./fitted";

/** A paint as it stands on the card. */
interface CardPaint {
  readonly name: string;
  readonly codes: string;
}

/**
 * What is printed: a sheet of either kind for these paints, or the cut-out frame that serves every sheet of its kind.
 */
export type CardPrint = {
  readonly sheet: SheetKind;
  readonly of: "frame" | { readonly id: number; readonly on: string; readonly paints: readonly CardPaint[] };
};

/** Number that a card carries in its cells; after 255 they begin again. */
export const numberOfCard = (id: number): number => ((id - 1) % MAX_CARD_NUMBER) + 1;

const strengthWords = (swatch: number): string =>
  `${swatch + 1}  ${swatch === SWATCHES - 1 ? "as 2, across" : waterWords(CARD_WATER[swatch]!).replace("no water", "neat")}`;

function drawRow(sheet: CardSheet, row: number, paint: CardPaint | null, framed: boolean): void {
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

/** Draws what is printed for one paint's pair of washes on a box sheet. */
function drawPair(sheet: CardSheet, place: number, paint: CardPaint | null, framed: boolean): void {
  const [neat, thinned] = [boxWash(place, 0), boxWash(place, 1)];
  const width = thinned.x + thinned.width - neat.x;
  if (paint) {
    sheet.text(fitted(sheet, paint.name, 9.5, "serif", width), neat.x, neat.y - 8.4, 9.5, "serif");
    sheet.text(fitted(sheet, paint.codes, 6.5, "sans", width - 20), neat.x, neat.y - 3.9, 6.5, "sans", "#555555");
  } else if (framed) sheet.text(`place ${place + 1}`, neat.x, neat.y - 6.4, 7.5, "sans", "#555555");
  if (!paint && !framed) return;
  for (let wash = 0; wash < BOX_WASHES; wash++) {
    const box = boxWash(place, wash);
    if (framed) for (const x of [box.x, box.x + box.width]) sheet.line(x, box.y - 1.3, x, box.y - 2.6);
    else sheet.outline(box);
  }
}

const BOX_WASH_WORDS = BOX_WATER.map((water) => waterWords(water).replace("no water", "neat"));
const WORDS: Readonly<Record<SheetKind, { readonly printed: readonly string[]; readonly frame: readonly string[] }>> = {
  card: {
    printed: [
      "Print at 100 %: the middles of the upper marks lie 176 mm apart. Paint each row from 1 neat to 4 pale, measuring water by drops or brushfuls; 5 with puddle 2, right across",
      "the black line. Leave the paper between bare. Let it dry flat, then photograph the whole sheet from above in daylight, without a flash, so that all four round marks show.",
    ],
    frame: [
      "Print at 100 % and cut the dashed windows out. Lay it on watercolour paper, mark the swatches' corners, draw a black line 6 mm wide down the middle of each fifth place with a",
      "waterproof pen, taller than the swatch. Take the frame off, paint, let it dry, lay it back and photograph all of it in daylight. Mind the knife: cut away from your hand.",
    ],
  },
  box: {
    printed: [
      `Print at 100 %: the middles of the upper marks lie 176 mm apart. Of each paint the left wash ${BOX_WASH_WORDS[0]}, the right one ${BOX_WASH_WORDS[1]}; measure by drops or brushfuls, one brush for all.`,
      "Rinse between paints and leave the paper between bare. Let it dry flat, then photograph the whole sheet from above in daylight, without a flash, so that all four round marks show.",
    ],
    frame: [
      "Print at 100 % and cut the dashed windows out. Lay it on watercolour paper, mark the corners of the washes and take it off. Of each paint the left wash neat, the right one 1 : 3.",
      "Note which paint is where. Let it dry, lay the frame back and photograph all of it in daylight. Mind the knife: cut away from your hand.",
    ],
  },
};
const TITLES = { card: "Swatch card", box: "Box sheet" } as const;
const FRAME_TITLES = { card: "Swatch frame", box: "Box frame" } as const;

/** A sheet or its frame as a PDF of one page. */
export function cardPdf({ sheet: kind, of }: CardPrint, page: CardPage): Promise<Buffer> {
  const { width, height } = PAGES[page];
  const framed = of === "frame";
  const title = framed ? FRAME_TITLES[kind] : `${TITLES[kind]} ${of.id}`;
  const { doc, done } = madePdf(title, { width, height });
  const sheet = new CardSheet(doc, page);
  sheet.marks();
  sheet.cells(framed ? FRAME_NUMBER : numberOfCard(of.id), kind);
  const washes = kind === "card" ? WASH_NAMES.join(", ") : BOX_WASH_WORDS.join(" and ");
  sheet.text(title, 9, -4.5, 17, "serif");
  sheet.text(
    framed
      ? `for ${SHEETS[kind].paints} paints: ${washes}`
      : `printed ${of.on}${kind === "box" ? `; of each paint ${washes}` : ""}`,
    9,
    2,
    8,
    "sans",
    "#555555",
  );
  const paintAt = (place: number): CardPaint | null => (framed ? null : (of.paints[place] ?? null));
  if (kind === "box") {
    for (let place = 0; place < BOX_PLACES; place++) drawPair(sheet, place, paintAt(place), framed);
    if (framed) SHEETS.box.windows.forEach((window) => sheet.outline(window, true));
  } else for (let row = 0; row < ROWS; row++) if (framed || paintAt(row)) drawRow(sheet, row, paintAt(row), framed);
  WORDS[kind][framed ? "frame" : "printed"].forEach((words, i) =>
    sheet.text(words, 0, CARD.height + 7 + 3.4 * i, 6.4, "sans", "#333333"),
  );
  doc.end();
  return done;
}
