import { z } from "zod";

/**
 * The shape of all that is kept and written out: how many migrations lead to it. A change of a document is a migration
 * too, even where no table changes, so that whoever reads one number knows whether it knows everything. Held by
 * shape.test.ts.
 */
export const DATA_SHAPE = 15;

/**
 * The least program that may write what carries it, by the shape that it knows: an older one would drop what it does
 * not know. What was written before it was told has none.
 */
export const leastShape = (words: string) => z.int().positive().lte(DATA_SHAPE, words).default(1);

/** What a file that can't be read says of a newer program; null where it is something else. */
export const newerIn = ({ issues }: z.ZodError): string | null =>
  issues.find(({ path: [at] }) => at === "version" || at === "least")?.message ?? null;
