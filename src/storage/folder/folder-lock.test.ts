import { spawn, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, utimesSync, writeFileSync } from "node:fs";
import { hostname, tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { FolderInUse, lockFolder } from "./folder-lock";

const folder = (): string => mkdtempSync(join(tmpdir(), "abendrot-lock-"));
const lost = (message: string): void => expect.unreachable(message);
const lock = (place: string) => lockFolder(place, lost);
const LINUX = process.platform === "linux";

/** A lock as a process left it: its note, and a heartbeat so old. */
function leave(place: string, owner: object | string | null, ageMs = 0): void {
  mkdirSync(join(place, "abendrot.in-use"));
  const at = (Date.now() - ageMs) / 1000;
  utimesSync(join(place, "abendrot.in-use"), at, at);
  if (owner !== null)
    writeFileSync(join(place, "abendrot.owner.json"), typeof owner === "string" ? owner : JSON.stringify(owner));
}
/** What this very process would note of itself. */
async function noted(): Promise<Record<string, unknown>> {
  const place = folder();
  const release = await lock(place);
  const owner = JSON.parse(readFileSync(join(place, "abendrot.owner.json"), "utf8")) as Record<string, unknown>;
  await release();
  return owner;
}

describe("the data folder's lock", () => {
  test("a second taker is refused with the folder, the process and the file, until it is given back whole", async () => {
    const place = folder();
    const release = await lock(place);
    await expect(lock(place)).rejects.toThrow(FolderInUse);
    await expect(lock(place)).rejects.toThrow(
      new RegExp(`${process.pid} on ${hostname()}.*ABENDROT_DATA.*abendrot\\.in-use`),
    );
    await release();
    await (
      await lock(place)
    )();
    expect(readdirSync(place)).toEqual([]);
  });

  test.skipIf(!LINUX)("one whose process is dead, or whose number is used again, is taken over at once", async () => {
    const { pid } = spawnSync(process.execPath, ["-e", ""]);
    for (const gone of [{ pid }, { started: "1" }]) {
      const place = folder();
      leave(place, { ...(await noted()), ...gone, token: "gone" });
      const release = await lock(place);
      expect(JSON.parse(readFileSync(join(place, "abendrot.owner.json"), "utf8"))).toMatchObject({ pid: process.pid });
      await release();
    }
  });

  test("one from another process namespace holds as long as its heartbeat goes on, though its number means nothing here", async () => {
    const place = folder();
    leave(place, { ...(await noted()), namespace: "pid:[1]", host: "elsewhere", pid: 1, token: "other" });
    const beat = setInterval(() => utimesSync(join(place, "abendrot.in-use"), new Date(), new Date()), 1000);
    await expect(lock(place)).rejects.toThrow(/process 1 on elsewhere/);
    clearInterval(beat);
  });

  test.each([
    ["whose note is damaged", "{"],
    ["without a note", null],
  ])("one %s is taken over when its heart is still", async (_, owner) => {
    const place = folder();
    leave(place, owner, 60_000);
    await (
      await lock(place)
    )();
  });

  test("of eight processes that find a dead lock at once, one gets it", async () => {
    const place = folder();
    const { pid } = spawnSync(process.execPath, ["-e", ""]);
    leave(place, { ...(await noted()), pid, token: "gone" });
    const script = `import { lockFolder } from ${JSON.stringify(join(import.meta.dirname, "folder-lock.ts"))};
      try { await lockFolder(${JSON.stringify(place)}, () => process.exit(4)); console.log("mine"); setTimeout(() => {}, 60000); } catch { console.log("refused"); }`;
    const takers = Array.from({ length: 8 }, () =>
      spawn(process.execPath, ["--import", "tsx", "--input-type=module", "-e", script]),
    );
    const answers = await Promise.all(
      takers.map(
        (taker) =>
          new Promise<string>((resolve) => {
            taker.stdout.once("data", (data: Buffer) => resolve(String(data).trim()));
            taker.once("exit", () => resolve("ended"));
          }),
      ),
    );
    takers.forEach((taker) => taker.kill("SIGKILL"));
    expect(answers.filter((answer) => answer === "mine")).toHaveLength(1);
  });
});
