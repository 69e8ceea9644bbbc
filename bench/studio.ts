/**
 * Thirty painters at once on a PostgreSQL server, beside one alone on the same server, and beside one in a data folder
 * of one's own. Run: npm run bench studio
 */
import { randomUUID } from "node:crypto";
import { seededRandom } from "@/core/numeric/random";
import { seedDemo } from "@/server/demo/seed";
import { openSpace } from "@/storage/spaces/open-space";
import { closePools, openPools } from "@/storage/spaces/pool";
import { openRegistry } from "@/storage/spaces/registry";
import { startPostgres } from "@/testing/postgres";
import { freshFolder, startServer } from "../e2e/server";

const PAINTERS = 30;
const ROUNDS = 12;
const PHRASE = "thirty painters in one room";

interface Asked {
  readonly what: "saved" | "opened";
  readonly ms: number;
  readonly ok: boolean;
}

/** A hand that looks, mixes and changes something about every two seconds. From memory. */
const HAND_MS = 2000;
const random = seededRandom(30);

/**
 * One painter's rounds: a painting is opened, then saved, then saved again.
 * @param pauses as a hand does, or one thing at once after the other
 */
async function paint(url: string, headers: Record<string, string>, pauses = false): Promise<Asked[]> {
  const asked: Asked[] = [];
  const ask = async (what: Asked["what"], path: string, init?: RequestInit): Promise<void> => {
    if (pauses) await new Promise((resolve) => setTimeout(resolve, HAND_MS * (0.5 + random())));
    const start = performance.now();
    const answer = await fetch(url + path, { ...init, headers: { ...headers, "content-type": "application/json" } });
    await answer.arrayBuffer();
    asked.push({ what, ms: performance.now() - start, ok: answer.ok });
  };
  const shelf = (await (await fetch(`${url}/api/paintings`, { headers })).json()) as { shelf: { id: string }[] };
  const id = shelf.shelf[0]!.id;
  for (let round = 0; round < ROUNDS; round++) {
    await ask("opened", `/painting/${id}`);
    for (let n = 0; n < 2; n++)
      await ask("saved", `/api/paintings/${id}`, { method: "PATCH", body: JSON.stringify({ title: randomUUID() }) });
  }
  return asked;
}

const at95 = (asked: readonly Asked[], what: Asked["what"]): number => {
  const times = asked
    .filter((one) => one.what === what)
    .map(({ ms }) => ms)
    .sort((a, b) => a - b);
  return times[Math.floor(0.95 * times.length)]!;
};
const told = (asked: readonly Asked[]): string =>
  `95 % saved within ${at95(asked, "saved").toFixed(0)} ms, opened within ${at95(asked, "opened").toFixed(0)} ms; ` +
  `${asked.filter(({ ok }) => !ok).length} errors of ${asked.length}`;

/** Thirty painters at once beside one alone. */
export async function benchStudio(row: (name: string, text: string) => void): Promise<void> {
  const postgres = await startPostgres();
  if (!postgres) return row("thirty painters", "left out: there is no PostgreSQL on this machine");
  const url = await postgres.database();
  const data = freshFolder();
  const pools = openPools(url, console.error);
  const registry = await openRegistry(pools);
  for (let n = 0; n < PAINTERS; n++)
    await openSpace(pools, (await registry.add(`Painter ${n}`, PHRASE, false)).schema, data, "folder", seedDemo);
  await closePools(pools);
  const server = await startServer(data, undefined, { DATABASE_URL: url });
  const cookies: string[] = [];
  for (let n = 0; n < PAINTERS; n++) {
    const answer = await fetch(`${server.url}/api/sign-in`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ name: `Painter ${n}`, phrase: PHRASE }),
    });
    cookies.push(answer.headers.get("set-cookie")!.split(";")[0]!);
  }
  await Promise.all(cookies.map((cookie) => paint(server.url, { cookie })));
  const alone = await paint(server.url, { cookie: cookies[0]! });
  const all = (await Promise.all(cookies.map((cookie) => paint(server.url, { cookie }, true)))).flat();
  const rushed = (await Promise.all(cookies.map((cookie) => paint(server.url, { cookie })))).flat();
  await server.stop("SIGTERM");
  await postgres.stop();
  const own = await startServer(freshFolder());
  while (!own.output().includes("Ready:")) await new Promise((resolve) => setTimeout(resolve, 50));
  await paint(own.url, {});
  const embedded = await paint(own.url, {});
  await own.stop("SIGTERM");
  row("one painter in a folder of one's own", told(embedded));
  row("one painter on a PostgreSQL server", told(alone));
  row(`${PAINTERS} painters at once, each as a hand works`, told(all));
  row(`${PAINTERS} programs at once, without a pause between`, told(rushed));
  const times = (what: Asked["what"]): string => (at95(all, what) / at95(alone, what)).toFixed(1);
  row(
    "thirty hands beside one alone on the server",
    `saved ${times("saved")} times, opened ${times("opened")} times as long`,
  );
}
