import { describe, expect, test } from "vitest";
import { frameMask, keepInside, photoOfSheet, sheetOfPhoto, wholePhoto, widestFrame, type Frame } from "./frame";

const photo = { width: 1500, height: 1000 };
const frame: Frame = { x: 0.45, y: 0.55, width: 0.4, aspect: 38 / 28, angleDegrees: 12 };
const CORNERS = [
  [0, 0],
  [1, 0],
  [0, 1],
  [1, 1],
] as const;

describe("a sheet over a photo", () => {
  test("there and back again, turned or not", () => {
    for (const angleDegrees of [-31, 0, 12, 45]) {
      for (const [x, y] of [...CORNERS, [0.3, 0.8]] as const) {
        const turned = { ...frame, angleDegrees };
        const back = sheetOfPhoto(photoOfSheet({ x, y }, turned, photo), turned, photo);
        expect(back.x).toBeCloseTo(x, 12);
        expect(back.y).toBeCloseTo(y, 12);
      }
    }
  });

  test("a photo turned clockwise brings a horizon that falls to the left back to level", () => {
    // Two points of a line that rises to the right by tan 10 degrees on the photo (y counts down).
    const rise = Math.tan((10 * Math.PI) / 180);
    const level = { ...frame, angleDegrees: 10 };
    const left = sheetOfPhoto({ x: 0.4, y: 0.5 + (0.1 * 1500 * rise) / 1000 }, level, photo);
    const right = sheetOfPhoto({ x: 0.6, y: 0.5 - (0.1 * 1500 * rise) / 1000 }, level, photo);
    expect(left.y).toBeCloseTo(right.y, 10);
  });

  test("is kept inside: every corner of it, at any place, turn and size", () => {
    for (const angleDegrees of [-45, -8, 0, 20]) {
      for (const width of [0.1, 0.5, 1]) {
        for (const [x, y] of [...CORNERS, [0.5, 0.5]] as const) {
          const kept = keepInside({ x, y, width, aspect: 0.7, angleDegrees }, photo);
          for (const [u, v] of CORNERS) {
            const at = photoOfSheet({ x: u, y: v }, kept, photo);
            for (const share of [at.x, at.y]) {
              expect(share).toBeGreaterThan(-1e-9);
              expect(share).toBeLessThan(1 + 1e-9);
            }
          }
        }
      }
    }
    expect(keepInside(frame, photo)).toEqual(frame);
  });

  test("the widest one touches: a square in a landscape photo is as high as it", () => {
    expect(widestFrame({ ...wholePhoto(photo), aspect: 1 }, photo)).toBeCloseTo(1000 / 1500, 12);
    expect(widestFrame(wholePhoto(photo), photo)).toBeCloseTo(1, 12);
  });

  test("its mask covers as much as its size says", () => {
    const covered = frameMask(frame, photo).reduce((sum, inside) => sum + inside, 0);
    expect(covered / ((0.4 * 1500) ** 2 / (38 / 28))).toBeCloseTo(1, 2);
    expect(frameMask(wholePhoto(photo), photo).every((inside) => inside === 1)).toBe(true);
  });
});
