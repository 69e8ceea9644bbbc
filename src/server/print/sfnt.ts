import { inflateSync } from "node:zlib";

const WOFF = { header: 44, entry: 20 } as const;
const SFNT = { header: 12, entry: 16 } as const;

const padded = (length: number): number => (length + 3) & ~3;

/**
 * A font out of its wrapping for the web: the sfnt file (TrueType or OpenType) that a WOFF file holds, with each table
 * unpacked. What reads fonts for PDF unpacks a table of a WOFF file anew for every letter.
 * Source: W3C, WOFF File Format 1.0 (2012), sections 3 to 5; OpenType 1.9, "Organization of an OpenType font".
 * Throws a RangeError when the bytes are no WOFF file.
 */
export function sfntOfWoff(woff: Buffer): Buffer {
  if (woff.length < WOFF.header || woff.toString("latin1", 0, 4) !== "wOFF")
    throw new RangeError("This is no WOFF file.");
  const count = woff.readUInt16BE(12);
  const tables = Array.from({ length: count }, (_, i) => {
    const at = WOFF.header + WOFF.entry * i;
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)];
    const bytes = woff.subarray(offset, offset + packed);
    return {
      tag: woff.readUInt32BE(at),
      sum: woff.readUInt32BE(at + 16),
      bytes: packed < length ? inflateSync(bytes) : bytes,
    };
  });
  const start = SFNT.header + SFNT.entry * count;
  const sfnt = Buffer.alloc(tables.reduce((sum, { bytes }) => sum + padded(bytes.length), start));
  woff.copy(sfnt, 0, 4, 8);
  const doublings = Math.floor(Math.log2(count));
  [count, 16 * 2 ** doublings, doublings, 16 * (count - 2 ** doublings)].forEach((n, i) =>
    sfnt.writeUInt16BE(n, 4 + 2 * i),
  );
  let at = start;
  tables.forEach(({ tag, sum, bytes }, i) => {
    [tag, sum, at, bytes.length].forEach((n, field) => sfnt.writeUInt32BE(n, SFNT.header + SFNT.entry * i + 4 * field));
    bytes.copy(sfnt, at);
    at += padded(bytes.length);
  });
  return sfnt;
}
