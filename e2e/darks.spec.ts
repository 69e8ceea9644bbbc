import { expect, test, type Page } from "@playwright/test";
import { saved, step } from "./photo-page";
import { startServer, type RunningServer } from "./server";

/** The step after the mixes: how dark is dark. */

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
});
test.afterAll(() => server.stop("SIGTERM"));

const darks = (page: Page) =>
  page.getByRole("region", { name: "Darks step" }).getByRole("list", { name: "Darks" }).getByRole("listitem");
const ways = (page: Page) => page.getByRole("list", { name: "Ways to a dark" }).getByRole("listitem");

test("the darks stand darkest first; one opens with its ways, one is taken and undone, and its turning is told", async ({
  page,
}) => {
  await page.goto(server.url);
  await page.locator("canvas[data-drawn]").first().waitFor();
  await expect(page.locator("[inert]")).toHaveCount(0);
  await page.getByRole("region", { name: "Next" }).getByRole("button", { name: "On to the darks" }).click();
  await expect(page).toHaveURL(/step=darks/);
  const texts = await darks(page).allTextContents();
  const wanted = texts.map((text) => Number(/wanted (\d+\.\d)/.exec(text)![1]));
  expect(wanted.length).toBeGreaterThan(2);
  expect(wanted).toEqual([...wanted].sort((a, b) => a - b));
  for (const value of wanted) expect(value).toBeLessThan(4);
  await expect(darks(page).first()).toContainText(/mixed \d\.\d: /);

  await darks(page).first().getByRole("button").click();
  const region = page.getByRole("region", { name: "Ways to this dark" });
  await expect(region).toContainText(/Wanted: value \d\.\d over \d+ cm²/);
  expect(await ways(page).count()).toBeGreaterThan(1);
  await expect(ways(page).first()).toContainText(/value \d\.\d, .*off by \d+\.\d dE00/);
  await expect(region.getByRole("region", { name: "Where it turns" })).toContainText(/darker|lighter/);
  const use = region.getByRole("button", { name: /^Use / }).and(page.locator(":enabled")).first();
  await use.click();
  await expect(region.getByRole("button", { name: /^Use / }).and(page.locator(":disabled"))).toHaveCount(1);
  await saved(page);
  await page.reload();
  await expect(region.getByRole("button", { name: /^Use / }).and(page.locator(":disabled"))).toHaveCount(1);
  await page.getByRole("button", { name: "All areas" }).click();
  await expect(darks(page).first()).toBeVisible();

  // Without paints there is no dark, and it is said where to find one.
  await step(page, "Darks");
  await darks(page).first().getByRole("button").click();
  const wells = page.getByRole("region", { name: "Tray" }).getByRole("listitem").getByRole("group");
  for (let left = await wells.count(); left > 0; left--) {
    await wells.first().press("Delete");
    await expect(wells).toHaveCount(left - 1);
  }
  await expect(region).toContainText("The tray is empty: lay paints out below.");
});
