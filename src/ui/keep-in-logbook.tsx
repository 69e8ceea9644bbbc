"use client";

import { NotebookPen } from "lucide-react";
import { useState } from "react";
import { LOGBOOK_URL } from "@/model/addresses";
import type { LogEntry } from "@/model/logbook";
import { askFor, jsonOf } from "./ask";

/** Keeps something as an entry of the logbook by one press, and leads to it. */
export function KeepInLogbook({ words, make }: { words: string; make: () => LogEntry }) {
  const [kept, setKept] = useState<{ readonly id: string; readonly fault: string | null } | null>(null);
  const [busy, setBusy] = useState(false);
  const keep = async (): Promise<void> => {
    setBusy(true);
    const id = crypto.randomUUID();
    const fault = await askFor(LOGBOOK_URL, jsonOf("POST", { id, document: make() }));
    setKept({ id, fault });
    setBusy(false);
  };
  if (kept && !kept.fault)
    return (
      <p role="status" className="flex min-h-[2.2rem] items-center gap-1">
        Kept in the logbook:{" "}
        <a className="link" href={`/logbook?entry=${kept.id}`}>
          look at it
        </a>
      </p>
    );
  return (
    <span>
      <button type="button" className="btn btn-ghost btn-sm" disabled={busy} onClick={() => void keep()}>
        <NotebookPen size={15} aria-hidden /> {words}
      </button>
      {kept?.fault && (
        <span role="alert" className="block leading-snug text-error">
          {kept.fault}
        </span>
      )}
    </span>
  );
}
