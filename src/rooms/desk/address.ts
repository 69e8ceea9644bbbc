"use client";

import { useSearchParams } from "next/navigation";
import { useEffect, useState } from "react";
import { z } from "zod";
import type { PaintingDocument } from "@/model/painting";
import { DESK_STEPS, type Step } from "./desk-state";
import { createDeskStore, firstStep, type DeskStore } from "./desk-store";

/** What of the desk stands in the address: the step, the area that is open, and whether it is painted by. */
export interface DeskPlace {
  readonly step: Step | null;
  readonly areaId: string | null;
  /** It is painted by. */
  readonly easel: boolean;
}

const query = z.object({
  step: z.enum(DESK_STEPS).nullable().catch(null),
  area: z.uuid().nullable().catch(null),
  easel: z.literal("yes").nullable().catch(null),
});

const KEYS = ["step", "area", "easel"] as const;

/** The place that an address asks for; what makes no sense is passed over. */
export function placeOf(search: URLSearchParams): DeskPlace {
  const { step, area, easel } = query.parse(Object.fromEntries(KEYS.map((key) => [key, search.get(key)])));
  return { step, areaId: area, easel: easel === "yes" };
}

/** The query of a place, "?step=mixes&area=…". */
export function queryOf({ step, areaId, easel }: DeskPlace): string {
  const search = new URLSearchParams();
  if (step) search.set("step", step);
  if (areaId) search.set("area", areaId);
  if (easel) search.set("easel", "yes");
  return search.size > 0 ? `?${search.toString()}` : "";
}

/** Brings the desk to a place; an area that is gone is not opened. */
function goThere(store: DeskStore, { step, areaId, easel }: DeskPlace, first: Step): void {
  const state = store.getState();
  const to = step ?? first;
  if (state.step !== to) state.goTo(to);
  const known = state.document.areas.some(({ id }) => id === areaId) ? areaId : null;
  if (store.getState().selectedId !== known) store.getState().select(known);
  if (state.easel !== easel) store.getState().paintBy(easel);
}

/** A desk for a painting, opened where the address asks for. */
export function useDeskAtAddress(document: PaintingDocument): DeskStore {
  const search = useSearchParams();
  const [store] = useState(() => {
    const made = createDeskStore(document);
    goThere(made, placeOf(new URLSearchParams(search)), firstStep(document));
    return made;
  });
  useAddress(store, firstStep(document));
  return store;
}

/** The window's address and history, as far as the desk uses them. */
export interface AddressBar {
  readonly search: () => string;
  /** Goes to another query as a step of its own, or in place of the present one. */
  readonly go: (query: string, instead: boolean) => void;
}

/**
 * Keeps the address and a desk together. `first` is the step that an address without one means. `follow` brings the
 * desk where the address stands now; what the desk does on the way is no step of its own, and an address that asks for
 * an area that is gone is put right. Returns how to follow and how to stop.
 */
export function keepTogether(
  store: DeskStore,
  first: Step,
  bar: AddressBar,
): { readonly follow: () => void; readonly stop: () => void } {
  let following = false;
  const asked = (): DeskPlace => placeOf(new URLSearchParams(bar.search()));
  const write = (instead: boolean): void => {
    const { step, selectedId, easel } = store.getState();
    const now = asked();
    if (step !== (now.step ?? first) || selectedId !== now.areaId || easel !== now.easel)
      bar.go(queryOf({ step, areaId: selectedId, easel }), instead);
  };
  return {
    follow: () => {
      following = true;
      goThere(store, asked(), first);
      following = false;
      write(true);
    },
    stop: store.subscribe((state, before) => {
      if (
        following ||
        (state.step === before.step && state.selectedId === before.selectedId && state.easel === before.easel)
      )
        return;
      write(false);
    }),
  };
}

/**
 * Keeps the window's address and the desk together: each step and each area that is opened is a place to come back to
 * by the browser's own back and forward, by a reload or a bookmark.
 */
function useAddress(store: DeskStore, first: Step): void {
  useEffect(() => {
    const { follow, stop } = keepTogether(store, first, {
      search: () => window.location.search,
      go: (query, instead) =>
        window.history[instead ? "replaceState" : "pushState"](null, "", `${window.location.pathname}${query}`),
    });
    window.addEventListener("popstate", follow);
    return () => {
      window.removeEventListener("popstate", follow);
      stop();
    };
  }, [store, first]);
}
