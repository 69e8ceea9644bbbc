import { createHash, randomUUID } from "node:crypto";
import type { Socket } from "node:net";
import { createWriteStream, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { sql } from "drizzle-orm";
import type { PoolClient } from "pg";
import { afterAll, beforeAll, describe, expect, test, vi } from "vitest";
import { PAPERS } from "@/core/optics";
import { newLogEntry } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { newPainting } from "@/model/painting";
import { bare } from "@/testing/bare-rows";
import { newDatabase } from "@/testing/database";
import { postgresPrograms, startPostgres, type TestPostgres } from "@/testing/postgres";
import { EMBEDDED } from "../drizzle/migrations";
import { readAllRows } from "../drizzle/rows";
import { RevisionConflict, type Store } from "../ports";
import { storeIn } from "../store";
import { openSpace, spaceStore } from "./open-space";
import { makePhotoTables } from "./photos-in-database";
import { alone, closePools, openPools, type Pools } from "./pool";
import { openRegistry, passPhrase, spaceName, SpaceRefused, type Registry, type Space } from "./registry";

// Against a real server of Debian's packages; where there is none these are left out, and counted.
describe.skipIf(postgresPrograms() === null)("spaces on a PostgreSQL server", () => {
  let server: TestPostgres;
  let address: string;
  let pools: Pools;
  let registry: Registry;
  let [anna, ben]: Space[] = [];
  const data = mkdtempSync(join(tmpdir(), "abendrot-spaces-"));
  const nothing = async (): Promise<void> => {};
  const open = (space: Space, begin: (store: Store) => Promise<void> = nothing) =>
    openSpace(pools, space.schema, data, "folder", begin);
  const stamp = (revision: number) => ({ revision, writer: randomUUID(), step: 1 });
  const paint = (name: string) => newPaint({ id: randomUUID(), name, pigments: [{ pigmentId: "PB29", share: 1 }] });

  beforeAll(async () => {
    server = (await startPostgres())!;
    address = await server.database();
    pools = openPools(address, () => {});
    registry = await openRegistry(pools);
    [anna, ben] = [
      await registry.add("Anna", "a long enough phrase", true),
      await registry.add("Ben", "another long phrase", false),
    ];
  });
  afterAll(async () => {
    await closePools(pools);
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  });

  test("a name and its own phrase open a space; a wrong one, another's, or no such name open none", async () => {
    expect((await registry.signIn("Anna", "a long enough phrase"))?.schema).toBe(anna!.schema);
    expect(await registry.signIn("Anna", "another long phrase")).toBeNull();
    expect(await registry.signIn("Nobody", "a long enough phrase")).toBeNull();
    await expect(registry.add("Anna", "a third long phrase", false)).rejects.toThrow(SpaceRefused);
    await registry.rephrase("Ben", "a new long phrase");
    expect(await registry.signIn("Ben", "another long phrase")).toBeNull();
    expect((await registry.signIn("Ben", "a new long phrase"))?.epoch).toBe(ben!.epoch + 1);
    const { rows } = await pools.pool.query<{ phrase: string }>("select phrase from abendrot.spaces");
    for (const { phrase } of rows) expect(phrase).toMatch(/^\$argon2id\$/);
    expect(spaceName.safeParse("../x").success).toBe(false);
    expect(passPhrase.safeParse("short").success).toBe(false);
    // All processes of a server seal with the same secret.
    expect(await registry.secret("cookies")).toBe(await (await openRegistry(pools)).secret("cookies"));
  });

  test("a space's repositories see that space alone, whoever uses the same connections meanwhile", async () => {
    const [hers, his] = [await open(anna!), await open(ben!)];
    await hers.paintbox.save(stamp(0), { paints: [paint("Anna's blue")], boxes: [] });
    await his.paintbox.save(stamp(0), { paints: [paint("Ben's blue")], boxes: [] });
    const asked = await Promise.all(
      Array.from({ length: 60 }, (_, i) =>
        i % 3 === 0
          ? hers.transaction(async ({ paintbox }) => (await paintbox.paints())[0]!.name)
          : (i % 2 === 0 ? hers : his).paintbox.paints().then(([first]) => first!.name),
      ),
    );
    expect(asked).toEqual(asked.map((_, i) => (i % 3 === 0 || i % 2 === 0 ? "Anna's blue" : "Ben's blue")));
    const entry = newLogEntry({ kind: "note", on: "2026-03-04", paperId: PAPERS[0].id });
    const id = randomUUID();
    await hers.logbook.create(id, entry);
    expect(await his.logbook.find(id)).toBeNull();
    // A transaction that fails leaves nothing, and no search path, behind.
    await expect(
      his.transaction(async ({ paintbox }) => {
        await paintbox.save(stamp(1), { paints: [], boxes: [] });
        throw new Error("broken off");
      }),
    ).rejects.toThrow("broken off");
    expect((await his.paintbox.paints())[0]!.name).toBe("Ben's blue");
  });

  test("the same holds where the server's bundles each have a copy of this code and share the connections", async () => {
    vi.resetModules();
    const copy = await import("./open-space");
    const hers = spaceStore(pools.pool, anna!.schema, data, "folder");
    const his = copy.spaceStore(pools.pool, ben!.schema, data, "folder");
    for (let i = 0; i < 4; i++) {
      expect((await hers.paintbox.paints())[0]!.name).toBe("Anna's blue");
      expect((await his.paintbox.paints())[0]!.name).toBe("Ben's blue");
    }
  });

  test("several processes open one space at the same time: its tables are made and begun once", async () => {
    const space = await registry.add("Clara", "a long enough phrase", false);
    const others = Array.from({ length: 3 }, () => openPools(address, () => {}));
    let begun = 0;
    const stores = await Promise.all(
      [pools, ...others].map((own) =>
        openSpace(own, space.schema, data, "folder", async (store) => {
          if ((await store.paintbox.find()).revision > 0) return;
          begun++;
          await store.paintbox.save(stamp(0), { paints: [paint("First")], boxes: [] });
        }),
      ),
    );
    expect(begun).toBe(1);
    // What one saves another sees, and a save from an older reading is refused.
    await stores[0]!.paintbox.save(stamp(1), { paints: [paint("Second")], boxes: [] });
    expect((await stores[1]!.paintbox.paints())[0]!.name).toBe("Second");
    await expect(stores[2]!.paintbox.save(stamp(1), { paints: [], boxes: [] })).rejects.toThrow(RevisionConflict);
    await Promise.all(others.map(closePools));
  });

  test("a lock that is held by one is waited for by the others", async () => {
    const seen: string[] = [];
    const turn = (name: string) =>
      alone(pools, "turns", async () => {
        seen.push(`${name} in`);
        await new Promise((resolve) => setTimeout(resolve, 20));
        seen.push(`${name} out`);
      });
    await Promise.all([turn("a"), turn("b"), turn("c")]);
    for (let i = 0; i < seen.length; i += 2) expect(seen[i + 1]).toBe(seen[i]!.replace("in", "out"));
  });

  test("one's own folder moves to a server and back by its backup, to the last row and byte", async () => {
    const photo = Buffer.from("bytes of a photo, whatever they are");
    const photoId = createHash("sha256").update(photo).digest("hex");
    const file = join(data, "photo");
    writeFileSync(file, photo);
    const own = await newDatabase();
    const folder = mkdtempSync(join(data, "own-"));
    const from = storeIn(own.db, folder);
    await from.photoFiles.keepOriginal(photoId, "jpeg", file);
    const size = { widthPx: 3, heightPx: 2, workingWidthPx: 3, workingHeightPx: 2 };
    await from.photos.add({ id: photoId, fileName: "x.jpg", format: "jpeg", bytes: photo.length, ...size });
    await from.paintings.create(photoId, newPainting("From home", PAPERS[0].id));
    await from.paintbox.save(stamp(0), { paints: [paint("Mine"), paint("Mine too")], boxes: [] });
    const written = async (store: Store, name: string): Promise<string> => {
      const path = join(data, name);
      await pipeline((await store.keeping.backup()).stream, createWriteStream(path));
      return path;
    };
    await makePhotoTables(pools.pool);
    const space = await registry.add("Dora", "a long enough phrase", false);
    const there = await openSpace(pools, space.schema, data, "database", nothing);
    await there.keeping.restore(await written(from, "to-server.zip"));
    const place = { schema: space.schema, journal: space.schema };
    const rows = await readAllRows(own.db, EMBEDDED);
    const { db } = spaceStore(pools.pool, space.schema, data, "database");
    expect(bare(await readAllRows(db, place))).toEqual(bare(rows));
    // Its photos are in the database: another machine's files begin empty.
    const elsewhere = spaceStore(pools.pool, space.schema, mkdtempSync(join(data, "other-")), "database");
    expect(readFileSync(await elsewhere.photoFiles.original(photoId, "jpeg"))).toEqual(photo);
    await own.db.execute(sql`delete from paintings`);
    await from.keeping.restore(await written(elsewhere, "and-back.zip"));
    expect(bare(await readAllRows(own.db, EMBEDDED))).toEqual(bare(rows));
    await elsewhere.photoFiles.remove(photoId);
    await expect(
      spaceStore(pools.pool, space.schema, mkdtempSync(join(data, "third-")), "database").photoFiles.original(
        photoId,
        "jpeg",
      ),
    ).rejects.toThrow("no such photo");
    await own.close();
  });

  test("what was acknowledged outlives a database that is killed; afterwards the same connections go on", async () => {
    const store = await open(anna!);
    const kept: string[] = [];
    let running = true;
    const writing = (async () => {
      while (running) {
        const id = randomUUID();
        await store.logbook
          .create(id, newLogEntry({ kind: "note", on: "2026-03-04", paperId: PAPERS[0].id, notes: "n".repeat(500) }))
          .then(
            () => kept.push(id),
            () => new Promise((resolve) => setTimeout(resolve, 20)),
          );
      }
    })();
    await new Promise((resolve) => setTimeout(resolve, 400));
    const before = kept.length;
    await server.crash();
    await new Promise((resolve) => setTimeout(resolve, 400));
    running = false;
    await writing;
    const there = new Set((await store.logbook.list()).map(({ id }) => id));
    expect(before).toBeGreaterThan(0);
    expect(kept.length).toBeGreaterThan(before);
    expect(kept.filter((id) => !there.has(id))).toEqual([]);
  });

  test("a connection that breaks before its transaction begins is given back, and the next one works", async () => {
    const { db } = spaceStore(pools.pool, anna!.schema, data, "folder");
    const nothingDone = (): Promise<void> => db.transaction(async () => {});
    await nothingDone();
    const connect = pools.pool.connect.bind(pools.pool) as () => Promise<PoolClient>;
    pools.pool.connect = (async () => {
      const client = await connect();
      (client as unknown as { connection: { stream: Socket } }).connection.stream.destroy();
      return client;
    }) as typeof pools.pool.connect;
    try {
      for (let i = 0; i < 3; i++) await expect(nothingDone()).rejects.toThrow();
    } finally {
      pools.pool.connect = connect as typeof pools.pool.connect;
    }
    await vi.waitFor(() => expect(pools.pool.totalCount - pools.pool.idleCount).toBe(0));
    await nothingDone();
  });

  test("a process that a newer one has outgrown knows it; saves while something is put back are in the copy or wait", async () => {
    const space = await registry.add("Emil", "a long enough phrase", false);
    const place = { schema: space.schema, journal: space.schema };
    const [mine, others] = [openPools(address, () => {}), openPools(address, () => {})];
    const one = await openSpace(mine, space.schema, data, "folder", nothing);
    const two = spaceStore(others.pool, space.schema, data, "folder");
    expect([await one.keeping.outgrown(), await two.keeping.outgrown()]).toEqual([false, false]);
    const stored: string[] = [];
    let going = true;
    // The other process saves while this one puts something back.
    const saving = (async () => {
      for (let n = 0; going; n++) {
        const { revision } = await two.paintbox.find();
        const name = `Paint ${n}`;
        await two.paintbox
          .save({ revision, writer: randomUUID(), step: 1 }, { paints: [paint(name)], boxes: [] })
          .then(() => stored.push(name))
          // It met what was put back, or waited too long for it: it was not acknowledged, so nothing is lost.
          .catch(() => {});
      }
    })();
    await expect.poll(() => stored.length, { timeout: 60_000 }).toBeGreaterThan(5);
    const path = join(data, "emil.zip");
    await pipeline((await one.keeping.backup()).stream, createWriteStream(path));
    await one.keeping.restore(path);
    going = false;
    await saving;
    const now = (await two.paintbox.paints()).map(({ name }) => name);
    const [copy] = await one.keeping.copies.list();
    await one.keeping.restore((await one.keeping.copies.pathOf(copy!.name))!);
    const copied = (await one.paintbox.paints())[0]!.name;
    // The last one before stands in the copy; if there are later ones, the last of them in the space.
    const last = stored.indexOf(copied);
    expect(last).toBeGreaterThan(-1);
    if (last < stored.length - 1) expect(now).toEqual([stored.at(-1)]);
    // A newer program on the same server migrates: whoever does not know that migration must not write any more.
    await two.db.execute(
      sql`insert into ${sql.identifier(place.journal)}.__drizzle_migrations (hash, created_at) values ('later', 9e15)`,
    );
    expect([await one.keeping.outgrown(), await two.keeping.outgrown()]).toEqual([true, true]);
    await closePools(mine);
    await closePools(others);
  });

  test("a space that is removed is gone with its tables", async () => {
    await registry.remove("Ben");
    expect(await registry.find("Ben")).toBeNull();
    const { rows } = await pools.pool.query("select 1 from pg_namespace where nspname = $1", [ben!.schema]);
    expect(rows).toEqual([]);
    await expect(registry.remove("Ben")).rejects.toThrow(SpaceRefused);
  });
});
