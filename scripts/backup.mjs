import { createWriteStream, existsSync, renameSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { progressLine, refusalOf, withAbendrot } from "./running.mjs";
import { counted } from "./counted.mjs";

const here = process.env.INIT_CWD ?? process.cwd();
const day = new Date().toLocaleDateString("sv-SE");
const target = resolve(here, process.argv[2] ?? join(here, `abendrot-${day}.zip`));
if (existsSync(target)) {
  console.error(`"${target}" is there already. Name another file: npm run backup -- FILE`);
  process.exit(1);
}

/** Everything as one file, also while Abendrot runs; it stands under its name only once it is whole. */
await withAbendrot(async (address) => {
  const answer = await fetch(`${address}/api/backup`);
  if (!answer.ok) throw new Error(await refusalOf(answer));
  const total = Number(answer.headers.get("content-length") ?? 0);
  const tell = progressLine("Saving", total);
  const aside = `${target}.part`;
  let done = 0;
  try {
    await pipeline(
      Readable.fromWeb(answer.body),
      async function* (source) {
        for await (const chunk of source) {
          done += chunk.length;
          tell(done);
          yield chunk;
        }
      },
      createWriteStream(aside, { flags: "w", flush: true }),
    );
    if (total > 0 && done !== total) throw new Error("It was cut off. Try again.");
    renameSync(aside, target);
  } finally {
    rmSync(aside, { force: true });
  }
  const lost = Number(answer.headers.get("x-photos-lost") ?? 0);
  console.log(
    `Everything is in "${target}" (${(done / 1e6).toFixed(1)} MB, ${counted(answer.headers.get("x-photos"), "photo")}).`,
  );
  if (lost > 0) console.log(`${counted(lost, "photo")} could not be read, left out of it.`);
}).catch((error) => {
  console.error(error.message);
  process.exit(1);
});
