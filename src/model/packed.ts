/**
 * What a page is laid out with, packed: a page of years weighs little and its lists are read at once all the same.
 * Each property of its own: JSON, gzip, base64; days and times stand in it as what they are.
 */
export interface Packed<T> {
  readonly packed: Readonly<Record<string, string>>;
  /** The room is laid out in the browser alone. */
  readonly inBrowser: boolean;
  /** Says of what type it is; never there. */
  readonly of?: T;
}

const DATE = "$date";

/** Whether a date stands anywhere in it: asking every value for one takes as long as all the rest. */
function holdsDate(value: unknown): boolean {
  if (typeof value !== "object" || value === null) return false;
  if (value instanceof Date) return true;
  if (Array.isArray(value)) return value.some(holdsDate);
  for (const key in value) if (holdsDate((value as Readonly<Record<string, unknown>>)[key])) return true;
  return false;
}

/** JSON that tells dates from texts. */
export const toJson = (value: unknown): string =>
  holdsDate(value)
    ? JSON.stringify(value, function (this: Readonly<Record<string, unknown>>, key, given: unknown) {
        // A date has become a text already when it is handed over here.
        const raw = this[key];
        return raw instanceof Date ? { [DATE]: raw.toISOString() } : given;
      })
    : JSON.stringify(value);

const isDate = (value: unknown): value is { readonly [DATE]: string } =>
  typeof value === "object" && value !== null && DATE in value;

/** What such JSON says. */
export const fromJson = (json: string): unknown =>
  json.includes(`"${DATE}"`)
    ? JSON.parse(json, (_key, value: unknown) => (isDate(value) ? new Date(value[DATE]) : value))
    : JSON.parse(json);
