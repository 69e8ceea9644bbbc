import { spawn } from "node:child_process";
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readdirSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { join } from "node:path";
import { expect } from "@playwright/test";
import { layPastFolder } from "../src/testing/past-folder";
import { testAlone as test } from "./house";
import { demoFolder, freePort, freshFolder, launch, onServer, startServer } from "./server";

/** How Abendrot starts and stops, and what it says of folders that it can't use. */

test.skip(onServer, "about a data folder of one's own");

const isReady = (output: () => string) => expect.poll(output, { timeout: 60_000 }).toContain("Ready:");

test("the first start shows a page at once, while the database is still being made", () => {
  expect(process.env.ABENDROT_FIRST_PAGE).toContain("Laying out the desk");
});

test("folders that can't be used are refused in words, untouched, before any address is told", async () => {
  const file = join(freshFolder(), "a-file");
  writeFileSync(file, "");
  const photos = freshFolder();
  mkdirSync(join(photos, "photos", "own"), { recursive: true });
  const documents = freshFolder();
  writeFileSync(join(documents, "letter.txt"), "");
  for (const [folder, words] of [
    [file, "is no folder"],
    ["", "set, but to nothing"],
    [photos, "its database is not whole"],
    [documents, "is not empty and is no data folder"],
  ] as const) {
    const before = existsSync(folder) && statSync(folder).isDirectory() ? readdirSync(folder) : [];
    const { output, ended } = launch(folder, await freePort());
    expect(await ended).toBe(3);
    expect(output()).toContain(words);
    expect(output()).not.toContain("Abendrot is at");
    expect(output()).not.toMatch(/\n\s+at /);
    expect(existsSync(folder) && statSync(folder).isDirectory() ? readdirSync(folder) : []).toEqual(before);
  }
});

test("a folder whose database has been emptied or taken away is refused, its photos still there; with it put back everything is", async () => {
  const server = await startServer();
  await isReady(server.output);
  expect(await server.stop("SIGTERM")).toBe(0);
  expect(readdirSync(server.folder).sort()).toEqual(["abendrot.json", "photos", "postgres"]);
  const version = join(server.folder, "postgres", "PG_VERSION");
  rmSync(version);
  const refused = launch(server.folder, await freePort());
  expect(await refused.ended).toBe(3);
  expect(refused.output()).toContain('Put "postgres" back from a copy');
  writeFileSync(version, "18\n");
});

test("a folder of the very first program opens in every room; it is its owner's alone, and saves outlive its end", async ({
  page,
}) => {
  const folder = freshFolder();
  await layPastFolder(folder, "00");
  // Made under whatever mask; everybody on the machine may read and write it.
  const open = readdirSync(folder, { recursive: true, encoding: "utf8" });
  for (const name of open) chmodSync(join(folder, name), statSync(join(folder, name)).isDirectory() ? 0o777 : 0o666);
  const before = process.umask(0);
  const server = await startServer(folder).finally(() => process.umask(before));
  await isReady(server.output);
  expect(server.output()).toMatch(/Others on this machine could read or write \d+ files of the data folder/);

  const errors: string[] = [];
  page.on("pageerror", (error) => errors.push(error.message));
  await page.goto(server.url);
  await expect(page.getByRole("textbox", { name: "Title of the painting" })).toHaveValue(/pump house/i);
  await expect(page.getByRole("button", { name: /^Area \d+:/ })).toHaveCount(8);
  const rooms = ["paintbox", "logbook", "measure", "handbook", "try-a-mix", "paintings", "pack", "keeping", "guide"];
  for (const room of rooms) {
    expect((await page.goto(`${server.url}/${room}`))!.status()).toBe(200);
    await expect(page.getByRole("main")).toBeVisible();
    await expect(page.getByText("can't be laid out")).toHaveCount(0);
  }
  await page.goto(`${server.url}/paintbox`);
  await expect(page.getByRole("list", { name: "Paints" })).toContainText("Quinacridone gold");
  expect(errors).toEqual([]);
  for (const name of readdirSync(folder, { recursive: true, encoding: "utf8" })) {
    const found = statSync(join(folder, name), { throwIfNoEntry: false });
    if (found) expect([name, found.mode & 0o077]).toEqual([name, 0]);
  }

  // Saves go on while it is told to end: each is stored and acknowledged, or refused in words.
  const answers: { readonly title: string; readonly status: number; readonly words: string }[] = [];
  const id = /painting\/([0-9a-f-]+)/.exec((await fetch(server.url)).url)![1]!;
  const rename = async (n: number): Promise<void> => {
    const title = `Renamed ${n}`;
    const answer = await fetch(`${server.url}/api/paintings/${id}`, {
      method: "PATCH",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ title }),
    }).catch(() => null);
    if (answer) answers.push({ title, status: answer.status, words: await answer.text() });
  };
  let going = true;
  const saving = (async () => {
    for (let n = 0; going; n++) await rename(n);
  })();
  await expect.poll(() => answers.length).toBeGreaterThan(5);
  expect(await server.stop("SIGTERM")).toBe(0);
  going = false;
  await saving;
  for (const { status, words } of answers) {
    expect([200, 503]).toContain(status);
    if (status === 503) expect(words).toContain("being stopped");
  }
  const again = await startServer(folder);
  await isReady(again.output);
  expect(again.output()).not.toContain("Others on this machine");
  const { shelf } = (await (await fetch(`${again.url}/api/paintings`)).json()) as { shelf: { title: string }[] };
  expect(shelf.map(({ title }) => title)).toContain(answers.findLast(({ status }) => status === 200)!.title);

  // Moved away under it: told as that, not as another process, and nothing is said to be saved.
  // Just after the lock was renewed: at its next renewal the program ends, whatever is being asked of it.
  const renewed = (): number => statSync(join(folder, "abendrot.in-use")).mtimeMs;
  const then = renewed();
  await expect.poll(renewed, { intervals: [20] }).not.toBe(then);
  renameSync(folder, `${folder}-moved`);
  const refused = await fetch(`${again.url}/api/paintings/${id}`, {
    method: "PATCH",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ title: "Into nothing" }),
  });
  expect([refused.status, await refused.text()]).toEqual([503, expect.stringContaining("is no longer there")]);
  await expect
    .poll(again.output, { timeout: 30_000 })
    .toContain("is no longer there: it was moved, renamed or taken away");
  expect(again.output()).not.toContain("another process");
  expect(await again.stop("SIGKILL")).not.toBe(0);
});

test("a damaged database is told on the page, not called safe, and the process can be stopped", async ({ page }) => {
  const first = await startServer();
  await isReady(first.output);
  await first.stop("SIGTERM");
  const base = join(first.folder, "postgres", "base");
  for (const database of readdirSync(base))
    for (const table of readdirSync(join(base, database))) {
      if (/^\d+$/.test(table) && Number(table) > 16000)
        truncateSync(
          join(base, database, table),
          Math.floor(statSync(join(base, database, table)).size / 8192 / 2) * 8192 + 100,
        );
    }
  const server = await startServer(first.folder);
  await page.goto(`${server.url}/paintbox`);
  await expect(page.getByRole("main").getByRole("alert")).toContainText(/damaged|emptied|can't be opened/);
  await expect(page.getByText("still there")).toHaveCount(0);
  await server.stop("SIGTERM");
  expect(readdirSync(first.folder)).not.toContain("abendrot.in-use");
});

test("a hang-up closes the folder; one left by a kill is taken over at once", async () => {
  const server = await startServer();
  await isReady(server.output);
  expect(await server.stop("SIGHUP")).toBe(0);
  expect(readdirSync(server.folder)).not.toContain("abendrot.in-use");
  const again = await startServer(server.folder);
  await again.stop("SIGKILL");
  expect(readdirSync(server.folder)).toContain("abendrot.in-use");
  const third = await startServer(server.folder);
  expect(third.output()).not.toContain("was not given back");
  await third.stop("SIGTERM");
});

test("when whoever read its words is gone it goes on answering", async () => {
  const port = await freePort();
  const { child, ended } = launch(demoFolder(), port);
  for (const stream of [child.stdout, child.stderr]) stream?.destroy();
  const titled = async (): Promise<boolean> => {
    const answer = await fetch(`http://127.0.0.1:${port}/api/paintings`).catch(() => null);
    return answer !== null && answer.ok && (await answer.text()).includes("The pump house");
  };
  await expect.poll(titled, { timeout: 120_000 }).toBe(true);
  child.kill("SIGTERM");
  expect(await ended).toBe(0);
});

test("npm that is ended takes the server with it, and a relative data folder lies where the painter stands", async () => {
  const port = await freePort();
  const here = realpathSync(freshFolder());
  renameSync(demoFolder(), join(here, "my data"));
  const npm = spawn("npm", ["start", "--prefix", process.cwd()], {
    cwd: here,
    env: { ...process.env, INIT_CWD: undefined, PORT: String(port), ABENDROT_DATA: "my data" },
  });
  let output = "";
  for (const stream of [npm.stdout, npm.stderr]) stream.on("data", (data: Buffer) => (output += data));
  await isReady(() => output);
  expect(output).not.toContain("Installing");
  expect(readdirSync(join(here, "my data"))).toContain("abendrot.in-use");
  npm.kill("SIGTERM");
  await expect.poll(() => readdirSync(join(here, "my data")), { timeout: 20_000 }).not.toContain("abendrot.in-use");
  await expect(fetch(`http://127.0.0.1:${port}/`)).rejects.toThrow();
});
