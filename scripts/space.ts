/**
 * Spaces of painters on a PostgreSQL server, from where the server is looked after.
 * Run: npm run space -- list | add NAME [--teacher] | phrase NAME | remove NAME --with-everything
 *                       | backup NAME FILE | restore NAME FILE --replace
 * A pass phrase is taken from ABENDROT_PHRASE; without it one is made and told, once.
 */
import { randomInt } from "node:crypto";
import { createWriteStream, existsSync, rmSync } from "node:fs";
import { resolve } from "node:path";
import { pipeline } from "node:stream/promises";
import { counted } from "@/model/text";
import { databaseUrl, dataFolder, photosKept } from "@/server/context/environment";
import { layOutDemo } from "@/server/demo/lay-out";
import { isNothing } from "@/model/backup";
import { makeFolder } from "@/storage/folder/data-folder";
import { openSpace, spaceFolder } from "@/storage/spaces/open-space";
import { makePhotoTables } from "@/storage/spaces/photos-in-database";
import { alone, closePools, openPools } from "@/storage/spaces/pool";
import { openRegistry, passPhrase, spaceName, type Space } from "@/storage/spaces/registry";

const CONSONANTS = "bdfgklmnprstvwz";
const VOWELS = "aeiou";

/** Twelve syllables of 75: 74 bits. */
const madePhrase = (): string =>
  Array.from({ length: 12 }, (_, i) => {
    const syllable = CONSONANTS[randomInt(CONSONANTS.length)]! + VOWELS[randomInt(VOWELS.length)]!;
    return i > 0 && i % 3 === 0 ? `-${syllable}` : syllable;
  }).join("");

class Told extends Error {}

async function main(): Promise<void> {
  const words = process.argv.slice(2);
  const [command = "list", name = "", file = ""] = words.filter((word) => !word.startsWith("--"));
  const url = databaseUrl();
  if (!url) throw new Told("DATABASE_URL names the PostgreSQL server: DATABASE_URL=postgres://… npm run space -- list");
  makeFolder(dataFolder());
  const pools = openPools(url, (error) => console.error(String(error)));
  try {
    const registry = await openRegistry(pools);
    if (photosKept() === "database") await alone(pools, "photos", () => makePhotoTables(pools.pool));
    const found = async (): Promise<Space> => {
      const space = await registry.find(name);
      if (!space) throw new Told(`There is no space named "${name}".`);
      return space;
    };
    const open = ({ schema }: Space, begin: Parameters<typeof openSpace>[4] = async () => {}) =>
      openSpace(pools, schema, dataFolder(), photosKept(), begin);
    const phrase = (): string => {
      const read = passPhrase.safeParse(process.env.ABENDROT_PHRASE ?? madePhrase());
      if (!read.success) throw new Told(read.error.issues[0]!.message);
      return read.data;
    };
    if (command === "list") {
      const all = await registry.list();
      for (const space of all)
        console.log(
          `${space.name}${space.teacher ? " (teacher)" : ""}, since ${space.createdAt.toISOString().slice(0, 10)}`,
        );
      if (all.length === 0) console.log("There is no space yet: npm run space -- add NAME");
    } else if (command === "add") {
      const read = spaceName.safeParse(name);
      if (!read.success) throw new Told(read.error.issues[0]!.message);
      const words1 = phrase();
      const space = await registry.add(read.data, words1, words.includes("--teacher"));
      await open(space, layOutDemo);
      console.log(
        `The space "${space.name}" is made${process.env.ABENDROT_PHRASE ? "" : `. Its pass phrase: ${words1}`}`,
      );
    } else if (command === "phrase") {
      const words1 = phrase();
      await registry.rephrase(name, words1);
      console.log(
        `"${name}" has a new pass phrase${process.env.ABENDROT_PHRASE ? "" : `: ${words1}`}. Who was signed in is signed out.`,
      );
    } else if (command === "remove") {
      const space = await found();
      if (!words.includes("--with-everything"))
        throw new Told(
          `This removes all paintings of "${name}". If that is meant: npm run space -- remove "${name}" --with-everything`,
        );
      await registry.remove(name);
      if (photosKept() === "database")
        await pools.pool.query("delete from abendrot.photos where space = $1", [space.schema]);
      rmSync(spaceFolder(dataFolder(), space.schema), { recursive: true, force: true });
      console.log(`The space "${name}" is removed.`);
    } else if (command === "backup" || command === "restore") {
      const store = await open(await found());
      const path = resolve(process.env.ABENDROT_STARTED_FROM ?? process.cwd(), file);
      if (command === "backup") {
        if (!file || existsSync(path)) throw new Told(file ? `"${path}" is there already.` : "Name the file.");
        const { stream, manifest } = await store.keeping.backup();
        await pipeline(stream, createWriteStream(path, { flags: "wx" }));
        console.log(
          `Everything of "${name}" is in "${path}" (${counted(manifest.photos.length, "photo")}, ${manifest.lost.length} lost).`,
        );
      } else {
        if (!isNothing(await store.keeping.holdings()) && !words.includes("--replace"))
          throw new Told(`There is something in the space "${name}". To replace it, after a copy: add --replace`);
        await store.keeping.copies.make("before something was put back");
        await store.keeping.restore(path);
        console.log(`The space "${name}" holds what is in "${path}".`);
      }
    } else throw new Told(`There is no command "${command}".`);
  } finally {
    await closePools(pools);
  }
}

await main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : String(error));
  process.exitCode = 1;
});
