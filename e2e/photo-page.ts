import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { tripleOf } from "../src/core/numeric/tuples";
import { unlocked, walkTo } from "./house";

// What the tests of the photo and of the areas do on the desk.

export const photo = (page: Page) => page.getByRole("application");
export const saved = (page: Page) => expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
export const step = (page: Page, name: string) =>
  page
    .getByRole("navigation", { name: "Steps" })
    .getByRole("button", { name: new RegExp(`${name}$`) })
    .click();
export const shapes = (page: Page) =>
  page.getByRole("region", { name: "Areas step" }).getByRole("list", { name: "Areas" }).getByRole("listitem");
export const undo = (page: Page) => page.getByRole("button", { name: "Undo" }).click();

/**
 * Patches of the working space's own bytes, 100 pixels each, six across; a TIFF with sharp's Display P3 profile keeps
 * them.
 */
export const PATCHES = [
  [128, 128, 128],
  [200, 60, 50],
  [60, 90, 160],
  [90, 130, 80],
  [230, 220, 190],
  [40, 34, 30],
  [120, 110, 130],
  [250, 250, 250],
  [180, 140, 60],
  [20, 20, 24],
  [150, 150, 140],
  [255, 255, 255],
];
export async function chart(): Promise<Buffer> {
  const data = Buffer.alloc(600 * 200 * 3);
  for (let y = 0; y < 200; y++)
    for (let x = 0; x < 600; x++) data.set(PATCHES[6 * Math.floor(y / 100) + Math.floor(x / 100)]!, 3 * (y * 600 + x));
  return sharp(data, { raw: { width: 600, height: 200, channels: 3 } })
    .png()
    .toBuffer();
}
export const middle = (i: number) => ({ x: ((i % 6) + 0.5) / 6, y: (Math.floor(i / 6) + 0.5) / 2 });

export async function spot(page: Page, at: { x: number; y: number }): Promise<{ x: number; y: number }> {
  const box = (await photo(page).boundingBox())!;
  return { x: box.x + at.x * box.width, y: box.y + at.y * box.height };
}
export async function click(page: Page, at: { x: number; y: number }): Promise<void> {
  const { x, y } = await spot(page, at);
  await page.mouse.click(x, y);
}

const isOnDesk = async (page: Page, url: string): Promise<boolean> =>
  page.url().startsWith(url) && (await page.getByRole("navigation", { name: "Steps" }).isVisible());

/** Opens the desk; the page is loaded only where none lies on it. */
export async function onDesk(page: Page, url: string): Promise<void> {
  if (!(await isOnDesk(page, url))) {
    await walkTo(page, url, "/");
    await photo(page)
      .or(page.getByRole("heading", { name: "The desk is clear" }))
      .waitFor({ timeout: 60_000 });
  }
  await unlocked(page);
}

/** Opens another painting by the desk's own list; until it lies there the one before can still be pressed. */
export async function openPainting(page: Page, url: string, name: string): Promise<void> {
  await onDesk(page, url);
  await page.getByRole("button", { name: "Paintings" }).click();
  await page.getByRole("link", { name }).click();
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(name);
  await photo(page).locator("canvas[data-drawn]").waitFor();
  await unlocked(page);
}

/** Opens the desk at a step as it begins. */
export async function openDesk(page: Page, url: string, name: string): Promise<void> {
  await onDesk(page, url);
  await page.keyboard.press("Escape");
  // A step begins as it is when one comes from another.
  await step(page, name === "Photo" ? "Check" : "Photo");
  await step(page, name);
  await expect(page.getByRole("region", { name: `${name} step` })).toBeVisible();
}

/** Lays out a painting of a photo, past the interface; its address. */
async function layOut(url: string, name: string, buffer: Buffer): Promise<string> {
  const headers = { "content-type": "application/octet-stream", "x-file-name": name };
  const sent = await fetch(`${url}/api/photos`, { method: "POST", headers, body: new Uint8Array(buffer) });
  expect(sent.status).toBe(201);
  return `${url}/painting/${((await sent.json()) as { id: string }).id}`;
}

/** The colour of the small photo, in 255 levels. */
export const SMALL_PHOTO = [139, 106, 79];

/** Lays out a painting of a small photo: it opens in half the demo's time. */
export async function smallPainting(url: string): Promise<string> {
  const [r, g, b] = tripleOf(SMALL_PHOTO);
  const small = sharp({ create: { width: 60, height: 40, channels: 3, background: { r, g, b } } });
  return layOut(url, "small.png", await small.png().toBuffer());
}

/**
 * Brings a photo as a new painting and waits until it is drawn. Where no desk is open the interface is passed by: to
 * lay out another painting only to leave it takes longer than all the rest.
 */
export async function bring(page: Page, url: string, name: string, buffer: Buffer): Promise<void> {
  if (await isOnDesk(page, url)) {
    await unlocked(page);
    await page.getByLabel("Photo file").setInputFiles({ name, mimeType: "image/png", buffer });
  } else await page.goto(`${await layOut(url, name, buffer)}?step=photo`);
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(name.replace(/\..*/, ""), {
    timeout: 60_000,
  });
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "plain");
  await unlocked(page);
}

/** The screen's colours at spots of the photo. */
export async function screenAt(page: Page, ...places: readonly { x: number; y: number }[]): Promise<number[][]> {
  const spots = await Promise.all(places.map((place) => spot(page, place)));
  const { data, info } = await sharp(await page.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return spots.map(({ x, y }) => [
    ...data.subarray(
      3 * (Math.round(y) * info.width + Math.round(x)),
      3 * (Math.round(y) * info.width + Math.round(x)) + 3,
    ),
  ]);
}
