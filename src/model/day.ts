import { z } from "zod";

const two = (n: number): string => String(n).padStart(2, "0");

/** The day of a moment where the painter is (the machine's own time zone), as YYYY-MM-DD. */
export const localDay = (at: Date): string => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;

/** Farthest a clock on earth is ahead of UTC: a day that has begun somewhere is no day to come. */
const AHEAD_HOURS = 14;

/** The newest day that has begun anywhere on earth: what a door may still take, wherever the painter is. */
export const newestDay = (now: Date): string =>
  new Date(now.getTime() + AHEAD_HOURS * 3_600_000).toISOString().slice(0, 10);

/** A day of the calendar, YYYY-MM-DD, in years that tubes and databases know. */
export const day = z.iso
  .date("A date looks like 2026-04-30.")
  .refine((date) => date >= "1900-01-01" && date <= "2999-12-31", "The year lies between 1900 and 2999.");
