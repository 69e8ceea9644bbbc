import { beforeAll, describe, expect, test } from "vitest";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz } from "../../colour/lab";
import { xyzOfLinearSrgb } from "../../colour/srgb";
import { LINEAR } from "../../image/pixels";
import { paperUnder } from "../../mixing/glaze";
import { paintModel } from "../../mixing/paint";
import { predict, type MixPart } from "../../mixing/predict";
import { PAPERS } from "../../optics/paper";
import type { Lab } from "../../colour/colour";
import { sheetFields, sheetPixels, type SheetFields, type SheetPlace, type SheetWash } from "./sheet-pixels";
import { sheetLight, washLook } from "./wash-look";

const [paper] = PAPERS;
const [WIDTH, HEIGHT] = [240, 120];
const mixOf = (...ids: string[]): MixPart[] =>
  ids.map((pigmentId) => ({ paint: paintModel(pigmentId, [{ pigmentId, share: 1 }]), parts: 1 }));

/** Two shapes side by side; the photo is light at its left half, dark at its right, and again within each shape. */
const DARK = [0.3, 0, 0] as const;
const LIGHT = [0.8, 0, 0] as const;
const place: SheetPlace = {
  width: WIDTH,
  height: HEIGHT,
  labels: Uint8Array.from({ length: WIDTH * HEIGHT }, (_, i) => (i % WIDTH < WIDTH / 2 ? 1 : 2)),
  oklab: Float32Array.from({ length: 3 * WIDTH * HEIGHT }, (_, k) =>
    k % 3 === 0 ? (Math.floor(k / 3 / WIDTH) < HEIGHT / 2 ? LIGHT[0] : DARK[0]) : 0,
  ),
  mmPerPx: 0.4,
};
let fields: SheetFields;
beforeAll(() => void (fields = sheetFields(place)));

const wash = (change: Partial<SheetWash> & Pick<SheetWash, "looks">): SheetWash => ({
  label: 1,
  kind: "flat",
  photo: [LIGHT],
  others: [],
  run: null,
  soft: false,
  ...change,
});
const drawn = (washes: readonly SheetWash[]): Uint8ClampedArray =>
  sheetPixels(place, fields, washes, sheetLight(paper));

/** Mean colour of a part of the sheet, averaged as light (sRGB read as such). */
function mean(pixels: Uint8ClampedArray, x0: number, x1: number, y0: number, y1: number): Lab {
  const sum = [0, 0, 0];
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) for (let c = 0; c < 3; c++) sum[c]! += LINEAR[pixels[4 * (y * WIDTH + x) + c]!]!;
  const n = (x1 - x0) * (y1 - y0);
  return labOfXyz(xyzOfLinearSrgb({ r: sum[0]! / n, g: sum[1]! / n, b: sum[2]! / n }));
}

describe("the sheet as it will look", () => {
  test("a flat wash has the colour that the film model predicts, smooth or granulating; the rest stays bare paper", () => {
    for (const [ids, load] of [
      [["PY150"], 0.15],
      [["PB29", "PBr7-burnt-sienna"], 0.25],
      [["PV19-rose"], 0.06],
    ] as const) {
      const mix = mixOf(...ids);
      const pixels = drawn([wash({ looks: [washLook(mix, load, paper)] })]);
      expect(deltaE00(mean(pixels, 15, 100, 15, 105), predict(mix, load, paper).dry)).toBeLessThan(2.5);
      expect(deltaE00(mean(pixels, 130, 235, 5, 115), predict(mix, 0, paper).dry)).toBeLessThan(0.5);
    }
  });

  test("a glaze over a dried wash has the colour of the stack", () => {
    const [below, above] = [mixOf("PY150"), mixOf("PB29")];
    const under = paperUnder({ mix: below, load: 0.2 }, paper);
    const pixels = drawn([
      wash({ looks: [washLook(below, 0.2, paper)] }),
      wash({ looks: [washLook(above, 0.2, under)] }),
    ]);
    expect(deltaE00(mean(pixels, 15, 100, 15, 105), predict(above, 0.2, under).dry)).toBeLessThan(3);
  });

  test("two coats have the colour of one that is as heavy as both", () => {
    for (const id of ["PO49", "PR255", "PB29"]) {
      const mix = mixOf(id);
      const under = paperUnder({ mix, load: 0.25 }, paper);
      const pixels = drawn([paper, under].map((ground) => wash({ looks: [washLook(mix, 0.25, ground)] })));
      expect(deltaE00(mean(pixels, 15, 100, 15, 105), predict(mix, 0.5, paper).dry)).toBeLessThan(4);
    }
  });

  test("a granulating paint shows more texture than a smooth one, and more on rough paper", () => {
    const spread = (id: string, sheet = paper): number => {
      const pixels = sheetPixels(
        place,
        fields,
        [wash({ looks: [washLook(mixOf(id), 0.2, sheet)] })],
        sheetLight(sheet),
      );
      const values = Array.from(
        { length: 4000 },
        (_, k) => pixels[4 * ((20 + Math.floor(k / 80)) * WIDTH + 20 + (k % 80)) + 1]!,
      );
      const middle = values.reduce((sum, v) => sum + v, 0) / values.length;
      return Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / values.length) / middle;
    };
    expect(spread("PB29")).toBeGreaterThan(1.3 * spread("PB15-green-shade"));
    expect(spread("PB29", PAPERS[1])).toBeGreaterThan(spread("PB29"));
  });

  test("an edge is crisp on dry paper and melts into what is wet; its rim is darkest where it dried", () => {
    const look = washLook(mixOf("PB60"), 0.2, paper);
    const row = (soft: boolean): number[] => {
      const pixels = drawn([wash({ looks: [look], soft })]);
      return Array.from({ length: WIDTH }, (_, x) => mean(pixels, x, x + 1, 30, 90).L);
    };
    const width = (values: readonly number[]): number => {
      const [dark, light] = [values[60]!, values[200]!];
      return values.filter((v) => v > dark + 0.2 * (light - dark) && v < dark + 0.8 * (light - dark)).length;
    };
    const [crisp, soft] = [row(false), row(true)];
    expect(width(crisp)).toBeLessThan(6);
    expect(width(soft)).toBeGreaterThan(width(crisp));
    expect(Math.min(...crisp.slice(108, 120))).toBeLessThan(crisp[60]! - 0.5);
  });

  test("graded washes run from one colour to the other, varied and second ones lie where the photo has them", () => {
    const [yellow, blue] = [washLook(mixOf("PY150"), 0.2, paper), washLook(mixOf("PB29"), 0.2, paper)];
    const run = { from: { x: 0, y: 0.5 }, to: { x: 0.5, y: 0.5 } };
    const graded = drawn([wash({ kind: "graded", looks: [yellow, blue], photo: [LIGHT, DARK], run })]);
    const b = [8, 56, 104].map((x) => mean(graded, x, x + 8, 20, 100).b);
    expect(b[0]!).toBeGreaterThan(b[1]! + 10);
    expect(b[1]!).toBeGreaterThan(b[2]! + 10);
    const varied = drawn([wash({ kind: "varied", looks: [yellow, blue], photo: [LIGHT, DARK] })]);
    expect(mean(varied, 20, 100, 10, 40).b).toBeGreaterThan(mean(varied, 20, 100, 80, 110).b + 30);
    const over = drawn([wash({ kind: "over", looks: [blue], photo: [DARK], others: [LIGHT] })]);
    expect(deltaE00(mean(over, 20, 100, 10, 40), predict(mixOf("PB29"), 0, paper).dry)).toBeLessThan(1);
    expect(mean(over, 20, 100, 80, 110).b).toBeLessThan(-20);
  });

  test("no wash, and a wash of no area, leave the bare sheet", () => {
    const bare = drawn([]);
    expect(drawn([wash({ label: 9, looks: [washLook(mixOf("PB29"), 0.5, paper)] })])).toEqual(bare);
    expect(new Set(Array.from(bare).filter((_, i) => i % 4 === 1)).size).toBe(1);
  });
});
