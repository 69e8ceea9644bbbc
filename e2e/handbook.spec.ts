import { expect, type Page } from "@playwright/test";
import { test, unlocked } from "./house";
import { judged, staysInside } from "./judged";
import type { RunningServer } from "./server";
import { type } from "./typing";

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const pigments = (page: Page) => page.getByRole("list", { name: "Pigments" }).getByRole("button");

test("the handbook shows all pigments as strips in hue order, and finds by code, name and property", async ({
  page,
}) => {
  await page.goto(`${server.url}/handbook`);
  const all = await pigments(page).count();
  expect(all).toBeGreaterThanOrEqual(90);
  const codes = await pigments(page).allTextContents();
  expect(codes.findIndex((text) => text.includes("PY3 "))).toBeLessThan(
    codes.findIndex((text) => text.includes("PR254")),
  );
  expect(codes.findIndex((text) => text.includes("PR254"))).toBeLessThan(
    codes.findIndex((text) => text.includes("PB29")),
  );
  expect(codes.findIndex((text) => text.includes("PB29"))).toBeLessThan(
    codes.findIndex((text) => text.includes("PG36")),
  );

  const search = page.getByRole("searchbox", { name: "Search the handbook" });
  await type(search, "pb29");
  await expect(pigments(page)).toHaveCount(1);
  await type(search, "quinacridone");
  expect(await pigments(page).count()).toBeGreaterThan(5);
  await type(search, "");
  await page.getByLabel("granulates").check();
  await page.getByLabel("lasting").check();
  const some = await pigments(page).count();
  expect(some).toBeGreaterThan(5);
  expect(some).toBeLessThan(all / 2);
  await type(search, "no such thing");
  await expect(page.getByRole("main")).toContainText("No pigment answers to that");
});

test("a pigment opens with its facts, their sources and its cautions, and stays open after a reload", async ({
  page,
}) => {
  await page.goto(`${server.url}/handbook`);
  await type(page.getByRole("searchbox"), "PB28");
  await pigments(page).first().click();
  const sheet = page.getByRole("article", { name: "cobalt blue, PB28" });
  await expect(sheet).toContainText("ASTM D5067, from memory");
  await expect(sheet).toContainText("cobalt(II) triplet");
  await expect(sheet.getByRole("region", { name: "Cautions" })).toContainText("safety data sheet");
  await expect(
    sheet.getByRole("img", { name: /Absorption K and scattering S/ }).locator("path.recharts-line-curve"),
  ).toHaveCount(2);
  await judged(page, "a pigment of the handbook");
  await staysInside(page);
  await page.reload();
  await expect(sheet).toBeVisible();
  await sheet.getByRole("link", { name: "Try it in a mix" }).click();
  await expect(page.getByRole("region", { name: "The mix" })).toContainText("cobalt blue");
});

test("what light does is told in words of the class, without years that nobody knows; the fluorescent pink is found", async ({
  page,
}) => {
  await page.goto(`${server.url}/handbook`);
  for (const [search, name, words] of [
    ["PB29", "ultramarine blue, PB29", /Not expected to change/],
    ["PY40", "aureolin, PY40", /whatever its class.*turned brown or grey/],
    ["rhodamine", "rhodamine pink, fluorescent, BV10", /within months or a year/],
  ] as const) {
    await type(page.getByRole("searchbox"), search);
    await pigments(page).first().click();
    const light = page.getByRole("article", { name }).getByRole("region", { name: "In the light" });
    await expect(light).toContainText(words);
    await expect(light).not.toContainText(/\d+ years|%/);
    await page.getByRole("button", { name: "Close the sheet" }).click();
  }
});

test("a mix is tried: parts and water move it at once, it separates, it is glazed, and every step is undone", async ({
  page,
}) => {
  await page.goto(`${server.url}/try-a-mix?paint=PB35`);
  await unlocked(page);
  const result = page.getByRole("region", { name: "What it looks like" });
  const mix = page.getByRole("region", { name: "The mix" });
  const lightness = async (): Promise<number> =>
    Number(
      /L\* (\d+)/.exec(
        (await result
          .getByText(/L\* \d+/)
          .first()
          .textContent()) ?? "",
      )?.[1],
    );
  const before = await lightness();
  await mix.getByRole("slider", { name: /Water/ }).first().focus();
  for (let i = 0; i < 5; i++) await page.keyboard.press("ArrowRight");
  const thinner = await lightness();
  expect(thinner).toBeGreaterThan(before + 3);
  for (let i = 0; i < 5; i++) await page.getByRole("button", { name: "Undo" }).click();
  expect(await lightness()).toBe(before);

  await mix.getByRole("button", { name: "Leave burnt sienna out" }).click();
  await expect(result).toContainText("With a second paint");
  await mix.getByRole("button", { name: "another paint" }).click();
  const picker = page.getByRole("dialog", { name: "Add a paint to the mix" });
  await type(picker.getByRole("searchbox"), "nickel azo");
  await picker.getByRole("button", { name: /Nickel azo yellow/i }).click();
  await expect(result).toContainText(/Settling: it separates/);
  await expect(result).toContainText(/cerulean blue stays/);
  await expect(result).toContainText(/nickel azo yellow travels/);

  const slider = mix.getByRole("slider", { name: "Parts of nickel azo yellow" });
  await slider.focus();
  await page.keyboard.press("Home");
  await expect(mix).toContainText("a touch");

  await mix.getByRole("button", { name: "a wash below" }).click();
  await type(page.getByRole("dialog", { name: "The dried wash below" }).getByRole("searchbox"), "PR108");
  await page
    .getByRole("dialog", { name: "The dried wash below" })
    .getByRole("button", { name: /cadmium red/i })
    .first()
    .click();
  await expect(result).toContainText("Glazed over it");
  await judged(page, "a mix tried");
  await staysInside(page);
  await page.keyboard.press("Control+z");
  await expect(result).not.toContainText("Glazed over it");
});
