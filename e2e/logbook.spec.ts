import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { test, unlocked, walkTo } from "./house";
import { judged, staysInside } from "./judged";
import { onDesk, step } from "./photo-page";
import type { RunningServer } from "./server";
import { type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
let page: Page;
test.beforeAll(async ({ profile, demoServer }) => {
  server = await demoServer();
  page = await profile.newPage();
});
test.afterAll(() => page.close());

const sheet = () => page.getByRole("complementary", { name: "One page of the book" });
const saved = () => expect(sheet().getByText("Saved", { exact: true })).toBeVisible({ timeout: 15_000 });
async function openBook(): Promise<void> {
  await walkTo(page, server.url, "/logbook");
  await expect(page.getByRole("heading", { name: "Logbook", level: 1 })).toBeVisible();
  await unlocked(page);
}
async function pickPaint(section: string, name: RegExp): Promise<void> {
  await sheet()
    .getByRole("region", { name: section })
    .getByRole("button", { name: /^(Which|Another) paint$/ })
    .click();
  await page.locator("dialog[open]").getByRole("button", { name }).click();
  await expect(page.locator("dialog[open]")).toHaveCount(0);
}

/** A photo of a grey blue swatch on cream paper in lamplight; nothing else is in it. */
const photo = (): Promise<Buffer> =>
  sharp({ create: { width: 600, height: 400, channels: 3, background: { r: 214, g: 196, b: 168 } } })
    .composite([
      {
        input: { create: { width: 200, height: 160, channels: 3, background: { r: 96, g: 92, b: 100 } } },
        left: 300,
        top: 120,
      },
    ])
    .jpeg({ quality: 95 })
    .toBuffer();

test("the demo's pages are found by words, kind and colour; two stand side by side, the same mix held against itself", async () => {
  await openBook();
  const pages = page.getByRole("list", { name: "Pages" }).getByRole("listitem");
  await expect(pages).toHaveCount(5);
  await type(page.getByRole("searchbox", { name: "Search the logbook" }), "pb29 quiet");
  await expect(pages).toHaveCount(1);
  await page.getByRole("button", { name: "Show all" }).click();
  await page.getByRole("combobox", { name: "Kind" }).selectOption({ label: "ring of a palette" });
  await expect(pages).toHaveCount(1);
  await page.getByRole("button", { name: "Show all" }).click();
  await page
    .getByRole("article", { name: "The new tubes" })
    .getByRole("button", { name: "What made something like Ultramarine" })
    .click();
  await expect(page.getByText("like this colour")).toBeVisible();
  await expect(pages).toHaveCount(3);
  await expect(page.getByRole("status").filter({ hasText: "of 5" })).toHaveText("3 of 5");
  for (const name of ["The new tubes", "The same tubes, bought anew"])
    await page.getByRole("article", { name }).getByRole("checkbox", { name: "side by side" }).click();
  const both = page.getByRole("region", { name: "Two entries side by side" });
  await expect(both.getByRole("list", { name: "The same mix in both" }).getByRole("listitem")).toHaveCount(4);
  await expect(both.getByText("2024", { exact: true })).toBeVisible();
  await expect(both.getByText(/2 years of light on a wall would take about/).first()).toBeVisible();
  await both.getByRole("button", { name: "Back to the pages" }).click();
  await page.getByRole("tab", { name: "Board" }).click();
  await judged(page, "the logbook's board");
});

test("a swatch is noted, its colour read from a photo off the paper beside it, and the book learns from it", async () => {
  await openBook();
  await page.getByRole("tab", { name: "What it has taught" }).click();
  await expect(page.getByText("Nothing counts in the book yet.")).toBeVisible();
  await page.getByRole("button", { name: "Note a swatch" }).click();
  await type(sheet().getByLabel("Title"), "Wet brick");
  await pickPaint("Swatch 1", /^Ultramarine/);
  await pickPaint("Swatch 1", /^Burnt sienna/);
  await type(sheet().getByLabel("Parts of Burnt sienna"), "0");
  await expect(sheet().getByText("Every part is above 0.")).toBeVisible();
  await type(sheet().getByLabel("Parts of Burnt sienna"), "2");
  await sheet()
    .getByLabel("Photos of this entry")
    .setInputFiles({ name: "swatch.jpg", mimeType: "image/jpeg", buffer: await photo() });
  await sheet().getByRole("button", { name: "From a photo" }).click({ timeout: 30_000 });
  const dialog = page.getByRole("dialog", { name: /^The colour of/ });
  const place = dialog.getByRole("button", { name: /^Photo: press/ });
  await place.click({ position: { x: 380, y: 200 } });
  await place.click({ position: { x: 60, y: 60 } });
  await expect(dialog.getByRole("alert")).toContainText("darker than the swatch");
  await dialog.getByRole("radio", { name: /^bare paper/ }).click();
  await place.click({ position: { x: 60, y: 60 } });
  await dialog.getByRole("radio", { name: /^swatch/ }).click();
  await place.click({ position: { x: 380, y: 200 } });
  await expect(dialog.getByLabel("Colour read")).toContainText("L*");
  const [, L, , b] = /L\* (-?\d+), a\* (-?\d+), b\* (-?\d+)/.exec(
    (await dialog.getByLabel("Colour read").textContent())!,
  )!;
  // A neutral grey in lamplight: beside the paper it is a blue.
  expect(Number(L)).toBeGreaterThan(35);
  expect(Number(L)).toBeLessThan(52);
  expect(Number(b)).toBeLessThan(-8);
  await dialog.getByRole("button", { name: "Take this colour" }).click();
  await expect(sheet().getByText(/^dE00 .* off/)).toBeVisible();
  await expect(sheet().getByText("the first swatch with these paints")).toBeVisible({ timeout: 15_000 });
  await saved();
  await page.getByRole("tab", { name: "What it has taught" }).click();
  await expect(page.getByRole("list", { name: "Paints as they were learned" }).getByRole("listitem")).toHaveCount(2);
  await judged(page, "what the book has taught");
});

test("what is set aside teaches nothing, undo lets it count again; a bad L* a* b* is told; the bin gives back", async () => {
  await openBook();
  await page
    .getByRole("article", { name: "Wet brick", exact: true })
    .getByRole("button", { name: /Wet brick/ })
    .click();
  await sheet().getByRole("checkbox", { name: "learn from it" }).uncheck();
  await saved();
  await expect(sheet().getByRole("status", { name: "What that changed" })).toContainText(
    /Ultramarine is predicted dE00/,
  );
  await page.getByRole("tab", { name: "What it has taught" }).click();
  await expect(page.getByText("Nothing counts in the book yet.")).toBeVisible({ timeout: 15_000 });
  await sheet().getByRole("button", { name: "Undo" }).click();
  await expect(sheet().getByRole("checkbox", { name: "learn from it" })).toBeChecked();
  await expect(page.getByText("Learned from one swatch")).toBeVisible({ timeout: 15_000 });
  await sheet().getByRole("button", { name: "L* a* b*" }).click();
  await type(sheet().getByLabel("L*", { exact: true }), "140");
  await sheet().getByRole("button", { name: "Keep it" }).click();
  await expect(sheet().getByRole("alert").filter({ hasText: "L* lies between 0 and 100." })).toBeVisible();
  await judged(page, "a page of the book, with what can't be right");
  await staysInside(page);
  await saved();
  await sheet().getByRole("button", { name: "Put in the bin" }).click();
  await expect(sheet()).toHaveCount(0);
  await page.getByRole("tab", { name: "Pages" }).click();
  const bin = page.getByRole("region", { name: "Bin" });
  await bin.getByRole("button", { name: "Take out" }).click();
  await expect(page.getByRole("article", { name: "Wet brick", exact: true })).toBeVisible();
});

test("what to paint next is told for the painting, put down as an entry, and answered for the whole box", async () => {
  await openBook();
  await page.getByRole("tab", { name: "Paint next" }).click();
  const next = page.getByRole("region", { name: "What to paint next" });
  await expect(next.getByText(/mixes are missed by dE00/)).toBeVisible({ timeout: 30_000 });
  await expect(next.getByRole("listitem")).toHaveCount(3);
  await judged(page, "what to paint next");
  await next.getByLabel("For").selectOption({ label: "the whole box" });
  await expect(next.getByText(/mixes are missed by dE00/)).toBeVisible({ timeout: 30_000 });
  await next.getByLabel("For").selectOption({ label: "The pump house at last light" });
  await next.getByRole("button", { name: "Put these down as an entry" }).click({ timeout: 30_000 });
  await expect(sheet().getByLabel("Title")).toHaveValue("Swatches for The pump house at last light");
  await expect(sheet().getByRole("region", { name: /^Swatch \d$/ })).toHaveCount(3);
});

test("on the desk predictions stand on the book, and a mix is kept in it by one press", async () => {
  await onDesk(page, server.url);
  await step(page, "Mixes");
  await page.getByRole("button", { name: "Area 5: Brick in the sun" }).click({ timeout: 60_000 });
  // On to the first area that is mixed with one of the swatch's paints.
  const used = page.getByRole("region", { name: "Recipe in use" });
  const told = used.getByText(/your one swatch in the logbook/);
  await expect(used.getByText(/comes out within/)).toBeVisible({ timeout: 30_000 });
  for (let i = 0; i < 7 && (await told.count()) === 0; i++) {
    await page.getByRole("button", { name: /^Next: / }).click();
    await expect(used.getByText(/comes out within/)).toBeVisible();
  }
  await expect(told).toBeVisible();
  await used.getByRole("button", { name: "Keep this mix in the logbook" }).click({ timeout: 30_000 });
  await page.getByRole("link", { name: "look at it" }).click();
  await expect(sheet().getByLabel("Title")).toHaveValue(/.+/, { timeout: 20_000 });
  await expect(sheet().getByLabel("For the painting")).toHaveValue(/.+/);
  await expect(sheet().getByLabel("Kind")).toHaveValue("mix");
});

test("a ring noted by hand names its paints, and is held against another ring by what it adds", async () => {
  await openBook();
  await page.getByRole("combobox", { name: "Note something else" }).selectOption({ label: "ring of a palette" });
  await type(sheet().getByLabel("Title"), "Three and a violet");
  await sheet().getByRole("button", { name: "Note paints" }).click();
  const dialog = page.getByRole("dialog", { name: "Which paints were laid out" });
  for (const name of [/^Ultramarine/, /^Burnt sienna/, /^Dioxazine violet/])
    await dialog.getByRole("button", { name }).click();
  await dialog.getByRole("button", { name: "Close" }).first().click();
  const own = sheet().getByRole("region", { name: "Paints of the page" });
  await expect(own.getByRole("listitem")).toHaveCount(3);
  await saved();
  for (const name of ["Six for the canal", "Three and a violet"])
    await page.getByRole("article", { name }).getByRole("checkbox", { name: "side by side" }).click();
  await expect(page.getByRole("region", { name: "What the second ring adds" })).toContainText(
    "colours that the first does not make",
  );
});

test("the eye is asked for two minutes by keys alone; what it erred in is kept and shown by week", async () => {
  await openBook();
  await page.getByRole("tab", { name: "The eye" }).click();
  const eye = page.getByRole("region", { name: "Training the eye" });
  await eye.getByRole("button", { name: "Two minutes" }).press("Enter");
  await eye.getByRole("timer").waitFor();
  await judged(page, "a question to the eye");
  for (let i = 0; i < 3; i++) {
    await expect(eye.getByRole("timer")).toContainText("seconds left");
    const slider = eye.getByRole("slider");
    if ((await slider.count()) > 0) {
      await slider.press("ArrowRight");
      await eye.getByRole("button", { name: "That value" }).press("Enter");
    } else await page.keyboard.press("1");
    await expect(eye.getByRole("status").filter({ hasText: /Right|Off by|other one|It is not/ })).toBeVisible();
    await page.keyboard.press("Enter");
  }
  await openBook();
  await page.getByRole("tab", { name: "The eye" }).click();
  await expect(page.getByRole("figure", { name: "Errors by week" })).toBeVisible();
});

test("the whole book goes out as a file and comes back; another file is refused and nothing changes", async () => {
  await openBook();
  const file = page.getByRole("region", { name: "The book as a file" });
  const download = page.waitForEvent("download");
  await file.getByRole("link", { name: "All of it, with photos" }).click();
  const path = await (await download).path();
  const bring = file.getByLabel("A logbook's file");
  await bring.setInputFiles({ name: "notes.zip", mimeType: "application/zip", buffer: Buffer.from("no zip") });
  await expect(file.getByRole("alert")).toContainText("Nothing was taken from it.");
  await bring.setInputFiles(path);
  await expect(file.getByRole("status")).toContainText("stood here already", { timeout: 30_000 });
});

test("the check shows what light leaves of the painting, which colour goes first, and in the picture", async () => {
  await onDesk(page, server.url);
  await step(page, "Check");
  await page.getByRole("radio", { name: "In the light" }).click({ timeout: 60_000 });
  const list = page.getByRole("list", { name: "Colours in the light" });
  await expect(list.getByRole("listitem")).toHaveCount(20);
  await judged(page, "what light leaves of the painting");
  const first = list.getByRole("listitem").first();
  const change = async (): Promise<number> => Number(/dE00 ([\d.]+)/.exec((await first.textContent())!)?.[1] ?? 0);
  const onAWall = await change();
  await page.getByRole("radio", { name: "near a window" }).click();
  expect(await change()).toBeGreaterThan(onAWall);
  await expect(page.getByRole("button", { name: "Show the photo" })).toBeVisible();
  await page.getByRole("radio", { name: "in a closed book" }).click();
  await expect(first).toContainText("stays as it is");
  await page.getByRole("radio", { name: "near a window" }).click();
  await page.getByRole("radio", { name: "100", exact: true }).click();
  await expect(page.getByText("more light than the classes were tested with")).toBeVisible();
});

test("what can't be an entry is refused at the door in words, and nothing of it is kept", async () => {
  const { request } = page;
  const url = `${server.url}/api/logbook`;
  const entry = {
    kind: "note",
    title: "From outside",
    on: "2026-01-02",
    paperId: "cotton-rough",
    paints: [],
    mixes: [],
    photos: [],
    seen: { granulates: "", stains: "", lifts: "", blooms: "", flows: "", separates: "" },
    notes: "",
    moods: [],
    stars: 0,
    painting: null,
  };
  const id = crypto.randomUUID();
  const said = async (document: object, status: number): Promise<string> => {
    const answer = await request.post(url, { data: { id, document } });
    expect(answer.status()).toBe(status);
    return ((await answer.json()) as { message?: string }).message ?? "";
  };
  expect(await said({ ...entry, stars: 9 }, 400)).toContain("could not be kept");
  expect(await said({ ...entry, on: "2999-01-01" }, 400)).toBe("The day of an entry can't be still to come.");
  expect(await said({ ...entry, photos: ["f".repeat(64)] }, 409)).toBe("A photo of this entry is no longer there.");
  expect(await said({ ...entry, moods: Array.from({ length: 13 }, (_, i) => `m${i}`) }, 400)).toContain(
    "12 mood words",
  );
  expect((await request.get(`${url}/${id}`)).status()).toBe(404);
  expect((await request.post(url, { data: { id: "none", document: entry } })).status()).toBe(400);

  await said(entry, 201);
  await said({ ...entry, title: "sent again" }, 201);
  const stored = (await (await request.get(`${url}/${id}`)).json()) as {
    document: { title: string };
    revision: number;
  };
  expect(stored).toMatchObject({ revision: 0, document: { title: "From outside" } });
  const save = (revision: number) =>
    request.put(`${url}/${id}`, {
      data: { revision, writer: crypto.randomUUID(), step: 1, document: { ...entry, title: `Saved at ${revision}` } },
    });
  expect((await save(0)).status()).toBe(200);
  const late = await save(0);
  expect(late.status()).toBe(409);
  expect(await late.json()).toMatchObject({ stored: { revision: 1, document: { title: "Saved at 0" } } });
  expect((await request.put(`${url}/${crypto.randomUUID()}`, { data: { document: entry } })).status()).toBe(400);
  expect((await request.patch(`${url}/${id}`, { data: { title: "no" } })).status()).toBe(400);
  expect((await request.patch(`${url}/${crypto.randomUUID()}`, { data: { binned: true } })).status()).toBe(404);
  expect((await request.delete(`${url}/${id}`)).status()).toBe(200);
  expect((await request.get(`${url}/${id}`)).status()).toBe(404);
  const question = { id: crypto.randomUUID(), kind: "taste", bucket: "dark", error: 1 };
  expect((await request.post(`${server.url}/api/eye`, { data: question })).status()).toBe(400);
  expect((await request.get(`${server.url}/api/paintings/none/next-swatches`)).status()).toBe(404);
});

test("two windows on one page of the book: other fields come together, the same field is asked about", async ({
  profile,
}) => {
  await openBook();
  await page.getByRole("button", { name: "Note a swatch" }).click();
  await type(sheet().getByLabel("Title"), "Two windows");
  await saved();
  const second = await profile.newPage();
  await second.goto(`${server.url}/logbook`);
  await second
    .getByRole("article", { name: "Two windows" })
    .getByRole("button", { name: /Two windows/ })
    .click();
  const other = second.getByRole("complementary", { name: "One page of the book" });
  await type(other.getByLabel("Notes"), "from the second");
  await expect(other.getByText("Saved", { exact: true })).toBeVisible({ timeout: 15_000 });
  await sheet().getByRole("button", { name: "2 stars" }).click();
  await saved();
  await expect(sheet().getByLabel("Notes")).toHaveValue("from the second", { timeout: 15_000 });
  await type(other.getByLabel("Title"), "Its own title");
  await expect(other.getByText("Saved", { exact: true })).toBeVisible({ timeout: 15_000 });
  await expect(other.getByRole("button", { name: "2 stars" })).toHaveAttribute("aria-pressed", "true");
  await type(sheet().getByLabel("Title"), "Another title");
  await expect(page.getByText("Changed in another window too")).toBeVisible({ timeout: 15_000 });
  await page.getByRole("button", { name: "Let mine go, load the other" }).click();
  await expect(page.getByRole("article", { name: "Its own title" })).toBeVisible({ timeout: 20_000 });
  await second.close();
});
