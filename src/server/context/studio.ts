import "server-only";
import { randomUUID } from "node:crypto";
import { photosOfCopies } from "@/storage/backup/copies";
import { MadeByNewer } from "@/storage/drizzle/open";
import { FolderRefused, makeFolder } from "@/storage/folder/data-folder";
import { sweepPhotos } from "@/storage/folder/sweep";
import { openSpace, spaceFolder } from "@/storage/spaces/open-space";
import { makePhotoTables } from "@/storage/spaces/photos-in-database";
import { alone, closePools, openPools, type Pools } from "@/storage/spaces/pool";
import { openRegistry, spaceName, type Registry, type Space } from "@/storage/spaces/registry";
import type { Store } from "@/storage/ports";
import { copiesFolder } from "@/storage/store";
import { layOutDemo } from "../demo/lay-out";
import { noteTrouble } from "../http/trouble";
import { acrossBundles } from "./across-bundles";
import { databaseUrl, dataFolder, photosKept } from "./environment";
import type { OpenStore } from "./own-folder";

const DAY_MS = 24 * 3_600_000;
const COPY_MS = 3_600_000;

/** What is said of a space that a newer program has changed the tables of. */
export const NEWER_SPACE = "This space was brought up to date by a newer Abendrot. Bring this server up to date.";

interface Studio {
  taken?: Promise<{ readonly pools: Pools; readonly registry: Registry }>;
  readonly spaces: Map<string, Promise<OpenStore>>;
  readonly timers: Set<NodeJS.Timeout>;
}

const studio = acrossBundles<Studio>("studio", () => ({ spaces: new Map(), timers: new Set() }));

/** The server's address without what only it should know. */
const shown = (url: string): string => {
  const { hostname, port, pathname } = new URL(url);
  return `${hostname}${port && `:${port}`}${pathname}`;
};

async function take(): Promise<{ pools: Pools; registry: Registry }> {
  const url = databaseUrl()!;
  makeFolder(dataFolder());
  const pools = openPools(url, (error) => noteTrouble("A connection to the database broke", error));
  try {
    const registry = await openRegistry(pools);
    if (photosKept() === "database") await alone(pools, "photos", () => makePhotoTables(pools.pool));
    return { pools, registry };
  } catch (error) {
    await closePools(pools).catch(() => {});
    noteTrouble("The database server", error);
    throw new FolderRefused(
      `The PostgreSQL server at ${shown(url)} can't be used. Is it running, and may this name sign in there? (DATABASE_URL)`,
    );
  }
}

/** Makes and opens the space of the one painter whose server this is. */
export async function openOnly(name: string): Promise<void> {
  const registry = await spaces();
  const made = async (): Promise<Space> =>
    (await registry.find(name)) ?? (await registry.add(spaceName.parse(name), randomUUID(), false));
  await openSpaceOf(await alone((await taken()).pools, "only", made));
}

/** Connects to the server and makes what all spaces share. Throws FolderRefused. */
export async function takeStudio(): Promise<void> {
  studio.taken ??= take();
  await studio.taken;
}

const taken = async () => (studio.taken ??= take());

/** The spaces of this server. */
export const spaces = async (): Promise<Registry> => (await taken()).registry;

/** The server's connections, for what all spaces share. */
export const studioPool = async (): Promise<Pools["pool"]> => (await taken()).pools.pool;

/** Lays out what a new space begins with, and clears what nothing uses any more. */
async function begin(store: Store, schema: string): Promise<void> {
  if ((await store.paintbox.find()).revision === 0 && (await store.paintings.shelf()).length === 0)
    await layOutDemo(store);
  const folder = copiesFolder(spaceFolder(dataFolder(), schema));
  // What came within a day may be on its way to another process.
  const youngest = new Date(Date.now() - DAY_MS);
  await sweepPhotos(store, new Date(), console.log, await photosOfCopies(folder), youngest);
}

async function open({ schema }: Space): Promise<OpenStore> {
  const { pools } = await taken();
  const store = await openSpace(pools, schema, dataFolder(), photosKept(), (opened) => begin(opened, schema)).catch(
    (error: unknown) => {
      if (error instanceof MadeByNewer) throw new FolderRefused(NEWER_SPACE);
      throw error;
    },
  );
  const copy = (): void =>
    void alone(pools, `${schema} copy`, () => store.keeping.copies.makeIfDue()).catch((error: unknown) =>
      noteTrouble("The day's copy could not be made", error),
    );
  const timer = setInterval(copy, COPY_MS);
  timer.unref();
  studio.timers.add(timer);
  return { store, saved: () => {}, close: async () => {} };
}

/** A painter's open space; what went wrong is tried again at the next call. */
export function openSpaceOf(space: Space): Promise<OpenStore> {
  let opening = studio.spaces.get(space.schema);
  if (!opening) {
    opening = open(space).catch((error: unknown) => {
      studio.spaces.delete(space.schema);
      throw error;
    });
    studio.spaces.set(space.schema, opening);
  }
  return opening;
}

/** Gives the connections back. */
export async function closeStudio(): Promise<void> {
  for (const timer of studio.timers) clearInterval(timer);
  const open = await studio.taken?.catch(() => null);
  if (open) await closePools(open.pools);
}
