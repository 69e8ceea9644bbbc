import { describe, expect, test } from "vitest";
import type { Lab } from "../colour/colour";
import { deltaE00 } from "../colour/difference";
import { HANDS } from "../mixing/hand";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { normalFrom } from "../numeric/normal";
import { seededRandom } from "../numeric/random";
import { solveLinear } from "../numeric/solve";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { CORRECTIONS, correctedOptics, LIKELY } from "../pigments/maker-variation";
import { TUBE } from "../mixing/likely-error";
import { readingUnsure, type Evidence, type PaintedMix } from "./evidence";
import { habitFactor, learnedPaint, paperFactor } from "./learned-paint";
import { nextSwatches } from "./next-swatch";
import { noiseOf } from "./noise";
import { learn, learning, leftBy, type LearnedBefore } from "./posterior";
import { mixSlopes } from "./slopes";
import { coloursTogether, densePrior } from "@/testing/dense";
import { FIRST_S, PRIOR, stateLayout } from "./state";

const paper = PAPERS[0];
const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [blue, earth, yellow] = [paint("PB29"), paint("PBr7-burnt-sienna"), paint("PY150")];
const mixOf = (parts: readonly (readonly [typeof blue, number])[], waterParts: number): PaintedMix => ({
  mix: parts.map(([one, amount]) => ({ paint: one, parts: amount })),
  waterParts,
  paper,
  over: null,
});
const swatch = (id: string, painted: PaintedMix, lab: Lab, more: Partial<Evidence> = {}): Evidence => ({
  ...painted,
  id,
  lab,
  by: "sheet",
  photo: null,
  ...more,
});

/** A painter whose tubes are corrected by some numbers and whose washes have so much more pigment: no scatter. */
function truth(corrections: ReadonlyMap<string, readonly number[]>, habit: number) {
  return ({ mix, waterParts, paper: sheet }: PaintedMix): Lab =>
    predict(
      mix.map(({ paint: one, parts }) => ({
        paint: {
          ...one,
          optics: correctedOptics(
            one.optics,
            Float64Array.from({ length: CORRECTIONS }, (_, i) => corrections.get(one.id)?.[i] ?? 0),
          ),
        },
        parts,
      })),
      loadOfWater(waterParts) * habit,
      sheet,
    ).dry;
}

describe("slopes", () => {
  const layout = stateLayout([blue.id, earth.id], [paper.id], ["p"]);
  const random = seededRandom(5);
  const state = Float64Array.from({ length: layout.size }, () => 0.3 * (random() - 0.5));
  const painted = mixOf(
    [
      [blue, 3],
      [earth, 2],
    ],
    3,
  );
  const seen = mixSlopes(painted, layout, state, "p");

  test("the colour is what predict gives for the corrected paints, in the photo's light", () => {
    const own = (id: string) => [...state.subarray(layout.paints.get(id)!, layout.paints.get(id)! + CORRECTIONS)];
    const shift = Math.exp(state[layout.habit]! + state[layout.papers.get(paper.id)!]!);
    const { L, a, b } = truth(new Map([blue.id, earth.id].map((id) => [id, own(id)])), shift)(painted);
    const light = layout.photos.get("p")!;
    expect(seen.lab.L).toBeCloseTo(L + state[light]!, 6);
    expect(seen.lab.a).toBeCloseTo(a + state[light + 1]!, 6);
    expect(seen.lab.b).toBeCloseTo(b + state[light + 2]!, 6);
  });

  test("every slope is the difference that a small step makes", () => {
    expect(seen.places.length).toBe(2 * CORRECTIONS + 2 + 3);
    seen.places.forEach((place, i) => {
      const at = (by: number): Lab => {
        const moved = state.slice();
        moved[place]! += by;
        return mixSlopes(painted, layout, moved, "p").lab;
      };
      const [above, below] = [at(1e-4), at(-1e-4)];
      (["L", "a", "b"] as const).forEach((k, j) =>
        expect(seen.slopes[3 * i + j]).toBeCloseTo((above[k] - below[k]) / 2e-4, 2),
      );
    });
  });

  test("a slip of a part is that of the paint's part in the puddle, water as it was", () => {
    const at = (parts: number): Lab => {
      const mix = [
        { paint: { ...blue, optics: correctedOptics(blue.optics, new Float64Array(CORRECTIONS)) }, parts },
        { paint: { ...earth, optics: correctedOptics(earth.optics, new Float64Array(CORRECTIONS)) }, parts: 2 },
      ];
      // The texture stays that of the mix as meant.
      const even = { ...paper, roughness: 1e-6 };
      return predict(mix, (loadOfWater(3) * (parts + 2)) / 5, even).dry;
    };
    const even = { ...painted, paper: { ...paper, id: "even", roughness: 1e-6 } };
    const { slips } = mixSlopes(even, stateLayout([], [], []), new Float64Array(1));
    const bare = mixSlopes(even, stateLayout([blue.id, earth.id], [], []), new Float64Array(2 * CORRECTIONS + 1)).slips;
    const [above, below] = [at(3 * Math.exp(1e-3)), at(3 * Math.exp(-1e-3))];
    expect(bare[3]).toBeCloseTo((above.L - below.L) / 2e-3, 2);
    expect(bare[5]).toBeCloseTo((above.b - below.b) / 2e-3, 2);
    // All parts together are the load.
    for (let k = 0; k < 3; k++) expect(slips[3 + k]! + slips[6 + k]!).toBeCloseTo(slips[k]!, 9);
  });
});

describe("against closed forms", () => {
  test("a card alone is a linear Gaussian update: mean and covariance by solving it directly", () => {
    const random = seededRandom(9);
    const roots = Array.from({ length: CORRECTIONS * 3 }, () => 3 * (random() - 0.5));
    const precision = new Float64Array(CORRECTIONS ** 2);
    for (let i = 0; i < CORRECTIONS; i++)
      for (let j = 0; j < CORRECTIONS; j++)
        for (let k = 0; k < 3; k++) precision[i * CORRECTIONS + j]! += roots[3 * i + k]! * roots[3 * j + k]!;
    const pull = Float64Array.from({ length: CORRECTIONS }, () => random() - 0.5);
    const { state, covariance, layout } = learn([], [{ paintId: blue.id, paperId: paper.id, precision, pull }]);

    // By hand: x = (corrections, habit, paper), own = M x, with a habit and a paper that move K and S.
    const n = CORRECTIONS + 2;
    const M = (i: number, j: number): number => (j < CORRECTIONS ? Number(i === j) : Number(i === 0 || i === FIRST_S));
    const prior = densePrior(layout);
    const A = Array.from({ length: n }, (_, i) =>
      Array.from({ length: n }, (_c, j) => {
        let sum = prior[i * n + j]!;
        for (let k = 0; k < CORRECTIONS; k++)
          for (let l = 0; l < CORRECTIONS; l++) sum += M(k, i) * precision[k * CORRECTIONS + l]! * M(l, j);
        return sum;
      }),
    );
    const b = Array.from({ length: n }, (_, i) => pull.reduce((sum, p, k) => sum + M(k, i) * p, 0));
    solveLinear(A, b)!.forEach((value, i) => expect(state[i]).toBeCloseTo(value, 6));
    const column = solveLinear(
      A,
      Array.from({ length: n }, (_, i) => Number(i === CORRECTIONS)),
    )!;
    column.forEach((value, i) => expect(covariance.at(i, CORRECTIONS)).toBeCloseTo(value, 6));
  });

  test("before any swatch: the prior of tubes, strength moving scattering with it", () => {
    const { covariance, layout } = learn([], [], [blue.id]);
    const at = (i: number, j: number): number => covariance.at(i, j);
    const first = layout.paints.get(blue.id)!;
    expect(Math.sqrt(at(first, first))).toBeCloseTo(TUBE.strength, 9);
    expect(at(first, first + FIRST_S)).toBeCloseTo(TUBE.strength ** 2, 9);
    expect(at(first + FIRST_S, first + FIRST_S)).toBeCloseTo(
      TUBE.strength ** 2 + (TUBE.scattering * LIKELY[FIRST_S]!) ** 2,
      9,
    );
    expect(Math.sqrt(at(layout.habit, layout.habit))).toBeCloseTo(PRIOR.habit, 9);
  });

  test("one swatch that comes out near what is expected: the gain form of the update (Kalman 1960)", () => {
    const painted = mixOf([[blue, 1]], 3);
    const layout = stateLayout([blue.id], [paper.id], []);
    const before = mixSlopes(painted, layout, new Float64Array(layout.size));
    // Two units off in lightness: the film is nearly straight over that.
    const lab = { ...before.lab, L: before.lab.L + 0.5 };
    const { state, hand } = learn([swatch("1", painted, lab)]);
    expect(hand.water).toBeCloseTo(HANDS.usual.water, 2);
    const prior = densePrior(layout);
    const { size } = layout;
    const P = Array.from({ length: size }, (_, i) => Array.from({ length: size }, (_c, j) => prior[i * size + j]!));
    const covariance = new Float64Array(size * size);
    for (let j = 0; j < size; j++)
      solveLinear(
        P,
        Array.from({ length: size }, (_, i) => Number(i === j)),
      )!.forEach((v, i) => (covariance[i * size + j] = v));
    const within = coloursTogether(covariance, size, before, before);
    const noise = noiseOf(painted, before, readingUnsure("sheet", lab), HANDS.usual, {
      parts: 1,
      water: HANDS.usual.water,
    });
    const S = [0, 1, 2].map((i) => [0, 1, 2].map((j) => within[3 * i + j]! + noise[3 * i + j]!));
    const weighted = solveLinear(S, [0.5, 0, 0])!;
    const shift = [layout.habit, layout.papers.get(paper.id)!, 0].map((place) => {
      let sum = 0;
      before.places.forEach((other, i) => {
        for (let k = 0; k < 3; k++) sum += covariance[place * size + other]! * before.slopes[3 * i + k]! * weighted[k]!;
      });
      return sum;
    });
    expect(state[layout.habit]).toBeCloseTo(shift[0]!, 3);
    expect(state[layout.papers.get(paper.id)!]).toBeCloseTo(shift[1]!, 3);
    expect(state[0]).toBeCloseTo(shift[2]!, 2);
  });

  test("against a plain sampler (Metropolis 1953): the posterior of a wash that was painted at another strength", () => {
    const corrections = new Map([[blue.id, [0.35, 0.1, -0.1]]]);
    const colour = truth(corrections, 1.1);
    const evidence = [mixOf([[blue, 1]], 1.5), mixOf([[blue, 1]], 12)].map((painted, i) =>
      swatch(`${i}`, painted, colour(painted)),
    );
    const { layout, state, covariance, scale } = learn(evidence);
    const asked = mixOf([[blue, 1]], 5);
    const seen = mixSlopes(asked, layout, state);
    const spread = Math.sqrt(covariance.of(seen)[0]!);

    const prior = densePrior(layout);
    const logDensity = (x: Float64Array): number => {
      let sum = 0;
      for (let i = 0; i < layout.size; i++)
        for (let j = 0; j < layout.size; j++) sum -= 0.5 * x[i]! * x[j]! * prior[i * layout.size + j]!;
      for (const one of evidence) {
        const there = mixSlopes(one, layout, x);
        const noise = noiseOf(one, there, readingUnsure("sheet", one.lab), HANDS.usual, scale);
        const off = [one.lab.L - there.lab.L, one.lab.a - there.lab.a, one.lab.b - there.lab.b];
        const S = [0, 1, 2].map((i) => [0, 1, 2].map((j) => noise[3 * i + j]!));
        const solved = solveLinear(S, off)!;
        sum -= 0.5 * off.reduce((all, value, k) => all + value * solved[k]!, 0);
        const [a, b, c, d, e, f, g, h, i] = [...noise] as [
          number,
          number,
          number,
          number,
          number,
          number,
          number,
          number,
          number,
        ];
        sum -= 0.5 * Math.log(a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g));
      }
      return sum;
    };
    // Steps along the Gaussian approximation's own axes would be quicker; these are taken from the prior's.
    const [normal, uniform] = [normalFrom(seededRandom(77)), seededRandom(31)];
    const steps = Float64Array.from({ length: layout.size }, (_, i) => 0.16 * Math.sqrt(covariance.at(i, i)));
    let at = state.slice();
    let here = logDensity(at);
    const drawn: number[] = [];
    for (let n = 0; n < 14_000; n++) {
      const next = at.map((value, i) => value + 1.6 * steps[i]! * normal());
      const there = logDensity(next);
      if (Math.log(Math.max(1e-12, uniform())) < there - here) [at, here] = [next, there];
      if (n > 1500 && n % 4 === 0) drawn.push(mixSlopes(asked, layout, at).lab.L);
    }
    const mean = drawn.reduce((sum, value) => sum + value, 0) / drawn.length;
    const deviation = Math.sqrt(drawn.reduce((sum, value) => sum + (value - mean) ** 2, 0) / drawn.length);
    expect(Math.abs(mean - seen.lab.L)).toBeLessThan(0.5 * spread);
    expect(deviation / spread).toBeGreaterThan(0.75);
    expect(deviation / spread).toBeLessThan(1.3);
  });
});

describe("what is learned", () => {
  const corrections = new Map([
    [blue.id, [0.5, 0.05]],
    [earth.id, [-0.4, 0, 0.1]],
    [yellow.id, [0.1, -0.1]],
  ]);
  const colour = truth(corrections, 1.25);
  const painted = [
    mixOf([[blue, 1]], 1),
    mixOf([[blue, 1]], 6),
    mixOf([[earth, 1]], 3),
    mixOf([[yellow, 1]], 3),
    mixOf(
      [
        [blue, 2],
        [earth, 1],
      ],
      3,
    ),
    mixOf(
      [
        [blue, 1],
        [earth, 3],
      ],
      1.5,
    ),
    mixOf(
      [
        [yellow, 3],
        [blue, 1],
      ],
      4,
    ),
    mixOf(
      [
        [yellow, 2],
        [earth, 2],
        [blue, 1],
      ],
      2,
    ),
  ];
  const evidence = painted.map((one, i) => swatch(`${i}`, one, colour(one)));
  const unseen = mixOf(
    [
      [blue, 1],
      [earth, 1],
      [yellow, 1],
    ],
    5,
  );
  const told = (list: readonly Evidence[]): Lab => {
    const { layout, state } = learn(list);
    return mixSlopes(unseen, layout, state).lab;
  };

  test("a mix that was never painted is predicted nearly as it is, where the handbook missed it by far", () => {
    const byLabel = truth(new Map(), 1)(unseen);
    expect(deltaE00(byLabel, colour(unseen))).toBeGreaterThan(4);
    expect(deltaE00(told(evidence), colour(unseen))).toBeLessThan(1);
  });

  test("begun from what was known before a page more, it ends where a whole learning does, in half the steps or less", () => {
    const scattered = Array.from({ length: 5 }, (_, round) =>
      painted.map((one, i) => {
        const { L, a, b } = colour(one);
        const by = (k: number): number => 1.5 * Math.sin(9 * round + 5 * i + k);
        const lab = { L: L + by(0), a: a + by(1), b: b + by(2) };
        return swatch(`${round} ${i}`, one, lab, { photo: `photo ${round}` });
      }),
    ).flat();
    const counted = (before: LearnedBefore | null, list: readonly Evidence[]) => {
      const steps = learning(list, [], [], HANDS.usual, before);
      for (let count = 1; ; count++) {
        const { done, value } = steps.next();
        if (done) return { count, posterior: value };
      }
    };
    const { posterior: known } = counted(null, scattered.slice(0, -3));
    const [whole, more] = [counted(null, scattered), counted(leftBy(known), scattered)];
    const shown = ({ posterior: { layout, state } }: typeof whole): Lab => mixSlopes(unseen, layout, state).lab;
    expect(deltaE00(shown(whole), shown(more))).toBeLessThan(0.05);
    const surest = ({ posterior: { covariance, layout, state } }: typeof whole): number =>
      covariance.of(mixSlopes(unseen, layout, state))[0]!;
    expect(surest(more) / surest(whole)).toBeCloseTo(1, 1);
    expect(more.posterior.hand.water / whole.posterior.hand.water).toBeCloseTo(1, 1);
    expect(more.count).toBeLessThan(whole.count / 2);
  });

  test("one bad photo spoils nothing, and is told to disagree with the others", () => {
    const bad = { ...evidence[5]!, id: "bad", lab: { L: evidence[5]!.lab.L + 22, a: evidence[5]!.lab.a - 9, b: 14 } };
    const { agreements, layout, state } = learn([...evidence, bad]);
    const shown = mixSlopes(unseen, layout, state).lab;
    expect(deltaE00(shown, told(evidence))).toBeLessThan(1.2);
    // The 99.9 % point of chi-square with three degrees of freedom (Abramowitz and Stegun, table 26.8).
    expect(agreements.get("bad")!.distance2).toBeGreaterThan(16.27);
    expect(agreements.get("bad")!.weight).toBeLessThan(0.35);
    expect(agreements.get("bad")!.others).toBe(7);
    evidence.forEach(({ id }) => expect(agreements.get(id)!.distance2).toBeLessThan(16.27));
  });

  test("a photo whose light is off as a whole is taken for that, not for paints of another hue", () => {
    const cast = painted.slice(2).map((one, i) => {
      const { L, a, b } = colour(one);
      return swatch(`cast ${i}`, one, { L: L - 4, a, b: b + 2 }, { photo: "p" });
    });
    const { layout, state } = learn([...evidence, ...cast]);
    expect(state[layout.photos.get("p")!]).toBeLessThan(-1.2);
    const apart = told([...evidence, ...cast.map((one) => ({ ...one, photo: null }))]);
    const together = mixSlopes(unseen, layout, state).lab;
    expect(deltaE00(together, colour(unseen))).toBeLessThan(0.8 * deltaE00(apart, colour(unseen)));
  });

  test("washes that come out stronger on one paper are that paper's; all that do are the painter's habit", () => {
    const other = { ...PAPERS[5]!, ground: paper.ground };
    const on = (sheet: typeof paper, factor: number) =>
      painted.slice(0, 6).map((one, i) => {
        const laid = { ...one, paper: sheet };
        return swatch(`${sheet.id} ${i}`, laid, truth(new Map(), factor)({ ...laid }));
      });
    const posterior = learn([...on(paper, 1), ...on(other, 1.3)]);
    expect(paperFactor(posterior, other.id) / paperFactor(posterior, paper.id)).toBeGreaterThan(1.18);
    expect(paperFactor(posterior, "a paper never used")).toBe(1);
    expect(habitFactor(learn([...on(paper, 1.3), ...on(other, 1.3)]))).toBeGreaterThan(1.06);
    expect(habitFactor(learn([...on(paper, 0.75), ...on(other, 0.75)]))).toBeLessThan(0.94);
  });

  test("a hand that scatters is learned to scatter, a steady one to be steady", () => {
    const normal = normalFrom(seededRandom(3));
    const laid = (water: number) =>
      Array.from({ length: 40 }, (_, i) => {
        const one = painted[i % painted.length]!;
        return swatch(`${i}`, one, truth(corrections, Math.exp(water * normal()))(one));
      });
    const [steady, loose] = [learn(laid(0.03)).hand, learn(laid(0.4)).hand];
    expect(steady.water).toBeLessThan(0.1);
    expect(loose.water).toBeGreaterThan(0.28);
    expect(loose.water).toBeLessThan(0.5);
  });

  test("a value alone tells strength and nothing of hue", () => {
    const value = evidence
      .slice(0, 4)
      .map((one) => ({ ...one, by: "value" as const, lab: { L: one.lab.L, a: 0, b: 0 } }));
    const { layout, state } = learn(value);
    const [asked, label] = [mixSlopes(painted[0]!, layout, state).lab, truth(new Map(), 1)(painted[0]!)];
    expect(asked.L - label.L).toBeLessThan(-1);
    expect(Math.abs(asked.L - evidence[0]!.lab.L)).toBeLessThan(Math.abs(label.L - evidence[0]!.lab.L));
  });

  test("a learned paint predicts by itself what the swatches say, habit and all, and is surer with each", () => {
    const few = learnedPaint(learn(evidence.slice(0, 1)), blue, evidence.slice(0, 1), paper)!;
    const posterior = learn(evidence);
    const all = learnedPaint(posterior, blue, evidence, paper)!;
    expect(all.swatches).toBe(6);
    expect(all.miss).toBeLessThan(few.miss);
    expect(all.loads[1]).toBeCloseTo(0.5, 9);
    const shown = predict([{ paint: { ...blue, optics: all.optics }, parts: 1 }], loadOfWater(3), paper).dry;
    const stateSays = mixSlopes(mixOf([[blue, 1]], 3), posterior.layout, posterior.state).lab;
    expect(deltaE00(shown, stateSays)).toBeLessThan(1.5);
    expect(deltaE00(shown, colour(mixOf([[blue, 1]], 3)))).toBeLessThan(1.5);
    expect(learnedPaint(posterior, paint("PR108"), evidence, paper)).toBeNull();
  });
});

describe("what to paint next", () => {
  const evidence = [swatch("0", mixOf([[blue, 1]], 3), truth(new Map([[blue.id, [0.2]]]), 1)(mixOf([[blue, 1]], 3)))];
  const posterior = learn(evidence, [], [earth.id, yellow.id]);
  const wanted = [
    mixOf(
      [
        [blue, 2],
        [earth, 1],
      ],
      3,
    ),
    mixOf([[earth, 1]], 8),
    mixOf(
      [
        [yellow, 1],
        [blue, 1],
      ],
      5,
    ),
  ].map((one, i) => ({ ...one, weight: [2, 1, 1][i]! }));
  const candidates = [
    ...[blue, earth, yellow].flatMap((one) => [0.5, 3, 12].map((water) => mixOf([[one, 1]], water))),
    ...wanted.map(({ weight: _weight, ...one }) => one),
  ];

  test("the fall that is told is the one that painting brings, if it comes out as expected", () => {
    const { now, chosen } = nextSwatches(posterior, wanted, candidates, 1);
    const [{ index, after }] = chosen as [(typeof chosen)[0]];
    expect(after).toBeLessThan(now);
    const colour = mixSlopes(candidates[index]!, posterior.layout, posterior.state).lab;
    const painted = learn([...evidence, swatch("1", candidates[index]!, colour)], [], [earth.id, yellow.id]);
    expect(nextSwatches(painted, wanted, [], 0).now).toBeCloseTo(after, 1);
  });

  test("two chosen one after the other are within a twentieth of the best pair of all", () => {
    const { chosen } = nextSwatches(posterior, wanted, candidates, 2);
    let best = Infinity;
    candidates.forEach((_one, first) => {
      const rest = nextSwatches(posterior, wanted, [candidates[first]!], 1);
      if (rest.chosen.length === 0) return;
      candidates.forEach((_other, second) => {
        const both = nextSwatches(posterior, wanted, [candidates[first]!, candidates[second]!], 2);
        best = Math.min(best, both.chosen.at(-1)?.after ?? Infinity);
      });
    });
    expect(chosen).toHaveLength(2);
    expect(chosen[1]!.after).toBeLessThan(1.05 * best);
    expect(chosen[1]!.after).toBeGreaterThan(best - 1e-9);
  });

  test("a paint that stands in no wanted mix is not asked for", () => {
    const { chosen } = nextSwatches(posterior, [{ ...mixOf([[earth, 1]], 4), weight: 1 }], candidates.slice(0, 9), 3);
    expect(chosen.length).toBeGreaterThan(0);
    expect(candidates[chosen[0]!.index]!.mix[0]!.paint.id).toBe(earth.id);
    expect(chosen.map(({ index }) => candidates[index]!.mix[0]!.paint.id)).not.toContain(yellow.id);
  });
});
