/// <reference lib="webworker" />
import { expose } from "comlink";
import {
  cuesOf,
  detailsOf,
  featuresOf,
  fillPolygon,
  knownPieces,
  labelUncovered,
  measureAreas,
  mergeTree,
  proposedCount,
  snapToEdges,
  splitArea,
  squinted,
  stableCounts,
  superpixels,
  uncoveredPieces,
  washPlan,
  type Cues,
  type LabelMap,
  type MergeTree,
  type KnownPieces,
  type Superpixels,
} from "@/core/areas";
import {
  areaImageOf,
  frameMask,
  lostValues,
  resized,
  shapeImageOf,
  stepShares,
  type AreaImage,
  type PixelArray,
  type WhiteMatrix,
} from "@/core/image";
import { oklabOfLab, type Lab } from "@/core/colour";
import { paperUnder } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { sheetFields, sheetLight, sheetPixels, washLook, type SheetFields, type WashLook } from "@/core/planning";
import { modelOf } from "./paint-message";
import type { Look, PhotoApi, SheetJob } from "./photo-api";

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
const calmed = latest<AreaImage>();
const masks = latest<Uint8Array>();
const cues = latest<Cues>();
const pieces = latest<Superpixels>();
const mapPieces = latest<KnownPieces>();
const smallImages = latest<AreaImage>();
const trees = latest<MergeTree>();

/**
 * The photo under a look, with what is known of it: made at its first use. Shapes are found on a smaller image of it.
 */
function under(look: Look) {
  if (!photo) throw new Error("The photo has not arrived yet.");
  const opened = photo;
  const white = JSON.stringify(look.white);
  const frame = JSON.stringify(look.frame);
  const image = images(white, () => areaImageOf(opened, look.white as unknown as WhiteMatrix));
  const mask = masks(frame, () => frameMask(look.frame, image));
  const small = (): AreaImage => smallImages(white, () => shapeImageOf(image));
  const calm = (): AreaImage => calmed(white, () => ({ ...small(), oklab: squinted(small()) }));
  const smallPieces = (): Superpixels =>
    pieces(white + frame, () => {
      const { width, height } = small();
      return superpixels(featuresOf(calm()), width, height, resized(mask, image, small()));
    });
  return {
    photo: opened,
    image,
    mask,
    small,
    calm,
    cues: () => cues(white, () => cuesOf(calm())),
    smallPieces,
    /** The same pieces on the map. */
    pieces: () =>
      mapPieces(white + frame, () => {
        const { width, height } = image;
        const labels = resized(smallPieces().labels, small(), image);
        return knownPieces({ ...smallPieces(), width, height, labels }, featuresOf(image));
      }),
  };
}

const mapOf = ({ width, height }: AreaImage, labels: Uint8Array) => ({ width, height, labels });

/** Areas within the sheet, at the size that shapes are found at. */
function smallMap({ image, mask, small }: ReturnType<typeof under>, labels: Uint8Array): LabelMap {
  const visible = labels.map((label, i) => (mask[i] ? label : 0));
  return mapOf(small(), resized(visible, image, small()));
}

type SheetJobColour = SheetJob["washes"][number]["colours"][number];

const fields = latest<SheetFields>();
/** Looks of washes lately drawn: a slider asks for the same ones again and again. */
const looks = new Map<string, WashLook>();
const MOST_LOOKS = 200;

function lookOf({ parts, load, under: below }: SheetJobColour, paperId: string): WashLook {
  const key = JSON.stringify([paperId, parts, load, below]);
  const known = looks.get(key);
  if (known) return known;
  if (looks.size >= MOST_LOOKS) looks.clear();
  const mixOf = (film: Pick<SheetJobColour, "parts">) =>
    film.parts.map((part) => ({ paint: modelOf(part.paint), parts: part.parts }));
  const ground = below.reduce(
    (paper, film) => paperUnder({ mix: mixOf(film), load: film.load }, paper),
    paperById(paperId),
  );
  const made = washLook(mixOf({ parts }), load, ground);
  looks.set(key, made);
  return made;
}

const oklabTuple = (lab: Lab): readonly [number, number, number] => {
  const { L, a, b } = oklabOfLab(lab);
  return [L, a, b];
};

expose({
  open(opened) {
    photo = opened;
  },
  propose(look, labels, shapes) {
    const start = performance.now();
    const seen = under(look);
    const small = seen.pieces();
    const only = uncoveredPieces(small, labels);
    const tree = trees(JSON.stringify(look) + String(only), () => mergeTree(seen.smallPieces(), seen.cues(), only));
    const wanted = shapes ?? proposedCount(tree);
    return {
      ...labelUncovered(small, tree, only, labels, wanted),
      stable: stableCounts(tree),
      milliseconds: performance.now() - start,
    };
  },
  measure(look, labels) {
    const { image, mask } = under(look);
    return measureAreas(mapOf(image, labels), image, mask, look.frame.width * image.width);
  },
  details(look, labels) {
    const seen = under(look);
    return detailsOf(smallMap(seen, labels), seen.small(), seen.calm().oklab);
  },
  washes(look, labels, bother, wanted) {
    const seen = under(look);
    const { small } = seen;
    const map = smallMap(seen, labels);
    return wanted.map(({ label, kind }) => washPlan(map, label, small(), bother, kind));
  },
  shares(look, steps) {
    const seen = under(look);
    return { steps: stepShares(seen.image, seen.mask, steps), ...lostValues(seen.photo, seen.mask, seen.image) };
  },
  enclose(look, points, snap) {
    const seen = under(look);
    const drawn = fillPolygon(points, seen.image.width, seen.image.height);
    const shape = snap ? snapToEdges(drawn, seen.pieces()) : drawn;
    return shape.map((inside, i) => inside & seen.mask[i]!);
  },
  sheet(look, labels, { paperId, mmPerPx, washes }) {
    const { image } = under(look);
    const place = { width: image.width, height: image.height, labels, oklab: image.oklab, mmPerPx };
    const known = fields(JSON.stringify([look.white, mmPerPx]), () => sheetFields(place));
    return sheetPixels(
      place,
      known,
      washes.map(({ label, kind, colours, others, run, soft }) => ({
        label,
        kind,
        run,
        soft,
        looks: colours.map((colour) => lookOf(colour, paperId)),
        photo: colours.map(({ photo: lab }) => oklabTuple(lab)),
        others: others.map(oklabTuple),
      })),
      sheetLight(paperById(paperId)),
    );
  },
  split(look, labels, label) {
    const seen = under(look);
    return splitArea(mapOf(seen.image, labels), label, seen.pieces(), (within, smallest) =>
      mergeTree(seen.smallPieces(), seen.cues(), within, smallest),
    );
  },
} satisfies PhotoApi);
