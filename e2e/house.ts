import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test as base, type BrowserContext, type Page } from "@playwright/test";
import config from "../playwright.config";
import "./known-frames";
import { startServer, type RunningServer } from "./server";

let kept: { readonly page: Page; readonly file: string } | null = null;
/** What went wrong in the page since the last test, as its console tells it; refusals by the server are none. */
const faults: string[] = [];
/** Addresses at which a page was since the profile was last emptied. */
const visited = new Set<string>();

function watch(page: Page): void {
  page.on("pageerror", (error) => faults.push(error.message));
  page.on(
    "console",
    (message) => message.type() === "error" && !/status of 4\d\d/.test(message.text()) && faults.push(message.text()),
  );
}

/** Closes the page that is kept, before its server goes. */
export async function leavePage(): Promise<void> {
  await kept?.page.close();
  kept = null;
  faults.splice(0);
}

/** Takes out of a profile what pages stored in it; programs and pictures that it holds of them stay. */
async function empty(profile: BrowserContext): Promise<void> {
  const [first] = profile.pages();
  const session = await profile.newCDPSession(first!);
  for (const origin of visited)
    await session.send("Storage.clearDataForOrigin", { origin, storageTypes: "local_storage,indexeddb" });
  visited.clear();
  await session.detach();
  await profile.clearCookies();
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

/**
 * Goes to a room by the head of the one that is open, as a painter does; by its address where none leads there. Ends
 * when the address is the room's: what is looked at next must be of that room.
 */
export async function walkTo(page: Page, url: string, room: string): Promise<void> {
  const way = page.locator(`header a[href="${room}"]`).last();
  if (!page.url().startsWith(url) || !(await way.isVisible())) return void (await page.goto(`${url}${room}`));
  await way.click();
  await page.waitForURL(({ pathname }) => pathname === room || (room === "/" && pathname.startsWith("/painting/")));
}

interface Shared {
  /** The server of this worker with the demo as it begins; what a test file before this one did is gone. */
  readonly demoServer: () => Promise<RunningServer>;
  /**
   * The browser of this worker with one profile, as a painter's: the program's own files, once read and compiled, are
   * read again from it, which is about a tenth of what a page of the desk costs.
   */
  readonly profile: BrowserContext;
}

const housed = base.extend<object, Shared>({
  profile: [
    async ({ playwright }, use) => {
      const folder = mkdtempSync(join(tmpdir(), "abendrot-profile-"));
      const { launchOptions, viewport, contextOptions, actionTimeout } = config.use!;
      const profile = await playwright.chromium.launchPersistentContext(folder, {
        ...launchOptions,
        ...contextOptions,
        viewport,
        // A screen that is touched as well: a browser of its own for that reads and compiles the program anew.
        hasTouch: true,
      });
      profile.setDefaultTimeout(actionTimeout!);
      profile.on("page", (page) =>
        page.on("framenavigated", (frame) => {
          if (frame.url().startsWith("http")) visited.add(new URL(frame.url()).origin);
        }),
      );
      await use(profile);
      kept = null;
      await profile.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
  demoServer: [
    async ({ profile }, use) => {
      let server = null as RunningServer | null;
      await use(async () => {
        await leavePage();
        await empty(profile);
        if (server) await putBack(server);
        else await fetch((server = await startServer()).url).then((answer) => answer.text());
        return server;
      });
      if (profile.pages().length > 0) await leavePage();
      await server?.stop("SIGTERM");
    },
    { scope: "worker" },
  ],
});

/**
 * Tests that share a server with the files before them, and that go on in one page, as a painter does through an
 * evening: starting a server, laying out the desk anew and weighing its palettes again take longer than most of what is
 * checked. After a failure the next test has a page of its own. No test may leave an error on the console.
 */
export const test = housed.extend({
  page: async ({ profile }, use, info) => {
    if (kept?.file !== info.file) await leavePage();
    if (!kept) {
      await empty(profile);
      kept = { page: await profile.newPage(), file: info.file };
      watch(kept.page);
    }
    await use(kept.page);
    const found = faults.splice(0);
    if (info.status !== info.expectedStatus) await leavePage();
    expect(found).toEqual([]);
  },
});

/** Tests that begin with nothing stored in the browser, and whose pages are closed behind them. */
export const testAlone = housed.extend({
  context: async ({ profile }, use) => {
    await leavePage();
    await empty(profile);
    const before = profile.pages();
    await use(profile);
    for (const page of profile.pages()) if (!before.includes(page)) await page.close();
  },
});
