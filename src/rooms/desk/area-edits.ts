"use client";

import { useCallback, useState } from "react";
import { emptyMap, labelAt, pointWithin, withLabel, type LabelMap, type WashKind, type WashPlan } from "@/core/areas";
import { type Lab } from "@/core/colour";
import { type Point } from "@/core/image";
import { WorkerStopped } from "@/workers/worker-link";
import { LIMITS } from "@/model/limits";
import { newArea, type PaintingArea } from "@/model/painting";
import { withPlan } from "@/model/washes";
import { suggestedName } from "./area-names";
import { freeLabel, useDeskStore } from "./desk-store";
import { useAreaMap, useLook, usePhoto, type PhotoStudy } from "./photo-study";

const FULL = `A painting holds at most ${LIMITS.areas} areas. Merge or remove some first.`;
/** Circle about the point that stands for a whole area, as a share of the photo's width. */
const MARK_RADIUS = 0.004;

/** The colour that most of an area has: what it is named by. */
const mostOf = ({ colours }: WashPlan): Lab =>
  colours.reduce((most, colour) => (colour.share > most.share ? colour : most)).lab;

export interface AreaEdits {
  /** Something is being computed. */
  readonly busy: boolean;
  /** What the last edit has to say, if anything. */
  readonly words: string | null;
  /** Takes over proposed shapes as areas: all of them, or one. */
  readonly accept: (label: number | "all") => Promise<void>;
  readonly merge: (area: PaintingArea, other: PaintingArea) => Promise<void>;
  readonly split: (area: PaintingArea) => Promise<void>;
  readonly enclose: (points: readonly Point[], snap: boolean) => Promise<void>;
  /** Lays every area that has a shape as the photo suggests. */
  readonly layAll: () => Promise<void>;
  /** Lays an area as the photo suggests, or in a kind that is asked for. */
  readonly lay: (area: PaintingArea, kind: WashKind | null) => Promise<void>;
  /** Wipes all regions; the areas keep their names, colours and recipes. */
  readonly startOver: () => void;
}

/** What can be done to the areas' shapes. Each is one step to undo. */
export function useAreaEdits(): AreaEdits {
  const store = useDeskStore();
  const map = useAreaMap();
  const look = useLook();
  const { study } = usePhoto();
  const [busy, setBusy] = useState(false);
  const [words, setWords] = useState<string | null>(null);

  const working = useCallback(
    async (work: (study: PhotoStudy) => Promise<string | null>): Promise<void> => {
      setBusy(true);
      setWords(null);
      try {
        setWords(
          study
            ? await work(study)
            : "The photo is not open yet, so nothing was done. Wait until it is shown, and try again.",
        );
      } catch (error) {
        console.error(error);
        setWords(
          error instanceof WorkerStopped
            ? null
            : "That could not be worked out, and nothing was changed. Try again; if it fails once more, load the page again.",
        );
      } finally {
        setBusy(false);
      }
    },
    [study],
  );

  /** Measures the areas on a changed map and keeps both; `changed` are the labels whose pixels changed. */
  const keep = useCallback(
    async (
      photo: PhotoStudy,
      next: LabelMap,
      areas: readonly PaintingArea[],
      changed: ReadonlySet<number>,
    ): Promise<string | null> => {
      const before = store.getState().document;
      const asked = areas.flatMap(({ region }) => (region !== null && changed.has(region) ? [region] : []));
      const plans = await photo.ask(
        "washes",
        look,
        next.labels,
        before.study.bother,
        asked.map((label) => ({ label, kind: null })),
      );
      if (store.getState().document !== before) return "The painting changed meanwhile; nothing was done. Try again.";
      const planOf = new Map(asked.map((label, i) => [label, plans[i]]));
      const taken = new Set(areas.map(({ name }) => name));
      const kept = areas.map((area) => {
        if (area.region === null || !changed.has(area.region)) return area;
        const plan = planOf.get(area.region);
        const at = pointWithin(next, area.region);
        if (!plan || !at) return area;
        const laid = withPlan(area, plan);
        const name = area.name || suggestedName(at, mostOf(plan), taken);
        taken.add(name);
        return { ...laid, name, sample: { ...(plan.kind === "flat" ? at : plan.colours[0]!.at), radius: MARK_RADIUS } };
      });
      store.getState().setAreas(next, kept);
      return null;
    },
    [store, look],
  );

  /** An area without a name yet: it gets one when it is measured. */
  const unnamed = (region: number): PaintingArea =>
    newArea({
      id: crypto.randomUUID(),
      name: "",
      sample: { x: 0, y: 0, radius: MARK_RADIUS },
      lab: { L: 0, a: 0, b: 0 },
      region,
    });

  const accept = (which: number | "all"): Promise<void> =>
    working(async (photo) => {
      const {
        proposal,
        document: { areas },
      } = store.getState();
      if (!proposal) return null;
      const sizes = new Map<number, number>();
      for (const label of proposal.map.labels)
        if (label > 0 && (which === "all" || label === which)) sizes.set(label, (sizes.get(label) ?? 0) + 1);
      const next: PaintingArea[] = [...areas];
      const given = new Map<number, number>();
      let left = 0;
      for (const [shape] of [...sizes].sort(([, a], [, b]) => b - a)) {
        const region = freeLabel(next);
        // An area known by its sample alone takes the shape that the sample lies in.
        const sampled = next.findIndex(
          ({ region: has, sample }) => has === null && labelAt(proposal.map, sample.x, sample.y) === shape,
        );
        if (region === null || (sampled < 0 && next.length >= LIMITS.areas)) {
          left++;
          continue;
        }
        given.set(shape, region);
        if (sampled >= 0) next[sampled] = { ...next[sampled]!, region };
        else next.push(unnamed(region));
      }
      const labels = map.labels.map((label, i) => given.get(proposal.map.labels[i]!) ?? label);
      const said = await keep(photo, { ...map, labels }, next, new Set(given.values()));
      if (said === null) {
        const rest = withLabel(proposal.map, 0, (i) => given.has(proposal.map.labels[i]!));
        store
          .getState()
          .propose(which === "all" ? null : { ...proposal, map: rest, shapes: proposal.shapes - given.size });
      }
      return said ?? (left > 0 ? `${FULL} The ${left} smallest shapes were left out.` : null);
    });

  const merge = (area: PaintingArea, other: PaintingArea): Promise<void> =>
    working(async (photo) => {
      if (area.region === null || other.region === null) return "Only areas with a shape can be merged.";
      const { areas } = store.getState().document;
      const into = area.region;
      const gone = other.region;
      const next = withLabel(map, into, (i) => map.labels[i] === gone);
      const said = await keep(
        photo,
        next,
        areas.filter(({ id }) => id !== other.id),
        new Set([into]),
      );
      if (said === null) store.getState().select(area.id);
      return said;
    });

  const split = (area: PaintingArea): Promise<void> =>
    working(async (photo) => {
      const { areas } = store.getState().document;
      const region = freeLabel(areas);
      if (area.region === null) return "Only an area with a shape can be split.";
      if (region === null || areas.length >= LIMITS.areas) return FULL;
      const mask = await photo.ask("split", look, map.labels, area.region);
      if (!mask)
        return `${area.name} is one piece already: there is nothing in it to split. Draw a part with the lasso instead.`;
      const next = [...areas];
      next.splice(areas.findIndex(({ id }) => id === area.id) + 1, 0, {
        ...unnamed(region),
        plane: area.plane,
        light: area.light,
        weight: area.weight,
      });
      return keep(
        photo,
        withLabel(map, region, (i) => mask[i] === 1),
        next,
        new Set([area.region, region]),
      );
    });

  const enclose = (points: readonly Point[], snap: boolean): Promise<void> =>
    working(async (photo) => {
      const {
        lasso,
        selectedId,
        document: { areas },
      } = store.getState();
      const selected = areas.find(({ id }) => id === selectedId) ?? null;
      if (lasso !== "new" && !selected) return "Select the area first that the shape belongs to.";
      const mask = await photo.ask("enclose", look, [...points], snap);
      const touched = new Set<number>();
      mask.forEach((inside, i) => inside && touched.add(map.labels[i]!));
      if (touched.size === 0) return "The line encloses nothing of the sheet. Draw around the shape and let go.";
      const free = freeLabel(areas);
      const next = [...areas];
      let label: number;
      if (lasso === "take") {
        if (selected!.region === null || !touched.has(selected!.region))
          return `The line encloses nothing of ${selected!.name}.`;
        const own = selected!.region;
        return keep(
          photo,
          withLabel(map, 0, (i) => mask[i] === 1 && map.labels[i] === own),
          next,
          new Set([own]),
        );
      }
      if (lasso === "add" && selected!.region !== null) label = selected!.region;
      else {
        if (free === null || (lasso === "new" && areas.length >= LIMITS.areas)) return FULL;
        label = free;
        if (lasso === "new") next.push(unnamed(label));
        else next[areas.indexOf(selected!)] = { ...selected!, region: label };
      }
      const said = await keep(
        photo,
        withLabel(map, label, (i) => mask[i] === 1),
        next,
        new Set([...touched, label]),
      );
      const made = store.getState().document.areas.find(({ region }) => region === label);
      if (said === null && made) store.getState().select(made.id);
      return said;
    });

  const lay = (area: PaintingArea, kind: WashKind | null): Promise<void> =>
    working(async (photo) => {
      if (area.region === null) return "Draw its shape first: a wash of several colours is found within it.";
      const { bother } = store.getState().document.study;
      const [plan] = await photo.ask("washes", look, map.labels, bother, [{ label: area.region, kind }]);
      if (!plan) return `${area.name} is too small to tell more than one colour in it.`;
      const now = store.getState().document.areas.find(({ id }) => id === area.id);
      if (!now) return null;
      const { lab, wash } = withPlan(now, plan);
      const at = plan.kind === "flat" ? pointWithin(map, area.region) : plan.colours[0]!.at;
      store.getState().changeArea(area.id, { lab, wash, sample: { ...(at ?? now.sample), radius: now.sample.radius } });
      return null;
    });

  const layAll = (): Promise<void> =>
    working((photo) => {
      const { areas } = store.getState().document;
      return keep(photo, map, areas, new Set(areas.flatMap(({ region }) => region ?? [])));
    });

  const startOver = (): void => {
    const { document, setAreas, propose } = store.getState();
    propose(null);
    setAreas(
      emptyMap(map.width, map.height),
      document.areas.map((area) => ({ ...area, region: null })),
    );
  };

  return { busy, words, accept, merge, split, enclose, lay, layAll, startOver };
}
