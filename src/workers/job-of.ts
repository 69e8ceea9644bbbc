/** The job of a message that may be none, so that whoever asked hears what is wrong with it. */
export function jobOf(data: unknown): number {
  return typeof data === "object" && data !== null && "job" in data && typeof data.job === "number" ? data.job : -1;
}
