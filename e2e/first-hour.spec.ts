import { expect, type Locator, type Page } from "@playwright/test";
import { bring, onDesk, photo, step } from "./photo-page";
import { test, unlocked, walkTo } from "./house";
import type { RunningServer } from "./server";
import sharp from "sharp";
import { paste, type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
let demoUrl: string;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const dialog = (page: Page) => page.getByRole("dialog", { name: "Your paints" });
const paints = (page: Page) => page.getByRole("list", { name: "Paints" }).getByRole("button");
const demo = (page: Page) => page.getByRole("note", { name: "The demo's paints" });
const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();

/**
 * Lays the rows of a long list out together. Rows out of view wait until they are scrolled to (content-visibility);
 * whoever asks for them by their roles has each laid out by itself, which takes seconds for hundreds.
 */
const layOutRows = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync("li { content-visibility: visible !important }");
    document.adoptedStyleSheets.push(sheet);
  });

/** A dusk of four flat bands. */
function dusk(): Promise<Buffer> {
  const bands = [
    [150, 170, 205],
    [235, 200, 160],
    [70, 60, 60],
    [120, 110, 70],
  ];
  const data = Buffer.alloc(3 * 480 * 320);
  for (let y = 0; y < 320; y++) for (let x = 0; x < 480; x++) data.set(bands[Math.floor(y / 80)]!, 3 * (y * 480 + x));
  return sharp(data, { raw: { width: 480, height: 320, channels: 3 } })
    .png()
    .toBuffer();
}

test("from the demo to one's own: paints ticked off by the keyboard alone, the demo's put away in the same step", async ({
  page,
}) => {
  await page.goto(server.url);
  await photo(page).locator("canvas[data-drawn]").waitFor({ timeout: 60_000 });
  demoUrl = page.url();
  // Two ways, one as plain as the other: what the demo shows, and one's own beginning.
  const ways = page.getByRole("navigation", { name: "Two ways to begin" }).getByRole("link");
  await expect(ways).toHaveText(["Look around in the demo", "Begin with my own paints"]);
  await ways.first().click();
  await expect(page.getByRole("heading", { name: "From photo to first wash" })).toBeVisible();
  for (const picture of await page.getByRole("img").all()) {
    await picture.scrollIntoViewIfNeeded();
    await expect.poll(() => picture.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBeGreaterThan(600);
  }
  await page.getByRole("link", { name: "To the desk" }).click();
  await photo(page).locator("canvas[data-drawn]").waitFor({ timeout: 60_000 });
  await page.getByRole("link", { name: "Begin with my own paints" }).focus();
  await page.keyboard.press("Enter");
  await expect(dialog(page)).toBeVisible();
  let presses = 0;
  const press = async (key: string): Promise<void> => {
    presses++;
    await page.keyboard.press(key);
  };
  // The first rows of what most boxes hold: a space ticks, an arrow goes on.
  await dialog(page).locator("[data-tick]").first().focus();
  for (let i = 0; i < 24; i++) {
    await press("Space");
    if (i < 23) await press("ArrowRight");
  }
  await expect(dialog(page).getByRole("button", { name: "Add 24 paints" })).toBeVisible();
  await press("ArrowDown");
  await press("Space");
  await expect(dialog(page).getByRole("button", { name: "Add 25 paints" })).toBeVisible();
  expect(presses / 25).toBeLessThanOrEqual(4);
  await expect(dialog(page).getByRole("checkbox", { name: /Put the demo's 28 paints away/ })).toBeChecked();
  await dialog(page).getByRole("button", { name: "Add 25 paints" }).focus();
  await page.keyboard.press("Enter");
  await expect(paints(page)).toHaveCount(25);
  await expect(demo(page)).toContainText("28 paints are put away");
  await saved(page);
  await page.keyboard.press("Control+z");
  await expect(paints(page)).toHaveCount(28);
  await page.keyboard.press("Control+Shift+z");
  await expect(paints(page)).toHaveCount(25);
  await saved(page);
});

test("keys and words are there on “?”, and a word explains itself where it stands", async ({ page }) => {
  // Who has begun with their own finds a clear desk; the demo lies where it was put, and can still be looked at.
  await page.goto(server.url);
  await expect(page.getByRole("heading", { name: "The desk is clear" })).toBeVisible();
  await page.getByRole("link", { name: "Paintings and bin" }).click();
  await expect(page.getByRole("note")).toContainText("The demo is put away");
  // What is put away is not measured either.
  await walkTo(page, server.url, "/measure");
  await page.getByRole("tab", { name: "By numbers" }).click();
  await expect(page.getByRole("combobox", { name: "Paint" }).getByRole("option", { name: /Cerulean/ })).toHaveCount(0);
  await page.goto(demoUrl);
  await photo(page).locator("canvas[data-drawn]").waitFor({ timeout: 60_000 });
  await page.keyboard.press("?");
  const help = page.getByRole("dialog", { name: "Keys and words" });
  await expect(help).toContainText("outlines on or off");
  await expect(help.getByRole("region", { name: "Words" })).toContainText(/chroma · How far a colour is from grey/);
  await page.keyboard.press("Escape");
  await expect(help).toBeHidden();
  await page.getByRole("button", { name: /^Area 5:/ }).click();
  await page.getByRole("button", { name: "chroma", exact: true }).press("Enter");
  await expect(page.getByText("chroma: How far a colour is from grey")).toBeVisible();
  // A question mark that is typed is no question.
  await type(page.getByRole("textbox", { name: "Name of the area" }), "Roof?");
  await expect(help).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
});

test("a pasted list is read line by line: what is sure is taken, what is not is asked, nonsense is told", async ({
  page,
}) => {
  await walkTo(page, server.url, "/paintbox");
  await page.getByRole("button", { name: "Many at once" }).click();
  await dialog(page).getByRole("radio", { name: "Paste a list" }).click();
  await paste(
    dialog(page).getByLabel("Your list"),
    "PY53; quin gold\nqqxx, 4711, PB999\nPR108\nsap green PG36 PY150\n<b>PB74</b>",
  );
  const read = dialog(page).getByRole("list", { name: "What was read" }).getByRole("listitem");
  await expect(read.filter({ hasText: "the handbook knows nothing like it" })).toHaveCount(1);
  const unsure = dialog(page).getByRole("combobox", { name: "What is “PR108”?" });
  await expect(unsure).toHaveValue("-1");
  const before = Number(
    /\d+/.exec(
      (await dialog(page)
        .getByRole("button", { name: /^Add \d+ paint/ })
        .textContent())!,
    )![0],
  );
  await unsure.selectOption({ index: 1 });
  await expect(dialog(page).getByRole("button", { name: `Add ${before + 1} paints` })).toBeVisible();
  await dialog(page).getByRole("button", { name: /^Add/ }).click();
  await expect(paints(page)).toHaveCount(25 + before + 1);
  await expect(paints(page).filter({ hasText: "Sap green" })).toContainText("PG36 PY150");
  await saved(page);
});

test("400 paints are selected and changed at once, by Shift and by all that are shown, each undone in one step", async ({
  page,
}) => {
  await walkTo(page, server.url, "/paintbox");
  await layOutRows(page);
  await page.getByRole("button", { name: "Many at once" }).click();
  await dialog(page).getByRole("radio", { name: "Paste a list" }).click();
  await paste(dialog(page).getByLabel("Your list"), Array.from({ length: 400 }, () => "PB29").join("\n"));
  await dialog(page).getByRole("button", { name: "Add 400 paints" }).click();
  await page.getByRole("button", { name: "Select several" }).click();
  const bar = page.getByRole("toolbar", { name: "Selected paints" });
  await bar.getByRole("button", { name: /^All \d+ shown/ }).click();
  await expect(bar.getByRole("status")).toContainText(/4\d\d selected/);
  await type(bar.getByLabel("Maker of all selected"), "Ottermoor");
  await bar.getByRole("button", { name: "Set maker" }).click();
  // Of so many the list shows what is seen; the search counts them all.
  const search = page.getByPlaceholder("Name, maker, pigment");
  await type(search, "Ottermoor");
  await expect(page.getByText(/^4\d\d of 4\d\d$/)).toBeVisible();
  await type(search, "");
  await bar.getByRole("button", { name: "None" }).click();
  await expect(bar.getByRole("button", { name: "Remove" })).toBeDisabled();
  await paints(page).nth(2).click();
  await paints(page)
    .nth(6)
    .click({ modifiers: ["Shift"] });
  await expect(bar.getByRole("status")).toHaveText("5 selected");
  await bar.getByLabel("All selected are").selectOption("used up");
  await expect(paints(page).filter({ hasText: "used up" })).toHaveCount(5);
  await bar.getByRole("button", { name: "Remove" }).click();
  await expect(paints(page).filter({ hasText: "used up" })).toHaveCount(0);
  // Removed, used up, maker, added: four steps.
  await bar.getByRole("button", { name: "Done" }).click();
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Undo" }).click();
  await expect(paints(page)).toHaveCount(30, { timeout: 30_000 });
  await saved(page);
});

test("one's own photo is planned from one's own paints alone; the demo comes back and goes without touching them", async ({
  page,
}) => {
  await bring(page, server.url, "own.png", await dusk());
  await expect(page.getByRole("link", { name: "Begin with my own paints" })).toHaveCount(0);
  await step(page, "Areas");
  await page.getByRole("button", { name: /^Take all \d+ as areas/ }).click();
  await step(page, "Palette");
  const panel = page.getByRole("region", { name: "Palette step" });
  await expect(panel.getByText(/^Found in/)).toBeVisible({ timeout: 60_000 });
  await expect(panel).toContainText(/Of 2\d paints/);
  await panel.getByRole("region", { name: "The answer" }).getByRole("button", { name: "Lay it out" }).click();
  await step(page, "Mixes");
  await expect(page.getByRole("region", { name: "All puddles" })).toContainText(/for \d colours/);
  await saved(page);

  await walkTo(page, server.url, "/paintbox");
  await demo(page).getByRole("button", { name: "Bring them back" }).click();
  await expect(paints(page)).toHaveCount(58);
  await expect(paints(page).filter({ hasText: "demo" })).toHaveCount(28);
  await demo(page).getByRole("button", { name: "Put the demo's paints away" }).click();
  await expect(paints(page)).toHaveCount(30);
  await saved(page);
  await page.reload();
  await expect(paints(page)).toHaveCount(30);
});

test("the whole way by touch on an upright tablet, led by the foot of each step: photo above, panel below", async ({
  page,
}) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await bring(page, server.url, "upright.png", await dusk());
  const [above, below] = [
    await photo(page).boundingBox(),
    await page.getByRole("complementary", { name: "Present step" }).boundingBox(),
  ];
  expect(below!.y).toBeGreaterThanOrEqual(above!.y + above!.height);
  expect(below!.width).toBe(820);
  const next = page.getByRole("region", { name: "Next" });
  await next.getByRole("button", { name: "On to the areas" }).tap();
  await page.getByRole("button", { name: /^Take all \d+ as areas/ }).tap();
  await next.getByRole("button", { name: "On to the palette" }).tap();
  await expect(next).toContainText("No paint is laid out yet");
  await page.getByRole("region", { name: "The answer" }).getByRole("button", { name: "Lay it out" }).tap();
  await next.getByRole("button", { name: "On to the mixes" }).tap();
  await expect(next).toContainText(/^All \d colours mixed from \d paints/);
  await page.getByRole("radio", { name: "By area" }).tap();
  await page.getByRole("list", { name: "Areas and their mixes" }).getByRole("button").first().tap();
  await page.getByRole("button", { name: "More water" }).tap();
  await saved(page);
  await page.setViewportSize({ width: 1280, height: 800 });
});

/** Tab after Tab until something has the focus, as one who has no mouse does. */
async function tabTo(page: Page, to: Locator): Promise<void> {
  await expect(to).toBeEnabled({ timeout: 60_000 });
  // Looked up once: a name is looked for in the whole desk.
  const element = await to.elementHandle();
  for (let presses = 0; presses < 120; presses++) {
    if (await element!.evaluate((one) => one === document.activeElement)) return;
    await page.keyboard.press("Tab");
  }
  throw new Error("Tab does not lead there.");
}
const press = async (page: Page, to: Locator, key = "Enter"): Promise<void> => {
  await tabTo(page, to);
  await page.keyboard.press(key);
};

test("the whole way by keyboard alone: own photo, areas, palette, a mix changed and undone", async ({ page }) => {
  await onDesk(page, server.url);
  const chosen = page.waitForEvent("filechooser");
  await press(page, page.getByRole("button", { name: "Your photo" }));
  await (await chosen).setFiles({ name: "keys.png", mimeType: "image/png", buffer: await dusk() });
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue("keys", { timeout: 60_000 });
  await photo(page).locator("canvas[data-drawn]").waitFor({ timeout: 60_000 });
  await unlocked(page);
  const next = page.getByRole("region", { name: "Next" });
  await press(page, next.getByRole("button", { name: "On to the areas" }));
  await press(page, page.getByRole("button", { name: /^Take all \d+ as areas/ }));
  await press(page, next.getByRole("button", { name: "On to the palette" }));
  await press(page, page.getByRole("region", { name: "The answer" }).getByRole("button", { name: "Lay it out" }));
  await press(page, next.getByRole("button", { name: "On to the mixes" }));
  await expect(next).toContainText(/^All \d colours mixed from \d paints/);
  await tabTo(page, page.getByRole("radio", { name: "By puddle" }));
  await page.keyboard.press("ArrowRight");
  await press(page, page.getByRole("list", { name: "Areas and their mixes" }).getByRole("button").first());
  const recipe = page.getByRole("region", { name: "Recipe in use" });
  const before = await recipe.textContent();
  await press(page, page.getByRole("button", { name: "More water" }));
  await expect(recipe).not.toHaveText(before!);
  await page.keyboard.press("Control+z");
  await expect(recipe).toHaveText(before!);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("list", { name: "Areas and their mixes" })).toBeVisible();
  await saved(page);
});
