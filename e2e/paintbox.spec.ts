import { expect, test, type Page } from "@playwright/test";
import { startServer, type RunningServer } from "./server";

test.describe.configure({ mode: "serial" });
let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
  await fetch(server.url).then((r) => r.text());
});
test.afterAll(() => server.stop("SIGTERM"));

const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
const paints = (page: Page) => page.getByRole("list", { name: "Paints" }).getByRole("button");
const sheet = (page: Page) => page.getByRole("complementary", { name: "One paint" });
const field = (page: Page, label: string) => sheet(page).getByLabel(label, { exact: true });

test("a paint is added from the keyboard alone: code, Enter, and the handbook fills in the rest", async ({ page }) => {
  await page.goto(`${server.url}/paintbox`);
  await expect(paints(page)).toHaveCount(28);
  const add = page.getByRole("combobox", { name: "Add a paint" });
  await add.fill("no such pigment");
  await add.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "knows no pigment" })).toBeVisible();
  await add.fill("umber");
  await add.press("ArrowDown");
  await add.press("Enter");
  await add.fill("pv29");
  await add.press("Enter");
  await expect(paints(page)).toHaveCount(30);
  await expect(field(page, "Name")).toHaveValue("Perylene violet");
  await saved(page);
  await page.reload();
  await expect(paints(page)).toHaveCount(30);
});

test("its facts are kept; what can't be right gets a word at the field and is not kept", async ({ page }) => {
  await page.goto(`${server.url}/paintbox`);
  await paints(page).filter({ hasText: "Perylene violet" }).click();
  await field(page, "Maker").fill("Ottermoor");
  await field(page, "Size, ml").fill("15");
  await field(page, "Price").fill("9.75");
  await field(page, "Currency").fill("EUR");
  await field(page, "Currency").press("Enter");
  await expect(sheet(page)).toContainText("0.65 EUR a ml");

  await field(page, "Price").fill("-4");
  await field(page, "Price").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveText("The price can't be negative.");
  await field(page, "Price").fill("9.5");
  await field(page, "Price").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveCount(0);
  await field(page, "Bought on").fill("2099-01-01");
  await field(page, "Bought on").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveText("That day is still to come.");
  await field(page, "Name").fill(" ");
  await field(page, "Name").press("Enter");
  await expect(sheet(page).getByRole("alert").first()).toHaveText("A paint needs a name.");
  await saved(page);

  await page.reload();
  await paints(page).filter({ hasText: "Perylene violet" }).click();
  await expect(field(page, "Maker")).toHaveValue("Ottermoor");
  await expect(field(page, "Price")).toHaveValue("9.5");
  await expect(field(page, "Bought on")).toHaveValue("");
});

test("twins are found, a paint is found by pigment and status, and the desk mixes only from what is at hand", async ({ page }) => {
  await page.goto(`${server.url}/paintbox`);
  const add = page.getByRole("combobox", { name: "Add a paint" });
  await add.fill("PB29");
  await add.press("Enter");
  await expect(page.getByRole("region", { name: "Twins" })).toContainText("Ultramarine blue");
  await sheet(page).getByRole("combobox", { name: "It is" }).selectOption("used up");
  await expect(page.getByRole("region", { name: "Twins" }).filter({ hasText: "Ultramarine blue" })).toHaveCount(0);
  await page.getByRole("combobox", { name: "Which paints" }).selectOption("used up");
  await expect(paints(page)).toHaveCount(1);
  await page.getByRole("combobox", { name: "Which paints" }).selectOption("all");
  await page.getByRole("searchbox", { name: "Search the paintbox" }).fill("PBr7");
  await expect(paints(page).first()).toContainText("PBr7");
  await saved(page);
  await page.goto(server.url);
  await expect(page.getByRole("region", { name: "Areas" })).toContainText("all 30 paints", { timeout: 60_000 });
});

test("removing is undone, from the button and from the keyboard", async ({ page }) => {
  await page.goto(`${server.url}/paintbox`);
  const before = await paints(page).count();
  await paints(page).filter({ hasText: "Cerulean" }).click();
  await page.getByRole("button", { name: "Remove Cerulean" }).click();
  await expect(paints(page)).toHaveCount(before - 1);
  await page.keyboard.press("Control+z");
  await expect(paints(page)).toHaveCount(before);
  await page.getByRole("button", { name: "Redo" }).click();
  await expect(paints(page)).toHaveCount(before - 1);
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
  await page.goto(server.url);
  await expect(page.getByRole("region", { name: "Tray" })).toContainText("Ultramarine");
});

test("a paintbox that can't be right is not saved whatever sends it", async () => {
  const put = async (body: unknown): Promise<number> => (await fetch(`${server.url}/api/paintbox`, { method: "PUT", body: JSON.stringify(body) })).status;
  expect(await put({})).toBe(400);
  expect(await put({ revision: 0, document: { paints: [{ id: "x" }] } })).toBe(400);
  expect(await put({ revision: 0, document: { paints: [] } })).toBe(409);
});
