"use client";

import { FileDown, FileUp } from "lucide-react";
import { useRef, useState } from "react";
import { LOGBOOK_URL } from "@/model/addresses";
import { readingsFile, swatchesTable, type LogFileTaken } from "@/model/log-file";
import type { StoredLogEntry } from "@/model/logbook";
import { counted } from "@/model/text";
import { answerOf } from "@/ui/ask";
import { offerFile } from "@/ui/offer-file";

const takenWords = ({ added, same, kept, lost }: LogFileTaken): string =>
  [
    added > 0 ? `${counted(added, "page")} came in` : "",
    same > 0 ? `${counted(same, "page")} stood here already` : "",
    kept > 0 ? `${counted(kept, "page")} stand here otherwise and stay as they are` : "",
    lost > 0 ? `${counted(lost, "photo")} had been gone where the file was made` : "",
  ]
    .filter(Boolean)
    .join("; ") || "The file holds no page.";

/** The book as a file, and a file brought back into it. */
export function FileBar({ entries, onTaken }: { entries: readonly StoredLogEntry[]; onTaken: () => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [says, setSays] = useState<{ readonly words: string; readonly fault: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const bring = async (file: File): Promise<void> => {
    setBusy(true);
    setSays(null);
    const answer = await answerOf(`${LOGBOOK_URL}/file`, { method: "POST", body: file });
    setBusy(false);
    if (typeof answer === "string") return setSays({ words: answer, fault: true });
    setSays({ words: `${takenWords((await answer.json()) as LogFileTaken)}.`, fault: false });
    onTaken();
  };
  return (
    <section
      aria-label="The book as a file"
      className="mt-8 flex flex-wrap items-center gap-2 border-t border-(--hairline) pt-4"
    >
      <span className="quiet mr-2">The book as a file</span>
      <a className="btn btn-outline btn-sm" href={`${LOGBOOK_URL}/file`} download>
        <FileDown size={15} aria-hidden /> All of it, with photos
      </a>
      <button
        type="button"
        className="btn btn-outline btn-sm"
        onClick={() => offerFile("swatches.csv", "text/csv", swatchesTable(entries))}
      >
        Swatches as CSV
      </button>
      <button
        type="button"
        className="btn btn-outline btn-sm"
        onClick={() => offerFile("readings.cgats", "text/plain", readingsFile(entries))}
      >
        Readings as CGATS
      </button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="A logbook's file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = "";
          if (file) void bring(file);
        }}
      />
      <button type="button" className="btn btn-ghost btn-sm" disabled={busy} onClick={() => input.current?.click()}>
        <FileUp size={15} aria-hidden /> {busy ? "Reading …" : "Bring a logbook's file"}
      </button>
      {says && (
        <p role={says.fault ? "alert" : "status"} className={`w-full leading-snug ${says.fault ? "text-error" : ""}`}>
          {says.words}
        </p>
      )}
    </section>
  );
}
