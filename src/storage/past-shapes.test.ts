import { expect, test } from "vitest";
import { paintModel } from "@/core/mixing";
import { isKnownPigment, pigmentById } from "@/core/pigments";
import { logEntry } from "@/model/logbook";
import { isMixable, paintboxDocument } from "@/model/paintbox";
import { paintingDocument } from "@/model/painting";
import { DATA_SHAPE } from "@/model/shape";
import { newHome } from "@/testing/home";
import { migrationsOf, PAST_SHAPES, pastRows } from "@/testing/past-folder";
import { allMigrations, EMBEDDED } from "./drizzle/migrations";
import { replaceAllRows } from "./drizzle/rows";

test("what every past program wrote is read, mixed from and can be saved again", async () => {
  expect(PAST_SHAPES.map(migrationsOf)).toEqual([1, ...Array.from({ length: DATA_SHAPE - 1 }, (_, i) => i + 1)]);
  expect(allMigrations()).toHaveLength(DATA_SHAPE);
  const { db, store, close } = await newHome();
  for (const shape of PAST_SHAPES) {
    await replaceAllRows(db, EMBEDDED, migrationsOf(shape), pastRows(shape), async () => {});
    const { document: box, revision } = await store.paintbox.find();
    expect(paintboxDocument.parse(box)).toEqual(box);
    for (const paint of box.paints) {
      expect([shape, paint.name, isMixable(paint)]).toEqual([shape, paint.name, true]);
      paintModel(paint.id, paint.pigments, paint.tintingStrength);
    }
    expect(box.paints.find(({ name }) => name === "Quinacridone gold")?.pigments).toEqual([
      { pigmentId: "PO49", share: 1 },
    ]);
    await store.paintbox.save({ revision, writer: crypto.randomUUID(), step: 1 }, box);
    const shelf = await store.paintings.shelf();
    expect(shelf).toHaveLength(1);
    for (const { id } of shelf) {
      const { document } = (await store.paintings.find(id))!;
      expect(paintingDocument.safeParse(document).error).toBeUndefined();
      expect(document.areas.length).toBeGreaterThan(7);
    }
    for (const { document } of await store.logbook.list()) expect(logEntry.safeParse(document).error).toBeUndefined();
  }
  await close();
}, 120_000);

test("an id that nobody knows keeps no room shut: the paint stays what it is, and is mixed from once it is measured", () => {
  expect(isKnownPigment("PX99-later")).toBe(false);
  expect(pigmentById("PX99-later")).toMatchObject({ id: "PX99-later", code: "PX99" });
  const paint = { status: "owned" as const, pigments: [{ pigmentId: "PX99-later", share: 1 }] };
  expect(paintModel("a", paint.pigments).pigmentIds).toEqual(["PX99-later"]);
  expect([isMixable(paint), isMixable({ ...paint, measured: {} })]).toEqual([false, true]);
});
