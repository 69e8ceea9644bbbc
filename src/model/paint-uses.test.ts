import { describe, expect, test } from "vitest";
import { FLAT_WASH, newArea, type StoredRecipe } from "./painting";
import { areasByPaint, paintsTaken } from "./paint-uses";

const recipeOf = (...paintIds: string[]): StoredRecipe => ({
  parts: paintIds.map((paintId) => ({ paintId, parts: 1 })),
  waterParts: 3,
});
const area = (id: string, own: StoredRecipe | null, further: StoredRecipe | null) =>
  newArea({
    id,
    name: id,
    sample: { x: 0, y: 0, radius: 0.01 },
    lab: { L: 50, a: 0, b: 0 },
    recipe: own,
    wash: {
      ...FLAT_WASH,
      kind: "varied",
      more: [
        { id: `${id}'`, lab: { L: 60, a: 0, b: 0 }, at: { x: 1, y: 1 }, share: 0.5, recipe: further, drop: false },
      ],
    },
  });

describe("what a painting's recipes use", () => {
  const areas = [
    area("sky", recipeOf("blue", "rose"), null),
    area("bank", null, recipeOf("gold")),
    area("roof", recipeOf("blue"), recipeOf("blue", "gold")),
  ];

  test("each paint is told with its areas, once each, further colours of their washes included", () => {
    expect([...areasByPaint(areas)]).toEqual([
      ["blue", [1, 3]],
      ["rose", [1]],
      ["gold", [2, 3]],
    ]);
  });

  test("a painting takes what is laid out, used or not, and what is used without being laid out", () => {
    expect(paintsTaken({ palette: ["green", "rose"], areas })).toEqual(["green", "rose", "blue", "gold"]);
    expect(paintsTaken({ palette: [], areas: [] })).toEqual([]);
  });
});
