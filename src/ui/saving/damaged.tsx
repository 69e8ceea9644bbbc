"use client";

import { useState } from "react";
import { COPIES_URL } from "@/model/addresses";
import type { DatedCopy } from "@/model/backup";
import { askFor, jsonOf } from "../ask";
import { sizeWords, whenWords } from "../copy-words";

/** The way back from a database that can't be read: the newest copy, or an older one. */
export function Damaged({ copies, nowIso }: { copies: readonly DatedCopy[]; nowIso: string }) {
  const [chosen, setChosen] = useState(copies[0]?.name ?? "");
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [newest] = copies;
  const now = new Date(nowIso);
  if (!newest)
    return (
      <p className="mt-3">
        There is no dated copy yet. Stop Abendrot, put a copy of the folder in its place and start again; keep the
        damaged one until you know that the copy is whole.
      </p>
    );
  const restore = async (): Promise<void> => {
    setBusy(true);
    setFault(null);
    const wrong = await askFor(COPIES_URL, jsonOf("POST", { name: chosen }));
    if (wrong === null) return window.location.reload();
    setBusy(false);
    setFault(wrong);
  };
  return (
    <div className="mt-4">
      <p>The newest copy is of {whenWords(newest.madeAt, now)}. Your photos are untouched.</p>
      <label className="mt-3 flex items-center gap-3">
        Copy
        <select className="select w-72" value={chosen} onChange={({ target }) => setChosen(target.value)}>
          {copies.map(({ name, madeAt, bytes }) => (
            <option key={name} value={name}>
              {whenWords(madeAt, now)} ({sizeWords(bytes)})
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn btn-primary mt-4" disabled={busy} onClick={() => void restore()}>
        {busy ? "Putting it back …" : "Put this copy back"}
      </button>
      <p className="quiet mt-3">The damaged database is kept beside it, under another name.</p>
      {fault && (
        <p role="alert" className="mt-3 text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
