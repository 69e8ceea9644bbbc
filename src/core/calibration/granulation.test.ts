import { describe, expect, test } from "vitest";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { granulationOfSheet, type PaintWashes } from "./granulation";
import type { MeasuredPatch } from "./patches";

const paper = PAPERS[0];
const WATER = [0, 3];

/** Lightness varies by what a load varies by, so long as that is little: the texture of washes with a known spread. */
function washes(pigmentId: string, spread: number, rest: Partial<MeasuredPatch> = {}): PaintWashes {
  const base = paintModel(pigmentId, [{ pigmentId, share: 1 }]);
  const patches = WATER.map((waterParts, swatch): MeasuredPatch => {
    const at = (factor: number) => predict([{ paint: base, parts: 1 }], factor * loadOfWater(waterParts), paper).dry;
    const texture = (at(1 - spread / 100).L - at(1 + spread / 100).L) * 50;
    return { what: "wash", swatch, waterParts, lab: at(1), texture: Math.hypot(texture, 0.25), ...rest };
  });
  return { base, patches };
}
/** Spread of a paint's load on a sheet with hollows of any depth, as the film model has it of its pigments. */
const usual = (pigmentId: string, depth: number): PaintWashes =>
  washes(pigmentId, depth * (1 + 2.2 * paintModel(pigmentId, [{ pigmentId, share: 1 }]).granulation));

const BOX = ["PB15-green-shade", "PR254", "PY154", "PB29", "PBr7-burnt-sienna"];

describe("how the paints of a sheet granulate", () => {
  test("on a smooth and on a rough sheet alike, paints that lie as their pigments do are taken at that", () => {
    for (const depth of [0.05, 0.3]) {
      const box = BOX.map((id) => usual(id, depth));
      granulationOfSheet(box, paper).forEach((seen, i) => expect(seen).toBeCloseTo(box[i]!.base.granulation, 1));
    }
  });

  test("one that granulates far more than its pigments is told, and so is one that lies flat; the others stay", () => {
    const flat = usual("PB15-green-shade", 0.1);
    const box = [
      washes("PB15-green-shade", 0.4),
      washes("PB29", 0.05),
      ...["PR254", "PY154", "PR101-light-red"].map((id) => usual(id, 0.1)),
    ];
    const [more, less, ...others] = granulationOfSheet(box, paper);
    expect(more).toBeGreaterThan(flat.base.granulation + 0.4);
    expect(less).toBeLessThan(box[1]!.base.granulation - 0.25);
    others.forEach((seen, i) => expect(seen).toBeCloseTo(box[i + 2]!.base.granulation, 1));
  });

  test("with too few paints to compare, or none with a texture, nothing is said", () => {
    expect(granulationOfSheet([washes("PB29", 0.5), washes("PR254", 0.1)], paper)).toEqual([null, null]);
    const bare = BOX.map((id) => washes(id, 0.1, { texture: undefined }));
    expect(granulationOfSheet(bare, paper)).toEqual(BOX.map(() => null));
    const out = [...BOX.map((id) => usual(id, 0.1)), washes("PG7", 0.1, { leftOut: true })];
    expect(granulationOfSheet(out, paper).at(-1)).toBeNull();
  });

  test("a wash that is nearly bare paper tells little beside a full one", () => {
    const thin = (): MeasuredPatch => ({
      what: "wash",
      swatch: 2,
      waterParts: 200,
      lab: labOfXyz(xyzOfReflectance(paper.reflectance)),
      texture: 0.3,
    });
    const box = BOX.map((id) => usual(id, 0.1));
    const before = granulationOfSheet(box, paper);
    const after = granulationOfSheet(
      box.map((one) => ({ ...one, patches: [...one.patches, thin()] })),
      paper,
    );
    after.forEach((seen, i) => expect(Math.abs(seen! - before[i]!)).toBeLessThan(0.05));
  });
});
