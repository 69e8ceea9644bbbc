import type { AreaImage } from "../image/pixels";

/**
 * How much a difference in lightness counts against one in OKLab a and b: values decide before
 * hue. Chosen on the demo photo and synthetic scenes.
 */
const VALUE_WEIGHT = 1.5;

/** A photo in small pieces that keep to its edges. */
export interface Superpixels {
  readonly width: number;
  readonly height: number;
  /** Piece of each pixel, 0 to count - 1; -1 where the sheet doesn't reach. */
  readonly labels: Int32Array;
  readonly count: number;
}

/**
 * Distance between the first centres as a share of the longer side: about a millimetre and a half on a sheet 15 cm
 * wide.
 */
const SPACING_SHARE = 0.011;
const LEAST_SPACING_PX = 5;
const spacingOf = (width: number, height: number): number =>
  Math.max(LEAST_SPACING_PX, Math.round(SPACING_SHARE * Math.max(width, height)));

/**
 * Weight of position against colour (SLIC's compactness over the spacing), in OKLab units. From memory, tried on the
 * demo.
 */
const COMPACTNESS = 0.05;
const ROUNDS = 5;

/** OKLab with the value weight, lightly smoothed (3 by 3 binomial) so that noise and grain make no pieces. */
export function featuresOf({ width, height, oklab }: AreaImage): Float32Array {
  const across = new Float32Array(oklab.length);
  const out = new Float32Array(oklab.length);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = 3 * (y * width + x);
      const left = x > 0 ? at - 3 : at;
      const right = x < width - 1 ? at + 3 : at;
      for (let c = 0; c < 3; c++) across[at + c] = (oklab[left + c]! + 2 * oklab[at + c]! + oklab[right + c]!) / 4;
    }
  }
  const row = 3 * width;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = 3 * (y * width + x);
      const above = y > 0 ? at - row : at;
      const below = y < height - 1 ? at + row : at;
      for (let c = 0; c < 3; c++) {
        const mean = (across[above + c]! + 2 * across[at + c]! + across[below + c]!) / 4;
        out[at + c] = c === 0 ? VALUE_WEIGHT * mean : mean;
      }
    }
  }
  return out;
}

interface Centres {
  readonly count: number;
  /** Distance between them at first, px. */
  readonly spacing: number;
  /** L, a, b, x, y of each. */
  readonly data: Float32Array;
}

function firstCentres(features: Float32Array, width: number, height: number, mask: Uint8Array): Centres {
  const data: number[] = [];
  const spacing = spacingOf(width, height);
  for (let y = spacing / 2; y < height; y += spacing) {
    for (let x = spacing / 2; x < width; x += spacing) {
      const at = Math.floor(y) * width + Math.floor(x);
      if (mask[at]) data.push(features[3 * at]!, features[3 * at + 1]!, features[3 * at + 2]!, x, y);
    }
  }
  return { count: data.length / 5, spacing, data: Float32Array.from(data) };
}

function assign(
  features: Float32Array,
  width: number,
  height: number,
  mask: Uint8Array,
  { count, spacing, data }: Centres,
  labels: Int32Array,
  distance: Float32Array,
): void {
  distance.fill(Infinity);
  const nearness = (COMPACTNESS / spacing) ** 2;
  for (let k = 0; k < count; k++) {
    const at = 5 * k;
    const [L, a, b, cx, cy] = [data[at], data[at + 1], data[at + 2], data[at + 3], data[at + 4]];
    const top = Math.max(0, Math.ceil(cy! - spacing));
    const bottom = Math.min(height - 1, Math.floor(cy! + spacing));
    const left = Math.max(0, Math.ceil(cx! - spacing));
    const right = Math.min(width - 1, Math.floor(cx! + spacing));
    for (let y = top; y <= bottom; y++) {
      const dy = (y - cy!) * (y - cy!) * nearness;
      for (let x = left; x <= right; x++) {
        const i = y * width + x;
        if (mask[i] === 0) continue;
        const dL = features[3 * i]! - L!;
        const da = features[3 * i + 1]! - a!;
        const db = features[3 * i + 2]! - b!;
        const d = dL * dL + da * da + db * db + dy + (x - cx!) * (x - cx!) * nearness;
        if (d < distance[i]!) {
          distance[i] = d;
          labels[i] = k;
        }
      }
    }
  }
}

function recentre(features: Float32Array, width: number, { count, data }: Centres, labels: Int32Array): void {
  const sums = new Float64Array(6 * count);
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i]!;
    if (k < 0) continue;
    const at = 6 * k;
    sums[at]! += features[3 * i]!;
    sums[at + 1]! += features[3 * i + 1]!;
    sums[at + 2]! += features[3 * i + 2]!;
    sums[at + 3]! += i % width;
    sums[at + 4]! += Math.floor(i / width);
    sums[at + 5]!++;
  }
  for (let k = 0; k < count; k++) {
    const n = sums[6 * k + 5]!;
    if (n > 0) for (let c = 0; c < 5; c++) data[5 * k + c] = sums[6 * k + c]! / n;
  }
}

/** Patches of equal labels that hang together, numbered from 0 in reading order; -1 where the sheet doesn't reach. */
function connectedPatches(width: number, labels: Int32Array): { patches: Int32Array; count: number } {
  const patches = new Int32Array(labels.length).fill(-2);
  const queue = new Int32Array(labels.length);
  let count = 0;
  for (let start = 0; start < labels.length; start++) {
    if (patches[start] !== -2) continue;
    if (labels[start]! < 0) {
      patches[start] = -1;
      continue;
    }
    let length = 1;
    queue[0] = start;
    patches[start] = count;
    for (let head = 0; head < length; head++) {
      const i = queue[head]!;
      const x = i % width;
      if (x > 0 && patches[i - 1] === -2 && labels[i - 1] === labels[start]) patches[(queue[length++] = i - 1)] = count;
      if (x < width - 1 && patches[i + 1] === -2 && labels[i + 1] === labels[start])
        patches[(queue[length++] = i + 1)] = count;
      if (i >= width && patches[i - width] === -2 && labels[i - width] === labels[start])
        patches[(queue[length++] = i - width)] = count;
      if (i < labels.length - width && patches[i + width] === -2 && labels[i + width] === labels[start])
        patches[(queue[length++] = i + width)] = count;
    }
    count++;
  }
  return { patches, count };
}

/** Pixels of each label from 0 to count - 1, and the mean of its features, three numbers each. */
export function sizesAndColours(labels: Int32Array, count: number, features: Float32Array) {
  const sizes = new Uint32Array(count);
  const colours = new Float64Array(3 * count);
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i]!;
    if (k < 0) continue;
    sizes[k]!++;
    for (let c = 0; c < 3; c++) colours[3 * k + c]! += features[3 * i + c]!;
  }
  for (let k = 0; k < count; k++) for (let c = 0; c < 3; c++) colours[3 * k + c]! /= sizes[k]!;
  return { sizes, colours };
}

/**
 * Makes every piece one connected patch: scraps smaller than a quarter of a piece join the neighbour most like them.
 */
function connect(
  width: number,
  labels: Int32Array,
  features: Float32Array,
  spacing: number,
): { labels: Int32Array; count: number } {
  const { patches, count } = connectedPatches(width, labels);
  const { sizes: size, colours: mean } = sizesAndColours(patches, count, features);
  const smallest = (spacing * spacing) / 4;
  const into = new Int32Array(count).fill(-1);
  const least = new Float64Array(count).fill(Infinity);
  const offer = (scrap: number, other: number): void => {
    if (scrap < 0 || other < 0 || scrap === other || size[scrap]! >= smallest) return;
    // Larger neighbours first: a scrap beside scraps alone would only make a larger scrap.
    const strange =
      Math.hypot(
        mean[3 * scrap]! - mean[3 * other]!,
        mean[3 * scrap + 1]! - mean[3 * other + 1]!,
        mean[3 * scrap + 2]! - mean[3 * other + 2]!,
      ) + (size[other]! < smallest ? 10 : 0);
    if (strange < least[scrap]!) {
      least[scrap] = strange;
      into[scrap] = other;
    }
  };
  for (let i = 0; i < patches.length; i++) {
    if (i % width < width - 1) {
      offer(patches[i]!, patches[i + 1]!);
      offer(patches[i + 1]!, patches[i]!);
    }
    if (i < patches.length - width) {
      offer(patches[i]!, patches[i + width]!);
      offer(patches[i + width]!, patches[i]!);
    }
  }
  const number = new Int32Array(count).fill(-1);
  let pieces = 0;
  const homeOf = (k: number): number => {
    let home = k;
    for (let hops = 0; into[home]! >= 0 && hops < 8; hops++) home = into[home]!;
    return home;
  };
  const out = new Int32Array(labels.length).fill(-1);
  for (let i = 0; i < patches.length; i++) {
    if (patches[i]! < 0) continue;
    const home = homeOf(patches[i]!);
    if (number[home]! < 0) number[home] = pieces++;
    out[i] = number[home]!;
  }
  return { labels: out, count: pieces };
}

/**
 * Divides a photo into small pieces that keep to its edges: SLIC (Achanta et al. 2012, "SLIC
 * superpixels compared to state-of-the-art superpixel methods") on OKLab and position.
 * @param features three a pixel, from `featuresOf`
 * @param mask 1 where the sheet reaches
 */
export function superpixels(features: Float32Array, width: number, height: number, mask: Uint8Array): Superpixels {
  const centres = firstCentres(features, width, height, mask);
  const labels = new Int32Array(width * height).fill(-1);
  const distance = new Float32Array(width * height);
  for (let round = 0; round < ROUNDS; round++) {
    assign(features, width, height, mask, centres, labels, distance);
    recentre(features, width, centres, labels);
  }
  return { width, height, ...connect(width, labels, features, centres.spacing) };
}
