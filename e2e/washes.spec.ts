import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { test } from "./house";
import { bring, click, photo, saved, screenAt, shapes, step, undo } from "./photo-page";
import type { RunningServer } from "./server";
import { set } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const [WIDTH, HEIGHT] = [600, 400];
/** A sky that runs from blue to warm over a light wall with dark crisp courses. */
function evening(): Promise<Buffer> {
  const data = Buffer.alloc(3 * WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const t = y / 200;
      const wall = y % 28 < 11 ? [120, 60, 40] : [226, 170, 120];
      data.set(y < 200 ? [90 + 130 * t, 120 + 70 * t, 190 - 50 * t] : wall, 3 * (y * WIDTH + x));
    }
  }
  return sharp(data, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .png()
    .toBuffer();
}
const laid = (page: Page) => page.getByRole("region", { name: "How it is laid" });
const colours = (page: Page) => laid(page).getByRole("list", { name: "Colours of the wash" }).getByRole("listitem");
const kind = (page: Page, name: string) => laid(page).getByRole("button", { name, exact: true });

/** Draws the sky and the wall as two areas. */
async function twoAreas(page: Page): Promise<void> {
  await step(page, "Areas");
  const areas = page.getByRole("region", { name: "Areas step" });
  const slider = areas.getByRole("slider", { name: "How many shapes" });
  await expect(areas.getByRole("status")).toContainText(/\d+ shapes/);
  await set(slider, "0");
  await areas.getByRole("button", { name: "Take all 2 as areas" }).click();
  await expect(shapes(page)).toHaveCount(2);
}

test("each shape is laid as the photo suggests; kinds, colours and the run can be changed and undone, and are kept", async ({
  page,
}) => {
  await bring(page, server.url, "evening.png", await evening());
  await twoAreas(page);
  await expect(shapes(page).filter({ hasText: "graded" })).toHaveCount(1);
  await expect(shapes(page).filter({ hasText: "layered" })).toHaveCount(1);

  await click(page, { x: 0.5, y: 0.2 });
  await expect(kind(page, "graded")).toHaveAttribute("aria-pressed", "true");
  await expect(laid(page)).toContainText(/blue above/);
  const value = async (row: number): Promise<number> =>
    Number(/value (\d\.\d)/.exec((await colours(page).nth(row).textContent())!)![1]);
  expect(await value(0)).toBeLessThan(await value((await colours(page).count()) - 1));

  // The lower end of the run goes up by keys, and its colour with it.
  const end = page.getByRole("button", { name: /, below: end of the run/ });
  const before = await value((await colours(page).count()) - 1);
  await end.focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press("ArrowUp");
  await expect.poll(() => value(1)).toBeLessThan(before - 0.2);
  for (let i = 0; i < 20; i++) await undo(page);
  await expect.poll(() => value(1)).toBe(before);

  // A colour from elsewhere in the photo, one left out, another kind: each one step to undo.
  await laid(page).getByRole("button", { name: "Take another colour from the photo for above" }).click();
  await click(page, { x: 0.2, y: 0.47 });
  await expect.poll(() => value(0)).toBeCloseTo(before, 0);
  await undo(page);
  await laid(page).getByRole("button", { name: "Leave out below" }).click();
  await expect(kind(page, "flat")).toHaveAttribute("aria-pressed", "true");
  await undo(page);
  await kind(page, "flat").click();
  await expect(page.getByText("In the photo: click the one to paint by")).toBeVisible();
  await laid(page).getByRole("button", { name: "As the photo suggests" }).click();
  await expect(kind(page, "graded")).toHaveAttribute("aria-pressed", "true");
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "All areas" }).click();
  await expect(shapes(page).filter({ hasText: "graded" })).toHaveCount(1);

  // Squinted, the sky runs as it would be laid, and the wall shows its courses.
  await page.keyboard.press("6");
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "squint");
  await page.keyboard.press("o");
  await expect(async () => {
    const [high, low, light, dark] = await screenAt(
      page,
      { x: 0.3, y: 0.05 },
      { x: 0.3, y: 0.45 },
      { x: 0.3, y: (14 * 28 + 18) / HEIGHT - 0.14 },
      { x: 0.3, y: (14 * 28 + 5) / HEIGHT - 0.14 },
    );
    expect(low![0]! - high![0]!).toBeGreaterThan(60);
    expect(light![0]! - dark![0]!).toBeGreaterThan(40);
  }).toPass({ timeout: 10_000 });
});

test("every colour of a wash is mixed: two puddles that meet for a run, a glaze over the first wash for layers", async ({
  page,
}) => {
  await bring(page, server.url, "dusk.png", await evening());
  await twoAreas(page);
  await step(page, "Mixes");
  const mixes = page.getByRole("region", { name: "Mixes step" });
  await mixes.getByRole("button", { name: "Mix all areas" }).click();
  await expect(mixes).toContainText(/[4-6] recipes in/, { timeout: 60_000 });
  await expect(mixes.getByText("not mixed yet")).toHaveCount(0);

  await mixes
    .getByRole("button", { name: /, first wash/ })
    .first()
    .click();
  await page.getByRole("tab", { name: "Over it" }).click();
  const detail = page.getByRole("article", { name: /^Area \d:/ });
  await expect(detail).toContainText("predicted over the first wash, dry");
  await expect(detail.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem").first()).toBeVisible();
  // A glaze only darkens: what it is laid with keeps near its target all the same.
  const off = /dE00 (\d+\.\d)/.exec((await detail.textContent())!)!;
  expect(Number(off[1])).toBeLessThan(5);

  await detail.getByRole("button", { name: "All areas" }).click();
  await mixes
    .getByRole("button", { name: /, above/ })
    .first()
    .click();
  await expect(detail.getByRole("img", { name: "The colours between the puddles, dry" })).toBeVisible();
  // Another way for the lower end alone.
  await page.getByRole("tab", { name: "Below" }).click();
  await detail
    .getByRole("list", { name: "Ways to mix it" })
    .getByRole("button", { name: /^Use / })
    .and(page.locator(":enabled"))
    .first()
    .click();
  await saved(page);
  await undo(page);

  // The palette step weighs colours, not areas.
  await step(page, "Palette");
  await expect(page.getByText(/of [4-6] in reach/).first()).toBeVisible({ timeout: 60_000 });
});
