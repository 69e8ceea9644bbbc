import { spawn } from "node:child_process";
import {
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
