"use client";

import { createContext, createElement, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { type Lab } from "@/core/colour";
import { DEFAULT_MATCH, paintKey, type MatchOptions, type Recipe } from "@/core/mixing";
import { paintsInMix } from "@/core/palette";
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

/** The desk's one match worker, whose tables serve every question; each is answered to whoever asked. */
export class MatchDesk {
  private worker: Worker | null = null;
  private job = 0;
  private readonly listeners = new Map<number, MatchListener>();

  /** Asks, and returns the job's number. */
  ask({ targets, paints, paperId, options }: MatchQuestion, listener: MatchListener): number {
    this.worker ??= this.start();
    const job = ++this.job;
    this.listeners.set(job, listener);
    this.post({ kind: "match", job, paperId, options: { ...options }, targets: [...targets], paints: paints.map(messageOf) });
    return job;
  }

  cancel(job: number): void {
    if (this.listeners.delete(job)) this.post({ kind: "cancel", job });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.listeners.clear();
  }

  private post(request: MatchRequest): void {
    this.worker?.postMessage(request);
  }

  private start(): Worker {
    const worker = new Worker(new URL("../../workers/match.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<MatchReply>) => {
      const listener = this.listeners.get(data.job);
      if (data.kind === "found") return listener?.found(data.id, data.recipes, data.done);
      this.listeners.delete(data.job);
      if (data.kind === "finished") listener?.finished(data.milliseconds);
      else listener?.failed(data.message);
    };
    worker.onerror = () => {
      const all = [...this.listeners.values()];
      this.close();
      for (const listener of all) listener.failed("The mixing computation stopped. Load the page again.");
    };
    return worker;
  }
}

const MatchContext = createContext<MatchDesk | null>(null);

/** Keeps one match worker for the whole desk, started at the first question. */
export function MatchProvider({ children }: { children: ReactNode }) {
  const [desk] = useState(() => new MatchDesk());
  useEffect(() => () => desk.close(), [desk]);
  return createElement(MatchContext.Provider, { value: desk }, children);
}

/** One asker: a new question of its own ends the one before it. */
export class Matcher {
  private job = 0;

  constructor(private readonly desk: MatchDesk) {}

  ask(question: MatchQuestion, listener: MatchListener): void {
    this.cancel();
    this.job = this.desk.ask(question, listener);
  }

  cancel(): void {
    this.desk.cancel(this.job);
  }
}

/** How mixes are sought under the painting's approach. */
export function useMatchOptions(): MatchOptions {
  const approach = useDesk((s) => s.document.approach);
  return useMemo(() => ({ ...DEFAULT_MATCH, valueWeight: approach.valueWeight, maxPigments: approach.maxPigments, maxPaints: paintsInMix(approach) }), [approach]);
}

/** An asker of one's own for as long as a component is shown. */
export function useMatcher(): Matcher {
  const desk = useContext(MatchContext);
  if (!desk) throw new Error("Only usable on the desk.");
  const [matcher] = useState(() => new Matcher(desk));
  useEffect(() => () => matcher.cancel(), [matcher]);
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
  const key = JSON.stringify([lab, paperId, options, paints.map(({ model }) => paintKey(model))]);
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
