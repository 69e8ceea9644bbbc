import { networkInterfaces } from "node:os";
import { expect, type BrowserContext, type Page } from "@playwright/test";
import sharp from "sharp";
import { leavePage, test } from "./house";
import { onDesk } from "./photo-page";
import { freePort, onServer, startServer, type RunningServer } from "./server";
import { type } from "./typing";

/** A tablet in the room: paired by a code, it sees the plan of the painting on the desk and ticks it off. */

test.skip(onServer, "on a server one signs in on the tablet itself");
test.skip(
  !Object.values(networkInterfaces())
    .flat()
    .some((one) => one?.family === "IPv4" && !one.internal),
  "this machine is in no network",
);
test.describe.configure({ mode: "serial" });

let server: RunningServer;
let tablet: BrowserContext;
let page: Page;
let address: string;

test.beforeAll(async ({ browser }) => {
  server = await startServer(undefined, undefined, { SHARE_PORT: String(await freePort()) }, ["--share"]);
  tablet = await browser.newContext({ viewport: { width: 820, height: 1180 }, hasTouch: true });
  page = await tablet.newPage();
});
test.afterAll(async () => {
  await leavePage();
  await tablet.close();
  await server.stop("SIGTERM");
});

const dialog = (desk: Page) => desk.getByRole("dialog", { name: "Second screen" });
async function codeOn(desk: Page): Promise<string> {
  await onDesk(desk, server.url);
  if (await dialog(desk).isVisible()) await desk.keyboard.press("Escape");
  await desk.getByRole("button", { name: "Second screen" }).click();
  address = (await dialog(desk)
    .getByText(/^http:\/\//)
    .textContent())!.split(/[ ,]/)[0]!;
  return (await dialog(desk)
    .getByText(/^\d{6}$/)
    .textContent())!;
}

test("an unpaired device sees nothing; a wrong code pairs none, and after five there is another code", async ({
  page: desk,
}) => {
  const code = await codeOn(desk);
  await page.goto(address);
  await expect(page.getByRole("heading", { name: "Beside the easel" })).toBeVisible();
  const base = new URL(address).origin;
  for (const path of ["/", "/paintings", "/api/paintings", "/api/share", "/api/backup", "/api/photos", "/guide"])
    expect((await page.request.get(base + path)).status()).toBe(404);
  for (const path of ["/api/beside", `/api/photos/${"0".repeat(64)}`])
    expect((await page.request.get(base + path)).status()).toBe(403);
  // Whatever a request says of itself, it came in where guests do.
  expect((await page.request.get(`${base}/api/paintings`, { headers: { "x-abendrot-guest": "" } })).status()).toBe(404);
  const wrong = code === "000000" ? "111111" : "000000";
  await type(page.getByLabel("Code"), wrong);
  await page.getByRole("button", { name: "Pair" }).click();
  await expect(page.getByText("This is not the code on the desk's screen.")).toBeVisible();
  for (let i = 0; i < 4; i++) await page.request.post(`${base}/api/beside/pair`, { data: { code: wrong } });
  await expect(dialog(desk).getByText(code)).toHaveCount(0);
  await type(page.getByLabel("Code"), code);
  await page.getByRole("button", { name: "Pair" }).click();
  await expect(page.getByText("This is not the code on the desk's screen.")).toBeVisible();
});

test("paired, it shows the painting on the desk and ticks washes off; a code pairs one device", async ({
  page: desk,
}) => {
  const code = await codeOn(desk);
  // As the square code would: the code stands in the address.
  await page.goto(`${address}#${code}`);
  await expect(page.getByRole("dialog", { name: "Painting by the plan" })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText("0 of 20 washes")).toBeVisible();
  await expect(dialog(desk).getByText(/1 device paired/)).toBeVisible();
  await page.getByRole("button", { name: /^Done/ }).click();
  await expect(page.getByText("1 of 20 washes")).toBeVisible();
  await page.reload();
  await expect(page.getByText("1 of 20 washes")).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "To the puddles" }).click();
  await expect(page.getByRole("list", { name: "Puddles in the order of mixing" })).toBeVisible();
  const again = await page.request.post(`${new URL(address).origin}/api/beside/pair`, { data: { code } });
  expect(again.status()).toBe(403);
});

test("it can change nothing but what is ticked off, sees no other photo, and its own photo lies in the logbook", async ({
  page: desk,
}) => {
  const base = new URL(address).origin;
  const { paintingId } = (await (await page.request.get(`${base}/api/beside`)).json()) as { paintingId: string };
  expect(new URL(desk.url()).pathname).toBe(`/painting/${paintingId}`);
  // What the tablet itself would send, with another title in it.
  const sent = page.waitForRequest((request) => request.url().includes("/api/beside/paintings/"));
  await page.getByRole("button", { name: "Paint by the plan" }).click();
  await page.getByRole("button", { name: /^(Done|It is dry already)/ }).click();
  if (await page.getByText("1 of 20 washes").isVisible()) await page.getByRole("button", { name: /^Done/ }).click();
  const body = (await sent).postDataJSON() as { document: { title: string; areas: unknown[] } };
  const forged = {
    ...body,
    writer: crypto.randomUUID(),
    document: { ...body.document, title: "Taken over", areas: [] },
  };
  const url = `${base}/api/beside/paintings/${paintingId}`;
  expect((await page.request.put(url, { data: forged })).status()).toBe(200);
  await desk.reload();
  await expect(desk.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(
    "The pump house at last light",
  );
  const other = `${base}/api/beside/paintings/${crypto.randomUUID()}`;
  expect((await page.request.put(other, { data: forged })).status()).toBe(404);
  expect((await page.request.get(`${base}/api/photos/${"a".repeat(64)}`)).status()).toBe(404);

  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Photo for the logbook" }).last().click();
  const photo = await sharp({ create: { width: 90, height: 60, channels: 3, background: { r: 120, g: 90, b: 60 } } })
    .jpeg()
    .toBuffer();
  await (await chooser).setFiles({ name: "easel.jpg", mimeType: "image/jpeg", buffer: photo });
  await expect(page.getByText("In the logbook").last()).toBeVisible({ timeout: 30_000 });
  await desk.goto(`${server.url}/logbook`);
  await expect(desk.getByText("6 of 6")).toBeVisible({ timeout: 60_000 });
});

test("the desk ends it for all by a press", async ({ page: desk }) => {
  await codeOn(desk);
  await dialog(desk).getByRole("button", { name: "End it for all" }).click();
  await expect(dialog(desk).getByText("No device is paired.")).toBeVisible();
  await expect(page.getByRole("heading", { name: "Beside the easel" })).toBeVisible({ timeout: 30_000 });
});
