import { readFileSync } from "node:fs";
import { expect, test as base, type Page } from "@playwright/test";
import { startServer, type RunningServer } from "./server";

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

/** Puts the demo back as it was laid out, as a painter puts a backup back. */
async function putBack({ url }: RunningServer): Promise<void> {
  const sent = await fetch(`${url}/api/backup`, {
    method: "POST",
    body: readFileSync(process.env.ABENDROT_DEMO_BACKUP!),
  });
  const { waiting } = (await sent.json()) as { waiting?: { token: string } };
  if (!waiting) return expect(sent.status).toBe(200);
  const done = await fetch(`${url}/api/backup/waiting`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ token: waiting.token }),
  });
  expect(done.status).toBe(200);
}

/** A room can be touched once it is known that what was read is what is stored. */
export const unlocked = (page: Page) => expect(page.locator("[inert]")).toHaveCount(0);

interface Shared {
  /** The server of this worker with the demo as it begins; what a test file before this one did is gone. */
  readonly demoServer: () => Promise<RunningServer>;
}

/**
 * Tests that share a server with the files before them, and that go on in one page, as a painter does through an
 * evening: starting a server, laying out the desk anew and weighing its palettes again take longer than most of what is
 * checked. After a failure the next test has a page of its own. No test may leave an error on the console.
 */
export const test = base.extend<object, Shared>({
  demoServer: [
    async ({ browser }, use) => {
      let server = null as RunningServer | null;
      await use(async () => {
        await leavePage();
        if (server) await putBack(server);
        else await fetch((server = await startServer()).url).then((answer) => answer.text());
        return server;
      });
      if (browser.isConnected()) await leavePage();
      await server?.stop("SIGTERM");
    },
    { scope: "worker" },
  ],
  page: async ({ browser }, use, info) => {
    if (kept?.file !== info.file) await leavePage();
    if (!kept) {
      kept = { page: await (await browser.newContext()).newPage(), file: info.file };
      watch(kept.page);
    }
    await use(kept.page);
    const found = faults.splice(0);
    if (info.status !== info.expectedStatus) await leavePage();
    expect(found).toEqual([]);
  },
});
