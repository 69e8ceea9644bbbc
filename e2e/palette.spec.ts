import { expect, test, type Page } from "@playwright/test";
import { startServer, type RunningServer } from "./server";

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
});
test.afterAll(() => server.stop("SIGTERM"));

const panel = (page: Page) => page.getByRole("region", { name: "Palette step" });
const tray = (page: Page) => page.getByRole("region", { name: "Tray" }).getByRole("listitem");

async function openStep(page: Page): Promise<void> {
  await page.goto(server.url);
  await page.getByRole("application").waitFor({ timeout: 60_000 });
  await page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name: /Palette$/ }).click();
}

async function choose(page: Page): Promise<void> {
  await panel(page).getByRole("button", { name: /Find the best palettes|Choose again/ }).click();
  await expect(panel(page).getByRole("status")).toContainText(/Found in/, { timeout: 60_000 });
}

test("the best palettes of each size are found, one is laid out with its recipes, and undone in one step", async ({ page }) => {
  await openStep(page);
  await expect(panel(page)).toContainText("Of 28 paints at hand");
  await choose(page);
  await expect(panel(page).getByRole("radio")).toHaveCount(8);
  await expect(panel(page).getByRole("radio", { checked: true })).toHaveCount(1);
  await panel(page).getByRole("radio", { name: "3 paints" }).click();
  await expect(panel(page)).toContainText("The best of all 3,276 palettes of 3 paints. A fourth paint");
  const offs = await panel(page).getByText(/^off by \d/).allTextContents();
  expect(offs).toHaveLength(5);
  const errors = offs.map((words) => Number(words.replace("off by ", "")));
  expect([...errors].sort((a, b) => a - b)).toEqual(errors);

  const before = await tray(page).count();
  await panel(page).getByRole("button", { name: "Lay it out" }).first().click();
  await expect(tray(page)).toHaveCount(3);
  await expect(panel(page).getByRole("button", { name: "In the tray" })).toBeDisabled();
  for (const well of await tray(page).all()) await expect(well).toContainText(/for \d/);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(tray(page)).toHaveCount(before);
});

test("rules hold: a paint that must be in it, one that must not, lasting paints, one pigment each; a search is stopped", async ({ page }) => {
  await openStep(page);
  await choose(page);
  await panel(page).getByRole("radio", { name: "4 paints" }).click();
  const best = panel(page).getByRole("list").filter({ hasText: "The best" }).getByRole("listitem").first();
  const [first, second] = (await best.getByRole("button", { name: /^Never / }).all()).slice(0, 2);
  const never = (await first.getAttribute("aria-label"))!.replace("Never ", "");
  const must = (await second.getAttribute("aria-label"))!.replace("Never ", "");
  await best.getByRole("button", { name: `Never ${never}` }).click();
  await best.getByRole("button", { name: `${must} must be in it` }).click();
  await expect(panel(page).getByRole("list", { name: "Must and never" })).toContainText(`never ${never}`);
  await panel(page).getByLabel("one pigment each").check();
  await expect(panel(page)).toContainText("Of 26 paints at hand");
  await choose(page);
  await panel(page).getByRole("radio", { name: "4 paints" }).click();
  await expect(panel(page).getByRole("button", { name: `${must} must be in it` })).toHaveCount(5);
  await expect(panel(page).getByRole("button", { name: `Never ${never}` })).toHaveCount(0);
  await panel(page).getByRole("button", { name: `No rule for ${never}` }).click();
  await panel(page).getByRole("button", { name: "Choose again" }).click();
  await panel(page).getByRole("button", { name: "Stop" }).click();
  await expect(panel(page)).toContainText("Stopped");
});
