"use client";

import { createContext, useContext } from "react";
import { temporal } from "zundo";
import { createStore, useStore } from "zustand";
import { countLabels, MAX_LABEL, packMap, unpackMap, withLabel } from "@/core/areas";
import { AS_IT_IS, rewhiten, whiteMatrix, type WhiteMatrix } from "@/core/image";
import { changeFault } from "@/model/change-fault";
import { paintingArea, paintingDocument, type PaintingArea, type PaintingDocument, type Study } from "@/model/painting";
import { withColourAt, withRecipes } from "@/model/washes";
import { changing } from "@/ui/changing";
import { undoSteps, type UndoableStore } from "@/ui/undo-steps";
import type { DeskState, Step, Tool } from "./desk-state";

/** The tool that a step starts with. */
const FIRST_TOOL: Readonly<Record<Step, Tool>> = {
  photo: "sample",
  areas: "select",
  palette: "select",
  mixes: "sample",
  check: "select",
  plan: "select",
};

/** A label that no area has; null when all are taken. */
export function freeLabel(areas: readonly PaintingArea[]): number | null {
  const taken = new Set(areas.map((area) => area.region));
  for (let label = 1; label <= MAX_LABEL; label++) if (!taken.has(label)) return label;
  return null;
}

/** A palette with a paint in another one's well; the two change places when both lie in it. */
export function withPaintIn(palette: readonly string[], paintId: string, inPlaceOf: string): string[] {
  return palette.map((id) => (id === inPlaceOf ? paintId : id === paintId ? inPlaceOf : id));
}

/** A study whose map no longer has a region; its pixels belong to no area. */
function withoutRegion(study: Study, region: number): Study {
  if (!study.map) return study;
  const map = unpackMap(study.map.packed, study.map.width, study.map.height);
  return { ...study, map: { ...study.map, packed: packMap(withLabel(map, 0, (i) => map.labels[i] === region)) } };
}

/** The white correction of a study. */
export const whiteOf = (white: Study["white"]): WhiteMatrix =>
  (white && whiteMatrix(white.light, white.degree)) ?? AS_IT_IS;

export type DeskStore = UndoableStore<DeskState>;

export const MIN_RADIUS = 0.001;
export const MAX_RADIUS = 0.05;
/** Why a changed document can't be kept; null when it can. Only what has changed is looked at. */
const faultOf = (before: PaintingDocument, after: PaintingDocument): string | null =>
  changeFault(paintingDocument, before, after, { areas: paintingArea });

/** Where a painting is opened when nothing else is asked for. */
export const firstStep = ({ areas }: PaintingDocument): Step => (areas.length > 0 ? "mixes" : "photo");

/** The desk's state: the painting's document, which can be undone, and what is being looked at, which can't. */
export function createDeskStore(document: PaintingDocument): DeskStore {
  const { inRun, options } = undoSteps<DeskState>();
  return createStore<DeskState>()(
    temporal((set) => {
      const change = changing<DeskState>(set, inRun, faultOf);
      return {
        document,
        refused: null,
        replace: (next) => {
          inRun(null);
          set({ document: next, refused: null });
        },
        endTyping: () => inRun(null),
        selectedId: null,
        colourId: null,
        taken: null,
        radius: 0.006,
        source: "paintbox",
        step: firstStep(document),
        tool: "sample",
        seeing: "plain",
        valueSteps: 5,
        outlines: document.areas.length > 0,
        marks: false,
        split: 0.5,
        paletteView: "choose",
        paletteSeen: false,
        mixesView: null,
        checkView: "darks",
        planView: "order",
        after: null,
        greyed: false,
        easel: false,
        preview: null,
        shift: "warmer",
        warmthMap: false,
        inLight: null,
        tried: null,
        proposal: null,
        lasso: "new",
        picking: null,
        pair: null,
        // The first look is at the photo alone.
        goTo: (step) =>
          set({
            step,
            tool: FIRST_TOOL[step],
            taken: null,
            picking: null,
            tried: null,
            preview: null,
            warmthMap: false,
            inLight: null,
            outlines: step !== "photo",
            ...(step !== "areas" && { proposal: null }),
            ...(step === "palette" && { paletteSeen: true }),
          }),
        setTool: (tool) => set({ tool, taken: null, picking: null }),
        see: (seeing) => set({ seeing, warmthMap: false, inLight: null }),
        setValueSteps: (valueSteps) => set({ valueSteps, seeing: "values" }),
        toggle: (which) => set((s) => ({ [which]: !s[which] })),
        setSplit: (split) => set({ split: Math.min(1, Math.max(0, split)) }),
        showPalette: (paletteView) => set({ paletteView, tried: null }),
        showMixes: (mixesView) => set({ mixesView }),
        showCheck: (checkView) => set({ checkView, preview: null, warmthMap: false, inLight: null }),
        showPlan: (planView) => set({ planView }),
        showAfter: (after) => set({ after, seeing: "planned" }),
        showGreyed: (greyed) => set({ greyed }),
        paintBy: (easel) => set({ easel }),
        showPreview: (preview) => set(preview ? { preview, seeing: "squint", warmthMap: false } : { preview }),
        setShift: (shift) => set({ shift, preview: null }),
        showWarmthMap: (warmthMap) => set({ warmthMap, seeing: warmthMap ? "squint" : "plain" }),
        showInLight: (inLight) => set({ inLight, seeing: inLight ? "squint" : "plain" }),
        tryPalette: (tried) => set({ tried }),
        propose: (proposal) => set({ proposal }),
        setLasso: (lasso) => set({ lasso, tool: "lasso" }),
        comparePoint: (point) =>
          set(({ pair }) => ({ pair: pair && !pair.b ? { a: pair.a, b: point } : { a: point, b: null } })),
        clearPair: () => set({ pair: null }),
        pick: (picking) => set(({ step }) => ({ picking, tool: picking ? "sample" : FIRST_TOOL[step], taken: null })),
        take: (taken) => set({ taken, ...(taken && { selectedId: null }) }),
        select: (selectedId, colourId = null) =>
          set(({ picking, step, tool }) => ({
            selectedId,
            colourId,
            taken: null,
            picking: null,
            preview: null,
            tool: picking ? FIRST_TOOL[step] : tool,
          })),
        setRadius: (radius) => set({ radius: Math.min(MAX_RADIUS, Math.max(MIN_RADIUS, radius)) }),
        setSource: (source) => set({ source }),
        setTitle: (title) => change((d) => ({ ...d, title }), {}, "title"),
        setPaper: (paperId) => change((d) => ({ ...d, paperId })),
        changeStudy: (part, run) => change((d) => ({ ...d, study: { ...d.study, ...part } }), {}, run ?? null),
        setWhite: (white) =>
          change((d) => {
            const [from, to] = [whiteOf(d.study.white), whiteOf(white)];
            return {
              ...d,
              study: { ...d.study, white },
              areas: d.areas.map((area) => ({
                ...area,
                lab: rewhiten(area.lab, from, to),
                wash: {
                  ...area.wash,
                  more: area.wash.more.map((colour) => ({ ...colour, lab: rewhiten(colour.lab, from, to) })),
                },
              })),
            };
          }),
        setAreas: (map, areas) =>
          change((d) => {
            const counts = countLabels(map);
            // An area whose last pixel went to another one is gone with it.
            const kept = areas.filter(({ region }) => region === null || counts[region]! > 0);
            return {
              ...d,
              areas: kept,
              study: { ...d.study, map: { width: map.width, height: map.height, packed: packMap(map) } },
            };
          }),
        addArea: (area) => change((d) => ({ ...d, areas: [...d.areas, area] }), { selectedId: area.id, taken: null }),
        changeArea: (id, part) =>
          change((d) => ({ ...d, areas: d.areas.map((a) => (a.id === id ? { ...a, ...part } : a)) })),
        moveColour: (colourId, at, lab) =>
          change((d) => ({ ...d, areas: d.areas.map((area) => withColourAt(area, colourId, at, lab)) })),
        nameArea: (id, name) =>
          change((d) => ({ ...d, areas: d.areas.map((a) => (a.id === id ? { ...a, name } : a)) }), {}, `area ${id}`),
        removeArea: (id) =>
          change(
            (d) => {
              const region = d.areas.find((area) => area.id === id)?.region ?? null;
              const areas = d.areas.filter((area) => area.id !== id);
              return { ...d, areas, study: region === null ? d.study : withoutRegion(d.study, region) };
            },
            { selectedId: null },
          ),
        chooseRecipes: (recipes) =>
          change((d) => {
            const paints = [...recipes.values()].flatMap((recipe) => recipe?.parts.map((part) => part.paintId) ?? []);
            return {
              ...d,
              areas: d.areas.map((a) => withRecipes(a, recipes)),
              palette: [...new Set([...d.palette, ...paints])],
            };
          }),
        // From now on this palette is what is mixed from.
        layOut: (paintIds, recipes) =>
          change(
            (d) => ({
              ...d,
              palette: [...paintIds],
              areas: d.areas.map((area) => withRecipes(area, recipes)),
            }),
            { source: "tray" },
          ),
        changeApproach: (part) => change((d) => ({ ...d, approach: { ...d.approach, ...part } })),
        changePlan: (part, typing) => change((d) => ({ ...d, plan: { ...d.plan, ...part } }), {}, typing),
        changeRules: (part) => change((d) => ({ ...d, rules: { ...d.rules, ...part } })),
        nameKept: (id, name) =>
          change(
            (d) => ({ ...d, palettes: d.palettes.map((kept) => (kept.id === id ? { ...kept, name } : kept)) }),
            {},
            `kept ${id}`,
          ),
        setKept: (palettes) => change((d) => ({ ...d, palettes: [...palettes] })),
        putInWell: (paintId, inPlaceOf) =>
          change((d) => ({ ...d, palette: withPaintIn(d.palette, paintId, inPlaceOf) })),
        addToPalette: (paintId) => change((d) => ({ ...d, palette: [...new Set([...d.palette, paintId])] })),
        removeFromPalette: (paintId) => change((d) => ({ ...d, palette: d.palette.filter((id) => id !== paintId) })),
        movePaint: (paintId, by) =>
          change((d) => {
            const from = d.palette.indexOf(paintId);
            const to = from + by;
            if (from < 0 || to < 0 || to >= d.palette.length) return d;
            const palette = [...d.palette];
            [palette[from], palette[to]] = [palette[to]!, palette[from]!];
            return { ...d, palette };
          }),
      };
    }, options),
  );
}

const DeskContext = createContext<DeskStore | null>(null);
export const DeskProvider = DeskContext.Provider;

export function useDeskStore(): DeskStore {
  const store = useContext(DeskContext);
  if (!store) throw new Error("Only usable on the desk.");
  return store;
}

/** Reads from the desk's state. */
export function useDesk<T>(select: (state: DeskState) => T): T {
  return useStore(useDeskStore(), select);
}

/** The selected area, if it is still there. */
export function useSelectedArea(): PaintingArea | null {
  return useDesk((s) => s.document.areas.find((a) => a.id === s.selectedId) ?? null);
}
