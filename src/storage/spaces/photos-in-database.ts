import { open, rm, stat } from "node:fs/promises";
import type { Pool, PoolClient } from "pg";
import type { PhotoFiles } from "../ports";

/** A photo is kept in pieces: PostgreSQL takes values of up to 1 GB, and each is held in memory whole. */
const PIECE_BYTES = 1024 * 1024;

async function within<T>(pool: Pool, work: (client: PoolClient) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query("begin");
    const done = await work(client);
    await client.query("commit");
    return done;
  } catch (error) {
    await client.query("rollback").catch(() => {});
    throw error;
  } finally {
    client.release();
  }
}

/** Makes the tables that photos are kept in, beside the spaces. */
export async function makePhotoTables(pool: Pool): Promise<void> {
  await pool.query(`create table if not exists abendrot.photos (space text not null, id text not null,
    recorded boolean not null default false, brought_at timestamptz not null default now(), primary key (space, id))`);
  await pool.query(`create table if not exists abendrot.photo_pieces (space text not null, id text not null,
    piece integer not null, bytes bytea not null, primary key (space, id, piece),
    foreign key (space, id) references abendrot.photos on delete cascade)`);
}

/**
 * Photos' originals in the database, with files on this machine as a cache: processes need no folder in common.
 * @param space whose photos these are
 * @param cache files on this machine: they may be removed at any time
 */
export function photosInDatabase(pool: Pool, space: string, cache: PhotoFiles): PhotoFiles {
  const write = (id: string, from: string, recorded: boolean): Promise<void> =>
    within(pool, async (client) => {
      await client.query("delete from abendrot.photos where space = $1 and id = $2", [space, id]);
      await client.query("insert into abendrot.photos (space, id, recorded) values ($1, $2, $3)", [
        space,
        id,
        recorded,
      ]);
      const file = await open(from);
      try {
        const piece = Buffer.alloc(PIECE_BYTES);
        for (let n = 0; ; n++) {
          const { bytesRead } = await file.read(piece, 0, PIECE_BYTES, n * PIECE_BYTES);
          if (bytesRead === 0) break;
          await client.query("insert into abendrot.photo_pieces values ($1, $2, $3, $4)", [
            space,
            id,
            n,
            piece.subarray(0, bytesRead),
          ]);
        }
      } finally {
        await file.close();
      }
    });
  const fetch = async (id: string, format: string): Promise<void> => {
    const arriving = await cache.arrivingPath();
    try {
      const file = await open(arriving, "wx");
      try {
        for (let n = 0; ; n++) {
          const { rows } = await pool.query<{ bytes: Buffer }>(
            "select bytes from abendrot.photo_pieces where space = $1 and id = $2 and piece = $3",
            [space, id, n],
          );
          if (!rows[0]) {
            if (n === 0) throw Object.assign(new Error("There is no such photo."), { code: "ENOENT" });
            break;
          }
          await file.appendFile(rows[0].bytes);
        }
      } finally {
        await file.close();
      }
      await cache.keepOriginal(id, format, arriving);
    } finally {
      await rm(arriving, { force: true });
    }
  };
  return {
    where: `${space} ${cache.where}`,
    arrivingPath: () => cache.arrivingPath(),
    async keep(id, format, from, working) {
      await cache.keep(id, format, from, working);
      await write(id, from, false);
    },
    async keepOriginal(id, format, from) {
      await cache.keepOriginal(id, format, from);
      await write(id, from, true);
    },
    async setRecorded(id, recorded) {
      await pool.query("update abendrot.photos set recorded = $3 where space = $1 and id = $2", [space, id, recorded]);
      await cache.setRecorded(id, recorded);
    },
    async remove(id) {
      await pool.query("delete from abendrot.photos where space = $1 and id = $2", [space, id]);
      await cache.remove(id);
    },
    async list() {
      const { rows } = await pool.query<{ id: string; recorded: boolean; brought_at: Date }>(
        "select id, recorded, brought_at from abendrot.photos where space = $1",
        [space],
      );
      return rows.map(({ id, recorded, brought_at: since }) => ({ id, recorded, since, brokenOff: false }));
    },
    async original(id, format) {
      const path = await cache.original(id, format);
      if (!(await stat(path).catch(() => null))) await fetch(id, format);
      return path;
    },
    readCopy: (id, copy) => cache.readCopy(id, copy),
    async keepCopy(id, copy, bytes) {
      await cache.keepCopy(id, copy, bytes);
    },
  };
}
