import { z } from "zod";
import { MAX_COUNT } from "./limits";

const count = z.int().gte(0).lte(MAX_COUNT);

/**
 * How a save is known again. `revision` is the stored one that the document was made from. A window
 * writes as one `writer`, its saves numbered by `step`: one that is sent twice, or whose answer got
 * lost, is stored once, and an older one that arrives late is passed over.
 */
const saveStamp = z.object({ revision: count, writer: z.uuid(), step: count });
export type SaveStamp = z.infer<typeof saveStamp>;

/** What has changed of a document, with its stamp. */
export const partRequest = <T extends z.ZodRawShape>(part: T) => saveStamp.extend(part);

/** A document with its stamp. */
export const saveRequest = <T extends z.ZodType>(document: T) => saveStamp.extend({ document });
