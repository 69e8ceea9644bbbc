/** Which area each pixel of a photo's map belongs to: 1 and up for areas, 0 for none yet. */
export interface LabelMap {
  readonly width: number;
  readonly height: number;
  readonly labels: Uint8Array;
}

/** Most areas that a map can tell apart. */
export const MAX_LABEL = 255;

export const emptyMap = (width: number, height: number): LabelMap => ({
  width,
  height,
  labels: new Uint8Array(width * height),
});

/** Label at a point given as shares of the photo; 0 outside it. */
export function labelAt({ width, height, labels }: LabelMap, x: number, y: number): number {
  if (!(x >= 0 && y >= 0 && x <= 1 && y <= 1)) return 0;
  return labels[Math.min(height - 1, Math.floor(y * height)) * width + Math.min(width - 1, Math.floor(x * width))]!;
}

/** A map with some pixels given to a label. */
export function withLabel(map: LabelMap, label: number, takes: (index: number) => boolean): LabelMap {
  const labels = map.labels.slice();
  for (let i = 0; i < labels.length; i++) if (takes(i)) labels[i] = label;
  return { ...map, labels };
}

/** Pixels of each label, by label. */
export function countLabels({ labels }: LabelMap): Uint32Array {
  const counts = new Uint32Array(MAX_LABEL + 1);
  for (let i = 0; i < labels.length; i++) counts[labels[i]!]!++;
  return counts;
}

/**
 * A point well inside a label's pixels, for a number to stand on: the pixel farthest from any
 * other label, found by two sweeps of city-block distances (Rosenfeld and Pfaltz 1966). Shares of
 * the photo; null when the label has no pixel.
 */
export function pointWithin({ width, height, labels }: LabelMap, label: number): { x: number; y: number } | null {
  const depth = new Uint16Array(labels.length);
  for (let i = 0; i < labels.length; i++) {
    if (labels[i] !== label) continue;
    depth[i] = 1 + Math.min(i % width > 0 ? depth[i - 1]! : 0, i >= width ? depth[i - width]! : 0);
  }
  let best = -1;
  let deepest = 0;
  for (let i = labels.length - 1; i >= 0; i--) {
    if (labels[i] !== label) continue;
    depth[i] = Math.min(
      depth[i]!,
      1 + Math.min(i % width < width - 1 ? depth[i + 1]! : 0, i < labels.length - width ? depth[i + width]! : 0),
    );
    if (depth[i]! >= deepest) {
      deepest = depth[i]!;
      best = i;
    }
  }
  return best < 0 ? null : { x: ((best % width) + 0.5) / width, y: (Math.floor(best / width) + 0.5) / height };
}

/**
 * A map as text: runs of equal labels row after row, each a label and a length in seven-bit groups
 * (LEB128), in Base64. A thousandth of the pixels for painted shapes.
 */
export function packMap({ labels }: LabelMap): string {
  const bytes: number[] = [];
  for (let start = 0; start < labels.length;) {
    let end = start + 1;
    while (end < labels.length && labels[end] === labels[start]) end++;
    bytes.push(labels[start]!);
    let length = end - start;
    while (length >= 128) {
      bytes.push((length & 127) | 128);
      length >>>= 7;
    }
    bytes.push(length);
    start = end;
  }
  let text = "";
  for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.slice(i, i + 8192));
  return btoa(text);
}

/** The map that `packMap` wrote. Throws a RangeError when the text is no map of that size. */
export function unpackMap(text: string, width: number, height: number): LabelMap {
  const labels = new Uint8Array(width * height);
  let bytes: string;
  try {
    bytes = atob(text);
  } catch {
    throw new RangeError("The areas' map can't be read.");
  }
  let at = 0;
  for (let i = 0; i < bytes.length;) {
    const label = bytes.charCodeAt(i++);
    let length = 0;
    let shift = 0;
    for (;;) {
      const byte = i < bytes.length ? bytes.charCodeAt(i++) : NaN;
      if (Number.isNaN(byte) || shift > 28) throw new RangeError("The areas' map is cut off.");
      length |= (byte & 127) << shift;
      shift += 7;
      if (byte < 128) break;
    }
    if (length <= 0 || at + length > labels.length) throw new RangeError("The areas' map is of another size.");
    labels.fill(label, at, at + length);
    at += length;
  }
  if (at !== labels.length) throw new RangeError("The areas' map is of another size.");
  return { width, height, labels };
}
