import { describe, expect, test } from "vitest";
import { seededRandom } from "@/core/numeric/random";
import { newLogEntry, newLoggedMix, type LogEntry, type StoredLogEntry } from "@/model/logbook";
import { found, NO_QUERY, yearsOf, type Query } from "./search";
import { agreementWords, dayWords, habitWords, readWords } from "./words";

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const page = (n: number, part: Partial<LogEntry>): StoredLogEntry => ({
  id: uuid(n),
  revision: 0,
  binned: false,
  demo: false,
  document: newLogEntry({ kind: "swatch", on: "2026-05-06", paperId: "cotton-rough", ...part }),
});
const label = (n: number, name: string, pigmentId: string, maker = "") => ({
  id: uuid(n),
  name,
  maker,
  pigments: [{ pigmentId, share: 1 }],
  tintingStrength: 1,
});
const read = (L: number, a: number, b: number) => ({ lab: { L, a, b }, by: "typed" as const, photoId: null, at: null });
const book = [
  page(1, { title: "Blues", paints: [label(100, "Ultramarine", "PB29", "Lindenhof")], stars: 2, moods: ["quiet"] }),
  page(2, { kind: "ring", on: "2024-01-02", notes: "lies dead on rough paper", paints: [label(101, "Gold", "PO49")] }),
  page(3, {
    kind: "mix",
    paperId: "cellulose",
    painting: { id: uuid(50), title: "Canal" },
    mixes: [
      newLoggedMix({ id: uuid(60), read: read(50, 2, -10), today: true }),
      newLoggedMix({ id: uuid(61), read: read(70, 20, 30) }),
    ],
  }),
];
const coloursOf = ({ document }: StoredLogEntry) => document.mixes.map((mix) => mix.read?.lab ?? null);
const ids = (query: Partial<Query>) =>
  found(book, { ...NO_QUERY, ...query }, coloursOf).map(({ id }) => Number(id.slice(-3)));

describe("the book is searched", () => {
  test("by words in titles, notes and moods, by paint, pigment and maker; several words must all be there", () => {
    expect(ids({ words: "blues" })).toEqual([1]);
    expect(ids({ words: "pb29" })).toEqual([1]);
    expect(ids({ words: "lindenhof QUIET" })).toEqual([1]);
    expect(ids({ words: "dead po49" })).toEqual([2]);
    expect(ids({ words: "blues dead" })).toEqual([]);
    expect(ids({ words: "canal" })).toEqual([3]);
  });
  test("by kind, paint, paper, year, painting, stars and favourites of a day", () => {
    expect(ids({ kind: "ring" })).toEqual([2]);
    expect(ids({ paintId: uuid(100) })).toEqual([1]);
    expect(ids({ paperId: "cellulose" })).toEqual([3]);
    expect(ids({ year: "2024" })).toEqual([2]);
    expect(ids({ paintingId: uuid(50) })).toEqual([3]);
    expect(ids({ stars: 2 })).toEqual([1]);
    expect(ids({ today: true })).toEqual([3]);
    expect(yearsOf(book)).toEqual(["2026", "2024"]);
  });
  test("by colour: what made something like it, nearest first, and nothing that is far from it", () => {
    const near = page(4, { mixes: [newLoggedMix({ id: uuid(62), read: read(52, 2, -9) })] });
    const list = found([...book, near], { ...NO_QUERY, like: { L: 52, a: 2, b: -9 } }, coloursOf);
    expect(list.map(({ id }) => id)).toEqual([uuid(4), uuid(3)]);
    expect(ids({ like: { L: 20, a: 60, b: 40 } })).toEqual([]);
  });
  test("five hundred pages with five swatches each are searched by colour and words at once", () => {
    const random = seededRandom(8);
    const many = Array.from({ length: 500 }, (_, i) =>
      page(1000 + i, {
        title: `Page ${i}`,
        mixes: Array.from({ length: 5 }, (_m, k) =>
          newLoggedMix({
            id: uuid(10_000 + 5 * i + k),
            read: read(100 * random(), 40 * random() - 20, 40 * random() - 20),
          }),
        ),
      }),
    );
    const like = { L: 55, a: 3, b: 4 };
    const list = found(many, { ...NO_QUERY, words: "page", like }, coloursOf);
    expect(list.length).toBeGreaterThan(20);
    expect(list.length).toBeLessThan(500);
  });
});

test("what is said of agreement, days, habit and readings", () => {
  expect(agreementWords({ distance2: 2, others: 0, weight: 1 })).toEqual({
    words: "the first swatch with these paints",
    off: false,
  });
  expect(agreementWords({ distance2: 2, others: 7, weight: 1 }).off).toBe(false);
  expect(agreementWords({ distance2: 30, others: 7, weight: 0.2 }).words).toContain("disagrees with 7 other swatches");
  expect(agreementWords({ distance2: 30, others: 1, weight: 0.2 }).words).toContain("a third would tell");
  expect(dayWords("2026-11-07")).toBe("7 November");
  expect(habitWords(1.2, 0.05)).toBe("20 % stronger than they are meant");
  expect(habitWords(1.2, 0.3)).toContain("as far as is known");
  expect(readWords([])).toBe("");
  expect(readWords(book[2]!.document.mixes)).toBe("2 swatches, read");
});
