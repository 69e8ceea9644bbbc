import { chromium } from "playwright-core";
import { startServer, freshFolder } from "../e2e/server";
const server = await startServer(freshFolder());
while (!server.output().includes("Ready:")) await new Promise((r) => setTimeout(r, 200));
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: [
    "--no-sandbox",
    "--use-gl=angle",
    "--use-angle=swiftshader",
    "--enable-unsafe-swiftshader",
    "--disable-gpu-compositing",
    "--disable-gpu-rasterization",
  ],
});
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
page.on("console", (m) => m.type() === "error" && console.log("console:", m.text()));
page.on("pageerror", (e) => console.log("pageerror", e.message));
await page.goto(`${server.url}/measure`);
await page.getByRole("heading", { name: "Print a sheet" }).waitFor();
await page.waitForTimeout(1200);
await page.screenshot({ path: "/tmp/look1.png" });
await page.getByRole("button", { name: /Read the demo's box sheet/ }).click();
const t0 = Date.now();
await page.getByRole("region", { name: "The whole box" }).waitFor({ timeout: 60000 });
console.log("panel", Date.now() - t0);
await page.getByRole("button", { name: /^Keep all/ }).waitFor({ timeout: 60000 });
console.log("fitted", Date.now() - t0);
await page.waitForTimeout(500);
await page.screenshot({ path: "/tmp/look2.png" });
console.log(await page.getByRole("region", { name: "The whole box" }).innerText());
console.log(await page.getByRole("list", { name: "Paints of the sheet" }).innerText());
const t1 = Date.now();
await page.getByRole("button", { name: /^Keep all/ }).click();
await page.getByText("All kept.").waitFor({ timeout: 60000 });
console.log("kept", Date.now() - t1);
await page.screenshot({ path: "/tmp/look3.png" });
await browser.close();
await server.stop("SIGTERM");
process.exit(0);
