"use client";

import { useState, type ReactNode } from "react";

interface ConflictCardProps {
  readonly title: string;
  readonly children: ReactNode;
  /** What can be done; each answers with words when it did not succeed. */
  readonly onTake?: () => Promise<string | null>;
  readonly onCopy?: () => Promise<string | null>;
  readonly onLetGo: () => Promise<string | null>;
  readonly letGoWords: string;
}

/** Changes that can't be stored by themselves: the painter decides, and nothing is gone before. */
export function ConflictCard({ title, children, onTake, onCopy, onLetGo, letGoWords }: ConflictCardProps) {
  const [busy, setBusy] = useState(false);
  const [words, setWords] = useState<string | null>(null);
  const doing = async (what: () => Promise<string | null>): Promise<void> => {
    setBusy(true);
    setWords(await what().catch(() => "That did not succeed. Is Abendrot still running? Nothing was lost."));
    setBusy(false);
  };
  return (
    <section
      role="alertdialog"
      aria-label={title}
      className="fixed right-5 bottom-24 z-50 w-[26rem] max-w-[calc(100vw-2.5rem)] space-y-3 rounded-box border border-error bg-base-100 p-4 shadow-md"
    >
      <h2 className="name-face text-xl">{title}</h2>
      <div className="leading-snug">{children}</div>
      {words && (
        <p role="alert" className="text-error">
          {words}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        {onCopy && (
          <button type="button" className="btn btn-primary" disabled={busy} onClick={() => void doing(onCopy)}>
            Keep mine as a painting of its own
          </button>
        )}
        {onTake && (
          <button
            type="button"
            className={`btn ${onCopy ? "" : "btn-primary"}`}
            disabled={busy}
            onClick={() => void doing(onTake)}
          >
            Put mine in its place
          </button>
        )}
        <button type="button" className="btn btn-ghost" disabled={busy} onClick={() => void doing(onLetGo)}>
          {letGoWords}
        </button>
      </div>
    </section>
  );
}
