import { existsSync, openAsBlob, statSync } from "node:fs";
import { resolve } from "node:path";
import { refusalOf, withAbendrot } from "./running.mjs";
import { counted } from "./counted.mjs";

const here = process.env.INIT_CWD ?? process.cwd();
const words = process.argv.slice(2);
const replace = words.includes("--replace");
const [file] = words.filter((word) => !word.startsWith("--"));
const path = file ? resolve(here, file) : "";
if (!file || !existsSync(path) || !statSync(path).isFile()) {
  console.error(`${file ? `There is no file "${path}".` : "Name the file."} npm run restore -- FILE [--replace]`);
  process.exit(1);
}

const inWords = ({ paintings, paints, entries, photos }) =>
  [
    counted(paintings, "painting"),
    counted(paints, "paint"),
    counted(entries, "page of the logbook", "pages of the logbook"),
    counted(photos, "photo"),
  ].join(", ");
const json = (method, body) => ({
  method,
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

/** Puts a backup back; into a used folder only where it was said so. */
await withAbendrot(
  async (address) => {
    const answer = await fetch(`${address}/api/backup`, { method: "POST", body: await openAsBlob(path) });
    if (!answer.ok) throw new Error(await refusalOf(answer));
    const { restored, waiting } = await answer.json();
    if (restored) return console.log(`It is all back: ${inWords(restored)}.`);
    const { token, holds, replaces } = waiting;
    if (!replace) {
      await fetch(`${address}/api/backup/waiting`, json("DELETE", { token }));
      throw new Error(
        `There is something of your own here: ${inWords(replaces)}. The file holds ${inWords(holds)}. Nothing was changed.\n` +
          `To put the file in its place (a copy of what is here is made first): npm run restore -- "${file}" --replace`,
      );
    }
    const done = await fetch(`${address}/api/backup/waiting`, json("POST", { token }));
    if (!done.ok) throw new Error(await refusalOf(done));
    console.log(`It is all back: ${inWords(holds)}. What was here before lies among the copies (Safe keeping).`);
  },
  { ABENDROT_WITHOUT_DEMO: "1" },
).catch((error) => {
  console.error(error.message);
  process.exit(1);
});
