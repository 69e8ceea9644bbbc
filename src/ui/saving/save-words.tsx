"use client";

import type { SaveState } from "./autosave-queue";

/** Saved, saving, or what went wrong; and what the document would not take, if anything. */
export function SaveWords({ state, refused }: { state: SaveState; refused: string | null }) {
  if (state.state === "failed")
    return (
      <p role="alert" className="max-w-md text-right text-[0.87rem] leading-tight text-error">
        {state.message}
      </p>
    );
  if (state.state === "conflict")
    return (
      <p role="status" className="text-[0.87rem] text-error">
        Not saved
      </p>
    );
  if (refused)
    return (
      <p role="alert" className="max-w-md text-right text-[0.87rem] leading-tight text-error">
        {refused}
      </p>
    );
  return (
    <p role="status" className="quiet text-[0.87rem]">
      {state.state === "saving" ? "Saving …" : "Saved"}
    </p>
  );
}
