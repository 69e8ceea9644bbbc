import { gzipSync } from "node:zlib";
import { databaseUrl } from "./context/environment";
import { toJson, type Packed } from "@/model/packed";

/** Quick rather than small: lists of paints and swatches repeat themselves. */
const LEVEL = 3;

/** Packs what a page is laid out with (`ui/unpacked.tsx` takes it out again). */
export const pack = <T>(value: T): Packed<T> => ({
  packed: gzipSync(toJson(value), { level: LEVEL }).toString("base64"),
  // Where several painters share a server, it lays out no rooms: thirty browsers do it quicker.
  inBrowser: databaseUrl() !== null,
});
