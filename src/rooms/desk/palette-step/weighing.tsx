"use client";

import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { farthestPointSample, type Stock } from "@/core/mixing";
import {
  approachPolicy,
  isKind,
  isLarge,
  MOST_WEIGHED,
  SIZE_RANGE,
  traitsOf,
  type FoundSize,
  type PaintTraits,
  type PaletteChoice,
  type PaletteStage,
  type ServedPalette,
} from "@/core/palette";
import { MOST_CHOSEN_FROM, type Opening, type PaletteApi } from "@/workers/palette-api";
import { openingOf } from "@/workers/palette-question";
import { paletteWorker } from "@/workers/start";
import { heard, QuestionLeft, WorkerStopped, type WorkerLink } from "@/workers/worker-link";
import { stocksOf } from "@/model/stock";
import { troubleWith } from "@/ui/trouble";
import { useToday } from "@/ui/use-today";
import type { LeftOutWhy } from "../at-hand";
import { useDesk } from "../desk-store";
import { useAtHand, useHand, useLeftOut, usePaints, usePaper, type KnownPaint } from "../paints";
import { useWantedColours } from "../targets";
import { stageWords } from "./words";

const SIZES = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
/** From more paints than this the sizes that one is recommended from are answered first. */
const ANSWERED_AT_ONCE = 40;
/** A slider's steps are waited out. */
const SETTLE_MS = 120;

type PaletteWorker = WorkerLink<PaletteApi>;

/** A paint that the approach leaves out, and why. */
interface LeftOut {
  readonly paint: KnownPaint;
  readonly why: LeftOutWhy;
}

/** What is weighed and found for the painting's palette; kept while the desk is open. */
export interface PaletteWeighing {
  /** The paints, in the order by which answers name them. */
  readonly paints: readonly KnownPaint[];
  readonly traits: readonly PaintTraits[];
  /** What is known of them beside their colour. */
  readonly stocks: readonly Stock[];
  /** What palettes are chosen under. */
  readonly choice: PaletteChoice;
  /** Those that may be chosen. */
  readonly choosable: readonly number[];
  readonly leftOut: readonly LeftOut[];
  /** Kinds that the approach asks for and no paint at hand is of. */
  readonly missing: readonly string[];
  readonly state: "working" | "done" | "stopped" | "failed";
  readonly words: string;
  readonly sizes: readonly FoundSize[];
  /** Rises whenever something else is weighed; 0 until there is anything to ask. */
  readonly opened: number;
  /** True while the worker weighs just what is shown: indices mean the same to both. */
  readonly ready: boolean;
  /** Names of the colours that the answers are about, in their order. */
  readonly areaNames: readonly string[];
  readonly ask: PaletteWorker["ask"];
  readonly stop: () => void;
  readonly again: () => void;
  readonly idsOf: (palette: readonly number[]) => readonly string[];
  /** A palette as indices; paints that have left the box are passed over. */
  readonly indicesOf: (ids: readonly string[]) => readonly number[];
}

const WeighingContext = createContext<PaletteWeighing | null>(null);

/** What is weighed and found for the palette of the painting on the desk. */
export function useWeighing(): PaletteWeighing {
  const weighing = useContext(WeighingContext);
  if (!weighing) throw new Error("Only usable on the desk.");
  return weighing;
}

/** How far the weighing is: told many times a second, so apart from what is found. */
interface WeighingProgress {
  /** What it is at, in words. */
  readonly words: string;
  /** What of 1 is done. */
  readonly share: number;
}
const NOT_BEGUN: WeighingProgress = { words: "", share: 0 };
const ProgressContext = createContext<WeighingProgress>(NOT_BEGUN);
export const useWeighingProgress = (): WeighingProgress => useContext(ProgressContext);

/** The paints to weigh: at hand (of very many the most different), in the tray, kept and wanted. */
function useWeighedPaints(): { readonly paints: readonly KnownPaint[]; readonly atHand: ReadonlySet<string> } {
  const all = usePaints();
  const mixable = useAtHand();
  const paper = usePaper();
  const palette = useDesk((s) => s.document.palette);
  const palettes = useDesk((s) => s.document.palettes);
  const must = useDesk((s) => s.document.rules.must);
  const needed = useMemo(
    () => JSON.stringify([...new Set([...palette, ...must, ...palettes.flatMap((kept) => kept.paints)])]),
    [palette, palettes, must],
  );
  return useMemo(() => {
    const kept = new Set(
      farthestPointSample(
        mixable.map(({ model }) => model),
        MOST_CHOSEN_FROM,
        paper,
      ),
    );
    const wanted = JSON.parse(needed) as string[];
    const atHand = mixable.filter(({ model }) => kept.has(model)).map(({ id }) => id);
    // The tray and what must be in it come first; kept palettes beyond what can be weighed are passed over.
    const chosen = new Set([...wanted, ...atHand].slice(0, MOST_WEIGHED));
    const paints = [...all.values()].filter(({ id }) => chosen.has(id));
    return { paints, atHand: new Set(atHand.filter((id) => chosen.has(id))) };
  }, [all, mixable, paper, needed]);
}

/** What names a list of paints whose places stand for them. */
const idsOfPaints = (paints: readonly { readonly id: string }[]): string => paints.map(({ id }) => id).join();

/** What to weigh and what to choose under the painting's approach and rules. */
function useQuestion() {
  const { paints, atHand } = useWeighedPaints();
  const paper = usePaper();
  const approach = useDesk((s) => s.document.approach);
  const hand = useHand();
  const rules = useDesk((s) => s.document.rules);
  const leftOut = useLeftOut();
  const wanted = useWantedColours();
  const today = useToday();
  const stocks = useMemo(() => stocksOf(paints, rules.mood, today), [paints, rules.mood, today]);
  const traits = useMemo(
    () =>
      traitsOf(
        paints.map(({ model }) => model),
        paper,
      ),
    [paints, paper],
  );
  const policy = useMemo(
    () =>
      approachPolicy(
        approach,
        paints.map(({ model }) => model),
        paper,
      ),
    [approach, paints, paper],
  );
  return useMemo(() => {
    const usual = openingOf(
      policy,
      hand,
      paper.id,
      paints,
      stocks,
      wanted.map(({ lab, weight, areaCm2, character }) => ({ lab, weight, areaCm2, character })),
    );
    const indices = (ids: readonly string[]): number[] => paints.flatMap(({ id }, i) => (ids.includes(id) ? [i] : []));
    // What the painter keeps is mixed in any case: its paints lie in every palette.
    const kept = wanted.flatMap(({ recipe }) => (recipe?.pinned ? recipe.parts.map(({ paintId }) => paintId) : []));
    const must = indices([...rules.must, ...kept]);
    const never = [...paints.keys()].filter(
      (i) => !must.includes(i) && (leftOut.has(paints[i]!.id) || !atHand.has(paints[i]!.id)),
    );
    const opening = isLarge(paints.length, wanted.length)
      ? { ...usual, always: [...must, ...indices(rules.mood)], never }
      : usual;
    const { kinds } = policy;
    const choosable = [...paints.keys()].filter((i) => !never.includes(i));
    const usable = kinds.filter((rule) => rule.paints.some((p) => choosable.includes(p)));
    const choice: PaletteChoice = {
      sizes: SIZES,
      must,
      never,
      darkest: policy.darkest,
      kinds: [
        ...usable.map(({ paints: own, least, most }) => ({ paints: [...own], least, most })),
        ...rules.kinds.map(({ kind, least, most }) => ({
          paints: traits.flatMap((one, p) => (isKind(one, kind) ? [p] : [])),
          least,
          most,
        })),
      ],
      within: wanted.flatMap(({ areaId }, target) =>
        rules.reach.areaIds.includes(areaId) ? [{ target, most: rules.reach.within }] : [],
      ),
    };
    return {
      opening,
      choice,
      paintsKey: idsOfPaints(paints),
      paints,
      traits,
      stocks,
      choosable,
      areaNames: wanted.map(({ name }) => name),
      leftOut: paints.flatMap((paint): LeftOut[] => {
        const why = leftOut.get(paint.id);
        return why !== undefined && why !== "never" ? [{ paint, why }] : [];
      }),
      missing: kinds.filter((rule) => !usable.includes(rule)).map(({ kind }) => kind),
    };
  }, [paints, traits, stocks, paper, policy, hand, rules, wanted, atHand, leftOut]);
}

const NONE_FOUND: readonly FoundSize[] = [];

interface Found {
  readonly state: PaletteWeighing["state"];
  readonly words: string;
  readonly sizes: readonly FoundSize[];
  readonly opened: number;
  /** What the worker was opened with. */
  readonly openedFor: string;
  /** Ids of the paints that `sizes` names by their places. */
  readonly sizesOf: string;
}

/** Weighs the painting's paints from when the palette step is first shown, and anew whenever something changes. */
export function WeighingProvider({ children }: { children: ReactNode }) {
  const { opening, paintsKey, ...weighed } = useQuestion();
  const { choice } = weighed;
  const wanted = useDesk((s) => s.paletteSeen);
  const [found, setFound] = useState<Found>({
    state: "working",
    words: "",
    sizes: [],
    opened: 0,
    openedFor: "",
    sizesOf: "",
  });
  const [told, setTold] = useState(NOT_BEGUN);
  const [attempt, setAttempt] = useState(0);
  const worker = useRef<PaletteWorker | null>(null);
  const openedWith = useRef("");
  const openingKey = useMemo(() => JSON.stringify(opening), [opening]);
  const choiceKey = useMemo(() => JSON.stringify(choice), [choice]);
  const rangeKey = JSON.stringify(SIZE_RANGE[useDesk((s) => s.document.approach.size)]);

  useEffect(() => {
    const own = paletteWorker();
    worker.current = own;
    return () => own.stop();
  }, []);

  useEffect(() => {
    if (!wanted) return;
    let stale = false;
    const timer = setTimeout(() => {
      const own = worker.current;
      const question = JSON.parse(openingKey) as Opening;
      if (!own || question.targets.length === 0 || question.paints.length === 0) {
        setFound((now) => ({ ...now, state: "done", words: "", sizes: [] }));
        return;
      }
      setFound((now) => ({ ...now, state: "working", words: "" }));
      setTold(NOT_BEGUN);
      const progress = heard((stage: PaletteStage, share: number) => {
        if (!stale) setTold({ words: stageWords(stage), share });
      });
      const run = async (): Promise<void> => {
        const start = performance.now();
        if (openedWith.current !== openingKey) {
          openedWith.current = "";
          await own.ask("open", question, progress);
          openedWith.current = openingKey;
          if (!stale) setFound((now) => ({ ...now, opened: now.opened + 1, openedFor: openingKey }));
        }
        if (stale) return;
        const under = JSON.parse(choiceKey) as PaletteChoice;
        const sizesOf = idsOfPaints(question.paints);
        if (question.paints.length > ANSWERED_AT_ONCE) {
          const { from, to } = JSON.parse(rangeKey) as { from: number; to: number };
          const sizes = await own.ask(
            "choose",
            { ...under, sizes: SIZES.filter((size) => size >= from && size <= to + 1) },
            progress,
          );
          if (stale) return;
          setFound((now) => ({ ...now, sizes, sizesOf }));
        }
        const sizes = await own.ask("choose", under, progress);
        const seconds = ((performance.now() - start) / 1000).toFixed(1);
        if (!stale) setFound((now) => ({ ...now, state: "done", words: `${seconds} s`, sizes, sizesOf }));
      };
      run().catch((error: unknown) => {
        // A choice that was left leaves what is opened as it is; a worker that was stopped has forgotten it.
        const forgotten = error instanceof WorkerStopped && !(error instanceof QuestionLeft);
        if (!stale || forgotten) openedWith.current = "";
        if (stale) return;
        if (error instanceof WorkerStopped)
          setFound((now) => ({
            ...now,
            state: "stopped",
            words: "Stopped. What is shown was found before.",
            opened: 0,
            openedFor: "",
          }));
        else
          setFound((now) => ({
            ...now,
            state: "failed",
            words: error instanceof Error ? error.message : String(error),
          }));
      });
    }, SETTLE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [wanted, openingKey, choiceKey, rangeKey, attempt]);

  const { paints } = weighed;
  // What was found for another list of paints names other paints by the same places.
  const sizes = found.sizesOf === paintsKey ? found.sizes : NONE_FOUND;
  const ask = useCallback<PaletteWorker["ask"]>(
    (kind, ...args) => worker.current?.ask(kind, ...args) ?? Promise.reject(new WorkerStopped()),
    [],
  );
  const stop = useCallback(() => worker.current?.stop(), []);
  const again = useCallback(() => setAttempt((n) => n + 1), []);
  const idsOf = useCallback((palette: readonly number[]) => palette.map((p) => paints[p]!.id), [paints]);
  const indicesOf = useCallback(
    (ids: readonly string[]) =>
      ids.flatMap((id) => {
        const at = paints.findIndex((paint) => paint.id === id);
        return at < 0 ? [] : [at];
      }),
    [paints],
  );
  return (
    <WeighingContext.Provider
      value={{
        ...weighed,
        ...found,
        sizes,
        ready: found.openedFor === openingKey && found.opened > 0,
        ask,
        stop,
        again,
        idsOf,
        indicesOf,
      }}
    >
      <ProgressContext.Provider value={told}>{children}</ProgressContext.Provider>
    </WeighingContext.Provider>
  );
}

const keyOf = (ids: readonly string[]): string => ids.join(" ");

/**
 * How palettes serve the areas, each in its place: asked anew whenever they or what is weighed
 * change. Null where it is not known yet; an answer stands only beside the very palette that it was
 * given for, so that a swapped paint never shows the numbers of the one before.
 */
export function useServed(palettes: readonly (readonly string[])[]): readonly (ServedPalette | null)[] {
  const { opened, ready, ask, indicesOf, areaNames } = useWeighing();
  const [answers, setAnswers] = useState<ReadonlyMap<string, ServedPalette>>(new Map());
  const key = JSON.stringify([ready ? opened : 0, palettes]);
  useEffect(() => {
    const [now, asked] = JSON.parse(key) as [number, string[][]];
    if (now === 0) return;
    let stale = false;
    ask(
      "serve",
      asked.map((ids) => [...indicesOf(ids)]),
    ).then(
      (found) => !stale && setAnswers(new Map(found.map((served, i) => [keyOf(asked[i]!), served]))),
      troubleWith("The palettes could not be weighed"),
    );
    return () => {
      stale = true;
    };
  }, [key, ask, indicesOf]);
  // While something else is being weighed the same palette's answer stays, so that nothing flickers.
  return palettes.map((ids) => {
    const served = answers.get(keyOf(ids));
    return served && (served.served.length === areaNames.length || ids.length === 0) ? served : null;
  });
}
