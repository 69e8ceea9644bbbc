import { counted } from "@/model/text";
import type { ShelvedPainting } from "@/model/shelf";

type Progress = Pick<ShelvedPainting, "areas" | "colours" | "mixed" | "paintIds">;

/** How far a painting is, in a few words. */
export function progressWords({ areas, colours, mixed, paintIds }: Progress): string {
  if (areas === 0) return "a photo, no areas yet";
  const shapes = counted(areas, "area");
  if (paintIds.length === 0) return `${shapes}, no paints laid out yet`;
  if (mixed === 0) return `${shapes}, nothing mixed yet`;
  return mixed === colours ? `${shapes}, all mixed` : `${shapes}, ${mixed} of ${colours} colours mixed`;
}
