import { describe, expect, test } from "vitest";
import { lchOfLab } from "../colour/lab";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { PAPERS } from "../optics/paper";
import { HANDBOOK, pigmentById } from "../pigments/handbook";
import { tintingStrengthOf } from "../pigments/order";
import { paintModel } from "./paint";
import { predict } from "./predict";

// How strong pigments are beside each other, and what they were aimed at. Common practice, no source, unless one is
// named.

const paper = PAPERS[0];
const mixed = (parts: Readonly<Record<string, number>>, load: number): Lab =>
  predict(
    Object.entries(parts).map(([id, share]) => ({
      paint: paintModel(id, [{ pigmentId: id, share: 1 }]),
      parts: share,
    })),
    load,
    paper,
  ).dry;
const labOfLch = ([L, C, h]: readonly [number, number, number]): Lab => ({
  L,
  a: C * Math.cos((h * Math.PI) / 180),
  b: C * Math.sin((h * Math.PI) / 180),
});
const chroma = (lab: Lab): number => lchOfLab(lab).C;
const hue = (lab: Lab): number => lchOfLab(lab).h;
const strength = (id: string): number => tintingStrengthOf(pigmentById(id).optics, pigmentById("PB29").optics);

/** The proportion of two paints that is greyest: parts of the second to one of the first, and the colour. */
function greyest(one: string, two: string, load: number): { parts: number; lab: Lab } {
  return Array.from({ length: 81 }, (_, i) => Math.exp(0.08 * (i - 40)))
    .map((parts) => ({ parts, lab: mixed({ [one]: 1, [two]: parts }, load) }))
    .reduce((best, x) => (chroma(x.lab) < chroma(best.lab) ? x : best));
}

describe("strengths", () => {
  test("a phthalo blue is greyed by several parts of cadmium orange, not by less than its own", () => {
    for (const load of [0.1, 0.25]) {
      const { parts, lab } = greyest("PB15-red-shade", "PO20", load);
      expect(parts).toBeGreaterThan(3);
      expect(parts).toBeLessThan(8);
      expect(chroma(lab)).toBeLessThan(5);
    }
  });
  test("phthalo green and cadmium red at 1 : 1 are still green", () => {
    for (const load of [0.25, 0.5]) {
      const lab = mixed({ PG7: 1, PR108: 1 }, load);
      expect(chroma(lab)).toBeGreaterThan(8);
      expect(hue(lab)).toBeGreaterThan(140);
      expect(hue(lab)).toBeLessThan(200);
    }
  });
  test("in a breath of colour a cadmium red is weaker than a pyrrole red", () => {
    const breath = 1 / 61;
    expect(chroma(mixed({ PR108: 1 }, breath))).toBeLessThan(0.8 * chroma(mixed({ PR254: 1 }, breath)));
  });
  test("phthalos come first, cadmiums stand beside ultramarine, titanates and ultramarine pink are weak, whites have none", () => {
    const byStrength = [...HANDBOOK].sort((a, b) => strength(b.id) - strength(a.id)).map(({ id }) => id);
    for (const id of ["PG7", "PG36", "PB15-green-shade", "PB15-red-shade"])
      expect(byStrength.indexOf(id)).toBeLessThan(6);
    for (const id of ["PO20", "PR108", "PR108-light", "PY37"]) {
      expect(strength(id)).toBeGreaterThan(0.4);
      expect(strength(id)).toBeLessThan(1.7);
    }
    for (const id of ["PY53", "PR259", "PR233", "PG23"]) expect(strength(id)).toBeLessThan(0.5);
    for (const id of ["PW4", "PW6"]) expect(strength(id)).toBeLessThan(0.1);
  });
  test.each(HANDBOOK.filter(({ scatterer }) => scatterer.inBand < 0.1).map(({ id }) => id))(
    "%s covers where it reflects and hardly scatters where it absorbs, as Curtis et al. (1997) measured cadmiums",
    (id) => {
      const { K, S } = pigmentById(id).optics;
      const most = K.indexOf(Math.max(...K));
      const least = K.indexOf(Math.min(...K));
      expect(S[most]).toBeLessThan(0.1 * S[least]!);
      expect(S[least]).toBeGreaterThan(0.5);
    },
  );
});

describe("masstones", () => {
  test.each([
    ["burnt sienna", "PBr7-burnt-sienna", 48, 60],
    ["raw sienna", "PBr7-raw-sienna", 64, 75],
    ["burnt umber", "PBr7-burnt-umber", 42, 56],
    ["yellow ochre", "PY43", 68, 78],
    ["light red", "PR101-light-red", 34, 46],
    ["quinacridone gold", "PO49", 54, 68],
    ["benzimidazolone orange", "PO62", 53, 64],
    ["cadmium orange", "PO20", 52, 64],
    ["pyrrole orange", "PO73", 40, 52],
    ["pyrrole red", "PR254", 26, 38],
  ])("%s stands where it is remembered in hue", (_, id, from, to) => {
    expect(hue(mixed({ [id]: 1 }, 1))).toBeGreaterThan(from);
    expect(hue(mixed({ [id]: 1 }, 1))).toBeLessThan(to);
  });
  test.each(["PB60", "PV23", "PV14", "PV15", "PB28", "PB74"])("%s is not purer than it is remembered", (id) => {
    expect(chroma(mixed({ [id]: 1 }, 1))).toBeLessThan(pigmentById(id).recalled[0][1] + 8);
  });
  test("each pigment comes near the colours that its absorbers were aimed at", () => {
    const misses = HANDBOOK.flatMap(({ id, recalled }) =>
      recalled.map((colour, i) => deltaE00(mixed({ [id]: 1 }, [1, 0.25, 0.06][i]!), labOfLch(colour))),
    ).sort((a, b) => a - b);
    expect(misses[Math.floor(misses.length / 2)]).toBeLessThan(1.5);
    expect(misses[Math.floor(0.9 * misses.length)]).toBeLessThan(3.5);
  });
});

describe("mixes that were missed before", () => {
  test.each(["PY43", "PBr7-raw-sienna"])(
    "ultramarine and %s pass through a quiet green, not through violet",
    (ochre) => {
      const path = Array.from({ length: 40 }, (_, i) => mixed({ PB29: 0.05 + 0.02 * i, [ochre]: 1 - 0.02 * i }, 0.35));
      const greens = path.filter((lab) => hue(lab) > 95 && hue(lab) < 170).map(chroma);
      expect(Math.max(...greens)).toBeGreaterThan(5);
      expect(Math.max(...greens)).toBeLessThan(20);
      expect(path.filter((lab) => hue(lab) > 310 || hue(lab) < 50)).toEqual([]);
    },
  );
  test("ultramarine in a deep cadmium yellow turns olive", () => {
    const olive = mixed({ PB29: 1, "PY35-deep": 2 }, 0.35);
    expect(hue(olive)).toBeGreaterThan(90);
    expect(hue(olive)).toBeLessThan(120);
  });
  test("viridian and a quinacridone rose are a soft grey; a dioxazine violet is neutralised by a yellow", () => {
    expect(chroma(greyest("PG18", "PV19-rose", 0.3).lab)).toBeLessThan(9);
    expect(chroma(greyest("PV23", "PY154", 0.25).lab)).toBeLessThan(9);
  });
  test("the fluorescent pink is in the handbook, does not last, and says that it glows", () => {
    const pink = pigmentById("BV10");
    expect(pink.lightfastness.class).toBe(5);
    expect(pink.note).toMatch(/glows/);
    expect(chroma(mixed({ BV10: 1 }, 0.3))).toBeGreaterThan(chroma(mixed({ PR122: 1 }, 0.3)) - 8);
  });
});
