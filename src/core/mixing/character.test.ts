import { expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { ANY_CHARACTER, characterCost, hidingOf, mannerOf, type WashCharacter } from "./character";
import { DEFAULT_MATCH, matchOver, prepareMatch } from "./match";
import { paintModel } from "./paint";

const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [ultramarine, phthalo, cadmium] = ["PB29", "PB15-green-shade", "PR108"].map(paint);
const wish = (part: Partial<WashCharacter>): WashCharacter => ({ ...ANY_CHARACTER, ...part });

test("nothing wished costs nothing; what granulates costs where smooth is wished, what lies flat where rough is", () => {
  const alone = (character: WashCharacter, of = ultramarine!) => characterCost(character, [mannerOf(of)], [1], 0.3);
  expect(alone(ANY_CHARACTER)).toBe(0);
  expect(alone(wish({ grain: "smooth" }))).toBeGreaterThan(alone(wish({ grain: "smooth" }), phthalo) + 1.5);
  expect(alone(wish({ grain: "rough" }), phthalo)).toBeGreaterThan(alone(wish({ grain: "rough" })) + 1.5);
  // What is to be lifted is laid with what lets go: phthalocyanine stains, ultramarine lifts (common practice).
  expect(alone(wish({ lifts: true }), phthalo)).toBeGreaterThan(alone(wish({ lifts: true })) + 1);
});

test("an opaque paint loses clarity by its share and by how strong it is laid, and a tint of it hardly any", () => {
  const clear = wish({ clear: true });
  expect(hidingOf(cadmium!)).toBeGreaterThan(hidingOf(ultramarine!));
  const manners = [mannerOf(cadmium!), mannerOf(ultramarine!)];
  const half = characterCost(clear, manners, [0.5, 0.5], 0.6);
  expect(characterCost(clear, manners, [1, 0], 0.6)).toBeCloseTo(2 * half, 9);
  expect(characterCost(clear, manners, [1, 0], 0.03)).toBeLessThan(0.2 * half);
});

test("the same grey blue is mixed from another blue where the wash is to be smooth and where it is to be rough", () => {
  const box = ["PB29", "PB60", "PB15-green-shade", "PV19-rose", "PBr7-burnt-sienna", "PY150"].map(paint);
  const table = prepareMatch(box, PAPERS[0]);
  for (const a of [-2, -1, 0, 1])
    for (const b of [-15, -10]) {
      const first = (character: WashCharacter) =>
        matchOver({ L: 65, a, b }, table, DEFAULT_MATCH, { areaCm2: 20, character })[0]!.parts.map(
          ({ paintId }) => paintId,
        );
      // Ultramarine granulates, indanthrone and the phthalocyanines lie flat.
      expect(first(wish({ grain: "rough" }))).toContain("PB29");
      expect(first(wish({ grain: "smooth" }))).not.toContain("PB29");
    }
});
