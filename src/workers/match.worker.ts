/// <reference lib="webworker" />
import { expose } from "comlink";
import { combinationsOf, makingReachTable, matchOver, paperUnder, type ReachTable } from "@/core/mixing";
import { paperById, type Paper } from "@/core/optics";
import { breathe, inTurns, Superseded } from "./in-turns";
import type { MatchApi, MatchJob } from "./match-api";
import { layerOfWash } from "./over-wash";
import { modelOf } from "./paint-message";

/** Tables lately used, newest last: the paintbox's and the tray's are asked for in turn. */
const tables = new Map<string, ReachTable>();
const KEPT_TABLES = 4;

/** The sheet that a job's mixes are laid on. */
const groundOf = ({ paperId, over }: MatchJob): Paper =>
  over ? paperUnder(layerOfWash(over), paperById(paperId)) : paperById(paperId);

/** Tables that are being made, and the jobs that wait for each. */
const making = new Map<string, { readonly table: Promise<ReachTable>; readonly jobs: Set<number> }>();

/** The table for a job: made step by step, for as long as any job waits for it. */
async function tableFor(number: number, job: MatchJob): Promise<ReachTable> {
  const { paints, paperId, options, over } = job;
  const key = JSON.stringify([paperId, options.maxPaints, options.maxPigments, paints, over]);
  const models = paints.map(modelOf);
  // The largest table so far has most of what a new one needs: a paint added or taken away changes little.
  const largest = over
    ? undefined
    : [...tables.values()].sort((a, b) => b.combinations.length - a.combinations.length)[0];
  const table = tables.get(key) ?? (await made());
  tables.delete(key);
  tables.set(key, table);
  for (const old of [...tables.keys()].slice(0, -KEPT_TABLES)) tables.delete(old);
  return table;

  function made(): Promise<ReachTable> {
    const known = making.get(key);
    if (known) {
      known.jobs.add(number);
      return known.table;
    }
    const jobs = new Set([number]);
    const steps = makingReachTable(combinationsOf(models, options), models, groundOf(job), largest);
    const table = inTurns(steps, () => [...jobs].some((one) => live.has(one))).finally(() => making.delete(key));
    making.set(key, { table, jobs });
    return table;
  }
}

/** Jobs that have not been finished or cancelled. */
const live = new Set<number>();

expose({
  async match(number, job, found) {
    live.add(number);
    try {
      const start = performance.now();
      await breathe();
      if (!live.has(number)) return null;
      const table = await tableFor(number, job);
      const told: unknown[] = [];
      for (const [i, target] of job.targets.entries()) {
        await breathe();
        if (!live.has(number)) return null;
        told.push(found(target.id, matchOver(target.lab, table, job.options, target), i + 1));
      }
      // What is found travels on a channel of its own: the end must not overtake it.
      await Promise.all(told);
      return performance.now() - start;
    } catch (error) {
      if (error instanceof Superseded) return null;
      throw error;
    } finally {
      live.delete(number);
    }
  },
  cancel: (number) => void live.delete(number),
} satisfies MatchApi);
