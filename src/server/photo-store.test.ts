import { existsSync, mkdtempSync, readdirSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { openDatabase, type OpenDatabase } from "@/db/open";
import { listPaints } from "@/db/paintbox";
import { findPainting, listPaintings, removePainting } from "@/db/paintings";
import { findPhoto } from "@/db/photos";
import { seedDemo } from "./demo/seed";
import { readPhoto } from "./photo-file";
import { readWorkingCopy, storePhoto } from "./photo-store";
import { readBody, readJson } from "./reply";

let open: OpenDatabase;
let data: string;
beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), "abendrot-store-"));
  open = await openDatabase();
}, 60_000);
afterAll(() => open.close());

describe("keeping a photo", () => {
  test("the original lies untouched beside the working copy; the same photo twice is one", async () => {
    const original = await sharp({ create: { width: 90, height: 60, channels: 3, background: "#7a5533" } }).jpeg().toBuffer();
    const photo = await readPhoto(original);
    await storePhoto(open.db, data, photo, "bank.jpg");
    await storePhoto(open.db, data, photo, "again.jpg");
    expect(readFileSync(join(data, "photos", photo.id, "original.jpeg"))).toEqual(original);
    expect(await readWorkingCopy(data, photo.id)).toEqual(photo.working);
    expect(readdirSync(join(data, "photos"))).toEqual([photo.id]);
    expect(await findPhoto(open.db, photo.id)).toMatchObject({ fileName: "bank.jpg", bytes: original.length, widthPx: 90 });
  });

  test("when the record can't be written, no half photo is left in the way of the next try", async () => {
    const photo = await readPhoto(await sharp({ create: { width: 80, height: 60, channels: 3, background: "#335577" } }).png().toBuffer());
    const broken = { insert: () => { throw new Error("disk full"); } } as unknown as typeof open.db;
    await expect(storePhoto(broken, data, photo, "sky.png")).rejects.toThrow("disk full");
    expect(await findPhoto(open.db, photo.id)).toBeNull();
    expect(readdirSync(join(data, "photos")).filter((name) => name.startsWith("."))).toEqual([]);
    await storePhoto(open.db, data, photo, "sky.png");
    expect(await findPhoto(open.db, photo.id)).not.toBeNull();
  });

  test("a photo that was never kept can't be read", async () => {
    await expect(readWorkingCopy(data, "0".repeat(64))).rejects.toThrow();
    expect(existsSync(join(data, "photos", "0".repeat(64)))).toBe(false);
  });
});

describe("the demo", () => {
  test("is laid out once: paints, painting, areas with the engine's own recipes from its palette; removed, it stays away", async () => {
    await seedDemo(open.db, data);
    const paints = await listPaints(open.db);
    expect(paints.length).toBe(28);
    const [{ id, title }] = await listPaintings(open.db);
    expect(title).toBe("The pump house at last light");
    const { document, photo } = (await findPainting(open.db, id))!;
    expect(photo.widthPx).toBeGreaterThanOrEqual(2400);
    expect(photo.heightPx).toBeGreaterThanOrEqual(1600);
    expect(document.areas.length).toBeGreaterThanOrEqual(5);
    expect(document.palette.length).toBe(8);
    for (const area of document.areas) {
      expect(area.recipe!.parts.every(({ paintId }) => document.palette.includes(paintId)), area.name).toBe(true);
      expect(area.lab.L).toBeGreaterThan(5);
    }
    await removePainting(open.db, id);
    await seedDemo(open.db, data);
    expect(await listPaintings(open.db)).toEqual([]);
    expect((await listPaints(open.db)).length).toBe(28);
  }, 60_000);

  test("its photo carries a colour profile and what a camera writes", async () => {
    const { icc, exif, format } = await sharp(join("src", "server", "demo", "pump-house.jpg")).metadata();
    expect(format).toBe("jpeg");
    expect(icc?.toString("latin1").replaceAll("\0", "")).toContain("sRGB");
    expect(exif?.toString("latin1")).toContain("Abendrot demo");
  });
});

describe("reading requests", () => {
  const stream = (...chunks: string[]): ReadableStream<Uint8Array> =>
    new ReadableStream({ start(c) { chunks.forEach((chunk) => c.enqueue(new TextEncoder().encode(chunk))); c.close(); } });
  const post = (body: BodyInit | null, headers: Record<string, string> = {}): Request =>
    new Request("http://127.0.0.1/", { method: "POST", body, headers, duplex: "half" } as RequestInit);

  test("whole, up to the limit, whatever the length header says", async () => {
    expect((await readBody(post(stream("abc", "def")), 6))?.toString()).toBe("abcdef");
    expect(await readBody(post(stream("abc", "def", "g")), 6)).toBeNull();
    expect(await readBody(post("x", { "content-length": "999" }), 6)).toBeNull();
    expect((await readBody(post(null), 6))?.length).toBe(0);
  });

  test("JSON, or nothing", async () => {
    expect(await readJson(post('{"a":1}'))).toEqual({ a: 1 });
    expect(await readJson(post("{"))).toBeNull();
    expect(await readJson(post("[" + "1,".repeat(600_000) + "1]"))).toBeNull();
  });
});
