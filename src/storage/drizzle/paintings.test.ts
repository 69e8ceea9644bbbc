import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import type { SaveStamp } from "@/model/revision";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { packMap } from "@/core/areas";
import { DEFAULT_APPROACH } from "@/core/palette";
import type { OpenDatabase } from "./open";
import { newDatabase } from "@/testing/database";
import { KeptRows } from "./kept";
import { findPaintbox, listPaints, savePaintbox, savePaints } from "./paintbox";
import { newPaint, paintboxDocument, paintFaults } from "@/model/paintbox";
import { PaintingNotFound, RevisionConflict, WholeNeeded } from "../ports";
import { NEW_PLAN } from "@/model/plan";
import { newArea, newPainting, paintingDocument, type PaintingArea, type PaintingDocument } from "@/model/painting";
import {
  binPainting,
  createPainting,
  findPainting,
  listPaintings,
  listRecipes,
  removePainting,
  renamePainting,
  savePainting,
  shelvePaintings,
  type HowFar,
} from "./paintings";
import { keepApproach, ownApproach } from "./settings";
import { addPhoto, findPhoto } from "./photos";
import { paintings } from "./schema";

let open: OpenDatabase;
/** A save by a window of its own, made from a revision. */
const from = (revision: number): SaveStamp => ({ revision, writer: randomUUID(), step: 1 });
let paintIds: string[];
const photoId = "a".repeat(64);

beforeAll(async () => {
  open = await newDatabase();
  paintIds = [randomUUID(), randomUUID()];
  await savePaintbox(open.db, from(0), {
    paints: [
      newPaint({
        id: paintIds[0]!,
        name: "Ultramarine",
        maker: "Fenn & Rook",
        pigments: [{ pigmentId: "PB29", share: 1 }],
      }),
      newPaint({
        id: paintIds[1]!,
        name: "Sap green",
        pigments: [
          { pigmentId: "PG36", share: 0.6 },
          { pigmentId: "PY150", share: 0.4 },
        ],
      }),
    ],
    boxes: [],
  });
  const photo = {
    id: photoId,
    fileName: "canal.jpg",
    format: "jpeg",
    widthPx: 3000,
    heightPx: 2000,
    workingWidthPx: 2000,
    workingHeightPx: 1333,
    bytes: 12345,
  };
  await addPhoto(open.db, photo);
  await addPhoto(open.db, photo);
});
afterAll(() => open.close());

const area = (name: string, change: Partial<PaintingArea> = {}): PaintingArea =>
  newArea({
    id: randomUUID(),
    name,
    sample: { x: 0.25, y: 0.5, radius: 0.006 },
    lab: { L: 52.5, a: -3.25, b: 18 },
    ...change,
  });
const plan = (change: Partial<PaintingDocument> = {}): PaintingDocument => ({
  ...newPainting("Canal", "cotton-cold-pressed"),
  ...change,
});

describe("the paintbox", () => {
  test("keeps paints in order with their pigments in order", async () => {
    const paints = await listPaints(open.db);
    expect(paints.map((paint) => paint.id)).toEqual(paintIds);
    expect(paints[1]!.pigments).toEqual([
      { pigmentId: "PG36", share: 0.6 },
      { pigmentId: "PY150", share: 0.4 },
    ]);
  });

  test("is replaced as one piece, or not at all; an old revision is refused", async () => {
    const { revision, document } = await findPaintbox(open.db);
    const [first, second] = document.paints;
    const green = {
      ...second!,
      notes: "half empty",
      left: 0.5,
      price: 8.5,
      currency: "EUR",
      boughtOn: "2024-05-01",
      label: { ...second!.label, staining: "St" },
      favourite: true,
    };
    const third = newPaint({
      id: randomUUID(),
      name: "Wished",
      status: "wished for",
      pigments: [{ pigmentId: "PV23", share: 1 }],
    });
    const travel = {
      id: randomUUID(),
      name: "Tin",
      rows: 1,
      columns: 3,
      pan: "half pan" as const,
      rowPans: [],
      wells: [first!.id, null, green.id],
    };
    expect(await savePaintbox(open.db, from(revision), { paints: [green, first!, third], boxes: [travel] })).toBe(
      revision + 1,
    );
    expect((await findPaintbox(open.db)).document).toEqual({ paints: [green, first, third], boxes: [travel] });
    const broken = { ...third, id: randomUUID(), pigments: [{ pigmentId: "PB29", share: -1 }] };
    await expect(savePaintbox(open.db, from(revision + 1), { paints: [broken], boxes: [] })).rejects.toThrow();
    await expect(savePaintbox(open.db, from(revision), { paints: [], boxes: [] })).rejects.toThrow(RevisionConflict);
    expect((await findPaintbox(open.db)).document.paints).toEqual([green, first, third]);
    await savePaintbox(open.db, from(revision + 1), { paints: [first!, second!], boxes: [] });
    expect(await findPaintbox(open.db)).toEqual({
      revision: revision + 2,
      document: { paints: [first, second], boxes: [] },
    });
  });

  test("some paints alone are saved upon the revision that they were changed in, in their places; nothing else moves", async () => {
    const { revision, document } = await findPaintbox(open.db);
    const [first, second] = document.paints;
    const noted = { ...second!, notes: "Lifts well.", pigments: [{ pigmentId: "PV23", share: 1 }] };
    const writer = randomUUID();
    const stamp = { revision, writer, step: 1 };
    expect(await savePaints(open.db, stamp, [noted])).toBe(revision + 1);
    const after = { revision: revision + 1, document: { ...document, paints: [first, noted] } };
    expect(await findPaintbox(open.db)).toEqual(after);
    // Sent twice it is stored once; a later part upon what was before asks for the whole; a stranger's is a conflict.
    expect(await savePaints(open.db, stamp, [noted])).toBe(revision + 1);
    await expect(savePaints(open.db, { ...stamp, step: 2 }, [second!])).rejects.toThrow(WholeNeeded);
    await expect(savePaints(open.db, from(revision), [second!])).rejects.toThrow(RevisionConflict);
    // Nor is a paint that isn't there brought in, nor half of what can't be kept.
    const strange = { ...noted, id: randomUUID() };
    await expect(savePaints(open.db, from(revision + 1), [strange])).rejects.toThrow(WholeNeeded);
    const broken = { ...first!, pigments: [{ pigmentId: "PB29", share: -1 }] };
    await expect(savePaints(open.db, from(revision + 1), [second!, broken])).rejects.toThrow();
    expect(await findPaintbox(open.db)).toEqual(after);
    await savePaintbox(open.db, from(revision + 1), document);
  });

  test("a palette keeps its paint through a save and loses it with the paint", async () => {
    const id = await createPainting(open.db, photoId, plan({ palette: paintIds }));
    const { revision, document } = await findPaintbox(open.db);
    await savePaintbox(open.db, from(revision), {
      ...document,
      paints: document.paints.map((paint) => ({ ...paint, name: `${paint.name}!` })),
    });
    expect((await findPainting(open.db, id))?.document.palette).toEqual(paintIds);
    await savePaintbox(open.db, from(revision + 1), { ...document, paints: document.paints.slice(0, 1) });
    expect((await findPainting(open.db, id))?.document.palette).toEqual([paintIds[0]]);
    await savePaintbox(open.db, from(revision + 2), document);
  });

  test("500 paints are written and read back", async () => {
    const { revision, document } = await findPaintbox(open.db);
    const many = Array.from({ length: 500 }, (_, i) =>
      newPaint({ id: randomUUID(), name: `Paint ${i}`, pigments: [{ pigmentId: "PB29", share: 1 }] }),
    );
    await savePaintbox(open.db, from(revision), { ...document, paints: [...document.paints, ...many] });
    expect((await listPaints(open.db)).map(({ name }) => name).slice(2)).toEqual(many.map(({ name }) => name));
    await savePaintbox(open.db, from(revision + 1), document);
  });

  test("what can't be right gets a word at its field", () => {
    const good = newPaint({ id: randomUUID(), name: "Ultramarine", pigments: [{ pigmentId: "PB29", share: 1 }] });
    expect(paintFaults(good, "2026-11-25")).toEqual({});
    expect(paintFaults({ ...good, name: " " }, "2026-11-25")).toMatchObject({ name: "A paint needs a name." });
    expect(paintFaults({ ...good, price: -3 }, "2026-11-25")).toMatchObject({ price: "The price can't be negative." });
    expect(paintFaults({ ...good, left: 1.5 }, "2026-11-25").left).toContain("between 0 and 100 %");
    expect(paintFaults({ ...good, boughtOn: "2027-01-01" }, "2026-11-25")).toMatchObject({
      boughtOn: "That day is still to come.",
    });
    expect(paintFaults({ ...good, boughtOn: "2026-05-01", openedOn: "2026-04-01" }, "2026-11-25").openedOn).toContain(
      "before it was bought",
    );
    expect(paintFaults({ ...good, boughtOn: "30.4.2026" }, "2026-11-25").boughtOn).toContain("looks like");
    // A pigment of a newer handbook is no fault: the paint stays what it is.
    expect(paintFaults({ ...good, pigments: [{ pigmentId: "PX99", share: 1 }] }, "2026-11-25")).toEqual({});
    expect(paintFaults({ ...good, pigments: [] }, "2026-11-25").pigments).toContain("at least one");
    expect(paintFaults({ ...good, boughtOn: "0000-01-01" }, "2026-11-25").boughtOn).toContain("between 1900 and 2999");
    expect(paintFaults({ ...good, notes: "lone \ud83d" }, "2026-11-25").notes).toContain("can't be kept");
    expect(paintFaults({ ...good, pigments: [good.pigments[0]!, good.pigments[0]!] }, "2026-11-25").pigments).toContain(
      "once",
    );
    expect(paintboxDocument.safeParse({ paints: [good, good] }).success).toBe(false);
    const tin = {
      id: randomUUID(),
      name: "Tin",
      rows: 2,
      columns: 2,
      pan: "half pan",
      wells: [good.id, null, null, null],
    };
    expect(paintboxDocument.safeParse({ paints: [good], boxes: [tin] }).success).toBe(true);
    for (const wrong of [
      { ...tin, wells: [good.id, good.id, null, null] },
      { ...tin, wells: [randomUUID(), null, null, null] },
      { ...tin, wells: [null] },
      { ...tin, rows: 0 },
      { ...tin, name: "" },
      { ...tin, pan: "bucket" },
      { ...tin, rowPans: ["half pan"] },
    ])
      expect(paintboxDocument.safeParse({ paints: [good], boxes: [wrong] }).success).toBe(false);
  });
});

describe("paintings", () => {
  test("come back as they were saved: areas, recipe and palette in order", async () => {
    const recipe = {
      parts: [
        { paintId: paintIds[1]!, parts: 3 },
        { paintId: paintIds[0]!, parts: 0.25 },
      ],
      waterParts: 4,
    };
    const document = plan({
      areas: [area("Sky"), area("Water", { recipe }), area("Bank")],
      palette: [paintIds[1]!, paintIds[0]!],
    });
    const id = await createPainting(open.db, photoId, document);
    const found = await findPainting(open.db, id);
    expect(found?.document).toEqual(document);
    expect(found?.photo.workingHeightPx).toBe(1333);

    const changed = plan({
      title: "Canal at noon",
      plan: { ...NEW_PLAN, order: [randomUUID()], humidity: 0.7, crispBy: "drying" },
      areas: [document.areas[2]!, document.areas[0]!],
      palette: [paintIds[0]!],
    });
    expect(await savePainting(open.db, id, from(0), changed)).toBe(1);
    expect((await findPainting(open.db, id))?.document).toEqual(changed);
    expect((await listPaintings(open.db))[0]).toMatchObject({ id, title: "Canal at noon" });
  });

  test("an old revision and a missing painting are refused and change nothing; a paint that has left the box leaves the tray", async () => {
    const id = await createPainting(open.db, photoId, plan({ areas: [area("Sky")] }));
    await savePainting(open.db, id, from(0), plan({ title: "Second" }));
    await expect(savePainting(open.db, id, from(0), plan({ title: "Stale" }))).rejects.toThrow(RevisionConflict);
    await expect(savePainting(open.db, randomUUID(), from(0), plan())).rejects.toThrow(PaintingNotFound);
    expect(await findPainting(open.db, id)).toMatchObject({ revision: 1, document: { title: "Second" } });
    await savePainting(open.db, id, from(1), plan({ title: "Foreign", palette: [randomUUID(), paintIds[0]!] }));
    expect(await findPainting(open.db, id)).toMatchObject({
      revision: 2,
      document: { title: "Foreign", palette: [paintIds[0]] },
    });
    expect(await findPhoto(open.db, "b".repeat(64))).toBeNull();
  });

  test("one writer's saves are each stored once, in their order, whatever got lost on the way", async () => {
    const id = await createPainting(open.db, photoId, plan());
    const writer = randomUUID();
    const save = (revision: number, step: number, title: string) =>
      savePainting(open.db, id, { revision, writer, step }, plan({ title }));
    const title = async (): Promise<string> => (await findPainting(open.db, id))!.document.title;
    expect(await save(0, 1, "First")).toBe(1);
    // The answer got lost, and it is sent again; then what came after, made from the revision known before.
    expect(await save(0, 1, "First")).toBe(1);
    expect(await save(0, 3, "Third")).toBe(2);
    expect(await save(0, 2, "Second, late")).toBe(2);
    expect(await title()).toBe("Third");
    await savePainting(open.db, id, from(2), plan({ title: "Somebody else's" }));
    await expect(save(2, 4, "Fourth")).rejects.toThrow(RevisionConflict);
    expect(await title()).toBe("Somebody else's");
  });

  test("areas keep their ids in a painting that was made from another", async () => {
    const document = plan({ areas: [area("Sky")] });
    const [one, two] = [
      await createPainting(open.db, photoId, document),
      await createPainting(open.db, photoId, document),
    ];
    expect(await savePainting(open.db, two, from(0), { ...document, title: "Copy" })).toBe(1);
    expect((await findPainting(open.db, one))!.document).toEqual(document);
  });

  test("a recipe outlives its paint: the painting is still saved, and the recipe with it", async () => {
    const gone = randomUUID();
    const box = await findPaintbox(open.db);
    const paint = newPaint({ id: gone, name: "Viridian", pigments: [{ pigmentId: "PG18", share: 1 }] });
    await savePaintbox(open.db, from(box.revision), { ...box.document, paints: [...box.document.paints, paint] });
    const door = area("Door", { recipe: { parts: [{ paintId: gone, parts: 2 }], waterParts: 3 } });
    const id = await createPainting(open.db, photoId, plan({ areas: [door], palette: [gone, paintIds[0]!] }));
    await savePaintbox(open.db, from(box.revision + 1), box.document);
    const { document, revision } = (await findPainting(open.db, id))!;
    expect(document.palette).toEqual([paintIds[0]]);
    await savePainting(open.db, id, from(revision), { ...document, title: "Still saved" });
    expect((await findPainting(open.db, id))?.document).toEqual({ ...document, title: "Still saved" });
    expect(document.areas).toEqual([door]);
  });

  test("its approach, rules and kept palettes come back; a default of one's own starts new paintings", async () => {
    const own: PaintingDocument["approach"] = {
      ...DEFAULT_APPROACH,
      primaries: "magenta-yellow-cyan",
      darkest: 3,
      lasting: "sketchbook",
    };
    const mine = plan({
      approach: own,
      rules: {
        must: [paintIds[0]!],
        never: [paintIds[1]!],
        kinds: [{ kind: "granulating", least: 0, most: 1 }],
        reach: { areaIds: [], within: 2 },
        boxId: randomUUID(),
        mood: [paintIds[0]!],
        few: [paintIds[2] ?? paintIds[0]!],
      },
      palettes: [{ id: randomUUID(), name: "Pair", paints: [...paintIds] }],
    });
    const id = await createPainting(open.db, photoId, plan());
    expect((await findPainting(open.db, id))?.document).toMatchObject({ approach: DEFAULT_APPROACH, palettes: [] });
    await savePainting(open.db, id, from(0), mine);
    expect((await findPainting(open.db, id))?.document).toEqual(mine);
    expect(await ownApproach(open.db)).toEqual(DEFAULT_APPROACH);
    await keepApproach(open.db, own);
    await keepApproach(open.db, { ...own, single: true });
    expect(newPainting("Next", "cotton-rough", await ownApproach(open.db)).approach).toEqual({ ...own, single: true });
    // What a later version can't read any more counts as none.
    await keepApproach(open.db, { ...own, primaries: "squares" } as unknown as typeof own);
    expect(await ownApproach(open.db)).toEqual(DEFAULT_APPROACH);
  });

  test("an approach from before a setting was known opens with that setting as it suits most", async () => {
    const { hand: _hand, near: _near, effort: _effort, ...before } = { ...DEFAULT_APPROACH, size: "wide" as const };
    const id = await createPainting(open.db, photoId, newPainting("Of before", "cotton-rough"));
    await open.db
      .update(paintings)
      .set({ approach: before as unknown as typeof DEFAULT_APPROACH })
      .where(eq(paintings.id, id));
    expect((await findPainting(open.db, id))?.document.approach).toEqual({ ...DEFAULT_APPROACH, size: "wide" });
  });

  test("its study and its areas' shapes come back as they were saved; a painting from before has an empty study", async () => {
    const map = { width: 6, height: 2, labels: Uint8Array.from([1, 1, 1, 2, 2, 2, 1, 1, 1, 2, 2, 0]) };
    const document = plan({
      areas: [
        area("Sky", {
          region: 1,
          plane: "far",
          light: "lit",
          weight: 0.5,
          wish: { way: "turn", degrees: -40 },
          character: { grain: "rough", lifts: true, clear: false },
          wash: {
            kind: "graded",
            share: 0.6,
            more: [
              {
                id: randomUUID(),
                lab: { L: 80, a: 8, b: 20 },
                at: { x: 0.5, y: 0.4 },
                share: 0.4,
                recipe: null,
                drop: false,
              },
            ],
            run: { from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 0.4 } },
          },
        }),
        area("House", { region: 2, edge: "hard", weight: 4 }),
      ],
      study: {
        frame: { x: 0.5, y: 0.4, width: 0.7, aspect: 1.357, angleDegrees: -2.5 },
        sheet: { widthCm: 38, heightCm: 28, unit: "in" },
        white: { x: 0.2, y: 0.3, light: { r: 0.5, g: 0.48, b: 0.4 }, degree: 0.6 },
        map: { width: 6, height: 2, packed: packMap(map) },
        wish: { way: "heighten", by: 1.3 },
        curve: { kind: "bent", values: [2, 3, 5, 7, 9] },
        pairs: [{ id: randomUUID(), a: { x: 0, y: 1 }, b: { x: 0.5, y: 0.5 } }],
        bother: 6,
        meant: ["water"],
      },
    });
    expect(paintingDocument.safeParse(document).success).toBe(true);
    const id = await createPainting(open.db, photoId, document);
    expect((await findPainting(open.db, id))?.document).toEqual(document);
    expect(plan().study).toMatchObject({ map: null, white: null, curve: { kind: "lights" } });
  });

  test("on the shelf stands how far each is; the bin takes one away and gives it back", async () => {
    const id = await createPainting(
      open.db,
      photoId,
      plan({
        title: "Shelved",
        palette: [paintIds[1]!, paintIds[0]!],
        areas: [
          area("Sky", {
            recipe: { parts: [{ paintId: paintIds[0]!, parts: 1 }], waterParts: 4 },
            wash: {
              kind: "graded",
              share: 0.5,
              run: { from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 } },
              more: [
                {
                  id: randomUUID(),
                  lab: { L: 60, a: 0, b: 0 },
                  at: { x: 0.5, y: 0.5 },
                  share: 0.5,
                  recipe: { parts: [{ paintId: paintIds[1]!, parts: 2 }], waterParts: 1 },
                  drop: false,
                },
              ],
            },
          }),
          // One of its paints has left the paintbox: nobody can mix it.
          area("Bank", {
            recipe: { parts: [paintIds[0]!, randomUUID()].map((paintId) => ({ paintId, parts: 1 })), waterParts: 4 },
          }),
          area("Path"),
        ],
      }),
    );
    const kept = new KeptRows<HowFar>();
    const shelved = async () => {
      const shelf = await shelvePaintings(open.db, kept);
      expect(shelf).toEqual(await shelvePaintings(open.db));
      return shelf.find((one) => one.id === id)!;
    };
    const listed = async () => (await listPaintings(open.db)).some((one) => one.id === id);
    expect(await shelved()).toMatchObject({
      title: "Shelved",
      paintIds: [paintIds[1], paintIds[0]],
      areas: 3,
      colours: 4,
      mixed: 2,
      binnedAt: null,
    });
    await binPainting(open.db, id, true);
    expect((await shelved()).binnedAt).toBeInstanceOf(Date);
    expect(await listed()).toBe(false);
    expect(await findPainting(open.db, id)).toMatchObject({ binned: true });
    expect((await listRecipes(open.db, 100)).some(({ paintingId }) => paintingId === id)).toBe(false);
    await binPainting(open.db, id, false);
    expect(await listed()).toBe(true);

    // A new title is a change of its own: what another window had open is held against it.
    const { revision, document } = (await findPainting(open.db, id))!;
    await renamePainting(open.db, id, "Renamed");
    expect((await shelved()).title).toBe("Renamed");
    await expect(savePainting(open.db, id, from(revision), document)).rejects.toBeInstanceOf(RevisionConflict);
    // What is kept of it follows its areas, and a paint that leaves the box.
    await savePainting(open.db, id, from(revision + 1), { ...document, areas: document.areas.slice(0, 1) });
    expect(await shelved()).toMatchObject({ areas: 1, mixed: 2, paintIds: [paintIds[1], paintIds[0]] });
    const box = await findPaintbox(open.db);
    await savePaintbox(open.db, from(box.revision), {
      ...box.document,
      paints: box.document.paints.filter(({ id: paintId }) => paintId !== paintIds[0]),
    });
    expect((await shelved()).mixed).toBe(1);
    await savePaintbox(open.db, from(box.revision + 1), box.document);
    await expect(renamePainting(open.db, randomUUID(), "x")).rejects.toBeInstanceOf(PaintingNotFound);
    await expect(binPainting(open.db, randomUUID(), true)).rejects.toBeInstanceOf(PaintingNotFound);
    await removePainting(open.db, id);
  });

  test("the demo's painting is put away and comes back with the demo's paints", async () => {
    const id = await createPainting(open.db, photoId, plan({ title: "Demo" }), true);
    const listed = async () => (await listPaintings(open.db)).some((one) => one.id === id);
    const setDemo = async (status: "owned" | "put away", demo: boolean) => {
      const { revision, document } = await findPaintbox(open.db);
      const paintsNow = document.paints.map((paint, i) => (i === 0 ? { ...paint, demo, status } : paint));
      await savePaintbox(open.db, from(revision), { ...document, paints: paintsNow });
    };
    await setDemo("owned", true);
    expect(await listed()).toBe(true);
    await setDemo("put away", true);
    expect(await listed()).toBe(false);
    expect(await findPainting(open.db, id)).not.toBeNull();
    expect((await shelvePaintings(open.db)).find((one) => one.id === id)).toMatchObject({ demo: true, away: true });
    expect((await shelvePaintings(open.db)).some((one) => one.id !== id && one.away)).toBe(false);
    await setDemo("owned", false);
    await removePainting(open.db, id);
  });

  test("removing one leaves the others", async () => {
    const [one, two] = [
      await createPainting(open.db, photoId, plan({ areas: [area("Sky")] })),
      await createPainting(open.db, photoId, plan()),
    ];
    await removePainting(open.db, one);
    expect(await findPainting(open.db, one)).toBeNull();
    expect(await findPainting(open.db, two)).not.toBeNull();
  });
});

describe("what is no painting is turned away", () => {
  const good = plan({ areas: [area("Sky")] });
  const paint = randomUUID();
  test("a good one passes", () => expect(paintingDocument.safeParse(good).success).toBe(true));
  test.each([
    ["a blank area name", { ...good, areas: [area("   ")] }],
    ["a blank title", { ...good, title: " " }],
    ["a sample outside the photo", { ...good, areas: [area("Sky", { sample: { x: 1.2, y: 0, radius: 0 } })] }],
    ["a colour that isn't a number", { ...good, areas: [area("Sky", { lab: { L: Number.NaN, a: 0, b: 0 } })] }],
    ["a recipe of nothing", { ...good, areas: [area("Sky", { recipe: { parts: [], waterParts: 1 } })] }],
    [
      "negative parts",
      { ...good, areas: [area("Sky", { recipe: { parts: [{ paintId: randomUUID(), parts: -1 }], waterParts: 1 } })] },
    ],
    [
      "a paint twice on the palette",
      { ...good, palette: ["0b8f5f0e-6d5c-4a53-9c39-2f3a4f1f9d11", "0b8f5f0e-6d5c-4a53-9c39-2f3a4f1f9d11"] },
    ],
    ["a region that two areas claim", { ...good, areas: [area("Sky", { region: 1 }), area("Bank", { region: 1 })] }],
    ["a label beyond the map's", { ...good, areas: [area("Sky", { region: 256 })] }],
    ["a map that can't be read", { ...good, study: { ...good.study, map: { width: 10, height: 10, packed: "AAAA" } } }],
    [
      "thirteen kept palettes",
      {
        ...good,
        palettes: Array.from({ length: 13 }, (_, i) => ({
          id: randomUUID(),
          name: `No. ${i}`,
          paints: [randomUUID()],
        })),
      },
    ],
    ["a kept palette without a name", { ...good, palettes: [{ id: randomUUID(), name: " ", paints: [randomUUID()] }] }],
    ["an approach of a kind there isn't", { ...good, approach: { ...good.approach, darks: "squid" } }],
    ["a character that PostgreSQL can't hold", { ...good, title: "Ca\0nal" }],
    ["half a character", { ...good, areas: [area("Sky \ud83c")] }],
    ["a paper there isn't", { ...good, paperId: "silk" }],
    ["a must that is a never", { ...good, rules: { ...good.rules, must: [paint], never: [paint] } }],
    [
      "more at least than at most",
      { ...good, rules: { ...good.rules, kinds: [{ kind: "granulating", least: 2, most: 1 }] } },
    ],
    [
      "a paint twice in a recipe",
      {
        ...good,
        areas: [
          area("Sky", {
            recipe: {
              parts: [
                { paintId: paint, parts: 1 },
                { paintId: paint, parts: 2 },
              ],
              waterParts: 1,
            },
          }),
        ],
      },
    ],
    [
      "a part of nothing",
      { ...good, areas: [area("Sky", { recipe: { parts: [{ paintId: paint, parts: 1e-300 }], waterParts: 1 } })] },
    ],
    ["41 paints in the tray", { ...good, palette: Array.from({ length: 41 }, () => randomUUID()) }],
    ["a curve that falls", { ...good, study: { ...good.study, curve: { kind: "bent", values: [3, 2, 5, 7, 9] } } }],
    ["a weight of one's own", { ...good, areas: [{ ...good.areas[0], weight: 3 }] }],
    ["an area twice", { ...good, areas: [good.areas[0], good.areas[0]] }],
  ])("%s", (_, document) => expect(paintingDocument.safeParse(document).success).toBe(false));
});
