import { describe, expect, test } from "vitest";
import { correctedOptics, CORRECTIONS, K_CORRECTIONS, LIKELY } from "./maker-variation";
import { HANDBOOK, pigmentById } from "./handbook";

const none = (): Float64Array => new Float64Array(CORRECTIONS);
const with1 = (at: number, value: number): Float64Array => {
  const weights = none();
  weights[at] = value;
  return weights;
};

describe("how a maker's paint may differ from the handbook", () => {
  test.each(HANDBOOK.map(({ id }) => id))("%s: no correction leaves it as it is, but for a trace", (id) => {
    const base = pigmentById(id).optics;
    const { K, S } = correctedOptics(base, none());
    const trace = 0.007 * Math.max(...base.K);
    K.forEach((k, i) => expect(Math.abs(k - base.K[i]!)).toBeLessThanOrEqual(trace));
    S.forEach((s, i) => expect(Math.abs(s - base.S[i]!)).toBeLessThan(0.005));
  });
  test("the first number is the strength of its absorption, at every wavelength alike", () => {
    const base = pigmentById("PB29").optics;
    const [plain, twice] = [none(), with1(0, Math.LN2)].map((weights) => correctedOptics(base, weights));
    twice!.K.forEach((k, i) => expect(k / plain!.K[i]!).toBeCloseTo(2, 9));
    expect(twice!.S).toEqual(plain!.S);
  });
  test("those of K leave S alone and those of S leave K; the faster a curve, the less of it is likely", () => {
    const base = pigmentById("PR254").optics;
    const plain = correctedOptics(base, none());
    for (let i = 0; i < CORRECTIONS; i++) {
      const moved = correctedOptics(base, with1(i, 0.3));
      expect(i < K_CORRECTIONS ? moved.S : moved.K).toEqual(i < K_CORRECTIONS ? plain.S : plain.K);
      expect(i < K_CORRECTIONS ? moved.K : moved.S).not.toEqual(i < K_CORRECTIONS ? plain.K : plain.S);
    }
    const ofK = LIKELY.slice(1, K_CORRECTIONS);
    expect([...ofK].sort((a, b) => b - a)).toEqual([...ofK]);
  });
  test("however far it goes, nothing is absorbed or scattered below nothing", () => {
    for (const id of ["PY154", "PG7", "PW6"]) {
      const far = correctedOptics(
        pigmentById(id).optics,
        Float64Array.from(LIKELY, (likely, i) => (i % 2 ? -3 : 3) * likely),
      );
      expect(Math.min(...far.K, ...far.S)).toBeGreaterThan(0);
    }
  });
});
