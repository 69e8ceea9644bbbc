/// <reference lib="webworker" />
import { matchOver, prepareMatch } from "@/core/mixing";
import { paperById } from "@/core/optics";
import type { MatchReply, MatchRequest } from "./match-messages";
import { modelOf } from "./paint-message";

type MatchJob = Extract<MatchRequest, { kind: "match" }>;
type Table = ReturnType<typeof prepareMatch>;

/** Tables lately used, newest last: the paintbox's and the tray's are asked for in turn. */
const tables = new Map<string, Table>();
const KEPT_TABLES = 4;

function tableFor({ paints, paperId, options }: MatchJob): Table {
  const key = JSON.stringify([paperId, options.maxPaints, options.maxPigments, paints]);
  const models = paints.map(modelOf);
  // The largest table so far has most of what a new one needs: a paint added or taken away changes little.
  const largest = [...tables.values()].sort((a, b) => b.combinations.length - a.combinations.length)[0];
  const table = tables.get(key) ?? prepareMatch(models, paperById(paperId), options, largest);
  tables.delete(key);
  tables.set(key, table);
  for (const old of [...tables.keys()].slice(0, -KEPT_TABLES)) tables.delete(old);
  return table;
}

/** Jobs that have not been finished or cancelled. */
const live = new Set<number>();
const reply = (message: MatchReply): void => self.postMessage(message);
/** Lets waiting messages in, so that other jobs and a cancel are heard between two targets. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function run(job: MatchJob): Promise<void> {
  const start = performance.now();
  await breathe();
  if (!live.has(job.job)) return;
  const table = tableFor(job);
  for (const [i, target] of job.targets.entries()) {
    await breathe();
    if (!live.has(job.job)) return;
    const recipes = matchOver(target.lab, table, job.options);
    reply({ kind: "found", job: job.job, id: target.id, recipes, done: i + 1, of: job.targets.length });
  }
  reply({ kind: "finished", job: job.job, milliseconds: performance.now() - start });
}

self.onmessage = ({ data }: MessageEvent<MatchRequest>) => {
  if (data.kind === "cancel") {
    live.delete(data.job);
    return;
  }
  const job = data;
  live.add(job.job);
  run(job)
    .catch((error: unknown) => reply({ kind: "failed", job: job.job, message: error instanceof Error ? error.message : String(error) }))
    .finally(() => live.delete(job.job));
};
