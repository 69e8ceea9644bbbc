/** What a file's JSON may be: its parts are parsed one by one, so that no file holds up everybody. */
export interface PieceLimits {
  /** Bytes of one element of a list, and of all that stands outside the lists. */
  readonly pieceBytes: number;
  /** Values in one piece: brackets, braces and commas that stand in no text. */
  readonly pieceValues: number;
}

/** The JSON is none, or one of its parts is over a limit. */
export class JsonUnfit extends Error {}

const QUOTE = 0x22;
const BACKSLASH = 0x5c;
const COMMA = 0x2c;
const COLON = 0x3a;
const OPEN = new Set([0x5b, 0x7b]);
const CLOSE = new Set([0x5d, 0x7d]);
const OPEN_LIST = 0x5b;
const BLANK = new Set([0x20, 0x09, 0x0a, 0x0d]);

/** Bytes of one piece as they come in, counted. */
class Piece {
  private readonly chunks: Buffer[] = [];
  private bytes = 0;
  private values = 0;
  /** Whether anything but blanks has come. */
  filled = false;

  constructor(private readonly limits: PieceLimits) {}

  add(chunk: Buffer): void {
    this.bytes += chunk.length;
    if (this.bytes > this.limits.pieceBytes) throw new JsonUnfit("A part of it is too large.");
    if (chunk.length > 0) this.chunks.push(chunk);
  }

  counts(): void {
    if (++this.values > this.limits.pieceValues) throw new JsonUnfit("A part of it holds too many values.");
  }

  parsed(): unknown {
    try {
      return JSON.parse(Buffer.concat(this.chunks).toString("utf8")) as unknown;
    } catch {
      throw new JsonUnfit("It is no JSON.");
    }
  }
}

/**
 * Reads one JSON object as it comes in. The elements of the lists that are named are parsed and handed over one by one;
 * the answer is all else, with those lists empty. Nothing is parsed before its size and the number of its values are
 * known, so a file's size is the only bound to what it may hold. Throws JsonUnfit.
 * @param lists names of lists that stand right in the object
 */
export async function readJsonPieces(
  source: AsyncIterable<Buffer>,
  lists: readonly string[],
  limits: PieceLimits,
  take: (list: string, element: unknown) => void | Promise<void>,
): Promise<unknown> {
  const rest = new Piece(limits);
  let piece = rest;
  let depth = 0;
  let inText = false;
  let escaped = false;
  /** The list whose elements are read, at depth 2. */
  let list: string | null = null;
  /** The last text at depth 1, as it stands, and whether a colon made it a key. */
  let key = "";
  let word: Buffer[] = [];
  for await (const chunk of source) {
    let from = 0;
    let wordFrom = 0;
    /** Gives the bytes up to `to` to the piece they are of. */
    const give = (to: number): void => {
      piece.add(chunk.subarray(from, to));
      from = to;
    };
    for (let i = 0; i < chunk.length; i++) {
      const byte = chunk[i]!;
      if (inText) {
        if (escaped) escaped = false;
        else if (byte === BACKSLASH) escaped = true;
        else if (byte === QUOTE) {
          inText = false;
          if (depth === 1) word.push(chunk.subarray(wordFrom, i));
        }
        continue;
      }
      if (byte === QUOTE) {
        inText = true;
        piece.filled = true;
        if (depth === 1) [word, wordFrom] = [[], i + 1];
      } else if (byte === COLON && depth === 1) key = Buffer.concat(word).toString("utf8");
      else if (OPEN.has(byte)) {
        piece.counts();
        piece.filled = true;
        depth++;
        if (depth === 2 && byte === OPEN_LIST && lists.includes(key)) {
          give(i + 1);
          [list, piece] = [key, new Piece(limits)];
        }
      } else if (CLOSE.has(byte) || byte === COMMA) {
        if (list !== null && depth === 2) {
          give(i);
          if (piece.filled) await take(list, piece.parsed());
          else if (byte === COMMA) throw new JsonUnfit("It is no JSON.");
          // The comma goes with the element before it.
          if (byte === COMMA) from = i + 1;
          piece = byte === COMMA ? new Piece(limits) : rest;
          if (byte !== COMMA) list = null;
        } else if (byte === COMMA) piece.counts();
        if (byte !== COMMA) depth--;
      } else if (!BLANK.has(byte)) piece.filled = true;
    }
    if (inText && depth === 1) word.push(chunk.subarray(wordFrom));
    give(chunk.length);
  }
  if (depth !== 0 || inText) throw new JsonUnfit("It is cut off.");
  return rest.parsed();
}

/**
 * The lines of a text as they come in, each ended by a line break; what stands behind the last one is none. Throws
 * JsonUnfit where one is longer than `most` bytes.
 */
export async function* linesOf(source: AsyncIterable<Buffer>, most: number): AsyncGenerator<string> {
  let open: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of source) {
    let from = 0;
    for (let at = chunk.indexOf(0x0a); at >= 0; at = chunk.indexOf(0x0a, from)) {
      open.push(chunk.subarray(from, at));
      if (bytes + at - from > most) throw new JsonUnfit("A line is too long.");
      yield Buffer.concat(open).toString("utf8");
      [open, bytes, from] = [[], 0, at + 1];
    }
    open.push(chunk.subarray(from));
    bytes += chunk.length - from;
    if (bytes > most) throw new JsonUnfit("A line is too long.");
  }
}
