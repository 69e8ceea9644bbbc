"use client";

import { useEffect, useRef, useState } from "react";
import type { PaletteReply, PaletteRequest } from "@/workers/palette-messages";

export type FoundSize = Extract<PaletteReply, { kind: "size" }>["choice"];

export interface Choosing {
  readonly state: "idle" | "running" | "done" | "failed";
  readonly words: string;
  readonly share: number;
  readonly sizes: readonly FoundSize[];
  /** The question that `sizes` answer. */
  readonly question: Omit<PaletteRequest, "job"> | null;
}

const IDLE: Choosing = { state: "idle", words: "", share: 0, sizes: [], question: null };

/** Asks a worker of its own for the best palettes; a new question or a stop ends the one before. */
export function useChooser(): { choosing: Choosing; ask: (question: Omit<PaletteRequest, "job">) => void; stop: () => void } {
  const [choosing, setChoosing] = useState<Choosing>(IDLE);
  const worker = useRef<Worker | null>(null);
  useEffect(() => () => worker.current?.terminate(), []);

  const ask = (question: Omit<PaletteRequest, "job">): void => {
    worker.current?.terminate();
    const own = new Worker(new URL("../../workers/palette.worker.ts", import.meta.url), { type: "module" });
    worker.current = own;
    setChoosing({ ...IDLE, state: "running", words: "Beginning", question });
    own.onmessage = ({ data }: MessageEvent<PaletteReply>) => setChoosing((now) => {
      if (worker.current !== own) return now;
      if (data.kind === "progress") return { ...now, words: data.words, share: data.share };
      if (data.kind === "size") return { ...now, sizes: [...now.sizes, data.choice] };
      if (data.kind === "failed") return { ...now, state: "failed", words: data.message };
      return { ...now, state: "done", words: `Found in ${(data.milliseconds / 1000).toFixed(1)} s`, share: 1 };
    });
    own.onerror = () => setChoosing((now) => ({ ...now, state: "failed", words: "The search stopped. Load the page again." }));
    own.postMessage({ job: 1, ...question });
  };
  const stop = (): void => {
    worker.current?.terminate();
    worker.current = null;
    setChoosing((now) => ({ ...now, state: now.sizes.length > 0 ? "done" : "idle", words: "Stopped. The sizes found so far are proven; larger ones were not looked for." }));
  };
  return { choosing, ask, stop };
}
