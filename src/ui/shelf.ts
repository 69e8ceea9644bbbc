import { PAINTINGS_URL, paintingCopiesUrl, paintingUrl } from "@/model/addresses";
import type { ShelfRequest } from "@/model/painting";
import { shelfAnswer, type ShelvedPainting } from "@/model/shelf";
import { answerOf, askFor, jsonOf } from "./ask";

export const changePainting = (id: string, change: ShelfRequest): Promise<string | null> =>
  askFor(paintingUrl(id), jsonOf("PATCH", change));
export const doublePainting = (id: string): Promise<string | null> => askFor(paintingCopiesUrl(id), { method: "POST" });
export const removePainting = (id: string): Promise<string | null> => askFor(paintingUrl(id), { method: "DELETE" });

/** All paintings as they are stored now; in words, why they could not be read. */
export async function readShelf(): Promise<readonly ShelvedPainting[] | string> {
  const response = await answerOf(PAINTINGS_URL, { cache: "no-store" });
  if (typeof response === "string") return response;
  const answer = shelfAnswer.safeParse(await response.json().catch(() => null));
  return answer.success ? answer.data.shelf : "The paintings could not be read. Load the page again.";
}
