"use client";

import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { valueRange } from "@/core/mixing";
import type { GamutTable } from "@/core/palette";
import type { Laid, ReachAnswers, ReachApi, ReachQuestions } from "@/workers/reach-api";
import { reachWorker } from "@/workers/start";
import type { WorkerLink } from "@/workers/worker-link";
import { messageOf } from "@/workers/paint-message";
import { LIMITS } from "@/model/limits";
import { tellTrouble } from "@/ui/trouble";
import { useDesk } from "./desk-store";
import { usePaints, usePaper } from "./paints";
import { useCurve, useWish } from "./targets";

const ReachContext = createContext<WorkerLink<ReachApi> | null>(null);

/** The worker that knows what palettes reach, for the whole desk. */
export function ReachProvider({ children }: { children: ReactNode }) {
  const [worker] = useState(reachWorker);
  useEffect(() => () => worker.stop(), [worker]);
  return <ReachContext.Provider value={worker}>{children}</ReachContext.Provider>;
}

/** The palette that is looked at: the one tried in thought, or the tray's. */
export function useLookedAt(): readonly string[] {
  const palette = useDesk((s) => s.document.palette);
  return useDesk((s) => s.tried) ?? palette;
}

/** Values that it makes on the painting's paper, from its darkest to bare paper. */
export function useRangeLookedAt(): ReturnType<typeof valueRange> {
  const lookedAt = useLookedAt();
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(
    () =>
      valueRange(
        lookedAt.flatMap((id) => paints.get(id)?.model ?? []),
        paper,
      ),
    [lookedAt, paints, paper],
  );
}

/** That palette as it is sent to the worker; null when there is no paint in it. */
export function useLaid(only?: readonly string[]): Laid | null {
  const paints = usePaints();
  const paper = usePaper();
  const lookedAt = useLookedAt();
  const ids = only ?? lookedAt;
  const key = JSON.stringify(ids);
  return useMemo(() => {
    const own = (JSON.parse(key) as string[]).flatMap((id) => paints.get(id) ?? []).slice(0, LIMITS.trayPaints);
    if (own.length === 0) return null;
    return { paperId: paper.id, paints: own.map(messageOf) };
  }, [key, paints, paper]);
}

/** Asks the reach worker whenever the question changes; the answer before stays until the new one is there. */
export function useReach<K extends keyof ReachQuestions>(
  kind: K,
  question: ReachQuestions[K] | null,
): { readonly answer: ReachAnswers[K] | null; readonly fault: string | null } {
  const worker = useContext(ReachContext);
  const [state, setState] = useState<{ answer: ReachAnswers[K] | null; fault: string | null }>({
    answer: null,
    fault: null,
  });
  const key = JSON.stringify(question);
  const busy = useRef(false);
  const next = useRef<string | null>(null);
  useEffect(() => {
    if (!worker || key === "null") return;
    let left = false;
    // A slider asks faster than is answered: only the newest question waits.
    next.current = key;
    const go = async (): Promise<void> => {
      if (busy.current) return;
      busy.current = true;
      while (next.current !== null) {
        const asked = JSON.parse(next.current) as ReachQuestions[K];
        next.current = null;
        await worker.ask(kind, ...([asked] as Parameters<ReachApi[K]>)).then(
          (answer) => setState({ answer: answer as ReachAnswers[K], fault: null }),
          (error: unknown) =>
            !left && setState({ answer: null, fault: error instanceof Error ? error.message : String(error) }),
        );
      }
      busy.current = false;
    };
    void go();
    return () => {
      left = true;
    };
  }, [worker, kind, key]);
  return state;
}

/** The photo's colours through the palette, computed while that is how the photo is seen. */
export function useGamutTable(): GamutTable | null {
  const seeing = useDesk((s) => s.seeing);
  const wish = useWish();
  const valueWeight = useDesk((s) => s.document.approach.valueWeight);
  const laid = useLaid();
  const curve = useCurve();
  const { answer, fault } = useReach(
    "cube",
    seeing === "palette" && laid
      ? { laid, valueWeight, wish, curve: [curve[0], curve[1], curve[2], curve[3], curve[4]] }
      : null,
  );
  useEffect(() => {
    if (fault) tellTrouble("The photo could not be shown in paint", new Error(fault));
  }, [fault]);
  return laid ? answer : null;
}
