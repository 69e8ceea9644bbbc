import { describe, expect, test } from "vitest";
import { HANDS } from "../mixing/hand";
import { paintModel } from "../mixing/paint";
import { inverse3, quadratic3, sum3 } from "../numeric/three";
import { PAPERS } from "../optics/paper";
import { distanceFromOthers } from "./assess";
import { chromaFactor, READ_BY, readingUnsure, type Evidence } from "./evidence";
import { noiseOf, slipsOf } from "./noise";
import { learn } from "./posterior";
import { mixSlopes } from "./slopes";

const paper = PAPERS[0];
const [blue, earth] = ["PB29", "PBr7-burnt-sienna"].map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const scale = { parts: 1, water: HANDS.usual.water };
const painted = (parts: readonly (readonly [typeof blue, number])[], waterParts: number) => ({
  mix: parts.map(([paint, amount]) => ({ paint: paint!, parts: amount })),
  waterParts,
  paper,
  over: null,
});

describe("a swatch without its own say", () => {
  const mixes = [
    painted([[blue, 1]], 2),
    painted([[blue, 1]], 6),
    painted(
      [
        [blue, 2],
        [earth, 1],
      ],
      3,
    ),
  ];
  const evidence: Evidence[] = mixes.map((one, i) => {
    const { layout, state } = learn([], [], [blue!.id, earth!.id]);
    const { lab } = mixSlopes(one, layout, state);
    return { ...one, id: `${i}`, lab: { L: lab.L - 1.5 + i, a: lab.a, b: lab.b }, by: "sheet", photo: null };
  });

  test("its distance in closed form is nearly that of learning from the others alone", () => {
    const own = evidence[2]!;
    const all = learn(evidence);
    const others = learn(evidence.slice(0, 2), [], [earth!.id]);
    const there = mixSlopes(own, others.layout, others.state);
    const unsure = readingUnsure(own.by, own.lab);
    const noise = noiseOf(own, there, unsure, HANDS.usual, others.scale);
    const spread = sum3(noise, others.covariance.of(there));
    const off = [own.lab.L - there.lab.L, own.lab.a - there.lab.a, own.lab.b - there.lab.b];
    const direct = quadratic3(inverse3(spread), off);
    expect(Math.abs(all.agreements.get("2")!.distance2 - direct)).toBeLessThan(0.1 + 0.25 * direct);
  });

  test("one that counts for nothing is held against a posterior that it has no say in", () => {
    const within = Float64Array.of(2, 0, 0, 0, 2, 0, 0, 0, 2);
    const noise = Float64Array.of(1, 0, 0, 0, 1, 0, 0, 0, 1);
    const beside = {
      swatch: evidence[0]!,
      seen: { lab: evidence[0]!.lab, places: new Int32Array(), slopes: new Float64Array(), slips: new Float64Array(6) },
      residual: Float64Array.of(3, 0, 0),
      within,
      unsure: [1, 1, 1] as const,
      weight: 1e-9,
    };
    // Variance of the reading and of what the others say, added: 9 over 3.
    expect(distanceFromOthers(beside, noise)).toBeCloseTo(3, 5);
  });
});

describe("what a reading and a hand leave open", () => {
  test("a meter is surer than a sheet, a sheet than a photo; a value says nothing of hue", () => {
    const grey = { L: 50, a: 0, b: 0 };
    const [meter, sheet, photo, , value] = READ_BY.map((by) => readingUnsure(by, grey));
    expect(meter![0]).toBeLessThan(sheet![0]);
    expect(sheet![0]).toBeLessThan(photo![0]);
    expect(value![1]).toBeGreaterThan(1000);
    expect(readingUnsure("sheet", { L: 50, a: 40, b: 0 })[1]).toBeCloseTo(2.8 * sheet![1], 9);
    expect(chromaFactor({ L: 50, a: 30, b: 40 })).toBeCloseTo(3.25, 9);
  });

  test("one paint has no parts to slip in; of two the smaller part is the less sure", () => {
    expect(slipsOf(painted([[blue, 1]], 3), HANDS.usual, scale)).toHaveLength(1);
    const [water, large, small] = slipsOf(
      painted(
        [
          [blue, 9],
          [earth, 1],
        ],
        3,
      ),
      HANDS.usual,
      scale,
    );
    expect(water).toEqual({ of: "water", deviation: HANDS.usual.water, at: 0 });
    expect(small!.deviation).toBeGreaterThan(large!.deviation);
  });

  test("the noise of a swatch grows along its slips and nowhere else", () => {
    const one = painted([[blue, 1]], 3);
    const { layout, state } = learn([], [], [blue!.id]);
    const seen = mixSlopes(one, layout, state);
    const none = noiseOf(one, seen, [1, 1, 1], HANDS.usual, { parts: 1, water: 0 });
    expect([...none]).toEqual([1, 0, 0, 0, 1, 0, 0, 0, 1]);
    const some = noiseOf(one, seen, [0, 0, 0], HANDS.usual, { parts: 1, water: 0.2 });
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) expect(some[3 * i + j]).toBeCloseTo(0.04 * seen.slips[i]! * seen.slips[j]!, 9);
  });
});
