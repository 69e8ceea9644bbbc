import { createHash, randomUUID } from "node:crypto";
import { createReadStream, createWriteStream, readFileSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { setTimeout as sleep } from "node:timers/promises";
import { ZipFile } from "yazl";
import { startServer, type RunningServer } from "../e2e/server";

/** Files that are made to burst whoever opens them: each small on the disk, huge or endless inside. */

const MB = 1024 * 1024;

/** So many bytes of a few that come again and again, handed out as they are asked for. */
function repeated(text: string, bytes: number, before = "", after = ""): Readable {
  const piece = Buffer.from(text.repeat(Math.ceil(MB / text.length)));
  return Readable.from(
    (function* () {
      yield Buffer.from(before);
      for (let left = bytes; left > 0; left -= piece.length) yield piece.subarray(0, Math.min(piece.length, left));
      yield Buffer.from(after);
    })(),
  );
}

interface Part {
  readonly name: string;
  readonly from: () => Readable;
  readonly compress?: boolean;
}

async function zipped(parts: readonly Part[]): Promise<string> {
  const path = join(tmpdir(), `abendrot-bomb-${randomUUID()}.zip`);
  const zip = new ZipFile();
  for (const { name, from, compress = true } of parts) zip.addReadStream(from(), name, { compress });
  zip.end();
  await pipeline(zip.outputStream as Readable, createWriteStream(path));
  return path;
}

const TABLES = ["areas", "eye_answers", "log_entries", "log_photos", "measurements", "paint_pigments", "paintbox"];
const MORE_TABLES = ["paintings", "paints", "palette_paints", "photos", "settings", "swatch_cards"];

/** A backup whose list is right and whose one table holds far more than anybody paints. */
async function longBackup(bytes: number): Promise<string> {
  const row = `${JSON.stringify({ id: 1, notes: "wet ".repeat(200) })}\n`;
  const rows = Math.ceil(bytes / row.length);
  const hash = createHash("sha256");
  for (let i = 0; i < rows; i++) hash.update(row);
  const empty = createHash("sha256").digest("hex");
  const tables = [...TABLES, ...MORE_TABLES].map((name) =>
    name === "paints" ? { name, rows, sha256: hash.copy().digest("hex") } : { name, rows: 0, sha256: empty },
  );
  const manifest = {
    madeBy: "Abendrot",
    kind: "everything",
    version: 1,
    madeAt: "2026-01-01T00:00:00.000Z",
    migrations: 15,
    tables,
    withPhotos: true,
    photos: [],
    lost: [],
    holds: { paintings: 1, paints: 1, entries: 0, photos: 0 },
  };
  return zipped([
    ...tables.map(({ name }) => ({
      name: `rows/${name}.jsonl`,
      from: () => (name === "paints" ? repeated(row, rows * row.length) : Readable.from([])),
      compress: false,
    })),
    { name: "abendrot.json", from: () => Readable.from([JSON.stringify(manifest)]) },
  ]);
}

const BOMBS: readonly (readonly [name: string, door: string, make: () => Promise<string>])[] = [
  [
    "a painting's list of 256 MB",
    "/api/paintings/file",
    () => zipped([{ name: "abendrot.json", from: () => repeated(" ", 256 * MB, "{", "}") }]),
  ],
  [
    "a painting's list of 2 MB of brackets",
    "/api/paintings/file",
    () => zipped([{ name: "abendrot.json", from: () => repeated("[],", 2 * MB - 100, "[", "0]"), compress: false }]),
  ],
  [
    "a backup's list with a text of 400 MB",
    "/api/backup",
    () => zipped([{ name: "abendrot.json", from: () => repeated("x", 400 * MB, '{"madeBy":"', '"}') }]),
  ],
  [
    "a backup's list of 15 MB of photos that are none",
    "/api/backup",
    () =>
      zipped([{ name: "abendrot.json", from: () => repeated("{},", 15 * MB, '{"photos":[', "{}]}"), compress: false }]),
  ],
  [
    "a logbook of 200 MB of entries that are none",
    "/api/logbook/file",
    () =>
      zipped([
        {
          name: "logbook.json",
          from: () =>
            repeated("{},", 200 * MB, '{"format":"abendrot logbook","version":1,"photos":[],"entries":[', "{}]}"),
          compress: false,
        },
      ]),
  ],
  ["a backup with a gigabyte of rows", "/api/backup", () => longBackup(1000 * MB)],
];

const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;

/** Asks a server for something small again and again until it is told to stop: the longest that it kept one waiting. */
function watch({ url, pid }: RunningServer): () => Promise<{ longestMs: number; mostMb: number }> {
  const before = residentMb(pid);
  let [going, longestMs, mostMb] = [true, 0, 0];
  const done = (async () => {
    while (going) {
      const from = performance.now();
      await fetch(`${url}/icon.svg`).then((answer) => answer.arrayBuffer());
      longestMs = Math.max(longestMs, performance.now() - from);
      mostMb = Math.max(mostMb, residentMb(pid) - before);
      await sleep(20);
    }
  })();
  return async () => {
    going = false;
    await done;
    return { longestMs, mostMb };
  };
}

/** Sends each file to its door, and prints how it was answered and what others felt of it. */
export async function bombs(): Promise<void> {
  const server = await startServer();
  while (!server.output().includes("Ready:")) await sleep(100);
  await fetch(server.url);
  // Each door's code is loaded when it is first knocked at: that is no doing of the file.
  for (const door of new Set(BOMBS.map(([, at]) => at)))
    await fetch(`${server.url}${door}`, { method: "POST", body: "no zip" }).then((answer) => answer.text());
  for (const [name, door, make] of BOMBS) {
    const path = await make();
    const stop = watch(server);
    const from = performance.now();
    const answer = await fetch(`${server.url}${door}`, {
      method: "POST",
      body: Readable.toWeb(createReadStream(path)) as ReadableStream,
      // The Fetch standard asks for it where a body is a stream.
      duplex: "half",
    } as RequestInit);
    const words = await answer.text();
    const seconds = (performance.now() - from) / 1000;
    const { longestMs, mostMb } = await stop();
    console.log(
      `${name} (${(statSync(path).size / MB).toFixed(1)} MB): ${answer.status} after ${seconds.toFixed(1)} s, others waited ${longestMs.toFixed(0)} ms at most, ${mostMb.toFixed(0)} MB more; ${words.slice(0, 120)}`,
    );
    rmSync(path, { force: true });
  }
  console.log(`ended with ${await server.stop("SIGTERM")}`);
}
