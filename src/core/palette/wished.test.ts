import { describe, expect, test } from "vitest";
import { ANY_CHARACTER } from "../mixing/character";
import { HANDS } from "../mixing/hand";
import { paintModel } from "../mixing/paint";
import { tastesOf, type Stock } from "../mixing/taste";
import { PAPERS } from "../optics/paper";
import { posePalette, solvePalette, untastedPalette, type PaletteQuestion } from "./problem";

const ids = [
  "PB29",
  "PB15-green-shade",
  "PB28",
  "PB60",
  "PBr7-burnt-sienna",
  "PBr7-burnt-umber",
  "PY43",
  "PY150",
  "PV19-rose",
  "PR254",
];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const quiet = (): void => {};
const choice = { sizes: [3, 4], must: [], never: [], kinds: [], darkest: null, within: [] };
const plain: Stock = { favourite: false, mood: false, openYears: null, pricePerMl: null };

const question = (of: Partial<PaletteQuestion> & { stocks?: readonly Stock[] }): PaletteQuestion => {
  const tastes = of.stocks && tastesOf(of.stocks);
  return {
    paper: PAPERS[0],
    paints,
    targets: [],
    maxPaints: 3,
    maxPigments: 3,
    ...of,
    metric: {
      valueWeight: 1.5,
      freeHue: false,
      hand: HANDS.usual,
      nearEnough: 2,
      ...(tastes && { taste: ({ id }) => tastes[ids.indexOf(id)]! }),
    },
  };
};

const rock = { L: 50, a: 0, b: -4 };
const sky = { L: 72, a: -4, b: -20 };

describe("what is wished of single areas", () => {
  const mixes = (grain: { rock: "free" | "rough"; sky: "free" | "smooth" }) => {
    const posed = posePalette(
      question({
        targets: [
          { lab: rock, weight: 1, areaCm2: 60, character: { ...ANY_CHARACTER, grain: grain.rock } },
          { lab: sky, weight: 1, areaCm2: 300, character: { ...ANY_CHARACTER, grain: grain.sky } },
        ],
      }),
      null,
      quiet,
    );
    const [best] = solvePalette(posed, { ...choice, sizes: [4] }, quiet)[0]!.best;
    const bluesOf = (t: number) => best!.served[t]!.combination.map((p) => ids[p]!).filter((id) => /^PB\d/.test(id));
    return { rock: bluesOf(0), sky: bluesOf(1) };
  };
  const rough = (blues: readonly string[]): boolean => blues.some((id) => paints[ids.indexOf(id)]!.granulation >= 0.4);

  test("texture sought in the rock and a smooth sky take different blues, each of its kind", () => {
    // Common practice, no source: a granulating blue for rocks, one that lies flat for a clear sky.
    const wished = mixes({ rock: "rough", sky: "smooth" });
    expect(rough(wished.rock)).toBe(true);
    expect(rough(wished.sky)).toBe(false);
    expect(wished.sky).not.toEqual(wished.rock);
  });
});

describe("taste and stock", () => {
  const targets = [
    { lab: rock, weight: 1, areaCm2: 60 },
    { lab: sky, weight: 1, areaCm2: 300 },
    { lab: { L: 48, a: 14, b: 22 }, weight: 1, areaCm2: 40 },
  ];
  const bestOf = (stocks?: readonly Stock[]) => {
    const posed = posePalette(question({ targets, ...(stocks && { stocks }) }), null, quiet);
    return { posed, sizes: solvePalette(posed, choice, quiet) };
  };
  const alike = bestOf();

  test("where all paints are liked alike nothing is decided by it", () => {
    const none = bestOf(ids.map(() => plain));
    expect(none.sizes).toEqual(alike.sizes);
    expect(untastedPalette(none.posed, choice, none.sizes[0]!.best[0]!)).toBeNull();
  });

  test("a liking decides between equals alone, and what it decided is told beside what would stand there", () => {
    // Each paint that the best palette lacks is liked in turn: it comes in only where it costs next to nothing.
    const before = alike.sizes[1]!.best[0]!;
    let decided = 0;
    ids.forEach((_, liked) => {
      if (before.paints.includes(liked)) return;
      const tasted = bestOf(ids.map((_, p) => ({ ...plain, mood: p === liked, favourite: p === liked })));
      const best = tasted.sizes[1]!.best[0]!;
      const untasted = untastedPalette(tasted.posed, choice, best);
      if (best.paints.join() === before.paints.join()) return expect(untasted).toBeNull();
      decided++;
      expect(best.paints).toContain(liked);
      expect(untasted!.paints).toEqual(before.paints);
      expect(best.error - before.error).toBeLessThan(1);
    });
    expect(decided).toBeGreaterThan(0);
    expect(decided).toBeLessThan(ids.length - before.paints.length);
  });

  test("what is told of the mixes does not change by what is liked", () => {
    const { posed } = bestOf(ids.map((_, p) => ({ ...plain, pricePerMl: p === 0 ? 9 : 1 })));
    expect(posed.costs.inHand).toEqual(alike.posed.costs.inHand);
    expect(posed.costs.ideal).toEqual(alike.posed.costs.ideal);
    // The dear blue is held back in the wide sky, in the small wash hardly.
    const alone = posed.costs.combinations.findIndex((own) => own.join() === "0");
    const [small, wide] = [2, 1].map((t) => posed.costs.taste![t]![alone]!);
    expect(wide).toBeGreaterThan(0.05);
    expect(small).toBeLessThan(wide! / 2);
  });
});
