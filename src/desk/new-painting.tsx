"use client";

import { ImagePlus } from "lucide-react";
import { useRef, useState } from "react";
import { uploadPhoto } from "./upload";

/** Brings in the painter's own photo; the new painting opens, a refused photo is explained. */
export function NewPainting({ className = "btn btn-sm", words = "Your photo" }: { className?: string; words?: string }) {
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const bring = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    setBusy(true);
    setFault(null);
    const result = await uploadPhoto(file);
    if ("id" in result) window.location.assign(`/painting/${result.id}`);
    else {
      setFault(result.message);
      setBusy(false);
    }
  };
  return (
    <div className="relative">
      <button type="button" className={className} disabled={busy} onClick={() => input.current?.click()}>
        <ImagePlus size={16} /> {busy ? "Developing …" : words}
      </button>
      <input
        ref={input} type="file" accept="image/jpeg,image/png,image/webp" className="hidden" aria-label="Photo file" tabIndex={-1}
        onChange={(event) => {
          void bring(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      {fault && (
        <div role="alert" className="absolute top-full right-0 z-40 mt-2 w-80 rounded-box border border-error bg-base-100 p-4 shadow-md">
          <p>{fault}</p>
          <button type="button" className="btn btn-sm mt-3" onClick={() => setFault(null)}>All right</button>
        </div>
      )}
    </div>
  );
}
