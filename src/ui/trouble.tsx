"use client";

import { X } from "lucide-react";
import { createStore, useStore } from "zustand";
import { WorkerStopped } from "@/workers/worker-link";

const troubles = createStore<{ readonly words: string | null }>(() => ({ words: null }));

/** What could not be done in the background, told to the painter; a question that was taken back is no trouble. */
export function tellTrouble(what: string, error: unknown): void {
  if (error instanceof WorkerStopped) return;
  console.error(what, error);
  troubles.setState({
    words: `${what} ${error instanceof Error && error.message ? `(${error.message.replace(/\.$/, "")})` : ""}. Load the page again; what is stored is untouched.`,
  });
}

/** The same, as what a promise does when it fails. */
export const troubleWith =
  (what: string) =>
  (error: unknown): void =>
    tellTrouble(what, error);

/** Error messages that are shown until they are dismissed. */
export function TroubleLine() {
  const words = useStore(troubles, (s) => s.words);
  if (!words) return null;
  return (
    <div
      role="alert"
      className="fixed bottom-4 left-4 z-50 flex max-w-lg items-start gap-2 rounded-box border border-error bg-base-100 p-3 shadow-md"
    >
      <p className="leading-snug">{words}</p>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label="Put this away"
        onClick={() => troubles.setState({ words: null })}
      >
        <X size={14} />
      </button>
    </div>
  );
}
