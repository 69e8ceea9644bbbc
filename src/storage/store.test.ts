import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { DEFAULT_APPROACH } from "@/core/palette";
import { newPaint } from "@/model/paintbox";
import { newPainting } from "@/model/painting";
import type { OpenDatabase } from "./drizzle/open";
import { newDatabase } from "@/testing/database";
import { NamedError } from "./named-error";
import { PaintingNotFound, RevisionConflict, UnknownMeasured, type NewPhoto, type Store } from "./ports";
import { programFile } from "./program-folder";
import { storeIn } from "./store";

let open: OpenDatabase;
let folder: string;
let store: Store;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), "abendrot-ports-"));
  open = await newDatabase();
  store = storeIn(open.db, folder);
});
afterAll(() => open.close());

const photo: NewPhoto = {
  id: "a".repeat(64),
  fileName: "canal.jpg",
  format: "jpeg",
  widthPx: 30,
  heightPx: 20,
  workingWidthPx: 30,
  workingHeightPx: 20,
  bytes: 3,
};
const stamp = (revision: number, writer: string = randomUUID()) => ({ revision, writer, step: 1 });

describe("a store asked through its ports alone", () => {
  test("keeps a painting from its photo to its removal", async () => {
    await store.photos.add(photo);
    expect(await store.photos.find(photo.id)).toMatchObject(photo);
    const id = await store.paintings.create(photo.id, newPainting("Canal", "cotton-rough"));
    expect(await store.paintings.list()).toEqual([{ id, title: "Canal", photoId: photo.id }]);
    const { revision } = (await store.paintings.find(id))!;
    const renamed = newPainting("Canal at six", "cotton-rough");
    expect(await store.paintings.save(id, stamp(revision), renamed)).toBe(revision + 1);
    expect((await store.paintings.find(id))!.document.title).toBe("Canal at six");
    await expect(store.paintings.save(id, stamp(revision), renamed)).rejects.toBeInstanceOf(RevisionConflict);
    expect(await store.paintings.recipes(10)).toEqual([]);
    expect(await store.photos.unused(new Date(Date.now() + 1e6))).toEqual([]);
    expect(await store.keeping.photoSpace()).toEqual({ bytes: 3, binnedBytes: 0 });
    await store.paintings.bin(id, true);
    expect(await store.keeping.photoSpace()).toEqual({ bytes: 3, binnedBytes: 3 });
    await store.paintings.bin(id, false);
    await store.paintings.remove(id);
    expect(await store.paintings.find(id)).toBeNull();
    await expect(store.paintings.save(id, stamp(1), renamed)).rejects.toBeInstanceOf(PaintingNotFound);
    expect(await store.photos.unused(new Date(Date.now() + 1e6))).toEqual([photo.id]);
    await store.photos.remove(photo.id);
    expect(await store.photos.find(photo.id)).toBeNull();
  });

  test("keeps paints, cards and settings; a card of an unknown paint is refused", async () => {
    const paint = newPaint({ id: randomUUID(), name: "Blue", pigments: [{ pigmentId: "PB29", share: 1 }] });
    const before = await store.paintbox.revision();
    await store.paintbox.save(stamp(before), { paints: [paint], boxes: [] });
    expect(await store.paintbox.revision()).toBe(before + 1);
    expect(await store.paintbox.paints()).toEqual([paint]);
    expect(await store.paintbox.stockedPaints()).toEqual([{ ...paint, measured: null }]);
    const card = await store.cards.add({ kind: "card", paints: [paint.id], paperId: "cotton-rough" }, "2026-05-01");
    expect(await store.cards.find(card.id)).toEqual(card);
    expect(await store.cards.list()).toEqual([card]);
    const foreign = store.cards.add({ kind: "card", paints: [randomUUID()], paperId: "cotton-rough" }, "2026-05-01");
    await expect(foreign).rejects.toBeInstanceOf(UnknownMeasured);
    expect(await store.measurements.setCounts(randomUUID(), true)).toBe(false);
    expect(await store.settings.ownApproach()).toEqual(DEFAULT_APPROACH);
    await store.settings.keepApproach({ ...DEFAULT_APPROACH, valueWeight: 2 });
    expect(await store.settings.ownApproach()).toEqual({ ...DEFAULT_APPROACH, valueWeight: 2 });
    expect(await store.settings.demoSheet("card")).toBeNull();
    await store.settings.keepDemoSheet("card", card.id);
    expect(await store.settings.demoSheet("card")).toBe(card.id);
  });

  test("a transaction that fails in its last step has done nothing", async () => {
    const { revision, document } = await store.paintbox.find();
    const fails = store.transaction(async ({ paintbox, photos }) => {
      await photos.add({ ...photo, id: "b".repeat(64) });
      await paintbox.save(stamp(revision), { paints: [], boxes: [] });
      throw new Error("the lights went out");
    });
    await expect(fails).rejects.toThrow("lights");
    expect(await store.paintbox.find()).toEqual({ revision, document });
    expect(await store.photos.find("b".repeat(64))).toBeNull();
  });
});

describe("photos' files through their port", () => {
  test("an original lies byte for byte, unrecorded until it is said to be recorded, and is removed whole", async () => {
    const { photoFiles } = store;
    const arriving = await photoFiles.arrivingPath();
    writeFileSync(arriving, "one two three");
    expect(await photoFiles.list()).toEqual([expect.objectContaining({ brokenOff: true })]);
    await photoFiles.keep(photo.id, "jpeg", arriving, Buffer.from("working"));
    const placed = async () => (await photoFiles.list()).find(({ id }) => id === photo.id);
    expect(await placed()).toMatchObject({ id: photo.id, brokenOff: false, recorded: false, since: expect.any(Date) });
    await photoFiles.setRecorded(photo.id, true);
    expect(await placed()).toMatchObject({ recorded: true });
    expect(readFileSync(await photoFiles.original(photo.id, "jpeg"), "utf8")).toBe("one two three");
    expect((await photoFiles.readCopy(photo.id, "working"))?.toString()).toBe("working");
    expect(await photoFiles.readCopy(photo.id, "small")).toBeNull();
    await photoFiles.keepCopy(photo.id, "small", Buffer.from("small"));
    expect((await photoFiles.readCopy(photo.id, "small"))?.toString()).toBe("small");
    expect(readdirSync(join(folder, "photos", photo.id)).filter((name) => name.startsWith("."))).toEqual([]);
    await photoFiles.remove(photo.id);
    expect(await placed()).toBeUndefined();
    // To unmark what is gone already is no fault.
    await photoFiles.setRecorded(photo.id, false);
  });

  test("a folder without photos is an empty list", async () => {
    const empty = storeIn(open.db, mkdtempSync(join(tmpdir(), "abendrot-ports-")));
    expect(await empty.photoFiles.list()).toEqual([]);
  });
});

describe("errors that pass between the server's bundles", () => {
  /** The same error as another bundle would throw it: of a class of its own. */
  class Elsewhere extends NamedError {
    static override readonly kind = "RevisionConflict";
  }
  test("are known by name, not by class, and not mixed up", () => {
    expect(new Elsewhere()).toBeInstanceOf(RevisionConflict);
    expect(new Elsewhere()).not.toBeInstanceOf(PaintingNotFound);
    expect(new Error("RevisionConflict")).not.toBeInstanceOf(RevisionConflict);
    expect({ name: "RevisionConflict" }).not.toBeInstanceOf(RevisionConflict);
    expect(new RevisionConflict("words").message).toBe("words");
  });
});

test("what the program ships is found from wherever it was started", () => {
  const here = process.cwd();
  try {
    process.chdir(tmpdir());
    expect(existsSync(programFile("package.json"))).toBe(true);
    expect(existsSync(programFile("src", "storage", "drizzle", "migrations"))).toBe(true);
  } finally {
    process.chdir(here);
  }
});
