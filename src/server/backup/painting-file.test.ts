import { randomUUID } from "node:crypto";
import { rmSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import type { Readable } from "node:stream";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, expect, test } from "vitest";
import { PAPERS } from "@/core/optics";
import { LIMITS } from "@/model/limits";
import { DATA_SHAPE } from "@/model/shape";
import { newPaint, type PaintEntry } from "@/model/paintbox";
import { newArea, newPainting } from "@/model/painting";
import { FileRefused } from "@/storage/backup/archive";
import { newHome, withPhoto, type Home } from "@/testing/home";
import { handOut, takePainting, writePainting } from "./painting-file";

const paint = (name: string, pigmentId: string, part: Partial<PaintEntry> = {}): PaintEntry =>
  newPaint({ id: randomUUID(), name, pigments: [{ pigmentId, share: 1 }], ...part });
const blue = paint("Ultramarine", "PB29", { price: 12, notes: "from the shop at the lock", left: 0.3 });
const green = paint("Viridian", "PG18");
const unused = paint("Never in it", "PY150");

let [giver, friend]: Home[] = [];
let id: string;
let file: Uint8Array;
const bytesOf = async (stream: Readable): Promise<Uint8Array> => {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
};
const box = async ({ store }: Home, paints: readonly PaintEntry[]): Promise<void> => {
  const { revision } = await store.paintbox.find();
  await store.paintbox.save({ revision, writer: randomUUID(), step: 1 }, { paints: [...paints], boxes: [] });
};
async function laid({ store }: Home, bytes: Uint8Array): Promise<string> {
  const path = await store.photoFiles.arrivingPath();
  writeFileSync(path, bytes);
  return path;
}

beforeAll(async () => {
  [giver, friend] = [await newHome(), await newHome()];
  await box(giver, [blue, green, unused]);
  const area = newArea({
    id: randomUUID(),
    name: "Far dyke",
    sample: { x: 0.5, y: 0.5, radius: 0.004 },
    lab: { L: 50, a: 0, b: -20 },
    recipe: { parts: [blue, green].map((one) => ({ paintId: one.id, parts: 1 })), waterParts: 5 },
  });
  id = await giver.store.paintings.create(await withPhoto(giver), {
    ...newPainting("Winter dyke", PAPERS[0].id),
    areas: [area],
    palette: [blue.id],
  });
  file = await bytesOf((await writePainting(giver.store, id))!.stream);
});
afterAll(async () => {
  for (const home of [giver, friend]) await home?.close();
});
beforeEach(async () => {
  for (const { id: old } of await friend!.store.paintings.list()) await friend!.store.paintings.remove(old);
  await box(friend!, []);
});

test("a painting goes with its photo and the paints that it names, without what they cost", async () => {
  const files = unzipSync(file);
  const { paints, document } = JSON.parse(strFromU8(files["abendrot.json"]!)) as {
    paints: PaintEntry[];
    document: { title: string };
  };
  expect(document.title).toBe("Winter dyke");
  expect(paints.map(({ name }) => name).sort()).toEqual(["Ultramarine", "Viridian"]);
  for (const { price, notes, left } of paints) expect([price, notes, left]).toEqual([null, "", null]);
  expect(Object.keys(files).filter((name) => name.startsWith("photos/"))).toHaveLength(1);
  expect(await writePainting(giver!.store, randomUUID())).toBeNull();
});

test("without its original the measured copy goes in its place, and says so; without either it is refused in words", async () => {
  const home = await newHome();
  const photo = await withPhoto(home, "#a08060");
  const own = await home.store.paintings.create(photo, newPainting("Grey dyke", PAPERS[0].id));
  const original = await home.store.photoFiles.original(photo, "jpeg");
  const working = await sharp(original).png().toBuffer();
  await home.store.photoFiles.keepCopy(photo, "working", working);
  rmSync(original);
  const bytes = await bytesOf((await writePainting(home.store, own))!.stream);
  expect(strFromU8(unzipSync(bytes)["missing.txt"]!)).toContain("measured copy");
  const brought = await takePainting(friend!.store, await laid(friend!, bytes));
  expect((await friend!.store.paintings.find(brought.id))!.photo).toMatchObject({ widthPx: 60, format: "png" });
  rmSync(dirname(original), { recursive: true });
  await expect(writePainting(home.store, own)).rejects.toThrow(/photo of “Grey dyke” is gone/);
  await home.close();
});

test("a file that unpacks to far too much, or holds far too much, is refused at once", async () => {
  const many = `{"madeBy":"Abendrot","kind":"painting","paints":[${"[],".repeat(400_000)}0]}`;
  const text = new TextEncoder();
  for (const manifest of [text.encode(many), text.encode(`"${"x".repeat(3_000_000)}"`)])
    for (const level of [0, 9] as const)
      await expect(
        takePainting(friend!.store, await laid(friend!, zipSync({ "abendrot.json": manifest }, { level }))),
      ).rejects.toBeInstanceOf(FileRefused);
});

test("it is opened with the friend's own paints; what is missing is wished for", async () => {
  const own = paint("French blue", "PB29");
  await box(friend!, [own]);
  const brought = await takePainting(friend!.store, await laid(friend!, file));
  expect(brought).toMatchObject({
    wished: ["Viridian"],
    instead: [{ theirs: "Ultramarine", yours: "French blue" }],
  });
  const { document, photo } = (await friend!.store.paintings.find(brought.id))!;
  expect(photo.fileName).toBe("winter dyke.jpg");
  expect(document.palette).toEqual([own.id]);
  const wished = (await friend!.store.paintbox.paints()).find(({ name }) => name === "Viridian")!;
  expect(wished).toMatchObject({ status: "wished for", favourite: false });
  expect(document.areas[0]!.recipe!.parts.map(({ paintId }) => paintId)).toEqual([own.id, wished.id]);
  // The same file once more: what is wished for already is not wished for twice.
  expect((await takePainting(friend!.store, await laid(friend!, file))).wished).toEqual([]);
});

test("a file that was changed, a backup of everything, or a box without room is refused, and nothing is kept", async () => {
  const files = unzipSync(file);
  const photo = Object.keys(files).find((name) => name.startsWith("photos/"))!;
  const manifest = JSON.parse(strFromU8(files["abendrot.json"]!)) as object;
  const otherwise = (change: object): Uint8Array =>
    zipSync({ ...files, "abendrot.json": strToU8(JSON.stringify({ ...manifest, ...change })) });
  for (const [bytes, words] of [
    [zipSync({ ...files, [photo]: strToU8("another") }), /changed/],
    [file.subarray(0, file.length - 30), /no painting/],
    [otherwise({ kind: "everything" }), /backup of everything/],
    [otherwise({ version: 9 }), /newer/],
    [otherwise({ least: DATA_SHAPE + 1 }), /newer/],
    [otherwise({ photo: { id: "a".repeat(64), format: "../../x", fileName: "x" } }), /no painting/],
  ] as const) {
    const error = await takePainting(friend!.store, await laid(friend!, bytes)).catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(FileRefused);
    expect((error as Error).message).toMatch(words);
  }
  await box(
    friend!,
    Array.from({ length: LIMITS.paints - 1 }, (_, i) => paint(`Paint ${i}`, "PY150")),
  );
  await expect(takePainting(friend!.store, await laid(friend!, file))).rejects.toThrow(/no room/);
  expect(await friend!.store.paintings.list()).toEqual([]);
  expect(await friend!.store.paintbox.paints()).toHaveLength(LIMITS.paints - 1);
});

test("handed out, it lies with each who could be reached; one who could not keeps nobody else from it", async () => {
  const troubles: unknown[] = [];
  const away = (): Promise<never> => Promise.reject(new Error("away"));
  const here = () => Promise.resolve(friend!.store);
  expect(await handOut(giver!.store, id, [away, here], (error) => troubles.push(error))).toEqual({
    given: 1,
    failed: 1,
  });
  expect(troubles).toHaveLength(1);
  expect((await friend!.store.paintings.list()).map(({ title }) => title)).toEqual(["Winter dyke"]);
  expect(await handOut(giver!.store, randomUUID(), [here], () => {})).toBeNull();
});
