import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import type { Database } from "../drizzle/database";
import * as schema from "../drizzle/schema";

/**
 * Connections of one process to the server, and those of them that locks are held by. PostgreSQL takes a hundred in all
 * by default (its manual, max_connections).
 */
const CONNECTIONS = 20;
const LOCK_CONNECTIONS = 4;
const CONNECT_MS = 60_000;
/** A table that another process holds for longer is one that something is being put into the place of. */
const LOCK_WAIT_MS = 5000;

/** The connections of this process. */
export interface Pools {
  readonly pool: pg.Pool;
  /** For locks alone: whoever holds one works with the others, so neither waits for the other. */
  readonly locks: pg.Pool;
}

/** Opens the connections of this process; they are made when they are needed. */
export function openPools(url: string, onError: (error: unknown) => void): Pools {
  const made = (max: number, connectionTimeoutMillis: number): pg.Pool => {
    const pool = new pg.Pool({ connectionString: url, max, connectionTimeoutMillis, application_name: "abendrot" });
    // A connection that breaks while nobody uses it: the next one is made anew.
    pool.on("error", onError);
    // One that breaks while it is used tells whoever uses it, and here as well: unheard it would end the process.
    pool.on("connect", (client) => void client.on("error", onError));
    return pool;
  };
  return { pool: made(CONNECTIONS, CONNECT_MS), locks: made(LOCK_CONNECTIONS, 0) };
}

/** Gives all connections back. */
export const closePools = async ({ pool, locks }: Pools): Promise<void> =>
  void (await Promise.all([pool.end(), locks.end()]));

/**
 * Which schema a connection's search path begins with. It stands on the connection itself: the server's bundles share
 * connections, and each has a module like this one of its own.
 */
const PATH = Symbol.for("abendrot.search-path");
type Client = pg.PoolClient & { [PATH]?: string | undefined };

/**
 * The pool as one space sees it: every connection that it hands out looks at that space's tables alone. Drizzle knows a
 * pool by its class.
 */
class SpacePool extends pg.Pool {
  constructor(
    private readonly shared: pg.Pool,
    private readonly space: string,
  ) {
    super({ max: 1 });
  }

  private async client(): Promise<pg.PoolClient> {
    const client: Client = await this.shared.connect();
    if (client[PATH] === this.space) return client;
    try {
      client[PATH] = undefined;
      await client.query(`set search_path to ${pg.escapeIdentifier(this.space)}; set lock_timeout to ${LOCK_WAIT_MS}`);
      client[PATH] = this.space;
      return client;
    } catch (error) {
      client.release(true);
      throw error;
    }
  }

  /**
   * Hands out a connection for a transaction. Drizzle gives it back in the end, but not where its very first statement
   * fails, as it does on a connection that has just broken: such a one comes back by itself, once.
   */
  private async lasting(): Promise<pg.PoolClient> {
    const client = await this.client();
    const give = client.release.bind(client);
    const lost = (): void => client.release(true);
    let given = false;
    client.release = (destroy) => {
      if (given) return;
      given = true;
      client.off("end", lost);
      give(destroy);
    };
    client.once("end", lost);
    return client;
  }

  override connect = (() => this.lasting()) as pg.Pool["connect"];

  override query = (async (...args: Parameters<pg.PoolClient["query"]>) => {
    const client = await this.client();
    try {
      return await (client.query as (...all: unknown[]) => Promise<unknown>)(...args);
    } finally {
      client.release();
    }
  }) as unknown as pg.Pool["query"];
}

/** The database as one space sees it. */
export const spaceDatabase = (pool: pg.Pool, space: string): Database =>
  drizzle(new SpacePool(pool, space), { schema });

/**
 * Does something that only one process may do at a time, under a name (PostgreSQL manual, advisory locks); whoever
 * comes later waits.
 */
export async function alone<T>({ locks }: Pools, name: string, work: () => Promise<T>): Promise<T> {
  const client = await locks.connect();
  try {
    await client.query("select pg_advisory_lock(hashtextextended($1, 0))", [`abendrot ${name}`]);
    try {
      return await work();
    } finally {
      await client.query("select pg_advisory_unlock(hashtextextended($1, 0))", [`abendrot ${name}`]);
    }
  } finally {
    client.release();
  }
}
