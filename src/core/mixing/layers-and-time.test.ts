import { describe, expect, test } from "vitest";
import { DRY_SURFACE, saunderson } from "../optics/surface";
import { loadOfWater } from "../optics/load";
import { PAPERS, paperById } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import { CONVENIENCE_MIXES } from "../pigments/handbook/convenience";
import { compareColours } from "../colour/compare";
import { lchOfLab, xyzOfLab } from "../colour/lab";
import { chargePath } from "./charge";
import { glazeReflectance, paperUnder, predictGlaze } from "./glaze";
import { likelyErrorOf } from "./likely-error";
import { paintModel, type PaintModel } from "./paint";
import { predict } from "./predict";
import { buildReachTable } from "./reach-table";
import { separationOf } from "./separation";

const paper = PAPERS[0];
const one = (id: string) => [{ paint: paintModel(id, [{ pigmentId: id, share: 1 }]), parts: 1 }];

describe("glazes", () => {
  test("no wash is bare paper; one wash is the wash itself", () => {
    glazeReflectance([], paper).forEach((r, i) => expect(r).toBeCloseTo(saunderson(paper.ground[i]!, DRY_SURFACE), 12));
    expect(predictGlaze([{ mix: one("PB29"), load: 0.3 }], paper).L).toBeCloseTo(
      predict(one("PB29"), 0.3, paper).dry.L,
      9,
    );
  });

  test("two identical washes are one of twice the load (closed form), and order matters only to scattering paints", () => {
    const twice = predictGlaze(
      [
        { mix: one("PR179"), load: 0.2 },
        { mix: one("PR179"), load: 0.2 },
      ],
      paper,
    );
    expect(compareColours(twice, predict(one("PR179"), 0.4, paper).dry).dE00).toBeLessThan(1e-6);
    const order = (a: string, b: string): number =>
      compareColours(
        predictGlaze(
          [
            { mix: one(a), load: 0.4 },
            { mix: one(b), load: 0.4 },
          ],
          paper,
        ),
        predictGlaze(
          [
            { mix: one(b), load: 0.4 },
            { mix: one(a), load: 0.4 },
          ],
          paper,
        ),
      ).dE00;
    expect(order("PY35", "PB15-green-shade")).toBeGreaterThan(8);
    expect(order("PY150", "PB15-green-shade")).toBeLessThan(0.3 * order("PY35", "PB15-green-shade"));
  });

  test("many washes never give light, and without scattering each makes the sheet darker", () => {
    const stack = Array.from({ length: 12 }, (_, i) => ({
      mix: one(HANDBOOK[(i * 9) % HANDBOOK.length]!.id),
      load: 0.1,
    }));
    const clear = stack.map(({ mix: [part], load }) => ({
      load,
      mix: [{ parts: 1, paint: { ...part!.paint, optics: { ...part!.paint.optics, S: new Float64Array(36) } } }],
    }));
    let before = 200;
    for (let depth = 1; depth <= 12; depth++) {
      glazeReflectance(stack.slice(0, depth), paper).forEach((r) => expect(r).toBeLessThanOrEqual(1));
      const { L } = predictGlaze(clear.slice(0, depth), paper);
      expect(L).toBeLessThanOrEqual(before + 1e-9);
      before = L;
    }
  });
});

describe("a sheet under a dried wash", () => {
  test("a wash over it is the glaze of both, within 1 dE00 whatever granulates", () => {
    const smooth = { ...paper, roughness: 0 };
    for (const below of ["PY154", "PBr7-burnt-sienna", "PB29"]) {
      for (const above of ["PB15-green-shade", "PV19-rose", "PBr7-burnt-umber"]) {
        for (const loads of [
          [0.06, 0.1],
          [0.2, 0.3],
        ] as const) {
          const layers = [
            { mix: one(below), load: loads[0] },
            { mix: one(above), load: loads[1] },
          ];
          const off = (sheet: typeof paper): number =>
            compareColours(
              predictGlaze(layers, sheet),
              predict(layers[1]!.mix, loads[1], paperUnder(layers[0]!, sheet)).dry,
            ).dE00;
          expect(off(paper), `${above} over ${below}`).toBeLessThan(1);
          expect(off(smooth), `${above} over ${below}, smooth`).toBeLessThan(1);
        }
      }
    }
  });

  test("nothing on it is the wash below; a glaze never makes it lighter", () => {
    const under = paperUnder({ mix: one("PY154"), load: 0.2 }, paper);
    const below = predict(one("PY154"), 0.2, paper).dry;
    expect(compareColours(below, predict(one("PB29"), 1e-9, under).dry).dE00).toBeLessThan(0.01);
    for (const load of [0.02, 0.1, 0.4]) expect(predict(one("PB29"), load, under).dry.L).toBeLessThan(below.L);
  });
});

describe("charging", () => {
  test("the path runs from one puddle to the other, each step a small one", () => {
    const path = chargePath({ mix: one("PB29"), load: 0.3 }, { mix: one("PY154"), load: 0.15 }, paper, 21);
    expect(path).toHaveLength(21);
    expect(compareColours(path[0]!, predict(one("PB29"), 0.3, paper).dry).dE00).toBeLessThan(1e-6);
    expect(compareColours(path[20]!, predict(one("PY154"), 0.15, paper).dry).dE00).toBeLessThan(1e-6);
    for (let i = 1; i < 21; i++) expect(compareColours(path[i - 1]!, path[i]!).dE00).toBeLessThan(14);
    expect(Math.min(...path.map((lab) => lchOfLab(lab).C))).toBeLessThan(lchOfLab(path[0]!).C);
  });
});

describe("wet and dry", () => {
  // Lekner and Dorf (1988), Appl. Opt. 27, 1278, after Ångström: a rough surface of absorptance a under
  // water absorbs (1 - Rl) a / (1 - p (1 - a)), with Rl = 0.066 and p = 1 - (1 - Rl) / n², n = 1.33.
  const wetReflectance = (dry: number): number => {
    const surface = 0.066;
    const p = 1 - (1 - surface) / 1.33 ** 2;
    return 1 - ((1 - surface) * (1 - dry)) / (1 - p * dry);
  };

  test("wet is darker by about as much as Lekner and Dorf say, their surface gloss taken or left", () => {
    for (const waterParts of [1.5, 3, 6, 12, 25, 60]) {
      const { dry, wet } = predict(one("PBk6"), loadOfWater(waterParts), paper);
      const expected = wetReflectance(xyzOfLab(dry).Y);
      const { Y } = xyzOfLab(wet);
      expect(Y).toBeLessThan(xyzOfLab(dry).Y);
      expect(Y).toBeLessThan(expected + 0.05);
      expect(Y).toBeGreaterThan(expected - 0.066 - 0.05);
    }
  });

  test("a paint known to fade in drying does so, more on thirsty paper", () => {
    const shift = (id: string, paperId: string): number => {
      const { dry, wet } = predict(one(id), 0.3, paperById(paperId));
      return dry.L - wet.L;
    };
    const without = { ...one("PBk6")[0]!.paint, dryingShift: 0 };
    const bare = predict([{ paint: without, parts: 1 }], 0.3, paper);
    expect(shift("PBk6", "cotton-cold-pressed")).toBeGreaterThan(bare.dry.L - bare.wet.L + 1);
    expect(shift("PBk6", "cellulose")).toBeGreaterThan(shift("PBk6", "cotton-hot-pressed"));
  });
});

describe("separation", () => {
  const green = [
    { paint: paintModel("PB29", [{ pigmentId: "PB29", share: 1 }]), parts: 1 },
    { paint: paintModel("PY150", [{ pigmentId: "PY150", share: 1 }]), parts: 1 },
  ];
  test("rougher paper shows more of it, one paint alone none", () => {
    expect(separationOf(green, 0.3, paperById("cotton-rough")).visible).toBeGreaterThan(
      separationOf(green, 0.3, paperById("cotton-hot-pressed")).visible,
    );
    expect(separationOf(one("PB35"), 0.3, paper).visible).toBe(0);
  });
});

describe("likely error", () => {
  const typical = one("PB29")[0]!.paint;
  const measured = { ...typical, measured: { miss: 1.04, loads: [0.05, 1] as const, on: "2026-10-03", way: "card" } };
  const earlier = { ...typical, measured: { ...measured.measured, on: "2026-03-01" } };
  const told = (paints: readonly PaintModel[], load = 0.25) =>
    likelyErrorOf(
      paints.map((paint, i) => ({ paint: { ...paint, id: `${paint.id} ${i}` }, parts: 1 })),
      load,
      paper,
    );
  test("is the same whatever was asked before of this tube: of other mixes, or on another sheet", () => {
    const { K, S } = measured.optics;
    const fresh = (): PaintModel => ({ ...measured, optics: { K: K.slice(), S: S.slice() } });
    const ask = (tube: PaintModel, sheet: (typeof PAPERS)[number]) =>
      likelyErrorOf([{ paint: tube, parts: 1 }, ...one("PR101-light-red")], 0.25, sheet);
    const tube = fresh();
    likelyErrorOf([{ paint: tube, parts: 1 }], 0.6, paper);
    const sheets = [paper, PAPERS[1]!, paper];
    const answers = sheets.map((sheet) => ask(tube, sheet));
    expect(answers).toEqual(sheets.map((sheet) => ask(fresh(), sheet)));
    expect(answers[1]!.from).not.toEqual(answers[0]!.from);
  });
  test("is smaller for measured paints, between for half and half, and says what it stands on", () => {
    const [none, half, both] = [told([typical, typical]), told([typical, measured]), told([measured, measured])];
    expect([none, half, both].map(({ basis }) => basis)).toEqual(["typical", "mixed", "measured"]);
    expect(both.measurements).toEqual([{ on: "2026-10-03", way: "card" }]);
    expect(both.median).toBeLessThan(half.median);
    expect(half.median).toBeLessThan(none.median);
    for (const { median, p90 } of [none, half, both]) expect(p90).toBeGreaterThan(1.5 * median);
    // A measurement that is unsurer makes a prediction unsurer.
    const unsure = { ...measured, measured: { ...measured.measured, miss: 2.08 } };
    expect(told([unsure, unsure]).median).toBeGreaterThan(1.3 * both.median);
  });
  test("an unknown strength counts more in a wash than at full strength, hardly in a white; far from a measured wash it grows", () => {
    const black = one("PBk9")[0]!.paint;
    expect(told([black]).from.strength).toBeGreaterThan(told([black], 1).from.strength);
    expect(told([one("PW6")[0]!.paint]).median).toBeLessThan(0.4 * told([black]).median);
    const far = { ...measured, measured: { ...measured.measured, miss: 4 } };
    const near = { ...far, measured: { ...far.measured, loads: [0.012, 1] as const } };
    expect(told([far], 0.013).median).toBeGreaterThan(told([near], 0.013).median);
  });
  test("names every measurement that it stands on, newest first", () => {
    expect(told([earlier, measured, typical]).measurements.map(({ on }) => on)).toEqual(["2026-10-03", "2026-03-01"]);
  });
  test("a measured paint has its own optics, whatever strength its label says", () => {
    const K = Array.from({ length: 36 }, (_, i) => i / 10);
    const own = paintModel("own", [{ pigmentId: "PB29", share: 1 }], 0.5, {
      ...measured.measured,
      K,
      S: K.map(() => 0.2),
    });
    expect([...own.optics.K]).toEqual(K);
    expect(own.measured?.on).toBe("2026-10-03");
    expect(own.pigmentIds).toEqual(["PB29"]);
  });
});

describe("the handbook", () => {
  test("has at least 90 pigments, each once, with facts in their ranges and absorption that never runs below nothing", () => {
    expect(HANDBOOK.length).toBeGreaterThanOrEqual(90);
    expect(new Set(HANDBOOK.map(({ id }) => id)).size).toBe(HANDBOOK.length);
    for (const { id, code, optics, granulation, staining, weight, note, absorbers } of HANDBOOK) {
      expect(code, id).toMatch(/^(P[YORVBGWb]|PBr|PBk|NR|BV)\d+$/);
      expect(Math.min(...optics.K, ...optics.S), id).toBeGreaterThanOrEqual(0);
      expect(granulation >= 0 && granulation <= 1 && staining >= 0 && staining <= 1 && Math.abs(weight) <= 1, id).toBe(
        true,
      );
      expect(note.length > 10 && absorbers.length > 0, id).toBe(true);
    }
  });

  test("convenience mixes are made of handbook pigments, and these count", () => {
    for (const { id, pigments } of CONVENIENCE_MIXES) {
      const model = paintModel(id, pigments);
      expect(model.pigmentIds.length, id).toBe(pigments.length);
      expect(
        pigments.reduce((sum, { share }) => sum + share, 0),
        id,
      ).toBeCloseTo(1, 9);
    }
  });

  test("shades of one code are modelled apart", () => {
    for (const code of ["PBr7", "PV19", "PR101", "PB15"]) {
      const shades = HANDBOOK.filter((pigment) => pigment.code === code);
      expect(shades.length).toBeGreaterThan(1);
      shades.forEach((a, i) =>
        shades
          .slice(i + 1)
          .forEach((b) =>
            expect(
              compareColours(predict(one(a.id), 0.2, paper).dry, predict(one(b.id), 0.2, paper).dry).dE00,
              `${a.id} ${b.id}`,
            ).toBeGreaterThan(2.5),
          ),
      );
    }
  });

  test("cautions stand where the metal is in the name", () => {
    for (const { id, name, hazards = [] } of HANDBOOK) {
      for (const metal of ["cadmium", "cobalt", "nickel", "manganese"] as const)
        if (name.includes(metal)) expect(hazards, id).toContain(metal);
    }
  });
});

describe("a reach table", () => {
  const paints = ["PY154", "PV19-rose", "PB29", "PG7", "PBr7-burnt-sienna"].map((id) => one(id)[0]!.paint);
  const rules = { maxPaints: 3, maxPigments: 3 } as const;
  test("is rebuilt only for what changed, and is then the same as a new one", () => {
    const before = buildReachTable(paints, paper, rules);
    const changed = [...paints.slice(0, 4), one("PBr7-burnt-umber")[0]!.paint];
    const after = buildReachTable(changed, paper, rules, before);
    expect(before.computed).toBe(25);
    expect(after.computed).toBe(1 + 4 + 6);
    expect(after.L).toEqual(buildReachTable(changed, paper, rules).L);
    expect(buildReachTable([...paints].reverse(), paperById("cotton-rough"), rules, before).computed).toBe(25);
  });

  test("a paint whose optics changed under the same id is computed anew", () => {
    const before = buildReachTable(paints, paper, rules);
    const refitted = { ...paints[0]!, optics: { ...paints[0]!.optics, K: paints[0]!.optics.K.map((k) => 0.8 * k) } };
    expect(buildReachTable([refitted, ...paints.slice(1)], paper, rules, before).computed).toBe(1 + 4 + 6);
  });
});
