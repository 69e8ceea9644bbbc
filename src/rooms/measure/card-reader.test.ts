import { expose } from "comlink";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { workerOver } from "@/testing/worker.test-helper";
import type { CardApi, CardWishes } from "@/workers/card-api";
import { WorkerLink, WorkerStopped } from "@/workers/worker-link";

const asked: string[] = [];
/** Reads that wait for their answer. */
const reads: (() => void)[] = [];

vi.mock("@/ui/decode-photo", () => ({
  decodeWorkingCopy: (id: string) => Promise.resolve({ width: 1, height: 1, data: new Uint8ClampedArray(4), id }),
}));
vi.mock("@/workers/start", () => ({
  cardWorker: () =>
    new WorkerLink<CardApi>(() => {
      const { port1, port2 } = new MessageChannel();
      expose(
        {
          open: (id: string) => void asked.push(`open ${id}`),
          read: async (id: string, { rows }: CardWishes) => {
            asked.push(`read ${id} ${rows.join()}`);
            await new Promise<void>((resolve) => reads.push(resolve));
            return { refused: { code: `${id} ${rows.join()}` } };
          },
        },
        port1 as never,
      );
      return workerOver(port2);
    }),
}));

const { CardReader } = await import("./card-reader");
const wishes = (...rows: number[]): CardWishes => ({ paperId: "cotton-rough", rows, moved: {}, references: [] });
let reader: InstanceType<typeof CardReader>;
beforeEach(() => {
  asked.length = reads.length = 0;
  reader = new CardReader();
});
afterEach(() => reader.stop());
const answerNext = async (): Promise<void> => {
  await vi.waitFor(() => expect(reads.length).toBeGreaterThan(0));
  reads.shift()!();
};

test("a photo is opened once for all its readings, and anew when another was read between", async () => {
  for (const [id, row] of [
    ["a", 0],
    ["a", 1],
    ["b", 0],
    ["a", 2],
  ] as const) {
    const read = reader.read(id, wishes(row));
    await answerNext();
    expect(await read).toEqual({ refused: { code: `${id} ${row}` } });
  }
  expect(asked).toEqual(["open a", "read a 0", "read a 1", "open b", "read b 0", "open a", "read a 2"]);
});

test("of what is asked of one photo meanwhile only the newest is read; another photo waits its turn", async () => {
  const first = reader.read("a", wishes(0));
  const overtaken = reader.read("a", wishes(1));
  const other = reader.read("b", wishes(0));
  const newest = reader.read("a", wishes(2));
  overtaken.catch(() => {});
  first.catch(() => {});
  await expect(overtaken).rejects.toBeInstanceOf(WorkerStopped);
  await answerNext();
  await answerNext();
  expect(await other).toEqual({ refused: { code: "b 0" } });
  expect(await newest).toEqual({ refused: { code: "a 2" } });
  expect(asked.filter((one) => one.startsWith("read"))).toEqual(["read b 0", "read a 2"]);
});

test("a stop rejects what is being read, and the next reading opens its photo anew", async () => {
  const read = reader.read("a", wishes(0));
  await vi.waitFor(() => expect(reads).toHaveLength(1));
  reader.stop();
  await expect(read).rejects.toBeInstanceOf(WorkerStopped);
  reads.length = asked.length = 0;
  const again = reader.read("a", wishes(0));
  await answerNext();
  expect(await again).toEqual({ refused: { code: "a 0" } });
  expect(asked).toEqual(["open a", "read a 0"]);
});
