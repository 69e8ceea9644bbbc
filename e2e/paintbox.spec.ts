import { expect, type Page } from "@playwright/test";
import { newPaint } from "@/model/paintbox";
import { test, unlocked, walkTo } from "./house";
import { judged, staysInside } from "./judged";
import { onDesk } from "./photo-page";
import type { RunningServer } from "./server";
import { set, type } from "./typing";

test.describe.configure({ mode: "serial" });
let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
const paints = (page: Page) => page.getByRole("list", { name: "Paints" }).getByRole("button");
const sheet = (page: Page) => page.getByRole("complementary", { name: "One paint" });
/** Opens the paintbox with all its paints shown; the page is loaded only where it does not lie open already. */
async function openBox(page: Page): Promise<void> {
  if (page.url().startsWith(`${server.url}/paintbox`)) {
    await page.getByRole("tab", { name: "Paints" }).click();
    await type(page.getByRole("searchbox", { name: "Search the paintbox" }), "");
    await page.getByRole("combobox", { name: "Which paints" }).selectOption("all");
  } else await walkTo(page, server.url, "/paintbox");
  await paints(page).first().waitFor();
  await unlocked(page);
}
const field = (page: Page, label: string) => sheet(page).getByLabel(label, { exact: true });

test("a paint is added from the keyboard alone: code, Enter, and the handbook fills in the rest", async ({ page }) => {
  await openBox(page);
  await expect(paints(page)).toHaveCount(28);
  const add = page.getByRole("combobox", { name: "Add a paint" });
  await type(add, "no such pigment");
  await add.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "knows no pigment" })).toBeVisible();
  await type(add, "umber");
  await add.press("ArrowDown");
  await add.press("Enter");
  await type(add, "pv29");
  await add.press("Enter");
  await expect(paints(page)).toHaveCount(30);
  await expect(field(page, "Name")).toHaveValue("Perylene violet");
  await saved(page);
  await page.reload();
  await expect(paints(page)).toHaveCount(30);
});

test("its facts are kept; what can't be right gets a word at the field and is not kept", async ({ page }) => {
  await openBox(page);
  await paints(page).filter({ hasText: "Perylene violet" }).click();
  // What is typed of one paint sends that paint, not the box.
  const sent: { readonly paints?: readonly { readonly name: string }[] }[] = [];
  page.on("request", (request) => void (request.method() === "PUT" && sent.push(request.postDataJSON() as never)));
  await type(field(page, "Maker"), "Ottermoor");
  await saved(page);
  expect(sent.length).toBeGreaterThan(0);
  for (const { paints: changed } of sent) expect(changed?.map(({ name }) => name)).toEqual(["Perylene violet"]);
  await type(field(page, "Size, ml"), "15");
  await type(field(page, "Price"), "9.75");
  await type(field(page, "Currency"), "EUR");
  await field(page, "Currency").press("Enter");
  await expect(sheet(page)).toContainText("0.65 EUR a ml");

  await type(field(page, "Price"), "-4");
  await field(page, "Price").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveText("The price can't be negative.");
  await type(field(page, "Price"), "9.5");
  await field(page, "Price").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveCount(0);
  await set(field(page, "Bought on"), "2099-01-01");
  await field(page, "Bought on").press("Enter");
  await expect(sheet(page).getByRole("alert")).toHaveText("That day is still to come.");
  await type(field(page, "Name"), " ");
  await field(page, "Name").press("Enter");
  await expect(sheet(page).getByRole("alert").first()).toHaveText("A paint needs a name.");
  await judged(page, "a paint, with what can't be right");
  await saved(page);

  await page.reload();
  await paints(page).filter({ hasText: "Perylene violet" }).click();
  await expect(field(page, "Maker")).toHaveValue("Ottermoor");
  await expect(field(page, "Price")).toHaveValue("9.5");
  await expect(field(page, "Bought on")).toHaveValue("");
});

test("twins and friends are found, a paint is found by pigment and status", async ({ page }) => {
  await openBox(page);
  await paints(page).filter({ hasText: "Anthraquinone" }).click();
  await page.getByRole("region", { name: "Measured" }).scrollIntoViewIfNeeded();
  await page.getByRole("button", { name: "Its best friends" }).click();
  await expect(page.getByRole("list", { name: /make a grey/ }).getByRole("listitem")).not.toHaveCount(0);
  await judged(page, "a paint measured twice, and its friends");
  const add = page.getByRole("combobox", { name: "Add a paint" });
  await type(add, "PB29");
  await add.press("Enter");
  const twins = page.getByRole("region", { name: "Twins" });
  await expect(twins).toContainText("Ultramarine blue");
  // Which two are meant can be read beside the open sheet too.
  const cut = await twins
    .getByRole("button")
    .locator("span")
    .evaluateAll(
      (names) => names.filter((name) => name.scrollWidth > name.clientWidth + 1 && name.clientWidth > 0).length,
    );
  expect(cut).toBe(0);
  await sheet(page).getByRole("combobox", { name: "It is" }).selectOption("used up");
  await expect(page.getByRole("region", { name: "Twins" }).filter({ hasText: "Ultramarine blue" })).toHaveCount(0);
  await page.getByRole("combobox", { name: "Which paints" }).selectOption("used up");
  await expect(paints(page)).toHaveCount(1);
  await page.getByRole("combobox", { name: "Which paints" }).selectOption("all");
  await type(page.getByRole("searchbox", { name: "Search the paintbox" }), "PBr7");
  await expect(paints(page).first()).toContainText("PBr7");
  await saved(page);
});

test("removing is undone, from the button and from the keyboard", async ({ page }) => {
  await openBox(page);
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
});

test("the desk mixes only from what is at hand; a painting whose recipe uses a removed paint says so and is still saved", async ({
  page,
}) => {
  await openBox(page);
  await paints(page).filter({ hasText: "Viridian" }).click();
  await page.getByRole("button", { name: "Remove Viridian" }).click();
  await saved(page);
  const desk = await page.context().newPage();
  await onDesk(desk, server.url);
  await type(desk.getByRole("textbox", { name: "Title of the painting" }), "Without viridian");
  await desk.keyboard.press("Enter");
  await saved(desk);
  // Of 31 one is used up, one removed.
  const mixes = desk.getByRole("region", { name: "Mixes step" });
  await expect(mixes).toContainText(/\d+ paints? left out: .*fading/);
  const said = await mixes.innerText();
  const [proposed, leftOut] = [/all (\d+) paints/, /(\d+) paints? left out/].map((told) => Number(told.exec(said)![1]));
  expect(proposed! + leftOut!).toBe(29);
  expect(leftOut).toBeGreaterThanOrEqual(3);
  await expect(desk.getByRole("region", { name: "Tray" })).toContainText("Ultramarine");
  await desk.getByRole("button", { name: /^Area 6:/ }).click();
  await expect(desk.getByRole("article", { name: /^Area 6/ })).toContainText("has left the paintbox");
  await desk.close();
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page);
});

test("a table is imported with its columns in any order: mapping and faults are seen before anything is stored, and it is undone in one step", async ({
  page,
}) => {
  await openBox(page);
  const before = await paints(page).count();
  await page.getByRole("button", { name: "Import" }).click();
  const dialog = page.getByRole("dialog", { name: "Import paints" });
  await dialog
    .locator("input[type=file]")
    .setInputFiles({ name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("just a line") });
  await expect(dialog.getByRole("alert")).toContainText("holds no table");
  const csv =
    "Brand;Pigment;What I call it\r\nQuillfen;PB60;N\xe4chtblau\r\nQuillfen;PX99;Odd\r\nOttermoor;PBr7;Burnt umber\r\n";
  await dialog
    .locator("input[type=file]")
    .setInputFiles({ name: "box.csv", mimeType: "text/csv", buffer: Buffer.from(csv, "latin1") });
  await expect(dialog.getByRole("status")).toContainText("0 paints can be taken, 3 can't");
  await dialog.getByRole("combobox", { name: "name" }).selectOption("What I call it");
  await expect(dialog.getByRole("status")).toContainText("2 paints can be taken, 1 can't. Nothing is stored yet.");
  await expect(dialog.getByRole("list", { name: "Lines that can't be taken" })).toContainText(
    "line 3: Odd: the handbook has no pigment “PX99”",
  );
  await judged(page, "a table to import");
  await expect(paints(page)).toHaveCount(before);
  await dialog.getByRole("button", { name: "Add 2 paints" }).click();
  await expect(paints(page)).toHaveCount(before + 2);
  await expect(paints(page).filter({ hasText: "Nächtblau" })).toContainText("PB60 · Quillfen");
  await saved(page);

  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "CSV", exact: true }).click();
  const stream = await (await download).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  expect(Buffer.concat(chunks).toString("utf8")).toContain("Nächtblau,PB60,Quillfen");

  await page.getByRole("button", { name: "Undo" }).click();
  await expect(paints(page)).toHaveCount(before);
  await saved(page);
});

test("a thousand paints are imported in a few seconds, the box stays quick and the desk still mixes", async ({
  page,
  context,
}) => {
  await openBox(page);
  const before = await paints(page).count();
  // Counting a thousand rows by their roles takes the browser longer than all the rest: the room says how many there
  // are.
  const count = page.getByText(/^[\d,]+ of [\d,]+$/);
  const codes = ["PB29", "PR254", "PY154", "PG7", "PBr7", "PV19"];
  const rows = Array.from({ length: 1000 - before }, (_, i) => `Paint ${i},${codes[i % codes.length]},Quillfen`);
  await page.getByRole("button", { name: "Import" }).click();
  const dialog = page.getByRole("dialog", { name: "Import paints" });
  await dialog.locator("input[type=file]").setInputFiles({
    name: "many.csv",
    mimeType: "text/csv",
    buffer: Buffer.from(`name,pigments,maker\n${rows.join("\n")}`),
  });
  await dialog.getByRole("button", { name: /^Add \d+ paints$/ }).click();
  await expect(count).toHaveText("1000 of 1000");
  await expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible({ timeout: 30_000 });
  const desk = await context.newPage();
  await desk.goto(server.url);
  await desk.getByRole("button", { name: /^Area 5:/ }).click({ timeout: 60_000 });
  await expect(desk.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem").first()).toContainText(
    /The (closest|calmest)/,
    { timeout: 30_000 },
  );
  await expect(desk.getByText(/the 60 most different of \d+/)).toBeVisible();
  await desk.close();
  await type(page.getByRole("searchbox", { name: "Search the paintbox" }), "777");
  await expect(paints(page)).toHaveCount(1);
  await page.getByRole("button", { name: "Undo" }).click();
  await type(page.getByRole("searchbox", { name: "Search the paintbox" }), "");
  await expect(paints(page)).toHaveCount(before);
  await expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible({ timeout: 30_000 });
});

test("shopping lists come from where the paints stand; another year is an entry of its own, linked; a label that contradicts is told", async ({
  page,
}) => {
  await openBox(page);
  await paints(page).filter({ hasText: "Cobalt blue" }).click();
  await sheet(page).getByRole("combobox", { name: "It is" }).selectOption("wished for");
  await type(field(page, "transparency"), "opaque");
  await type(field(page, "granulation"), "non-granulating");
  await field(page, "granulation").press("Enter");
  await sheet(page).getByRole("button", { name: "another year" }).click();
  await type(field(page, "Batch or year"), "2026");
  await field(page, "Batch or year").press("Enter");
  await sheet(page).getByRole("region", { name: "Other years" }).getByRole("button", { name: "Cobalt blue" }).click();
  await expect(
    sheet(page).getByRole("region", { name: "Other years" }).getByRole("button", { name: "2026" }),
  ).toBeVisible();
  await paints(page).filter({ hasText: "Payne's grey" }).click();
  await sheet(page).getByRole("combobox", { name: "It is" }).selectOption("never again");
  const lists = page.getByRole("region", { name: "Lists" });
  await expect(lists).toContainText(/To buy.*Cobalt blue · PB28/s);
  await expect(lists).toContainText(/Not to buy.*Payne's grey/s);
  await paints(page).filter({ hasText: "Ultramarine" }).first().click();
  await type(field(page, "transparency"), "opaque");
  await field(page, "transparency").press("Enter");
  await expect(sheet(page)).toContainText("the handbook has it as transparent");
  await saved(page);
});

test("a box is arranged by keys and by drag, ordered with its empty wells kept, filled, and kept after a reload", async ({
  page,
}) => {
  await openBox(page);
  await page.getByRole("tab", { name: "Boxes" }).click();
  const box = page.getByRole("region", { name: "Box: For the canal" });
  const well = (at: number) => box.locator(`[data-well="${at}"]`);
  const names = async (): Promise<string[]> =>
    box.locator("[data-well]").evaluateAll((all) =>
      all.map(
        (w) =>
          w
            .getAttribute("aria-label")!
            .replace(/^[^:]*: /, "")
            .split(".")[0]!,
      ),
    );
  const before = await names();
  expect(before).toHaveLength(12);
  await judged(page, "the boxes");
  await staysInside(page);
  await well(0).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Alt+ArrowLeft");
  expect((await names()).slice(0, 2)).toEqual([before[1], before[0]]);
  await page.keyboard.press("Control+z");
  expect(await names()).toEqual(before);
  const [from, to] = [(await well(0).boundingBox())!, (await well(11).boundingBox())!];
  await page.mouse.move(from.x + 40, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(to.x + 40, to.y + 30, { steps: 15 });
  await page.mouse.up();
  await expect.poll(async () => (await names())[11]).toBe(before[0]);
  expect((await names())[0]).toBe("empty");
  await box.getByRole("combobox", { name: "Order the box" }).selectOption("lights to darks");
  const ordered = await names();
  expect(ordered[0]).toBe("empty");
  expect([...ordered].sort()).toEqual([...before].sort());
  await well(0).getByRole("button").click();
  const picker = page.getByRole("dialog", { name: /A paint for row 1, well 1/ });
  await type(picker.getByRole("searchbox"), "PY3");
  await picker.getByRole("button", { name: /Lemon yellow/ }).click();
  expect((await names())[0]).toBe("Lemon yellow");
  await type(box.getByLabel("Columns"), "5");
  expect((await names()).filter((name) => name !== "empty")).toHaveLength(9);
  await saved(page);
  await page.reload();
  await page.getByRole("tab", { name: "Boxes" }).click();
  expect((await names())[0]).toBe("Lemon yellow");
  expect(await names()).toHaveLength(10);
});

test("a row of a box takes whole pans, a paint is dragged by touch, and a GIMP palette is read", async ({ page }) => {
  await openBox(page);
  await page.getByRole("tab", { name: "Boxes" }).click();
  const box = page.getByRole("region", { name: "Box: For the canal" });
  const well = (at: number) => box.locator(`[data-well="${at}"]`);
  const label = (at: number) => well(at).getAttribute("aria-label");
  const half = (await well(0).boundingBox())!.width;
  await box.getByRole("button", { name: /^Row 1 has half pans/ }).click();
  await expect(box.getByRole("button", { name: /^Row 1 has whole pans/ })).toBeVisible();
  expect((await well(0).boundingBox())!.width).toBeGreaterThan(1.4 * half);
  expect((await box.locator("[data-well]").last().boundingBox())!.width).toBe(half);
  const [first, fourth] = [await label(1), await label(3)];
  const [a, b] = [(await well(1).boundingBox())!, (await well(3).boundingBox())!];
  const client = await page.context().newCDPSession(page);
  const touch = (type: "touchStart" | "touchMove" | "touchEnd", x?: number, y?: number) =>
    client.send("Input.dispatchTouchEvent", { type, touchPoints: x === undefined ? [] : [{ x, y: y! }] });
  await touch("touchStart", a.x + 40, a.y + 30);
  for (let i = 1; i <= 10; i++) await touch("touchMove", a.x + 40 + ((b.x - a.x) * i) / 10, a.y + 30);
  await touch("touchEnd");
  await expect(well(3)).toHaveAttribute("aria-label", first!.replace("well 2", "well 4"));
  await expect(well(1)).toHaveAttribute("aria-label", fourth!.replace("well 4", "well 2"));
  await saved(page);
  await page.reload();
  await page.getByRole("tab", { name: "Boxes" }).click();
  await expect(box.getByRole("button", { name: /^Row 1 has whole pans/ })).toBeVisible();

  await page.getByRole("tab", { name: "Paints" }).click();
  await page.getByRole("button", { name: "Import" }).click();
  const dialog = page.getByRole("dialog", { name: "Import paints" });
  await dialog.locator("input[type=file]").setInputFiles({
    name: "field.gpl",
    mimeType: "text/plain",
    buffer: Buffer.from("GIMP Palette\nName: Field\n#\n 10 30 120 Indanthrone blue\n 1 2 3 Nothing known\n"),
  });
  await expect(dialog.getByRole("status")).toContainText("1 paint can be taken, 1 can't");
  await expect(dialog.getByRole("list", { name: "Lines that can't be taken" })).toContainText("line 5");
});

test("a paintbox that can't be right is not saved whatever sends it", async () => {
  const put = async (body: unknown): Promise<number> =>
    (await fetch(`${server.url}/api/paintbox`, { method: "PUT", body: JSON.stringify(body) })).status;
  expect(await put({})).toBe(400);
  const stamp = { revision: 0, writer: crypto.randomUUID(), step: 1 };
  expect(await put({ ...stamp, document: { paints: [{ id: "x" }] } })).toBe(400);
  expect(await put({ ...stamp, document: { paints: [], boxes: [] } })).toBe(409);
  expect(await put({ ...stamp, paints: [{ id: "x" }] })).toBe(400);
  expect(await put({ ...stamp, paints: [] })).toBe(400);
  const stranger = newPaint({ id: crypto.randomUUID(), name: "Nobody's", pigments: [{ pigmentId: "PY43", share: 1 }] });
  expect(await put({ ...stamp, paints: [stranger] })).toBe(409);
});

test("gaps name a lasting pigment, and one press wishes for it", async ({ page }) => {
  // A box of two earths, whatever revision the tests before have come to.
  const entry = (id: string, name: string, pigmentId: string) =>
    newPaint({ id, name, pigments: [{ pigmentId, share: 1 }] });
  const paintsOfEarth = [
    entry("0b8f5f0e-6d5c-4a53-9c39-2f3a4f1f9d11", "Ochre", "PY43"),
    entry("0b8f5f0e-6d5c-4a53-9c39-2f3a4f1f9d12", "Umber", "PBr7-burnt-umber"),
  ];
  const store = (revision: number): Promise<Response> =>
    fetch(`${server.url}/api/paintbox`, {
      method: "PUT",
      body: JSON.stringify({
        revision,
        writer: crypto.randomUUID(),
        step: 1,
        document: { paints: paintsOfEarth, boxes: [] },
      }),
    });
  // A save that is made from no revision there was is told which one is stored.
  const { stored } = (await (await store(2 ** 31 - 2)).json()) as { stored: { revision: number } };
  const { status } = await store(stored.revision);
  expect(status).toBe(200);
  await page.goto(`${server.url}/paintbox`);
  await expect(paints(page)).toHaveCount(2);
  await unlocked(page);
  const gaps = page.getByRole("region", { name: "Gaps" });
  await expect(gaps.getByRole("listitem").first()).toContainText(/chroma \d+ instead of \d+/);
  await gaps.getByRole("button", { name: "wish for it" }).first().click();
  await expect(paints(page)).toHaveCount(3);
  await expect(sheet(page).getByRole("combobox", { name: "It is" })).toHaveValue("wished for");
  await expect(page.getByRole("region", { name: "Lists" })).toContainText("To buy");
  await saved(page);
});
