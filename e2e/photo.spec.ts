import { tripleOf } from "../src/core/numeric/tuples";
import { expect, type Page } from "@playwright/test";
import sharp from "sharp";
import { srgbOfLinear } from "@/core/colour";
import { labOfLinear, LINEAR, viewing, type ViewKind } from "@/core/image";
import { paintModel, valueRange } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { DEFAULT_APPROACH, latticeOf, gamutTable } from "@/core/palette";
import { curveOf, targetColour } from "@/core/planning";
import { DEMO_PAINTS } from "@/server/demo/paintbox";
import { test } from "./house";
import { judged, staysInside } from "./judged";
import {
  bring,
  chart,
  click,
  middle,
  onDesk,
  openPainting,
  photo,
  saved,
  screenAt,
  spot,
  step,
  undo,
} from "./photo-page";
import type { RunningServer } from "./server";
import { set, type } from "./typing";

test.describe.configure({ mode: "serial" });

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

/** Whether patches show what they should to so many of 255 levels, as soon as the photo is drawn anew. */
async function expectPatches(
  page: Page,
  patches: readonly number[],
  expected: (patch: number) => readonly number[],
  within: number,
  words: string,
): Promise<void> {
  await expect(async () => {
    const shown = await screenAt(page, ...patches.map(middle));
    patches.forEach((patch, i) => {
      const wanted = expected(patch);
      expect(
        Math.max(...shown[i]!.map((x, c) => Math.abs(x - wanted[c]!))),
        `${words}, patch ${patch}: ${shown[i]} for ${wanted}`,
      ).toBeLessThan(within);
    });
  }).toPass({ timeout: 10_000 });
}

/** Patches that are neither burnt out nor blocked. */
const ALL_PATCHES = [0, 1, 2, 3, 4, 5, 6, 8, 10];

/** What a way of seeing makes of an encoded colour, by the computation, encoded in 255 levels. */
function seenAs(bytes: readonly number[], kind: ViewKind): number[] {
  const [r, g, b] = tripleOf(bytes.map((byte) => LINEAR[byte]!));
  const seen = viewing.seen({ r, g, b }, { kind, steps: 5 });
  return [seen.r, seen.g, seen.b].map((x) => 255 * Math.min(1, Math.max(0, srgbOfLinear(x))));
}

/** The patches as the working copy has them, encoded Display P3. */
async function workingColours(page: Page): Promise<number[][]> {
  // The PNG has no profile, so it is sRGB: its working copy is these colours in Display P3.
  return page.evaluate(async () => {
    // Of the photos that lay on the desk, the last.
    const id = performance
      .getEntriesByType("resource")
      .map(({ name }) => /photos\/([0-9a-f]{64})\?copy=working/.exec(name)?.[1])
      .findLast(Boolean);
    const bitmap = await createImageBitmap(await (await fetch(`/api/photos/${id}?copy=working`)).blob(), {
      colorSpaceConversion: "none",
    });
    const context = new OffscreenCanvas(600, 200).getContext("2d")!;
    context.drawImage(bitmap, 0, 0);
    return Array.from({ length: 12 }, (_, i) =>
      [...context.getImageData(100 * (i % 6) + 50, 100 * Math.floor(i / 6) + 50, 1, 1).data].slice(0, 3),
    );
  });
}

test("a new photo opens at the first step; each way of seeing shows what the computation says, on its own key", async ({
  page,
}) => {
  await onDesk(page, server.url);
  await bring(page, server.url, "chart.png", await chart());
  await expect(page.getByRole("region", { name: "Photo step" })).toContainText("Look before you mix");
  await page.mouse.move(5, 400);
  const working = await workingColours(page);
  const keys: readonly (readonly [string, ViewKind])[] = [
    ["1", "plain"],
    ["2", "values"],
    ["3", "heightened"],
    ["4", "temperature"],
    ["5", "hue"],
  ];
  for (const [key, kind] of keys) {
    await page.keyboard.press(key);
    await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", kind);
    await expectPatches(page, ALL_PATCHES, (i) => seenAs(working[i]!, kind), 4, kind);
  }
  // The value shares: of twelve equal patches each is a twelfth.
  await page.getByRole("button", { name: "2 values" }).click();
  const dark = working.filter(
    (bytes) => labOfLinear({ r: LINEAR[bytes[0]!]!, g: LINEAR[bytes[1]!]!, b: LINEAR[bytes[2]!]! }).L < 51,
  ).length;
  await expect(page.getByRole("img", { name: /Shares of 2 values/ })).toHaveAttribute(
    "aria-label",
    new RegExp(`: ${Math.round((100 * dark) / 12)} percent`),
  );
  await expect(page.getByRole("region", { name: "Values" })).toContainText("8.3 % of the sheet is burnt out");
  await page.getByRole("button", { name: "Show where" }).click();
  await page.keyboard.press("1");
  const { x, y } = await spot(page, middle(11));
  await expect
    .poll(async () => {
      const {
        channels: [grey],
      } = await sharp(await page.screenshot({ clip: { x: x - 10, y: y - 10, width: 20, height: 20 } }))
        .greyscale()
        .stats();
      return grey!.max - grey!.min;
    })
    .toBeGreaterThan(200);
});

test("in paint: each patch shows the nearest colour that the tray makes, as the computation says; the line keeps the photo beside it", async ({
  page,
}) => {
  await bring(page, server.url, "painted.png", await chart());
  const names = ["Yellow ochre", "Light red", "Ultramarine"];
  await page.getByRole("button", { name: "paint", exact: true }).click();
  const picker = page.getByRole("dialog", { name: "Lay a paint in the tray" });
  for (const name of names) await picker.getByRole("button", { name: new RegExp(name) }).click();
  await picker.getByRole("button", { name: "Close" }).first().click();
  await page.keyboard.press("7");
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "palette", { timeout: 30_000 });

  const models = DEMO_PAINTS.map(({ name, pigments, tintingStrength }) => paintModel(name, pigments, tintingStrength));
  const curve = curveOf("lights", valueRange(models, PAPERS[0]));
  const lattice = latticeOf(
    names.map((name) => models.find(({ id }) => id === name)!),
    PAPERS[0],
  );
  const { side, rgba } = gamutTable(
    lattice,
    (lab) => targetColour(lab, { way: "follow" }, curve, PAPERS[0]),
    DEFAULT_APPROACH.valueWeight,
  );
  /** The cube between its places, as the graphics card reads it. */
  const through = (encoded: readonly number[]): number[] => {
    const at = encoded.map((x) => Math.min(side - 1.000001, x * (side - 1)));
    return [0, 1, 2].map((channel) => {
      let sum = 0;
      for (let corner = 0; corner < 8; corner++) {
        const on = [corner & 1, (corner >> 1) & 1, corner >> 2];
        const weight = at.reduce((w, x, axis) => w * (on[axis] ? x % 1 : 1 - (x % 1)), 1);
        const [r, g, b] = tripleOf(at.map((x, axis) => Math.floor(x) + on[axis]!));
        sum += weight * rgba[4 * (r + side * (g + side * b)) + channel]!;
      }
      return sum;
    });
  };
  const working = await workingColours(page);
  const line = page.getByLabel("Line between the photo and its repainting");
  await set(line, "0");
  await expectPatches(page, ALL_PATCHES, (i) => through(working[i]!.map((byte) => byte / 255)), 5, "in paint");
  await set(line, "1");
  await expectPatches(page, [1, 4], (i) => seenAs(working[i]!, "plain"), 4, "beside it");
});

test("the white: a neutral is picked, the areas' colours follow, and it is taken back", async ({ page }) => {
  const cast = await sharp(await chart())
    .linear([1, 0.92, 0.72], [0, 0, 0])
    .png()
    .toBuffer();
  await bring(page, server.url, "warm.png", cast);
  await click(page, middle(0));
  await expect(page.getByRole("region", { name: "Colour taken from the photo" })).toContainText(/warm \+/);
  await page.keyboard.type("Card");
  await page.keyboard.press("Enter");
  await step(page, "Photo");
  const white = page.getByRole("region", { name: "White" });
  await white.getByRole("button", { name: "Pick a neutral" }).click();
  await click(page, middle(6));
  await click(page, middle(6));
  await expect(page.getByRole("region", { name: "Colour taken from the photo" })).not.toContainText(/warm \+[1-9]\d/);
  await page.keyboard.press("Escape");
  // The grey patch is grey now, and the area that was measured on it with it.
  await white.getByRole("button", { name: "Pick another neutral" }).click();
  await click(page, middle(0));
  await expect(async () => {
    const shown = (await screenAt(page, middle(0)))[0]!;
    expect(Math.max(...shown) - Math.min(...shown)).toBeLessThan(3);
  }).toPass({ timeout: 10_000 });
  await expect(white.getByRole("img", { name: "The neutral before and after" })).toBeVisible();
  await step(page, "Areas");
  await page.getByRole("button", { name: "Area 1: Card" }).click();
  await expect(page.getByRole("article", { name: "Area 1: Card" })).toContainText("neutral grey");
  await step(page, "Photo");
  await white.getByRole("button", { name: "As it is" }).click();
  await expect
    .poll(async () => {
      const seen = (await screenAt(page, middle(0)))[0]!;
      return seen[0]! - seen[2]!;
    })
    .toBeGreaterThan(25);
  await undo(page);
  await expect(white).toContainText("100 % corrected");
});

test("the sheet: format, unit, wrong sizes, straightening and placing by mouse and keys; one drag is one step to undo", async ({
  page,
}) => {
  await openPainting(page, server.url, "The pump house at last light");
  await step(page, "Photo");
  const sheet = page.getByRole("region", { name: "Sheet" });
  await sheet.getByLabel("Format").selectOption("Square 20 × 20");
  let box = (await photo(page).boundingBox())!;
  expect(box.width / box.height).toBeCloseTo(1, 1);
  await expect(sheet).toContainText("67 % of the photo");
  await type(sheet.getByLabel("Width, cm"), "0,5");
  await sheet.getByLabel("Width, cm").press("Enter");
  await expect(sheet.getByRole("alert")).toContainText("between 2 and 300 cm");
  await type(sheet.getByLabel("Width, cm"), "30,5");
  await sheet.getByLabel("Width, cm").press("Enter");
  box = (await photo(page).boundingBox())!;
  expect(box.width / box.height).toBeCloseTo(30.5 / 20, 1);
  await sheet.getByLabel("in", { exact: true }).check();
  await expect(sheet.getByLabel("Width, in")).toHaveValue("12.01");
  await sheet.getByRole("button", { name: "Stand it up" }).click();
  await expect(sheet.getByLabel("Width, in")).toHaveValue("7.87");
  await undo(page);

  await sheet.getByLabel("Format").selectOption("A5");
  await sheet.getByRole("button", { name: "Place the sheet" }).click();
  const frame = page.locator("[data-frame]");
  const start = (await frame.boundingBox())!;
  await page.mouse.move(start.x + start.width - 3, start.y + start.height - 3);
  await page.mouse.down();
  await page.mouse.move(start.x + start.width - 150, start.y + start.height - 100, { steps: 6 });
  await page.mouse.up();
  const smaller = (await frame.boundingBox())!;
  expect(smaller.width).toBeLessThan(start.width - 100);
  expect(smaller.width / smaller.height).toBeCloseTo(start.width / start.height, 1);
  await page.mouse.move(smaller.x + 60, smaller.y + 60);
  await page.mouse.down();
  await page.mouse.move(smaller.x + 110, smaller.y + 60, { steps: 5 });
  await page.mouse.up();
  expect((await frame.boundingBox())!.x - smaller.x).toBeGreaterThan(35);
  await undo(page);
  expect((await frame.boundingBox())!.x).toBeCloseTo(smaller.x, 0);
  await photo(page).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press("ArrowLeft");
  expect((await frame.boundingBox())!.x).toBeLessThan(smaller.x - 5);
  for (let i = 0; i < 5; i++) await page.keyboard.press("]");
  await expect(sheet).toContainText("2.5°");
  await page.getByRole("button", { name: "5 values" }).click();
  await judged(page, "the photo step in values, the sheet being placed");
  await sheet.getByRole("button", { name: "Done" }).click();
  await saved(page);
  await page.reload();
  await step(page, "Photo");
  await expect(sheet).toContainText("2.5°");
  await expect(sheet.getByLabel("Format")).toHaveValue("A5");
  await sheet.getByLabel("Format").selectOption("photo");
  await expect(sheet).toContainText("takes in the whole photo");
  await staysInside(page);
});

test("two points are compared by mouse and by keys, pinned, and still there after a new start", async ({ page }) => {
  await openPainting(page, server.url, "chart");
  await step(page, "Photo");
  const compare = page.getByRole("region", { name: "Compare" });
  await compare.getByRole("button", { name: "Compare two points" }).click();
  await expect(compare.getByRole("status")).toHaveText("Click the first point.");
  await click(page, middle(1));
  await expect(compare.getByRole("status")).toHaveText("Now the second.");
  await click(page, middle(2));
  const pairs = compare.getByRole("list", { name: "Pairs" }).getByRole("listitem");
  await expect(pairs.first()).toContainText(/a is darker|b is darker/);
  await expect(pairs.first()).toContainText(/a is warmer, by \d+; a is purer/);
  await compare.getByRole("button", { name: "Pin this pair" }).click();
  await expect(pairs.first()).toContainText("pair 1");
  await photo(page).focus();
  await page.keyboard.press("Enter");
  for (let i = 0; i < 10; i++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(pairs).toHaveCount(2);
  await saved(page);
  await page.reload();
  await step(page, "Photo");
  await expect(pairs).toHaveCount(1);
  await compare.getByRole("button", { name: "Remove pair 1" }).click();
  await expect(pairs).toHaveCount(0);
});

test("a photo is dropped on the page, and one is pasted; what is finer than the screen is shown as its mean in light", async ({
  page,
}) => {
  await onDesk(page, server.url);
  await photo(page).waitFor();
  const [width, height] = [1800, 1200];
  const board = Buffer.from(
    Array.from({ length: width * height }, (_, i) => 255 * (((i % width) + Math.floor(i / width)) % 2)),
  );
  const bytes = [
    ...(await sharp(board, { raw: { width, height, channels: 1 } })
      .png()
      .toBuffer()),
  ];
  const drop = (kind: "drop" | "paste", name: string) =>
    page.evaluate(
      ({ data, kind: event, name: called }) => {
        const transfer = new DataTransfer();
        transfer.items.add(new File([new Uint8Array(data)], called, { type: "image/png" }));
        if (event === "paste")
          window.dispatchEvent(
            new ClipboardEvent("paste", { clipboardData: transfer, bubbles: true, cancelable: true }),
          );
        else {
          window.dispatchEvent(new DragEvent("dragover", { dataTransfer: transfer, bubbles: true, cancelable: true }));
          window.dispatchEvent(new DragEvent("drop", { dataTransfer: transfer, bubbles: true, cancelable: true }));
        }
      },
      { data: bytes, kind, name },
    );
  await drop("drop", "dropped.png");
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue("dropped", {
    timeout: 30_000,
  });
  await expect(photo(page).locator("canvas")).toHaveAttribute("data-drawn", "plain");
  const grey = Math.round(255 * srgbOfLinear(0.5));
  await expect(async () => {
    for (const shown of (await screenAt(page, { x: 0.3, y: 0.4 }, { x: 0.61, y: 0.77 })).flat())
      expect(shown).toBe(grey);
  }).toPass({ timeout: 10_000 });
  await drop("paste", "pasted.png");
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue("pasted", { timeout: 30_000 });
});
