import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { PAPERS } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import { fadedMix, HANGS, lastingSubstitute, leftAfter } from "./fading";
import { paintModel } from "./paint";
import { predict } from "./predict";

const paper = PAPERS[0];
const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const lasting = HANDBOOK.filter(({ lightfastness }) => lightfastness.class === 1).map(({ id }) => paint(id));
const fleeting = HANDBOOK.filter(({ lightfastness }) => lightfastness.class >= 4).map(({ id }) => paint(id));
const wash = (one: (typeof lasting)[number]) => [{ paint: one, parts: 1 }];

describe("what light leaves of a wash", () => {
  test("after the light of the test a tint of the test's lightness has changed as its class says (ASTM D4303, from memory)", () => {
    const spans = [
      [0, 4.01],
      [3.99, 8.01],
      [7.99, 16.01],
      [15.99, 24.01],
      [23.99, 40.01],
    ] as const;
    for (const one of [...lasting, ...fleeting].slice(0, 40)) {
      // The load at which it reflects 0.4: L* 69.5.
      let [low, high] = [0.005, 1];
      for (let i = 0; i < 50; i++) {
        const middle = Math.sqrt(low * high);
        if (predict(wash(one), middle, paper).dry.L > 69.47) low = middle;
        else high = middle;
      }
      const [before, after] = [predict(wash(one), low, paper).dry, fadedMix(wash(one), low, paper, 38, "likely")];
      const change = Math.hypot(before.L - after.L, before.a - after.a, before.b - after.b);
      const [least, most] = spans[one.lightClass - 1]!;
      // A pale yellow is lighter than that even neat, and a paint that is gone can change no further.
      if (low > 0.99 || leftAfter(one, 38, "likely") < 0.021) continue;
      expect(change, one.id).toBeGreaterThan(least - 0.1);
      expect(change, one.id).toBeLessThan(most + 0.1);
    }
  });

  test("light adds up: what two spans leave is what each leaves of the other", () => {
    const [one] = fleeting as [(typeof fleeting)[0]];
    expect(leftAfter(one, 9, "likely")).toBeCloseTo(leftAfter(one, 4, "likely") * leftAfter(one, 5, "likely"), 9);
    expect(leftAfter(one, 5, "most")).toBeLessThan(leftAfter(one, 5, "least"));
    expect(leftAfter(one, 0, "most")).toBe(1);
  });

  test("thirty years by a window take more than on a wall, and a book hardly anything; lasting paints stay", () => {
    const [one] = fleeting as [(typeof fleeting)[0]];
    const change = (who: (typeof fleeting)[0], light: number) =>
      deltaE00(predict(wash(who), 0.2, paper).dry, fadedMix(wash(who), 0.2, paper, 30 * light, "likely"));
    expect(change(one, HANGS.window)).toBeGreaterThan(change(one, HANGS.room));
    expect(change(one, HANGS.book)).toBeLessThan(1);
    for (const who of lasting) expect(change(who, HANGS.room), who.id).toBeLessThan(2.5);
  });

  test("a mix loses the paint that fades and keeps the other (common practice, no source)", () => {
    const [one] = fleeting as [(typeof fleeting)[0]];
    const blue = paint("PB29");
    const mix = [
      { paint: one, parts: 1 },
      { paint: blue, parts: 1 },
    ];
    const after = fadedMix(mix, 0.3, paper, 100, "most");
    const blueAlone = predict([{ paint: blue, parts: 1 }], 0.15, paper).dry;
    expect(deltaE00(after, blueAlone)).toBeLessThan(0.6 * deltaE00(predict(mix, 0.3, paper).dry, blueAlone));
  });

  test("the substitute lasts, is not in the mix, and is the nearest of those at hand", () => {
    const rose = fleeting.find(({ pigmentIds }) => pigmentIds.length === 1)!;
    const at = HANDBOOK.slice(0, 60).map(({ id }) => paint(id));
    const mix = [
      { paint: rose, parts: 2 },
      { paint: paint("PB29"), parts: 1 },
    ];
    const found = lastingSubstitute(mix, 0.2, paper, rose.id, at, deltaE00)!;
    expect(found.paint.lightClass).toBeLessThanOrEqual(2);
    expect(found.paint.id).not.toBe("PB29");
    const meant = predict(mix, 0.2, paper).dry;
    for (const other of at.filter(({ lightClass, id }) => lightClass <= 2 && id !== "PB29")) {
      const plain = mix.map((part) => (part.paint === rose ? { paint: other, parts: 2 } : part));
      expect(deltaE00(meant, found.dry)).toBeLessThanOrEqual(deltaE00(meant, predict(plain, 0.2, paper).dry) + 1e-9);
    }
    expect(lastingSubstitute(mix, 0.2, paper, rose.id, fleeting, deltaE00)).toBeNull();
  });
});
