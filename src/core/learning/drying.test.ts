import { describe, expect, test } from "vitest";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { PAPERS, paperById } from "../optics/paper";
import { learnDrying } from "./drying";

const paper = PAPERS[0];
const [black, blue] = ["PBk6", "PB29"].map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const mix = (paint: typeof black) => [{ paint: paint!, parts: 1 }];
/** How much lighter a wash dries whose paint has a shift. */
const dries = (paint: typeof black, shift: number, sheet = paper): number => {
  const { dry, wet } = predict([{ paint: { ...paint!, dryingShift: shift }, parts: 1 }], 0.3, sheet);
  return dry.L - wet.L;
};
const seen = (paint: typeof black, shift: number, sheet = paper) => ({
  mix: mix(paint),
  load: 0.3,
  paper: sheet,
  lighter: dries(paint, shift, sheet),
});

describe("how washes dry, learned", () => {
  test("a wash that dries as expected changes nothing", () => {
    const own = black!.dryingShift;
    expect(learnDrying([seen(black, own)]).get("PBk6")).toBeCloseTo(own, 3);
  });

  test("one wash: the mean of the prior and what it says, weighed by their precisions (closed form)", () => {
    const own = black!.dryingShift;
    const step = 0.02;
    const slope = (dries(black, own + step) - dries(black, own - step)) / (2 * step);
    // Prior variances of the common and the own shift together, reading variance over the slope squared.
    const [prior, read] = [0.05 ** 2 + 0.05 ** 2, 2 ** 2 / slope ** 2];
    const expected = own + (step * prior) / (prior + read);
    expect(learnDrying([seen(black, own + step)]).get("PBk6")).toBeCloseTo(expected, 3);
  });

  test("with many washes it comes near what they say; a paint that was not seen follows a little, as all do", () => {
    const many = Array.from({ length: 30 }, () => seen(black, black!.dryingShift + 0.12));
    const alone = learnDrying(many).get("PBk6")!;
    expect(alone).toBeGreaterThan(black!.dryingShift + 0.09);
    const both = learnDrying([...many, { ...seen(blue, blue!.dryingShift), mix: mix(blue) }]);
    const unsaid = learnDrying([seen(blue, blue!.dryingShift)]).get("PB29")!;
    expect(both.get("PB29")!).toBeGreaterThan(unsaid);
    expect(both.get("PB29")! - unsaid).toBeLessThan(0.06);
  });

  test("a sheet that drinks tells more than one that is hard sized; a wash that dries darker is held at none", () => {
    const moved = (sheet: typeof paper): number =>
      learnDrying([seen(black, black!.dryingShift + 0.08, sheet)]).get("PBk6")! - black!.dryingShift;
    expect(moved(paperById("cellulose"))).toBeGreaterThan(moved(paperById("cotton-hot-pressed")));
    const darker = Array.from({ length: 40 }, () => ({ ...seen(black, 0), lighter: -30 }));
    expect(learnDrying(darker).get("PBk6")).toBe(0);
    expect(learnDrying([]).size).toBe(0);
  });
});
