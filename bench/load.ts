/**
 * Years of painting in folders of 200, 1,000 and 2,000 paints beside the demo: what pages weigh and take, how soon a
 * page more of the logbook is learned and what else waits for it, what the program weighs at rest; and the law of each.
 * Run: npm run bench load
 */
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";
import { chromium, type Browser } from "@playwright/test";
import type { LoggedPaint, StoredLogEntry } from "@/model/logbook";
import config from "../playwright.config";
import { freshFolder, startServer, type RunningServer } from "../e2e/server";
import { FOLDERS, layOut, pageOf } from "./years";

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

/** A page more of the logbook: until it is learned, the desk meanwhile, and the longest that another request waits. */
async function pageMore(url: string, desk: string): Promise<{ learned: number; desk: number; other: number }> {
  const json = async (path: string): Promise<unknown> => (await fetch(`${url}${path}`)).json();
  await json("/api/logbook");
  const { entries } = (await json("/api/logbook/entries")) as { entries: readonly StoredLogEntry[] };
  const known = new Map<string, LoggedPaint>();
  for (const { document } of entries)
    for (const paint of document.paints) if (paint.maker.startsWith("Maker")) known.set(paint.id, paint);
  const tubes = [...known.values()];
  if (tubes.length < 3) return { learned: 0, desk: 0, other: 0 };
  const rounds: { learned: number; desk: number; other: number }[] = [];
  for (let n = 0; n < 4; n++) {
    let [other, done] = [0, false];
    const others = (async () => {
      while (!done) {
        const start = performance.now();
        await fetch(`${url}/api/photos/none`).then((answer) => answer.text());
        other = Math.max(other, performance.now() - start);
        await new Promise((resolve) => setTimeout(resolve, 5));
      }
    })();
    const start = performance.now();
    const body = JSON.stringify({ id: randomUUID(), document: pageOf(90_000 + n, tubes, 3, null) });
    await fetch(`${url}/api/logbook`, { method: "POST", headers: { "content-type": "application/json" }, body });
    await json("/api/logbook");
    const learned = performance.now() - start;
    done = true;
    await others;
    rounds.push({ learned, desk: (await weigh(`${url}${desk}`)).ms, other });
  }
  const middle = (of: "learned" | "desk" | "other"): number =>
    rounds.map((round) => round[of]).sort((a, b) => a - b)[Math.floor(rounds.length / 2)]!;
  return { learned: middle("learned"), desk: middle("desk"), other: middle("other") };
}

/** How a figure grows with what lies in a folder, from the smallest folder of years to the largest. */
function lawOf(from: number, to: number, times: number): string {
  const power = Math.log(Math.max(to, 1) / Math.max(from, 1)) / Math.log(times);
  return power < 0.25 ? "constant" : power < 1.15 ? "linear at most" : `power ${power.toFixed(1)}`;
}

/** Weighs folders of years beside the demo's. */
export async function benchLoad(row: (name: string, text: string) => void): Promise<void> {
  // Servers of tests compile WebAssembly quickly; those that are measured, well.
  process.env.ABENDROT_BENCH = "yes";
  const seen = new Map<string, { readonly unit: string; readonly figures: number[] }>();
  const note = (name: string, unit: string, figure: number): void => {
    if (!seen.has(name)) seen.set(name, { unit, figures: [] });
    seen.get(name)!.figures.push(figure);
  };
  for (const [name, years] of Object.entries(FOLDERS)) {
    console.error(`${name} …`);
    const folder = freshFolder();
    await layOut(folder, years);
    const { server, ms } = await started(folder);
    note("start", "ms", ms);
    const shelf = (await (await fetch(`${server.url}/api/paintings`)).json()) as { shelf: { id: string }[] };
    const desk = `/painting/${shelf.shelf[0]!.id}`;
    for (const page of [desk, ...PAGES]) {
      const { kb, ms: took } = await weigh(`${server.url}${page}`);
      note(`${page.replace(/[0-9a-f-]{36}/, "…")}, size`, "KB", kb);
      note(`${page.replace(/[0-9a-f-]{36}/, "…")}, time`, "ms", took);
    }
    const more = await pageMore(server.url, desk);
    note("a page more, until it is learned", "ms", more.learned);
    note("a page more, the longest that another request waits", "ms", more.other);
    note("a page more, the desk right after it", "ms", more.desk);
    const browser = await chromium.launch(config.use!.launchOptions);
    note("desk drawn in the browser", "ms", await openedMs(browser, `${server.url}${desk}`, "canvas[data-drawn]"));
    const box = 'ul[aria-label="Paints"] canvas';
    note("paintbox drawn in the browser", "ms", await openedMs(browser, `${server.url}/paintbox`, box));
    await browser.close();
    await new Promise((resolve) => setTimeout(resolve, 14_000));
    note("memory at rest", "MB", memoryMb(server.pid));
    await server.stop("SIGTERM");
  }
  const times = FOLDERS["2000 paints"].paints / FOLDERS["200 paints"].paints;
  for (const [name, { unit, figures }] of seen) {
    const [demo, ...rest] = figures;
    row(
      name,
      `${Object.keys(FOLDERS)
        .map((folder, i) => `${folder} ${Math.round(figures[i]!)}`)
        .join(
          ", ",
        )} ${unit}; ${lawOf(rest[0]!, rest.at(-1)!, times)}${demo! > 0 ? `, ${(rest.at(-1)! / demo!).toFixed(1)} times the demo` : ""}`,
    );
  }
}
