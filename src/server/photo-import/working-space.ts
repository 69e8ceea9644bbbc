import {
  cmsFLAGS_HIGHRESPRECALC,
  instantiate,
  INTENT_RELATIVE_COLORIMETRIC,
  TYPE_GRAY_16,
  TYPE_RGB_16,
} from "lcms-wasm";
import { createHash } from "node:crypto";
import sharp from "sharp";

/** Pixels as a file has them: whole-row interleaved, 16 bits a channel. */
export interface FilePixels {
  readonly data: Uint16Array;
  readonly channels: 1 | 3;
  /** The file's profile, or null for sRGB. */
  readonly icc: Buffer | null;
}

type Lcms = Awaited<ReturnType<typeof instantiate>>;
let engine: Promise<Lcms> | undefined;
const profiles = new Map<"p3" | "srgb", Promise<Buffer>>();

/** Display P3's or sRGB's profile as libvips ships it (D65 white, the transfer curve of sRGB). */
export function standardProfile(space: "p3" | "srgb"): Promise<Buffer> {
  let profile = profiles.get(space);
  if (!profile) {
    profile = sharp({ create: { width: 1, height: 1, channels: 3, background: "#fff" } })
      .withIccProfile(space)
      .png()
      .toBuffer()
      .then((png) => sharp(png).metadata())
      .then(({ icc }) => icc ?? Promise.reject(new Error(`libvips has no profile ${space}`)));
    profiles.set(space, profile);
  }
  return profile;
}

const FORMATS = { 1: TYPE_GRAY_16, 3: TYPE_RGB_16 } as const;
/** Colour space signatures in a profile's header, bytes 16 to 19 (ICC.1:2022, table 19). */
const SIGNATURES = { 1: "GRAY", 3: "RGB " } as const;
/** Pixels converted at a time: bounds what the engine copies into its own memory. */
const STRIDE = 1 << 18;

/** Larger profiles (tables for printing) don't fit the engine's stack; libvips converts those. */
const MAX_PROFILE_BYTES = 32 * 1024;

/** Whether a profile is for pixels of so many channels and small enough to be used here. */
export function isUsable(icc: Buffer | undefined, channels: 1 | 3): icc is Buffer {
  return (
    icc !== undefined &&
    icc.length > 128 &&
    icc.length <= MAX_PROFILE_BYTES &&
    icc.toString("latin1", 16, 20) === SIGNATURES[channels]
  );
}

const TAG_BYTES = 12;

/**
 * Whether a profile's red primary is Display P3's (XYZ for D50, from the primaries of SMPTE RP 431-2 by Bradford; from
 * memory).
 */
export function isDisplayP3(icc: Buffer): boolean {
  const tags = icc.length > 132 ? icc.readUInt32BE(128) : 0;
  for (let i = 0; i < tags && 132 + TAG_BYTES * (i + 1) <= icc.length; i++) {
    const at = 132 + TAG_BYTES * i;
    if (icc.toString("latin1", at, at + 4) !== "rXYZ") continue;
    const body = icc.readUInt32BE(at + 4);
    if (body + 20 > icc.length) return false;
    const xyz = [8, 12, 16].map((offset) => icc.readInt32BE(body + offset) / 65536);
    return [0.5151, 0.2412, -0.0011].every((x, j) => Math.abs(x - xyz[j]!) < 0.002);
  }
  return false;
}

/** Ways from one profile to another that are kept: photos of one camera, and their copies, go the same ones. */
const WAYS_KEPT = 4;
/** Little CMS's transforms by what they are between, the one used last at the end. */
const ways = new Map<string, number>();

/**
 * Little CMS's transform between two profiles, relative colorimetric; the table that it works with takes longer to
 * make than a photo to convert. Throws when a profile can't be used.
 */
function wayBetween(lcms: Lcms, from: Buffer, format: (typeof FORMATS)[1 | 3], to: Buffer): number {
  const key = createHash("sha256").update(from).update(to).update(String(format)).digest("hex");
  let way = ways.get(key);
  ways.delete(key);
  if (way === undefined) {
    const source = lcms.cmsOpenProfileFromMem(new Uint8Array(from), from.length);
    const target = lcms.cmsOpenProfileFromMem(new Uint8Array(to), to.length);
    way =
      source && target
        ? lcms.cmsCreateTransform(
            source,
            format,
            target,
            TYPE_RGB_16,
            INTENT_RELATIVE_COLORIMETRIC,
            cmsFLAGS_HIGHRESPRECALC,
          )
        : 0;
    if (source) lcms.cmsCloseProfile(source);
    if (target) lcms.cmsCloseProfile(target);
    if (!way) throw new Error("The profile can't be used.");
  }
  ways.set(key, way);
  if (ways.size > WAYS_KEPT) {
    const [oldest, unused] = ways.entries().next().value!;
    ways.delete(oldest);
    lcms.cmsDeleteTransform(unused);
  }
  return way;
}

/**
 * Converts pixels to another RGB profile, 8 bits a channel, by Little CMS: relative colorimetric,
 * the white of the file becoming the white of the screen. Throws when a profile can't be used.
 */
export async function convert({ data, channels, icc }: FilePixels, to: Buffer): Promise<Uint8Array<ArrayBuffer>> {
  const lcms = await (engine ??= instantiate());
  const way = wayBetween(lcms, icc ?? (await standardProfile("srgb")), FORMATS[icc ? channels : 3], to);
  const pixels = data.length / channels;
  const out = new Uint8Array(3 * pixels);
  for (let at = 0; at < pixels; at += STRIDE) {
    const count = Math.min(STRIDE, pixels - at);
    const converted = lcms.cmsDoTransform(way, data.subarray(at * channels, (at + count) * channels), count);
    for (let i = 0; i < 3 * count; i++) out[3 * at + i] = (converted[i]! + 128) / 257;
  }
  return out;
}

/** Pixels as Display P3, 8 bits a channel: the working space. Pixels without a profile are sRGB. */
export async function toDisplayP3(pixels: FilePixels): Promise<Uint8Array<ArrayBuffer>> {
  return convert(pixels, await standardProfile("p3"));
}
