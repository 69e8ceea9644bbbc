import { describe, expect, test } from "vitest";
import { loadOfWater, WASH_STRENGTHS } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import type { Lab } from "../colour/colour";
import { CONVENIENCE_MIXES } from "../pigments/handbook/convenience";
import { temperatureOf } from "../colour/describe";
import { lchOfLab } from "../colour/lab";
import { closestMixes } from "./closest";
import { paintModel, type PaintModel } from "./paint";
import { predict } from "./predict";
import { separationOf } from "./separation";
import { buildReachTable } from "./reach-table";

// Facts of the trade: common practice, no source. Each is checked on the handbook's own pigments.

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const mixed = (parts: Readonly<Record<string, number>>, load: number): Lab =>
  predict(
    Object.entries(parts).map(([id, share]) => ({ paint: paint(id), parts: share })),
    load,
    paper,
  ).dry;
const chroma = (lab: Lab): number => lchOfLab(lab).C;
const hue = (lab: Lab): number => lchOfLab(lab).h;
/** Most chroma of a pair over all proportions within a hue range, at any strength. */
function mostChroma(one: string, two: string, from: number, to: number): number {
  let most = 0;
  for (let share = 0.02; share < 1; share += 0.02) {
    for (const load of [0.05, 0.1, 0.2, 0.4, 0.7, 1]) {
      const lab = mixed({ [one]: share, [two]: 1 - share }, load);
      if (hue(lab) >= from && hue(lab) <= to) most = Math.max(most, chroma(lab));
    }
  }
  return most;
}

describe("mixes", () => {
  test("greenish blue and greenish yellow make a vivid green, more vivid than with an orange-leaning yellow", () => {
    const clear = mostChroma("PB15-green-shade", "PY3", 125, 165);
    const dull = mostChroma("PB15-green-shade", "PY110", 125, 165);
    expect(clear).toBeGreaterThan(50);
    expect(clear).toBeGreaterThan(dull + 8);
  });

  test("an opaque pale yellow dulls a transparent green and turns it earthy", () => {
    const alone = mixed({ PG36: 1 }, 0.6);
    const dulled = mixed({ PG36: 1, PY35: 4 }, 0.6);
    const clear = mixed({ PG36: 1, PY3: 4 }, 0.6);
    expect(chroma(dulled)).toBeLessThan(chroma(clear));
    expect(hue(dulled)).toBeLessThan(hue(alone));
  });

  test("ultramarine with burnt sienna runs through brown, a neutral and blue-grey", () => {
    const at = (blue: number): Lab => mixed({ PB29: blue, "PBr7-burnt-sienna": 1 - blue }, 0.4);
    const brown = at(0.15);
    expect(brown.b).toBeGreaterThan(10);
    const path = Array.from({ length: 60 }, (_, i) => at(0.15 + (0.7 * i) / 59));
    expect(Math.min(...path.map(chroma))).toBeLessThan(6);
    expect(path[59]!.b).toBeLessThan(-10);
  });

  test("ultramarine with burnt umber at full strength makes a near-black", () => {
    const darks = Array.from({ length: 19 }, (_, i) =>
      mixed({ PB29: (i + 1) / 20, "PBr7-burnt-umber": 1 - (i + 1) / 20 }, 1),
    );
    const neutral = darks.reduce((best, lab) => (chroma(lab) < chroma(best) ? lab : best));
    expect(neutral.L).toBeLessThan(29);
    expect(chroma(neutral)).toBeLessThan(8);
  });

  test("ultramarine, a mid red and a transparent yellow can make a near-black", () => {
    const table = buildReachTable(["PB29", "PR254", "PY150"].map(paint), paper, { maxPaints: 3, maxPigments: 3 });
    const [best] = closestMixes({ L: 24, a: 0, b: 0 }, table, 1);
    expect(best!.cost).toBeLessThan(6);
  });

  test("full-strength ivory black dries near L* 22 to 28", () => {
    const { L } = mixed({ PBk9: 1 }, 1);
    expect(L).toBeGreaterThan(22);
    expect(L).toBeLessThan(28);
  });

  test("magenta and phthalo blue give violet", () => {
    const violet = mixed({ PR122: 8, "PB15-green-shade": 1 }, 0.3);
    expect(hue(violet)).toBeGreaterThan(295);
    expect(hue(violet)).toBeLessThan(335);
    expect(chroma(violet)).toBeGreaterThan(25);
  });

  test("earth red and ultramarine, thin, give a soft grey-violet", () => {
    const soft = mixed({ "PR101-light-red": 1, PB29: 2.4 }, 0.08);
    expect(chroma(soft)).toBeLessThan(16);
    expect(chroma(soft)).toBeGreaterThan(3);
    expect(hue(soft)).toBeGreaterThan(270);
    expect(hue(soft)).toBeLessThan(350);
  });

  test("a bright orange-red can't be reached in chroma by a bluish red with yellow", () => {
    const tube = chroma(mixed({ PO73: 1 }, 0.6));
    expect(mostChroma("PV19-rose", "PY154", 36, 48)).toBeLessThan(tube - 6);
  });
});

describe("quiet colours and darks", () => {
  const sap = CONVENIENCE_MIXES.find(({ id }) => id === "sap-green")!;
  const paynes = CONVENIENCE_MIXES.find(({ id }) => id === "paynes-grey")!;
  const tube = (parts: readonly (readonly [PaintModel, number])[], load: number): Lab =>
    predict(
      parts.map(([p, n]) => ({ paint: p, parts: n })),
      load,
      paper,
    ).dry;
  const green = paintModel("sap", sap.pigments);
  const grey = paintModel("paynes", paynes.pigments);

  test("mid red and cobalt green give a quiet neutral, and a little cobalt blue cools it", () => {
    const shares = Array.from({ length: 40 }, (_, i) => (i + 0.5) / 40);
    const quiet = shares
      .map((s) => ({ s, lab: mixed({ PR254: s, PG50: 1 - s }, 0.3) }))
      .reduce((best, x) => (chroma(x.lab) < chroma(best.lab) ? x : best));
    expect(chroma(quiet.lab)).toBeLessThan(8);
    const cooled = mixed({ PR254: quiet.s, PG50: 1 - quiet.s, PB28: 0.15 }, 0.3);
    expect(temperatureOf(cooled)).toBeLessThan(temperatureOf(quiet.lab) - 2);
  });

  test("sap green and Payne's grey are a deep green, with ochre an olive", () => {
    const deep = tube(
      [
        [green, 3],
        [grey, 1],
      ],
      0.9,
    );
    const olive = tube(
      [
        [green, 3],
        [grey, 1],
        [paint("PY43"), 4],
      ],
      0.9,
    );
    expect(deep.L).toBeLessThan(36);
    expect(hue(deep)).toBeGreaterThan(110);
    expect(hue(olive)).toBeGreaterThan(75);
    expect(hue(olive)).toBeLessThan(hue(deep) - 8);
  });

  test("rose and buff are a quiet pink, with ochre a peach", () => {
    const pink = mixed({ "PV19-rose": 1, "PW6-buff": 4 }, 0.25);
    const peach = mixed({ "PV19-rose": 1, "PW6-buff": 4, PY43: 2.5 }, 0.25);
    expect(pink.L).toBeGreaterThan(60);
    expect(chroma(pink)).toBeLessThan(chroma(mixed({ "PV19-rose": 1 }, 0.25)));
    expect(hue(peach)).toBeGreaterThan(20);
    expect(hue(peach)).toBeLessThan(65);
    expect(Math.abs(((hue(pink) + 180) % 360) - 180)).toBeLessThan(20);
  });

  test("brown beyond about a third makes a mixed dark dead", () => {
    const dark = (brown: number): Lab =>
      mixed({ PB60: 0.6 * (1 - brown), PR177: 0.4 * (1 - brown), "PBr7-burnt-umber": brown }, 1);
    expect(chroma(dark(0.001))).toBeGreaterThan(7);
    expect(chroma(dark(0.45))).toBeLessThan(0.6 * chroma(dark(0.001)));
  });

  test("yellow lightens a mixed dark, umber hardly", () => {
    const dark = { PB29: 1, PR177: 1 };
    const plain = mixed(dark, 1).L;
    expect(mixed({ ...dark, PY154: 1.5 }, 1).L).toBeGreaterThan(plain + 2);
    expect(Math.abs(mixed({ ...dark, "PBr7-burnt-umber": 1.5 }, 1).L - plain)).toBeLessThan(3);
  });

  test("neighbouring hues keep their chroma, opposite hues lose it", () => {
    const kept =
      chroma(mixed({ PY154: 1, PO73: 1 }, 0.3)) /
      Math.max(chroma(mixed({ PY154: 1 }, 0.3)), chroma(mixed({ PO73: 1 }, 0.3)));
    const lost =
      Math.min(...Array.from({ length: 20 }, (_, i) => chroma(mixed({ PO62: i + 1, PB29: 20 - i }, 0.3)))) /
      chroma(mixed({ PB29: 1 }, 0.3));
    expect(kept).toBeGreaterThan(0.8);
    expect(lost).toBeLessThan(0.3);
  });

  test("a triad of earths reaches less chroma than magenta, yellow and a cyan blue, in every hue", () => {
    const reach = (ids: readonly string[]): Float64Array => {
      const { a, b, L } = buildReachTable(ids.map(paint), paper, { maxPaints: 3, maxPigments: 3 });
      const most = new Float64Array(12);
      a.forEach((x, i) => {
        if (L[i]! < 30) return;
        const sector = Math.floor((((Math.atan2(b[i]!, x) * 180) / Math.PI + 360) % 360) / 30);
        most[sector] = Math.max(most[sector]!, Math.hypot(x, b[i]!));
      });
      return most;
    };
    const earth = reach(["PBr7-raw-sienna", "PR101-indian-red", "PG23"]);
    const bright = reach(["PR122", "PY3", "PB15-green-shade"]);
    bright.forEach((most, sector) => expect(most).toBeGreaterThan(earth[sector]!));
  });

  test("an earth yellow with ultramarine can't make a bright green", () => {
    expect(mostChroma("PY43", "PB29", 115, 175)).toBeLessThan(22);
    expect(mostChroma("PY3", "PB15-green-shade", 115, 175)).toBeGreaterThan(50);
  });

  test("a granulating blue with a staining yellow separates, two stainers don't", () => {
    const apart = separationOf(
      [
        { paint: paint("PB35"), parts: 1 },
        { paint: paint("PY150"), parts: 1 },
      ],
      0.3,
      paper,
    );
    expect(apart.stays).toBe("PB35");
    expect(apart.travels).toBe("PY150");
    expect(apart.visible).toBeGreaterThan(3);
    expect(hue(apart.hollows)).toBeGreaterThan(hue(apart.edge));
    const together = separationOf(
      [
        { paint: paint("PB15-green-shade"), parts: 1 },
        { paint: paint("PY150"), parts: 1 },
      ],
      0.3,
      paper,
    );
    expect(together).toMatchObject({ stays: null, travels: null, word: "keeps together" });
  });

  test("mixed darks of ultramarine, a deep red and umber come within a few L* of ivory black", () => {
    const black = mixed({ PBk9: 1 }, 1).L;
    for (const red of ["PR177", "PR179", "PV29"])
      expect(mixed({ PB29: 3, [red]: 1, "PBr7-burnt-umber": 2 }, 1).L - black).toBeLessThan(6);
  });
});

describe("water and drying, for every pigment", () => {
  test.each(HANDBOOK.map(({ id }) => id))("%s: more water is lighter, dry is lighter than wet", (id) => {
    const washes = WASH_STRENGTHS.map(({ waterParts }) =>
      predict([{ paint: paint(id), parts: 1 }], loadOfWater(waterParts), paper),
    );
    for (let i = 1; i < washes.length; i++) {
      // White pigments hardly change the paper; for the rest the step is plain to see.
      expect(washes[i]!.dry.L).toBeGreaterThan(washes[i - 1]!.dry.L - (id.startsWith("PW6") ? 1.5 : 0));
    }
    washes.forEach(({ dry, wet }) => expect(dry.L).toBeGreaterThan(wet.L));
  });
});

describe("undertones", () => {
  test.each([
    ["PO49", "brown-orange to yellow", 40, 62, 72, 90],
    ["PB15-green-shade", "deep blue to turquoise", 270, 300, 215, 245],
    ["PV23", "dark to clear violet", 300, 325, 300, 320],
    ["PY150", "old gold to lemon", 62, 82, 90, 104],
    ["PV29", "wine-dark to violet-pink", 0, 30, 340, 360],
  ])("%s turns from %s: masstone hue %d to %d, tint %d to %d", (id, _, m0, m1, t0, t1) => {
    const masstone = hue(mixed({ [id]: 1 }, 1));
    const tint = hue(mixed({ [id]: 1 }, 0.05));
    expect(masstone).toBeGreaterThan(m0);
    expect(masstone).toBeLessThan(m1);
    expect(tint).toBeGreaterThan(t0);
    expect(tint).toBeLessThan(t1);
  });
});
