import type { SaveStamp } from "@/model/revision";
import { RevisionConflict } from "../ports";

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
