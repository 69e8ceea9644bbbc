import { expect, test } from "vitest";
import { seededRandom } from "@/core/numeric/random";
import { JsonUnfit, linesOf, readJsonPieces } from "./json-pieces";

const LIMITS = { pieceBytes: 200, pieceValues: 30 };

/** A text as it comes in pieces of a few bytes. */
async function* inPieces(text: string, most: () => number): AsyncGenerator<Buffer> {
  const bytes = Buffer.from(text, "utf8");
  for (let at = 0; at < bytes.length;) {
    const end = at + 1 + Math.floor(most());
    yield bytes.subarray(at, end);
    at = end;
  }
}

async function read(text: string, limits = LIMITS, most = (): number => 6) {
  const taken: unknown[] = [];
  const rest = await readJsonPieces(inPieces(text, most), ["many", "photos"], limits, (list, one) => {
    taken.push([list, one]);
  });
  return { rest, taken };
}

test("however it comes in, it says what JSON.parse says, its long lists element by element", async () => {
  const random = seededRandom(5);
  const wholes: Record<string, unknown>[] = [
    { a: 1, many: [], photos: [{ x: ']},{["\\' }, 2, "ä]€,", [[1, [2]], { many: [3] }], null], b: { many: [1, 2] } },
    { many: [true, 'a\\"b', -1.5e3], 'k"e,y': ["many"], photos: [] },
    { m: "many", x: [1] },
  ];
  for (const whole of wholes)
    for (const space of [0, 1, "\t"])
      for (let tries = 0; tries < 20; tries++) {
        const text = JSON.stringify(whole, null, space);
        const { rest, taken } = await read(text, LIMITS, () => 12 * random());
        const lists = (["many", "photos"] as const).filter((name) => name in whole);
        expect(rest).toEqual({ ...whole, ...Object.fromEntries(lists.map((name) => [name, []])) });
        const expected = Object.keys(whole).flatMap((name) =>
          name === "many" || name === "photos" ? (whole[name] as unknown[]).map((one) => [name, one]) : [],
        );
        expect(taken).toEqual(expected);
      }
});

test.each([
  ["cut off", '{"many": [1, 2'],
  ["no JSON", '{"many": [nope]}'],
  ["an element left out", '{"many": [1,,2]}'],
  ["an element over the limit", `{"many": ["${"x".repeat(300)}"]}`],
  ["too much beside the lists", `{"a": "${"x".repeat(300)}"}`],
  ["too many values in an element", `{"many": [[${"[],".repeat(40)}1]]}`],
  ["too many values beside the lists", `{"a": [${"1,".repeat(40)}1]}`],
])("%s is refused", async (_, text) => {
  await expect(read(text)).rejects.toBeInstanceOf(JsonUnfit);
});

test("lines come one by one; one that is too long is refused before it is whole", async () => {
  const lines: string[] = [];
  for await (const line of linesOf(
    inPieces("one\n\nthree ä\nno line", () => 3),
    20,
  ))
    lines.push(line);
  expect(lines).toEqual(["one", "", "three ä"]);
  const endless = async (): Promise<void> => {
    for await (const _line of linesOf(
      inPieces("x".repeat(50), () => 3),
      20,
    ))
      void _line;
  };
  await expect(endless()).rejects.toBeInstanceOf(JsonUnfit);
});
