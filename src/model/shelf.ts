import { z } from "zod";

/** A painting on the shelf: what it looks like and how far it is. */
const shelvedPainting = z.object({
  id: z.uuid(),
  title: z.string(),
  photoId: z.string(),
  updatedAt: z.coerce.date(),
  binnedAt: z.coerce.date().nullable(),
  /** The demo's. */
  demo: z.boolean(),
  /** The demo's while none of its paints is at hand. */
  away: z.boolean(),
  /** Paints in the tray, in its order. */
  paintIds: z.array(z.string()),
  areas: z.int(),
  colours: z.int(),
  /** Colours that have a recipe whose paints are all in the paintbox. */
  mixed: z.int(),
});
export type ShelvedPainting = Readonly<z.infer<typeof shelvedPainting>>;

/** All paintings, those in the bin too, last changed first. */
export const shelfAnswer = z.object({ shelf: z.array(shelvedPainting) });
