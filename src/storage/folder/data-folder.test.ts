import { programFile } from "../program-folder";
import { createHash } from "node:crypto";
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { DATA_SHAPE } from "@/model/shape";
import { addPhoto, findPhoto } from "../drizzle/photos";
import type { NewPhoto } from "../ports";
import { createPainting } from "../drizzle/paintings";
import type { OpenDatabase } from "../drizzle/open";
import { newDatabase } from "@/testing/database";
import { newPainting } from "@/model/painting";
import {
  anewFolder,
  clearUnmade,
  DatabaseDamaged,
  endTakingPlace,
  FolderRefused,
  inspectFolder,
  makeFolder,
  markFolder,
  takePlace,
} from "./data-folder";
import { DEMO_PHOTO_ID, hasOwnPhotos } from "@/server/demo/photo-id";
import { readPhoto } from "@/server/photo-import/read-photo";
import { needSpace, needSpaceToOpen, DiskFull, RESERVE_BYTES } from "./disk-space";
import { PhotoLost, readCopy, storePhoto } from "@/server/photo-import/photo-store";
import { storeIn } from "../store";
import { photoFilesIn } from "./photo-files";
import { sweepPhotos } from "./sweep";
import { noteTrouble, troubleOf } from "@/server/http/trouble";

const folder = (...names: string[]): string => {
  const place = mkdtempSync(join(tmpdir(), "abendrot-data-"));
  for (const name of names) {
    mkdirSync(join(place, name, ".."), { recursive: true });
    writeFileSync(join(place, name), "x");
  }
  return place;
};
const DATABASE = ["postgres/PG_VERSION", "postgres/global/pg_control"];

describe("a data folder is looked at before it is touched", () => {
  test.each([
    ["an empty one is begun in", folder(), { database: "make", demo: false }],
    [
      "so is one with what systems put everywhere and our own lock",
      folder(".DS_Store", "abendrot.in-use/x", "abendrot.owner.json"),
      { database: "make", demo: false },
    ],
    [
      "one of an earlier Abendrot is opened",
      folder(...DATABASE, "photos/a/original.jpeg"),
      { database: "open", demo: null },
    ],
  ])("%s", (_, place, plan) => expect(inspectFolder(place)).toEqual(plan));

  test.each([
    ["photos without a database", folder("photos/a/original.jpeg"), /database is not whole.*Nothing was changed/],
    ["an emptied database", folder("postgres/base/1", "photos/a/original.jpeg"), /database is not whole/],
    ["a database without its version", folder(DATABASE[1]!), /database is not whole/],
    [
      "somebody's documents",
      folder("letter.txt", "taxes.pdf"),
      /no data folder of Abendrot \(it holds letter.txt, taxes.pdf\)/,
    ],
  ])("%s are refused, and stay as they are", (_, place, words) => {
    const before = readdirSync(place, { recursive: true });
    expect(() => inspectFolder(place)).toThrow(words);
    expect(readdirSync(place, { recursive: true })).toEqual(before);
  });

  test("a database that was being made when it was broken off is made anew; one that was made and is gone is not", () => {
    const place = folder(...DATABASE);
    markFolder(place, { database: "making", demo: false });
    expect(inspectFolder(place)).toEqual({ database: "make", demo: false });
    clearUnmade(place);
    expect(existsSync(join(place, "postgres"))).toBe(false);
    markFolder(place, { database: "made", demo: true });
    expect(() => inspectFolder(place)).toThrow(DatabaseDamaged);
    writeFileSync(join(place, "abendrot.json"), "{");
    expect(() => inspectFolder(place)).toThrow(/can't be read/);
  });

  test("a folder that a newer program has written in is refused before anything is touched; an older note has no number", () => {
    const place = folder(...DATABASE);
    markFolder(place, { database: "made", demo: true });
    const mark = JSON.parse(readFileSync(join(place, "abendrot.json"), "utf8")) as object;
    expect(mark).toMatchObject({ least: DATA_SHAPE });
    const noted = (part: object): void =>
      writeFileSync(join(place, "abendrot.json"), JSON.stringify({ ...mark, ...part }));
    noted({ least: DATA_SHAPE + 1, later: "something new" });
    expect(() => inspectFolder(place)).toThrow(/brought up to date by a newer Abendrot. Nothing was changed/);
    noted({ least: undefined });
    expect(inspectFolder(place)).toEqual({ database: "open", demo: true });
  });

  test("what can't be a folder is told by its name", () => {
    const file = join(folder("file"), "file");
    expect(() => makeFolder(file)).toThrow(/is no folder/);
    expect(() => makeFolder(join(file, "deeper"))).toThrow(/is no folder/);
    // Node's own recursive way never comes back from this one.
    expect(() => makeFolder("/proc/abendrot/data")).toThrow(FolderRefused);
    const deep = join(folder(), "a", "b");
    makeFolder(deep);
    expect(readdirSync(deep)).toEqual([]);
  });
});

describe("a database made anew from a copy", () => {
  test("takes the damaged one's place, which stays aside; broken off in between it is ended at the next start", () => {
    const place = folder(...DATABASE);
    const anew = anewFolder(place);
    mkdirSync(join(anew, "postgres"));
    writeFileSync(join(anew, "postgres", "PG_VERSION"), "anew");
    takePlace(place, anew, new Date(Date.UTC(2026, 2, 1, 9)));
    expect(readFileSync(join(place, "postgres", "PG_VERSION"), "utf8")).toBe("anew");
    expect(existsSync(join(place, "postgres-damaged-2026-03-01T09-00-00"))).toBe(true);
    expect(existsSync(anew)).toBe(false);
    renameSync(join(place, "postgres"), join(place, "postgres-whole"));
    endTakingPlace(place, new Date());
    expect(readFileSync(join(place, "postgres", "PG_VERSION"), "utf8")).toBe("anew");
    endTakingPlace(place, new Date());
    expect(readdirSync(place).filter((name) => name.startsWith("postgres"))).toHaveLength(2);
  });
});

describe("room on the disk", () => {
  test("is asked for before anything is written, and the database's own reserve is left", async () => {
    const free = (bytes: number) => () => Promise.resolve(bytes);
    await expect(needSpace(".", 0, free(RESERVE_BYTES - 1))).rejects.toThrow(DiskFull);
    await expect(needSpace(".", 10, free(RESERVE_BYTES + 9))).rejects.toThrow(DiskFull);
    await needSpace(".", 10, free(RESERVE_BYTES + 10));
    await expect(needSpaceToOpen(".", free(0))).rejects.toThrow(/can't be opened safely/);
    await needSpaceToOpen(".", free(RESERVE_BYTES - 1));
    await needSpace(tmpdir());
  });

  test("troubles are told apart, whatever they are wrapped in, and noted without the query", () => {
    const failed = (code: string) =>
      new Error("Failed query: insert into paints values ('secret')", {
        cause: Object.assign(new Error("could not extend file"), { code }),
      });
    expect(troubleOf(failed("53100"), "?")).toMatchObject({
      status: 507,
      message: expect.stringMatching(/nearly full/),
    });
    expect(troubleOf(failed("XX001"), "?")).toMatchObject({ damaged: true, message: expect.stringMatching(/damaged/) });
    expect(troubleOf(new DatabaseDamaged("Gone."), "?")).toEqual({ status: 503, message: "Gone.", damaged: true });
    // A card with its lock on; a server that is away, and one that goes away under a question.
    expect(troubleOf(failed("EROFS"), "?")).toMatchObject({
      status: 507,
      message: expect.stringMatching(/only be read/),
    });
    for (const code of ["ECONNREFUSED", "57P01", "08006"])
      expect(troubleOf(failed(code), "?")).toMatchObject({
        status: 503,
        message: expect.stringMatching(/kept in this/),
      });
    expect(troubleOf(failed("23505"), "Not kept.")).toEqual({ status: 500, message: "Not kept." });
    expect(troubleOf(new FolderRefused("No."), "?")).toEqual({ status: 503, message: "No." });
    const lines: string[] = [];
    const { error } = console;
    console.error = (line: string) => lines.push(line);
    noteTrouble("Saving", failed("53100"));
    console.error = error;
    expect(lines).toEqual(["Saving: Error: could not extend file (53100)"]);
  });
});

describe("photos that nothing uses", () => {
  let open: OpenDatabase;
  beforeAll(async () => {
    open = await newDatabase();
  });
  afterAll(() => open.close());
  const quiet = (): void => {};
  const days = (n: number): Date => new Date(Date.now() + n * 86_400_000);

  test("are swept at a start, and uploads that were broken off; what is used, new or unknown stays", async () => {
    const data = folder(
      "photos/.arriving-1",
      "photos/.half/original.jpeg",
      "photos/unknown/original.jpeg",
      "photos/without/.without-record",
    );
    const photo = async (side: number, name: string): Promise<string> => {
      const path = join(data, name);
      await sharp({ create: { width: side, height: 40, channels: 3, background: "#7a5533" } })
        .jpeg()
        .toFile(path);
      const read = await readPhoto(path);
      await storePhoto(storeIn(open.db, data), read, path, name);
      rmSync(path);
      return read.id;
    };
    const [painted, unused] = [await photo(60, "painted"), await photo(70, "unused")];
    await createPainting(open.db, painted, newPainting("Canal", "cotton-rough"));
    expect(await hasOwnPhotos(photoFilesIn(data))).toBe(true);
    expect(await sweepPhotos(storeIn(open.db, data), days(0), quiet)).toEqual({ broken: 3, unused: 0 });
    expect(readdirSync(join(data, "photos")).sort()).toEqual([painted, unused, "unknown"].sort());
    expect(await sweepPhotos(storeIn(open.db, data), days(2), quiet)).toEqual({ broken: 0, unused: 1 });
    expect(readdirSync(join(data, "photos")).sort()).toEqual([painted, "unknown"].sort());
    expect(await findPhoto(open.db, unused)).toBeNull();
    // A crash between the files and the record leaves a mark that the next start reads.
    writeFileSync(join(data, "photos", painted, ".without-record"), "");
    expect(await sweepPhotos(storeIn(open.db, data), days(2), quiet)).toEqual({ broken: 0, unused: 0 });
    expect(existsSync(join(data, "photos", painted, ".without-record"))).toBe(false);
  });

  test("a working copy that is broken is made anew from the original; without one it is told, not served", async () => {
    const data = folder();
    const path = join(data, "wall");
    await sharp({ create: { width: 300, height: 200, channels: 3, background: "#a04020" } })
      .png()
      .toFile(path);
    const read = await readPhoto(path);
    await storePhoto(storeIn(open.db, data), read, path, "wall.png");
    const working = join(data, "photos", read.id, "working-p3.png");
    const whole = readFileSync(working);
    for (const broken of [whole.subarray(0, whole.length - 40), Buffer.alloc(0), Buffer.from("rubbish")]) {
      writeFileSync(working, broken);
      expect((await readCopy(photoFilesIn(data), read, "working")).equals(whole)).toBe(true);
    }
    // Twenty that ask at once share one making.
    rmSync(working);
    const twenty = await Promise.all(Array.from({ length: 20 }, () => readCopy(photoFilesIn(data), read, "working")));
    expect(new Set(twenty).size).toBe(1);
    rmSync(working);
    rmSync(join(data, "photos", read.id, "original.png"));
    await expect(readCopy(photoFilesIn(data), read, "working")).rejects.toThrow(PhotoLost);
  });

  test("the demo's photo is known by its content; brought again, an unused photo is new again", async () => {
    expect(
      createHash("sha256")
        .update(readFileSync(programFile("src", "server", "demo", "pump-house.jpg")))
        .digest("hex"),
    ).toBe(DEMO_PHOTO_ID);
    expect(
      await hasOwnPhotos(photoFilesIn(folder(`photos/${DEMO_PHOTO_ID}/original.jpeg`, "photos/.arriving-x"))),
    ).toBe(false);
    const row: NewPhoto = {
      id: "c".repeat(64),
      fileName: "a",
      format: "png",
      widthPx: 9,
      heightPx: 9,
      workingWidthPx: 9,
      workingHeightPx: 9,
      bytes: 9,
    };
    await addPhoto(open.db, row);
    const first = (await findPhoto(open.db, row.id))!.createdAt.getTime();
    await new Promise((resolve) => setTimeout(resolve, 20));
    await addPhoto(open.db, row);
    expect((await findPhoto(open.db, row.id))!.createdAt.getTime()).toBeGreaterThan(first);
  });
});
