import { z } from "zod";

const finite = z.number().refine(Number.isFinite);

/** A recipe as the painter chose it; its colour is predicted anew whenever it is shown. */
export const storedRecipe = z.object({
  parts: z.array(z.object({ paintId: z.uuid(), parts: finite.gt(0).lte(12) })).min(1).max(3),
  waterParts: finite.gte(0).lte(200),
});
export type StoredRecipe = z.infer<typeof storedRecipe>;

export const paintingArea = z.object({
  id: z.uuid(),
  name: z.string().trim().min(1, "An area needs a name.").max(80, "Names are at most 80 letters long."),
  /** Shares of the photo: x and radius of its width, y of its height. */
  sample: z.object({ x: finite.gte(0).lte(1), y: finite.gte(0).lte(1), radius: finite.gte(0).lte(0.5) }),
  lab: z.object({ L: finite.gte(-1).lte(101), a: finite.gte(-200).lte(200), b: finite.gte(-200).lte(200) }),
  recipe: storedRecipe.nullable(),
});
export type PaintingArea = z.infer<typeof paintingArea>;

/** What the painter can change about a painting, saved as one piece and undone as one piece. */
export const paintingDocument = z.object({
  title: z.string().trim().min(1, "A painting needs a title.").max(120, "Titles are at most 120 letters long."),
  paperId: z.string().min(1).max(60),
  areas: z.array(paintingArea).max(60, "A painting holds at most 60 areas."),
  palette: z.array(z.uuid()).max(40),
}).refine((d) => new Set(d.areas.map((a) => a.id)).size === d.areas.length, "Two areas have the same id.")
  .refine((d) => new Set(d.palette).size === d.palette.length, "A paint lies on the palette twice.");
export type PaintingDocument = z.infer<typeof paintingDocument>;

export const savePaintingRequest = z.object({ revision: z.int().gte(0), document: paintingDocument });
