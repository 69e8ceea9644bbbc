/**
 * Years of painting in one folder: what pages weigh and take beside the demo's, and what the program weighs at rest.
 * Run: npm run bench load
 */
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { chromium, type Browser } from "@playwright/test";
import sharp from "sharp";
import { HANDBOOK } from "@/core/pigments";
import { newLogEntry, newLoggedMix } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { newArea, type PaintingDocument } from "@/model/painting";
import { openDatabase } from "@/storage/drizzle/open";
import { storeIn } from "@/storage/store";
import config from "../playwright.config";
import { freshFolder, startServer, type RunningServer } from "../e2e/server";
import { readPhoto } from "@/server/photo-import/read-photo";
import { storePhoto } from "@/server/photo-import/photo-store";
import { seedDemo } from "@/server/demo/seed";
import { markFolder } from "@/storage/folder/data-folder";

const [PAINTS, PAINTINGS, AREAS, ENTRIES, LOG_PHOTOS] = [2000, 200, 60, 500, 60];

/** Lays out a folder with the demo, and with years of painting beside it. */
async function layOut(folder: string, years: boolean): Promise<void> {
  const { db, close } = await openDatabase(folder);
  const store = storeIn(db, folder);
  await seedDemo(store);
  if (years) {
    const { revision, document } = await store.paintbox.find();
    const paints = Array.from({ length: PAINTS - document.paints.length }, (_, i) => {
      const pigment = HANDBOOK[i % HANDBOOK.length]!;
      return newPaint({
        id: randomUUID(),
        name: `${pigment.name} ${i}`,
        maker: `Maker ${i % 17}`,
        line: "Studio",
        tintingStrength: 0.6 + (i % 9) / 10,
        notes: i % 5 === 0 ? "Bought on a rainy day and never regretted, but for its cap." : "",
        pigments: [{ pigmentId: pigment.id, share: 1 }],
      });
    });
    await store.paintbox.save(
      { revision, writer: randomUUID(), step: 1 },
      { ...document, paints: [...document.paints, ...paints] },
    );
    const [demo] = await store.paintings.list();
    const whole = (await store.paintings.find(demo!.id))!;
    for (let n = 0; n < PAINTINGS; n++) {
      const areas = Array.from({ length: AREAS }, (_, i) => ({
        ...newArea({ ...whole.document.areas[i % whole.document.areas.length]!, region: null }),
        wash: { kind: "flat" as const, share: 1, more: [], run: null },
        id: randomUUID(),
        name: `Area ${i}`,
      }));
      const made: PaintingDocument = { ...whole.document, title: `Painting ${n}`, areas };
      await store.paintings.create(whole.photo.id, made);
    }
    const photos: string[] = [];
    for (let n = 0; n < LOG_PHOTOS; n++) {
      const path = join(folder, `.photo-${n}.jpg`);
      await sharp({ create: { width: 900, height: 600, channels: 3, background: { r: n, g: 2 * n, b: 90 } } })
        .jpeg()
        .toFile(path);
      const photo = await readPhoto(path);
      await storePhoto(store, photo, path, `swatch ${n}.jpg`);
      photos.push(photo.id);
    }
    for (let n = 0; n < ENTRIES; n++) {
      const mixes = Array.from({ length: 3 }, (_, i) =>
        newLoggedMix({
          id: randomUUID(),
          name: `Swatch ${i}`,
          parts: [
            { paintId: paints[(7 * n + i) % paints.length]!.id, parts: 2 },
            { paintId: paints[(11 * n + 3 * i + 1) % paints.length]!.id, parts: 1 },
          ],
          counts: false,
        }),
      );
      await store.logbook.create(
        randomUUID(),
        newLogEntry({
          kind: "swatch",
          on: `20${10 + (n % 16)}-0${1 + (n % 9)}-1${n % 9}`,
          paperId: "cotton-rough",
          title: `Page ${n}`,
          notes: "Wet paper, a second touch, and then the telephone rang. ".repeat(3),
          photos: [photos[n % photos.length]!],
          mixes,
        }),
      );
    }
  }
  await close();
  markFolder(folder, { database: "made", demo: true });
}

const PAGES = ["/paintings", "/paintbox", "/logbook", "/measure", "/handbook", "/try-a-mix", "/pack", "/keeping"];

interface Weighed {
  readonly kb: number;
  readonly ms: number;
}

async function weigh(url: string): Promise<Weighed> {
  await fetch(url).then((answer) => answer.text());
  const times: number[] = [];
  let kb = 0;
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    kb = Buffer.byteLength(await fetch(url).then((answer) => answer.text())) / 1024;
    times.push(performance.now() - start);
  }
  return { kb, ms: times.sort((a, b) => a - b)[2]! };
}

/** Resident memory of a process, MB, as the kernel tells it. */
function memoryMb(pid: number): number {
  const line = readFileSync(`/proc/${pid}/status`, "utf8")
    .split("\n")
    .find((words) => words.startsWith("VmRSS"))!;
  return Number(/\d+/.exec(line)![0]) / 1024;
}

async function started(folder: string): Promise<{ server: RunningServer; ms: number }> {
  const start = performance.now();
  const server = await startServer(folder);
  while (!server.output().includes("Ready:")) await new Promise((resolve) => setTimeout(resolve, 20));
  return { server, ms: performance.now() - start };
}

/** Milliseconds from the asking to what can be used, in a browser that has seen the page before; the median of five. */
async function openedMs(browser: Browser, url: string, there: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const times: number[] = [];
  for (let i = 0; i < 6; i++) {
    const start = performance.now();
    await page.goto(url, { waitUntil: "commit" });
    await page.locator(there).first().waitFor();
    times.push(performance.now() - start);
  }
  await page.close();
  return times.slice(1).sort((a, b) => a - b)[2]!;
}

/** Weighs the pages of a folder of years beside the demo's. */
export async function benchLoad(row: (name: string, text: string) => void): Promise<void> {
  const folders = { demo: freshFolder(), years: freshFolder() };
  await layOut(folders.demo, false);
  await layOut(folders.years, true);
  const seen: Record<string, Weighed[]> = {};
  for (const folder of [folders.demo, folders.years]) {
    const { server, ms } = await started(folder);
    (seen["start"] ??= []).push({ kb: 0, ms });
    const shelf = (await (await fetch(`${server.url}/api/paintings`)).json()) as { shelf: { id: string }[] };
    for (const page of [`/painting/${shelf.shelf[0]!.id}`, ...PAGES])
      (seen[page.replace(/[0-9a-f-]{36}/, "…")] ??= []).push(await weigh(`${server.url}${page}`));
    const browser = await chromium.launch(config.use!.launchOptions);
    const desk = `${server.url}/painting/${shelf.shelf[0]!.id}`;
    (seen["desk drawn in the browser"] ??= []).push({ kb: 0, ms: await openedMs(browser, desk, "canvas[data-drawn]") });
    const box = await openedMs(browser, `${server.url}/paintbox`, 'ul[aria-label="Paints"] canvas');
    (seen["paintbox drawn in the browser"] ??= []).push({ kb: 0, ms: box });
    await browser.close();
    await new Promise((resolve) => setTimeout(resolve, 14_000));
    (seen["memory at rest"] ??= []).push({ kb: 1024 * memoryMb(server.pid), ms: 0 });
    await server.stop("SIGTERM");
  }
  for (const [name, [demo, years]] of Object.entries(seen))
    row(
      name,
      name === "start"
        ? `${Math.round(years!.ms)} ms beside the demo's ${Math.round(demo!.ms)}`
        : name === "memory at rest"
          ? `${Math.round(years!.kb / 1024)} MB beside ${Math.round(demo!.kb / 1024)}`
          : `${Math.round(years!.kb)} KB beside ${Math.round(demo!.kb)}, ${years!.ms.toFixed(0)} ms beside ${demo!.ms.toFixed(0)} (${(years!.ms / demo!.ms).toFixed(1)} times)`,
    );
}
