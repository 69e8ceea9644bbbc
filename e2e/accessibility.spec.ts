import { AxeBuilder } from "@axe-core/playwright";
import { expect, test, type Page } from "@playwright/test";
import { startServer, type RunningServer } from "./server";

// Checked from outside with axe-core's rules for WCAG 2.1 A and AA (names, roles, contrast), in both themes.

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
  await fetch(server.url).then((r) => r.text());
});
test.afterAll(() => server.stop("SIGTERM"));

async function faults(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"]).analyze();
  return violations.flatMap(({ id, nodes }) => nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary?.split("\n")[1]?.trim() ?? ""}`));
}

async function paletteView(page: Page, name: string): Promise<void> {
  await page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name: /Palette$/ }).click();
  await page.getByText(/^Found in/).waitFor({ timeout: 60_000 });
  await page.getByRole("radio", { name, exact: true }).click();
}

const views: readonly (readonly [name: string, path: string, prepare: (page: Page) => Promise<unknown>])[] = [
  ["the desk with all areas", "/", (page) => page.getByRole("region", { name: "Mixes step" }).waitFor({ timeout: 60_000 })],
  ["the photo step in values, the sheet being placed", "/", async (page) => {
    await page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name: /Photo$/ }).click();
    await page.getByRole("button", { name: "5 values" }).click();
    await page.getByRole("button", { name: "Place the sheet" }).click();
  }],
  ["the areas step with proposals", "/", async (page) => {
    await page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name: /Areas$/ }).click();
    await page.getByRole("region", { name: "Relations" }).waitFor();
  }],
  ["an area's shape", "/", async (page) => {
    await page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name: /Areas$/ }).click();
    await page.getByRole("list", { name: "Areas" }).getByRole("button", { name: /Brick in the sun/ }).click();
    await page.getByRole("region", { name: "Neighbours" }).waitFor();
  }],
  ["the palette step with its answer and approach", "/", async (page) => {
    await paletteView(page, "Choose");
    await page.getByRole("button", { name: /^Approach/ }).click();
    await page.getByRole("button", { name: "Or begin from a classic" }).click();
    await page.getByRole("button", { name: "Lay out: earth triad" }).waitFor();
  }],
  ["paints tried out", "/", async (page) => {
    await paletteView(page, "Try out");
    await page.getByRole("region", { name: "What each paint earns" }).waitFor();
  }],
  ["palettes side by side", "/", async (page) => {
    await paletteView(page, "Side by side");
    await page.getByRole("table").waitFor();
  }],
  ["the reach, the photo in paint", "/", async (page) => {
    await paletteView(page, "Reach");
    await page.getByRole("img", { name: /^Reach at value/ }).waitFor();
    await page.keyboard.press("7");
  }],
  ["the ring test", "/", async (page) => {
    await paletteView(page, "In water");
    await page.getByRole("img", { name: /^Ring of/ }).waitFor();
  }],
  ["an area with its ways", "/", async (page) => {
    await page.getByRole("button", { name: /^Area 5:/ }).click();
    await page.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem").first().waitFor();
  }],
  ["a colour taken", "/", async (page) => {
    const photo = page.getByRole("application");
    await photo.focus();
    await page.keyboard.press("Enter");
    await page.getByRole("region", { name: "Colour taken from the photo" }).waitFor();
  }],
  ["the paint picker", "/", (page) => page.getByRole("button", { name: "paint", exact: true }).click()],
  ["the paintbox with a paint", "/paintbox", (page) => page.getByRole("list", { name: "Paints" }).getByRole("button", { name: /Payne/ }).click()],
  ["the boxes", "/paintbox", (page) => page.getByRole("tab", { name: "Boxes" }).click()],
  ["a table to import", "/paintbox", async (page) => {
    await page.getByRole("button", { name: "Import" }).click();
    await page.locator("dialog[open] input[type=file]").setInputFiles({ name: "box.csv", mimeType: "text/csv", buffer: Buffer.from("name,pigments\nA,PB29\nB,PX9") });
    await page.getByRole("list", { name: "Lines that can't be taken" }).waitFor();
  }],
  ["a paint measured twice", "/paintbox", async (page) => {
    await page.getByRole("list", { name: "Paints" }).getByRole("button", { name: /Anthraquinone/ }).click();
    await page.getByRole("region", { name: "Measured" }).scrollIntoViewIfNeeded();
  }],
  ["the guide to a swatch card", "/measure", (page) => page.getByRole("heading", { name: "Photograph it" }).waitFor()],
  ["a card read", "/measure", async (page) => {
    await page.getByRole("button", { name: /Read the demo/ }).click();
    await page.getByRole("button", { name: "Keep for Burnt sienna" }).waitFor({ timeout: 30_000 });
    await page.getByRole("button", { name: "a grey card or chart patch in the picture" }).click();
  }],
  ["the meter", "/measure", (page) => page.getByRole("tab", { name: "By meter" }).click()],
  ["colours typed", "/measure", async (page) => {
    await page.getByRole("tab", { name: "By numbers" }).click();
    await page.getByRole("textbox").first().fill("x");
  }],
  ["the handbook with a pigment", "/handbook?pigment=PB28", (page) => page.getByRole("article").waitFor()],
  ["a mix tried", "/try-a-mix", (page) => page.getByRole("region", { name: "What it looks like" }).waitFor()],
  ["nothing there", "/painting/none", (page) => page.getByRole("heading").waitFor()],
];

for (const colorScheme of ["light", "dark"] as const) {
  test.describe(`in ${colorScheme === "light" ? "daylight" : "dusk"}`, () => {
    test.use({ colorScheme });
    for (const [name, path, prepare] of views) {
      test(name, async ({ page }) => {
        await page.goto(`${server.url}${path}`);
        // What is clicked before the page is alive does nothing.
        if (path === "/") await page.getByRole("application").waitFor({ timeout: 60_000 });
        await prepare(page);
        expect(await faults(page)).toEqual([]);
      });
    }
  });
}

test("nothing runs out of the window at 1280 by 800 or on a tablet of 1024 by 768", async ({ page }) => {
  for (const [width, height] of [[1280, 800], [1024, 768]]) {
    await page.setViewportSize({ width, height });
    for (const path of ["/", "/paintbox", "/handbook?pigment=PB28", "/try-a-mix", "/measure"]) {
      await page.goto(`${server.url}${path}`);
      await page.getByRole("link", { name: /Abendrot/ }).waitFor();
      await page.waitForLoadState("networkidle");
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect(overflow, `${path} at ${width}`).toBeLessThanOrEqual(0);
      const outside = await page.locator("header button, header a, aside, main").evaluateAll((all) =>
        all.filter((element) => element.checkVisibility() && element.getBoundingClientRect().right > window.innerWidth + 1).map((element) => element.outerHTML.slice(0, 90)));
      expect(outside, `${path} at ${width}`).toEqual([]);
    }
  }
});
