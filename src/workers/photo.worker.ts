/// <reference lib="webworker" />
import { expose } from "comlink";
import {
  featuresOf,
  fillPolygon,
  labelUncovered,
  measureAreas,
  mergeTree,
  snapToEdges,
  splitArea,
  superpixels,
  uncoveredPieces,
  type MergeTree,
  type Superpixels,
} from "@/core/areas";
import {
  areaImageOf,
  frameMask,
  lostValues,
  stepShares,
  type AreaImage,
  type PixelArray,
  type WhiteMatrix,
} from "@/core/image";
import type { Look, PhotoApi } from "./photo-api";

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

/** The photo under a look, with what is known of it: made at its first use. */
function under(look: Look) {
  if (!photo) throw new Error("The photo has not arrived yet.");
  const opened = photo;
  const white = JSON.stringify(look.white);
  const frame = JSON.stringify(look.frame);
  const image = images(white, () => areaImageOf(opened, look.white as unknown as WhiteMatrix));
  const mask = masks(frame, () => frameMask(look.frame, image));
  const featuresNow = (): Float32Array => features(white, () => featuresOf(image));
  return {
    photo: opened,
    image,
    mask,
    features: featuresNow,
    pieces: () => pieces(white + frame, () => superpixels(featuresNow(), image.width, image.height, mask)),
  };
}

const mapOf = ({ width, height }: AreaImage, labels: Uint8Array) => ({ width, height, labels });

expose({
  open(opened) {
    photo = opened;
  },
  propose(look, labels, shapes) {
    const start = performance.now();
    const seen = under(look);
    const small = seen.pieces();
    const only = uncoveredPieces(small, labels);
    const tree = trees(JSON.stringify(look) + String(only), () => mergeTree(small, seen.features(), only));
    return { ...labelUncovered(small, tree, only, labels, shapes), milliseconds: performance.now() - start };
  },
  measure(look, labels) {
    const { image, mask } = under(look);
    return measureAreas(mapOf(image, labels), image, mask, look.frame.width * image.width);
  },
  shares(look, steps) {
    const seen = under(look);
    return { steps: stepShares(seen.image, seen.mask, steps), ...lostValues(seen.photo, seen.mask, seen.image) };
  },
  enclose(look, points, snap) {
    const seen = under(look);
    const drawn = fillPolygon(points, seen.image.width, seen.image.height);
    const shape = snap ? snapToEdges(drawn, seen.pieces(), seen.features()) : drawn;
    return shape.map((inside, i) => inside & seen.mask[i]);
  },
  split(look, labels, label) {
    const seen = under(look);
    return splitArea(mapOf(seen.image, labels), label, seen.pieces(), seen.features());
  },
} satisfies PhotoApi);
