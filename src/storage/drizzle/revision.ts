import type { SaveStamp } from "@/model/revision";
import { RevisionConflict, WholeNeeded } from "../ports";

/** The save that is stored. */
interface StoredSave {
  readonly revision: number;
  readonly writer: string | null;
  readonly step: number;
}

/**
 * What becomes of a save: "write" it, or "pass" it over since the same writer's has been stored
 * already (this one, or a later one). Throws RevisionConflict when somebody else has written since.
 */
export function judgeSave(stored: StoredSave, { revision, writer, step }: SaveStamp): "write" | "pass" {
  if (stored.writer === writer) return step > stored.step ? "write" : "pass";
  if (stored.revision !== revision) throw new RevisionConflict();
  return "write";
}

/**
 * The same of a part of a document, which can only be stored upon the revision that it was made from. Throws
 * WholeNeeded where the same writer has stored something else since, whose answer got lost.
 */
export function judgePart(stored: StoredSave, stamp: SaveStamp): "write" | "pass" {
  const judged = judgeSave(stored, stamp);
  if (judged === "write" && stored.revision !== stamp.revision) throw new WholeNeeded();
  return judged;
}
