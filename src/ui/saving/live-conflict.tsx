"use client";

import { paintingPage } from "@/model/addresses";
import type { PaintingDocument } from "@/model/painting";
import type { Saving } from "./autosave";
import { ConflictCard } from "./conflict-card";
import { keepAsCopy } from "./left-behind";

/** Asks the painter when the document that is open was changed elsewhere in the same places, or is gone. */
export function LiveConflict<Document>({
  saving: { state, queue },
  painting,
}: {
  saving: Saving<Document>;
  /** A painting can be kept as one of its own. */
  painting?: { readonly photoId: string; readonly copyOf: () => PaintingDocument };
}) {
  if (state.state !== "conflict" || !queue) return null;
  return (
    <ConflictCard
      title={state.gone ? "This painting was removed in another window" : "Changed in another window too"}
      onTake={
        state.gone
          ? undefined
          : async () => {
              queue.takeMine();
              return null;
            }
      }
      onCopy={
        painting &&
        (async () => {
          const made = await keepAsCopy(painting.photoId, painting.copyOf());
          if ("message" in made) return made.message;
          await queue.letGo();
          window.location.assign(paintingPage(made.id));
          return null;
        })
      }
      onLetGo={async () => {
        await queue.letGo();
        if (state.gone) window.location.assign("/");
        else window.location.reload();
        return null;
      }}
      letGoWords={state.gone ? "Let mine go" : "Let mine go, load the other"}
    >
      <p>{state.message} Until you decide, yours is kept in this browser.</p>
    </ConflictCard>
  );
}
