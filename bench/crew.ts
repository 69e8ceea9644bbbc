import { availableParallelism } from "node:os";
import { Worker } from "node:worker_threads";
import { wrap } from "comlink";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { seededRandom } from "@/core/numeric/random";
import { HANDBOOK } from "@/core/pigments";
import { plainOpening } from "@/testing/plain-opening";
import { poseTogether } from "@/workers/palette-crew";
import type { PaletteHelperApi } from "@/workers/palette-helper-api";

const PAINTS = 40;
const TARGETS = 36;
const HELPER = JSON.stringify(new URL("./crew-helper.ts", import.meta.url).href);

/** Weighs 40 paints on 36 colours alone and with one helper for each further core, at most three. */
export async function benchCrew(row: (name: string, words: string) => void): Promise<void> {
  const random = seededRandom(4);
  const opening = plainOpening(
    HANDBOOK.slice(0, PAINTS).map(({ id }) => id),
    Array.from({ length: TARGETS }, () => ({
      lab: { L: 25 + 65 * random(), a: -12 + 30 * random(), b: -20 + 45 * random() },
      weight: 1,
      areaCm2: 20 + 200 * random(),
    })),
  );
  const threads = Array.from(
    { length: Math.min(3, availableParallelism() - 1) },
    () =>
      // A thread of Node reads TypeScript once tsx is at home in it.
      new Worker(`import("tsx/esm/api").then(({ register }) => { register(); return import(${HELPER}); });`, {
        eval: true,
        resourceLimits: { maxYoungGenerationSizeMb: 64 },
      }),
  );
  const helpers = threads.map((thread) => wrap<PaletteHelperApi>(nodeEndpoint(thread)));
  const timeOf = async (crew: typeof helpers): Promise<number> => {
    const times: number[] = [];
    for (let round = 0; round < 3; round++) {
      const from = performance.now();
      await poseTogether(opening, null, crew, () => {});
      times.push(performance.now() - from);
    }
    return Math.min(...times);
  };
  const together = await timeOf(helpers);
  const alone = await timeOf([]);
  const all = `${PAINTS} paints weighed on ${TARGETS} colours`;
  row(`${all}, alone`, `${(alone / 1000).toFixed(1)} s`);
  row(`${all}, on ${threads.length + 1} cores`, `${(together / 1000).toFixed(1)} s`);
  row("ratio, alone to together (goal 1.7 or more on two)", (alone / together).toFixed(2));
  await Promise.all(threads.map((thread) => thread.terminate()));
}
