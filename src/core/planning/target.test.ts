import { converter } from "culori";
import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { lchOfLab, labOfXyz, xyzOfLab } from "../colour/lab";
import { linearSrgbOfXyz } from "../colour/srgb";
import { valueOfLuminance } from "../colour/munsell-value";
import { xyzOfReflectance } from "../colour/xyz";
import type { Lab } from "../colour/colour";
import { CURVE_AT, CURVE_KINDS, curveOf, paintedValue, type CurveValues } from "./value-curve";
import { targetColour, wished } from "./target";

const range = { darkest: 2.1, lightest: 9.5 };
const COLOURS: readonly Lab[] = [
  { L: 50, a: 20, b: 30 },
  { L: 30, a: -10, b: -20 },
  { L: 80, a: 4, b: -6 },
  { L: 12, a: 2, b: 1 },
];
const valueOf = (lab: Lab): number => valueOfLuminance(xyzOfLab(lab).Y);

describe("value curves", () => {
  test.each(CURVE_KINDS)("%s: stays in reach, passes its points and never falls", (kind) => {
    const curve = curveOf(kind, range);
    CURVE_AT.forEach((at, i) => expect(paintedValue(at, curve)).toBeCloseTo(curve[i]!, 9));
    let last = -1;
    for (let v = 0; v <= 10; v += 0.02) {
      const painted = paintedValue(v, curve);
      expect(painted).toBeGreaterThanOrEqual(last);
      expect(painted).toBeGreaterThanOrEqual(range.darkest - 1e-9);
      expect(painted).toBeLessThanOrEqual(range.lightest + 1e-9);
      last = painted;
    }
  });

  test("keeping the lights leaves them in proportion to the paper; compressing is a straight line; keys lift and sink", () => {
    const at = (kind: (typeof CURVE_KINDS)[number], v: number): number => paintedValue(v, curveOf(kind, range));
    for (const v of [6, 7, 8, 9]) expect(at("lights", v)).toBeCloseTo((v * range.lightest) / 10, 1);
    for (const v of [1, 3.3, 8])
      expect(at("even", v)).toBeCloseTo(range.darkest + (v / 10) * (range.lightest - range.darkest), 9);
    expect(at("lights", 1)).toBeGreaterThan(range.darkest);
    expect(at("high", 3)).toBeGreaterThan(at("even", 3) + 1);
    expect(at("low", 7)).toBeLessThan(at("even", 7) - 1);
    // Paints that hardly darken the paper leave a curve, not a fold.
    // Before there is a paint nothing can be reached, and nothing is brought to it.
    for (const kind of CURVE_KINDS) expect(curveOf(kind, { darkest: 9.6, lightest: 9.6 })).toEqual(CURVE_AT);
    expect(curveOf("lights", { darkest: 8, lightest: 9.4 }).every((v, i, all) => i === 0 || v >= all[i - 1]!)).toBe(
      true,
    );
  });

  test("a curve with a flat part stays flat there, without overshoot", () => {
    const flat: CurveValues = [3, 3, 3, 7, 9];
    for (let v = 0; v <= 5; v += 0.1) expect(paintedValue(v, flat)).toBeCloseTo(3, 9);
    expect(paintedValue(-4, flat)).toBe(3);
    expect(paintedValue(14, flat)).toBe(9);
  });
});

describe("what is wanted", () => {
  const oklch = converter("oklch");
  const okOf = (lab: Lab) => {
    const { r, g, b } = linearSrgbOfXyz(xyzOfLab(lab));
    return oklch({ mode: "lrgb", r, g, b });
  };

  test("heightening raises OKLab chroma (culori) and keeps the value exactly", () => {
    for (const lab of COLOURS) {
      const more = wished(lab, { way: "heighten", by: 1.5 });
      expect(more.L).toBe(lab.L);
      expect(okOf(more).c / okOf(lab).c).toBeGreaterThan(1.35);
      expect(Math.abs(((okOf(more).h! - okOf(lab).h! + 540) % 360) - 180)).toBeLessThan(3);
    }
    expect(wished(COLOURS[0]!, { way: "heighten", by: 1 }).a).toBeCloseTo(COLOURS[0]!.a, 5);
  });

  test("turning the hue keeps value and chroma; all the way round is where it began", () => {
    for (const lab of COLOURS) {
      const turned = wished(lab, { way: "turn", degrees: 90 });
      expect(lchOfLab(turned).C).toBeCloseTo(lchOfLab(lab).C, 9);
      expect((lchOfLab(turned).h - lchOfLab(lab).h + 360) % 360).toBeCloseTo(90, 6);
      expect(turned.L).toBe(lab.L);
      expect(wished(lab, { way: "turn", degrees: 180 }).a).toBeCloseTo(-lab.a, 9);
    }
  });
});

describe("the colour to paint", () => {
  test("the photo's white is the paper's white, on every paper; a black is the darkest in reach", () => {
    for (const paper of PAPERS) {
      const white = labOfXyz(xyzOfReflectance(paper.reflectance));
      const lightest = valueOfLuminance(xyzOfReflectance(paper.reflectance).Y);
      const curve = curveOf("lights", { darkest: 2.2, lightest });
      const target = targetColour({ L: 100, a: 0, b: 0 }, { way: "follow" }, curve, paper);
      expect(Math.hypot(target.L - white.L, target.a - white.a, target.b - white.b), paper.id).toBeLessThan(0.1);
      expect(valueOf(targetColour({ L: 0, a: 0, b: 0 }, { way: "follow" }, curve, paper))).toBeCloseTo(2.2, 2);
    }
  });

  test("has the value that the curve says, whatever its hue", () => {
    const curve = curveOf("even", range);
    for (const lab of COLOURS) {
      for (const wish of [{ way: "follow" }, { way: "heighten", by: 1.4 }, { way: "turn", degrees: -60 }] as const) {
        expect(valueOf(targetColour(lab, wish, curve, PAPERS[0]))).toBeCloseTo(paintedValue(valueOf(lab), curve), 1);
      }
    }
  });
});
