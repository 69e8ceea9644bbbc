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

test("what is no WOFF file is refused", () => {
  expect(() => sfntOfWoff(Buffer.from("wOF2 and more bytes than a header of such a file has in it"))).toThrow(
    RangeError,
  );
  expect(() => sfntOfWoff(Buffer.alloc(0))).toThrow(RangeError);
});
