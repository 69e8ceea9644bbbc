import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp, { type Sharp } from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { countLabels, labelAt, unpackMap } from "@/core/areas";
import type { OpenDatabase } from "@/storage/drizzle/open";
import { newDatabase } from "@/testing/database";
import { COPIES } from "@/storage/folder/photo-files";
import type { Store } from "@/storage/ports";
import { storeIn } from "@/storage/store";
import { programFile } from "@/storage/program-folder";
import { seedDemo } from "@/server/demo/seed";
import { readPhoto } from "./read-photo";
import { readCopy, storePhoto } from "./photo-store";
import { readBody, readJson, saveBody } from "@/server/http/reply";

let open: OpenDatabase;
let data: string;
let store: Store;
beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), "abendrot-store-"));
  open = await newDatabase();
  store = storeIn(open.db, data);
});
afterAll(() => open.close());

describe("keeping a photo", () => {
  let path: string;
  const kept = async (picture: Sharp): Promise<Awaited<ReturnType<typeof readPhoto>>> => {
    path = join(data, "incoming");
    writeFileSync(path, await picture.toBuffer());
    return readPhoto(path);
  };

  test("the original lies untouched beside the working copy; the same photo twice is one", async () => {
    const photo = await kept(sharp({ create: { width: 90, height: 60, channels: 3, background: "#7a5533" } }).jpeg());
    await storePhoto(store, photo, path, "bank.jpg");
    await storePhoto(store, photo, path, "again.jpg");
    expect(readFileSync(join(data, "photos", photo.id, "original.jpeg"))).toEqual(readFileSync(path));
    expect(await readCopy(store.photoFiles, photo, "working")).toEqual(photo.working);
    expect(readdirSync(join(data, "photos"))).toEqual([photo.id]);
    expect(await store.photos.find(photo.id)).toMatchObject({ fileName: "bank.jpg", bytes: photo.bytes, widthPx: 90 });
  });

  test("copies for the first look, for going close and for lists are made at their first use; an old folder's working copy is made anew", async () => {
    const photo = await kept(
      sharp({ create: { width: 2600, height: 1300, channels: 3, background: "#a04020" } }).jpeg(),
    );
    await storePhoto(store, photo, path, "wall.jpg");
    const close = await readCopy(store.photoFiles, photo, "close");
    expect(await sharp(close).metadata()).toMatchObject({ width: 2600, height: 1300, format: "jpeg" });
    const small = await readCopy(store.photoFiles, photo, "small");
    const {
      data: [r, g, b],
      info,
    } = await sharp(small).raw().toBuffer({ resolveWithObject: true });
    expect(info).toMatchObject({ width: 320, height: 160 });
    // The small one is for any picture viewer, so it is sRGB again.
    expect(Math.max(Math.abs(r! - 0xa0), Math.abs(g! - 0x40), Math.abs(b! - 0x20))).toBeLessThan(4);
    // The first look has the working copy's own bytes, so that nothing changes colour when that comes.
    const view = await readCopy(store.photoFiles, photo, "view");
    const [first, measured] = await Promise.all(
      [view, photo.working].map((copy) => sharp(copy).removeAlpha().raw().toBuffer({ resolveWithObject: true })),
    );
    expect(first!.info).toMatchObject({ width: 1280, height: 640 });
    for (let c = 0; c < 3; c++) expect(Math.abs(first!.data[c]! - measured!.data[c]!)).toBeLessThan(3);
    rmSync(join(data, "photos", photo.id, COPIES.working));
    expect((await readCopy(store.photoFiles, photo, "working")).equals(photo.working)).toBe(true);
    expect(readdirSync(join(data, "photos", photo.id)).sort()).toEqual([
      COPIES.close,
      "original.jpeg",
      COPIES.small,
      COPIES.view,
      COPIES.working,
    ]);
  });

  test("when the record can't be written, no half photo is left in the way of the next try", async () => {
    const photo = await kept(sharp({ create: { width: 80, height: 60, channels: 3, background: "#335577" } }).png());
    const broken = { ...store, photos: { ...store.photos, add: () => Promise.reject(new Error("disk full")) } };
    await expect(storePhoto(broken, photo, path, "sky.png")).rejects.toThrow("disk full");
    expect(await store.photos.find(photo.id)).toBeNull();
    expect(readdirSync(join(data, "photos")).filter((name) => name.startsWith("."))).toEqual([]);
    await storePhoto(store, photo, path, "sky.png");
    expect(await store.photos.find(photo.id)).not.toBeNull();
  });

  test("a photo that was never kept can't be read", async () => {
    await expect(readCopy(store.photoFiles, { id: "0".repeat(64), format: "jpeg" }, "working")).rejects.toThrow();
    expect(existsSync(join(data, "photos", "0".repeat(64)))).toBe(false);
  });
});

describe("the demo", () => {
  test("is laid out once: paints, painting, areas with the engine's own recipes from its palette; removed, it stays away", async () => {
    await seedDemo(store);
    const paints = await store.paintbox.paints();
    expect(paints.length).toBe(28);
    const { id, title } = (await store.paintings.list())[0]!;
    expect(title).toBe("The pump house at last light");
    const { document, photo } = (await store.paintings.find(id))!;
    expect(photo.widthPx).toBeGreaterThanOrEqual(2400);
    expect(photo.heightPx).toBeGreaterThanOrEqual(1600);
    expect(document.areas.length).toBeGreaterThanOrEqual(5);
    expect(document.palette.length).toBe(8);
    const { map, sheet } = document.study;
    expect(sheet).toMatchObject({ widthCm: 38, heightCm: 28 });
    const counts = countLabels(unpackMap(map!.packed, map!.width, map!.height));
    expect(counts[0]! / (map!.width * map!.height)).toBeLessThan(0.1);
    for (const area of document.areas) {
      expect(counts[area.region!], area.name).toBeGreaterThan(500);
      expect(labelAt(unpackMap(map!.packed, map!.width, map!.height), area.sample.x, area.sample.y)).toBe(area.region);
      expect(
        area.recipe!.parts.every(({ paintId }) => document.palette.includes(paintId)),
        area.name,
      ).toBe(true);
      expect(area.lab.L).toBeGreaterThan(5);
    }
    await store.paintings.remove(id);
    await seedDemo(store);
    expect(await store.paintings.list()).toEqual([]);
    expect((await store.paintbox.paints()).length).toBe(28);
  });

  test("its photo carries a colour profile and what a camera writes", async () => {
    const { icc, exif, format } = await sharp(programFile("src", "server", "demo", "pump-house.jpg")).metadata();
    expect(format).toBe("jpeg");
    expect(icc?.toString("latin1").replaceAll("\0", "")).toContain("sRGB");
    expect(exif?.toString("latin1")).toContain("Abendrot demo");
  });
});

describe("reading requests", () => {
  const stream = (...chunks: string[]): ReadableStream<Uint8Array> =>
    new ReadableStream({
      start(c) {
        chunks.forEach((chunk) => c.enqueue(new TextEncoder().encode(chunk)));
        c.close();
      },
    });
  const post = (body: BodyInit | null, headers: Record<string, string> = {}): Request =>
    new Request("http://127.0.0.1/", { method: "POST", body, headers, duplex: "half" } as RequestInit);

  test("whole, up to the limit, whatever the length header says", async () => {
    expect((await readBody(post(stream("abc", "def")), 6))?.toString()).toBe("abcdef");
    expect(await readBody(post(stream("abc", "def", "g")), 6)).toBeNull();
    expect(await readBody(post("x", { "content-length": "999" }), 6)).toBeNull();
    expect((await readBody(post(null), 6))?.length).toBe(0);
  });

  test("to a file as they come, up to the limit", async () => {
    const path = join(data, "body");
    expect(await saveBody(post(stream("abc", "def")), path, 6)).toBe(true);
    expect(readFileSync(path, "utf8")).toBe("abcdef");
    expect(await saveBody(post(stream("abc", "def", "g")), join(data, "long"), 6)).toBe(false);
    expect(await saveBody(post("x", { "content-length": "999" }), join(data, "said"), 6)).toBe(false);
  });

  test("JSON, or nothing", async () => {
    expect(await readJson(post('{"a":1}'))).toEqual({ a: 1 });
    expect(await readJson(post("{"))).toBeNull();
    expect(await readJson(post("[" + "1,".repeat(600_000) + "1]"))).toBeNull();
  });
});
