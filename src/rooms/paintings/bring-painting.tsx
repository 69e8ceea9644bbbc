"use client";

import { FileUp } from "lucide-react";
import { useRef, useState } from "react";
import { paintingPage } from "@/model/addresses";
import type { BroughtPainting } from "@/model/painting-file";
import { uploadPainting } from "@/ui/upload";

/** Brings a painting that somebody gave as a file, with one's own paints in it. */
export function BringPainting() {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [says, setSays] = useState<{ readonly fault: string } | BroughtPainting | null>(null);
  const bring = async (file: File): Promise<void> => {
    setBusy(true);
    setSays(null);
    const answer = await uploadPainting(file, () => {});
    setBusy(false);
    setSays("message" in answer ? { fault: answer.message } : answer);
  };
  return (
    <div>
      <input
        ref={input}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="A painting's file"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = "";
          if (file) void bring(file);
        }}
      />
      <button type="button" className="btn btn-ghost btn-sm" disabled={busy} onClick={() => input.current?.click()}>
        <FileUp size={15} aria-hidden /> {busy ? "Reading …" : "Bring a painting's file"}
      </button>
      {says && "fault" in says && (
        <p role="alert" className="mt-1 leading-snug text-error">
          {says.fault}
        </p>
      )}
      {says && "id" in says && (
        <p role="status" className="mt-1 max-w-xl leading-snug">
          It came in.{" "}
          <a className="link" href={paintingPage(says.id)}>
            Open it
          </a>
          .{" "}
          {says.instead.length > 0 &&
            `Your own stand for: ${says.instead.map(({ theirs, yours }) => `${theirs} (${yours})`).join(", ")}. `}
          {says.wished.length > 0 && `Not in your box, so wished for: ${says.wished.join(", ")}.`}
        </p>
      )}
    </div>
  );
}
