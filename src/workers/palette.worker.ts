/// <reference lib="webworker" />
import { choosePalettes, DEFAULT_MATCH, mixCosts, paintModel, paperById, prepareMatch, servedBy } from "@/core";
import { paletteRequest, type PaletteReply, type PaletteRequest } from "./palette-messages";

const reply = (message: PaletteReply): void => self.postMessage(message);

/** Sizes are proven one after another, so that the small palettes are there while the large ones are still sought. */
function choose({ job, paperId, valueWeight, maxPigments, paints, targets, sizes, must, never }: PaletteRequest): void {
  const start = performance.now();
  const models = paints.map((p) => paintModel(p.id, p.pigments, p.tintingStrength));
  reply({ kind: "progress", job, words: "Mixing every two and three paints", share: 0 });
  const table = prepareMatch(models, paperById(paperId), { ...DEFAULT_MATCH, maxPigments, valueWeight });
  const costs = mixCosts(targets, table, valueWeight, (done) => reply({ kind: "progress", job, words: "Trying every mix on every area", share: (0.5 * done) / targets.length }));
  for (const [i, size] of sizes.entries()) {
    reply({ kind: "progress", job, words: size === 1 ? "Palettes of 1 paint" : `Palettes of ${size} paints`, share: 0.5 + (0.5 * i) / sizes.length });
    const [choice] = choosePalettes(costs, [size], { must, never });
    if (choice) reply({ kind: "size", job, choice: { ...choice, best: choice.best.map((palette) => ({ ...palette, served: servedBy(costs, palette.paints) })) } });
  }
  reply({ kind: "finished", job, milliseconds: performance.now() - start });
}

self.onmessage = ({ data }: MessageEvent<unknown>) => {
  const request = paletteRequest.safeParse(data);
  if (!request.success) {
    reply({ kind: "failed", job: -1, message: `The palette could not be asked for: ${request.error.issues[0]?.message}` });
    return;
  }
  try {
    choose(request.data);
  } catch (error) {
    reply({ kind: "failed", job: request.data.job, message: error instanceof Error ? error.message : String(error) });
  }
};
