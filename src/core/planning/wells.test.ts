import { expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { puddleAmount, type Laid } from "./amounts";
import { mixWells, type MixedWell, type WellToMix } from "./wells";

/** Paints by number in each well's parts, and wells made of others by adding one paint. */
interface MadeUp {
  readonly wells: readonly WellToMix[];
  readonly paints: readonly (readonly number[])[];
}

function madeUp(random: () => number): MadeUp {
  const served = (): Laid[] =>
    Array.from({ length: 1 + Math.floor(3 * random()) }, () => ({
      areaCm2: 2 + 300 * random(),
      waterParts: [0, 0.5, 1, 3, 6, 12, 18, 40][Math.floor(8 * random())]!,
      filmUm: 20 + 40 * random(),
    }));
  const wells: WellToMix[] = [];
  const paints: number[][] = [];
  for (let n = 0; n < 3; n++) {
    const parts = [1 + Math.floor(4 * random()), 1 + Math.floor(4 * random())];
    wells.push({ parts, served: random() < 0.2 ? [] : served(), from: null });
    paints.push([3 * n, 3 * n + 1]);
    if (random() < 0.6) {
      const base = wells.length - 1;
      wells.push({ parts: [2, ...parts], served: served(), from: { well: base, paints: [1, 2] } });
      paints.push([3 * n + 2, 3 * n, 3 * n + 1]);
    }
  }
  return { wells, paints };
}

/** Mixes step by step as it is told: what each wash is laid with. Throws where a well runs dry. */
function byHand({ wells, paints }: MadeUp, told: readonly MixedWell[]) {
  type Contents = { ml: number; readonly paint: Map<number, number> };
  const takeFrom = (well: Contents, ml: number): Contents => {
    const share = well.ml > 0 ? ml / well.ml : 0;
    if (share > 1 + 1e-9) throw new Error("The well runs dry.");
    const out = new Map([...well.paint].map(([p, own]) => [p, own * share] as const));
    for (const [p, own] of out) well.paint.set(p, well.paint.get(p)! - own);
    well.ml -= ml;
    return { ml, paint: out };
  };
  const stocks: Contents[] = [];
  const squeezed = new Map<number, number>();
  const laid = new Map<string, { readonly ml: number; readonly paint: Map<number, number> }>();
  told.forEach(({ stock, thinned }, w) => {
    const { from } = wells[w]!;
    const well: Contents = from ? takeFrom(stocks[from.well]!, stock.takenMl) : { ml: 0, paint: new Map() };
    stock.paintMl.forEach((ml, p) => {
      expect(ml).toBeGreaterThanOrEqual(-1e-12);
      const id = paints[w]![p]!;
      well.paint.set(id, (well.paint.get(id) ?? 0) + ml);
      squeezed.set(id, (squeezed.get(id) ?? 0) + ml);
      well.ml += ml;
    });
    expect(stock.waterMl).toBeGreaterThanOrEqual(-1e-9);
    well.ml += stock.waterMl;
    expect(well.ml).toBeCloseTo(stock.ml, 9);
    for (const { takenMl, waterMl, serves } of thinned) {
      const cup = takeFrom(well, takenMl);
      expect(waterMl).toBeGreaterThan(0);
      for (const s of serves) laid.set(`${w} ${s}`, { ml: cup.ml + waterMl, paint: cup.paint });
    }
    stocks[w] = well;
  });
  // What stands in a well once all is taken from it is laid as it is.
  told.forEach(({ stock }, w) => stock.serves.forEach((s) => laid.set(`${w} ${s}`, stocks[w]!)));
  return { laid, squeezed };
}

test("mixed step by step as it is told, every wash is laid as strong as it is planned, and nothing runs dry", () => {
  for (let seed = 1; seed <= 200; seed++) {
    const made = madeUp(seededRandom(seed));
    const told = mixWells(made.wells);
    const { laid, squeezed } = byHand(made, told);
    const needed = new Map<number, number>();
    made.wells.forEach(({ parts, served }, w) => {
      puddleAmount(parts, served).paintMl.forEach((ml, p) => {
        const id = made.paints[w]![p]!;
        needed.set(id, (needed.get(id) ?? 0) + ml);
      });
      const total = parts.reduce((sum, part) => sum + part, 0);
      served.forEach(({ waterParts, areaCm2, filmUm }, s) => {
        const { ml, paint } = laid.get(`${w} ${s}`)!;
        const all = [...paint.values()].reduce((sum, own) => sum + own, 0);
        // Strengths that a hand does not tell apart are one.
        expect(Math.abs(all / ml / (1 / (1 + waterParts)) - 1)).toBeLessThan(0.07);
        expect(ml).toBeGreaterThan(areaCm2 * filmUm * 1e-4);
        parts.forEach((part, p) => expect(paint.get(made.paints[w]![p]!)! / all).toBeCloseTo(part / total, 6));
      });
    });
    for (const [id, ml] of needed) expect(squeezed.get(id)).toBeCloseTo(ml, 9);
  }
});

test("neat and 1 : 18 of one mix are two steps: 1 ml neat, of which some is thinned", () => {
  const [{ stock, thinned }] = mixWells([
    {
      parts: [1],
      from: null,
      served: [
        { areaCm2: 100, waterParts: 18, filmUm: 40 },
        { areaCm2: 100, waterParts: 0, filmUm: 40 },
      ],
    },
  ]) as [MixedWell];
  expect(stock).toMatchObject({ waterParts: 0, waterMl: expect.closeTo(0, 12) as number, serves: [1] });
  expect(thinned).toHaveLength(1);
  expect(thinned[0]).toMatchObject({ serves: [0], waterParts: expect.closeTo(18, 9) as number });
  expect(thinned[0]!.waterMl / thinned[0]!.takenMl).toBeCloseTo(18, 9);
});
