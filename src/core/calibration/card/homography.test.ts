import { describe, expect, test } from "vitest";
import { homographyOf, mapPoint } from "./homography";
import { FIDUCIAL_CENTRES } from "./layout";

const SQUARE = [
  { x: 0, y: 0 },
  { x: 1, y: 0 },
  { x: 1, y: 1 },
  { x: 0, y: 1 },
];

describe("the perspective map of four points", () => {
  // Heckbert (1989), "Fundamentals of texture mapping and image warping", section 2.2.3: the square
  // to a quadrilateral in closed form, g = ((dx3 dy2 - dx2 dy3) / det, ...).
  const heckbert = (q: readonly { x: number; y: number }[]): number[] => {
    const [dx1, dx2, dx3] = [q[1]!.x - q[2]!.x, q[3]!.x - q[2]!.x, q[0]!.x - q[1]!.x + q[2]!.x - q[3]!.x];
    const [dy1, dy2, dy3] = [q[1]!.y - q[2]!.y, q[3]!.y - q[2]!.y, q[0]!.y - q[1]!.y + q[2]!.y - q[3]!.y];
    const det = dx1 * dy2 - dx2 * dy1;
    const g = (dx3 * dy2 - dx2 * dy3) / det;
    const h = (dx1 * dy3 - dx3 * dy1) / det;
    return [
      q[1]!.x - q[0]!.x + g * q[1]!.x,
      q[3]!.x - q[0]!.x + h * q[3]!.x,
      q[0]!.x,
      q[1]!.y - q[0]!.y + g * q[1]!.y,
      q[3]!.y - q[0]!.y + h * q[3]!.y,
      q[0]!.y,
      g,
      h,
      1,
    ];
  };

  test.each([
    [
      "a photo taken askew",
      [
        { x: 112, y: 124 },
        { x: 1433, y: 105 },
        { x: 1376, y: 1859 },
        { x: 128, y: 1814 },
      ],
    ],
    [
      "a strong tilt",
      [
        { x: 300, y: 80 },
        { x: 700, y: 90 },
        { x: 950, y: 990 },
        { x: 40, y: 960 },
      ],
    ],
    [
      "upside down",
      [
        { x: 900, y: 1900 },
        { x: 100, y: 1880 },
        { x: 120, y: 100 },
        { x: 880, y: 90 },
      ],
    ],
  ])("is Heckbert's closed form for %s", (_, corners) => {
    const map = homographyOf(SQUARE, corners)!;
    heckbert(corners).forEach((value, i) => expect(map[i]).toBeCloseTo(value, 8));
  });

  test("an affine map has no perspective, and is undone by its inverse", () => {
    const onto = FIDUCIAL_CENTRES.map(({ x, y }) => ({ x: 3 * x - 0.5 * y + 40, y: 0.4 * x + 3.2 * y + 25 }));
    const map = homographyOf(FIDUCIAL_CENTRES, onto)!;
    [3, -0.5, 40, 0.4, 3.2, 25, 0, 0, 1].forEach((value, i) => expect(map[i]).toBeCloseTo(value, 9));
    const back = homographyOf(onto, FIDUCIAL_CENTRES)!;
    const there = mapPoint(map, { x: 61.5, y: 87.25 });
    const again = mapPoint(back, there);
    expect(again.x).toBeCloseTo(61.5, 8);
    expect(again.y).toBeCloseTo(87.25, 8);
  });

  test("straight lines stay straight, and the diagonals' crossing stays their crossing", () => {
    const corners = [
      { x: 300, y: 80 },
      { x: 700, y: 90 },
      { x: 950, y: 990 },
      { x: 40, y: 960 },
    ];
    const map = homographyOf(SQUARE, corners)!;
    const { x, y } = mapPoint(map, { x: 0.5, y: 0.5 });
    const onDiagonal = (a: { x: number; y: number }, b: { x: number; y: number }): number =>
      ((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)) / Math.hypot(b.x - a.x, b.y - a.y);
    expect(onDiagonal(corners[0]!, corners[2]!)).toBeCloseTo(0, 8);
    expect(onDiagonal(corners[1]!, corners[3]!)).toBeCloseTo(0, 8);
  });

  test("three points on a line make none", () => {
    expect(
      homographyOf(
        [
          { x: 0, y: 0 },
          { x: 1, y: 1 },
          { x: 2, y: 2 },
          { x: 0, y: 1 },
        ],
        SQUARE,
      ),
    ).toBeNull();
  });
});
