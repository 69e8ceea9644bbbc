import { execFile } from "node:child_process";
import { createHash } from "node:crypto";
import { request } from "node:http";
import { promisify } from "node:util";
import { expect, type APIRequestContext, type Page } from "@playwright/test";
import { postgresPrograms, startPostgres, type TestPostgres } from "../src/testing/postgres";
import { testAlone as test, unlocked } from "./house";
import { freePort, freshFolder, launch, onServer, startServer, type RunningServer } from "./server";
import { type } from "./typing";

/** Several painters on one PostgreSQL server, two processes on one database. */

test.skip(postgresPrograms() === null, "there is no PostgreSQL on this machine");
test.skip(onServer, "it brings its own server");
test.describe.configure({ mode: "serial" });

const PHRASES = { Anna: "the poplars stand in a row", Ben: "a far dyke under the sky" } as const;
type Name = keyof typeof PHRASES;

let postgres: TestPostgres | null = null;
/** Those that have been started: what a beginning that is broken off leaves is ended all the same. */
const servers: RunningServer[] = [];
let env: Record<string, string>;
const data = freshFolder();
const run = promisify(execFile);
const space = (words: readonly string[], more: Record<string, string> = {}) =>
  run(process.execPath, ["scripts/space.mjs", ...words], { env: { ...process.env, ...env, ...more } });

test.beforeAll(async () => {
  test.setTimeout(180_000);
  postgres = await startPostgres();
  env = { DATABASE_URL: await postgres!.database(), ABENDROT_DATA: data };
  await space(["add", "Anna", "--teacher"], { ABENDROT_PHRASE: PHRASES.Anna });
  await space(["add", "Ben"], { ABENDROT_PHRASE: PHRASES.Ben });
  for (let n = 0; n < 2; n++) servers.push(await startServer(data, undefined, env));
});
test.afterAll(async () => {
  try {
    for (const server of servers) await server.stop("SIGTERM");
  } finally {
    await postgres?.stop();
  }
});

const url = (): string => servers[0]!.url;
const signIn = async (request: APIRequestContext, name: Name, at = url()): Promise<number> =>
  (await request.post(`${at}/api/sign-in`, { data: { name, phrase: PHRASES[name] } })).status();
interface Shelf {
  readonly shelf: { readonly id: string; readonly title: string; readonly photoId: string }[];
}
const shelfOf = async (request: APIRequestContext, at = url()): Promise<Shelf["shelf"]> =>
  ((await (await request.get(`${at}/api/paintings`)).json()) as Shelf).shelf;

async function enter(page: Page, name: string, phrase: string): Promise<void> {
  await page.goto(url());
  await expect(page).toHaveURL(/\/sign-in$/);
  await type(page.getByLabel("Name"), name);
  await type(page.getByLabel("Pass phrase"), phrase);
  await page.getByRole("button", { name: "Sign in" }).click();
}

test("a wrong pass phrase is refused without saying what was wrong; the right one opens one's own desk", async ({
  page,
}) => {
  await enter(page, "Ben", PHRASES.Anna);
  await expect(page.getByText("Name or pass phrase is not right.")).toBeVisible();
  await type(page.getByLabel("Name"), "Nobody");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("Name or pass phrase is not right.")).toBeVisible();
  await type(page.getByLabel("Name"), "Ben");
  await type(page.getByLabel("Pass phrase"), PHRASES.Ben);
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.locator("canvas[data-drawn]").first()).toBeVisible({ timeout: 60_000 });
  const cookie = (await page.context().cookies()).find(({ name }) => name === "abendrot")!;
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: "Lax" });
  await unlocked(page);
  await type(page.getByRole("textbox", { name: "Title of the painting" }), "Ben's evening");
  await expect(page.getByRole("status").filter({ hasText: /^Saved$/ })).toBeVisible();
  // The other process shows what this one saved.
  await page.goto(`${servers[1]!.url}/paintings`);
  await expect(page.getByRole("heading", { name: "Ben's evening" })).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Whose table is it?" })).toBeVisible();
  await page.goto(`${servers[1]!.url}/paintings`);
  await expect(page).toHaveURL(/\/sign-in$/);
});

/** Every door that an id or a name leads through, with one of somebody else's in it. */
const doors = (id: string, photo: string, entry: string) =>
  [
    ["GET", `/api/paintings/${id}/wanted`],
    ["GET", `/api/paintings/${id}/next-swatches`],
    ["GET", `/api/paintings/${id}/file`],
    ["PUT", `/api/paintings/${id}`],
    ["PATCH", `/api/paintings/${id}`, { title: "Mine now" }],
    ["POST", `/api/paintings/${id}/copies`, {}],
    ["POST", `/api/paintings/${id}/photo`],
    ["POST", `/api/paintings/${id}/hand-out`],
    ["POST", "/api/paintings", null],
    ["GET", `/api/photos/${photo}`],
    ["GET", `/api/logbook/${entry}`],
    ["PATCH", `/api/logbook/${entry}`, { binned: true }],
    ["DELETE", `/api/logbook/${entry}`],
    ["DELETE", `/api/paintings/${id}`],
  ] as const;

test("nobody reads or changes another's: every door with another's ids, and every door without a sign-in", async ({
  playwright,
}) => {
  const [hers, his, nobody] = await Promise.all([1, 2, 3].map(() => playwright.request.newContext()));
  expect(await signIn(hers!, "Anna")).toBe(200);
  expect(await signIn(his!, "Ben")).toBe(200);
  const photo = await import("sharp").then(({ default: sharp }) =>
    sharp({ create: { width: 80, height: 60, channels: 3, background: { r: 9, g: 8, b: 70 } } })
      .jpeg()
      .toBuffer(),
  );
  const brought = await hers!.post(`${url()}/api/photos`, { data: photo, headers: { "x-file-name": "secret.jpg" } });
  const { id } = (await brought.json()) as { id: string };
  const photoId = createHash("sha256").update(photo).digest("hex");
  const entry = crypto.randomUUID();
  const before = await shelfOf(hers!);
  const answers = async (request: APIRequestContext) =>
    Promise.all(
      doors(id, photoId, entry).map(async ([method, path, body]) => {
        const answer = await request.fetch(url() + path, { method, data: body ?? undefined, maxRedirects: 0 });
        return { door: `${method} ${path}`, status: answer.status(), text: await answer.text() };
      }),
    );
  for (const { door, status, text } of await answers(his!)) {
    expect(status, door).toBeGreaterThanOrEqual(door.startsWith("DELETE") ? 200 : 400);
    expect(status, door).toBeLessThan(500);
    expect(text, door).not.toContain("secret");
  }
  // A page that is still open from when somebody else was signed in saves nothing into this space.
  const laidOut = { "x-abendrot-space": "space_of_somebody_else" };
  expect((await his!.get(`${url()}/api/paintings`, { headers: laidOut })).status()).toBe(401);
  // An unsigned one is told so at every door, those of lists and files too.
  const lists = ["/api/paintings", "/api/logbook", "/api/copies", "/api/backup", "/api/eye", "/api/logbook/file"];
  const more = await Promise.all(lists.map(async (path) => (await nobody!.get(url() + path)).status()));
  for (const status of more) expect([401, 405]).toContain(status);
  for (const { door, status } of await answers(nobody!)) expect([400, 401], door).toContain(status);
  expect(await shelfOf(hers!)).toEqual(before);
  expect((await hers!.get(`${url()}/api/photos/${photoId}`)).status()).toBe(200);
  expect((await his!.get(`${url()}/painting/${id}`)).status()).toBe(200);
  expect(await (await his!.get(`${url()}/painting/${id}`)).text()).toContain("Nothing lies here");
  await Promise.all([hers!, his!, nobody!].map((request) => request.dispose()));
});

test("a teacher hands a painting to all; another painter can't", async ({ page, playwright }) => {
  await enter(page, "Anna", PHRASES.Anna);
  await expect(page.locator("canvas[data-drawn]").first()).toBeVisible({ timeout: 60_000 });
  await page.goto(`${url()}/paintings`);
  const card = page.getByRole("article", { name: "The pump house at last light" });
  await card.getByRole("button", { name: "Hand to all" }).click();
  await expect(page.getByText("It lies with 1 painter now.")).toBeVisible({ timeout: 60_000 });
  const his = await playwright.request.newContext();
  expect(await signIn(his, "Ben")).toBe(200);
  const shelf = await shelfOf(his);
  expect(shelf.map(({ title }) => title).sort()).toEqual(["Ben's evening", "The pump house at last light"]);
  expect((await his.post(`${url()}/api/paintings/${shelf[0]!.id}/hand-out`)).status()).toBe(403);
  await his.dispose();
});

test("a new pass phrase signs others out; too many wrong tries are told to wait, on both processes", async ({
  playwright,
}) => {
  const his = await playwright.request.newContext();
  expect(await signIn(his, "Ben")).toBe(200);
  expect((await space(["phrase", "Ben"])).stdout).toContain("has a new pass phrase: ");
  await expect.poll(async () => (await his.get(`${url()}/api/paintings`)).status(), { timeout: 15_000 }).toBe(401);
  const statuses: number[] = [];
  for (let i = 0; i < 12; i++) statuses.push(await signIn(his, "Ben", servers[i % 2]!.url));
  expect(statuses[0]).toBe(401);
  expect(statuses.at(-1)).toBe(429);
  await his.dispose();
});

test("a process that is killed while it writes loses nothing that it acknowledged; the other goes on", async ({
  playwright,
}) => {
  const hers = await playwright.request.newContext();
  expect(await signIn(hers, "Anna")).toBe(200);
  const third = await startServer(data, await freePort(), env);
  const kept: string[] = [];
  let running = true;
  const writing = (async () => {
    for (let n = 0; running; n++) {
      const [first] = await shelfOf(hers, third.url).catch(() => []);
      if (!first) break;
      const title = `Kept ${n}`;
      const answer = await hers.patch(`${third.url}/api/paintings/${first.id}`, { data: { title } }).catch(() => null);
      if (answer?.ok()) kept.push(title);
    }
  })();
  await expect.poll(() => kept.length, { timeout: 30_000 }).toBeGreaterThan(5);
  await third.stop("SIGKILL");
  running = false;
  await writing;
  const titles = (await shelfOf(hers)).map(({ title }) => title);
  // The last one that was acknowledged, or the one behind it that was on its way.
  const last = Number(kept.at(-1)!.split(" ")[1]);
  expect(titles.some((title) => title === `Kept ${last}` || title === `Kept ${last + 1}`)).toBe(true);
  await hers.dispose();
});

test("beyond this machine it is heard only when told, and says what that means", async () => {
  const heard = launch(data, await freePort(), { ...env, HOST: "0.0.0.0", ABENDROT_HOSTS: "studio.example" });
  await expect
    .poll(heard.output, { timeout: 30_000 })
    .toContain("It listens at 0.0.0.0: whoever reaches this machine can try to sign in.");
  const port = /Abendrot is at http:\/\/0\.0\.0\.0:(\d+)/.exec(heard.output())![1]!;
  const asked = (host: string): Promise<number> =>
    new Promise((resolve, reject) =>
      request({ port, path: "/api/paintings", headers: { host } }, (answer) => resolve(answer.statusCode!))
        .on("error", reject)
        .end(),
    );
  expect(await asked("studio.example")).toBe(401);
  expect(await asked("elsewhere.example")).toBe(403);
  heard.child.kill("SIGTERM");
  await heard.ended;
  const only = launch(data, await freePort(), { ...env, HOST: "0.0.0.0", ABENDROT_PAINTER: "Anna" });
  await expect.poll(only.output, { timeout: 30_000 }).toContain("ABENDROT_PAINTER lets everybody in");
  only.child.kill("SIGTERM");
  await only.ended;
});
