/// <reference lib="webworker" />
import { expose } from "comlink";
import { matchOver, paperUnder, prepareMatch } from "@/core/mixing";
import { paperById, type Paper } from "@/core/optics";
import type { MatchApi, MatchJob } from "./match-api";
import { layerOfWash } from "./over-wash";
import { modelOf } from "./paint-message";

type Table = ReturnType<typeof prepareMatch>;

/** Tables lately used, newest last: the paintbox's and the tray's are asked for in turn. */
const tables = new Map<string, Table>();
const KEPT_TABLES = 4;

/** The sheet that a job's mixes are laid on. */
const groundOf = ({ paperId, over }: MatchJob): Paper =>
  over ? paperUnder(layerOfWash(over), paperById(paperId)) : paperById(paperId);

function tableFor(job: MatchJob): Table {
  const { paints, paperId, options, over } = job;
  const key = JSON.stringify([paperId, options.maxPaints, options.maxPigments, paints, over]);
  const models = paints.map(modelOf);
  // The largest table so far has most of what a new one needs: a paint added or taken away changes little.
  const largest = over
    ? undefined
    : [...tables.values()].sort((a, b) => b.combinations.length - a.combinations.length)[0];
  const table = tables.get(key) ?? prepareMatch(models, groundOf(job), options, largest);
  tables.delete(key);
  tables.set(key, table);
  for (const old of [...tables.keys()].slice(0, -KEPT_TABLES)) tables.delete(old);
  return table;
}

/** Jobs that have not been finished or cancelled. */
const live = new Set<number>();
/** Lets waiting messages in, so that other jobs and a cancel are heard between two targets. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

expose({
  async match(number, job, found) {
    live.add(number);
    try {
      const start = performance.now();
      await breathe();
      if (!live.has(number)) return null;
      const table = tableFor(job);
      const told: unknown[] = [];
      for (const [i, target] of job.targets.entries()) {
        await breathe();
        if (!live.has(number)) return null;
        told.push(found(target.id, matchOver(target.lab, table, job.options, target), i + 1));
      }
      // What is found travels on a channel of its own: the end must not overtake it.
      await Promise.all(told);
      return performance.now() - start;
    } finally {
      live.delete(number);
    }
  },
  cancel: (number) => void live.delete(number),
} satisfies MatchApi);
