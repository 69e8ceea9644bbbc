import type { DatedCopy, Holdings, PhotoSpace } from "@/model/backup";
import { localDay } from "@/model/day";
import { counted } from "@/model/text";

const two = (n: number): string => String(n).padStart(2, "0");
const DAY_MS = 86_400_000;
/** The clocks of a server and of a browser may differ by so much. */
const CLOCKS_DIFFER_MS = 600_000;

/** When a copy was made, as one says it: "today 18:40", "yesterday 18:40", "3 March 2026, 18:40". */
export function whenWords(iso: string, now: Date): string {
  const at = new Date(iso);
  const time = `${two(at.getHours())}:${two(at.getMinutes())}`;
  if (localDay(at) === localDay(now)) return `today ${time}`;
  if (localDay(at) === localDay(new Date(now.getTime() - DAY_MS))) return `yesterday ${time}`;
  return `${at.toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })}, ${time}`;
}

/** Why a copy was made. */
export const reasonWords = ({ reason }: Pick<DatedCopy, "reason">): string =>
  ({
    "of the day": "made by itself, once a day",
    "before a new version": "before a new version changed the tables",
    "before something was put back": "before something else was put in its place",
  })[reason];

/** A clock that ran ahead when a copy was made, as its date tells; "" where it did not. */
export const aheadWords = ({ madeAt }: Pick<DatedCopy, "madeAt">, now: Date): string =>
  Date.parse(madeAt) > now.getTime() + CLOCKS_DIFFER_MS ? "dated ahead: the clock was wrong when it was made" : "";

/** A size as one says it. */
export const sizeWords = (bytes: number): string =>
  bytes < 1e6 ? `${Math.max(1, Math.round(bytes / 1e3))} KB` : `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;

/** What the photos take, and what of it may go. */
export const spaceWords = ({ bytes, binnedBytes }: PhotoSpace): string =>
  `All photos as they came take ${sizeWords(bytes)}.${
    binnedBytes > 0
      ? ` ${sizeWords(binnedBytes)} of it only the bin shows: that goes at the next start once the bin is emptied.`
      : ""
  }`;

/** What a store holds of one's own. */
export const holdingsWords = ({ paintings, paints, entries, photos }: Holdings): string =>
  [
    counted(paintings, "painting"),
    counted(paints, "paint"),
    `${counted(entries, "page")} of the logbook`,
    counted(photos, "photo"),
  ].join(", ");
