import { spawn, spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { FolderInUse, lockFolder } from "./folder-lock";

const folder = (): string => mkdtempSync(join(tmpdir(), "abendrot-lock-"));

describe("the data folder's lock", () => {
  test("a second taker is refused with the folder and the process, until it is given back", () => {
    const place = folder();
    const release = lockFolder(place);
    expect(() => lockFolder(place)).toThrow(FolderInUse);
    expect(() => lockFolder(place)).toThrow(new RegExp(`${process.pid}.*ABENDROT_DATA`));
    release();
    lockFolder(place)();
    expect(readdirSync(place)).toEqual([]);
  });

  test("a lock whose process is dead is taken over", () => {
    const place = folder();
    const { pid } = spawnSync(process.execPath, ["-e", ""]);
    writeFileSync(join(place, "abendrot.lock"), JSON.stringify({ pid, started: "12345", token: "gone" }));
    const release = lockFolder(place);
    expect(JSON.parse(readFileSync(join(place, "abendrot.lock"), "utf8")).pid).toBe(process.pid);
    release();
  });

  test.skipIf(process.platform !== "linux")("a process number used again by another process doesn't keep the lock", () => {
    const place = folder();
    writeFileSync(join(place, "abendrot.lock"), JSON.stringify({ pid: process.pid, started: "1", token: "gone" }));
    lockFolder(place)();
  });

  test("a damaged lock heals", () => {
    const place = folder();
    writeFileSync(join(place, "abendrot.lock"), "{");
    lockFolder(place)();
  });

  test("of eight processes that find a stale lock at once, one gets it", async () => {
    const place = folder();
    const { pid } = spawnSync(process.execPath, ["-e", ""]);
    writeFileSync(join(place, "abendrot.lock"), JSON.stringify({ pid, started: "12345", token: "gone" }));
    const script = `import { lockFolder } from ${JSON.stringify(join(process.cwd(), "src/db/folder-lock.ts"))};
      try { lockFolder(${JSON.stringify(place)}); console.log("mine"); setTimeout(() => {}, 8000); } catch { console.log("refused"); }`;
    const takers = Array.from({ length: 8 }, () => spawn(process.execPath, ["--import", "tsx", "--input-type=module", "-e", script]));
    const answers = await Promise.all(takers.map((taker) => new Promise<string>((resolve) => taker.stdout.once("data", (data: Buffer) => resolve(String(data).trim())))));
    takers.forEach((taker) => taker.kill("SIGKILL"));
    expect(answers.filter((answer) => answer === "mine")).toHaveLength(1);
    expect(answers.filter((answer) => answer === "refused")).toHaveLength(7);
  });
});
