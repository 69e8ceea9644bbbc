import type { z } from "zod";

/** Why a value can't be kept, in words for the painter; null when it can. */
export const faultIn = (schema: z.ZodType, value: unknown): string | null =>
  schema.safeParse(value).error?.issues[0]?.message ?? null;
