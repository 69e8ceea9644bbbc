import { expect } from "@playwright/test";
import sharp from "sharp";
import { step } from "./photo-page";
import { test, unlocked } from "./house";
import type { RunningServer } from "./server";

/** A painting goes on with a better photo of its motif. */

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

/** The demo's photo taken anew: nearer, and in a warmer light. */
const nearer = () =>
  sharp("src/server/demo/pump-house.jpg")
    .extract({ left: 200, top: 60, width: 2300, height: 1640 })
    .resize({ width: 1200 })
    .linear([0.98, 0.9, 0.8], [4, 4, 4])
    .jpeg()
    .toBuffer();

test("the photo is exchanged: areas, names and mixes stay, the one before lies in the bin; another motif is told", async ({
  page,
}) => {
  await page.goto(server.url);
  await page.locator("canvas[data-drawn]").first().waitFor();
  await unlocked(page);
  const before = page.url();
  const title = await page.getByRole("textbox", { name: "Title of the painting" }).inputValue();
  await step(page, "Photo");
  const better = page.getByRole("region", { name: "A better photo" });
  const file = (name: string, mimeType: string, buffer: Buffer) => ({ name, mimeType, buffer });
  await better
    .getByLabel("Photo in place of this one")
    .setInputFiles(file("notes.txt", "text/plain", Buffer.from("no photo")));
  await expect(better.getByRole("alert")).toBeVisible();
  await expect(page).toHaveURL(/step=photo/);

  await better.getByLabel("Photo in place of this one").setInputFiles(file("nearer.jpg", "image/jpeg", await nearer()));
  await expect(page).toHaveURL(/step=areas/);
  expect(page.url().split("?")[0]).not.toBe(before.split("?")[0]);
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(title);
  const areas = page.getByRole("region", { name: "Areas step" }).getByRole("list", { name: "Areas" });
  await expect(areas.getByRole("listitem")).toHaveCount(12);
  await expect(areas).toContainText("Brick in the sun");
  await step(page, "Mixes");
  await expect(page.getByRole("region", { name: "Tray" }).getByRole("listitem")).toHaveCount(8);

  await step(page, "Photo");
  const other = await sharp({ create: { width: 300, height: 200, channels: 3, background: "#224466" } })
    .composite([
      { input: { create: { width: 100, height: 150, channels: 3, background: "#eebb55" } }, left: 20, top: 20 },
    ])
    .png()
    .toBuffer();
  await better.getByLabel("Photo in place of this one").setInputFiles(file("other.png", "image/png", other));
  await expect(better.getByRole("alert")).toContainText("look little alike");
  await better.getByRole("button", { name: "Open it" }).click();
  await expect(areas.getByRole("listitem")).toHaveCount(12);

  await page.goto(`${server.url}/paintings`);
  await expect(page.getByRole("region", { name: "Bin" })).toContainText(title);
});
