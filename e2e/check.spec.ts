import { expect, type Page } from "@playwright/test";
import { test, unlocked } from "./house";
import { judged, staysInside } from "./judged";
import { openDesk, saved, step, undo } from "./photo-page";
import type { RunningServer } from "./server";
import { type } from "./typing";

/** The step after the mixes: how dark, how warm, and what would go dull. */

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const darks = (page: Page) =>
  page.getByRole("region", { name: "All darks" }).getByRole("list", { name: "Darks" }).getByRole("listitem");
const ways = (page: Page) => page.getByRole("list", { name: "Ways to a dark" }).getByRole("listitem");

const view = (page: Page, name: string) =>
  page.getByRole("radiogroup", { name: "What is checked" }).getByRole("radio", { name, exact: true }).click();
const dull = (page: Page) => page.getByRole("list", { name: "What would go dull" }).getByRole("listitem");

test("a colour is looked at in the photo, shifted at its value and undone; made dull, it is told with a way out", async ({
  page,
}) => {
  await page.goto(server.url);
  await page.locator("canvas[data-drawn]").first().waitFor();
  await unlocked(page);
  await step(page, "Check");
  await view(page, "Warm and cool");
  const rows = page.getByRole("list", { name: "From warm to cool" }).getByRole("listitem");
  await expect(rows).toHaveCount(20);
  await expect(rows.first()).toContainText(/warm by \d+, /);
  await expect(page.getByRole("region", { name: "Relations" })).toContainText("Judged on the mixes as they dry");
  await judged(page, "what is warm and cool");

  const map = page.getByRole("radiogroup", { name: "Warm and cool" });
  await map.getByRole("radio", { name: "Planned" }).click();
  await expect(page.locator("canvas[data-drawn=squint]")).toBeVisible();
  await map.getByRole("radio", { name: "Photo" }).click();
  await expect(page.locator("canvas[data-drawn=temperature]")).toBeVisible();
  await map.getByRole("radio", { name: "Off" }).click();

  // A ground that lifts the focal point is tried in place of the bank.
  await page.getByRole("button", { name: "Shift Wet bank" }).click();
  await page.getByRole("button", { name: /a ground or shadow for the subject$/ }).click();
  const ground = page.getByRole("region", { name: "As a ground" });
  await ground.getByRole("radio", { name: "Middle" }).click();
  const grounds = ground.getByRole("list", { name: "Grounds for the subject" }).getByRole("listitem");
  await expect(grounds.first()).toContainText(/lighter by \d\.\d, cooler by \d+/);
  await grounds.first().getByRole("button", { name: /^Use / }).click();
  await expect(grounds.first().getByRole("button", { name: /^Use / })).toBeDisabled();
  await undo(page);
  await page.getByRole("button", { name: "All areas" }).click();

  await page.getByRole("button", { name: "Shift Afterglow low in the sky" }).click();
  const warmth = page.getByRole("region", { name: "Warmth of this area" });
  const shift = warmth.getByRole("radiogroup", { name: "Which way" });
  const told = async (): Promise<readonly [value: number, warm: number]> => {
    const text = await warmth.innerText();
    return [Number(/value (\d\.\d)/.exec(text)![1]), Number(/, warm by (\d+)/.exec(text)![1])];
  };
  const [value, warm] = await told();
  await shift.getByRole("radio", { name: "cooler" }).click();
  const cooler = warmth.getByRole("list", { name: "Ways to make it cooler" });
  await cooler
    .getByRole("button", { name: /^Look at / })
    .first()
    .click();
  await expect(page.locator("canvas[data-drawn=squint]")).toBeVisible();
  await judged(page, "one area, warm and cool");
  await expect(cooler.getByRole("button", { name: /^Look at / }).first()).toHaveAttribute("aria-pressed", "true");
  await cooler.getByRole("button", { name: /^Use / }).first().click();
  await expect.poll(async () => (await told())[1]).toBeLessThanOrEqual(warm - 3);
  expect(Math.abs((await told())[0] - value)).toBeLessThanOrEqual(0.2);
  await undo(page);
  await expect.poll(told).toEqual([value, warm]);

  await view(page, "Mud");
  await expect(page.getByRole("region", { name: "Mud" })).toContainText("Nothing goes dull here");
  await view(page, "Warm and cool");
  for (let pressed = 0; pressed < 2; pressed++) {
    const before = await told();
    await warmth.getByRole("radio", { name: "quieter" }).click();
    await warmth
      .getByRole("list", { name: "Ways to make it quieter" })
      .getByRole("button", { name: /^Use / })
      .last()
      .click();
    await expect.poll(told).not.toEqual(before);
  }
  await view(page, "Mud");
  await expect(dull(page).first()).toContainText(/Afterglow low in the sky comes out greyer by \d+/);
  await dull(page)
    .first()
    .getByRole("button", { name: /^Use .* for Afterglow low in the sky$/ })
    .click();
  await expect(page.getByRole("region", { name: "Mud" })).toContainText("Nothing goes dull here");

  // What is meant so is no longer warned of, and is kept with the painting.
  await page.getByRole("button", { name: "All areas" }).click();
  const warned = await dull(page).count();
  expect(warned).toBeGreaterThan(0);
  expect(warned).toBeLessThanOrEqual(5);
  await judged(page, "what goes dull");
  await page.getByRole("button", { name: "It is meant so: Clean tints want clean water" }).click();
  await expect(dull(page)).toHaveCount(warned - 1);
  await saved(page);
  await page.reload();
  await view(page, "Mud");
  await page.getByRole("button", { name: "Warn again: Clean tints want clean water" }).click();
  await expect(dull(page)).toHaveCount(warned);

  // Of a wash of several colours the one that was asked for is open; the others are a press away.
  await view(page, "Warm and cool");
  await page.getByRole("button", { name: "Shift Canal, over it, 1" }).click();
  const tabs = page.getByRole("tablist", { name: "Colours of Canal" }).getByRole("tab");
  await expect(tabs.nth(1)).toHaveAttribute("aria-selected", "true");
  await expect(warmth).toContainText(/Within this shape it goes from /);
  await tabs.first().click();
  await expect(tabs.first()).toHaveAttribute("aria-selected", "true");
});

test("the darks stand darkest first; one opens with its ways, one is taken and undone, and its turning is told", async ({
  page,
}) => {
  await openDesk(page, server.url, "Mixes");
  await page.locator("canvas[data-drawn]").first().waitFor();
  await page.getByRole("region", { name: "Next" }).getByRole("button", { name: "Check it before painting" }).click();
  await expect(page).toHaveURL(/step=check/);
  await view(page, "Darks");
  await darks(page).first().waitFor();
  const texts = await darks(page).allTextContents();
  const wanted = texts.map((text) => Number(/wanted (\d+\.\d)/.exec(text)![1]));
  expect(wanted.length).toBeGreaterThan(2);
  expect(wanted).toEqual([...wanted].sort((a, b) => a - b));
  for (const value of wanted) expect(value).toBeLessThan(4);
  await expect(darks(page).first()).toContainText(/mixed \d\.\d: /);
  await judged(page, "its darks");
  await staysInside(page);

  await darks(page).first().getByRole("button").click();
  const region = page.getByRole("region", { name: "Ways to this dark" });
  await expect(region).toContainText(/Wanted: value \d\.\d over \d+ cm²/);
  expect(await ways(page).count()).toBeGreaterThan(1);
  await expect(ways(page).first()).toContainText(/value \d\.\d, .*off by \d+\.\d dE00/);
  await expect(region.getByRole("region", { name: "Where it turns" })).toContainText(/darker|lighter/);

  // Why it came out too light: what is as light as that stands first, and follows the brush.
  await region.getByRole("button", { name: "Did it come out too light?" }).click();
  const slips = region.getByRole("list", { name: "What may have happened" }).getByRole("listitem");
  await expect(slips).toHaveCount(7);
  await judged(page, "a dark, with what may have made it too light");
  const lightest = Number(/value (\d\.\d) instead of/.exec((await slips.first().textContent())!)![1]);
  await type(region.getByLabel("It came out at value"), String(lightest));
  await expect(slips.first()).toContainText("as light as yours");
  // A value that is no lighter than it was meant needs no reason, and one beyond white is brought back.
  await type(region.getByLabel("It came out at value"), "0");
  await expect(region.getByRole("status")).toContainText("Value 0.0 is no lighter than it was meant to be");
  await type(region.getByLabel("It came out at value"), "99");
  await expect(region.getByLabel("It came out at value")).toHaveValue("10");
  await expect(region.getByRole("status")).toHaveCount(0);
  await type(region.getByLabel("It came out at value"), "");
  const rinsed = slips.filter({ hasText: "A rinsed brush went in wet" });
  const wet = async () => Number(/value (\d\.\d) instead/.exec((await rinsed.textContent())!)![1]);
  const before = await wet();
  await region.getByLabel("Round brush").selectOption("12");
  await expect.poll(wet).toBeGreaterThan(before);
  await region.getByRole("button", { name: "Did it come out too light?" }).click();

  const use = region.getByRole("button", { name: /^Use / }).and(page.locator(":enabled")).first();
  await use.click();
  await expect(region.getByRole("button", { name: /^Use / }).and(page.locator(":disabled"))).toHaveCount(1);
  await saved(page);
  await page.getByRole("button", { name: "All areas" }).click();
  await expect(darks(page).first()).toBeVisible();

  // Without paints there is no dark, and it is said where to find one.
  await step(page, "Check");
  await darks(page).first().getByRole("button").click();
  const wells = page.getByRole("region", { name: "Tray" }).getByRole("listitem").getByRole("group");
  const laid = await wells.count();
  for (let left = laid; left > 0; left--) {
    await wells.first().press("Delete");
    await expect(wells).toHaveCount(left - 1);
  }
  await expect(region).toContainText("The tray is empty: lay paints out below.");
  // What is still mixed from them stands there to be laid out again, in a tray no higher than before.
  const tray = page.getByRole("region", { name: "Tray" });
  await expect(tray.getByRole("button", { name: /^Lay .* out again/ })).toHaveCount(laid);
  expect((await tray.boundingBox())!.height).toBeLessThan(110);
});
