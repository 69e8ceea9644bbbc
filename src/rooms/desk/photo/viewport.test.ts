import { describe, expect, test } from "vitest";
import { keepInside, wholePhoto, type Frame } from "@/core/image";
import { matrixTo, MAX_ZOOM, panned, photoOfScreen, scaleOf, screenOfPhoto, wholeView, zoomedAt } from "./viewport";
import { nudged, NARROWEST } from "./crop-frame";

const photo = { width: 2000, height: 1333 };
const frame: Frame = keepInside({ x: 0.4, y: 0.5, width: 0.6, aspect: 38 / 28, angleDegrees: 7 }, photo);
const view = { width: 760, height: 560 };
const whole = wholeView(frame, photo, view);

describe("the viewport over the sheet", () => {
  test("shows the sheet's corners in the surface's corners, and finds its way back", () => {
    const viewport = zoomedAt(whole, 3, { x: 200, y: 100 });
    for (const at of [
      { x: 0, y: 0 },
      { x: 760, y: 560 },
      { x: 123, y: 456 },
    ]) {
      const back = screenOfPhoto(viewport, photoOfScreen(viewport, at));
      expect(back.x).toBeCloseTo(at.x, 8);
      expect(back.y).toBeCloseTo(at.y, 8);
    }
    const middle = screenOfPhoto(whole, { x: frame.x, y: frame.y });
    expect(middle).toMatchObject({ x: expect.closeTo(380, 6), y: expect.closeTo(280, 6) });
  });

  test("going closer keeps the point under the cursor where it is", () => {
    const at = { x: 333, y: 222 };
    const before = photoOfScreen(whole, at);
    for (const factor of [1.3, 4, 17]) {
      const after = photoOfScreen(zoomedAt(whole, factor, at), at);
      expect(after.x).toBeCloseTo(before.x, 9);
      expect(after.y).toBeCloseTo(before.y, 9);
    }
  });

  test("never shows what lies beyond the sheet, nor goes closer than it may", () => {
    const close = panned(zoomedAt(whole, 4, { x: 0, y: 0 }), 9999, 9999);
    expect(screenOfPhoto(close, photoOfScreen(whole, { x: 0, y: 0 }))).toMatchObject({
      x: expect.closeTo(0, 6),
      y: expect.closeTo(0, 6),
    });
    expect(zoomedAt(whole, 1e6, { x: 5, y: 5 }).zoom).toBe(MAX_ZOOM);
    expect(zoomedAt(close, 1e-6, { x: 5, y: 5 })).toEqual(whole);
  });

  test("the matrix for drawings says the same as the viewport", () => {
    const viewport = zoomedAt(whole, 2, { x: 300, y: 300 });
    const [a, b, c, d, e, f] = matrixTo(viewport, { width: 1000, height: 667 });
    const point = screenOfPhoto(viewport, { x: 0.3, y: 0.6 });
    expect(a * 300 + c * 400.2 + e).toBeCloseTo(point.x, 6);
    expect(b * 300 + d * 400.2 + f).toBeCloseTo(point.y, 6);
    expect(Math.hypot(a, b) * 1000).toBeCloseTo(scaleOf(viewport), 6);
  });
});

describe("placing the sheet with keys", () => {
  const size = photo;
  const start = keepInside({ ...wholePhoto(size), width: 0.5, aspect: 1.2 }, size);
  test("arrows move it, plus and minus size it, brackets turn the photo; nothing leaves it", () => {
    expect(nudged(start, "ArrowRight", false, size)!.x).toBeGreaterThan(start.x);
    expect(nudged(start, "ArrowRight", true, size)!.x - start.x).toBeLessThan(
      nudged(start, "ArrowRight", false, size)!.x - start.x,
    );
    expect(nudged(start, "+", false, size)!.width).toBeGreaterThan(start.width);
    expect(nudged({ ...start, width: NARROWEST }, "-", false, size)!.width).toBe(NARROWEST);
    expect(nudged(start, "]", false, size)!.angleDegrees).toBeCloseTo(0.5, 9);
    expect(nudged(start, "x", false, size)).toBeNull();
    let far = start;
    for (let i = 0; i < 200; i++) far = nudged(far, "ArrowUp", false, size)!;
    expect(keepInside(far, size)).toEqual(far);
  });
});
