import { randomUUID } from "node:crypto";
import { expect, test } from "vitest";
import { PAPERS } from "@/core/optics";
import { newPaint, type PaintEntry } from "./paintbox";
import { newArea, newPainting, paintingDocument } from "./painting";
import { matchPaints, paintsNamed, withPaints } from "./painting-file";

const paint = (name: string, pigments: readonly string[], part: Partial<PaintEntry> = {}): PaintEntry =>
  newPaint({
    id: randomUUID(),
    name,
    pigments: pigments.map((pigmentId) => ({ pigmentId, share: 1 / pigments.length })),
    ...part,
  });

test("the very same paint stands for one first, then one at hand, then the nearest in strength; one stands for one", () => {
  const theirs = [paint("Ultramarine", ["PB29"]), paint("French blue", ["PB29"], { tintingStrength: 0.6 })];
  const box = [
    paint("Blue, empty", ["PB29"], { status: "used up" }),
    paint("Blue, weak", ["PB29"], { tintingStrength: 0.5 }),
    paint("Ultramarine", ["PB29"], { tintingStrength: 2 }),
    paint("Green", ["PB29", "PY150"]),
  ];
  const { own, missing } = matchPaints(theirs, box);
  expect(theirs.map(({ id }) => own.get(id)?.name)).toEqual(["Ultramarine", "Blue, weak"]);
  expect(missing).toEqual([]);
  // A third of the same pigment takes the empty one; a fourth finds none left.
  const more = [...theirs, paint("Third", ["PB29"]), paint("Fourth", ["PB29"])];
  const again = matchPaints(more, box);
  expect(again.own.get(more[2]!.id)?.name ?? again.own.get(more[3]!.id)?.name).toBe("Blue, empty");
  expect(again.missing).toHaveLength(1);
});

test("pigments are compared as a set: a mix of two is neither of them, whatever their order", () => {
  const theirs = [paint("Sap", ["PG36", "PY150"])];
  expect(matchPaints(theirs, [paint("Green", ["PG36"]), paint("Yellow", ["PY150"])]).missing).toEqual(theirs);
  const same = paint("My sap", ["PY150", "PG36"]);
  expect(matchPaints(theirs, [same]).own.get(theirs[0]!.id)).toBe(same);
});

test("a painting names paints in tray, recipes, rules and kept palettes; with others in their place it is as valid", () => {
  const [tray, recipe, never, kept, other] = Array.from({ length: 5 }, () => randomUUID());
  const document = {
    ...newPainting("Canal", PAPERS[0].id),
    palette: [tray!],
    areas: [
      newArea({
        id: randomUUID(),
        name: "Dyke",
        sample: { x: 0.5, y: 0.5, radius: 0.004 },
        lab: { L: 50, a: 0, b: 0 },
        recipe: { parts: [{ paintId: recipe!, parts: 2 }], waterParts: 4 },
      }),
    ],
  };
  document.rules = { ...document.rules, never: [never!], boxId: randomUUID() };
  document.palettes = [{ id: randomUUID(), name: "Two", paints: [kept!] }];
  const known = new Set([tray!, recipe!, never!, kept!, other!]);
  expect(paintsNamed(document, known).sort()).toEqual([tray!, recipe!, never!, kept!].sort());
  const idOf = new Map([...known].map((id) => [id, randomUUID()]));
  const mine = withPaints(document, idOf);
  expect(paintingDocument.safeParse(mine).success).toBe(true);
  expect(mine.palette).toEqual([idOf.get(tray!)]);
  expect(mine.areas[0]!.recipe!.parts[0]!.paintId).toBe(idOf.get(recipe!));
  expect(mine.rules.boxId).toBeNull();
  expect(mine.areas[0]!.id).toBe(document.areas[0]!.id);
});
