import { z } from "zod";

/** What opens a space on a server. */
export const signInRequest = z.object({ name: z.string().trim().min(1).max(80), phrase: z.string().min(1).max(400) });

/** Says with what is asked for which space its page was laid out: another painter may have signed in since. */
export const SPACE_HEADER = "x-abendrot-space";

/** Whose space is looked at on a server. */
export interface Painter {
  readonly name: string;
  readonly teacher: boolean;
}
