"use client";

import { createContext, createElement, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { type Lab } from "@/core/colour";
import { DEFAULT_MATCH, paintKey, type Laying, type MatchOptions, type Recipe } from "@/core/mixing";
import { approachPolicy } from "@/core/palette";
import type { StoredRecipe } from "@/model/painting";
import type { MatchApi } from "@/workers/match-api";
import { matchWorker } from "@/workers/start";
import { heard, WorkerStopped, type WorkerLink } from "@/workers/worker-link";
import { messageOf } from "@/workers/paint-message";
import { useDesk } from "./desk-store";
import { useHand, usePaper, type KnownPaint, type LaidWash } from "./paints";

interface MatchTarget extends Laying {
  readonly id: string;
  readonly lab: Lab;
}

/** What a match is asked with. */
export interface MatchQuestion {
  readonly targets: readonly MatchTarget[];
  readonly paints: readonly KnownPaint[];
  readonly paperId: string;
  readonly options: MatchOptions;
  /** A dried wash that the mixes are laid over. */
  readonly over?: LaidWash | null;
}

/** Over another wash two paints are enough, and their table is quickly made. */
const MOST_OVER = 2;

interface MatchListener {
  readonly found: (id: string, recipes: readonly Recipe[], done: number) => void;
  readonly finished: (milliseconds: number) => void;
  readonly failed: (message: string) => void;
}

/** The desk's one match worker, whose tables serve every question; each is answered to whoever asked. */
export class MatchDesk {
  private job = 0;
  /** Jobs that still wait for their end. */
  private readonly open = new Set<number>();

  constructor(private readonly worker: WorkerLink<MatchApi> = matchWorker()) {}

  /** Asks, and returns the job's number. */
  ask({ targets, paints, paperId, options, over = null }: MatchQuestion, listener: MatchListener): number {
    const job = ++this.job;
    this.open.add(job);
    const found = heard(
      (id: string, recipes: readonly Recipe[], done: number) =>
        void (this.open.has(job) && listener.found(id, recipes, done)),
    );
    this.worker
      .ask(
        "match",
        job,
        {
          paperId,
          options: over
            ? { ...options, maxPaints: options.maxPaints > MOST_OVER ? MOST_OVER : options.maxPaints }
            : { ...options },
          targets: [...targets],
          paints: paints.map(messageOf),
          over: over && {
            parts: over.parts.map(({ paint, parts }) => ({ paint: messageOf(paint), parts })),
            waterParts: over.waterParts,
          },
        },
        found,
      )
      .then(
        (milliseconds) => void (this.open.delete(job) && milliseconds !== null && listener.finished(milliseconds)),
        (error: Error) =>
          void (this.open.delete(job) && !(error instanceof WorkerStopped) && listener.failed(error.message)),
      );
    return job;
  }

  cancel(job: number): void {
    if (this.open.delete(job)) void this.worker.ask("cancel", job).catch(() => {});
  }

  close(): void {
    this.open.clear();
    this.worker.stop();
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

/** A colour to mix, and the colour whose dried wash it is laid over. */
export interface ColourToMix extends MatchTarget {
  readonly overId: string | null;
}

/** How the mixing of several colours is told. */
interface MixingListener {
  readonly progress: (done: number) => void;
  readonly finished: (found: ReadonlyMap<string, StoredRecipe>, milliseconds: number) => void;
  readonly failed: (message: string) => void;
}

/**
 * Finds the closest recipe for each colour: first washes before those over them. `laid` are recipes that
 * stand already, for what is laid over one of those.
 */
export function mixColours(
  matcher: Matcher,
  colours: readonly ColourToMix[],
  { options, ...question }: Omit<MatchQuestion, "targets" | "over">,
  laid: ReadonlyMap<string, LaidWash>,
  washOf: (recipe: StoredRecipe) => LaidWash | null,
  { progress, finished, failed }: MixingListener,
): void {
  const found = new Map<string, StoredRecipe>();
  const first = colours.filter(({ overId }) => overId === null);
  const later = [...new Set(colours.flatMap(({ overId }) => overId ?? []))];
  const stages: readonly (readonly [string | null, readonly ColourToMix[]])[] = [
    ...(first.length > 0 ? [[null, first] as const] : []),
    ...later.map((id) => [id, colours.filter(({ overId }) => overId === id)] as const),
  ];
  let took = 0;
  const run = (stage: number): void => {
    if (stage === stages.length) return finished(found, took);
    const [overId, targets] = stages[stage]!;
    const below = overId === null ? undefined : found.get(overId);
    const over = overId === null ? null : below ? washOf(below) : (laid.get(overId) ?? null);
    matcher.ask(
      { ...question, targets, options: { ...options, ways: 1 }, over },
      {
        found: (id, [best]) => {
          if (best) found.set(id, { parts: [...best.parts], waterParts: best.waterParts });
          progress(found.size);
        },
        finished: (milliseconds) => {
          took += milliseconds;
          run(stage + 1);
        },
        failed,
      },
    );
  };
  run(0);
}

/** How mixes of some paints are sought under the painting's approach. */
export function useMatchOptions(paints: readonly KnownPaint[]): MatchOptions {
  const approach = useDesk((s) => s.document.approach);
  const hand = useHand();
  const paper = usePaper();
  return useMemo(() => {
    const models = paints.map(({ model }) => model);
    const policy = approachPolicy(approach, models, paper);
    const { valueWeight, effort, maxPigments, maxPaints } = policy.mixing;
    const reluctance = Object.fromEntries(models.map(({ id }, i) => [id, policy.paints[i]!.reluctance]));
    return { ...DEFAULT_MATCH, hand, valueWeight, effort, maxPigments, maxPaints, reluctance };
  }, [approach, hand, paints, paper]);
}

/** The desk's match worker. */
function useMatchDesk(): MatchDesk {
  const desk = useContext(MatchContext);
  if (!desk) throw new Error("Only usable on the desk.");
  return desk;
}

/** An asker of one's own for as long as a component is shown. */
export function useMatcher(): Matcher {
  const desk = useMatchDesk();
  const [matcher] = useState(() => new Matcher(desk));
  useEffect(() => () => matcher.cancel(), [matcher]);
  return matcher;
}

export type WaysState =
  | { readonly state: "looking" }
  | { readonly state: "found"; readonly recipes: readonly Recipe[] }
  | { readonly state: "failed"; readonly message: string };

/** The best ways to mix one colour, asked anew whenever colour, paints or paper change. */
export function useWays(
  lab: Lab,
  paints: readonly KnownPaint[],
  paperId: string,
  laying: Laying,
  over: LaidWash | null = null,
): WaysState {
  const matcher = useMatcher();
  const [answer, setAnswer] = useState<{ key: string; ways: WaysState } | null>(null);
  const options = useMatchOptions(paints);
  const below = over && [over.parts.map(({ paint, parts }) => [paintKey(paint.model), parts]), over.waterParts];
  const key = JSON.stringify([
    lab,
    laying,
    paperId,
    options,
    paints.map(({ model }) => [paintKey(model), model.strongest]),
    below,
  ]);
  const latest = useRef({ paints, over });
  useEffect(() => {
    latest.current = { paints, over };
  }, [paints, over]);
  useEffect(() => {
    const [target, how, paper, options] = JSON.parse(key) as [Lab, Laying, string, MatchOptions];
    const settle = (ways: WaysState): void => setAnswer({ key, ways });
    const { paints: from, over: ground } = latest.current;
    if (from.length === 0) {
      settle({ state: "found", recipes: [] });
      return;
    }
    matcher.ask(
      {
        targets: [{ id: "one", lab: target, ...how }],
        paints: from,
        paperId: paper,
        options,
        over: ground,
      },
      {
        found: (_, recipes) => settle({ state: "found", recipes }),
        finished: () => {},
        failed: (message) => settle({ state: "failed", message }),
      },
    );
  }, [matcher, key]);
  return answer?.key === key ? answer.ways : { state: "looking" };
}
