import { createHash } from "node:crypto";
import { createReadStream } from "node:fs";
import { open, stat } from "node:fs/promises";
import sharp, { type Metadata, type Sharp } from "sharp";
import { LIMITS } from "@/model/limits";
import { runAside, TooMuchMemory } from "./aside";
import { decodeHeic } from "./heic";
import { codedColourOf, formatOf, isAnimatedPng, isCameraRaw, otherKindOf, type PhotoFormat } from "./photo-format";
import { shrink, type ShrinkWishes } from "./shrink.mjs";
import { convert, isDisplayP3, isUsable, standardProfile, toDisplayP3, type FilePixels } from "./working-space";

/** Largest picture, pixels, and its longer side: no camera's or scanner's file is longer (a JPEG can't be). */
const MAX_PIXELS = 100_000_000;
const MAX_SIDE_PX = 65_535;
/** HEIC is decoded whole before it can be shrunk: more pixels would not fit the memory set for the server. */
const MAX_HEIC_PIXELS = 50_000_000;
/** Below this a side is too short to find areas in. */
const MIN_SIDE_PX = 32;
/** Longer side of the working copy that is shown and measured. */
const WORKING_SIDE_PX = 2000;
const HEAD_BYTES = 1 << 20;

const CHOOSE = "Choose a photo saved as JPEG, HEIC, PNG, TIFF, WebP or AVIF.";
const MOVES = "This file moves. Save one still picture of it and try again.";

/** A photo that can't be taken; the message says what happened and what to do. */
export class PhotoRefused extends Error {}

/** A photo read and made ready: nothing is stored yet. */
export interface ReadPhoto {
  /** SHA-256 of the original, hex. */
  readonly id: string;
  readonly format: PhotoFormat;
  readonly bytes: number;
  /** Size as it is seen, turned as the camera says. */
  readonly widthPx: number;
  readonly heightPx: number;
  /**
   * Display P3, upright, at most 2000 pixels long, PNG without a profile: larger than a lossless WebP and made twenty
   * times as fast.
   */
  readonly working: Buffer;
  readonly workingWidthPx: number;
  readonly workingHeightPx: number;
}

async function headOf(path: string): Promise<Buffer> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(HEAD_BYTES), 0, HEAD_BYTES, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

function refuseByContent(head: Buffer, bytes: number): PhotoFormat {
  if (bytes === 0) throw new PhotoRefused(`The file is empty. ${CHOOSE}`);
  if (bytes > LIMITS.photoBytes)
    throw new PhotoRefused("The file is over 300 MB. Save the photo smaller and try again.");
  const format = formatOf(head);
  if (!format) {
    const other = otherKindOf(head);
    if (other === "gif") throw new PhotoRefused(`This is a GIF. ${CHOOSE}`);
    if (other === "markup") throw new PhotoRefused(`This is a drawing or a web page, not a photo. ${CHOOSE}`);
    if (other === "video") throw new PhotoRefused(`This is a film or a file of another kind. ${CHOOSE}`);
    throw new PhotoRefused(`This is not a photo that Abendrot can read. ${CHOOSE}`);
  }
  if (format === "png" && isAnimatedPng(head)) throw new PhotoRefused(MOVES);
  if (format === "tiff" && isCameraRaw(head))
    throw new PhotoRefused(
      "This is a camera's raw file. Develop it on your computer or camera and save it as JPEG or TIFF.",
    );
  return format;
}

function refuseBySize({ width, height, pages }: Metadata, format: PhotoFormat): void {
  if ((pages ?? 1) > 1 && format !== "tiff" && format !== "heic") throw new PhotoRefused(MOVES);
  const limit = format === "heic" ? MAX_HEIC_PIXELS : MAX_PIXELS;
  if (width * height > limit) {
    throw new PhotoRefused(
      `The photo has ${Math.round((width * height) / 1e6)} megapixels; up to ${limit / 1e6} can be read${format === "heic" ? " from HEIC" : ""}. Save it smaller and try again.`,
    );
  }
  if (Math.min(width, height) < MIN_SIDE_PX)
    throw new PhotoRefused(`The photo is only ${width} by ${height} pixels. Choose a larger one.`);
  const long = Math.max(width, height);
  const shortened = (Math.min(width, height) * Math.min(WORKING_SIDE_PX, long)) / long;
  if (long > MAX_SIDE_PX || shortened < MIN_SIDE_PX)
    throw new PhotoRefused(
      `The photo is a strip of ${width} by ${height} pixels: too long and too narrow to plan a painting from. Cut a part of it and try again.`,
    );
}

/** Coding points (ITU-T H.273): primaries of Display P3, and the two transfer curves of high dynamic range. */
const P3_PRIMARIES = 12;
const HDR_TRANSFERS = new Set([16, 18]);

/** The profile that a file's pixels are in, or null for sRGB. */
async function profileOf(head: Buffer, header: Metadata, channels: 1 | 3): Promise<Buffer | null> {
  if (isUsable(header.icc, channels)) return header.icc;
  const coded = header.icc ? null : codedColourOf(head);
  if (coded && HDR_TRANSFERS.has(coded.transfer)) {
    throw new PhotoRefused(
      "This photo has a high dynamic range that can't be measured yet. Export it with standard range and try again.",
    );
  }
  return coded?.primaries === P3_PRIMARIES && channels === 3 ? standardProfile("p3") : null;
}

const within = (image: Sharp, side: number): Sharp =>
  image.resize({ width: side, height: side, fit: "inside", withoutEnlargement: true });

function to16Bits(bytes: Uint8Array): Uint16Array {
  const out = new Uint16Array(bytes.length);
  for (let i = 0; i < bytes.length; i++) out[i] = bytes[i]! * 257;
  return out;
}

interface Shrunk extends FilePixels {
  readonly width: number;
  readonly height: number;
  /** How the picture has yet to be turned (Exif orientation). */
  readonly orientation: number;
  /** The whole picture's size, upright. */
  readonly full: { readonly width: number; readonly height: number };
}

/**
 * Pictures whose pixels take more than this are decoded in a process of their own, whatever way their file has them,
 * bytes.
 */
const ASIDE_BYTES = 150 * 1024 * 1024;
const SHRUNK_HEAD_BYTES = 8;

/** Shrinks a picture here, or, when it is large, in a process of its own whose memory is watched. */
async function shrunk(
  path: string,
  { width, height, channels, depth }: Metadata,
  wishes: ShrinkWishes,
): Promise<{ data: Buffer; width: number; height: number }> {
  if (width * height * channels * (depth === "uchar" ? 1 : 2) <= ASIDE_BYTES) return shrink(path, wishes);
  const out = await runAside(
    "shrinker.mjs",
    path,
    String(wishes.side),
    wishes.space,
    wishes.depth,
    ...(wishes.keepProfile ? ["icc"] : []),
  );
  return { width: out.readUInt32LE(0), height: out.readUInt32LE(4), data: out.subarray(SHRUNK_HEAD_BYTES) };
}

/** A picture with a longer side of at most `side` pixels in the file's own colours, as it lies in the file. */
async function shrinkInOwnColours(path: string, head: Buffer, header: Metadata, side: number): Promise<Shrunk> {
  const grey = header.space === "b-w" || header.space === "grey16";
  const plain = grey || header.space === "srgb" || header.space === "rgb" || header.space === "rgb16";
  const wide = plain && header.depth === "ushort";
  const icc = plain ? await profileOf(head, header, grey ? 1 : 3) : null;
  // With a usable profile the pixels are left as they are; otherwise libvips brings them to sRGB.
  const own = icc && grey;
  const space = own ? (wide ? "grey16" : "b-w") : wide ? "rgb16" : "srgb";
  const { data, width, height } = await shrunk(path, header, {
    side,
    space,
    depth: wide ? "ushort" : "uchar",
    keepProfile: icc !== null,
  });
  return {
    data: wide ? new Uint16Array(Uint8Array.from(data).buffer) : to16Bits(data),
    channels: own ? 1 : 3,
    icc,
    width,
    height,
    orientation: header.orientation ?? 1,
    full: header.autoOrient,
  };
}

async function shrinkHeic(path: string, head: Buffer, header: Metadata, side: number): Promise<Shrunk> {
  const icc = await profileOf(head, header, 3);
  const { data, width, height, fullWidth, fullHeight } = await decodeHeic(path, side);
  const small = await within(sharp(data, { raw: { width, height, channels: 3 } }), side)
    .raw()
    .toBuffer({ resolveWithObject: true });
  return {
    data: to16Bits(small.data),
    channels: 3,
    icc,
    width: small.info.width,
    height: small.info.height,
    // The decoder has turned it already.
    orientation: 1,
    full: { width: fullWidth, height: fullHeight },
  };
}

/** Turns a picture as the camera's orientation number says (Exif 2.32, tag 0x0112). */
function turned(image: Sharp, orientation: number): Sharp {
  const degrees = [0, 0, 0, 180, 180, 270, 90, 90, 270][orientation] ?? 0;
  const mirrored = [2, 4, 5, 7].includes(orientation);
  // sharp mirrors before it turns, whatever the order of the calls.
  const upright = degrees === 0 ? image : image.rotate(degrees);
  return mirrored ? upright.flop() : upright;
}

function sha256Of(path: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const hash = createHash("sha256");
    createReadStream(path)
      .on("data", (chunk) => hash.update(chunk))
      .on("end", () => resolve(hash.digest("hex")))
      .on("error", reject);
  });
}

// Photos are read one after another and hardly ever twice: what libvips would keep of them is only in the way.
sharp.cache(false);

let last: Promise<unknown> = Promise.resolve();
/** One picture at a time: several large ones at once would not fit the memory. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = last.then(work, work);
  last = mine.catch(() => {});
  return mine;
}

const headerOf = (path: string): Promise<Metadata> => sharp(path, { limitInputPixels: false }).metadata();

/** The picture upright in Display P3, its longer side at most `side` pixels, and its whole size. */
async function develop(
  path: string,
  format: PhotoFormat,
  head: Buffer,
  header: Metadata,
  side: number,
): Promise<{ image: Sharp; full: Shrunk["full"] }> {
  const small = await (format === "heic" ? shrinkHeic : shrinkInOwnColours)(path, head, header, side);
  const pixels = await toDisplayP3(small);
  const raw = sharp(pixels, { raw: { width: small.width, height: small.height, channels: 3 } });
  return { image: turned(raw, small.orientation), full: small.full };
}

/**
 * Reads an uploaded photo: checks what it really is, decodes it whole, turns it upright, brings it
 * from its own profile to Display P3 and makes the working copy. Throws PhotoRefused with words
 * for the painter.
 */
export function readPhoto(path: string): Promise<ReadPhoto> {
  return inTurn(async () => {
    const head = await headOf(path);
    const { size } = await stat(path);
    const format = refuseByContent(head, size);
    const damaged = new PhotoRefused(
      "The photo is cut off or damaged. Copy it from the camera again, or export it anew.",
    );
    // The size is checked from the header before a single pixel is decoded.
    const header = await headerOf(path).catch(() => {
      throw damaged;
    });
    refuseBySize(header, format);
    try {
      const { image, full } = await develop(path, format, head, header, WORKING_SIDE_PX);
      const { data, info } = await image.png({ compressionLevel: 1 }).toBuffer({ resolveWithObject: true });
      return {
        id: await sha256Of(path),
        format,
        bytes: size,
        widthPx: full.width,
        heightPx: full.height,
        working: data,
        workingWidthPx: info.width,
        workingHeightPx: info.height,
      };
    } catch (error) {
      if (error instanceof TooMuchMemory)
        throw new PhotoRefused(
          "The photo takes too much memory as it is saved. Save it smaller, or as a plain JPEG (not progressive or interlaced), and try again.",
        );
      throw error instanceof PhotoRefused ? error : damaged;
    }
  });
}

/** Longer side of the copy shown when the painter goes close, px: a photo of 24 megapixels has 6000. */
const CLOSE_SIDE_PX = 6000;

/**
 * A copy for going close, upright JPEG whose bytes are Display P3: what is seen, not what is
 * measured. Colours beyond sRGB are cut to it on the way, but for the HEIC files of phones, which
 * are in Display P3 already.
 */
export function closeCopy(path: string, format: PhotoFormat): Promise<Buffer> {
  return inTurn(async () => {
    const { icc } = await headerOf(path);
    const words = format === "heic" ? ["heic", ...(icc && isDisplayP3(icc) ? ["p3"] : [])] : [];
    return runAside("close-copier.mjs", path, String(CLOSE_SIDE_PX), ...words);
  });
}

/** Longer side of the copy that is seen while the working copy is on its way, px: as wide as the desk shows it. */
const VIEW_SIDE_PX = 1280;

/** A copy to be seen at once: JPEG of the working copy, its bytes Display P3 like those; a tenth of the size. */
export const viewCopy = (working: Buffer): Promise<Buffer> =>
  within(sharp(working), VIEW_SIDE_PX).removeAlpha().jpeg({ quality: 88, chromaSubsampling: "4:4:4" }).toBuffer();

/** Longer side of the picture in lists, px. */
const SMALL_SIDE_PX = 320;

/** A small picture for lists, sRGB, from the working copy. */
export async function smallCopy(working: Buffer): Promise<Buffer> {
  const { data, info } = await within(sharp(working), SMALL_SIDE_PX)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const [p3, srgb] = await Promise.all([standardProfile("p3"), standardProfile("srgb")]);
  const pixels = await convert({ data: to16Bits(data), channels: 3, icc: p3 }, srgb);
  return sharp(pixels, { raw: { width: info.width, height: info.height, channels: 3 } })
    .jpeg({ quality: 85 })
    .toBuffer();
}
