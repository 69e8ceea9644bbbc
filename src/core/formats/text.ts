/**
 * Text of a file: UTF-8 with or without a byte-order mark, UTF-16 with one, else Windows-1252
 * (Latin-1 with its typographic signs), which is what old spreadsheets write.
 */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

/**
 * What a spreadsheet would take for a formula when it begins a cell, however many apostrophes stand
 * before it (the usual counsel against CSV injection, from memory: = + - @, tab and carriage return).
 */
const FORMULA = /^'*[=+\-@\t\r]/;

/**
 * A cell that no spreadsheet computes: an apostrophe more before what would be a formula. {@link unguarded} takes it
 * away again, exactly.
 */
export const guarded = (cell: string): string => (FORMULA.test(cell) ? `'${cell}` : cell);
export const unguarded = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell);
