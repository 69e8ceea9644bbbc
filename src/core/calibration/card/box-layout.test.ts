import { expect, test } from "vitest";
import { BOX_PLACES, BOX_WASHES, boxPaperPlaces, boxReadingPlaces, boxWash, boxWindow } from "./box-layout";
import { CARD, cellBox, FIDUCIAL, KIND_CELLS, NUMBER_CELLS, type Box } from "./layout";

const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height;
const within = (a: Box, b: Box): boolean =>
  a.x >= b.x && a.y >= b.y && a.x + a.width <= b.x + b.width && a.y + a.height <= b.y + b.height;
const places = Array.from({ length: BOX_PLACES }, (_, place) => place);
const washes = places.flatMap((place) => Array.from({ length: BOX_WASHES }, (_, wash) => boxWash(place, wash)));

test("no wash meets another, a mark, a printed cell or the paper that is read, and each is read inside itself", () => {
  const corners = [0, CARD.width].flatMap((x) =>
    [0, CARD.height].map((y) => ({
      x: x - FIDUCIAL.radius,
      y: y - FIDUCIAL.radius,
      width: 2 * FIDUCIAL.radius,
      height: 2 * FIDUCIAL.radius,
    })),
  );
  const cells = Array.from({ length: NUMBER_CELLS + KIND_CELLS.length }, (_, i) => cellBox(i));
  const paper = places.flatMap(boxPaperPlaces);
  washes.forEach((wash, i) => {
    expect(within(wash, { x: 0, y: 0, ...CARD })).toBe(true);
    for (const other of [...washes.slice(i + 1), ...corners, ...cells, ...paper])
      expect(meets(wash, other)).toBe(false);
  });
  for (const cell of cells) for (const corner of corners) expect(meets(cell, corner)).toBe(false);
  places.forEach((place) =>
    boxReadingPlaces(place).forEach(({ box }, wash) => expect(within(box, boxWash(place, wash))).toBe(true)),
  );
});

test("the frame's windows show the washes of their line and the paper between, and nothing of the next line", () => {
  places.forEach((place) => {
    const line = Math.floor(place / 4);
    for (const box of [boxWash(place, 0), boxWash(place, 1), ...boxPaperPlaces(place)])
      expect(within(box, boxWindow(line))).toBe(true);
  });
  for (let line = 0; line < 5; line++) expect(meets(boxWindow(line), boxWindow(line + 1))).toBe(false);
});
