import { resized, shapeImageOf, type AreaImage } from "../image/pixels";
import { cuesOf } from "./cues";
import { cutTree } from "./cut-tree";
import { mergeTree } from "./merge-tree";
import { squinted } from "./squint";
import { proposedCount } from "./stable-cuts";
import { featuresOf, superpixels } from "./superpixels";

/**
 * The whole way from a photo to its shapes: half-closed eyes, small pieces, merging, and the cut. The photo
 * worker goes the same way and keeps what it needs again.
 * @param mask 1 where the sheet reaches
 * @param shapes how many; null: as many as the photo suggests
 * @returns shape of each pixel from 0, -1 beyond the sheet
 */
export function proposeShapes(
  image: AreaImage,
  mask: Uint8Array,
  shapes: number | null = null,
): { readonly labels: Int32Array; readonly shapes: number } {
  const small = shapeImageOf(image);
  const calm = { ...small, oklab: squinted(small) };
  const pieces = superpixels(featuresOf(calm), small.width, small.height, resized(mask, image, small));
  const tree = mergeTree(pieces, cuesOf(calm));
  const cut = cutTree(tree, shapes ?? proposedCount(tree));
  const labels = pieces.labels.map((piece) => (piece < 0 ? -1 : cut.shapeOf[piece]!));
  return { labels: resized(labels, small, image), shapes: cut.shapes };
}
