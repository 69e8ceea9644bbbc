import { randomUUID } from "node:crypto";
import { expect } from "@playwright/test";
import { newLogEntry } from "@/model/logbook";
import { test, unlocked, walkTo } from "./house";
import { openDesk, step } from "./photo-page";
import type { RunningServer } from "./server";

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

/** What one finds who works by keys, in colours that the system chooses, or with a shelf of years. */

test("by keys: a menu opens, is walked and closed; what is opened takes the focus along and gives it back", async ({
  page,
}) => {
  await openDesk(page, server.url, "Mixes");
  const menu = page.getByRole("button", { name: "Paintings" });
  await expect(menu).toHaveAttribute("aria-expanded", "false");
  await expect(page.getByRole("link", { name: "All paintings and the bin" })).toBeHidden();
  await menu.focus();
  await page.keyboard.press("Enter");
  await expect(menu).toHaveAttribute("aria-expanded", "true");
  await expect(page.getByRole("list", { name: "Paintings" }).getByRole("link").first()).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("link", { name: "All paintings and the bin" })).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(menu).toBeFocused();
  await expect(page.getByRole("link", { name: "All paintings and the bin" })).toBeHidden();

  await step(page, "Areas");
  const marker = page.getByRole("button", { name: /^Area 5:/ });
  await marker.focus();
  await page.keyboard.press("Enter");
  await expect(page.locator("[data-panel]")).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(marker).toBeFocused();

  // What is taken out leaves the focus to its neighbour.
  const takenOut = page.getByRole("button", { name: "Take Ultramarine out of the tray" });
  await takenOut.focus();
  await page.keyboard.press("Enter");
  await expect(takenOut).toHaveCount(0);
  await expect(page.locator("li", { hasText: "Cerulean" }).locator(":focus")).toHaveCount(1);
  await page.keyboard.press("Control+z");
  await expect(takenOut).toHaveCount(1);

  await walkTo(page, server.url, "/paintbox");
  await unlocked(page);
  const paint = page.getByRole("list", { name: "Paints" }).getByRole("button").nth(3);
  await paint.focus();
  await page.keyboard.press("Enter");
  const sheet = page.getByRole("complementary", { name: "One paint" });
  await expect(sheet).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(sheet.getByRole("textbox", { name: "Name" })).toBeFocused();
  await sheet.focus();
  await page.keyboard.press("Escape");
  await expect(sheet).toBeHidden();
  await expect(paint).toBeFocused();

  // An opened paint that is removed leaves the focus to its neighbour.
  const next = await page.getByRole("list", { name: "Paints" }).getByRole("button").nth(4).textContent();
  await page.keyboard.press("Enter");
  await sheet.getByRole("button", { name: /^Remove / }).focus();
  await page.keyboard.press("Enter");
  await expect(sheet).toBeHidden();
  await expect(page.locator(":focus")).toHaveText(next!);
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
});

test("where a browser can't draw, the photo is there as it is and all else goes on; other ways of seeing say so", async ({
  page: kept,
}) => {
  // A page of its own: what it can't do stays with it.
  const page = await kept.context().newPage();
  await page.addInitScript(() => {
    const own = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
      return kind === "webgl2" ? null : (Reflect.apply(own, this, [kind, ...rest]) as never);
    } as typeof own;
  });
  await page.goto(`${server.url}/paintings`);
  await page.getByRole("link", { name: "Open The pump house at last light" }).click();
  const photo = page.locator("img[data-plain]");
  await expect.poll(() => photo.evaluate((image: HTMLImageElement) => image.naturalWidth)).toBeGreaterThan(100);
  const [own, surface] = [await photo.boundingBox(), await page.getByRole("application").boundingBox()];
  expect(own!.width).toBeGreaterThan(0.6 * surface!.width);
  // The sheet shows a part of the photo: it reaches over all of it.
  expect(own!.x).toBeLessThanOrEqual(surface!.x + 1);
  expect(own!.y + own!.height).toBeGreaterThanOrEqual(surface!.y + surface!.height - 1);
  await expect(page.getByRole("alert").filter({ hasText: "WebGL" })).toHaveCount(0);
  await page.getByRole("radio", { name: /values/ }).click();
  await expect(page.getByRole("alert").filter({ hasText: "only as it is" })).toBeVisible();
  await step(page, "Areas");
  await page.getByRole("button", { name: /^Area 5:/ }).click();
  await expect(page.locator("[data-panel]")).toContainText("Brick");
  await page.close();
});

test("past the head and the ways of seeing lie ways of their own", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  await page.getByRole("link", { name: /to the last painting/ }).focus();
  await page.keyboard.press("Shift+Tab");
  await expect(page.getByRole("button", { name: "To the photo" })).toBeFocused();
  await page.keyboard.press("Shift+Tab");
  await expect(page.getByRole("button", { name: "To the step" })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(page.locator("[data-panel]")).toBeFocused();
  await page.getByRole("button", { name: "To the photo" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("application")).toBeFocused();
});

test("in forced colours the colours that are the matter stay, and what is chosen has a frame", async ({ page }) => {
  await openDesk(page, server.url, "Mixes");
  const swatches = page.locator("[data-panel] span[style*=background]");
  const colours = (): Promise<string[]> =>
    swatches.evaluateAll((all) => all.map((one) => getComputedStyle(one).backgroundColor));
  const plain = await colours();
  expect(new Set(plain).size).toBeGreaterThan(5);
  await page.emulateMedia({ forcedColors: "active" });
  expect(await colours()).toEqual(plain);
  for (const chosen of [
    page.getByRole("radio", { name: /as it is/ }),
    page.getByRole("button", { name: /Mixes/, exact: false }).and(page.locator("[aria-current=step]")),
  ])
    expect(await chosen.evaluate((one) => getComputedStyle(one).outlineStyle)).toBe("solid");
  await page.emulateMedia({ forcedColors: "none" });
});

test("of a book of many pages only those are on the page that are seen; the last is there once it is scrolled to", async ({
  page,
}) => {
  for (let n = 0; n < 90; n++) {
    const document = newLogEntry({ kind: "note", on: "2025-03-01", paperId: "cotton-rough", title: `Note ${n}` });
    const kept = await page.request.post(`${server.url}/api/logbook`, { data: { id: randomUUID(), document } });
    expect(kept.status()).toBe(201);
  }
  await page.goto(`${server.url}/logbook`);
  await unlocked(page);
  const pages = page.getByRole("list", { name: "Pages" });
  await expect(page.getByText(/^9\d of 9\d$/)).toBeVisible();
  await expect.poll(() => pages.getByRole("listitem").count()).toBeLessThan(60);
  const all = Number(await pages.getByRole("listitem").first().getAttribute("aria-setsize"));
  expect(all).toBeGreaterThanOrEqual(90);
  const last = pages.locator(`[aria-posinset="${all}"]`);
  await expect(last).toHaveCount(0);
  await page.getByRole("main").hover();
  await expect(async () => {
    await page.mouse.wheel(0, 2000);
    await expect(last).toBeInViewport({ timeout: 200 });
  }).toPass();
  await expect(pages.locator('[aria-posinset="1"]')).toHaveCount(0);
  await page.getByRole("searchbox").first().pressSequentially("Note 77");
  await expect(pages.getByRole("listitem")).toHaveCount(1);
  await expect(pages).toContainText("Note 77");
});

test("desks that were left give their drawing contexts back", async ({ page }) => {
  await page.addInitScript(() => {
    const [own, made] = [HTMLCanvasElement.prototype.getContext, [] as WeakRef<WebGL2RenderingContext>[]];
    Object.assign(window, { made });
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
      const context = Reflect.apply(own, this, [kind, ...rest]) as WebGL2RenderingContext | null;
      if (kind === "webgl2" && context) made.push(new WeakRef(context));
      return context;
    } as typeof own;
  });
  await page.goto(`${server.url}/paintings`);
  const devtools = await page.context().newCDPSession(page);
  const nodes = async (): Promise<number> => {
    await devtools.send("HeapProfiler.collectGarbage");
    return (await devtools.send("Memory.getDOMCounters")).nodes;
  };
  let afterTwo = 0;
  for (let n = 0; n < 30; n++) {
    await page
      .getByRole("link", { name: /^Open / })
      .first()
      .click();
    await page.locator("canvas[data-drawn]").waitFor();
    await page.getByRole("button", { name: "Paintings" }).click();
    await page.getByRole("link", { name: "All paintings and the bin" }).click();
    await page.getByRole("heading", { name: "Paintings" }).waitFor();
    if (n === 1) afterTwo = await nodes();
  }
  const [opened, there] = await page.evaluate(() => {
    const { made } = window as unknown as { made: WeakRef<WebGL2RenderingContext>[] };
    return [made.length, made.filter((one) => one.deref()?.isContextLost() === false).length];
  });
  expect(opened).toBeGreaterThanOrEqual(30);
  expect(there).toBe(0);
  expect(await nodes()).toBeLessThan(1.5 * afterTwo);
});
