/**
 * Attacks a running Abendrot as life does, and prints what was lost: kills in the middle of
 * writes and uploads, rooms left in every way, masses of paints and paintings, requests that nobody
 * means, files made to burst, restores in the middle of saves. Run: npm run attack
 * [kills] [leaving] [masses] [requests] [bombs] [restores]; without names, all of them; a number
 * sets how many paints the box has when it is left.
 */
import { randomBytes, randomInt, randomUUID } from "node:crypto";
import { readdirSync } from "node:fs";
import { request } from "node:http";
import { join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { chromium, type Browser, type Page } from "@playwright/test";
import sharp from "sharp";
import config from "../playwright.config";
import { newPaint, type PaintboxDocument } from "../src/model/paintbox";
import { newPainting, type PaintingDocument } from "../src/model/painting";
import { startServer, type RunningServer } from "../e2e/server";
import { bombs } from "./bombs";
import { restores } from "./restores";

const wanted = process.argv.slice(2);
/** Numbers among the names: how many paints lie in the box when rooms are left. */
const sizes = wanted.map(Number).filter((n) => n > 0);
const runs = (name: string): boolean => wanted.length === sizes.length || wanted.includes(name);
const launch = (): Promise<Browser> => chromium.launch(config.use?.launchOptions);

interface Stored<T> {
  readonly revision: number;
  readonly document: T;
}

const put = (url: string, body: object): Promise<Response> =>
  fetch(url, { method: "PUT", headers: { "content-type": "application/json" }, body: JSON.stringify(body) });

/** What is stored: asked for by a save that is made from a revision there never was. */
async function storedAt<T>(url: string, document: T): Promise<Stored<T>> {
  const body = (await (await put(url, { revision: 2 ** 31 - 2, writer: randomUUID(), step: 1, document })).json()) as {
    stored?: Stored<T>;
    message?: string;
  };
  if (!body.stored) throw new Error(`${url}: ${body.message}`);
  return body.stored;
}
const emptyBox: PaintboxDocument = { paints: [], boxes: [] };
const boxOf = (server: RunningServer): Promise<Stored<PaintboxDocument>> =>
  storedAt(`${server.url}/api/paintbox`, emptyBox);
const paintingOf = (server: RunningServer, id: string): Promise<Stored<PaintingDocument>> =>
  storedAt(`${server.url}/api/paintings/${id}`, newPainting("Probe", "cotton-rough"));

async function storeBox(server: RunningServer, paints: number): Promise<void> {
  const { revision, document } = await boxOf(server);
  const more = Array.from({ length: paints - document.paints.length }, (_, i) =>
    newPaint({
      id: randomUUID(),
      name: `Paint ${i}`,
      notes: "from the attack",
      pigments: [{ pigmentId: "PB29", share: 1 }],
    }),
  );
  const answer = await put(`${server.url}/api/paintbox`, {
    revision,
    writer: randomUUID(),
    step: 1,
    document: { ...document, paints: [...document.paints.slice(0, paints), ...more] },
  });
  if (!answer.ok) throw new Error(await answer.text());
}

async function photoOf(seed: number): Promise<Buffer> {
  return sharp({
    create: {
      width: 640 + (seed % 60),
      height: 480,
      channels: 3,
      background: { r: seed % 256, g: (seed >> 3) % 256, b: 90 },
      noise: { type: "gaussian", mean: 120, sigma: 40 },
    },
  })
    .jpeg({ quality: 95 })
    .toBuffer();
}

async function firstPainting(server: RunningServer): Promise<string> {
  const response = await fetch(server.url);
  const html = await response.text();
  const id = /painting\/([0-9a-f-]{36})/.exec(response.url + html)?.[1];
  if (!id) throw new Error("no painting is there");
  return id;
}

/** Thirty kills while paintings are saved and photos come in: what was acknowledged has to be there. */
async function kills(rounds = 30): Promise<void> {
  let server = await startServer();
  const { folder } = server;
  await waitReady(server);
  const id = await firstPainting(server);
  const photos = new Set<string>();
  let [writes, lost, leftovers] = [0, 0, 0];
  for (let round = 0; round < rounds; round++) {
    const { revision, document } = await paintingOf(server, id);
    const writer = randomUUID();
    let acknowledged = 0;
    const saving = (async () => {
      for (let step = 1; ; step++) {
        const answer = await put(`${server.url}/api/paintings/${id}`, {
          revision,
          writer,
          step,
          document: { ...document, title: `Round ${round} step ${step}` },
        });
        if (answer.ok) {
          acknowledged = step;
          writes++;
        }
      }
    })().catch(() => {});
    const uploading = (async () => {
      for (let n = 0; ; n++) {
        const answer = await fetch(`${server.url}/api/photos`, {
          method: "POST",
          headers: { "x-file-name": `round-${round}-${n}.jpg` },
          body: new Uint8Array(await photoOf(round * 100 + n)),
        });
        if (answer.ok) photos.add(((await answer.json()) as { id: string }).id);
      }
    })().catch(() => {});
    await sleep(randomInt(150, 1800));
    await server.stop("SIGKILL");
    await Promise.all([saving, uploading]);
    server = await startServer(folder, Number(new URL(server.url).port));
    await waitReady(server);
    const title = (await paintingOf(server, id)).document.title;
    const found = Number(/^Round (\d+) step (\d+)$/.exec(title)?.[2] ?? 0);
    if (acknowledged > 0 && (!title.startsWith(`Round ${round} `) || found < acknowledged)) lost++;
    leftovers += readdirSync(join(folder, "photos")).filter((name) => name.startsWith(".")).length;
  }
  for (const painting of photos) {
    const there = await paintingOf(server, painting).catch(() => null);
    if (!there) lost++;
  }
  console.log(
    `kills: ${rounds} rounds, ${writes} acknowledged saves and ${photos.size} acknowledged uploads, ${lost} lost, ${leftovers} leftovers in photos/`,
  );
  await server.stop("SIGTERM");
}

async function waitReady(server: RunningServer): Promise<void> {
  for (let i = 0; i < 200 && !server.output().includes("Ready:"); i++) await sleep(100);
}

const titleField = (page: Page) => page.getByRole("textbox", { name: "Title of the painting" });

/**
 * Every way to leave a room right after a change, with boxes of several sizes: how often the change is not there
 * afterwards.
 */
async function leaving(rounds = 6): Promise<void> {
  const server = await startServer();
  await waitReady(server);
  const browser = await launch();
  const ways: Readonly<Record<string, (page: Page) => Promise<unknown>>> = {
    "tab closed": (page) => page.close(),
    "page reloaded": (page) => page.reload(),
    "another address": (page) => page.goto("about:blank"),
    "link in the room": (page) => page.getByRole("link", { name: "Handbook" }).click(),
    back: (page) => page.goBack(),
  };
  console.log(`leaving: changes lost of ${rounds}, right after typing`);
  for (const paints of sizes.length > 0 ? sizes : [28, 150, 600]) {
    await storeBox(server, paints);
    for (const [way, leave] of Object.entries(ways)) {
      let [notes, titles] = [0, 0];
      for (let round = 0; round < rounds; round++) {
        const context = await browser.newContext();
        let page = await context.newPage();
        await page.goto(`${server.url}/handbook`);
        await page.goto(`${server.url}/paintbox`);
        await page.getByRole("list", { name: "Paints" }).getByRole("button").first().click();
        const note = randomUUID();
        await page.getByRole("textbox", { name: "Notes" }).pressSequentially(note.slice(0, 8));
        await page.getByRole("textbox", { name: "Notes" }).fill(note);
        await leave(page);
        if (page.isClosed()) page = await context.newPage();
        await page.goto(`${server.url}/paintbox`);
        // A slow machine takes its time to let one in; what is lost does not come however long it is waited for.
        await page.waitForFunction(() => !document.querySelector("[inert]"), null, { timeout: 60_000 });
        await page.getByRole("searchbox", { name: "Search the paintbox" }).fill(note);
        if (
          !(await page
            .getByText(/^1 of /)
            .waitFor({ timeout: 20_000 })
            .then(
              () => true,
              () => false,
            ))
        )
          notes++;
        if (paints === 28) {
          await page.goto(`${server.url}/`);
          await titleField(page).fill(note);
          await leave(page);
          if (page.isClosed()) page = await context.newPage();
          await page.goto(`${server.url}/`);
          if (
            !(await page
              .waitForFunction(
                (text) => [...document.querySelectorAll("input")].some((input) => input.value === text),
                note,
                { timeout: 5000 },
              )
              .then(
                () => true,
                () => false,
              ))
          )
            titles++;
        }
        await context.close();
      }
      console.log(
        `  ${String(paints).padStart(4)} paints, ${way.padEnd(16)} paintbox ${notes}${paints === 28 ? `, desk ${titles}` : ""}`,
      );
    }
  }
  await browser.close();
  await server.stop("SIGTERM");
}

/**
 * 2,000 paints and 200 paintings: how long the rooms take to stand, and how many pictures are fetched before they are
 * asked for.
 */
async function masses(): Promise<void> {
  const server = await startServer();
  await waitReady(server);
  await storeBox(server, 2000);
  const photo = await photoOf(7);
  for (let i = 0; i < 200; i++) {
    const answer = await fetch(`${server.url}/api/photos`, {
      method: "POST",
      headers: { "x-file-name": `painting-${i}.jpg` },
      body: new Uint8Array(photo),
    });
    if (!answer.ok) throw new Error(await answer.text());
  }
  const browser = await launch();
  const page = await browser.newPage();
  let pictures = 0;
  page.on("request", (one) => {
    if (one.url().includes("copy=small")) pictures++;
  });
  const timed = async (path: string, there: () => Promise<unknown>): Promise<string> => {
    const start = performance.now();
    await page.goto(server.url + path);
    await there();
    return `${((performance.now() - start) / 1000).toFixed(1)} s`;
  };
  const desk = await timed("/", () => titleField(page).waitFor());
  await sleep(2000);
  const before = pictures;
  await page.getByRole("button", { name: "Paintings" }).click();
  await sleep(2000);
  const paintbox = await timed("/paintbox", () => page.getByText("2000 of 2000").waitFor());
  console.log(
    `masses: 2,000 paints and 200 paintings: desk in ${desk}, paintbox in ${paintbox}; small pictures fetched before the menu is opened ${before}, after ${pictures}`,
  );
  await browser.close();
  await server.stop("SIGTERM");
}

const PATHS = [
  "/",
  "/paintbox",
  "/measure",
  "/handbook",
  "/try-a-mix",
  "/api/paintbox",
  "/api/photos",
  "/api/paintings",
  "/api/approach",
  "/api/measurements",
  "/api/cards",
  "/api/cards/1",
  "/api/photos/x",
  "/painting/%ff",
  "/painting/..%2f..",
  "/_next/x",
  `/api/paintings/${randomUUID()}`,
  `/painting/${randomUUID()}`,
];
const METHODS = ["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS", "TRACE", "PROPFIND"];
const pick = <T>(list: readonly T[]): T => list[randomInt(list.length)]!;

/**
 * A thousand requests of random ways, addresses, headers and bodies: none may be a fault of the server's, and it has
 * to stand afterwards.
 */
async function requests(count = 1000): Promise<void> {
  const server = await startServer();
  await waitReady(server);
  const statuses = new Map<number, number>();
  const faults: string[] = [];
  for (let i = 0; i < count; i++) {
    const bodies: (string | Buffer)[] = [
      "",
      "{",
      "null",
      "[]",
      "\0",
      '{"revision":1e308}',
      JSON.stringify({ revision: 0, writer: randomUUID(), step: 1, document: { title: "\ud800" } }),
      randomBytes(randomInt(4000)),
      JSON.stringify({ paints: ["x".repeat(randomInt(3000))] }),
    ];
    const headers: Record<string, string> = {
      ...(randomInt(3) === 0 && {
        "content-type": pick(["application/json", "text/plain", "multipart/form-data; boundary=x"]),
      }),
      ...(randomInt(4) === 0 && { "x-file-name": pick(["%", "%00", "a.jpg", "..%2f"]) }),
      ...(randomInt(5) === 0 && { "next-router-state-tree": "%5B", rsc: "1" }),
    };
    const [method, path, body] = [
      pick(METHODS),
      pick(PATHS) + (randomInt(3) === 0 ? `?${encodeURIComponent(randomBytes(6).toString("latin1"))}` : ""),
      pick(bodies),
    ];
    const status = await new Promise<number>((resolve) => {
      const one = request(server.url + path, { method, headers, agent: false }, (response) => {
        response.resume();
        response.on("end", () => resolve(response.statusCode ?? 0));
        response.on("error", () => resolve(0));
      });
      one.on("error", (error: NodeJS.ErrnoException) => {
        faults.push(error.code ?? error.message);
        resolve(0);
      });
      one.setTimeout(15_000, () => one.destroy());
      one.end(["GET", "HEAD", "TRACE"].includes(method) ? undefined : body);
    });
    statuses.set(status, (statuses.get(status) ?? 0) + 1);
    if (status >= 500 || status === 0) faults.push(`${status} ${method} ${path} ${JSON.stringify(headers)}`);
  }
  const alive = (await fetch(`${server.url}/paintbox`)).status;
  console.log(
    `requests: ${count} random ones, answers ${[...statuses]
      .sort(([a], [b]) => a - b)
      .map(([status, n]) => `${status}: ${n}`)
      .join(", ")}; the paintbox afterwards: ${alive}`,
  );
  for (const fault of new Set(faults)) console.log(`  FAULT ${fault}`);
  await server.stop("SIGTERM");
}

if (runs("bombs")) await bombs();
if (runs("restores")) await restores();
if (runs("requests")) await requests();
if (runs("kills")) await kills();
if (runs("masses")) await masses();
if (runs("leaving")) await leaving();
process.exit(0);
