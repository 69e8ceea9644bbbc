import { describe, expect, test } from "vitest";
import {
  CARD,
  cellBox,
  lineBox,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  NUMBER_CELLS,
  paperPlaces,
  readingPlaces,
  ROWS,
  swatchBox,
  SWATCHES,
  windowBox,
  type Box,
} from "./layout";

const meet = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
const within = (inner: Box, outer: Box): boolean =>
  inner.x >= outer.x &&
  inner.y >= outer.y &&
  inner.x + inner.width <= outer.x + outer.width &&
  inner.y + inner.height <= outer.y + outer.height;
const rows = Array.from({ length: ROWS }, (_, row) => row);
const swatches = rows.flatMap((row) => Array.from({ length: SWATCHES }, (_, i) => swatchBox(row, i)));

describe("the card's layout", () => {
  test("no two swatches meet, and none meets a mark or the number", () => {
    swatches.forEach((one, i) => swatches.slice(i + 1).forEach((other) => expect(meet(one, other)).toBe(false)));
    const printed = [
      ...FIDUCIAL_CENTRES.map(({ x, y }): Box => ({
        x: x - FIDUCIAL.radius,
        y: y - FIDUCIAL.radius,
        width: 2 * FIDUCIAL.radius,
        height: 2 * FIDUCIAL.radius,
      })),
      ...Array.from({ length: NUMBER_CELLS }, (_, i) => cellBox(i)),
    ];
    for (const swatch of swatches) for (const box of printed) expect(meet(swatch, box)).toBe(false);
  });

  test("washes are read inside their swatches, paper outside of all of them", () => {
    for (const row of rows) {
      for (const { what, swatch, box } of readingPlaces(row)) {
        if (what === "bare line") {
          expect(within(box, lineBox(row))).toBe(true);
          expect(meet(box, swatchBox(row, swatch))).toBe(false);
        } else expect(within(box, swatchBox(row, swatch))).toBe(true);
        if (what === "across on line") expect(within(box, { ...lineBox(row), y: 0, height: CARD.height })).toBe(true);
        if (what === "across on paper") expect(meet(box, lineBox(row))).toBe(false);
      }
      for (const paper of paperPlaces(row)) for (const swatch of swatches) expect(meet(paper, swatch)).toBe(false);
    }
  });

  test("the frame's windows show every swatch with its line and the paper that is read, and leave bars to hold it together", () => {
    for (const row of rows) {
      const window = windowBox(row);
      for (let i = 0; i < SWATCHES; i++) expect(within(swatchBox(row, i), window)).toBe(true);
      expect(within(lineBox(row), window)).toBe(true);
      for (const paper of paperPlaces(row)) expect(within(paper, window)).toBe(true);
      if (row > 0) expect(window.y - windowBox(row - 1).y - windowBox(row - 1).height).toBeGreaterThan(10);
    }
  });

  test("marks and rows fit A4 and Letter with 10 mm to spare on every side", () => {
    for (const [width, height] of [
      [210, 297],
      [215.9, 279.4],
    ]) {
      expect((width! - CARD.width) / 2 - FIDUCIAL.radius).toBeGreaterThan(10);
      expect((height! - CARD.height) / 2 - FIDUCIAL.radius).toBeGreaterThan(10);
    }
  });
});
