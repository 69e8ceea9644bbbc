import { PAINTINGS_URL, paintingCopiesUrl, paintingUrl } from "@/model/addresses";
import type { ShelfRequest } from "@/model/painting";
import { shelfAnswer, type ShelvedPainting } from "@/model/shelf";
import { refusalOf } from "./saving/autosave-queue";

const NO_ANSWER = "Abendrot doesn't answer. Is it still running?";

/** Asks for a change; null when it was done, else what went wrong in words. */
async function ask(url: string, init: RequestInit): Promise<string | null> {
  const response = await fetch(url, init).catch(() => null);
  if (!response) return NO_ANSWER;
  if (response.ok) return null;
  return (await refusalOf(response)).message;
}

export const changePainting = (id: string, change: ShelfRequest): Promise<string | null> =>
  ask(paintingUrl(id), {
    method: "PATCH",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(change),
  });
export const doublePainting = (id: string): Promise<string | null> => ask(paintingCopiesUrl(id), { method: "POST" });
export const removePainting = (id: string): Promise<string | null> => ask(paintingUrl(id), { method: "DELETE" });

/** All paintings as they are stored now; in words, why they could not be read. */
export async function readShelf(): Promise<readonly ShelvedPainting[] | string> {
  const response = await fetch(PAINTINGS_URL, { cache: "no-store" }).catch(() => null);
  if (!response) return NO_ANSWER;
  if (!response.ok) return (await refusalOf(response)).message;
  const answer = shelfAnswer.safeParse(await response.json().catch(() => null));
  return answer.success ? answer.data.shelf : "The paintings could not be read. Load the page again.";
}
