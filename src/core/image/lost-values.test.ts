import { expect, test } from "vitest";
import { lostValues } from "./lost-values";
import { areaImageOf, BLOCKED_BYTE, BURNT_BYTE } from "./pixels";

/** Columns of one grey each, as the working copy's bytes. */
function stripes(greys: readonly number[], height: number) {
  const data = new Uint8ClampedArray(4 * greys.length * height);
  for (let y = 0; y < height; y++)
    greys.forEach((grey, x) => data.set([grey, grey, grey, 255], 4 * (y * greys.length + x)));
  return { data, width: greys.length, height };
}

test("counts what is burnt out and blocked within the sheet, up to the very level and no further", () => {
  const photo = stripes([BURNT_BYTE, BURNT_BYTE - 1, 128, BLOCKED_BYTE + 1, BLOCKED_BYTE, 255, 0, 60, 90, 200], 4);
  const image = areaImageOf(photo);
  const whole = new Uint8Array(image.width * image.height).fill(1);
  expect(lostValues(photo, whole, image)).toEqual({ burnt: 0.2, blocked: 0.2 });
  // Only the left half is the sheet.
  const left = whole.map((_, i) => (i % image.width < image.width / 2 ? 1 : 0));
  expect(lostValues(photo, left, image)).toEqual({ burnt: 0.2, blocked: 0.2 });
  const right = left.map((inside) => 1 - inside);
  expect(lostValues(photo, right, image)).toEqual({ burnt: 0.2, blocked: 0.2 });
});

test("one bright channel is a colour, not a burnt spot gone black; without a sheet nothing is lost", () => {
  const photo = { data: new Uint8ClampedArray([200, 0, 0, 255, 255, 0, 0, 255]), width: 2, height: 1 };
  const image = areaImageOf(photo);
  expect(lostValues(photo, new Uint8Array(2).fill(1), image)).toEqual({ burnt: 0.5, blocked: 0 });
  expect(lostValues(photo, new Uint8Array(2), image)).toEqual({ burnt: 0, blocked: 0 });
});
