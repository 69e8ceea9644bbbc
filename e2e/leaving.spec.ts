import { randomUUID } from "node:crypto";
import { expect, type BrowserContext, type Page } from "@playwright/test";
import { newPaint, type PaintboxDocument } from "@/model/paintbox";
import { testAlone as test, unlocked } from "./house";
import { photo, screenAt, SMALL_PHOTO, smallPainting, step } from "./photo-page";
import { startServer, type RunningServer } from "./server";
import { type } from "./typing";

/** Nothing that was changed is lost, however a room is left, and what is shown is what is stored. */

let server: RunningServer;
/** The demo's painting, and a small one of one's own, which opens in half its time. */
let demo: string;
let small: string;
test.beforeAll(async () => {
  server = await startServer();
  // Sent on as soon as the folder is open.
  const onward = async (): Promise<string> => (demo = (await fetch(server.url)).url);
  await expect.poll(onward).toContain("/painting/");
  small = await smallPainting(server.url);
});
test.afterAll(() => server.stop("SIGTERM"));

const title = (page: Page) => page.getByRole("textbox", { name: "Title of the painting" });
const saved = (page: Page) => expect(page.getByText("Saved", { exact: true })).toBeVisible();
const entered = async (page: Page): Promise<void> => {
  await expect(title(page)).toBeVisible();
  await unlocked(page);
};
const desk = async (page: Page, url = small): Promise<void> => {
  await page.goto(url);
  await entered(page);
};

const inPaintbox = async (page: Page): Promise<void> => {
  await page.getByRole("list", { name: "Paints" }).waitFor();
  await unlocked(page);
};

/** The title that is stored of a painting. */
async function storedTitle(url: string): Promise<string | undefined> {
  const { shelf } = (await (await fetch(`${server.url}/api/paintings`)).json()) as {
    shelf: { id: string; title: string }[];
  };
  return shelf.find(({ id }) => new URL(url).pathname === `/painting/${id}`)?.title;
}

/** Puts a paintbox in place of the stored one, past the interface. */
async function storePaintbox(change: (document: PaintboxDocument) => PaintboxDocument): Promise<void> {
  const probe = await fetch(
    `${server.url}/api/paintbox`,
    put({ revision: 0, writer: randomUUID(), step: 1, document: { paints: [], boxes: [] } }),
  );
  const { stored } = (await probe.json()) as { stored: { revision: number; document: PaintboxDocument } };
  expect(
    (
      await fetch(
        `${server.url}/api/paintbox`,
        put({ revision: stored.revision, writer: randomUUID(), step: 1, document: change(stored.document) }),
      )
    ).status,
  ).toBe(200);
}
const put = (body: object): RequestInit => ({
  method: "PUT",
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

test("Back shows what is stored, not what was first loaded, and saving goes on", async ({ page }) => {
  await desk(page);
  await type(title(page), "Before the evening");
  await saved(page);
  await page.getByRole("link", { name: "Paintbox" }).click();
  await expect(page.getByRole("heading", { name: "Paintbox" })).toBeVisible();
  await page.goBack();
  await expect(title(page)).toHaveValue("Before the evening");
  await entered(page);
  await type(title(page), "After it");
  await saved(page);
  await page.goForward();
  await inPaintbox(page);
  await type(page.getByRole("combobox", { name: "Add a paint" }), "PB29");
  await page.keyboard.press("Enter");
  await saved(page);
  await page.goBack();
  await expect(title(page)).toHaveValue("After it");
  await page.goForward();
  await expect(page.getByRole("article", { name: "Ultramarine" }).or(page.getByText("29 of 29"))).toBeVisible();
});

test("another painting is taken to the desk without a new page: its own photo and first step, and what was typed is kept", async ({
  page,
}) => {
  await desk(page);
  await step(page, "Areas");
  await page.evaluate(() => document.body.setAttribute("data-page", "the first"));
  await type(title(page), "Left in the middle of a word");
  await page.getByRole("button", { name: "Paintings" }).click();
  await page.getByRole("link", { name: "The pump house at last light" }).click();
  await expect(page).toHaveURL(demo);
  await expect(title(page)).toHaveValue("The pump house at last light");
  await entered(page);
  await expect(page.getByRole("region", { name: "Mixes step" })).toBeVisible();
  await expect(page).toHaveTitle(/^The pump house at last light · Mixes/);
  await photo(page).locator("canvas[data-drawn=plain]").waitFor();
  expect((await screenAt(page, { x: 0.5, y: 0.5 }))[0]).not.toEqual(SMALL_PHOTO);
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();

  await page.goBack();
  await expect(title(page)).toHaveValue("Left in the middle of a word");
  await entered(page);
  await expect(page.getByRole("region", { name: "Areas step" })).toBeVisible();
  await photo(page).locator("canvas[data-drawn=plain]").waitFor();
  expect((await screenAt(page, { x: 0.5, y: 0.5 }))[0]).toEqual(SMALL_PHOTO);
  await expect(page.locator("body")).toHaveAttribute("data-page", "the first");
  await expect.poll(() => storedTitle(small)).toBe("Left in the middle of a word");

  // The one that lies there already is picked: it begins at its first step.
  await page.getByRole("button", { name: "Paintings" }).click();
  await page.getByRole("link", { name: "Left in the middle of a word" }).click();
  await expect(page.getByRole("region", { name: "Photo step" })).toBeVisible();
  await expect(page).toHaveURL(small);
  await expect(page.getByRole("link", { name: "All paintings and the bin" })).toBeHidden();
});

test("typed text counts as it is typed: the tab is closed with the cursor in the field", async ({ context }) => {
  for (let round = 0; round < 2; round++) {
    const page = await context.newPage();
    await desk(page);
    await title(page).click();
    await title(page).press("End");
    await page.keyboard.type(` ${round}`);
    await page.close();
  }
  await expect.poll(() => storedTitle(small)).toMatch(/ 0 1$/);
});

test("a large paintbox is left in the middle of a save; what a closed window could not send is sent by the next one", async ({
  context,
}) => {
  // More than a browser sends for a page that is closed: 64 KB (Fetch Standard, keepalive).
  const many = Array.from({ length: 300 }, (_, i) =>
    newPaint({
      id: randomUUID(),
      name: `Paint ${i}`,
      notes: "n".repeat(200),
      pigments: [{ pigmentId: "PB29", share: 1 }],
    }),
  );
  await storePaintbox((document) => ({ ...document, paints: [...document.paints, ...many] }));
  for (let round = 0; round < 2; round++) {
    const page = await context.newPage();
    await page.goto(`${server.url}/paintbox`);
    await inPaintbox(page);
    await type(page.getByRole("combobox", { name: "Add a paint" }), "PG18");
    await page.keyboard.press("Enter");
    await type(page.getByRole("textbox", { name: "Notes" }), `left in round ${round}`);
    await page.close();
  }
  const page = await context.newPage();
  await page.goto(`${server.url}/paintbox`);
  await inPaintbox(page);
  await type(page.getByRole("searchbox", { name: "Search the paintbox" }), "left in round");
  await expect(page.getByText(/^2 of /)).toBeVisible();
  await storePaintbox((document) => ({
    ...document,
    paints: document.paints.filter(({ name }) => !/^Paint \d/.test(name)),
  }));
});

test("the server is gone while something is changed and the tab is closed: the next window sends it", async ({
  context,
}) => {
  let page = await context.newPage();
  await desk(page);
  const { folder, url } = server;
  await server.stop("SIGKILL");
  await type(title(page), "Changed while nobody listened");
  await expect(page.getByRole("banner").getByRole("alert")).toContainText("kept in this browser");
  await page.close();
  server = await startServer(folder, Number(new URL(url).port));
  page = await context.newPage();
  await desk(page);
  await expect(title(page)).toHaveValue("Changed while nobody listened");
  await saved(page);
});

async function twoWindows(context: BrowserContext, url = small): Promise<[Page, Page]> {
  const pages = [await context.newPage(), await context.newPage()] as [Page, Page];
  for (const page of pages) await desk(page, url);
  return pages;
}

test("two windows that change different things: both are kept, without asking", async ({ context }) => {
  const [one, two] = await twoWindows(context, demo);
  await type(title(one), "Titled in the first");
  await saved(one);
  await two.getByRole("radio", { name: "By area" }).click();
  await two.getByRole("list", { name: "Areas and their mixes" }).getByRole("button").first().click();
  await type(two.getByRole("textbox", { name: "Name of the area" }), "Named in the second");
  await saved(two);
  await expect(title(two)).toHaveValue("Titled in the first");
  await one.reload();
  await expect(title(one)).toHaveValue("Titled in the first");
  await expect(one.getByText("Named in the second").filter({ visible: true }).first()).toBeVisible();
});

test("two windows that change the same: the second decides, and can keep its own as a painting of its own", async ({
  context,
}) => {
  const [one, two] = await twoWindows(context);
  await type(title(one), "The first one's");
  await saved(one);
  await type(title(two), "The second one's");
  const card = two.getByRole("alertdialog", { name: "Changed in another window too" });
  await expect(card).toContainText("Both changed: the title");
  await card.getByRole("button", { name: "Keep mine as a painting of its own" }).click();
  await expect(two).not.toHaveURL(one.url());
  await expect(title(two)).toHaveValue("The second one's");
  expect(await storedTitle(one.url())).toBe("The first one's");

  // The other ways out: mine in its place, or the other's.
  const other = await context.newPage();
  await desk(other);
  await type(title(one), "Theirs");
  await saved(one);
  await type(title(other), "Mine again");
  await other.getByRole("alertdialog").getByRole("button", { name: "Put mine in its place" }).click();
  await saved(other);
  await expect(title(other)).toHaveValue("Mine again");
  expect(await storedTitle(small)).toBe("Mine again");
  await type(title(one), "Mine, let go");
  await one.getByRole("alertdialog").getByRole("button", { name: "Let mine go, load the other" }).click();
  await expect(title(one)).toHaveValue("Mine again");
  await saved(one);
  expect(await storedTitle(small)).toBe("Mine again");
});

test("a window closed over a conflict loses nothing: the next one offers what was left", async ({ context }) => {
  const [one, two] = await twoWindows(context);
  await type(title(one), "Stored");
  await saved(one);
  await type(title(two), "Left behind");
  await expect(two.getByRole("alertdialog")).toBeVisible();
  await two.close();
  await one.reload();
  const offer = one.getByRole("alertdialog", { name: "Changes that were not stored" });
  await expect(offer).toContainText("Left behind");
  await offer.getByRole("button", { name: "Put mine in its place" }).click();
  await expect(title(one)).toHaveValue("Left behind");
  await expect(offer).toBeHidden();
  await saved(one);
  expect(await storedTitle(small)).toBe("Left behind");
});

test("the 41st paint is refused in words at once, and the rest goes on being saved", async ({ page }) => {
  const more = Array.from({ length: 40 }, (_, i) =>
    newPaint({ id: randomUUID(), name: `Tray paint ${i}`, pigments: [{ pigmentId: "PB29", share: 1 }] }),
  );
  await storePaintbox((document) => ({ ...document, paints: [...document.paints, ...more] }));
  await desk(page, demo);
  await page.getByRole("button", { name: "paint", exact: true }).click();
  const pick = page.getByRole("dialog").getByRole("button", { name: /^Tray paint/ });
  for (let i = 0; i < 33; i++) await pick.nth(i).click();
  await expect(page.getByRole("dialog").getByRole("alert")).toContainText("at most 40 paints");
  await page.keyboard.press("Escape");
  await type(title(page), "Goes on");
  await saved(page);
  expect(await storedTitle(demo)).toBe("Goes on");
});

test("a character that can't be kept is told at the field, and the field goes on", async ({ page }) => {
  await desk(page);
  await type(title(page), "Good so far");
  await title(page).evaluate((input: HTMLInputElement) => {
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
    set.call(input, "Not\u0000 good");
    input.dispatchEvent(new Event("input", { bubbles: true }));
  });
  await expect(page.getByRole("banner").getByRole("alert")).toContainText("can't be kept");
  await type(title(page), "Good again 🌅");
  await saved(page);
  expect(await storedTitle(small)).toBe("Good again 🌅");
});
