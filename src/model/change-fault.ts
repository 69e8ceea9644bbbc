import type { z } from "zod";
import { faultIn } from "./fault";

/** The schema of each field of a document that is one object. */
type Shape = Readonly<Record<string, z.ZodType>>;

/**
 * Why a changed document can't be stored, in the door's own words; null when it can. Looks only at
 * what is no longer the same object, so that it costs little at every step.
 * @param document schema of the whole
 * @param items schemas of the items of its lists, by field: of those only new items are looked at, and how many
 *   there are
 */
export function changeFault<D extends object>(
  document: z.ZodType<D> & { readonly shape: Shape },
  before: D,
  after: D,
  items: Partial<Record<keyof D, z.ZodType>>,
): string | null {
  for (const key of Object.keys(after) as (keyof D & string)[]) {
    if (before[key] === after[key]) continue;
    const item = items[key];
    if (item && Array.isArray(after[key])) {
      const known = new Set(before[key] as unknown as unknown[]);
      const list: readonly unknown[] = after[key];
      for (const one of list) {
        const fault = known.has(one) ? null : faultIn(item, one);
        if (fault) return fault;
      }
      // The list's own rules (how many) don't look into items: stand-ins that pass serve.
      const counted = list.length > known.size ? countFault(document.shape[key]!, list) : null;
      if (counted) return counted;
    } else {
      const fault = faultIn(document.shape[key]!, after[key]);
      if (fault) return fault;
    }
  }
  return null;
}

/** What a list's schema says of its length alone. */
function countFault(schema: z.ZodType, list: readonly unknown[]): string | null {
  const tooBig = schema.safeParse(list).error?.issues.find(({ code, path }) => code === "too_big" && path.length === 0);
  return tooBig?.message ?? null;
}
