/// <reference lib="webworker" />
import { ringPixels, type PaintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { darkestOf, latticeOf, reachCube, sliceAt, type Lattice } from "@/core/palette";
import { targetColour } from "@/core/planning";
import { answerWith } from "./answering";
import { modelOf } from "./paint-message";
import type { Laid, ReachAnswers, ReachQuestion, ReachRequest } from "./reach-messages";

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

answerWith(answer);
