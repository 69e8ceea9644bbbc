import { randomBytes, randomUUID } from "node:crypto";
import { hash, verify } from "@node-rs/argon2";
import { asc, eq, sql } from "drizzle-orm";
import { drizzle } from "drizzle-orm/node-postgres";
import { boolean, integer, pgSchema, text, timestamp } from "drizzle-orm/pg-core";
import { z } from "zod";
import { NamedError } from "../named-error";
import { alone, type Pools } from "./pool";

const REGISTRY = "abendrot";
const registry = pgSchema(REGISTRY);

/** A painter's space on a server: its name, where its tables stand, and what its pass phrase hashes to. */
const spaces = registry.table("spaces", {
  name: text("name").primaryKey(),
  schema: text("schema").notNull().unique(),
  phrase: text("phrase").notNull(),
  teacher: boolean("teacher").notNull().default(false),
  /** Rises with every new pass phrase: who was signed in before is no longer. */
  epoch: integer("epoch").notNull().default(0),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
});

const secrets = registry.table("secrets", { name: text("name").primaryKey(), value: text("value").notNull() });

export type Space = Omit<typeof spaces.$inferSelect, "phrase">;

/** A space can't be made or changed as asked; the message says why. */
export class SpaceRefused extends NamedError {
  static override readonly kind = "SpaceRefused";
}

/** Names of spaces: letters, digits, spaces and hyphens, as people are called. */
export const spaceName = z
  .string()
  .trim()
  .regex(/^[\p{L}\p{N}][\p{L}\p{N} '-]{0,39}$/u, "A name has up to 40 letters, digits, spaces and hyphens.");

/**
 * Pass phrases: long enough that they need no rules about characters (NIST SP 800-63B, section 5.1.1.2: at least eight
 * characters, no composition rules, 64 at least allowed).
 */
export const passPhrase = z
  .string()
  .min(10, "A pass phrase has at least 10 letters.")
  .max(200, "A pass phrase has at most 200 letters.");

const known = { name: spaces.name, schema: spaces.schema, teacher: spaces.teacher, epoch: spaces.epoch };

const fields = { ...known, createdAt: spaces.createdAt };

/** The spaces of a server. */
export interface Registry {
  readonly list: () => Promise<Space[]>;
  readonly find: (name: string) => Promise<Space | null>;
  /** The space that a name and a pass phrase open; null for neither. */
  readonly signIn: (name: string, phrase: string) => Promise<Space | null>;
  /** Makes a space. Throws SpaceRefused when there is one of this name. */
  readonly add: (name: string, phrase: string, teacher: boolean) => Promise<Space>;
  /** Gives a space another pass phrase: whoever is signed in is signed out. Throws SpaceRefused. */
  readonly rephrase: (name: string, phrase: string) => Promise<void>;
  /** Removes a space with all that is in it. Throws SpaceRefused. */
  readonly remove: (name: string) => Promise<void>;
  /** A secret that all processes of this server share; made when it is first asked for. */
  readonly secret: (name: string) => Promise<string>;
}

/** A hash that no phrase has: a name that is not there takes as long to refuse as a wrong phrase. */
let nobody: Promise<string> | undefined;

/** Opens the registry and makes its tables where there are none; of several processes one does. */
export async function openRegistry(pools: Pools): Promise<Registry> {
  const db = drizzle(pools.pool);
  await alone(pools, "registry", async () => {
    await db.execute(sql`create schema if not exists ${sql.identifier(REGISTRY)}`);
    await db.execute(sql`create table if not exists ${spaces} (name text primary key, schema text not null unique,
      phrase text not null, teacher boolean not null default false, epoch integer not null default 0,
      created_at timestamptz not null default now())`);
    await db.execute(sql`create table if not exists ${secrets} (name text primary key, value text not null)`);
  });
  const find = async (name: string): Promise<Space | null> =>
    (await db.select(fields).from(spaces).where(eq(spaces.name, name)))[0] ?? null;
  const none = (name: string): SpaceRefused => new SpaceRefused(`There is no space named "${name}".`);
  return {
    find,
    list: () => db.select(fields).from(spaces).orderBy(asc(spaces.name)),
    async signIn(name, phrase) {
      const [row] = await db.select().from(spaces).where(eq(spaces.name, name));
      const right = await verify(row?.phrase ?? (await (nobody ??= hash(randomUUID()))), phrase).catch(() => false);
      return row && right ? find(name) : null;
    },
    async add(name, phrase, teacher) {
      const schema = `space_${randomBytes(8).toString("hex")}`;
      const made = await db
        .insert(spaces)
        .values({ name, schema, phrase: await hash(phrase), teacher })
        .onConflictDoNothing()
        .returning(fields);
      if (!made[0]) throw new SpaceRefused(`There is a space named "${name}" already.`);
      return made[0];
    },
    async rephrase(name, phrase) {
      const changed = await db
        .update(spaces)
        .set({ phrase: await hash(phrase), epoch: sql`${spaces.epoch} + 1` })
        .where(eq(spaces.name, name))
        .returning(known);
      if (changed.length === 0) throw none(name);
    },
    async remove(name) {
      const space = await find(name);
      if (!space) throw none(name);
      await db.transaction(async (tx) => {
        await tx.execute(sql`drop schema if exists ${sql.identifier(space.schema)} cascade`);
        await tx.delete(spaces).where(eq(spaces.name, name));
      });
    },
    async secret(name) {
      await db
        .insert(secrets)
        .values({ name, value: randomBytes(48).toString("base64url") })
        .onConflictDoNothing();
      return (await db.select().from(secrets).where(eq(secrets.name, name)))[0]!.value;
    },
  };
}
