import { expect, test } from "vitest";
import { lchOfLab } from "@/core/colour";
import { withHueOf } from "./targets";

test("with hues free an area keeps its value and chroma and takes its recipe's hue", () => {
  const target = { L: 62, a: 24, b: -7 };
  const mixed = withHueOf(target, { L: 40, a: -3, b: 9 });
  expect(mixed.L).toBe(62);
  expect(lchOfLab(mixed).C).toBeCloseTo(25, 9);
  expect(lchOfLab(mixed).h).toBeCloseTo(lchOfLab({ L: 40, a: -3, b: 9 }).h, 9);
});
