import { z } from "zod";
import { EYE_KINDS } from "@/core/training";
import { LETTERS } from "./limits";
import { text } from "./text";

/** An answer that trained the eye, as it is kept. */
export const newEyeAnswer = z.object({
  id: z.uuid(),
  kind: z.enum(EYE_KINDS),
  bucket: text(LETTERS.short).min(1),
  error: z.number().gte(0).lte(360),
});
