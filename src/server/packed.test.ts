import { gunzipSync } from "node:zlib";
import { expect, test } from "vitest";
import { fromJson } from "@/model/packed";
import { pack } from "./packed";

const taken = (packed: string): unknown => fromJson(gunzipSync(Buffer.from(packed, "base64")).toString());

test("each property is packed by itself; what the store kept is packed once, what it read anew again", () => {
  const paints = [{ name: "Grün" }, { name: "群青" }];
  const first = pack({ paints, on: new Date(0), next: false, none: undefined }).packed;
  expect(Object.fromEntries(Object.entries(first).map(([key, part]) => [key, taken(part!)]))).toEqual({
    paints,
    on: new Date(0),
    next: false,
  });
  // Packed once: what is done to it afterwards is not seen.
  paints.pop();
  expect(pack({ paints }).packed.paints).toBe(first.paints);
  expect(taken(pack({ paints: [...paints] }).packed.paints!)).toEqual([{ name: "Grün" }]);
});
