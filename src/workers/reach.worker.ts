/// <reference lib="webworker" />
import { darkestOf, latticeOf, paperById, reachCube, ringPixels, sliceAt, targetColour, type Lattice, type PaintModel } from "@/core";
import { jobOf } from "./job-of";
import { modelOf } from "./paint-message";
import { reachRequest, type Laid, type ReachAnswers, type ReachQuestion, type ReachReply, type ReachRequest } from "./reach-messages";

const reply = (message: ReachReply): void => self.postMessage(message);

/** The lattice asked for last: slices and repaintings of one palette follow each other. */
let kept: { readonly key: string; readonly lattice: Lattice } | null = null;

const modelsOf = ({ paints }: Laid): PaintModel[] => paints.map(modelOf);

function latticeFor(laid: Laid): Lattice {
  const key = JSON.stringify(laid);
  if (kept?.key !== key) kept = { key, lattice: latticeOf(modelsOf(laid), paperById(laid.paperId)) };
  return kept.lattice;
}

function answer(request: ReachRequest): ReachAnswers[ReachQuestion] {
  const { laid } = request;
  const paper = paperById(laid.paperId);
  if (request.kind === "ring") return { pixels: ringPixels(modelsOf(laid), paper, request.sidePx, request.seed), sidePx: request.sidePx };
  const lattice = latticeFor(laid);
  if (request.kind === "slice") return { slice: sliceAt(lattice, request.L), darkestL: darkestOf(lattice) };
  return { cube: reachCube(lattice, (lab) => targetColour(lab, request.wish, request.curve, paper), request.valueWeight) };
}

self.onmessage = ({ data }: MessageEvent<unknown>) => {
  const request = reachRequest.safeParse(data);
  if (!request.success) {
    reply({ kind: "failed", job: jobOf(data), message: `The reach could not be asked for: ${request.error.issues[0]?.message}` });
    return;
  }
  const start = performance.now();
  try {
    const found = answer(request.data);
    reply({ kind: "answered", job: request.data.job, milliseconds: performance.now() - start, answer: found });
  } catch (error) {
    reply({ kind: "failed", job: request.data.job, message: error instanceof Error ? error.message : String(error) });
  }
};
