"use client";

import { useEffect, useMemo, useRef, useState } from "react";
import { DEFAULT_MATCH, paintsInMix, type Lab, type MatchOptions, type Recipe } from "@/core";
import type { MatchReply, MatchRequest } from "@/workers/match-messages";
import { messageOf } from "@/workers/paint-message";
import { useDesk } from "./desk-store";
import type { KnownPaint } from "./paints";

export interface MatchTarget {
  readonly id: string;
  readonly lab: Lab;
}

/** What a match is asked with. */
export interface MatchQuestion {
  readonly targets: readonly MatchTarget[];
  readonly paints: readonly KnownPaint[];
  readonly paperId: string;
  readonly options: MatchOptions;
}

interface MatchListener {
  readonly found: (id: string, recipes: readonly Recipe[], done: number) => void;
  readonly finished: (milliseconds: number) => void;
  readonly failed: (message: string) => void;
}

/** One worker; a new question ends the one before it. */
export class Matcher {
  private worker: Worker | null = null;
  private job = 0;
  private listener: MatchListener | null = null;

  ask({ targets, paints, paperId, options }: MatchQuestion, listener: MatchListener): void {
    this.worker ??= this.start();
    this.listener = listener;
    this.job++;
    this.post({
      kind: "match", job: this.job, paperId, options: { ...options }, targets: [...targets],
      paints: paints.map(messageOf),
    });
  }

  cancel(): void {
    this.listener = null;
    this.job++;
    if (this.worker) this.post({ kind: "cancel" });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
  }

  private post(request: MatchRequest): void {
    this.worker?.postMessage(request);
  }

  private start(): Worker {
    const worker = new Worker(new URL("../workers/match.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<MatchReply>) => {
      if (data.job !== this.job || !this.listener) return;
      if (data.kind === "found") this.listener.found(data.id, data.recipes, data.done);
      else if (data.kind === "finished") this.listener.finished(data.milliseconds);
      else this.listener.failed(data.message);
    };
    worker.onerror = () => this.listener?.failed("The mixing computation stopped. Load the page again.");
    return worker;
  }
}

/** How mixes are sought under the painting's approach. */
export function useMatchOptions(): MatchOptions {
  const approach = useDesk((s) => s.document.approach);
  return useMemo(() => ({ ...DEFAULT_MATCH, valueWeight: approach.valueWeight, maxPigments: approach.maxPigments, maxPaints: paintsInMix(approach) }), [approach]);
}

/** A matcher of one's own for as long as a component is shown. */
export function useMatcher(): Matcher {
  const [matcher] = useState(() => new Matcher());
  useEffect(() => () => matcher.close(), [matcher]);
  return matcher;
}

export type WaysState =
  | { readonly state: "looking" }
  | { readonly state: "found"; readonly recipes: readonly Recipe[] }
  | { readonly state: "failed"; readonly message: string };

/** The best ways to mix one colour, asked anew whenever colour, paints or paper change. */
export function useWays(lab: Lab, paints: readonly KnownPaint[], paperId: string): WaysState {
  const matcher = useMatcher();
  const [answer, setAnswer] = useState<{ key: string; ways: WaysState } | null>(null);
  const options = useMatchOptions();
  const key = JSON.stringify([lab, paperId, options, paints.map((paint) => paint.id)]);
  const latest = useRef(paints);
  useEffect(() => {
    latest.current = paints;
  }, [paints]);
  useEffect(() => {
    const [target, paper, how] = JSON.parse(key) as [Lab, string, MatchOptions];
    const settle = (ways: WaysState): void => setAnswer({ key, ways });
    if (latest.current.length === 0) {
      settle({ state: "found", recipes: [] });
      return;
    }
    matcher.ask(
      { targets: [{ id: "one", lab: target }], paints: latest.current, paperId: paper, options: how },
      { found: (_, recipes) => settle({ state: "found", recipes }), finished: () => {}, failed: (message) => settle({ state: "failed", message }) },
    );
  }, [matcher, key]);
  return answer?.key === key ? answer.ways : { state: "looking" };
}
