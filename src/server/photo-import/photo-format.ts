/** The files that can be read. */
export type PhotoFormat = "jpeg" | "png" | "webp" | "avif" | "tiff" | "heic";

const startsWith = (bytes: Buffer, text: string, at = 0): boolean =>
  bytes.subarray(at, at + text.length).toString("latin1") === text;

/** Brands of the ISO base media file type box (ISO/IEC 23008-12, annex B; AV1 image file format 1.1). */
const BRANDS: Readonly<Record<string, PhotoFormat>> = {
  avif: "avif",
  avis: "avif",
  heic: "heic",
  heix: "heic",
  heim: "heic",
  heis: "heic",
};

function formatOfBrands(bytes: Buffer): PhotoFormat | null {
  const end = Math.min(bytes.length, bytes.readUInt32BE(0), 256);
  for (let at = 8; at + 4 <= end; at += 4) {
    const format = BRANDS[bytes.toString("latin1", at, at + 4)];
    if (format) return format;
  }
  return null;
}

/** Format by the file's first bytes; the file name and the browser's word are not asked. */
export function formatOf(head: Buffer): PhotoFormat | null {
  if (startsWith(head, "\xff\xd8\xff")) return "jpeg";
  if (startsWith(head, "\x89PNG\r\n\x1a\n")) return "png";
  if (startsWith(head, "RIFF") && startsWith(head, "WEBP", 8)) return "webp";
  if (["II*\0", "MM\0*", "II+\0", "MM\0+"].some((mark) => startsWith(head, mark))) return "tiff";
  if (head.length > 16 && startsWith(head, "ftyp", 4)) return formatOfBrands(head);
  return null;
}

/** What a file is that is no photo, as far as its first bytes tell. */
export function otherKindOf(head: Buffer): "gif" | "markup" | "video" | null {
  if (startsWith(head, "GIF8")) return "gif";
  if (head.subarray(0, 400).toString("latin1").trimStart().startsWith("<")) return "markup";
  return startsWith(head, "ftyp", 4) ? "video" : null;
}

/** APNG says so in an acTL chunk before the first IDAT (PNG specification, third edition). */
export function isAnimatedPng(head: Buffer): boolean {
  for (let at = 8; at + 8 <= head.length; at += 12 + head.readUInt32BE(at)) {
    if (startsWith(head, "acTL", at + 4)) return true;
    if (startsWith(head, "IDAT", at + 4)) return false;
  }
  return false;
}

const DNG_VERSION_TAG = 50706;

/**
 * Whether a TIFF is a camera's raw file (it has the DNGVersion tag, DNG specification 1.6): its first picture is only
 * a preview.
 */
export function isCameraRaw(head: Buffer): boolean {
  const little = startsWith(head, "II");
  const u16 = (at: number): number => (little ? head.readUInt16LE(at) : head.readUInt16BE(at));
  if (head.length < 8) return false;
  const directory = little ? head.readUInt32LE(4) : head.readUInt32BE(4);
  if (directory + 2 > head.length) return false;
  const tags = u16(directory);
  for (let i = 0; i < tags && directory + 4 + 12 * i <= head.length; i++) {
    if (u16(directory + 2 + 12 * i) === DNG_VERSION_TAG) return true;
  }
  return false;
}

/** Coding points of an image's colours (ITU-T H.273), when it has them instead of a profile. */
export interface CodedColour {
  readonly primaries: number;
  readonly transfer: number;
}

/** The colr box of kind nclx of an AVIF or HEIC file, if there is one (ISO/IEC 14496-12). */
export function codedColourOf(head: Buffer): CodedColour | null {
  const at = head.indexOf("colrnclx", 0, "latin1");
  if (at < 0 || at + 12 > head.length) return null;
  return { primaries: head.readUInt16BE(at + 8), transfer: head.readUInt16BE(at + 10) };
}
