"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import type { PackedBox } from "@/core/palette";
import { paintingWantedUrl } from "@/model/addresses";
import { wantedAnswer, type WantedAnswer } from "@/model/wanted";
import { answerOf } from "@/ui/ask";
import { paletteWorker } from "@/workers/start";
import { heard, WorkerStopped } from "@/workers/worker-link";
import type { PackQuestion } from "./packing";

/** The colours of paintings by their ids, each asked for once; in words, why one could not be read. */
export function useWanted(ids: readonly string[]): {
  readonly wanted: readonly WantedAnswer[];
  readonly reading: boolean;
  readonly fault: string | null;
} {
  const [known, setKnown] = useState<ReadonlyMap<string, WantedAnswer | string>>(new Map());
  const asked = useRef(new Set<string>());
  useEffect(() => {
    for (const id of ids) {
      if (asked.current.has(id)) continue;
      asked.current.add(id);
      void readWanted(id).then((answer) => setKnown((now) => new Map(now).set(id, answer)));
    }
  }, [ids]);
  return useMemo(() => {
    const answers = ids.map((id) => known.get(id));
    return {
      wanted: answers.filter((answer) => typeof answer === "object"),
      reading: answers.includes(undefined),
      fault: answers.find((answer) => typeof answer === "string") ?? null,
    };
  }, [ids, known]);
}

async function readWanted(id: string): Promise<WantedAnswer | string> {
  const response = await answerOf(paintingWantedUrl(id), { cache: "no-store" });
  if (typeof response === "string") return response;
  const answer = wantedAnswer.safeParse(await response.json().catch(() => null));
  return answer.success ? answer.data : "A painting could not be read. Load the page again.";
}

/** A box that was packed, and for which question. */
export interface Packed {
  readonly question: PackQuestion;
  /** Null where no box of that size can be packed. */
  readonly box: PackedBox | null;
}

export interface PackingState {
  readonly packed: Packed | null;
  readonly state: "working" | "done" | "failed";
  readonly share: number;
  readonly fault: string;
}

/** A number is stepped through before it stands. */
const SETTLE_MS = 200;

/** Packs the box anew whenever the question changes; what was found before stays until then. */
export function usePacked(question: PackQuestion | null): PackingState {
  const [found, setFound] = useState<PackingState>({ packed: null, state: "done", share: 0, fault: "" });
  const [worker] = useState(paletteWorker);
  useEffect(() => () => worker.stop(), [worker]);
  const busyWith = useRef("");
  useEffect(() => {
    if (!question || question.openings.length === 0) return;
    let stale = false;
    const openings = JSON.stringify(question.openings);
    const timer = setTimeout(() => {
      // What is still being weighed for other paintings is waited for by nobody.
      if (busyWith.current !== "" && busyWith.current !== openings) worker.stop();
      busyWith.current = openings;
      setFound((now) => ({ ...now, state: "working", share: 0 }));
      const progress = heard((share: number) => {
        if (!stale) setFound((now) => (now.state === "working" ? { ...now, share } : now));
      });
      worker
        .ask("pack", question.openings, question.choice, progress)
        .then((box) => {
          if (busyWith.current === openings) busyWith.current = "";
          if (!stale) setFound({ packed: { question, box }, state: "done", share: 1, fault: "" });
        })
        .catch((error: unknown) => {
          if (stale || error instanceof WorkerStopped) return;
          busyWith.current = "";
          setFound((now) => ({
            ...now,
            state: "failed",
            fault: error instanceof Error ? error.message : String(error),
          }));
        });
    }, SETTLE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [question, worker]);
  return found;
}
