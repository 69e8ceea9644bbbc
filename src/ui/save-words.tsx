"use client";

import type { SaveState } from "./saver";

/** Saved, saving, or what went wrong and what to do. */
export function SaveWords({ save }: { save: SaveState }) {
  if (save.state === "failed") {
    return (
      <p role="alert" className="max-w-md text-right text-[0.87rem] leading-tight text-error">
        {save.message} {save.final && <button type="button" className="link" onClick={() => window.location.reload()}>Load again</button>}
      </p>
    );
  }
  return <p role="status" className="quiet text-[0.87rem]">{save.state === "saving" ? "Saving …" : "Saved"}</p>;
}
