import { expect, test } from "vitest";
import { KeptRows } from "./kept";

test("rows are read when they are new or changed, and the list stays the same one while nothing has", async () => {
  const stored = new Map([
    ["sky", { version: "1", row: "grey" }],
    ["dyke", { version: "1", row: "dark" }],
  ]);
  const asked: string[][] = [];
  const kept = new KeptRows<string>();
  const read = () =>
    kept.read(
      [...stored].map(([id, { version }]) => ({ id, version })),
      async (ids) => {
        asked.push([...ids]);
        return ids.flatMap((id) => (stored.has(id) ? [[id, stored.get(id)!.row] as const] : [])).toReversed();
      },
    );
  const first = await read();
  expect(first).toEqual(["grey", "dark"]);
  expect(await read()).toBe(first);
  stored.set("dyke", { version: "2", row: "light" });
  expect(await read()).toEqual(["grey", "light"]);
  stored.delete("sky");
  stored.set("door", { version: "1", row: "green" });
  expect(await read()).toEqual(["light", "green"]);
  const [dyke, door] = [...stored];
  stored.clear();
  stored.set(...door!).set(...dyke!);
  expect(await read()).toEqual(["green", "light"]);
  expect(asked).toEqual([["sky", "dyke"], ["dyke"], ["door"]]);
});

test("what is gone, or changes again, between the two questions is neither told nor kept as it was", async () => {
  const kept = new KeptRows<string>();
  expect(await kept.read([{ id: "a", version: "1" }], async () => [])).toEqual([]);
  expect(await kept.read([{ id: "a", version: "1" }], async () => [["a", "newer than 1"]])).toEqual(["newer than 1"]);
  expect(await kept.read([{ id: "a", version: "2" }], async () => [["a", "2"]])).toEqual(["2"]);
});
