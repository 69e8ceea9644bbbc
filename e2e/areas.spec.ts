import { expect } from "@playwright/test";
import { test } from "./house";
import { judged, staysInside } from "./judged";
import {
  bring,
  chart,
  click,
  middle,
  openPainting,
  photo,
  saved,
  screenAt,
  shapes,
  spot,
  step,
  undo,
} from "./photo-page";
import type { RunningServer } from "./server";
import { set, type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

test("shapes are proposed, taken, merged, split and taken back; names, recipes and neighbours come along", async ({
  page,
}) => {
  await bring(page, server.url, "patches.png", await chart());
  await step(page, "Areas");
  const areas = page.getByRole("region", { name: "Areas step" });
  await expect(areas.getByRole("status")).toContainText(/\d+ shapes/);
  const slider = areas.getByRole("slider", { name: "How many shapes" });
  await set(slider, "0.525");
  await expect(areas.getByRole("button", { name: "Take all 12 as areas" })).toBeVisible();
  // One shape by a click, the others with the button.
  await click(page, middle(1));
  await expect(shapes(page)).toHaveCount(1);
  await expect(shapes(page).first()).toContainText(/8\.[2-4] %/);
  await judged(page, "the areas step with proposals");
  await areas.getByRole("button", { name: /Take all \d+ as areas/ }).click();
  await expect(shapes(page)).toHaveCount(12);
  await expect(areas).toContainText("the whole sheet");
  await undo(page);
  await expect(shapes(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(shapes(page)).toHaveCount(12);

  await click(page, middle(1));
  const sheet = page.getByRole("article", { name: /^Area 1:/ });
  await expect(sheet).toContainText("It touches");
  await expect(sheet).toContainText(/cm, hard/);
  await type(sheet.getByRole("textbox", { name: "Name of the area" }), "Red roof");
  await page.keyboard.press("Enter");
  await judged(page, "an area's shape");
  const choice = page.getByRole("combobox", { name: "Paint it together with" });
  const other = await choice.locator("option").first().textContent();
  await page.getByRole("button", { name: "Merge" }).click();
  await expect(page.getByRole("article", { name: /Red roof/ })).toContainText(/16\.\d % of the sheet/);
  await expect(page.getByRole("button", { name: new RegExp(`: ${other}$`) })).toHaveCount(0);
  await page.getByRole("button", { name: "Split in two" }).click();
  await expect(page.getByRole("article", { name: /Red roof/ })).toContainText(/8\.\d % of the sheet/);
  await undo(page);
  await undo(page);
  await expect(page.getByRole("article", { name: /Red roof/ })).toContainText(/8\.3 % of the sheet/);
  await saved(page);
  // The open area stands in the address and comes back with it.
  await page.reload();
  await page.getByRole("button", { name: "All areas" }).click();
  await expect(shapes(page)).toHaveCount(12);
  await expect(shapes(page).filter({ hasText: "Red roof" })).toHaveCount(1);
});

test("a shape is drawn by mouse, by touch and by keys; it snaps to the photo's edges", async ({ page }) => {
  await bring(page, server.url, "drawn.png", await chart());
  await step(page, "Areas");
  const areas = page.getByRole("region", { name: "Areas step" });
  await areas.getByRole("button", { name: "Draw one yourself" }).click();
  // Roughly around patch 2, a few pixels off its edges.
  const rough = [
    [0.34, 0.02],
    [0.49, 0.02],
    [0.49, 0.48],
    [0.34, 0.48],
  ];
  const places = await Promise.all(rough.map(([x, y]) => spot(page, { x: x!, y: y! })));
  await page.mouse.move(places[0]!.x, places[0]!.y);
  await page.mouse.down();
  for (const place of [...places.slice(1), places[0]]) await page.mouse.move(place!.x, place!.y, { steps: 12 });
  await page.mouse.up();
  const made = page.getByRole("article", { name: /^Area 1:/ });
  await expect(made).toContainText(/8\.[1-5] % of the sheet/);
  await expect(made).toContainText(/blue/);

  // By keys: corner by corner around the middle of patch 9, closed with Enter twice.
  await made.getByRole("button", { name: "All areas" }).click();
  await photo(page).focus();
  await page.keyboard.press("Enter");
  for (let i = 0; i < 8; i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  for (let i = 0; i < 25; i++) await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("article", { name: /^Area 2:/ })).toBeVisible();
  await page.getByRole("button", { name: "All areas" }).click();
  await areas.getByRole("button", { name: "Done drawing" }).click();
  await expect(page.getByRole("button", { name: /^Area \d+:/ })).toHaveCount(2);

  // By touch: two fingers only move the photo, one draws.
  const client = await page.context().newCDPSession(page);
  const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: readonly { x: number; y: number }[]) =>
    client.send("Input.dispatchTouchEvent", { type, touchPoints: points.map((point, id) => ({ ...point, id })) });
  const [a, b] = [await spot(page, { x: 0.4, y: 0.5 }), await spot(page, { x: 0.6, y: 0.5 })];
  await touch("touchStart", [a]);
  await touch("touchStart", [a, b]);
  for (let i = 1; i <= 5; i++)
    await touch("touchMove", [
      { x: a.x - 12 * i, y: a.y },
      { x: b.x + 12 * i, y: b.y },
    ]);
  await touch("touchEnd", []);
  await expect(page.getByRole("button", { name: "Farther" })).toBeEnabled();
  await page.getByRole("button", { name: "Show the whole sheet" }).click();
  await expect(page.getByRole("button", { name: /^Area \d+:/ })).toHaveCount(2);
  const around = await Promise.all(
    [
      [0.008, 0.02],
      [0.16, 0.02],
      [0.16, 0.48],
      [0.008, 0.48],
      [0.008, 0.04],
    ].map(([x, y]) => spot(page, { x: x!, y: y! })),
  );
  await areas.getByRole("button", { name: "Draw one yourself" }).click();
  await touch("touchStart", [around[0]!]);
  for (let k = 1; k < around.length; k++)
    for (let i = 1; i <= 8; i++)
      await touch("touchMove", [
        {
          x: around[k - 1]!.x + ((around[k]!.x - around[k - 1]!.x) * i) / 8,
          y: around[k - 1]!.y + ((around[k]!.y - around[k - 1]!.y) * i) / 8,
        },
      ]);
  await touch("touchEnd", []);
  await expect(page.getByRole("article", { name: /^Area 3:/ })).toContainText(/8\.[0-6] % of the sheet/);
});

test("targets: wishes and the value curve change what is to be painted, by area and for all, in one step each; squint shows it flat", async ({
  page,
}) => {
  await openPainting(page, server.url, "patches");
  await step(page, "Areas");
  await click(page, middle(2));
  const sheet = page.getByRole("article", { name: /^Area/ });
  const chroma = async (): Promise<number> =>
    Number(
      (await sheet
        .getByText(/^chroma$/)
        .locator("xpath=ancestor-or-self::dt/following-sibling::dd")
        .textContent())!,
    );
  const value = async (): Promise<number> =>
    Number(
      (await sheet
        .getByText(/^value$/)
        .first()
        .locator("xpath=ancestor-or-self::dt/following-sibling::dd")
        .textContent())!,
    );
  const before = { chroma: await chroma(), value: await value() };
  await sheet.getByLabel("heighten").check();
  await expect.poll(chroma).toBeGreaterThan(before.chroma * 1.2);
  expect(await value()).toBeCloseTo(before.value, 1);
  await sheet.getByLabel("turn the hue").check();
  await set(sheet.getByRole("slider", { name: "Turn of the hue" }), "180");
  await expect(sheet).not.toContainText(/clear blue|muted blue|vivid blue/);
  await sheet.getByLabel("as for all").check();
  await sheet.getByRole("button", { name: "All areas" }).click();
  const areas = page.getByRole("region", { name: "Areas step" });
  await areas.getByRole("group", { name: "Value curve" }).or(areas.getByLabel("high key")).first().waitFor();
  await areas.getByLabel("high key").check();
  await click(page, middle(2));
  await expect.poll(value).toBeGreaterThan(before.value + 0.5);
  await undo(page);
  await expect.poll(value).toBeCloseTo(before.value, 1);
  await sheet.getByRole("button", { name: "All areas" }).click();
  const point = areas.getByRole("slider", { name: "Painted value for the photo's 5" });
  await point.focus();
  for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowDown");
  await expect(areas.getByLabel("bent by hand")).toBeChecked();
  await areas.getByRole("button", { name: "Squint: see the washes" }).click();
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "squint");
  await page.keyboard.press("o");
  // Flat: the middle of a patch and a place near its corner show one colour, and it is the swatch's.
  await expect(async () => {
    const [centre, corner] = await screenAt(page, { x: 0.4167, y: 0.36 }, { x: 0.35, y: 0.1 });
    expect(Math.max(...centre!.map((x, c) => Math.abs(x - corner![c]!)))).toBeLessThan(3);
  }).toPass({ timeout: 10_000 });
  // The relations say something about the areas as they are.
  await expect(areas.getByRole("region", { name: "Relations" })).toContainText(/Lightest is .* darkest is/);
  await judged(page, "the areas step with relations and a bent value curve");
  await staysInside(page);
});
