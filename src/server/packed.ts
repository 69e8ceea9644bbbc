import { gzipSync } from "node:zlib";
import { databaseUrl } from "./context/environment";
import { toJson, type Packed } from "@/model/packed";

/** Quick rather than small: lists of paints and swatches repeat themselves. */
const LEVEL = 3;

const packedOf = (value: unknown): string => gzipSync(toJson(value), { level: LEVEL }).toString("base64");

/** What was packed before: a thousand pages that the store keeps are packed once and laid out many times. */
const before = new WeakMap<object, string>();

function packedOnce(value: unknown): string {
  if (typeof value !== "object" || value === null) return packedOf(value);
  const known = before.get(value) ?? packedOf(value);
  before.set(value, known);
  return known;
}

/** Packs what a page is laid out with (`ui/unpacked.tsx` takes it out again); none of it is changed afterwards. */
export const pack = <T extends object>(value: T): Packed<T> => ({
  packed: Object.fromEntries(
    Object.entries(value).flatMap(([key, part]: [string, unknown]) =>
      part === undefined ? [] : [[key, packedOnce(part)]],
    ),
  ),
  // Where several painters share a server, it lays out no rooms: thirty browsers do it quicker.
  inBrowser: databaseUrl() !== null,
});
