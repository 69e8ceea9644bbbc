/// <reference lib="webworker" />
import { expose } from "comlink";
import {
  findLitCard,
  fitPatches,
  granulationOfSheet,
  readLitCard,
  withoutCamera,
  type LitCard,
  type SheetRefusal,
} from "@/core/calibration";
import type { PixelArray } from "@/core/image";
import { paintModel, type PaintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import type { CardApi } from "./card-api";
import { modelOf, type PaintMessage } from "./paint-message";

/** The photo opened last: the one being looked at. */
let opened: { readonly photoId: string; readonly photo: PixelArray } | null = null;
/** The card found on it: dragging a place looks for it no second time. */
let found: { readonly key: string; readonly card: LitCard | { readonly refused: SheetRefusal } } | null = null;

/** A paint as the handbook has it, whatever was measured of it before. */
const fromHandbook = ({ id, pigments, tintingStrength }: PaintMessage): PaintModel =>
  paintModel(id, pigments, tintingStrength);

expose({
  open(photoId, photo) {
    opened = { photoId, photo };
  },
  read(photoId, { paperId, kind, rows, moved, references }) {
    if (opened?.photoId !== photoId) throw new Error("The photo has not arrived yet.");
    const { photo } = opened;
    const key = JSON.stringify([photoId, rows, kind]);
    if (found?.key !== key) found = { key, card: findLitCard(photo, rows, kind) };
    const { card } = found;
    return "refused" in card ? card : readLitCard(photo, card, { paper: paperById(paperId), rows, moved, references });
  },
  together(paperId, paints) {
    const paper = paperById(paperId);
    const read = withoutCamera(
      paints.map(({ paint, patches }) => ({ base: modelOf(paint), known: paint.measured !== null, patches })),
      paper,
    );
    const granulation = granulationOfSheet(
      paints.map(({ paint }, i) => ({ base: fromHandbook(paint), patches: read[i]! })),
      paper,
    );
    return read.map((patches, i) => ({ patches, granulation: granulation[i] ?? undefined }));
  },
  fit(paperId, paint, patches, granulation) {
    const label = fromHandbook(paint);
    return fitPatches({ ...label, granulation: granulation ?? label.granulation }, patches, paperById(paperId));
  },
} satisfies CardApi);
