import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { leavePage, test } from "./house";
import { judged, staysInside } from "./judged";
import { onDesk, openDesk, openPainting, photo, saved, step } from "./photo-page";
import { startServer, type RunningServer } from "./server";
import { type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
let paintingUrl: string;
/** Paints of the way that was chosen for the green door. */
let laid: readonly string[];
test.beforeAll(async () => {
  server = await startServer();
});
test.afterAll(async () => {
  await leavePage();
  await server.stop("SIGTERM");
});

/** Next.js has an empty alert of its own on every page. */
const tray = (page: Page) => page.getByRole("region", { name: "Tray" });

/** The demo's sheet, 38 by 28 cm, takes in this share of its photo's width, from the middle. */
const SHEET_WIDTH = 38 / 28 / 1.5;
const onSheet = (x: number): number => 0.5 + (x - 0.5) / SHEET_WIDTH;

async function clickPhoto(page: Page, x: number, y: number): Promise<void> {
  // The first look can be seen before the pixels that are measured are there.
  await photo(page).locator("canvas[data-drawn]").waitFor();
  const box = await photo(page).boundingBox();
  if (!box) throw new Error("no photo");
  await page.mouse.click(box.x + onSheet(x) * box.width, box.y + y * box.height);
}

test("the demo lies on the desk", async ({ page }) => {
  await page.goto(server.url);
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(
    "The pump house at last light",
    { timeout: 60_000 },
  );
  await expect(page).toHaveTitle("The pump house at last light · Mixes · Abendrot");
  // As a head that comes later than the desk.
  await page.evaluate(() => (document.title = "Abendrot"));
  await expect(page).toHaveTitle("The pump house at last light · Mixes · Abendrot");
  await expect(page.getByRole("button", { name: /^Area \d+:/ })).toHaveCount(12);
  await expect(tray(page).getByRole("listitem")).toHaveCount(8);
  await expect(tray(page)).toContainText("Ultramarine");
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "plain");
  paintingUrl = page.url();
  await judged(page, "all areas");
  await staysInside(page);
});

test("a click measures a colour; named, it is an area with ways to mix it; a way chosen lays its paints in the tray", async ({
  page,
}) => {
  await openDesk(page, server.url, "Mixes");
  // What the loupe says of a colour with a long name stands in it whole.
  const box = (await photo(page).boundingBox())!;
  await page.mouse.move(box.x + 0.776 * box.width, box.y + 0.49 * box.height);
  const caption = page.locator("[data-loupe] p");
  await expect(caption).toContainText("vivid orange red");
  expect(await caption.evaluate((words) => words.scrollHeight - words.clientHeight)).toBeLessThanOrEqual(0);
  await clickPhoto(page, 0.69, 0.67);
  const card = page.getByRole("region", { name: "Colour taken from the photo" });
  await expect(card).toContainText(/value\d\.\d/);
  await expect(card).toContainText(/warm|cool|neutral/);
  await expect(card).toContainText(/green/);

  const name = card.getByRole("textbox");
  await type(name, "   ");
  await card.getByRole("button", { name: "Keep as area" }).click();
  await expect(card.getByRole("alert")).toHaveText("An area needs a name.");
  await judged(page, "a colour taken");
  await type(name, "Green door");
  await name.press("Enter");

  await expect(page.getByRole("button", { name: "Area 13: Green door" })).toBeVisible();
  const ways = page.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem");
  await expect(ways.first()).toContainText(/The (closest|calmest)/);
  expect(await ways.count()).toBeGreaterThan(2);
  await expect(ways.first()).toContainText(/dE00 \d/);
  await expect(ways.first()).toContainText(/paint : \d+ water|no water/);
  await expect(ways.first()).toContainText(/comes out within \d+(\.\d)?, nine times in ten within \d+/);

  const chosen = (await ways.nth(2).getByRole("button").getAttribute("aria-label"))!.replace("Use ", "").split(", ");
  await ways.nth(2).getByRole("button").click();
  await expect(page.getByRole("region", { name: "Recipe in use" })).toBeVisible();
  for (const paint of chosen) await expect(tray(page)).toContainText(paint);
  await saved(page);
  await judged(page, "an area with its ways");
  laid = chosen;
});

test("more water makes the predicted colour lighter at once", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  await page.getByRole("button", { name: /^Area 5:/ }).click();
  const recipe = page.getByRole("region", { name: "Recipe in use" });
  const light = async (): Promise<number> =>
    recipe
      .getByRole("img", { name: /Left the colour to paint/ })
      .locator("span")
      .nth(1)
      .evaluate((side) => {
        const rgb = getComputedStyle(side).backgroundColor.match(/\d+/g)!.map(Number);
        return 0.2126 * rgb[0]! + 0.7152 * rgb[1]! + 0.0722 * rgb[2]!;
      });
  const before = await light();
  const water = recipe.locator("[aria-live=polite]").last();
  for (let i = 0; i < 4; i++) {
    const words = (await water.textContent())!;
    await recipe.getByRole("button", { name: "More water" }).click();
    await expect(water).not.toHaveText(words);
  }
  expect(await light()).toBeGreaterThan(before + 10);
  for (let i = 0; i < 4; i++) await page.getByRole("button", { name: "Undo" }).click();
  expect(await light()).toBeCloseTo(before, 3);
});

test("dragging from one place to another measures where the drag ends; a marker can be dragged", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  const box = (await photo(page).boundingBox())!;
  await page.mouse.move(box.x + 0.5 * box.width, box.y + 0.1 * box.height);
  await page.mouse.down();
  await page.mouse.move(box.x + onSheet(0.74) * box.width, box.y + 0.5 * box.height, { steps: 5 });
  await page.mouse.up();
  await expect(page.getByRole("region", { name: "Colour taken from the photo" })).toContainText(/red|orange/);
  await page.keyboard.press("Escape");

  const rail = page
    .getByRole("group", { name: "Values from light to dark" })
    .getByRole("button", { name: /Brick in shade/ });
  const before = await rail.getAttribute("aria-label");
  const marker = (await page.getByRole("button", { name: /Area 6/ }).boundingBox())!;
  await page.mouse.move(marker.x + marker.width / 2, marker.y + marker.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 0.1 * box.width, box.y + 0.3 * box.height, { steps: 4 });
  await page.mouse.up();
  await expect(rail).not.toHaveAttribute("aria-label", before!);
  await page.keyboard.press("Control+z");
  await expect(rail).toHaveAttribute("aria-label", before!);
});

test("everything from the keyboard: take, name, undo, redo, move and empty a well", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  await photo(page).focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("]");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Colour taken from the photo" })).toBeVisible();
  await page.keyboard.type("Sky by keys");
  await page.keyboard.press("Enter");
  const marker = page.getByRole("button", { name: /: Sky by keys/ });
  await expect(marker).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(marker).toHaveCount(0);
  await page.keyboard.press("Control+Shift+z");
  await expect(marker).toBeVisible();

  const wells = tray(page).getByRole("listitem").getByRole("group");
  const names = async (): Promise<string[]> =>
    wells.evaluateAll((all) => all.map((well) => well.getAttribute("aria-label")!.split(",")[0]!));
  const [first, second, ...rest] = await names();
  await wells.first().focus();
  await page.keyboard.press("ArrowRight");
  expect(await names()).toEqual([second, first, ...rest]);
  await wells.first().focus();
  await page.keyboard.press("Delete");
  expect(await names()).toEqual([first, ...rest]);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  expect(await names()).toEqual([first, second, ...rest]);
});

test("step and open area stand in the address: back, forward, reload; the foot of each step leads on", async ({
  page,
}) => {
  await openDesk(page, server.url, "Mixes");
  const next = page.getByRole("region", { name: "Next" });
  await page.getByRole("radio", { name: "By area" }).click();
  await page
    .getByRole("button", { name: /Brick in shade/ })
    .last()
    .click();
  const brick = page.getByRole("article", { name: /Area \d+: Brick in shade/ });
  await expect(brick).toBeVisible();
  await step(page, "Photo");
  await expect(page).toHaveTitle(/· Photo · Abendrot$/);
  await page.goBack();
  await expect(brick).toBeVisible();
  // A photo that is broken off on its way is fetched anew, and Chromium complains of the first.
  const photoIsThere = () => page.locator("canvas[data-drawn]").first().waitFor();
  await photoIsThere();
  await page.reload();
  await expect(brick).toBeVisible();
  await photoIsThere();
  await page.goBack();
  await expect(brick).toBeHidden();
  await photoIsThere();
  await expect(page.getByRole("region", { name: "Mixes step" })).toBeVisible();
  await page.goForward();
  await expect(brick).toBeVisible();
  // What makes no sense in an address is passed over.
  await page.goto(`${paintingUrl.split("?")[0]}?step=varnish&area=none`);
  await expect(page.getByRole("region", { name: "Mixes step" })).toBeVisible();
  await step(page, "Photo");
  for (const [words, name] of [
    ["On to the areas", "Areas step"],
    ["On to the palette", "Palette step"],
    ["On to the mixes", "Mixes step"],
  ] as const) {
    await next.getByRole("button", { name: words }).click();
    await expect(page.getByRole("region", { name })).toBeVisible();
  }
  await expect(next).toContainText("1 to go");
  await next.getByRole("button", { name: "The next without a mix" }).click();
  await expect(page.getByRole("heading", { name: "Ways to mix it" })).toBeVisible();
});

test("fewer puddles: each number says what it comes to, one press mixes all from so many, and one step undoes it", async ({
  page,
}) => {
  await openDesk(page, server.url, "Mixes");
  await step(page, "Mixes");
  await page.getByRole("radio", { name: "By puddle" }).click();
  const all = page.getByRole("region", { name: "All puddles" });
  // Sizes are known: what was worked out without them is no longer shown.
  await expect(all).toContainText("cm²");
  const before = await all.getByRole("heading", { level: 3 }).innerText();
  await page.getByRole("button", { name: "How many puddles do you want to mix?" }).click();
  const choices = page.getByRole("region", { name: "Fewer puddles" }).getByRole("button", { name: /^Mix from/ });
  await choices.first().waitFor();
  const names = await choices.evaluateAll((list) => list.map((one) => one.getAttribute("aria-label")!));
  const figures = names.map((name) =>
    name
      .match(/Mix from (\d+) puddles?, off by (\d+\.\d)/)!
      .slice(1)
      .map(Number),
  );
  expect(figures.length).toBeGreaterThan(2);
  const curve = page.getByRole("figure", { name: /^Off by, for each number of puddles/ });
  await expect(curve).toHaveAccessibleName(new RegExp(`${figures[0]![0]}: ${figures[0]![1]!.toFixed(1)}`));
  figures.slice(1).forEach(([count], i) => expect(count).toBeGreaterThan(figures[i]![0]!));
  expect(figures.at(-1)![1]).toBeLessThan(figures[0]![1]!);
  const few = figures.findIndex(([count]) => count! > 1 && count! <= 7);
  await choices.nth(few).click();
  await expect(all.getByRole("heading", { level: 3 })).not.toHaveText(before);
  const wells = Number(
    /^(\d+) puddles for \d+ colours/.exec(await all.getByRole("heading", { level: 3 }).innerText())![1],
  );
  // What is laid over first washes comes from the same wells.
  expect(wells).toBeLessThanOrEqual(figures[few]![0]!);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(all.getByRole("heading", { level: 3 })).toHaveText(before);
  // The next test opens the painting anew: what was undone has to be there.
  await saved(page);
});

test("all areas are mixed from the tray with progress, and undone in one step", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  await page.getByRole("radio", { name: "By area" }).click();
  const areas = page.getByRole("region", { name: "Mixes step" });
  await areas.getByLabel(/in the tray/).check();
  await areas.getByRole("button", { name: /^Mix (all|the other)/ }).click();
  await expect(areas.getByRole("status").filter({ hasText: /recipes? in \d/ })).toBeVisible();
  await expect(areas).not.toContainText("not mixed yet");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(areas).toContainText("not mixed yet");
});

test("a paint is looked up in the paintbox and laid in the tray", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  await page.getByRole("button", { name: "paint", exact: true }).click();
  const box = page.getByRole("dialog", { name: "Lay a paint in the tray" });
  // The paints are drawn as they come into view.
  await box.getByRole("button", { name: /Lemon yellow/ }).waitFor();
  await judged(page, "the paint picker");
  await type(box.getByRole("searchbox"), "nothing of the kind");
  await expect(box).toContainText("No paint in the box answers to that");
  await type(box.getByRole("searchbox"), "PR122");
  const magenta = box.getByRole("button", { name: /Quinacridone magenta/ });
  if (await magenta.isEnabled()) await magenta.click();
  await expect(magenta).toBeDisabled();
  await box.getByRole("button", { name: "Close" }).first().click();
  await expect(tray(page)).toContainText("Quinacridone magenta");
  await saved(page);
});

test("one's own photo: measured truly, kept through kill -9 and a new start", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  // A grey card of L* 50 (Munsell value 4.95) turned on its side by the camera, as a JPEG.
  const card = await sharp({ create: { width: 900, height: 600, channels: 3, background: "#777777" } })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 100 })
    .toBuffer();
  await page.getByLabel("Photo file").setInputFiles({ name: "grey_card.jpg", mimeType: "image/jpeg", buffer: card });
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue("grey card");
  const box = (await photo(page).boundingBox())!;
  expect(box.height / box.width).toBeCloseTo(1.5, 1);
  await page.getByRole("button", { name: /Mixes$/ }).click();
  await expect(page.getByRole("region", { name: "Mixes step" })).toContainText("Nothing is measured yet");
  await clickPhoto(page, 0.5, 0.5);
  const taken = page.getByRole("region", { name: "Colour taken from the photo" });
  await expect(taken).toContainText("neutral grey");
  await expect(taken).toContainText(/value(4\.9|5\.0)/);
  await type(taken.getByRole("textbox"), "Card");
  await page.keyboard.press("Enter");
  await page.getByRole("list", { name: "Ways to mix it" }).getByRole("button").first().click();
  await expect(tray(page).getByRole("listitem").first()).toContainText(/for 1/);
  await saved(page);
  const own = page.url();

  await server.stop("SIGKILL");
  server = await startServer(server.folder, Number(new URL(server.url).port));
  await page.goto(own);
  await expect(page.getByRole("button", { name: "Area 1: Card" })).toBeVisible({ timeout: 60_000 });
  await expect(tray(page).getByRole("listitem").first()).toContainText(/for 1/);
  await openPainting(page, server.url, "The pump house at last light");
  await expect(tray(page)).toContainText("Quinacridone magenta");
  await page.getByRole("button", { name: "Area 13: Green door" }).click();
  for (const paint of laid) await expect(page.getByRole("region", { name: "Recipe in use" })).toContainText(paint);
});

test("a painting goes into the bin from the desk, and the desk can be clear", async ({ page }) => {
  await onDesk(page, server.url);
  for (let left = 2; left > 0; left--) {
    await expect(page.getByRole("region", { name: "Photo", exact: true })).toBeVisible();
    const url = page.url();
    await page.getByRole("button", { name: /Paintings/ }).click();
    await page.getByRole("button", { name: "Put this painting in the bin" }).click();
    await page.waitForURL((now) => now.pathname !== new URL(url).pathname && (left === 1 || /painting/.test(now.href)));
  }
  await expect(page.getByRole("heading", { name: "The desk is clear" })).toBeVisible();
  await page.goto(paintingUrl);
  await expect(page.getByRole("heading", { name: /is in the bin$/ })).toBeVisible();
});
