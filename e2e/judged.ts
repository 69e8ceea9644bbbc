import { expect, test, type Page } from "@playwright/test";
import axe from "axe-core";

// What holds for every view, judged where a test stands on it: from outside with axe-core's rules for WCAG 2.1 A and AA
// (names, roles, contrast), in daylight and dusk, and what is too small to read or to press at arm's length.

declare global {
  interface Window {
    readonly axe: typeof axe;
  }
}

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

const softly = expect.configure({ soft: true });

/**
 * At 1280 by 800, at twice that size, on a tablet, lying or upright, and on the narrowest window that WCAG 2.2 asks for
 * (1.4.10), nothing of a room runs out of the window; a room as high as the window can't be scrolled out of it.
 */
export async function staysInside(page: Page): Promise<void> {
  for (const [width, height] of [
    [1024, 768],
    [820, 1180],
    [640, 400],
    [320, 640],
    [1280, 800],
  ] as const) {
    await page.setViewportSize({ width, height });
    const runsOut = () =>
      page.evaluate(() => {
        const over = document.documentElement.scrollWidth - document.documentElement.clientWidth;
        const below = [...document.querySelectorAll(".room-frame")].some(
          (room) => room.clientHeight === innerHeight && document.documentElement.scrollHeight > innerHeight,
        );
        const outside = [...document.querySelectorAll("header button, header a, aside, main")]
          .filter((element) => !element.closest("dialog:not([open])"))
          .filter((element) => element.checkVisibility() && element.getBoundingClientRect().right > innerWidth + 1)
          .map((element) => element.outerHTML.slice(0, 90));
        return [
          ...(over > 0 ? [`scrolls sideways by ${over}`] : []),
          ...(below ? ["can be scrolled out of the window"] : []),
          ...outside.map((element) => `runs out: ${element}`),
        ];
      });
    // A chart takes its new width a moment after the window has it.
    await softly.poll(runsOut, { message: `at ${width}`, timeout: 5_000 }).toEqual([]);
  }
}

/**
 * Judges the view that a page shows, in both themes; the page is left in the other one than it was in. The themes
 * differ in nothing but their colours: beside contrast everything is judged in daylight alone.
 */
export async function judged(page: Page, view: string): Promise<void> {
  await test.step(`judged: ${view}`, async () => {
    expect.soft(await tooSmall(page), `${view}, at arm's length`).toEqual([]);
    const begun = await page.evaluate(() => (matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light"));
    for (const colorScheme of begun === "light" ? (["light", "dark"] as const) : (["dark", "light"] as const)) {
      if (colorScheme !== begun) await page.emulateMedia({ colorScheme });
      const [time, only] = colorScheme === "light" ? ["daylight"] : ["dusk", "color-contrast"];
      expect.soft(await faults(page, only), `${view}, in ${time}`).toEqual([]);
    }
  });
}
