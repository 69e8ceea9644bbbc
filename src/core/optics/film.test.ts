import { tripleOf } from "../numeric/tuples";
import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { spectrumOf } from "../colour/bands";
import { filmReflectance } from "./film";
import { filmLab } from "./film-colour";
import { layerAlone, layerOverGround, stackOver } from "./layer";
import { PAPERS } from "./paper";
import { DRY_SURFACE, inverseSaunderson, saunderson, WET_SURFACE } from "./surface";
import { pairFromSwatch } from "./swatch-inverse";
import { textureOf } from "./texture";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";

const random = seededRandom(5);
const cases = Array.from({ length: 200 }, () => ({
  K: 4 * random() ** 2,
  S: 3 * random() ** 2,
  X: 0.02 + random(),
  ground: random(),
}));

describe("Kubelka-Munk layer", () => {
  test("equals the textbook form with coth", () => {
    for (const { K, S, X, ground } of cases) {
      const a = 1 + K / S;
      const b = Math.sqrt(a * a - 1);
      const coth = 1 / Math.tanh(b * S * X);
      expect(layerOverGround(K, S, X, ground)).toBeCloseTo((1 - ground * (a - b * coth)) / (a - ground + b * coth), 6);
    }
  });

  test("without scattering it is Beer's law there and back", () => {
    expect(layerOverGround(1.3, 0, 0.7, 0.9)).toBeCloseTo(0.9 * Math.exp(-2 * 1.3 * 0.7), 7);
    expect(layerOverGround(1.3, 1e-10, 0.7, 0.9)).toBeCloseTo(0.9 * Math.exp(-2 * 1.3 * 0.7), 7);
  });

  test("infinitely thick it hides its ground: K/S = (1 - R)² / 2R (Kubelka and Munk 1931)", () => {
    const R = layerOverGround(0.8, 1.7, 500, 0.2);
    expect((1 - R) ** 2 / (2 * R)).toBeCloseTo(0.8 / 1.7, 6);
  });

  test("no load at all is the bare ground, and no layer sends back more than it gets", () => {
    expect(layerOverGround(2, 1, 0, 0.42)).toBeCloseTo(0.42, 9);
    for (const { K, S, X, ground } of cases) {
      const { R, T } = layerAlone(K, S, X);
      expect(R + T).toBeLessThanOrEqual(1 + 1e-9);
      expect(Math.min(R, T)).toBeGreaterThanOrEqual(0);
      expect(layerOverGround(K, S, X, ground)).toBeLessThanOrEqual(1);
    }
  });

  test("a layer laid over a ground is the layer alone stacked on it, and two halves make a whole", () => {
    for (const { K, S, X, ground } of cases) {
      const whole = layerOverGround(K, S, X, ground);
      expect(stackOver(layerAlone(K, S, X), ground)).toBeCloseTo(whole, 7);
      expect(stackOver(layerAlone(K, S, X / 2), layerOverGround(K, S, X / 2, ground))).toBeCloseTo(whole, 7);
    }
  });
});

// Curtis, Anderson, Seims, Fleischer and Salesin (1997), "Computer-generated watercolor", table of
// sample pigments: K and S in red, green and blue, typed from memory, and the channels of the wash
// over white from lightest to darkest ("=" for about the same), from the paint's name.
const CURTIS: readonly (readonly [name: string, K: readonly number[], S: readonly number[], overWhite: string])[] = [
  ["quinacridone rose", [0.22, 1.47, 0.57], [0.05, 0.003, 0.03], "r>b>g"],
  ["Indian red", [0.46, 1.07, 1.5], [1.28, 0.38, 0.21], "r>g>b"],
  ["cadmium yellow", [0.1, 0.36, 3.45], [0.97, 0.65, 0.007], "r>g>b"],
  ["Hooker's green", [1.62, 0.61, 1.64], [0.01, 0.012, 0.003], "g>r=b"],
  ["cerulean blue", [1.52, 0.32, 0.25], [0.06, 0.26, 0.4], "b>g>r"],
  ["burnt umber", [0.74, 1.54, 2.1], [0.09, 0.09, 0.004], "r>g>b"],
  ["cadmium red", [0.14, 1.08, 1.68], [0.77, 0.015, 0.018], "r>g>b"],
  ["brilliant orange", [0.13, 0.81, 3.45], [0.005, 0.009, 0.007], "r>g>b"],
  ["hansa yellow", [0.06, 0.21, 1.78], [0.5, 0.88, 0.009], "r>g>b"],
  ["phthalo green", [1.55, 0.47, 0.63], [0.01, 0.05, 0.035], "g>b>r"],
  ["French ultramarine", [0.86, 0.86, 0.06], [0.005, 0.005, 0.09], "b>r=g"],
  ["interference lilac", [0.08, 0.11, 0.07], [1.25, 0.42, 1.43], "b=r>g"],
];

describe("the dozen watercolours of Curtis et al. (1997), composited over white and black", () => {
  const over = (ground: number, K: readonly number[], S: readonly number[]): number[] =>
    K.map((k, c) => layerOverGround(k, S[c]!, 1, ground));
  const lightness = (rgb: readonly number[]): number => rgb.reduce((a, b) => a + b, 0) / 3;

  test.each(CURTIS)("%s has its kind of colour over white", (_, K, S, order) => {
    const white = over(0.97, K, S);
    const channel = (letter: string): number => white["rgb".indexOf(letter)]!;
    for (const [, one, sign, two] of order.matchAll(/(?=([rgb])([>=])([rgb]))/g)) {
      if (sign === ">") expect(channel(one!)).toBeGreaterThan(channel(two!) + 0.02);
      else expect(Math.abs(channel(one!) - channel(two!))).toBeLessThan(0.08);
    }
  });

  test("opaque paints look much the same on both, transparent ones vanish on black, interference paint shows there alone", () => {
    const change = ([, K, S]: (typeof CURTIS)[number]): number =>
      lightness(over(0.97, K, S)) - lightness(over(0, K, S));
    const kept = (name: string): number =>
      lightness(over(0, ...(CURTIS.find((p) => p[0] === name)!.slice(1, 3) as [number[], number[]])));
    for (const transparent of [
      "quinacridone rose",
      "Hooker's green",
      "burnt umber",
      "brilliant orange",
      "phthalo green",
      "French ultramarine",
    ]) {
      expect(kept(transparent)).toBeLessThan(0.05);
      for (const opaque of ["Indian red", "cadmium yellow", "hansa yellow", "interference lilac"])
        expect(kept(opaque)).toBeGreaterThan(kept(transparent) + 0.1);
    }
    const rose = CURTIS.find(([name]) => name === "quinacridone rose")!;
    const indian = CURTIS.find(([name]) => name === "Indian red")!;
    expect(change(rose)).toBeGreaterThan(3 * change(indian));
    const lilac = CURTIS.find(([name]) => name === "interference lilac")!;
    expect(Math.min(...over(0.97, lilac[1], lilac[2]))).toBeGreaterThan(0.75);
    const [r, g, b] = tripleOf(over(0, lilac[1], lilac[2]));
    expect(Math.min(r, b)).toBeGreaterThan(g + 0.15);
  });
});

describe("K and S from a swatch over white and black (Curtis et al. 1997, section 5.1)", () => {
  test.each(CURTIS)("%s: film over both grounds, then back", (_, K, S) => {
    for (let c = 0; c < 3; c++) {
      // The perfect white makes the formula's logarithm infinite; their user's white is just below it.
      const overWhite = layerOverGround(K[c]!, S[c]!, 1, 1 - 1e-12);
      const overBlack = layerOverGround(K[c]!, S[c]!, 1, 0);
      const back = pairFromSwatch(overWhite, overBlack);
      expect(Math.abs(back.K - K[c]!)).toBeLessThan(0.01 * K[c]! + 0.002);
      expect(Math.abs(back.S - S[c]!)).toBeLessThan(0.01 * S[c]! + 0.0005);
    }
  });

  test("an impossible swatch is refused", () => {
    expect(() => pairFromSwatch(0.4, 0.5)).toThrow(RangeError);
    expect(() => pairFromSwatch(0.4, 0)).toThrow(RangeError);
  });
});

describe("surface (Saunderson 1942)", () => {
  test("there and back", () => {
    for (let R = 0; R <= 1; R += 0.05) {
      expect(inverseSaunderson(saunderson(R, DRY_SURFACE), DRY_SURFACE)).toBeCloseTo(R, 12);
      expect(inverseSaunderson(saunderson(R, WET_SURFACE), WET_SURFACE)).toBeCloseTo(R, 12);
    }
  });

  test("a black inside still shows the veil, a white inside stays white", () => {
    expect(saunderson(0, DRY_SURFACE)).toBeCloseTo(0.03, 12);
    expect(saunderson(1, DRY_SURFACE)).toBeCloseTo(1, 12);
  });
});

describe("paper and texture", () => {
  test.each(PAPERS.map((p) => [p.name, p] as const))("bare %s looks as measured", (_, paper) => {
    const K = new Float64Array(36);
    const bare = filmReflectance(
      K,
      K,
      1,
      paper.ground,
      DRY_SURFACE,
      textureOf(paper.roughness, 0),
      1,
      new Float64Array(36),
    );
    bare.forEach((r, i) => expect(r).toBeCloseTo(paper.reflectance[i]!, 6));
    const { L, b } = labOfXyz(xyzOfReflectance(paper.reflectance));
    expect(L).toBeGreaterThan(93);
    const bluish = paper.id === "bright-cotton";
    expect(Math.sign(b)).toBe(bluish ? -1 : 1);
  });

  test("a soaked sheet is darker than a dry one (Lekner and Dorf 1988: wet is darker)", () => {
    PAPERS.forEach((paper) => paper.wetGround.forEach((wet, i) => expect(wet).toBeLessThan(paper.ground[i]!)));
  });

  test("texture keeps the mean load and has the spread it says", () => {
    for (const granulation of [0, 0.4, 1]) {
      const { loads, weights, spread } = textureOf(0.12, granulation);
      const mean = loads.reduce((sum, load, i) => sum + weights[i]! * load, 0);
      const variance = loads.reduce((sum, load, i) => sum + weights[i]! * (load - mean) ** 2, 0);
      expect(mean).toBeCloseTo(1, 12);
      expect(Math.sqrt(variance)).toBeCloseTo(spread, 2);
    }
  });
});

describe("the hot loop is the same model", () => {
  const K = spectrumOf((nm) => 0.3 + 2 * Math.exp(-(((nm - 600) / 60) ** 2)));
  const S = spectrumOf((nm) => 0.4 * (550 / nm));
  const paper = PAPERS[0];

  test("filmLab over all bands equals filmReflectance, bit for bit to 1e-9", () => {
    const texture = textureOf(paper.roughness, 0.5);
    const out = new Float64Array(3);
    filmLab(K, S, 0.4, paper, texture.loads, texture.weights, out);
    const { L, a, b } = labOfXyz(
      xyzOfReflectance(filmReflectance(K, S, 0.4, paper.ground, DRY_SURFACE, texture, 1, new Float64Array(36))),
    );
    expect(out[0]).toBeCloseTo(L, 9);
    expect(out[1]).toBeCloseTo(a, 9);
    expect(out[2]).toBeCloseTo(b, 9);
  });
});
