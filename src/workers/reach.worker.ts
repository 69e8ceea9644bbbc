/// <reference lib="webworker" />
import { expose } from "comlink";
import { ringPixels, type PaintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { darkestOf, latticeOf, gamutTable, sliceAt, type Lattice } from "@/core/palette";
import { targetColour } from "@/core/planning";
import { modelOf } from "./paint-message";
import type { Laid, ReachApi } from "./reach-api";

/** The lattice asked for last: slices and repaintings of one palette follow each other. */
let kept: { readonly key: string; readonly lattice: Lattice } | null = null;

const modelsOf = ({ paints }: Laid): PaintModel[] => paints.map(modelOf);

function latticeFor(laid: Laid): Lattice {
  const key = JSON.stringify(laid);
  if (kept?.key !== key) kept = { key, lattice: latticeOf(modelsOf(laid), paperById(laid.paperId)) };
  return kept.lattice;
}

expose({
  slice({ laid, L }) {
    const lattice = latticeFor(laid);
    return { slice: sliceAt(lattice, L), darkestL: darkestOf(lattice) };
  },
  cube({ laid, valueWeight, wish, curve }) {
    const paper = paperById(laid.paperId);
    return gamutTable(latticeFor(laid), (lab) => targetColour(lab, wish, curve, paper), valueWeight);
  },
  ring: ({ laid, sidePx, seed }) => ({
    pixels: ringPixels(modelsOf(laid), paperById(laid.paperId), sidePx, seed),
    sidePx,
  }),
} satisfies ReachApi);
