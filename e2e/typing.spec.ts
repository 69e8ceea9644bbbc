import { expect, type Locator, type Page } from "@playwright/test";
import { testAlone as test, unlocked } from "./house";
import { click, photo, saved, step } from "./photo-page";
import { startServer, type RunningServer } from "./server";
import { type } from "./typing";

/**
 * Every text and number field of every room keeps the focus and what is typed, key by key, fast and slow, while saving
 * goes on; and what a field stores is there after the page was loaded anew.
 */

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
  await expect.poll(async () => (await fetch(server.url)).url).toContain("/painting/");
});
test.afterAll(() => server.stop("SIGTERM"));

/** Pauses between keys: held down, a quick hand, one that looks for its keys while each letter is saved. */
const PAUSES = [0, 30, 250, 0, 30, 0, 0];

/** Fields that one types into, by their roles; a list that drops down has such a role too, and is none. */
async function fieldsOf(scope: Locator): Promise<Locator[]> {
  const found = scope
    .getByRole("textbox")
    .or(scope.getByRole("searchbox"))
    .or(scope.getByRole("spinbutton"))
    .or(scope.getByRole("combobox"));
  const fields: Locator[] = [];
  for (let i = 0; i < (await found.count()); i++) {
    const one = found.nth(i);
    const typed = await one.evaluate(
      (element) =>
        (element instanceof HTMLInputElement && element.type !== "date") || element instanceof HTMLTextAreaElement,
    );
    if (typed && (await one.isVisible()) && (await one.isEnabled())) fields.push(one);
  }
  return fields;
}

/** What a hand would type into a field. */
async function textFor(field: Locator): Promise<string> {
  const [words, value, number] = await field.evaluate((element) => {
    const input = element as HTMLInputElement;
    const label = input.labels?.[0]?.textContent ?? input.getAttribute("aria-label") ?? "";
    return [label, input.value, input.type === "number" || input.inputMode === "decimal"] as const;
  });
  if (/strength/i.test(words)) return "1.25";
  if (/Currency/.test(words)) return "EUR";
  if (/value|Came out/i.test(words)) return "6.5";
  if (/Rows|Columns|Parts of/i.test(words)) return "7";
  return number || (/^-?[\d.]+$/.test(value) && !/Code|Batch/.test(words)) || /ml|Price|Left|L\*|a\*|b\*/.test(words)
    ? "12.5"
    : "North wall";
}

interface Typed {
  readonly field: Locator;
  readonly text: string;
  readonly search: boolean;
}

/** Types into all fields of a view, one after the other, key by key, and looks after every key. */
async function typeEverywhere(scope: Locator): Promise<Typed[]> {
  const all: Typed[] = [];
  for (const field of await fieldsOf(scope)) {
    const text = await textFor(field);
    const words = await field.evaluate((element) => element.getAttribute("aria-label") ?? element.id);
    await field.focus();
    await field.press("ControlOrMeta+a");
    for (const [i, letter] of [...text].entries()) {
      await field.page().keyboard.type(letter);
      await field.page().waitForTimeout(PAUSES[i % PAUSES.length]!);
      await expect(field, `${words} after “${text.slice(0, i + 1)}”`).toBeFocused();
      // A number's own field tells nothing of a point that no figure follows yet.
      if (letter !== ".") await expect(field, words).toHaveValue(text.slice(0, i + 1));
    }
    const search = await field.evaluate(
      (element) =>
        (element as HTMLInputElement).type === "search" ||
        element.getAttribute("role") === "combobox" ||
        /^(Add|Search|What do you paint)/.test(element.getAttribute("aria-label") ?? ""),
    );
    // A list that was searched stands whole again for the next field.
    if (search) await type(field, "");
    all.push({ field, text, search });
  }
  return all;
}

/** Opens a view, types everywhere in it, loads the page anew, opens it once more and finds what was typed. */
async function keeps(
  page: Page,
  open: () => Promise<Locator>,
  { least, stored = true }: { least: number; stored?: boolean },
): Promise<void> {
  const typed = await typeEverywhere(await open());
  expect(typed.length).toBeGreaterThanOrEqual(least);
  if (!stored) return;
  await page.keyboard.press("Escape");
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  if (await page.getByText(/^Sav/).count()) await saved(page);
  await page.reload();
  await open();
  for (const { field, text, search } of typed) if (!search) await expect(field).toHaveValue(text);
}

const desk = async (page: Page, address: string): Promise<void> => {
  await page.goto(address);
  await drawn(page);
};
async function drawn(page: Page): Promise<void> {
  await photo(page).locator("canvas[data-drawn]").waitFor();
  await unlocked(page);
}
const plan = (page: Page) => page.getByRole("region", { name: "Plan step" });

test("on the desk: the painting, its sheet, an area, its colours, palettes, a dark, the plan and its tests", async ({
  page,
}) => {
  await desk(page, server.url);
  const address = page.url().split("?")[0]!;
  await desk(page, `${address}?step=photo`);
  await keeps(page, async () => (await drawn(page), page.locator("body")), { least: 3 });

  await click(page, { x: 0.3, y: 0.4 });
  await keeps(page, async () => page.getByRole("complementary"), { least: 1, stored: false });
  await page.keyboard.press("Escape");

  await step(page, "Areas");
  await page.getByRole("list", { name: "Areas" }).getByRole("button").first().click();
  const area = page.getByRole("article", { name: /^Area \d+:/ });
  await keeps(page, async () => (await drawn(page), area), { least: 1 });
  await area.getByRole("button", { name: "Mix it" }).click();
  await expect(area).toContainText("Mix it like this");
  await keeps(page, async () => (await drawn(page), area), { least: 1 });

  await step(page, "Palette");
  const panel = page.getByRole("region", { name: "Palette step" });
  await panel.getByRole("radio", { name: "Side by side" }).click();
  await keeps(page, async () => panel, { least: 1, stored: false });
  await panel.getByRole("button", { name: "Keep the tray's palette" }).click();
  await keeps(page, async () => panel.getByRole("list", { name: "Kept palettes" }), { least: 1, stored: false });
  await saved(page);

  await step(page, "Check");
  await page.getByRole("region", { name: "Check step" }).getByRole("radio", { name: "Darks" }).click();
  const all = page.getByRole("button", { name: "All areas" });
  if (await all.isVisible()) await all.click();
  await page.getByRole("list", { name: "Darks" }).getByRole("button").first().click();
  await page.getByRole("button", { name: "Did it come out too light?" }).click();
  await keeps(page, async () => page.getByRole("region", { name: "Ways to this dark" }), { least: 1, stored: false });

  await step(page, "Plan");
  await plan(page).getByRole("radio", { name: "Order", exact: true }).click();
  const conditions = page.getByRole("region", { name: "Conditions" });
  const opened = async (): Promise<Locator> => {
    await drawn(page);
    await plan(page).getByRole("radio", { name: "Order", exact: true }).click();
    await conditions.getByRole("button").first().click();
    return conditions;
  };
  await keeps(page, opened, { least: 2 });
  const along = async (): Promise<Locator> => {
    await drawn(page);
    await plan(page).getByRole("radio", { name: "To take along" }).click();
    return page.getByRole("list", { name: "Mixes to test" }).getByRole("listitem").first();
  };
  await keeps(page, along, { least: 1 });
});

test("in the paintbox, in a box, in lists of paints, and on the shelf", async ({ page }) => {
  await page.goto(`${server.url}/paintbox`);
  await page
    .getByRole("list", { name: "Paints" })
    .getByRole("button", { name: /Ultramarine/ })
    .first()
    .click();
  const sheet = page.getByRole("article", { name: /Ultramarine|North wall/ });
  await sheet.waitFor();
  await unlocked(page);
  await keeps(
    page,
    async () => {
      await unlocked(page);
      if (!(await sheet.isVisible()))
        await page
          .getByRole("list", { name: "Paints" })
          .getByRole("button", { name: /North wall/ })
          .first()
          .click();
      return page.locator("body");
    },
    { least: 14 },
  );

  await page.getByRole("tab", { name: "Boxes" }).click();
  const box = page
    .getByRole("region", { name: /^Box/ })
    .or(page.getByRole("tabpanel", { name: "Boxes" }))
    .first();
  await keeps(page, async () => box, { least: 3, stored: false });
  await saved(page);

  await page.goto(`${server.url}/paintbox?begin`);
  const dialog = page.getByRole("dialog");
  await dialog.waitFor();
  await unlocked(page);
  await keeps(page, async () => dialog, { least: 1, stored: false });

  await page.goto(`${server.url}/paintings`);
  await unlocked(page);
  await page.getByRole("button", { name: "Rename" }).first().click();
  await keeps(page, async () => page.getByRole("main"), { least: 1, stored: false });
});

test("in the logbook, the measuring room, the handbook, the mixing room and beside packing", async ({ page }) => {
  await page.goto(`${server.url}/logbook`);
  await unlocked(page);
  await keeps(page, async () => page.getByRole("main"), { least: 1, stored: false });
  await page.getByRole("button", { name: "Note a swatch" }).click();
  const entry = page.getByRole("complementary", { name: "One page of the book" });
  await entry.waitFor();
  await entry.getByRole("button", { name: /paint/ }).first().click();
  const picker = page.getByRole("dialog", { name: /paint/i });
  await keeps(page, async () => picker, { least: 1, stored: false });
  await picker
    .getByRole("button", { name: /^(Ultramarine|North wall)/ })
    .first()
    .click();
  await page.keyboard.press("Escape");
  await keeps(
    page,
    async () => {
      await unlocked(page);
      if (!(await entry.isVisible())) await page.getByRole("article").first().getByRole("button").first().click();
      return entry;
    },
    { least: 3 },
  );

  await page.goto(`${server.url}/measure`);
  await unlocked(page);
  await page.getByRole("tab", { name: "By numbers" }).click();
  await keeps(page, async () => (await unlocked(page), page.getByRole("main")), { least: 24 });

  for (const room of ["handbook", "pack"]) {
    await page.goto(`${server.url}/${room}`);
    await unlocked(page);
    await keeps(page, async () => page.locator("body"), { least: 1, stored: false });
  }
  await page.goto(`${server.url}/try-a-mix`);
  await unlocked(page);
  await page.getByRole("button", { name: /paint/ }).first().click();
  await keeps(page, async () => page.getByRole("dialog").first(), { least: 1, stored: false });
});
