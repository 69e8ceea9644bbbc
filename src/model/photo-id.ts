import { z } from "zod";

/** A photo's id is its content: the SHA-256 of the original, in hex. */
export const photoId = z.string().regex(/^[0-9a-f]{64}$/, "There is no such photo.");
