import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { paintModel } from "../mixing/paint";
import { pigmentById } from "../pigments/handbook";
import { findGaps } from "./gaps";

const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const gaps = (...ids: string[]) => findGaps(ids.map(paint), PAPERS[0]);

describe("gaps (common practice, no source)", () => {
  test("a box of earths lacks clean greens, blues and violets; what would open them is no earth", () => {
    const found = gaps("PY43", "PBr7-burnt-sienna", "PR101-light-red", "PBr7-burnt-umber");
    const words = found.map((gap) => gap.words).join();
    for (const hue of ["green", "blue", "violet"]) expect(words).toContain(hue);
    expect(found.slice(0, 6).every(({ pigmentId }) => pigmentById(pigmentId).family !== "earth")).toBe(true);
  });

  test("a bright box of nine leaves hardly a gap, and none of it in yellow, green or blue", () => {
    const found = gaps("PY154", "PV19-rose", "PB29", "PB15-green-shade", "PG7", "PV23", "PR122", "PY3", "PY110");
    expect(found.length).toBeLessThan(4);
    expect(found.map(({ words }) => words).join()).not.toMatch(/yellow|green|blue/);
  });

  test("the pigment named is not owned, lasts, and does reach further; the widest gap comes first", () => {
    const found = gaps("PY43", "PB29");
    expect(found.length).toBeGreaterThan(3);
    for (const { pigmentId, reached, possible } of found) {
      expect(["PY43", "PB29"]).not.toContain(pigmentId);
      expect(pigmentById(pigmentId).lightfastness.class).toBeLessThanOrEqual(2);
      expect(possible).toBeGreaterThan(reached + 10);
    }
    const widths = found.map(({ reached, possible }) => possible - reached);
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    expect(new Set(found.map(({ pigmentId }) => pigmentId)).size).toBe(found.length);
  });

  test("filling the widest gap closes it, and more paints never open one", () => {
    const start = ["PY154", "PV19-rose", "PB29"];
    const [widest] = gaps(...start);
    const after = gaps(...start, widest!.pigmentId);
    expect(after.some(({ pigmentId }) => pigmentId === widest!.pigmentId)).toBe(false);
    const total = (list: typeof after): number =>
      list.reduce((sum, { reached, possible }) => sum + possible - reached, 0);
    expect(total(after)).toBeLessThan(total(gaps(...start)));
  });
});
