import { execFile } from "node:child_process";
import { existsSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { newPaint } from "../src/model/paintbox";
import { testAlone as test, unlocked, walkTo } from "./house";
import { bring } from "./photo-page";
import { freshFolder, onServer, startServer, type RunningServer } from "./server";
import { type } from "./typing";

/** Everything as one file and back, dated copies as the way back, one painting to give away. */

let server: RunningServer;
const files = freshFolder();
const backup = join(files, "everything.zip");

test.beforeAll(async () => {
  server = await startServer();
});
test.afterAll(() => server.stop("SIGTERM"));
test.describe.configure({ mode: "serial" });

const own = (): Promise<Buffer> =>
  sharp({ create: { width: 320, height: 240, channels: 3, background: { r: 90, g: 120, b: 160 } } })
    .jpeg()
    .toBuffer();
const keeping = async (page: Page, url = server.url): Promise<void> => {
  await page.goto(`${url}/keeping`);
  await page.getByRole("heading", { name: "Copies that make themselves" }).waitFor({ timeout: 60_000 });
};
const choose = async (page: Page, path: string | { name: string; mimeType: string; buffer: Buffer }): Promise<void> => {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose a backup" }).click();
  await (await chooser).setFiles(path);
};

test("everything is saved as one file; on an empty desk it is dropped and is all back", async ({ page }) => {
  await bring(page, server.url, "winter dyke.jpg", await own());
  await page.goto(`${server.url}/paintings`);
  await page.getByRole("link", { name: "Safe keeping" }).click();
  await expect(page.getByText("Your own here: 1 painting, 0 paints, 0 pages of the logbook, 1 photo.")).toBeVisible();
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: "Save everything" }).click();
  const download = await coming;
  expect(download.suggestedFilename()).toMatch(/^abendrot-\d{4}-\d\d-\d\d\.zip$/);
  await download.saveAs(backup);

  const other = await startServer();
  try {
    await page.goto(`${other.url}/paintings`);
    await page.getByRole("button", { name: "Bin", exact: true }).click();
    await page.getByRole("list", { name: "Paintings" }).getByRole("listitem").waitFor({ state: "detached" });
    await page.goto(other.url);
    await expect(page.getByRole("heading", { name: "The desk is clear" })).toBeVisible();
    const data = await page.evaluateHandle((bytes) => {
      const transfer = new DataTransfer();
      const raw = Uint8Array.from(atob(bytes), (letter) => letter.charCodeAt(0));
      transfer.items.add(new File([raw], "everything.zip", { type: "application/zip" }));
      return transfer;
    }, readFileSync(backup).toString("base64"));
    await page.dispatchEvent("main", "dragover", { dataTransfer: data });
    await expect(page.getByText("Let go")).toBeVisible();
    await page.dispatchEvent("main", "drop", { dataTransfer: data });
    await expect(page.getByRole("heading", { name: "winter dyke" })).toBeVisible({ timeout: 30_000 });
    await expect(page.getByRole("heading", { name: "The pump house at last light" })).toBeVisible();
    await page.getByRole("link", { name: "Open winter dyke" }).click();
    await expect(page.locator("canvas[data-drawn]").first()).toBeVisible({ timeout: 60_000 });
  } finally {
    await other.stop("SIGTERM");
  }
});

test("where something of one's own lies, it is said what would be replaced; a copy is made, and leads back", async ({
  page,
}) => {
  await bring(page, server.url, "second thoughts.jpg", await own());
  await keeping(page);
  await choose(page, backup);
  const card = page.getByRole("alert", { name: "What would be replaced" });
  await expect(card).toContainText("In the file1 painting");
  await expect(card).toContainText("Here now2 paintings");
  await card.getByRole("button", { name: "Leave things as they are" }).click();
  await expect(card).toHaveCount(0);
  await choose(page, backup);
  await card.getByRole("button", { name: "Replace what is here" }).click();
  await expect(page.getByText("What was here before lies among the copies below.")).toBeVisible({ timeout: 30_000 });
  const before = page.getByRole("listitem").filter({ hasText: "before something else was put in its place" });
  await expect(before).toHaveCount(1);
  await expect(page.getByText("Your own here: 1 painting")).toBeVisible();
  const titles = async (): Promise<string[]> => {
    const { shelf } = (await (await page.request.get(`${server.url}/api/paintings`)).json()) as {
      shelf: { title: string }[];
    };
    return shelf.map(({ title }) => title).sort();
  };
  expect(await titles()).toEqual(["The pump house at last light", "winter dyke"]);
  await before.getByRole("button", { name: /^Put back the copy of today/ }).click();
  const dialog = page.getByRole("dialog", { name: "Put a copy back" });
  await expect(dialog).toContainText("1 painting");
  await dialog.getByRole("button", { name: "Put it back" }).click();
  await expect(page.getByText("It is all back.")).toBeVisible({ timeout: 30_000 });
  expect(await titles()).toEqual(["The pump house at last light", "second thoughts", "winter dyke"]);
});

test("a window that was open meets what was put back as a change of somebody else's, and overwrites nothing", async ({
  page,
  context,
}) => {
  await page.goto(`${server.url}/paintings`);
  await page.getByRole("link", { name: "Open winter dyke" }).click();
  const title = page.getByRole("textbox", { name: "Title of the painting" });
  await expect(title).toHaveValue("winter dyke");
  await unlocked(page);
  await type(title, "Thawed dyke");
  await expect(page.getByText("Saved", { exact: true })).toBeVisible();
  const stored = async (): Promise<boolean> =>
    (await (await page.request.get(`${server.url}/api/paintings`)).text()).includes("winter dyke");
  await expect.poll(stored).toBe(false);

  const other = await context.newPage();
  await keeping(other);
  const copy = other.getByRole("listitem").filter({ hasText: "before something else was put in its place" }).first();
  await copy.getByRole("button", { name: /^Put back the copy of today/ }).click();
  await other.getByRole("dialog", { name: "Put a copy back" }).getByRole("button", { name: "Put it back" }).click();
  await expect(other.getByText("It is all back.")).toBeVisible({ timeout: 30_000 });
  expect(await stored()).toBe(true);

  await type(title, "Thawed dyke, again");
  const card = page.getByRole("alertdialog", { name: "Changed in another window too" });
  await expect(card).toContainText("Both changed: the title");
  expect(await stored()).toBe(true);
  await card.getByRole("button", { name: "Put mine in its place" }).click();
  await expect.poll(stored).toBe(false);
  await type(title, "winter dyke");
  await expect.poll(stored).toBe(true);
});

test("files that are no backup are refused in words, and nothing is left of them", async ({ page }) => {
  await keeping(page);
  const cut = readFileSync(backup);
  for (const [name, buffer, words] of [
    ["letter.zip", Buffer.from("Dear all, the canal froze."), "This is no backup of Abendrot"],
    ["cut.zip", cut.subarray(0, cut.length / 2), "it is cut off"],
    ["nothing.zip", Buffer.alloc(0), "This is no backup of Abendrot"],
  ] as const) {
    await choose(page, { name, mimeType: "application/zip", buffer });
    await expect(page.getByRole("main").getByRole("alert")).toContainText(words);
  }
  const answers = await Promise.all([
    page.request.post(`${server.url}/api/backup/waiting`, { data: { token: crypto.randomUUID() } }),
    page.request.post(`${server.url}/api/backup/waiting`, { data: { token: "x" } }),
    page.request.post(`${server.url}/api/copies`, { data: { name: "../../../etc/passwd" } }),
    page.request.post(`${server.url}/api/backup`, { data: "x", headers: { origin: "http://elsewhere.example" } }),
  ]);
  expect(answers.map((answer) => answer.status())).toEqual([404, 400, 404, 403]);
  if (!onServer) expect(readdirSync(join(server.folder, "photos")).filter((name) => name.startsWith("."))).toEqual([]);
});

test("a painting is given away as a file and opened with one's own paints; what is missing is wished for", async ({
  page,
}) => {
  await page.goto(`${server.url}/paintings`);
  const coming = page.waitForEvent("download");
  await page.getByRole("link", { name: "The pump house at last light as a file" }).click();
  const path = join(files, "pump-house.zip");
  const download = await coming;
  expect(download.suggestedFilename()).toBe("the-pump-house-at-last-light.zip");
  await download.saveAs(path);
  const friend = await startServer();
  try {
    // The friend has no demo paints any more, but a blue by another name.
    const box = `${friend.url}/api/paintbox`;
    await page.goto(`${friend.url}/paintbox`);
    await expect(page.getByRole("list", { name: "Paints" }).getByRole("listitem").first()).toBeVisible();
    const blue = newPaint({
      id: crypto.randomUUID(),
      name: "French blue",
      maker: "Fenn & Rook",
      pigments: [{ pigmentId: "PB29", share: 1 }],
    });
    const save = await page.request.put(box, {
      data: { revision: 1, writer: crypto.randomUUID(), step: 1, document: { paints: [blue], boxes: [] } },
    });
    expect(save.status()).toBe(200);
    await walkTo(page, friend.url, "/paintings");
    const chooser = page.waitForEvent("filechooser");
    await page.getByRole("button", { name: "Bring a painting's file" }).click();
    await (await chooser).setFiles(path);
    await expect(page.getByText("Your own stand for: Ultramarine (French blue).")).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText(/Not in your box, so wished for: .*Viridian/)).toBeVisible();
    await page.getByRole("link", { name: "Open it" }).click();
    await expect(page.getByRole("region", { name: "Tray" }).getByText("French blue")).toBeVisible({
      timeout: 60_000,
    });
    const wrong = await page.request.post(`${friend.url}/api/paintings/file`, { data: readFileSync(backup) });
    expect(((await wrong.json()) as { message: string }).message).toContain("backup of everything");
  } finally {
    await friend.stop("SIGTERM");
  }
});

test.describe("with a data folder of one's own", () => {
  test.skip(onServer, "about a data folder of one's own");
  /** Filled by commands, and damaged after that. */
  const filled = freshFolder();
  const execute = promisify(execFile);
  const told = (command: string, words: readonly string[], folder: string): Promise<string> =>
    execute(command, words, { env: { ...process.env, ABENDROT_DATA: folder } }).then(
      ({ stdout }) => stdout,
      (error: { stderr: string }) => error.stderr,
    );
  const run = (script: string, words: readonly string[], folder: string) =>
    told(process.execPath, [`scripts/${script}.mjs`, ...words], folder);

  test("npm run backup saves while it runs, restore puts it into an empty folder, a used one only when told", async () => {
    const path = join(files, "by-command.zip");
    const saved = await told("npm", ["run", "-s", "backup", "--", path], server.folder);
    expect(saved).toContain(`Everything is in "${path}"`);
    expect(await run("backup", [path], server.folder)).toContain("is there already");
    expect(await run("restore", [path], filled)).toContain("It is all back: 1 painting,");
    expect(await run("restore", [path], filled)).toContain("Nothing was changed.");
    expect(await run("restore", [path, "--replace"], filled)).toContain("It is all back: 1 painting,");
    expect(await run("restore", [join(files, "none.zip")], filled)).toContain("There is no file");
    expect(readdirSync(filled)).not.toContain("abendrot.in-use");
    expect(readdirSync(join(filled, "copies"))).toHaveLength(1);
  });

  test("a damaged database says how old the newest copy is; a press puts it back, the damaged one stays aside", async ({
    page,
  }) => {
    const base = join(filled, "postgres", "base");
    for (const database of readdirSync(base))
      for (const table of readdirSync(join(base, database)))
        if (/^\d+$/.test(table) && Number(table) > 16000) truncateSync(join(base, database, table), 100);
    rmSync(join(filled, "postgres", "PG_VERSION"));
    const broken = await startServer(filled);
    try {
      await page.goto(`${broken.url}/paintings`);
      await expect(page.getByText(/The newest copy is of today \d\d:\d\d/)).toBeVisible({ timeout: 60_000 });
      await page.getByRole("button", { name: "Put this copy back" }).click();
      await expect(page.getByRole("heading", { name: "winter dyke" })).toBeVisible({ timeout: 60_000 });
      expect(readdirSync(filled).filter((name) => name.startsWith("postgres"))).toHaveLength(2);
      expect(existsSync(join(filled, "postgres", "PG_VERSION"))).toBe(true);
      await page.getByRole("link", { name: "Open winter dyke" }).click();
      await expect(page.locator("canvas[data-drawn]").first()).toBeVisible({ timeout: 60_000 });
    } finally {
      await broken.stop("SIGTERM");
    }
  });

  test("a backup that is cut off by a full target stands nowhere under its name", async () => {
    const place = freshFolder();
    writeFileSync(join(place, "taken"), "");
    expect(await run("backup", [join(place, "taken", "x.zip")], server.folder)).toMatch(/ENOTDIR|not a directory/);
    expect(statSync(join(place, "taken")).size).toBe(0);
  });
});
