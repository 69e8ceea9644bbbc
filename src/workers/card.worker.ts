/// <reference lib="webworker" />
import { findLitCard, fitPatches, readLitCard, withoutCamera, type LitCard } from "@/core/calibration";
import { type PixelArray } from "@/core/image";
import { paintModel, type PaintModel } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { answerWith } from "./answering";
import type { CardAnswers, CardRequest } from "./card-messages";
import type { PaintMessage } from "./paint-message";

/** The photo opened last: the one being looked at. */
let photo: (PixelArray & { readonly photoId: string }) | null = null;
/** The card found on it: dragging a place looks for it no second time. */
let found: { readonly key: string; readonly card: LitCard | { readonly refused: string } } | null = null;

/** A paint as the handbook has it, whatever was measured of it before. */
const fromHandbook = ({ id, pigments, tintingStrength }: PaintMessage): PaintModel => paintModel(id, pigments, tintingStrength);

function answer(request: CardRequest): CardAnswers[keyof CardAnswers] {
  if (request.kind === "open") {
    photo = request;
    return { opened: true };
  }
  const paper = paperById(request.paperId);
  if (request.kind === "fit") return fitPatches(fromHandbook(request.paint), request.patches, paper);
  if (request.kind === "camera") return { patches: withoutCamera(request.paints.map(({ paint, patches }) => ({ base: fromHandbook(paint), patches })), paper) };
  if (photo?.photoId !== request.photoId) throw new Error("The photo has not arrived yet.");
  const key = JSON.stringify([photo.photoId, request.rows]);
  if (found?.key !== key) found = { key, card: findLitCard(photo, request.rows) };
  const { card } = found;
  return "refused" in card ? card : readLitCard(photo, card, { paper, rows: request.rows, moved: request.moved, references: request.references });
}

answerWith(answer);
