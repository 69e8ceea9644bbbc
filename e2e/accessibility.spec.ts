import { expect, type Page } from "@playwright/test";
import axe from "axe-core";
import { test } from "./house";
import { openDesk } from "./photo-page";
import type { RunningServer } from "./server";

// Checked from outside with axe-core's rules for WCAG 2.1 A and AA (names, roles, contrast), in both themes.

// Each room for itself: two workers share them, each with a server of its own.
test.describe.configure({ mode: "parallel" });

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}

let server: RunningServer;
test.beforeAll(async ({ demoServer }) => {
  server = await demoServer();
});

const RULES = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa"];

/** What axe finds wrong with a page as it is: all rules, or one. Its program is put into a page once. */
async function faults(page: Page, only?: string): Promise<string[]> {
  if (!(await page.evaluate(() => "axe" in window))) await page.evaluate(axe.source);
  return page.evaluate(
    async (runOnly) => {
      const { violations } = await window.axe.run({ runOnly, resultTypes: ["violations"], preload: false });
      return violations.flatMap(({ id, nodes }) =>
        nodes.map(
          ({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary?.split("\n")[1]?.trim() ?? ""}`,
        ),
      );
    },
    only ? { type: "rule" as const, values: [only] } : { type: "tag" as const, values: RULES },
  );
}

/**
 * What is too small at arm's length: words under 13 px; what is pressed or typed into under 14 px, or lower than 32
 * px.
 */
const tooSmall = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const faults = new Set<string>();
    const told = (element: Element, what: string): unknown =>
      faults.add(`${what}: ${element.outerHTML.replaceAll(/\s+/g, " ").slice(0, 140)}`);
    const pressed = "button, select, input, textarea, [role=tab], a.btn, a.link";
    for (const element of document.body.querySelectorAll("*")) {
      if (!element.checkVisibility({ visibilityProperty: true }) || element.closest(".sr-only, svg, option, [inert]"))
        continue;
      const size = parseFloat(getComputedStyle(element).fontSize);
      const says = [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent!.trim() !== "");
      if (says && size < 12.99) told(element, `${size} px`);
      if (!element.matches(pressed)) continue;
      const { width, height } = element.getBoundingClientRect();
      const target = element.closest("label")?.getBoundingClientRect() ?? { height };
      // A slider is as wide as it is; what stands on a picture is as large as what it marks.
      if (width === 0 || element.matches("input[type=range], input[type=file], .absolute")) continue;
      if (says && size < 13.99) told(element, `${size} px to press`);
      // A link in a sentence is as high as its line.
      if (Math.max(height, target.height) < 31.5 && !element.matches("p .link, li .link"))
        told(element, `${Math.round(Math.max(height, target.height))} px high`);
    }
    return [...faults];
  });

/** At 1280 by 800 and on a tablet, lying or upright, nothing runs out of the window. */
async function staysInside(page: Page): Promise<void> {
  for (const [width, height] of [
    [1024, 768],
    [820, 1180],
    [1280, 800],
  ] as const) {
    await page.setViewportSize({ width, height });
    const { over, outside } = await page.evaluate(() => ({
      over: document.documentElement.scrollWidth - document.documentElement.clientWidth,
      outside: [...document.querySelectorAll("header button, header a, aside, main")]
        .filter((element) => element.checkVisibility() && element.getBoundingClientRect().right > innerWidth + 1)
        .map((element) => element.outerHTML.slice(0, 90)),
    }));
    expect.soft(over, `scrolls sideways at ${width}`).toBeLessThanOrEqual(0);
    expect.soft(outside, `runs out at ${width}`).toEqual([]);
  }
}

type View = readonly [name: string, prepare: (page: Page) => Promise<unknown>];

const step = (page: Page, name: RegExp) =>
  page.getByRole("navigation", { name: "Steps" }).getByRole("button", { name }).click();
const paletteView = (page: Page, name: string) => page.getByRole("radio", { name, exact: true }).click();

/**
 * Rooms, or steps of the desk, with the views of each, one after another from where the view before left the room.
 */
const rooms: readonly (readonly [
  room: string,
  /** A path, or the name of a step of the desk. */
  place: string,
  ready: (page: Page) => Promise<unknown>,
  views: readonly View[],
])[] = [
  [
    "the desk",
    "Mixes",
    () => Promise.resolve(),
    [
      ["all areas", () => Promise.resolve()],
      [
        "an area with its ways",
        async (page) => {
          await page.getByRole("button", { name: /^Area 5:/ }).click();
          await page.getByRole("list", { name: "Ways to mix it" }).getByRole("listitem").first().waitFor();
        },
      ],
      [
        "a colour taken",
        async (page) => {
          await page.getByRole("application").focus();
          await page.keyboard.press("Enter");
          await page.getByRole("region", { name: "Colour taken from the photo" }).waitFor();
        },
      ],
      [
        "the paint picker",
        async (page) => {
          await page.getByRole("button", { name: "paint", exact: true }).click();
          // The paints are drawn as they come into view.
          await page
            .getByRole("dialog")
            .getByRole("button", { name: /Lemon yellow/ })
            .waitFor();
        },
      ],
    ],
  ],
  [
    "the steps before the mixes",
    "Photo",
    (page) => page.getByRole("application").waitFor({ timeout: 60_000 }),
    [
      [
        "the photo step in values, the sheet being placed",
        async (page) => {
          await page.getByRole("button", { name: "5 values" }).click();
          await page.getByRole("button", { name: "Place the sheet" }).click();
        },
      ],
      [
        "the areas step with proposals",
        async (page) => {
          await step(page, /Areas$/);
          await page.getByRole("region", { name: "Relations" }).waitFor();
        },
      ],
      [
        "an area's shape",
        async (page) => {
          await page
            .getByRole("list", { name: "Areas" })
            .getByRole("button", { name: /Brick in the sun/ })
            .click();
          await page.getByRole("region", { name: "Neighbours" }).waitFor();
        },
      ],
    ],
  ],
  [
    "the check before painting",
    "Check",
    () => Promise.resolve(),
    [
      ["its darks", (page) => page.getByRole("list", { name: "Darks" }).waitFor()],
      [
        "what is warm and cool",
        async (page) => {
          await page.getByRole("radio", { name: "Warm and cool" }).click();
          await page.getByRole("region", { name: "Relations" }).waitFor();
        },
      ],
      ["what goes dull", (page) => page.getByRole("radio", { name: "Mud" }).click()],
      ["what light leaves of it", (page) => page.getByRole("radio", { name: "In the light" }).click()],
      [
        "a dark, warm and cool",
        async (page) => {
          await page.getByRole("radio", { name: "Warm and cool" }).click();
          await page.getByRole("button", { name: "Shift Brick in shade" }).click();
          await page.getByRole("region", { name: "Shift it" }).waitFor();
        },
      ],
    ],
  ],
  [
    "the palette step",
    "Palette",
    (page) => page.getByText(/^Found in/).waitFor({ timeout: 60_000 }),
    [
      [
        "paints tried out",
        async (page) => {
          await paletteView(page, "Try out");
          await page.getByRole("region", { name: "What each paint earns" }).waitFor();
        },
      ],
      [
        "palettes side by side",
        async (page) => {
          await paletteView(page, "Side by side");
          await page.getByRole("table").waitFor();
        },
      ],
      [
        "the ring test",
        async (page) => {
          await paletteView(page, "In water");
          await page.getByRole("img", { name: /^Ring of/ }).waitFor();
        },
      ],
      [
        "the reach, the photo in paint",
        async (page) => {
          await paletteView(page, "Reach");
          await page.getByRole("img", { name: /^Reach at value/ }).waitFor();
          await page.keyboard.press("7");
        },
      ],
      [
        "its answer and approach",
        async (page) => {
          await page.keyboard.press("1");
          await paletteView(page, "Choose");
          await page.getByRole("button", { name: /^Approach/ }).click();
          await page.getByRole("button", { name: "Or begin from a classic" }).click();
          await page.getByRole("button", { name: "Lay out: earth triad" }).waitFor();
        },
      ],
    ],
  ],
  [
    "the paintbox",
    "/paintbox",
    (page) => expect(page.locator("[inert]")).toHaveCount(0),
    [
      ["a paint", (page) => page.getByRole("list", { name: "Paints" }).getByRole("button", { name: /Payne/ }).click()],
      [
        "a paint measured twice, and its friends",
        async (page) => {
          await page
            .getByRole("list", { name: "Paints" })
            .getByRole("button", { name: /Anthraquinone/ })
            .click();
          await page.getByRole("region", { name: "Measured" }).scrollIntoViewIfNeeded();
          await page.getByRole("button", { name: "Its best friends" }).click();
          await expect(page.getByRole("list", { name: /make a grey/ }).getByRole("listitem")).not.toHaveCount(0);
        },
      ],
      ["the boxes", (page) => page.getByRole("tab", { name: "Boxes" }).click()],
      [
        "a table to import",
        async (page) => {
          await page.getByRole("tab", { name: "Paints" }).click();
          await page.getByRole("button", { name: "Import" }).click();
          await page.locator("dialog[open] input[type=file]").setInputFiles({
            name: "box.csv",
            mimeType: "text/csv",
            buffer: Buffer.from("name,pigments\nA,PB29\nB,PX9"),
          });
          await page.getByRole("list", { name: "Lines that can't be taken" }).waitFor();
        },
      ],
    ],
  ],
  [
    "the measuring room",
    "/measure",
    (page) => expect(page.locator("[inert]")).toHaveCount(0),
    [
      ["the guide to a swatch card", (page) => page.getByRole("heading", { name: "Photograph it" }).waitFor()],
      [
        "a card read",
        async (page) => {
          await page.getByRole("radio", { name: /Four paints/ }).check();
          await page.getByRole("button", { name: /Read the demo's card/ }).click();
          await page.getByRole("button", { name: "Keep for Burnt sienna" }).waitFor({ timeout: 30_000 });
          await page.getByRole("button", { name: "a grey card or chart patch in the picture" }).click();
        },
      ],
      ["the meter", (page) => page.getByRole("tab", { name: "By meter" }).click()],
      [
        "colours typed",
        async (page) => {
          await page.getByRole("tab", { name: "By numbers" }).click();
          await page
            .getByRole("textbox", { name: /, L\*$/ })
            .first()
            .fill("x");
        },
      ],
    ],
  ],
  [
    "the measuring room with a whole box",
    "/measure",
    (page) => expect(page.locator("[inert]")).toHaveCount(0),
    [
      [
        "a box sheet read",
        async (page) => {
          await page.getByRole("button", { name: /Read the demo's box sheet/ }).click();
          await page.getByRole("button", { name: /^Keep all/ }).waitFor({ timeout: 60_000 });
        },
      ],
    ],
  ],
  [
    "the plan",
    "Plan",
    () => Promise.resolve(),
    [
      [
        "its order under its conditions",
        (page) => page.getByRole("region", { name: "Conditions" }).getByRole("button").first().click(),
      ],
      ["how much", (page) => page.getByRole("radio", { name: "How much" }).click()],
      ["what to take along", (page) => page.getByRole("radio", { name: "To take along" }).click()],
      [
        "painting by it",
        async (page) => {
          await page.getByRole("radio", { name: "Order" }).click();
          await page.getByRole("button", { name: "Paint by this plan" }).click();
          await page.getByRole("dialog", { name: "Painting by the plan" }).getByRole("heading", { level: 2 }).waitFor();
        },
      ],
    ],
  ],
  [
    "the handbook",
    "/handbook?pigment=PB28",
    (page) => page.getByRole("article").waitFor(),
    [["a pigment", () => Promise.resolve()]],
  ],
  [
    "a mix",
    "/try-a-mix",
    (page) => page.getByRole("region", { name: "What it looks like" }).waitFor(),
    [["tried", () => Promise.resolve()]],
  ],
  [
    "the paintings",
    "/paintings",
    (page) => expect(page.locator("[inert]")).toHaveCount(0),
    [
      [
        "one to be renamed, one in the bin",
        async (page) => {
          await page.getByRole("button", { name: "Double" }).click();
          await expect(page.getByRole("article")).toHaveCount(2);
          await page.getByRole("button", { name: "Bin" }).first().click();
          await page.getByRole("region", { name: "Bin" }).waitFor();
          await page.getByRole("button", { name: "Rename" }).click();
        },
      ],
    ],
  ],
  [
    "a box for several paintings",
    "/pack",
    (page) => page.getByRole("list", { name: "Packed paints" }).waitFor({ timeout: 30_000 }),
    [
      [
        "packed, with a rule",
        async (page) => {
          await page
            .getByRole("button", { name: /stays at home$/ })
            .first()
            .click();
          await page.getByRole("list", { name: "Must and stays" }).waitFor();
        },
      ],
    ],
  ],
  [
    "the logbook",
    "/logbook",
    (page) => page.getByRole("list", { name: "Pages" }).getByRole("article").first().waitFor(),
    [
      [
        "a page open",
        async (page) => {
          await page.getByRole("button", { name: /Greys for wet brick/ }).click();
          const sheet = page.getByRole("complementary", { name: "One page of the book" });
          await sheet.getByRole("button", { name: "L* a* b*" }).first().click();
        },
      ],
      [
        "its board",
        async (page) => {
          await page.getByRole("button", { name: "Close" }).click();
          await page.getByRole("tab", { name: "Board" }).click();
        },
      ],
      [
        "what it has taught",
        async (page) => {
          await page.getByRole("tab", { name: "Pages" }).click();
          await page.getByRole("button", { name: /The new tubes/ }).click();
          await page.getByRole("checkbox", { name: "learn from it" }).first().check();
          await page.getByRole("button", { name: "Close" }).click();
          await page.getByRole("tab", { name: "What it has taught" }).click();
          await page.getByRole("list", { name: "Paints as they were learned" }).waitFor({ timeout: 20_000 });
        },
      ],
      [
        "what to paint next",
        async (page) => {
          await page.getByRole("tab", { name: "Paint next" }).click();
          await page.getByRole("button", { name: /down as an entry$/ }).waitFor({ timeout: 20_000 });
        },
      ],
      [
        "a question to the eye",
        async (page) => {
          await page.getByRole("tab", { name: "The eye" }).click();
          await page.getByRole("button", { name: "Two minutes" }).click();
          await page.getByRole("timer").waitFor();
        },
      ],
    ],
  ],
  [
    "no room",
    "/painting/none",
    (page) => page.getByRole("heading").waitFor(),
    [["nothing there", () => Promise.resolve()]],
  ],
];

for (const [room, place, ready, views] of rooms) {
  test(`${room}: ${views.map(([view]) => view).join(", ")}`, async ({ page }) => {
    // A change of theme must be over before colours are judged.
    await page.emulateMedia({ reducedMotion: "reduce", colorScheme: "light" });
    await (place.startsWith("/") ? page.goto(`${server.url}${place}`) : openDesk(page, server.url, place));
    await ready(page);
    await staysInside(page);
    let scheme: "light" | "dark" = "light";
    const judge = async (view: string): Promise<void> => {
      // The themes differ in nothing but their colours.
      const [time, only] = scheme === "light" ? ["daylight"] : ["dusk", "color-contrast"];
      expect.soft(await faults(page, only), `${view}, in ${time}`).toEqual([]);
    };
    for (const [view, prepare] of views) {
      await test.step(view, async () => {
        await prepare(page);
        expect.soft(await tooSmall(page), `${view}, at arm's length`).toEqual([]);
        await judge(view);
        // The next view begins in the light in which this one ends.
        scheme = scheme === "light" ? "dark" : "light";
        await page.emulateMedia({ colorScheme: scheme });
        await judge(view);
      });
    }
  });
}
