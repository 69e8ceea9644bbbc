"use client";

import { createContext, createElement, useCallback, useContext, useMemo, type ReactNode } from "react";
import { paintModel, paperUnder, farthestPointSample, type Hand, type PaintModel } from "@/core/mixing";
import { loadOfWater, paperById, type Load, type Paper } from "@/core/optics";
import { modelUnder, type Approach } from "@/core/palette";
import { pigmentById } from "@/core/pigments";
import type { StockedPaint } from "@/storage/ports";
import { isMixable, looksKnown } from "@/model/paintbox";
import type { NamedPart } from "@/ui/recipe-bar";
import type { StoredRecipe } from "@/model/painting";
import { asLaid, handChosen } from "@/model/as-laid";
import { useInSlices } from "@/ui/in-slices";
import type { LearnedBook } from "@/model/logbook";
import { coloursOf } from "@/model/washes";
import { atHandUnder, type AtHand, type LeftOutWhy } from "./at-hand";
import { useDesk } from "./desk-store";

/** A paint of the box with its model. */
export interface KnownPaint extends StockedPaint {
  readonly model: PaintModel;
  /** The strongest load that the approach lets it be proposed at. */
  readonly strongest: Load;
  /** Colour Index names of its pigments, e.g. "PB29" or "PG36 PY150 PR101". */
  readonly codes: string;
  /** False for a paint out of a newer Abendrot that was not measured: nothing is predicted with it. */
  readonly looksKnown: boolean;
}

/** What a painter's paints are known under: what the logbook taught, the paper, and the painting's approach. */
interface KnownUnder {
  readonly learned: LearnedBook | null;
  readonly paperId: string;
  readonly opacity: Approach["opacity"];
}

function knownPaint(stocked: StockedPaint, { learned, paperId, opacity }: KnownUnder): KnownPaint {
  const paint = asLaid(stocked, learned, paperId);
  const model = modelUnder({ opacity }, paintModel(paint.id, paint.pigments, paint.tintingStrength, paint.measured));
  return {
    ...paint,
    model,
    strongest: model.strongest,
    codes: paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" "),
    looksKnown: looksKnown(paint),
  };
}

/** So many paints are made ready while the desk is drawn; of more it waits for them, and the page for nothing. */
const READY_AT_ONCE = 300;
const NONE: readonly StockedPaint[] = [];

/** A painter's paints as they lie on a paper, by paint id; null while the first are made ready. */
export function useKnownPaints(
  paints: readonly StockedPaint[],
  { learned, paperId, opacity }: KnownUnder,
): ReadonlyMap<string, KnownPaint> | null {
  const under = useMemo(() => ({ learned, paperId, opacity }), [learned, paperId, opacity]);
  const made = useCallback(
    function* (list: readonly StockedPaint[]): Generator<void, ReadonlyMap<string, KnownPaint>> {
      const known = new Map<string, KnownPaint>();
      for (const paint of list) {
        known.set(paint.id, knownPaint(paint, under));
        yield;
      }
      return known;
    },
    [under],
  );
  const many = paints.length > READY_AT_ONCE;
  const later = useInSlices(many ? paints : NONE, made);
  const now = useMemo(() => {
    if (many) return null;
    return new Map(paints.map((paint) => [paint.id, knownPaint(paint, under)]));
  }, [many, paints, under]);
  return now ?? (later?.size ? later : null);
}

const PaintsContext = createContext<ReadonlyMap<string, KnownPaint>>(new Map());
export const PaintsProvider = PaintsContext.Provider;

/** The paintbox by paint id. */
export function usePaints(): ReadonlyMap<string, KnownPaint> {
  return useContext(PaintsContext);
}

const LearnedContext = createContext<LearnedBook | null>(null);
export const LearnedProvider = LearnedContext.Provider;

/** What the logbook has taught; null while nothing counts in it. */
export const useLearned = (): LearnedBook | null => useContext(LearnedContext);

/** The hand that mixes are judged in. */
export function useHand(): Hand {
  const hand = useDesk((s) => s.document.approach.hand);
  const learned = useLearned();
  return useMemo(() => handChosen(hand, learned), [hand, learned]);
}

/** A box of the paintbox, as far as a painting needs to know it. */
export interface KnownBox {
  readonly id: string;
  readonly name: string;
  readonly wells: readonly (string | null)[];
}

const BoxesContext = createContext<readonly KnownBox[]>([]);
export const BoxesProvider = BoxesContext.Provider;

/** The boxes of the paintbox. */
export function useBoxes(): readonly KnownBox[] {
  return useContext(BoxesContext);
}

const AtHandContext = createContext<AtHand<KnownPaint>>({ all: [], proposed: [], leftOut: new Map() });

/** The paints whose mixes are kept or that must be in the palette: the painter's own wish, whatever the approach. */
function useInsistedOn(): readonly string[] {
  const areas = useDesk((s) => s.document.areas);
  const must = useDesk((s) => s.document.rules.must);
  const kept = useMemo(() => {
    const pinned = areas.flatMap(coloursOf).flatMap(({ recipe }) => (recipe?.pinned ? recipe.parts : []));
    return JSON.stringify([...new Set([...must, ...pinned.map(({ paintId }) => paintId)])]);
  }, [areas, must]);
  return useMemo(() => JSON.parse(kept) as string[], [kept]);
}

/** Works out what is at hand, once for the whole desk. A box that is gone is passed over. */
export function AtHandProvider({ children }: { children: ReactNode }) {
  const paints = usePaints();
  const boxes = useBoxes();
  const paper = usePaper();
  const approach = useDesk((s) => s.document.approach);
  const { boxId, few, never } = useDesk((s) => s.document.rules);
  const insisted = useInsistedOn();
  const all = useMemo(() => {
    const taken = few.length > 0 ? few : boxes.find(({ id }) => id === boxId)?.wells;
    return [...paints.values()].filter((paint) => isMixable(paint) && (!taken || taken.includes(paint.id)));
  }, [paints, boxes, boxId, few]);
  const atHand = useMemo(
    () => atHandUnder(approach, all, paper, never, insisted),
    [approach, all, paper, never, insisted],
  );
  return createElement(AtHandContext, { value: atHand }, children);
}

/** The paints that this painting is planned from, all of them. */
export const useAtHand = (): readonly KnownPaint[] => useContext(AtHandContext).all;

/** Those of them that may be proposed. */
export const useProposed = (): readonly KnownPaint[] => useContext(AtHandContext).proposed;

/** Those that are not, and why. */
export const useLeftOut = (): ReadonlyMap<string, LeftOutWhy> => useContext(AtHandContext).leftOut;

/** The paper the painting is planned on. */
export function usePaper(): Paper {
  const paperId = useDesk((s) => s.document.paperId);
  return paperById(paperId);
}

/** Most paints mixed from at once: all combinations of three of these take about two seconds, once. */
export const MOST_MIXED = 60;

/**
 * The paints that a match may use: those at hand that may be proposed (of very many, the most different), or the
 * palette in the tray, whatever the painter laid there.
 */
export function useSourcePaints(): readonly KnownPaint[] {
  const paints = usePaints();
  const paper = usePaper();
  const source = useDesk((s) => s.source);
  const palette = useDesk((s) => s.document.palette);
  const atHand = useProposed();
  return useMemo(() => {
    if (source === "tray") return palette.flatMap((id) => paints.get(id) ?? []);
    const kept = new Set(
      farthestPointSample(
        atHand.map(({ model }) => model),
        MOST_MIXED,
        paper,
      ),
    );
    return atHand.filter(({ model }) => kept.has(model));
  }, [paints, atHand, paper, source, palette]);
}

/** A wash that lies on the paper already. */
export interface LaidWash {
  readonly parts: readonly { readonly paint: KnownPaint; readonly parts: number }[];
  readonly waterParts: number;
}

/** A stored recipe as a wash that lies on the paper; null when one of its paints has left the paintbox. */
export function laidWash(
  { parts, waterParts }: StoredRecipe,
  paints: ReadonlyMap<string, KnownPaint>,
): LaidWash | null {
  const known = parts.flatMap(({ paintId, parts: amount }) => {
    const paint = paints.get(paintId);
    return paint?.looksKnown ? [{ paint, parts: amount }] : [];
  });
  return known.length === parts.length ? { parts: known, waterParts } : null;
}

/** What a colour is laid on: the paper, or the area's dried first wash where its recipe is known. */
export function groundOf(over: StoredRecipe | null, paper: Paper, paints: ReadonlyMap<string, KnownPaint>): Paper {
  const below = over && namedParts(over, paints);
  return below && over ? paperUnder({ mix: below, load: loadOfWater(over.waterParts) }, paper) : paper;
}

/** A stored recipe's parts with their paints; null when one of them has left the paintbox. */
export function namedParts(recipe: StoredRecipe, paints: ReadonlyMap<string, KnownPaint>): readonly NamedPart[] | null {
  const parts = recipe.parts.map(({ paintId, parts: amount }) => {
    const paint = paints.get(paintId);
    return paint?.looksKnown ? { paint: paint.model, parts: amount, name: paint.name } : null;
  });
  return parts.every((part) => part !== null) ? parts : null;
}
