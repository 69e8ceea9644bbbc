import { randomUUID } from "node:crypto";
import { createWriteStream, existsSync, writeFileSync } from "node:fs";
import { readdir } from "node:fs/promises";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { afterAll, beforeAll, expect, test, vi } from "vitest";
import { PAPERS } from "@/core/optics";
import { newPainting } from "@/model/painting";
import { FileRefused } from "@/storage/backup/archive";
import { newHome, withPhoto, type Home } from "@/testing/home";
import { bringBackup, dropWaiting, restoreWaiting } from "./waiting";

vi.mock("server-only", () => ({}));

let [giver, empty, used]: Home[] = [];
beforeAll(async () => {
  [giver, empty, used] = [await newHome(), await newHome(), await newHome()];
  await giver.store.paintings.create(await withPhoto(giver), newPainting("From long ago", PAPERS[0].id));
  await used.store.paintings.create(await withPhoto(used, "#334455"), newPainting("Here now", PAPERS[0].id));
});
afterAll(async () => {
  for (const home of [giver, empty, used]) await home?.close();
});

/** The giver's backup, arrived at a home. */
async function arrived({ store }: Home): Promise<string> {
  const path = await store.photoFiles.arrivingPath();
  await pipeline((await giver!.store.keeping.backup()).stream, createWriteStream(path));
  return path;
}
const titles = async ({ store }: Home): Promise<string[]> => (await store.paintings.list()).map(({ title }) => title);

test("where nothing of one's own lies, a file is put back at once", async () => {
  const brought = await bringBackup(empty!.store, await arrived(empty!));
  expect(brought).toEqual({ restored: await giver!.store.keeping.holdings() });
  expect(await titles(empty!)).toEqual(["From long ago"]);
});

test("elsewhere it waits and says what it would replace; only that store may take it, once, after a copy", async () => {
  const path = await arrived(used!);
  const brought = await bringBackup(used!.store, path);
  if (!("waiting" in brought)) throw new Error("It did not wait.");
  const { token, holds, replaces, older, lost } = brought.waiting;
  expect({ holds, replaces, older, lost }).toMatchObject({
    holds: { paintings: 1, photos: 1 },
    replaces: { paintings: 1, photos: 1 },
    older: 0,
    lost: 0,
  });
  expect(existsSync(path)).toBe(false);
  expect(await titles(used!)).toEqual(["Here now"]);
  expect(await restoreWaiting(empty!.store, token)).toBe(false);
  expect(await restoreWaiting(used!.store, randomUUID())).toBe(false);
  expect(await restoreWaiting(used!.store, token)).toBe(true);
  expect(await titles(used!)).toEqual(["From long ago"]);
  expect(await restoreWaiting(used!.store, token)).toBe(false);
  const [copy] = await used!.store.keeping.copies.list();
  expect(copy!.reason).toBe("before something was put back");
  await used!.store.keeping.restore((await used!.store.keeping.copies.pathOf(copy!.name))!);
  expect(await titles(used!)).toEqual(["Here now"]);
});

test("a file that nobody wants is dropped, and one that is none of ours never waits", async () => {
  const brought = await bringBackup(used!.store, await arrived(used!));
  if (!("waiting" in brought)) throw new Error("It did not wait.");
  await dropWaiting(empty!.store, brought.waiting.token);
  expect((await readdir(join(used!.folder, "photos"))).filter((name) => name.endsWith("-waiting"))).toHaveLength(1);
  await dropWaiting(used!.store, brought.waiting.token);
  expect((await readdir(join(used!.folder, "photos"))).filter((name) => name.startsWith("."))).toEqual([]);
  const letter = await used!.store.photoFiles.arrivingPath();
  writeFileSync(letter, "Dear all");
  await expect(bringBackup(used!.store, letter)).rejects.toBeInstanceOf(FileRefused);
  expect(await titles(used!)).toEqual(["Here now"]);
});
