/**
 * Takes the README's pictures from the demo data: docs/screenshots/*.png at 1280x800, the tablet's upright.
 * Run: npm run screenshots
 */
import { chromium, type Page } from "@playwright/test";
import sharp from "sharp";
import config from "../playwright.config";
import { freePort, startServer } from "../e2e/server";

const server = await startServer();
// The first answer waits until the demo is laid out.
await fetch(server.url).then((response) => response.text());
const browser = await chromium.launch(config.use?.launchOptions);

async function shoot(
  name: string,
  path: string,
  prepare?: (page: Page) => Promise<void>,
  colorScheme: "light" | "dark" = "light",
): Promise<void> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
  await page.goto(`${server.url}${path}`);
  await page.waitForLoadState("networkidle");
  if (path === "/") await page.getByRole("application").waitFor({ timeout: 60_000 });
  await prepare?.(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
  console.log(name);
}

const openArea =
  (number: number) =>
  async (page: Page): Promise<void> => {
    await page.getByRole("button", { name: new RegExp(`^Area ${number}:`) }).click();
    await page.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem").first().waitFor();
    await page.mouse.move(560, 112);
  };

const step = async (page: Page, name: string): Promise<void> => {
  await page
    .getByRole("navigation", { name: "Steps" })
    .getByRole("button", { name: new RegExp(`${name}$`) })
    .click();
  await page.waitForTimeout(1200);
};

await shoot("desk", "/");
await shoot("values", "/", async (page) => {
  await step(page, "Photo");
  await page.getByRole("button", { name: "5 values" }).click();
});
await shoot("check", "/", async (page) => {
  await step(page, "Check");
  await page.getByRole("radio", { name: "Warm and cool" }).click();
  await page.getByRole("button", { name: "Shift Canal, first wash" }).click();
  await page
    .getByRole("list", { name: "Ways to make it warmer" })
    .getByRole("button", { name: /^Look at/ })
    .first()
    .click();
  await page.getByRole("navigation", { name: "Areas" }).scrollIntoViewIfNeeded();
  await page.waitForTimeout(1200);
});
const lookAtPalette = async (page: Page, view: string): Promise<void> => {
  await step(page, "Palette");
  await page.getByText(/^Found in/).waitFor({ timeout: 60_000 });
  await page.getByRole("radio", { name: view, exact: true }).click();
  await page.waitForTimeout(2500);
};
await shoot("palette", "/", (page) => lookAtPalette(page, "Choose"));
await shoot("recipe", "/", openArea(5));
await shoot("paint", "/paintbox", (page) =>
  page
    .getByRole("list", { name: "Paints" })
    .getByRole("button", { name: /Anthraquinone/ })
    .click(),
);
await shoot("box-sheet", "/measure", async (page) => {
  await page.getByRole("button", { name: /Read the demo's box sheet/ }).click();
  await page.getByRole("button", { name: /^Keep all/ }).waitFor({ timeout: 60_000 });
});
await shoot("handbook", "/handbook");
await shoot("try-a-mix", "/try-a-mix?paint=PB35", async (page) => {
  await page.getByRole("button", { name: "another paint" }).click();
  const picker = page.getByRole("dialog", { name: "Add a paint to the mix" });
  await picker.getByRole("searchbox").fill("PV19");
  await picker
    .getByRole("button", { name: /Quinacridone rose/ })
    .last()
    .click();
  await page.getByRole("button", { name: "a wash below" }).click();
  const below = page.getByRole("dialog", { name: "The dried wash below" });
  await below.getByRole("searchbox").fill("quinacridone gold");
  await below
    .getByRole("button", { name: /quinacridone gold/i })
    .first()
    .click();
});

// These change the painting, so they come last.
await shoot("plan", "/", async (page) => {
  await step(page, "Plan");
  await page.keyboard.press("8");
  await page.locator("canvas[data-drawn=planned]").waitFor({ timeout: 60_000 });
  await page.waitForTimeout(600);
});
await shoot("easel", "/", async (page) => {
  await step(page, "Plan");
  await page.getByRole("button", { name: "Paint by this plan" }).click();
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press("Space");
    await page.waitForTimeout(500);
  }
});
await shoot("washes", "/", async (page) => {
  await step(page, "Areas");
  await page.getByRole("button", { name: "Find the washes of all" }).click();
  await page
    .getByRole("list", { name: "Areas" })
    .getByText(/layered/)
    .first()
    .waitFor();
  await page
    .getByRole("list", { name: "Areas" })
    .getByRole("button", { name: /Brick in the sun/ })
    .click();
  await page.keyboard.press("6");
  await page.waitForTimeout(1500);
});
await shoot("areas", "/", async (page) => {
  await step(page, "Areas");
  await page.getByRole("button", { name: "Start over" }).click();
  await page.getByRole("button", { name: /Take all/ }).waitFor();
  await page.waitForTimeout(1500);
});
await shoot("paintings", "/paintings", async (page) => {
  await page.getByRole("button", { name: "Double" }).click();
  await page.getByRole("article").nth(1).waitFor();
  await page.getByRole("button", { name: "Rename" }).first().click();
  await page.getByRole("textbox", { name: /^New title/ }).fill("Pump house, grey morning");
  await page.keyboard.press("Enter");
  await page.getByRole("heading", { name: "Pump house, grey morning" }).waitFor();
  await page.getByRole("button", { name: "Double" }).last().click();
  await page.getByRole("article").nth(2).waitFor();
  await page.getByRole("button", { name: "Bin" }).first().click();
  await page.getByRole("region", { name: "Bin" }).waitFor();
});

await shoot("pack", "/pack", async (page) => {
  await page.getByRole("note", { name: "Enough" }).getByRole("button").click();
  await page.getByRole("note", { name: "Enough" }).waitFor({ state: "detached" });
});

await shoot("logbook", "/logbook", async (page) => {
  await page.getByRole("button", { name: /The new tubes/ }).click();
  const sheet = page.getByRole("complementary", { name: "One page of the book" });
  await sheet.getByRole("checkbox", { name: "learn from it" }).first().waitFor();
  for (const box of await sheet.getByRole("checkbox", { name: "learn from it" }).all()) await box.check();
  await sheet.getByText("Saved", { exact: true }).waitFor();
  await sheet.getByRole("heading", { name: "Swatches" }).evaluate((heading) => heading.scrollIntoView());
  await page.waitForTimeout(1500);
});
await shoot("taught", "/logbook", async (page) => {
  await page.getByRole("tab", { name: "What it has taught" }).click();
  await page.getByRole("list", { name: "Paints as they were learned" }).waitFor();
});

await shoot("keeping", "/keeping", async (page) => {
  await page
    .getByRole("button", { name: /^Put back the copy/ })
    .first()
    .waitFor();
  // A folder of this machine's is nobody else's business.
  await page.getByText(/^All of it lies in/).evaluate((line) => (line.textContent = "All of it lies in data."));
});

/** The plan on a tablet, paired as a hand would. */
async function shootBeside(): Promise<void> {
  const shared = await startServer(undefined, undefined, { SHARE_PORT: String(await freePort()) }, ["--share"]);
  const desk = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await desk.goto(shared.url);
  await desk.locator("canvas[data-drawn]").first().waitFor({ timeout: 60_000 });
  await desk.getByRole("button", { name: "Second screen" }).click();
  const code = (await desk.getByText(/^\d{6}$/).textContent())!;
  const address = (await desk.getByText(/^http:\/\//).textContent())!.split(/[ ,]/)[0]!;
  const tablet = await browser.newPage({ viewport: { width: 820, height: 1180 } });
  await tablet.goto(`${address}#${code}`);
  await tablet.getByRole("button", { name: /^Done/ }).click({ timeout: 60_000 });
  await tablet.waitForTimeout(2000);
  await tablet.screenshot({ path: "docs/screenshots/beside.png" });
  console.log("beside");
  await shared.stop("SIGTERM");
}
await shootBeside();

// The guide shows some of them, smaller (src/rooms/guide).
for (const name of ["values", "areas", "paint", "palette", "recipe", "check", "plan"])
  await sharp(`docs/screenshots/${name}.png`)
    .resize({ width: 960 })
    .webp({ quality: 82 })
    .toFile(`public/guide/${name}.webp`);

await browser.close();
await server.stop("SIGTERM");
