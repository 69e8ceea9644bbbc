import { createHash } from "node:crypto";
import sharp from "sharp";

/** Largest upload, bytes, and largest picture, pixels. */
export const MAX_BYTES = 40 * 1024 * 1024;
export const MAX_PIXELS = 100_000_000;
/** Below this a side is too short to find areas in. */
const MIN_SIDE_PX = 32;
/** Longer side of the working copy that is shown and measured. */
const WORKING_SIDE_PX = 2000;

/** A photo that can't be taken; the message says what happened and what to do. */
export class PhotoRefused extends Error {}

export type PhotoFormat = "jpeg" | "png" | "webp";

/** A photo read and made ready: nothing is stored yet. */
export interface ReadPhoto {
  /** SHA-256 of the original, hex. */
  readonly id: string;
  readonly format: PhotoFormat;
  /** Size as it is seen, turned as the camera says. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly original: Buffer;
  /** sRGB, upright, at most 2000 pixels long, lossless WebP. */
  readonly working: Buffer;
  readonly workingWidthPx: number;
  readonly workingHeightPx: number;
}

const startsWith = (bytes: Buffer, text: string, at = 0): boolean => bytes.subarray(at, at + text.length).toString("latin1") === text;

/** Format by the file's first bytes; the file name and the browser's word are not asked. */
export function formatOf(bytes: Buffer): PhotoFormat | null {
  if (startsWith(bytes, "\xff\xd8\xff")) return "jpeg";
  if (startsWith(bytes, "\x89PNG\r\n\x1a\n")) return "png";
  if (startsWith(bytes, "RIFF") && startsWith(bytes, "WEBP", 8)) return "webp";
  return null;
}

/** APNG says so in an acTL chunk before the first IDAT (PNG specification, third edition). */
function isAnimatedPng(bytes: Buffer): boolean {
  for (let at = 8; at + 8 <= bytes.length; at += 12 + bytes.readUInt32BE(at)) {
    if (startsWith(bytes, "acTL", at + 4)) return true;
    if (startsWith(bytes, "IDAT", at + 4)) return false;
  }
  return false;
}

function refuseByContent(bytes: Buffer): PhotoFormat {
  if (bytes.length === 0) throw new PhotoRefused("The file is empty. Choose a photo saved as JPEG, PNG or WebP.");
  if (bytes.length > MAX_BYTES) throw new PhotoRefused("The file is over 40 MB. Save the photo smaller and try again.");
  const format = formatOf(bytes);
  if (!format) {
    const head = bytes.subarray(0, 400).toString("latin1").trimStart().toLowerCase();
    if (startsWith(bytes, "GIF8")) throw new PhotoRefused("This is a GIF. Save one picture of it as JPEG, PNG or WebP.");
    if (head.startsWith("<")) {
      throw new PhotoRefused("This is a drawing or a web page, not a photo. Choose a photo saved as JPEG, PNG or WebP.");
    }
    throw new PhotoRefused("This is not a photo that Abendrot can read. Choose a JPEG, PNG or WebP file.");
  }
  if (format === "png" && isAnimatedPng(bytes)) throw new PhotoRefused("This file moves. Save one still picture of it and try again.");
  return format;
}

/**
 * Reads an uploaded photo: checks what it really is, decodes it whole, turns it upright, brings it
 * to sRGB and makes the working copy. Throws PhotoRefused with words for the painter.
 */
export async function readPhoto(original: Buffer): Promise<ReadPhoto> {
  const format = refuseByContent(original);
  const damaged = new PhotoRefused("The photo is cut off or damaged. Copy it from the camera again, or export it anew.");
  // The size is checked from the header before a single pixel is decoded.
  const header = await sharp(original, { limitInputPixels: false }).metadata().catch(() => {
    throw damaged;
  });
  if ((header.pages ?? 1) > 1) throw new PhotoRefused("This file moves. Save one still picture of it and try again.");
  if (header.width * header.height > MAX_PIXELS) {
    const megapixels = Math.round((header.width * header.height) / 1e6);
    throw new PhotoRefused(`The photo has ${megapixels} megapixels; up to 100 can be read. Save it smaller and try again.`);
  }
  if (Math.min(header.width, header.height) < MIN_SIDE_PX) {
    throw new PhotoRefused(`The photo is only ${header.width} by ${header.height} pixels. Choose a larger one.`);
  }
  try {
    const { data, info } = await sharp(original, { limitInputPixels: MAX_PIXELS, failOn: "truncated" })
      .autoOrient()
      .flatten({ background: "#ffffff" })
      .toColourspace("srgb")
      .resize({ width: WORKING_SIDE_PX, height: WORKING_SIDE_PX, fit: "inside", withoutEnlargement: true })
      .webp({ lossless: true, effort: 0 })
      .toBuffer({ resolveWithObject: true });
    const { autoOrient } = header;
    return {
      id: createHash("sha256").update(original).digest("hex"),
      format,
      widthPx: autoOrient.width,
      heightPx: autoOrient.height,
      original,
      working: data,
      workingWidthPx: info.width,
      workingHeightPx: info.height,
    };
  } catch {
    throw damaged;
  }
}
