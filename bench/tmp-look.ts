import { chromium } from "@playwright/test";
import { readFileSync } from "node:fs";
import { startServer } from "../e2e/server";
const server = await startServer(process.argv[2]);
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--use-gl=angle", "--use-angle=swiftshader", "--enable-unsafe-swiftshader"],
});
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
page.on("pageerror", (e) => console.log("ERR", e.message));
await page.goto(server.url);
await page.getByRole("application").waitFor({ timeout: 60000 });
const step = (name: string) =>
  page
    .getByRole("navigation", { name: "Steps" })
    .getByRole("button", { name: new RegExp(name + "$") })
    .click();
for (const name of process.argv.slice(3)) {
  await page
    .getByLabel("Photo file")
    .setInputFiles({
      name: `${name}.jpg`,
      mimeType: "image/jpeg",
      buffer: readFileSync(`/tmp/photos/small/${name}.jpg`),
    });
  await page.waitForFunction(
    (t) => (document.querySelector('input[aria-label="Title of the painting"]') as HTMLInputElement)?.value === t,
    name,
    { timeout: 60000 },
  );
  await page.locator("canvas[data-drawn]").first().waitFor({ timeout: 60000 });
  await step("Areas");
  const areas = page.getByRole("region", { name: "Areas step" });
  await areas.getByRole("button", { name: /Take all/ }).click({ timeout: 60000 });
  await areas.getByRole("list", { name: "Areas" }).waitFor({ timeout: 60000 });
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/look-${name}-areas.png` });
  await step("Palette");
  await page.getByText(/^Found in/).waitFor({ timeout: 120000 });
  await page.waitForTimeout(800);
  await page.screenshot({ path: `/tmp/look-${name}-palette.png` });
  const lay = page.getByRole("button", { name: /^Lay/ }).first();
  console.log(name, await page.getByRole("button", { name: /^Lay/ }).allInnerTexts());
  await lay.click({ timeout: 5000 }).catch((e) => console.log(String(e).slice(0, 200)));
  await page.waitForTimeout(9000);
  await page.keyboard.press("6").catch(() => {});
  await page.waitForTimeout(800);
  await page.screenshot({ path: `/tmp/look-${name}-laid.png` });
  await page.keyboard.press("1");
  await step("Mixes");
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/look-${name}-mixes.png` });
  await page.goto(page.url());
  await page.getByRole("application").waitFor({ timeout: 60000 });
}
await browser.close();
await server.stop("SIGTERM");
