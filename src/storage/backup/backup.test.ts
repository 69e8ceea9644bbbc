import { createHash, randomUUID } from "node:crypto";
import { createWriteStream, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { readdir } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import type { Readable } from "node:stream";
import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { ZipFile } from "yazl";
import { PAPERS } from "@/core/optics";
import type { BackupManifest } from "@/model/backup";
import { newLogEntry } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { newArea, newPainting } from "@/model/painting";
import { allMigrations, EMBEDDED, isNewer, migrateWithin, migrationsDone } from "../drizzle/migrations";
import { bare } from "@/testing/bare-rows";
import { newHome, type Home } from "@/testing/home";
import { RevisionConflict } from "../ports";
import { openDatabase, type OpenDatabase } from "../drizzle/open";
import { readAllRows } from "../drizzle/rows";
import { copiesFolder } from "../store";
import { sweepPhotos } from "../folder/sweep";
import { FileRefused } from "./archive";
import { copiesIn, photosOfCopies } from "./copies";
import { writeBackup } from "./write";

const place = mkdtempSync(join(tmpdir(), "abendrot-backup-"));
const photo = Buffer.from("not a picture, but the bytes are what counts: \0\xff\x80", "latin1");
const photoId = createHash("sha256").update(photo).digest("hex");
const record = {
  id: photoId,
  fileName: "evening “last” light.jpg",
  format: "jpeg",
  widthPx: 3,
  heightPx: 2,
  workingWidthPx: 3,
  workingHeightPx: 2,
  bytes: photo.length,
};
const stamp = (revision: number) => ({ revision, writer: randomUUID(), step: 1 });

const opened: OpenDatabase[] = [];

async function home(): Promise<Home> {
  const made = await newHome();
  opened.push(made);
  return made;
}

/** A store with something in every corner, numbers that are no round ones and words that are no plain ones. */
async function fill({ store }: Home): Promise<string> {
  const from = join(place, "photo");
  writeFileSync(from, photo);
  await store.photoFiles.keep(photoId, "jpeg", from, Buffer.from("working"));
  await store.photos.add(record);
  await store.photoFiles.setRecorded(photoId, true);
  const paint = newPaint({
    id: randomUUID(),
    name: "Ultramarin “tief” 群青",
    pigments: [{ pigmentId: "PB29", share: 0.1 + 0.2 }],
    tintingStrength: 1 / 3,
  });
  await store.paintbox.save(stamp(0), { paints: [paint], boxes: [] });
  const area = newArea({
    id: randomUUID(),
    name: "Far dyke",
    sample: { x: 1 / 7, y: 0.5, radius: 0.004 },
    lab: { L: 52.5, a: -1e-17, b: 18.123456789012345 },
    recipe: { parts: [{ paintId: paint.id, parts: 1 }], waterParts: 4.7 },
  });
  const id = await store.paintings.create(photoId, {
    ...newPainting("Canal", PAPERS[0].id),
    areas: [area],
    palette: [paint.id],
  });
  await store.logbook.create(
    randomUUID(),
    newLogEntry({ kind: "note", on: "2026-03-04", paperId: PAPERS[0].id, photos: [photoId], notes: "a\nb\t“c” \\" }),
  );
  await store.cards.add({ kind: "card", paints: [paint.id], paperId: PAPERS[0].id }, "2026-03-05");
  await store.eye.add(randomUUID(), { kind: "hue", bucket: "reds", error: 1e-7 });
  return id;
}

async function fileOf(stream: Readable, name: string): Promise<string> {
  const path = join(place, name);
  await pipeline(stream, createWriteStream(path));
  return path;
}

let full: Home;
let empty: Home;
let painting: string;
let file: string;
let size: number | null;
beforeAll(async () => {
  full = await home();
  painting = await fill(full);
  const { stream, bytes } = await full.store.keeping.backup();
  size = bytes;
  file = await fileOf(stream, "everything.zip");
});
afterAll(async () => {
  for (const { close } of opened) await close();
  rmSync(place, { recursive: true, force: true });
});

describe("everything as one file", () => {
  test("rows that are read while somebody saves are of one moment, and nobody waits for all of them", async () => {
    const busy = await home();
    const { store, db } = busy;
    const id = await fill(busy);
    let stop = false;
    let saves = 0;
    // A painting gets the title n before the n-th page is written: no moment has more than one title without its page.
    const saving = (async () => {
      for (let n = 1; !stop; n++, saves = n) {
        await store.paintings.rename(id, String(n));
        await store.logbook.create(
          randomUUID(),
          newLogEntry({ kind: "note", on: "2026-03-04", paperId: PAPERS[0].id, title: `page ${n}` }),
        );
        await new Promise((resolve) => setTimeout(resolve));
      }
    })();
    for (let reading = 0; reading < 5; reading++) {
      const tables = await readAllRows(db, EMBEDDED);
      const lines = (name: string) => tables.find((table) => table.name === name)!.lines;
      const pages = lines("log_entries").filter((line) => line.includes('"page ')).length;
      const title = Number((JSON.parse(lines("paintings")[0]!) as { title: string }).title);
      expect([pages, pages + 1]).toContain(Number.isNaN(title) ? 0 : title);
    }
    stop = true;
    await saving;
    expect(saves).toBeGreaterThan(5);
  });

  test("comes back to the last row and byte, and its size is known before it is sent", async () => {
    expect(readFileSync(file).length).toBe(size);
    empty = await home();
    await empty.store.keeping.restore(file);
    expect(bare(await readAllRows(empty.db, EMBEDDED))).toEqual(bare(await readAllRows(full.db, EMBEDDED)));
    expect(readFileSync(await empty.store.photoFiles.original(photoId, "jpeg"))).toEqual(photo);
    expect((await empty.store.paintings.find(painting))!.document).toEqual(
      (await full.store.paintings.find(painting))!.document,
    );
    // What goes on being counted goes on behind what came.
    const next = await empty.store.cards.add(
      { kind: "card", paints: [(await empty.store.paintbox.paints())[0]!.id], paperId: PAPERS[0].id },
      "2026-03-06",
    );
    expect(next.id).toBe(2);
    expect(await migrationsDone(empty.db, EMBEDDED)).toBe(allMigrations().length);
  });

  test("no stamp that was given out before is taken after it, nor one of a document that was removed meanwhile", async () => {
    const used = await home();
    await used.store.keeping.restore(file);
    const own = { writer: randomUUID(), step: 1 };
    const found = (await used.store.paintings.find(painting))!;
    const at = await used.store.paintings.save(painting, { revision: found.revision, ...own }, found.document);
    const box = await used.store.paintbox.find();
    const boxAt = await used.store.paintbox.save({ revision: box.revision, ...own }, box.document);
    const mine = await fileOf((await used.store.keeping.backup()).stream, "mine.zip");
    await used.store.paintings.remove(painting);
    await used.store.keeping.restore(mine);
    // The row that was put back named this very writer, at this very revision.
    for (const save of [
      used.store.paintings.save(painting, { revision: at, ...own, step: 2 }, found.document),
      used.store.paintings.save(painting, { revision: at, ...own }, found.document),
      used.store.paintings.save(painting, { revision: at, writer: randomUUID(), step: 1 }, found.document),
      used.store.paintbox.save({ revision: boxAt, ...own, step: 2 }, box.document),
    ])
      await expect(save).rejects.toBeInstanceOf(RevisionConflict);
    const after = await used.store.paintings.find(painting);
    expect(after!.revision).toBeGreaterThan(at);
    await used.store.paintings.save(painting, { ...own, revision: after!.revision }, found.document);
  });

  test("a save that is acknowledged while it is put back stands in the copy that was made of what stood there", async () => {
    const used = await home();
    await used.store.keeping.restore(file);
    const acknowledged: string[] = [];
    let going = true;
    const saving = (async () => {
      for (let n = 0; going; n++) {
        // The database answers without leaving the turn: files would never be written.
        await new Promise((resolve) => setImmediate(resolve));
        const { revision, document } = (await used.store.paintings.find(painting))!;
        const title = `Canal ${n}`;
        await used.store.paintings
          .save(painting, { revision, writer: randomUUID(), step: 1 }, { ...document, title })
          .then(() => acknowledged.push(title))
          .catch((error: unknown) => expect(error).toBeInstanceOf(RevisionConflict));
      }
    })();
    await expect.poll(() => acknowledged.length).toBeGreaterThan(3);
    await used.store.keeping.restore(file);
    going = false;
    await saving;
    const [copy] = await used.store.keeping.copies.list();
    expect(copy!.reason).toBe("before something was put back");
    const now = (await used.store.paintings.find(painting))!.document.title;
    await used.store.keeping.restore((await used.store.keeping.copies.pathOf(copy!.name))!);
    const inCopy = (await used.store.paintings.find(painting))!.document.title;
    // The last that was acknowledged before stands in the copy; any later one in the store.
    const last = acknowledged.indexOf(inCopy);
    expect(last).toBeGreaterThan(-1);
    if (last < acknowledged.length - 1) expect(now).toBe(acknowledged.at(-1));
    expect(used.store.keeping.beingReplaced()).toBe(false);
  });

  test("put back it is another book to whoever has read it, though all revisions come again", async () => {
    const again = await home();
    await again.store.keeping.restore(file);
    const before = await again.store.logbook.stamp();
    expect(await again.store.logbook.stamp()).toEqual(before);
    await again.store.keeping.restore(file);
    expect(await again.store.logbook.stamp()).not.toEqual(before);
  });

  test("replaces all that is there, whole; photos that nothing knows of any more are swept later", async () => {
    const used = await home();
    await used.store.paintbox.save(stamp(0), {
      paints: [newPaint({ id: randomUUID(), name: "Mine", pigments: [{ pigmentId: "PB29", share: 1 }] })],
      boxes: [],
    });
    const other = "f".repeat(64);
    writeFileSync(join(place, "other"), "x");
    await used.store.photoFiles.keepOriginal(other, "jpeg", join(place, "other"));
    await used.store.keeping.restore(file);
    expect(await used.store.keeping.holdings()).toEqual(await full.store.keeping.holdings());
    expect((await used.store.paintbox.paints()).map(({ name }) => name)).toEqual(["Ultramarin “tief” 群青"]);
    expect(await sweepPhotos(used.store, new Date(), () => {}, new Set([other]))).toMatchObject({ broken: 0 });
    expect(await sweepPhotos(used.store, new Date(), () => {})).toMatchObject({ broken: 1 });
  });

  test("a photo that is damaged or gone is told, and keeps nothing else from being saved", async () => {
    const hurt = empty;
    await hurt.store.keeping.restore(file);
    writeFileSync(await hurt.store.photoFiles.original(photoId, "jpeg"), "rot");
    const { stream, manifest } = await hurt.store.keeping.backup();
    expect(manifest).toMatchObject({ lost: [photoId], photos: [] });
    await empty.store.keeping.restore(await fileOf(stream, "hurt.zip"));
    expect((await empty.store.paintings.find(painting))!.photo.id).toBe(photoId);
    // Brought from the whole file it is healed.
    await hurt.store.keeping.restore(file);
    expect(readFileSync(await hurt.store.photoFiles.original(photoId, "jpeg"))).toEqual(photo);
  });
});

/** The file with one of its parts otherwise. */
async function altered(change: (name: string, bytes: Buffer) => Buffer | null): Promise<string> {
  const { openPromise } = await import("yauzl");
  const from = await openPromise(file, { autoClose: false });
  const zip = new ZipFile();
  for await (const entry of from.eachEntry()) {
    const chunks: Buffer[] = [];
    for await (const chunk of await from.openReadStreamPromise(entry)) chunks.push(chunk as Buffer);
    const bytes = change(entry.fileName, Buffer.concat(chunks));
    if (bytes) zip.addBuffer(bytes, entry.fileName);
  }
  from.close();
  zip.end();
  return fileOf(zip.outputStream as Readable, `altered-${randomUUID()}.zip`);
}
const manifestWith = (change: (manifest: BackupManifest) => object) => (name: string, bytes: Buffer) =>
  name === "abendrot.json"
    ? Buffer.from(JSON.stringify(change(JSON.parse(bytes.toString("utf8")) as BackupManifest)))
    : bytes;
/** Rows otherwise, and a digest that says so: made by somebody who knows how. */
async function forged(table: string, change: (lines: string) => string): Promise<string> {
  let rows = Buffer.alloc(0);
  await altered((name, bytes) => {
    if (name === `rows/${table}.jsonl`) rows = Buffer.from(change(bytes.toString("utf8")));
    return bytes;
  });
  const sha256 = createHash("sha256").update(rows).digest("hex");
  return altered((name, bytes) =>
    name === `rows/${table}.jsonl`
      ? rows
      : manifestWith((manifest) => ({
          ...manifest,
          tables: manifest.tables.map((one) => (one.name === table ? { ...one, sha256 } : one)),
        }))(name, bytes),
  );
}

describe("a file that is not what it should be is refused whole", () => {
  let untouched: Home;
  let before: unknown;
  beforeAll(async () => {
    untouched = await home();
    await untouched.store.paintbox.save(stamp(0), {
      paints: [newPaint({ id: randomUUID(), name: "Mine", pigments: [{ pigmentId: "PB29", share: 1 }] })],
      boxes: [],
    });
    before = await readAllRows(untouched.db, EMBEDDED);
  });
  const refused = async (path: string, words: RegExp): Promise<void> => {
    const error = await untouched.store.keeping.restore(path).then(
      () => null,
      (thrown: unknown) => thrown,
    );
    expect(error).toBeInstanceOf(FileRefused);
    expect((error as Error).message).toMatch(words);
    expect(await readAllRows(untouched.db, EMBEDDED)).toEqual(before);
    expect((await readdir(join(untouched.folder, "photos"))).filter((name) => name.startsWith("."))).toEqual([]);
  };

  test("cut off anywhere, or no zip at all", async () => {
    const whole = readFileSync(file);
    for (const share of [0, 0.2, 0.6, 0.999]) {
      const cut = join(place, "cut.zip");
      writeFileSync(cut, whole.subarray(0, Math.floor(share * whole.length)));
      await refused(cut, /no backup|cut off/);
    }
    const letter = join(place, "letter.zip");
    writeFileSync(letter, "Dear all, the canal froze.");
    await refused(letter, /no backup/);
  });

  test("somebody else's zip, one without its list, one of a newer program", async () => {
    await refused(await altered((name, bytes) => (name === "abendrot.json" ? null : bytes)), /no backup/);
    await refused(await altered(manifestWith((m) => ({ ...m, madeBy: "Somebody" }))), /no backup/);
    await refused(await altered(manifestWith((m) => ({ ...m, version: 2 }))), /newer/);
    await refused(await altered(manifestWith((m) => ({ ...m, migrations: 999 }))), /newer/);
  });

  test("rows or photos that were changed, left out or forged", async () => {
    await refused(
      await altered((name, bytes) =>
        name === "rows/paints.jsonl" ? Buffer.from(bytes.toString().replace("tief", "hell")) : bytes,
      ),
      /changed/,
    );
    await refused(
      await altered((name, bytes) => (name.startsWith("photos/") ? Buffer.from("another") : bytes)),
      /changed/,
    );
    await refused(await altered((name, bytes) => (name === "rows/areas.jsonl" ? null : bytes)), /no backup|changed/);
    // A photo's format names its file: nothing may climb out of its folder by it.
    await refused(await forged("photos", (line) => line.replace('"jpeg"', '"../../x"')), /don't fit/);
    // An area of a painting that is not there; a paint of no strength.
    await refused(await forged("areas", (line) => line.replace(painting, randomUUID())), /don't fit/);
    await refused(
      await forged("paints", (line) => line.replace(/"tinting_strength": [\d.]+/, '"tinting_strength": 0')),
      /don't fit/,
    );
  });
});

describe("versions", () => {
  test("a file of an older version is brought up by the same migrations; rows keep what they had", async () => {
    const old = await home();
    await old.db.execute(sql`drop schema public cascade`);
    await old.db.execute(sql`drop schema drizzle cascade`);
    await old.db.execute(sql`create schema public`);
    await old.db.transaction((tx) => migrateWithin(tx, EMBEDDED, 8));
    await old.db.execute(sql`insert into photos (id, file_name, format, width_px, height_px, working_width_px,
      working_height_px, bytes) values (${photoId}, 'old.jpg', 'jpeg', 3, 2, 3, 2, 9)`);
    await old.db.execute(
      sql`insert into paintings (title, paper_id, photo_id) values ('From long ago', ${PAPERS[0].id}, ${photoId})`,
    );
    const { stream, manifest } = await writeBackup(old.db, EMBEDDED, old.store.photoFiles, {
      withPhotos: true,
      now: new Date(),
    });
    expect(manifest).toMatchObject({ migrations: 8, lost: [photoId] });
    const young = empty;
    await young.store.keeping.restore(await fileOf(stream, "old.zip"));
    const [shelved] = await young.store.paintings.shelf();
    expect((await young.store.paintings.find(shelved!.id))!.document.title).toBe("From long ago");
    expect(await migrationsDone(young.db, EMBEDDED)).toBe(allMigrations().length);
  });

  test("a database that a newer program has changed is known as such", async () => {
    const newer = empty;
    expect(await isNewer(newer.db, EMBEDDED)).toBe(false);
    await newer.db.execute(sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 9e15)`);
    expect(await isNewer(newer.db, EMBEDDED)).toBe(true);
  });
});

describe("dated copies", () => {
  const copiesAt = (home: Home, now: () => Date) =>
    copiesIn(
      copiesFolder(home.folder),
      (at) => writeBackup(home.db, EMBEDDED, home.store.photoFiles, { withPhotos: false, now: at }),
      now,
    );

  test("once a day when something changed, the last ten, and one brings back what stood there", async () => {
    let now = new Date(2026, 2, 1, 9);
    const copies = copiesAt(full, () => now);
    await copies.makeIfDue();
    await copies.makeIfDue();
    expect(await copies.list()).toMatchObject([{ reason: "of the day", madeAt: now.toISOString() }]);
    now = new Date(2026, 2, 2, 9);
    await copies.makeIfDue();
    expect(await copies.list()).toHaveLength(1);
    await full.store.paintings.rename(painting, "Canal, frozen");
    await copies.makeIfDue();
    expect(await copies.list()).toHaveLength(2);
    for (let day = 3; day < 14; day++) {
      now = new Date(2026, 2, day, 9);
      await copies.make("before a new version");
    }
    const list = await copies.list();
    expect(list).toHaveLength(10);
    expect(list[0]!.madeAt).toBe(now.toISOString());
    expect([...(await photosOfCopies(copiesFolder(full.folder)))]).toEqual([photoId]);
    await full.store.paintings.rename(painting, "Something else");
    await full.store.keeping.restore((await copies.pathOf(list[0]!.name))!);
    expect((await full.store.paintings.find(painting))!.document.title).toBe("Canal, frozen");
    expect(await copies.pathOf("../../etc/passwd")).toBeNull();
  });

  test("after a clock that ran ahead the copy that was just made stays, and those made before it go first", async () => {
    const folder = join(place, "ahead");
    mkdirSync(folder);
    // Copies of before they were numbered, and ten with dates that are still to come.
    writeFileSync(join(folder, "2026-01-01T00-00-00-000Z-day.zip"), "of long ago");
    let now = new Date("2031-01-01T00:00:00Z");
    const copies = copiesIn(
      folder,
      (at) => writeBackup(full.db, EMBEDDED, full.store.photoFiles, { withPhotos: false, now: at }),
      () => now,
    );
    for (let i = 0; i < 10; i++) await copies.make("of the day");
    now = new Date("2026-12-01T00:00:00Z");
    await copies.make("before something was put back");
    const list = await copies.list();
    expect(list).toHaveLength(10);
    expect(list[0]).toMatchObject({ reason: "before something was put back", madeAt: now.toISOString() });
    expect(list.slice(1).every(({ madeAt }) => madeAt.startsWith("2031"))).toBe(true);
  });

  test("one is made before tables are changed, and not before they are first made", async () => {
    const folder = join(place, "versions");
    let asked = 0;
    const before = async (): Promise<void> => void asked++;
    const first = await openDatabase(folder, before);
    await first.db.execute(sql`delete from drizzle.__drizzle_migrations where id = (select max(id) from
      drizzle.__drizzle_migrations)`);
    await first.db.execute(sql`drop table eye_answers`);
    await first.close();
    expect(asked).toBe(0);
    const second = await openDatabase(folder, before);
    expect(asked).toBe(1);
    await second.close();
  });
});
