import { expect, type Page } from "@playwright/test";
import { test, unlocked, walkTo } from "./house";
import { judged, staysInside } from "./judged";
import type { RunningServer } from "./server";
import { type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const DEMO = "The pump house at last light";
const cards = (page: Page) => page.getByRole("list", { name: "Paintings" }).getByRole("article");
const bin = (page: Page) => page.getByRole("region", { name: "Bin" });

async function open(page: Page): Promise<void> {
  await walkTo(page, server.url, "/paintings");
  await expect(page.getByRole("article", { name: DEMO, exact: true })).toBeVisible();
  await unlocked(page);
}

test("a painting on the shelf: how far it is, doubled, renamed, opened", async ({ page }) => {
  await open(page);
  const demo = page.getByRole("article", { name: DEMO, exact: true });
  await expect(demo).toContainText("12 areas, all mixed");
  await expect(demo.getByRole("group", { name: "Paints laid out" }).getByRole("img")).toHaveCount(8);
  await demo.getByRole("button", { name: "Double" }).click();
  const again = page.getByRole("article", { name: `${DEMO}, again` });
  await expect(again).toContainText("12 areas, all mixed");
  await expect(cards(page).first()).toHaveAccessibleName(`${DEMO}, again`);

  await again.getByRole("button", { name: "Rename" }).click();
  const field = again.getByRole("textbox", { name: /^New title/ });
  await type(field, "  ");
  await expect(again.getByText("A painting needs a title.")).toBeVisible();
  await expect(again.getByRole("button", { name: "Rename", exact: true }).first()).toBeDisabled();
  await judged(page, "a painting to be renamed");
  await type(field, "The same in rain");
  await field.press("Enter");
  const rain = page.getByRole("article", { name: "The same in rain" });
  await rain.getByRole("link", { name: "Open", exact: true }).click();
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue("The same in rain");
  await expect(page.getByRole("button", { name: /^Area \d+:/ })).toHaveCount(12);
});

test("into the bin and out of it by keyboard alone; for good only after a question", async ({ page }) => {
  await open(page);
  const press = async (name: string | RegExp): Promise<void> => {
    const button = page.getByRole("button", { name });
    await button.focus();
    await page.keyboard.press("Enter");
  };
  const rain = page.getByRole("article", { name: "The same in rain" });
  // The room stays what it is while its paintings move: no press is lost, and the keyboard stays with the painting.
  await page.getByRole("main").evaluate((main) => main.setAttribute("data-stays", ""));
  await rain.getByRole("button", { name: "Bin" }).focus();
  await page.keyboard.press("Enter");
  await expect(bin(page)).toContainText("The same in rain");
  await expect(bin(page).getByRole("listitem")).toBeFocused();
  await expect(cards(page)).toHaveCount(1);
  await press("Take out The same in rain");
  await expect(cards(page)).toHaveCount(2);
  await expect(bin(page)).toBeHidden();
  await expect(rain).toBeFocused();

  await rain.getByRole("button", { name: "Bin" }).click();
  await press("Remove The same in rain for good");
  await judged(page, "a painting in the bin, about to be removed");
  await staysInside(page);
  await press("Keep it");
  await expect(bin(page)).toContainText("The same in rain");
  await press("Remove The same in rain for good");
  await press("Remove it");
  await expect(bin(page)).toBeHidden();
  await expect(page.locator("main[data-stays]").getByRole("article", { name: DEMO, exact: true })).toBeVisible();
});

test("wrong changes are refused in words and change nothing", async ({ request }) => {
  const titles = async () =>
    ((await (await request.get(`${server.url}/api/paintings`)).json()) as { shelf: { id: string; title: string }[] })
      .shelf;
  const before = await titles();
  const id = before.find(({ title }) => title === DEMO)!.id;
  const patch = (to: string, data: unknown) => request.patch(`${server.url}/api/paintings/${to}`, { data });
  for (const wrong of [{}, { title: "" }, { title: "x".repeat(500) }, { binned: "yes" }, { title: "x", binned: true }])
    expect((await patch(id, wrong)).status(), JSON.stringify(wrong)).toBe(400);
  expect((await patch(crypto.randomUUID(), { binned: true })).status()).toBe(404);
  expect((await request.post(`${server.url}/api/paintings/${crypto.randomUUID()}/copies`)).status()).toBe(404);
  expect(await titles()).toEqual(before);
});

test("one box is packed for two paintings, changed by rules and by words, and lies in the paintbox", async ({
  page,
}) => {
  await open(page);
  await page.getByRole("article", { name: DEMO, exact: true }).getByRole("button", { name: "Double" }).click();
  await expect(page.getByRole("article", { name: `${DEMO}, again` })).toBeVisible();
  const paintings = await cards(page).count();
  await page.getByRole("link", { name: "Pack one box for several of these" }).click();
  const packed = page.getByRole("list", { name: "Packed paints" }).getByRole("listitem");
  await expect(page.getByRole("heading", { name: /^These \d+ paints$/ })).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole("row")).toHaveCount(1 + paintings);

  // What more wells hardly help is told, and taken by one press.
  const enough = page.getByRole("note", { name: "Enough" });
  await enough.getByRole("button", { name: /^Pack \d+$/ }).click();
  await expect(enough).toHaveCount(0);
  const count = await packed.count();
  await expect(page.getByRole("status", { name: "Wells" })).toHaveText(String(count));
  const first = (await packed.first().getByRole("img").getAttribute("aria-label"))!.replace(
    " from masstone to tint",
    "",
  );
  await packed
    .first()
    .getByRole("button", { name: `${first} stays at home` })
    .click();
  await expect(page.getByRole("list", { name: "Must and stays" })).toContainText(`stays at home: ${first}`);
  await expect(page.getByText("Left at home:").locator("..")).toContainText(first);
  await judged(page, "a box packed for several paintings, with a rule");
  await staysInside(page);
  await expect(packed.getByText(first, { exact: true })).toHaveCount(0);

  const only = page.getByRole("searchbox", { name: "Only areas with this in their name" });
  await type(only, "a whale");
  await expect(page.getByRole("status").filter({ hasText: "has “a whale” in its name" })).toBeVisible();
  await type(only, "sky");
  await expect(page.getByText(/wells? stays? free/)).toBeVisible();
  await type(only, "");
  await expect(packed).toHaveCount(count);

  await page.getByRole("button", { name: "Lay it among my boxes" }).click();
  await expect(page.getByText(`“For ${paintings} paintings” lies among your boxes.`)).toBeVisible();
  await page.getByRole("link", { name: "Look at it in the paintbox" }).click();
  await page
    .getByRole("radio", { name: "Boxes" })
    .or(page.getByRole("tab", { name: "Boxes" }))
    .first()
    .click();
  await expect(page.getByRole("textbox", { name: /name/i }).last()).toHaveValue(`For ${paintings} paintings`);
});

test("doors for a box refuse what is none", async ({ request }) => {
  const gone = await request.get(`${server.url}/api/paintings/00000000-0000-4000-8000-000000000000/wanted`);
  expect(gone.status()).toBe(404);
  expect((await request.get(`${server.url}/api/paintings/nothing/wanted`)).status()).toBe(404);
  const box = { id: "00000000-0000-4000-8000-000000000001", name: "Of another", rows: 1, columns: 1, pan: "half pan" };
  const post = (body: unknown) => request.post(`${server.url}/api/paintbox`, { data: body });
  const strange = await post({ box: { ...box, wells: ["00000000-0000-4000-8000-000000000002"] } });
  expect(strange.status()).toBe(400);
  expect(((await strange.json()) as { message: string }).message).toContain(
    "A well holds a paint that is not in the paintbox",
  );
  expect((await post({ box: { ...box, wells: [] } })).status()).toBe(400);
  expect((await post({ low: [] })).status()).toBe(400);
});
