import { expect, test as base, type Page } from "@playwright/test";

let kept: { readonly page: Page; readonly file: string } | null = null;
/** What went wrong in the page since the last test, as its console tells it; refusals by the server are none. */
const faults: string[] = [];

function watch(page: Page): void {
  page.on("pageerror", (error) => faults.push(error.message));
  page.on(
    "console",
    (message) => message.type() === "error" && !/status of 4\d\d/.test(message.text()) && faults.push(message.text()),
  );
}

/** Closes the page that is kept, before its server goes. */
export async function leavePage(): Promise<void> {
  await kept?.page.context().close();
  kept = null;
  faults.splice(0);
}

/**
 * Tests that go on in one page, as a painter does through an evening: laying out the desk anew and weighing its
 * palettes again takes longer than most of what is checked. After a failure the next test has a page of its own. No
 * test may leave an error on the console.
 */
export const test = base.extend({
  page: async ({ browser }, use, info) => {
    if (kept?.file !== info.file) await leavePage();
    if (!kept) {
      kept = { page: await browser.newPage(), file: info.file };
      watch(kept.page);
    }
    await use(kept.page);
    const found = faults.splice(0);
    if (info.status !== info.expectedStatus) await leavePage();
    expect(found).toEqual([]);
  },
});
