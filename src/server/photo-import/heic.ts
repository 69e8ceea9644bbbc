import { runAside } from "./aside";

/** Three bytes a pixel, upright (the decoder turns as the file says), perhaps shrunk. */
export interface DecodedHeic {
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
  readonly fullWidth: number;
  readonly fullHeight: number;
}

const HEAD_BYTES = 16;

function read(output: Buffer): DecodedHeic | null {
  if (output.length < HEAD_BYTES) return null;
  const size = (at: number): number => output.readUInt32LE(at);
  const [width, height, fullWidth, fullHeight] = [size(0), size(4), size(8), size(12)];
  const data = output.subarray(HEAD_BYTES);
  return data.length === 3 * width * height ? { data, width, height, fullWidth, fullHeight } : null;
}

/**
 * Decodes a HEIC file's main picture; its longer side stays at least `atLeastPx` long, if it is. Throws when it can't.
 */
export async function decodeHeic(path: string, atLeastPx: number): Promise<DecodedHeic> {
  const decoded = read(await runAside("heic-decoder.mjs", path, String(atLeastPx)));
  if (!decoded) throw new Error("The HEIC file can't be decoded.");
  return decoded;
}
