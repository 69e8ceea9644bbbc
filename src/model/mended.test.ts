import { expect, test } from "vitest";
import { mendedPaintbox, mendedPainting } from "./mended";
import { newPaint, paintboxDocument, type PaintboxDocument } from "./paintbox";
import { newArea, newPainting, paintingDocument, type PaintingDocument } from "./painting";

const [one, two] = [crypto.randomUUID(), crypto.randomUUID()];

test("what an earlier Abendrot stored can be saved again, and what was good in it is kept", () => {
  const good = newPainting("Canal", "cotton-rough");
  const recipe = { parts: [{ paintId: one, parts: 2 }], waterParts: 3 };
  const sky = newArea({
    id: one,
    name: "Sky",
    sample: { x: 0.5, y: 0.5, radius: 0.01 },
    lab: { L: 50, a: 0, b: 0 },
    recipe,
  });
  const bank = { ...sky, id: two, name: "Bank", recipe: { ...recipe, parts: [{ paintId: one, parts: 1e-300 }] } };
  const old: PaintingDocument = {
    ...good,
    paperId: "silk",
    areas: [sky, bank, sky],
    palette: [one, one, two],
    rules: { ...good.rules, must: [one], never: [one, two], kinds: [{ kind: "granulating", least: 3, most: 1 }] },
  };
  const mended = mendedPainting(old);
  expect(paintingDocument.safeParse(mended).error?.issues).toBeUndefined();
  expect(mended).toMatchObject({
    areas: [
      { name: "Sky", recipe },
      { name: "Bank", recipe: null },
    ],
    palette: [one, two],
    rules: { must: [one], never: [two], kinds: [] },
  });
  expect(mendedPainting(good)).toStrictEqual(good);
});

test("a box's wells hold paints of the box, each once", () => {
  const paint = newPaint({
    id: one,
    name: "Blue",
    pigments: [
      { pigmentId: "PB29", share: 1 },
      { pigmentId: "PB29", share: 2 },
    ],
  });
  const box = {
    id: two,
    name: "Tin",
    rows: 1,
    columns: 3,
    pan: "half pan" as const,
    rowPans: [],
    wells: [one, two, one],
  };
  const old: PaintboxDocument = { paints: [paint], boxes: [box, box] };
  const mended = mendedPaintbox(old);
  expect(paintboxDocument.safeParse(mended).error?.issues).toBeUndefined();
  expect(mended.boxes).toEqual([{ ...box, wells: [one, null, null] }]);
});
