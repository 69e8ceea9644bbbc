/// <reference lib="webworker" />
import { cutTree, featuresOf, fillPolygon, MAX_LABEL, measureAreas, mergeTree, snapToEdges, splitArea, superpixels, type LabelMap, type MergeTree, type Superpixels } from "@/core/areas";
import { areaImageOf, BLOCKED_BYTE, BURNT_BYTE, frameMask, stepShares, type AreaImage, type PixelArray, type WhiteMatrix } from "@/core/image";
import { answerWith } from "./answering";
import type { Look, PhotoAnswers, PhotoQuestion, PhotoRequest } from "./photo-messages";

let photo: PixelArray | null = null;

/** Keeps the last result for as long as its key stays the same. */
function latest<T>(): (key: string, make: () => T) => T {
  let kept: { key: string; value: T } | null = null;
  return (key, make) => {
    if (kept?.key !== key) kept = { key, value: make() };
    return kept.value;
  };
}
const images = latest<AreaImage>();
const masks = latest<Uint8Array>();
const features = latest<Float32Array>();
const pieces = latest<Superpixels>();
const trees = latest<MergeTree>();

function prepared(look: Look) {
  if (!photo) throw new Error("The photo has not arrived yet.");
  const open = photo;
  const white = JSON.stringify(look.white);
  const frame = JSON.stringify(look.frame);
  const image = images(white, () => areaImageOf(open, look.white as unknown as WhiteMatrix));
  const mask = masks(frame, () => frameMask(look.frame, image));
  return {
    image, mask,
    features: () => features(white, () => featuresOf(image)),
    pieces: () => pieces(white + frame, () => superpixels(features(white, () => featuresOf(image)), image.width, image.height, mask)),
  };
}

/** Pieces that no label covers for the most part. */
function uncovered({ labels, count }: Superpixels, taken: Uint8Array): Uint8Array {
  const free = new Int32Array(count);
  for (let i = 0; i < labels.length; i++) if (labels[i] >= 0) free[labels[i]] += taken[i] === 0 ? 1 : -1;
  return Uint8Array.from(free, (balance) => (balance > 0 ? 1 : 0));
}

function propose({ look, labels, shapes }: Extract<PhotoQuestion, { kind: "propose" }>): PhotoAnswers["propose"] {
  const start = performance.now();
  const ready = prepared(look);
  const small = ready.pieces();
  const only = uncovered(small, labels);
  const key = JSON.stringify(look) + String(only);
  const tree = trees(key, () => mergeTree(small, ready.features(), only));
  const cut = cutTree(tree, Math.min(shapes, MAX_LABEL), (piece) => only[piece] === 1);
  const out = new Uint8Array(labels.length);
  for (let i = 0; i < out.length; i++) {
    const piece = small.labels[i];
    if (piece >= 0 && labels[i] === 0 && cut.shapeOf[piece] >= 0) out[i] = Math.min(MAX_LABEL, cut.shapeOf[piece] + 1);
  }
  return { labels: out, shapes: Math.min(MAX_LABEL, cut.shapes), milliseconds: performance.now() - start };
}

/** Shares of the sheet that are burnt out and blocked, on the photo's own pixels. */
function lost({ data, width, height }: PixelArray, mask: Uint8Array, image: AreaImage): { burnt: number; blocked: number } {
  let [burnt, blocked, all] = [0, 0, 0];
  for (let y = 0; y < height; y++) {
    const row = Math.min(image.height - 1, Math.floor((y * image.height) / height)) * image.width;
    for (let x = 0; x < width; x++) {
      if (mask[row + Math.min(image.width - 1, Math.floor((x * image.width) / width))] === 0) continue;
      const at = 4 * (y * width + x);
      const high = Math.max(data[at], data[at + 1], data[at + 2]);
      all++;
      if (high >= BURNT_BYTE) burnt++;
      else if (high <= BLOCKED_BYTE) blocked++;
    }
  }
  return { burnt: burnt / Math.max(1, all), blocked: blocked / Math.max(1, all) };
}

function answer(question: PhotoRequest): PhotoAnswers[keyof PhotoAnswers] {
  if (question.kind === "open") {
    photo = question;
    return { opened: true };
  }
  if (question.kind === "propose") return propose(question);
  const ready = prepared(question.look);
  const { image, mask } = ready;
  const mapOf = (labels: Uint8Array): LabelMap => ({ width: image.width, height: image.height, labels });
  switch (question.kind) {
    case "measure":
      return measureAreas(mapOf(question.labels), image, mask, question.look.frame.width * image.width);
    case "shares":
      return { steps: stepShares(image, mask, question.steps), ...lost(photo!, mask, image) };
    case "enclose": {
      const drawn = fillPolygon(question.points, image.width, image.height);
      const shape = question.snap ? snapToEdges(drawn, ready.pieces(), ready.features()) : drawn;
      return { mask: shape.map((inside, i) => inside & mask[i]) };
    }
    case "split":
      return { mask: splitArea(mapOf(question.labels), question.label, ready.pieces(), ready.features()) };
  }
}

answerWith(answer);
