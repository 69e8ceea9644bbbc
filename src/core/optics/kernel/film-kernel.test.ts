import { describe, expect, test } from "vitest";
import { compileKernel } from "../../../../scripts/build-kernel.mjs";
import { PAPERS } from "../paper";
import { paintModel } from "../../mixing/paint";
import { predict } from "../../mixing/predict";
import { HANDBOOK } from "../../pigments/handbook";
import { seededRandom } from "../../numeric/random";
import { deltaE00 } from "../../colour/difference";
import { FILM_KERNEL_BASE64 } from "./film-kernel-bytes";
import { filmComputer, MAX_PAINTS, plainComputer } from "./film-kernel";

const models = HANDBOOK.map(({ id }) => paintModel(id, [{ pigmentId: id, share: 1 }]));

describe("the SIMD kernel", () => {
  test("is compiled from the source beside it", async () => {
    expect((await compileKernel()).toString("base64")).toBe(FILM_KERNEL_BASE64);
  });

  test.each(PAPERS.map((paper) => [paper.name, paper] as const))(
    "stays under 0.3 dE00 of the full model at the 99th percentile, and far under: %s",
    (_, paper) => {
      const random = seededRandom(41);
      const computer = filmComputer(models, paper);
      const mixes = Array.from({ length: 3000 }, () => {
        const [a, b, c] = [random() ** 2 + 0.001, random() ** 2 + 0.001, random() ** 2 + 0.001];
        const pick = (): number => Math.floor(random() * models.length);
        return {
          paints: [pick(), pick(), pick()],
          shares: [a, b, c].map((s) => s / (a + b + c)),
          load: Math.exp(-4.4 * random()),
        };
      });
      mixes.forEach(({ paints: [p0, p1, p2], shares: [c0, c1, c2], load }, slot) =>
        computer.put(slot, p0!, p1!, p2!, c0!, c1!, c2!, load),
      );
      const lab = computer.run(mixes.length);
      const errors = mixes.map(({ paints, shares, load }, i) => {
        const full = predict(
          paints.map((p, n) => ({ paint: models[p]!, parts: shares[n]! })),
          load,
          paper,
        ).dry;
        return deltaE00(full, { L: lab[3 * i]!, a: lab[3 * i + 1]!, b: lab[3 * i + 2]! });
      });
      errors.sort((x, y) => x - y);
      expect(errors[Math.floor(0.99 * errors.length)]).toBeLessThan(0.02);
      expect(errors[errors.length - 1]).toBeLessThan(0.1);
    },
  );

  test("its stand-in in plain code says the same", () => {
    const [fast, plain] = [filmComputer(models, PAPERS[0]), plainComputer(models, PAPERS[0])];
    for (const computer of [fast, plain]) computer.put(0, 3, 40, 71, 0.2, 0.5, 0.3, 0.35);
    const one = [...fast.run(1)];
    plain.run(1).forEach((x, i) => expect(x).toBeCloseTo(one[i]!, 1));
  });

  test("more paints than it holds are refused", () => {
    expect(() =>
      filmComputer(
        Array.from({ length: MAX_PAINTS + 1 }, () => models[0]!),
        PAPERS[0],
      ),
    ).toThrow(RangeError);
  });
});
