import { execFileSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, type Download, type Page } from "@playwright/test";
import Papa from "papaparse";
import sharp from "sharp";
import { boxWash, CARD, TEST_PLACES } from "../src/core/calibration";
import { printedPlan, type PrintedPlan } from "../src/model/printed-plan";
import { leavePage, test } from "./house";
import { judged, staysInside } from "./judged";
import { bring, chart, onDesk, openPainting, saved, step, undo } from "./photo-page";
import type { RunningServer } from "./server";
import { type } from "./typing";

/** The last step: washes in their order, how much, what to take along, and the view to paint by. */

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

async function open(page: Page): Promise<void> {
  await onDesk(page, server.url);
  await page.locator("canvas[data-drawn]").first().waitFor();
  await step(page, "Plan");
  await view(page, "Order");
  await expect(washes(page).first()).toBeVisible();
}
const washes = (page: Page) => page.getByRole("list", { name: "Washes in order" }).getByRole("listitem");
const plan = (page: Page) => page.getByRole("region", { name: "Plan step" });
const view = (page: Page, name: string) => plan(page).getByRole("radio", { name, exact: true }).click();
const minutesOf = async (page: Page): Promise<number> => {
  const [, hours, minutes] = /^(?:(\d+) h ?)?(?:(\d+)(?: min)?)? for/.exec(
    (
      await plan(page)
        .getByText(/ for \d+ washes/)
        .innerText()
    ).trim(),
  )!;
  return 60 * Number(hours ?? 0) + Number(minutes ?? 0);
};
const bytesOf = async (download: Download): Promise<Buffer> => readFileSync(await download.path());
async function download(page: Page, name: string): Promise<Buffer> {
  const [file] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name, exact: true }).click(),
  ]);
  return bytesOf(file);
}

test("the order is proposed, dragged by keys, told where it breaks a rule, timed by the air, and seen on the sheet", async ({
  page,
}) => {
  await open(page);
  await expect(washes(page)).toHaveCount(20);
  await expect(plan(page)).toContainText("No order that keeps all rules is shorter.");
  const proposed = await minutesOf(page);

  // The dark reeds are brought up to the front, by keys alone.
  const reeds = page.getByRole("button", { name: "Move Reeds" });
  await reeds.focus();
  await page.keyboard.press("Space");
  for (let i = 0; i < 6; i++) {
    await page.keyboard.press("ArrowUp");
    await page.waitForTimeout(60);
  }
  await page.keyboard.press("Space");
  await expect(plan(page)).toContainText(/Your order breaks \d+ rules?/);
  await expect(washes(page).filter({ hasText: "Reeds" }).first()).toContainText(
    /Comes before .*: (light before dark|the)/,
  );
  await saved(page);
  await page.reload();
  await expect(plan(page)).toContainText(/Your order breaks \d+ rules?/);
  await page.getByRole("button", { name: "Back to the proposed order" }).click();
  await expect(plan(page)).toContainText("No order that keeps all rules is shorter.");

  // By the mouse: the first wash is let go below the third.
  const names = async (): Promise<string[]> =>
    washes(page).evaluateAll((all) => all.map((row) => row.querySelector("button")!.getAttribute("aria-label")!));
  const before = await names();
  const grip = (await washes(page).first().getByRole("button", { name: /^Move/ }).boundingBox())!;
  const third = (await washes(page).nth(2).boundingBox())!;
  await page.mouse.move(grip.x + 10, grip.y + 20);
  await page.mouse.down();
  await page.mouse.move(grip.x + 10, grip.y + 40, { steps: 4 });
  await page.mouse.move(grip.x + 10, third.y + 30, { steps: 8 });
  await page.mouse.up();
  await expect.poll(names).toEqual([before[1], before[2], before[0], ...before.slice(3)]);
  await undo(page);
  await expect.poll(names).toEqual(before);

  const conditions = page.getByRole("region", { name: "Conditions" });
  await conditions.getByRole("button").first().click();
  const humidity = conditions.getByRole("textbox", { name: "Humidity" });
  await type(humidity, "damp");
  await expect(conditions.getByRole("alert")).toHaveText("The humidity is a number.");
  await type(humidity, "130");
  await expect(conditions.getByRole("alert")).toHaveText("At most 100 %.");
  await judged(page, "its order under its conditions");
  await type(humidity, "80");
  await humidity.blur();
  await expect.poll(() => minutesOf(page)).toBeGreaterThan(1.3 * proposed);
  await conditions.getByRole("radio", { name: "drying" }).click();
  const dried = await minutesOf(page);
  await undo(page);
  expect(await minutesOf(page)).toBeLessThan(dried);
  await undo(page);
  expect(await minutesOf(page)).toBe(proposed);

  // The sheet as it will look: after a wash that is pressed, and bare at the slider's beginning.
  await washes(page).filter({ hasText: "Roof" }).getByRole("button", { name: /^Roof/ }).click();
  await expect(page.locator("canvas[data-drawn=planned]")).toBeVisible();
  const slider = page.getByRole("slider", { name: "After how many washes" });
  await expect(slider).toHaveAttribute("aria-valuetext", /^after Roof, \d+ of 20$/);
  await slider.focus();
  await page.keyboard.press("Home");
  await expect(slider).toHaveAttribute("aria-valuetext", "the bare sheet");
  await page.getByRole("checkbox", { name: "in values" }).check();
  await expect(page.locator("canvas[data-drawn=planned]")).toBeVisible();
});

/** Holds what the rooms say of every wash against each other: how strong it is, in how many coats, in which puddle. */
async function saysTheSame(page: Page, data: PrintedPlan): Promise<void> {
  const told = new Map<string, { readonly strength: string; readonly coats: number }>();
  for (const { serves } of data.puddles)
    for (const words of serves) {
      const [, mark, strength, coats] = /^(\S+) .*: ([^:]+ \([^)]*\))(?:, (\d) coats)?$/.exec(words)!;
      told.set(mark!, { strength: strength!, coats: Number(coats ?? 1) });
    }
  // In the order each coat is a wash of that strength, and no wash has a strength that no puddle is mixed to.
  for (const [mark, { strength, coats }] of told) {
    const own = data.washes.filter(({ mixes }) => mixes.some((mix) => mix.strength === strength));
    expect([mark, own.length >= coats]).toEqual([mark, true]);
  }
  const strengths = new Set([...told.values()].map(({ strength }) => strength));
  for (const { name, mixes } of data.washes)
    for (const { strength } of mixes) expect([name, strengths.has(strength)]).toEqual([name, true]);
  // How much: as many puddles, each mixed from its first step on; the mixes: as many, and the same layers.
  await view(page, "How much");
  await expect(page.getByRole("list", { name: "Puddles in the order of mixing" }).getByRole("listitem")).toHaveCount(
    data.puddles.length,
  );
  for (const { steps } of data.puddles) await expect(plan(page)).toContainText(steps[0]!.slice(1));
  await step(page, "Mixes");
  await page
    .getByRole("button", { name: "All areas" })
    .or(page.getByRole("radio", { name: "By puddle" }))
    .first()
    .click();
  await page.getByRole("radio", { name: "By puddle" }).click();
  const all = page.getByRole("region", { name: "All puddles" });
  await expect(all.getByText(/in (two|three) layers of/)).toHaveCount(
    [...told.values()].filter(({ coats }) => coats > 1).length,
  );
  await step(page, "Plan");
}

for (const name of ["dune", "harbour"])
  test(`on a real photograph the rooms say the same of every wash: ${name}`, async ({ page }) => {
    await bring(page, server.url, `${name}.jpg`, readFileSync(join("src", "testing", "photographs", `${name}.jpg`)));
    await step(page, "Areas");
    await page.getByRole("button", { name: /^Take all \d+ as areas/ }).click();
    await step(page, "Palette");
    const panel = page.getByRole("region", { name: "Palette step" });
    await expect(panel.getByText(/^Found in/)).toBeVisible({ timeout: 60_000 });
    await panel.getByRole("region", { name: "The answer" }).getByRole("button", { name: "Lay it out" }).click();
    await step(page, "Plan");
    await view(page, "To take along");
    const data = printedPlan.parse(JSON.parse((await download(page, "JSON")).toString("utf8")));
    expect(data.washes.length).toBeGreaterThan(3);
    await saysTheSame(page, data);
    await openPainting(page, server.url, "The pump house at last light");
  });

test("how much is told by puddle and by paint; the plan goes along as PDF and data; a tested swatch corrects its mix", async ({
  page,
}) => {
  await open(page);
  await view(page, "How much");
  const puddles = page.getByRole("list", { name: "Puddles in the order of mixing" }).getByRole("listitem");
  await expect(puddles.first()).toContainText(/\d ml.*\d+ brushful.*water/);
  const paints = page.getByRole("table", { name: "Paint for this painting" }).getByRole("row");
  await expect(paints).toHaveCount(9);
  await expect(paints.nth(1)).toContainText(/ml/);
  await judged(page, "how much");

  await view(page, "To take along");
  expect((await download(page, "Plan as PDF")).subarray(0, 5).toString()).toBe("%PDF-");
  await page.getByRole("radio", { name: "half A4" }).click();
  expect((await download(page, "Test sheet as PDF")).subarray(0, 5).toString()).toBe("%PDF-");
  const data = printedPlan.parse(JSON.parse((await download(page, "JSON")).toString("utf8")));
  expect(data.washes).toHaveLength(20);
  expect(data.puddles.length).toBeGreaterThan(5);
  await saysTheSame(page, data);
  await step(page, "Plan");
  await view(page, "To take along");
  const table = Papa.parse<Record<string, string>>((await download(page, "CSV")).toString("utf8"), { header: true });
  expect(table.data.map(({ wash }) => wash)).toEqual(data.washes.map(({ name }) => name));

  const tests = page.getByRole("list", { name: "Mixes to test" }).getByRole("listitem");
  const first = tests.first();
  const [, meant] = /meant at value (\d+\.\d)/.exec(await first.innerText())!;
  const field = first.getByRole("textbox", { name: "Came out" });
  await type(field, "light");
  await expect(first.getByRole("alert")).toHaveText("A value is a number from 0 to 10.");
  await judged(page, "what to take along");
  await staysInside(page);
  await type(field, meant!);
  await expect(first).toContainText("As predicted: nothing to change.");
  await type(field, (Number(meant) + 0.5).toFixed(1));
  await expect(first).toContainText(/It came out 0\.\d lighter: take .* more paint/);
  const before = await first.innerText();
  await first.getByRole("button", { name: /^Correct the mix of/ }).click();
  await expect(field).toHaveValue("");
  const strength = (text: string) => /\(([^)]*water)\)/.exec(text)![1];
  expect(strength(await first.innerText())).not.toBe(strength(before));
  await saved(page);
});

test("the test sheet is printed, painted, photographed and read; another photo is told", async ({ page }) => {
  test.skip(!existsSync("/usr/bin/pdftoppm"), "needs pdftoppm");
  await open(page);
  await view(page, "To take along");
  const printed = await download(page, "Test sheet as PDF");
  const folder = mkdtempSync(join(tmpdir(), "abendrot-test-sheet-"));
  writeFileSync(join(folder, "sheet.pdf"), printed);
  execFileSync("pdftoppm", ["-r", "150", "-singlefile", "-png", join(folder, "sheet.pdf"), join(folder, "sheet")]);
  const perMm = 150 / 25.4;
  const box = boxWash(TEST_PLACES[1], 0);
  const painted = await sharp(join(folder, "sheet.png"))
    .composite([
      {
        input: {
          create: {
            width: Math.round(box.width * perMm),
            height: Math.round(box.height * perMm),
            channels: 3,
            background: "#777777",
          },
        },
        left: Math.round(((210 - CARD.width) / 2 + box.x) * perMm),
        top: Math.round(((297 - CARD.height) / 2 + box.y) * perMm),
      },
    ])
    .linear(0.85, 0)
    .png()
    .toBuffer();
  const input = page.getByLabel("Photo of the test sheet");
  await input.setInputFiles({ name: "sheet.png", mimeType: "image/png", buffer: painted });
  await expect(plan(page)).toContainText("One swatch is read.", { timeout: 30_000 });
  const tests = page.getByRole("list", { name: "Mixes to test" }).getByRole("listitem");
  await expect(tests.nth(1).getByRole("textbox", { name: "Came out" })).toHaveValue(/^\d\.\d$/);
  await expect(tests.nth(0).getByRole("textbox", { name: "Came out" })).toHaveValue("");
  await plan(page).getByRole("button", { name: "Keep them in the logbook, to learn from" }).click();
  const kept = await plan(page).getByRole("link", { name: "look at it" }).getAttribute("href");
  const answer = await page.request.get(`${server.url}/api${kept!.replace("?entry=", "/")}`);
  const { document } = (await answer.json()) as { document: { kind: string; photos: string[]; mixes: unknown[] } };
  expect(document).toMatchObject({ kind: "test", photos: [expect.stringMatching(/^[0-9a-f]{64}$/)] });
  expect(document.mixes).toMatchObject([{ read: { by: "sheet" }, predicted: { model: 1 }, counts: true }]);
  await input.setInputFiles({ name: "chart.png", mimeType: "image/png", buffer: await chart() });
  await expect(plan(page).getByRole("alert")).toContainText(/mark/, { timeout: 30_000 });
  await input.setInputFiles({ name: "words.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no photo") });
  await expect(plan(page).getByRole("alert")).not.toContainText(/mark/, { timeout: 30_000 });
});

test("a paint that is mixed from but not laid out is told at the foot and in the tray, led to, printed, and laid out again", async ({
  page,
}) => {
  await open(page);
  const tray = page.getByRole("region", { name: "Tray" });
  const next = page.getByRole("region", { name: "Next" });
  await expect(next).toContainText("All 20 colours mixed from 8 paints.");
  await tray.getByRole("group", { name: /^Viridian/ }).press("Delete");
  await expect(next).toContainText(/\d+ colours need Viridian, which is not laid out\./);
  const outsider = tray.getByRole("button", { name: /^Lay Viridian out again, PG18, for \d/ });
  await expect(outsider).toBeVisible();
  await judged(page, "a paint that is mixed from but not laid out");
  await view(page, "To take along");
  const { palette } = printedPlan.parse(JSON.parse((await download(page, "JSON")).toString("utf8")));
  expect(palette.map(({ name }) => name)).toContain("Viridian");
  await next.getByRole("button", { name: "The first of them" }).click();
  await expect(page).toHaveURL(/step=mixes/);
  await expect(page.getByRole("region", { name: "Recipe in use" })).toContainText("Viridian");
  await outsider.click();
  await expect(outsider).toHaveCount(0);
  await expect(next).toContainText("All 20 colours mixed from 8 paints.");
  // A colour without a mix leads from the plan to where it is mixed.
  await page.getByRole("button", { name: "no recipe" }).click();
  const area = await page.getByRole("article", { name: /^Area / }).getAttribute("aria-label");
  await step(page, "Plan");
  await next.getByRole("button", { name: "The next without a mix" }).click();
  await expect(page.getByRole("article", { name: area!, exact: true })).toBeVisible();
  await expect(page.getByRole("list", { name: "Ways to mix it" })).toBeVisible();
  for (let i = 0; i < 3; i++) await undo(page);
  await expect(next).toContainText("All 20 colours mixed from 8 paints.");
  await saved(page);
});

test("a door that is given no plan, or another photo's, says so", async ({ request }) => {
  const post = (data: unknown) => request.post(`${server.url}/api/prints`, { data: data as object });
  const nothing = await post({ what: "plan", page: "a4" });
  expect(nothing.status()).toBe(400);
  expect(((await nothing.json()) as { message: string }).message).toContain("could not be printed");
  const empty = {
    title: "t",
    photoId: "b".repeat(64),
    on: "2026-05-01",
    madeFor: "",
    trust: "",
    outlines: [],
    marks: [],
    palette: [],
    puddles: [],
    washes: [],
    totalMin: 0,
    paints: [],
    cautions: [],
  };
  expect((await post({ what: "plan", page: "a4", plan: empty })).status()).toBe(410);
  expect((await post({ what: "plan", page: "a0", plan: empty })).status()).toBe(400);
});

test("on a tablet the whole demo is painted through: by touch and space bar, over a reload, waiting by the clock, with a skip and a step back", async ({
  browser,
}) => {
  await leavePage();
  const tablet = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true });
  const page = await tablet.newPage();
  await page.clock.install();
  await open(page);
  await page.getByRole("button", { name: "Paint by this plan" }).tap();
  const easel = page.getByRole("dialog", { name: "Painting by the plan" });
  const name = easel.getByRole("heading", { level: 2 });
  const progress = easel.getByRole("status");
  await expect(progress).toHaveText("0 of 20 washes");
  const first = await name.innerText();
  await judged(page, "painting by it");
  await easel.getByRole("button", { name: "Done" }).tap();
  await expect(progress).toHaveText("1 of 20 washes");
  await expect(name).not.toHaveText(first);
  await easel.getByRole("button", { name: "Back", exact: true }).tap();
  await expect(name).toHaveText(first);
  await page.keyboard.press("Space");
  await expect(progress).toHaveText("1 of 20 washes");
  await easel.getByRole("button", { name: "Dimmer" }).tap();
  await expect(easel).toHaveAttribute("data-dim", "true");
  await saved(page);

  // A reload comes back to the same wash.
  const second = await name.innerText();
  await page.reload();
  await expect(name).toHaveText(second);
  await expect(progress).toHaveText("1 of 20 washes");

  // On until something has to dry: the clock runs down, and then it goes on by itself.
  // For a later sitting only what is left is mixed.
  await easel.getByRole("button", { name: "Back to the desk" }).tap();
  await view(page, "How much");
  const puddles = page.getByRole("list", { name: "Puddles in the order of mixing" }).getByRole("listitem");
  const later = await puddles.count();
  await plan(page).getByRole("radio", { name: "the whole painting" }).tap();
  await expect.poll(() => puddles.count()).toBe(later + 1);
  await view(page, "Order");
  await page.getByRole("button", { name: "Go on painting" }).tap();

  const clock = easel.getByRole("timer");
  for (let i = 0; i < 12 && !(await clock.isVisible()); i++) {
    await page.keyboard.press("Space");
    await expect(progress).toHaveText(`${i + 2} of 20 washes`);
  }
  await expect(clock).toContainText(/is dry in \d+:\d\d/);
  await page.clock.fastForward("02:00:00");
  await expect(clock).toBeHidden();
  await easel.getByRole("button", { name: "Skip" }).tap();

  const finished = async (): Promise<number> => Number(/^\d+/.exec(await progress.innerText())![0]);
  for (let done = await finished(); done < 20;) {
    const waits = await clock.isVisible();
    await page.keyboard.press("Space");
    if (waits) await expect(clock).toBeHidden();
    else await expect(progress).toHaveText(`${++done} of 20 washes`);
  }
  await expect(easel).toContainText("Every wash is laid.");
  await easel.getByRole("button", { name: "Keep it in the logbook" }).tap();
  await expect(easel.getByRole("link", { name: "look at it" })).toBeVisible();
  await easel.getByRole("button", { name: "Paint it once more" }).tap();
  await expect(progress).toHaveText("0 of 20 washes");
  await easel.getByRole("button", { name: "Back to the desk" }).tap();
  await expect(easel).toBeHidden();
  // What was noted comes back by undo.
  await undo(page);
  await expect(washes(page).filter({ hasText: "· done" })).toHaveCount(19);
  await expect(washes(page).filter({ hasText: "· skipped" })).toHaveCount(1);
  await tablet.close();
});
