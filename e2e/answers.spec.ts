import { expect, type Page } from "@playwright/test";
import { test } from "./house";
import { openDesk, smallPainting } from "./photo-page";
import type { RunningServer } from "./server";

/**
 * Answers stand only beside what was asked, failures are told, and nothing is computed or fetched twice or too early.
 */

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

/** Lets a test break the mixing, or hold back what the palette worker is asked. */
async function withHands(
  page: Page,
): Promise<{ breakMixing: (broken: boolean) => Promise<void>; hold: (kind: string) => Promise<void> }> {
  await page.addInitScript(() => {
    const hands = window as unknown as { broken?: boolean; held?: string };
    const Real = window.Worker;
    window.Worker = class extends Real {
      override postMessage(message: { path?: readonly string[] }, ...rest: never[]): void {
        if (hands.broken && message.path?.[0] === "match") this.dispatchEvent(new Event("error"));
        else if (!hands.held || hands.held !== message.path?.[0]) super.postMessage(message, ...rest);
      }
    };
  });
  return {
    breakMixing: (broken) =>
      page.evaluate((is) => void ((window as unknown as { broken: boolean }).broken = is), broken),
    hold: (kind) => page.evaluate((one) => void ((window as unknown as { held: string }).held = one), kind),
  };
}

const toPalette = async (page: Page): Promise<void> => {
  await openDesk(page, server.url, "Palette");
  await expect(page.getByText(/^Found in/)).toBeVisible({ timeout: 60_000 });
};
const tray = (page: Page) => page.getByRole("region", { name: "Tray" });

test("a palette whose mixes can't be found is not laid out, and that is said; nothing else has changed", async ({
  page,
}) => {
  const { breakMixing } = await withHands(page);
  await toPalette(page);
  const before = await tray(page).innerText();
  await breakMixing(true);
  await page
    .getByRole("button", { name: /^Lay it out|^Lay out/ })
    .first()
    .click();
  await expect(page.getByRole("complementary", { name: "Present step" }).getByRole("alert")).toContainText(
    "was not laid out",
  );
  expect(await tray(page).innerText()).toBe(before);
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  await breakMixing(false);
});

test("while another well is weighed no number of the well before stands beside a paint", async ({ page }) => {
  const { hold } = await withHands(page);
  await toPalette(page);
  await page.getByRole("radio", { name: "Try out", exact: true }).click();
  const candidates = page.getByRole("list", { name: "Paints to try" }).getByRole("button");
  await expect(candidates.first()).toHaveAttribute("aria-label", /off by/);
  await hold("serve");
  await page.getByRole("combobox", { name: "Well to try it in" }).selectOption({ index: 1 });
  await expect(candidates.first()).toHaveAttribute("aria-label", /being weighed/);
  for (const label of await candidates.evaluateAll((all) => all.map((one) => one.getAttribute("aria-label"))))
    expect(label).toMatch(/being weighed$/);
});

test("areas are opened one after another with one mixing worker, and no small picture is fetched before the menu is opened", async ({
  page,
}) => {
  const workers: string[] = [];
  let pictures = 0;
  page.on("worker", (worker) => workers.push(worker.url()));
  page.on("request", (request) => request.url().includes("copy=small") && pictures++);
  await page.goto(server.url);
  await page.getByRole("radio", { name: "By area" }).click();
  const areas = page.getByRole("list", { name: "Areas and their mixes" }).getByRole("listitem");
  const ways = page.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem");
  await areas.nth(0).getByRole("button").click();
  await expect(ways.first()).toBeVisible({ timeout: 30_000 });
  for (const area of [1, 2, 3]) {
    await page.getByRole("button", { name: "All areas" }).click();
    await areas.nth(area).getByRole("button").click();
    await expect(ways.first()).toBeVisible();
  }
  // Photo, mixing: each of its kind is started once.
  expect(workers.length).toBeGreaterThan(0);
  expect(new Set(workers).size).toBe(workers.length);
  expect(pictures).toBe(0);
  await page.getByRole("button", { name: "Paintings" }).click();
  await expect.poll(() => pictures).toBe(1);
});

test("a press on the photo before it can be measured is done once it can be", async ({ page }) => {
  let come = (): void => {};
  const held = new Promise<void>((resolve) => (come = resolve));
  await page.route("**/api/photos/*?copy=working", async (route) => {
    await held;
    await route.continue();
  });
  await page.goto(`${await smallPainting(server.url)}?step=mixes`);
  const pane = page.getByRole("region", { name: "Photo", exact: true });
  await page.getByRole("application").click({ position: { x: 300, y: 60 } });
  await expect(pane.getByRole("status").filter({ hasText: "as soon as the photo can be measured" })).toBeVisible();
  const taken = page.getByRole("region", { name: "Colour taken from the photo" });
  await expect(taken).toHaveCount(0);
  come();
  await expect(taken).toContainText(/value\d/);
});

test("a photo whose files are gone is told on the desk with what to do", async ({ page }) => {
  await page.route("**/api/photos/*?copy=working", (route) =>
    route.fulfill({ status: 410, json: { message: "The photo's file in the data folder is gone or damaged." } }),
  );
  await page.goto(`${await smallPainting(server.url)}?step=mixes`);
  await expect(page.getByRole("region", { name: "Photo", exact: true }).getByRole("alert")).toContainText(
    "gone or damaged",
  );
});
