import { deflateSync } from "node:zlib";
import { expect, test } from "vitest";
import { fontFile } from "./fonts";
import { sfntOfWoff } from "./sfnt";

/** Sum of a table's 32-bit words, as a font's directory has it. */
function sumOf(bytes: Buffer): number {
  let sum = 0;
  for (let at = 0; at < bytes.length; at += 4) sum = (sum + bytes.readUInt32BE(at)) >>> 0;
  return sum;
}

// OpenType 1.9, "Calculating checksums": every table has its sum in the directory.
test.each([
  ["serif", "latin"],
  ["serif", "cyrillic"],
  ["sans", "latin"],
  ["sans", "latin-ext"],
] as const)("the %s font for %s comes whole out of its wrapping: every table has its checksum", (face, alphabet) => {
  const font = fontFile(face, alphabet);
  const count = font.readUInt16BE(4);
  expect(count).toBeGreaterThan(9);
  const tags: string[] = [];
  for (let i = 0; i < count; i++) {
    const entry = 12 + 16 * i;
    const tag = font.toString("latin1", entry, entry + 4);
    const [sum, at, length] = [4, 8, 12].map((field) => font.readUInt32BE(entry + field));
    const table = Buffer.alloc((length! + 3) & ~3);
    font.copy(table, 0, at, at! + length!);
    // The head is summed with its own field for the whole file's sum empty.
    if (tag === "head") table.writeUInt32BE(0, 8);
    expect(sumOf(table), tag).toBe(sum);
    tags.push(tag);
  }
  expect(tags).toEqual([...tags].sort());
  for (const needed of ["cmap", "glyf", "head", "hhea", "hmtx", "loca", "maxp", "name"]) expect(tags).toContain(needed);
});

/** A WOFF file of tables, written by W3C's WOFF 1.0, sections 3 to 5: packed only where that makes them smaller. */
function woffOf(tables: readonly (readonly [tag: string, bytes: Buffer])[]): Buffer {
  const header = Buffer.alloc(44);
  header.write("wOFF", 0, "latin1");
  header.writeUInt32BE(0x00010000, 4);
  header.writeUInt16BE(tables.length, 12);
  const directory = Buffer.alloc(20 * tables.length);
  const bodies: Buffer[] = [];
  let offset = header.length + directory.length;
  tables.forEach(([tag, bytes], i) => {
    const deflated = deflateSync(bytes);
    const body = deflated.length < bytes.length ? deflated : bytes;
    directory.write(tag, 20 * i, "latin1");
    [offset, body.length, bytes.length, sumOf(Buffer.concat([bytes, Buffer.alloc(-bytes.length & 3)]))].forEach(
      (n, field) => directory.writeUInt32BE(n, 20 * i + 4 + 4 * field),
    );
    bodies.push(body, Buffer.alloc(-body.length & 3));
    offset += body.length + (-body.length & 3);
  });
  return Buffer.concat([header, directory, ...bodies]);
}

test("packed tables and tables left as they are come out as they were put in, padded to four bytes", () => {
  const tables = [
    ["aaaa", Buffer.alloc(1001, "canal ")],
    ["bbbb", Buffer.from([1, 2, 3, 4, 5])],
    ["cccc", Buffer.alloc(64, 7)],
  ] as const;
  const sfnt = sfntOfWoff(woffOf(tables));
  expect(sfnt.readUInt32BE(0)).toBe(0x00010000);
  // For three tables: 16 times 2, its logarithm, and what is left of 16 times 3.
  expect([4, 6, 8, 10].map((at) => sfnt.readUInt16BE(at))).toEqual([3, 32, 1, 16]);
  expect(sfnt.length).toBe(12 + 3 * 16 + 1004 + 8 + 64);
  tables.forEach(([tag, bytes], i) => {
    const entry = 12 + 16 * i;
    expect(sfnt.toString("latin1", entry, entry + 4)).toBe(tag);
    const [at, length] = [sfnt.readUInt32BE(entry + 8), sfnt.readUInt32BE(entry + 12)];
    expect(at % 4).toBe(0);
    expect(sfnt.subarray(at, at + length).equals(bytes)).toBe(true);
  });
});

test("what is no WOFF file is refused", () => {
  expect(() => sfntOfWoff(Buffer.from("wOF2 and more bytes than a header of such a file has in it"))).toThrow(
    RangeError,
  );
  expect(() => sfntOfWoff(Buffer.alloc(0))).toThrow(RangeError);
});
