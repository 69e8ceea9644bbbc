import { describe, expect, test } from "vitest";
import { drained } from "@/core/learning";
import { deltaE00 } from "@/core/colour";
import { CARD_WATER, patchOfSpectrum } from "@/core/calibration";
import { paintModel, predict } from "@/core/mixing";
import { loadOfWater, paperById, PAPERS } from "@/core/optics";
import { madeUpSwatches } from "@/core/simulation";
import { asLaid, handChosen } from "./as-laid";
import { fittingBook, learnedBookOf, type BookSources } from "./learned-book";
import { logEntry, newLogEntry, newLoggedMix, type LoggedMix } from "./logbook";
import { toPaintNext, type MixedArea } from "./next-swatches";
import { newPaint } from "./paintbox";
import { newArea, newPainting } from "./painting";

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const [blue, sienna, red] = [
  newPaint({ id: uuid(1), name: "Ultramarine", pigments: [{ pigmentId: "PB29", share: 1 }] }),
  newPaint({ id: uuid(2), name: "Burnt sienna", pigments: [{ pigmentId: "PBr7-burnt-sienna", share: 1 }] }),
  newPaint({ id: uuid(3), name: "Pyrrole red", pigments: [{ pigmentId: "PR254", share: 1 }] }),
];
const paints = [blue, sienna, red];
const paper = PAPERS[0];

/** A tube half as strong again as its label, laid by one who takes a tenth more paint than they think. */
const TRUE = { strength: 1.5, habit: 1.1 };
const colourOf = (parts: LoggedMix["parts"], waterParts: number) =>
  predict(
    parts.map(({ paintId, parts: amount }) => {
      const { id, pigments } = paints.find((paint) => paint.id === paintId)!;
      return { paint: paintModel(id, pigments, paintId === blue.id ? TRUE.strength : 1), parts: amount };
    }),
    Math.min(1, loadOfWater(waterParts) * TRUE.habit),
    paper,
  ).dry;
let made = 100;
const swatch = (parts: readonly (readonly [string, number])[], waterParts: number, part: Partial<LoggedMix> = {}) => {
  const own = parts.map(([paintId, amount]) => ({ paintId, parts: amount }));
  return newLoggedMix({
    id: uuid(made++),
    parts: own,
    waterParts,
    read: { lab: colourOf(own, waterParts), by: "sheet", photoId: null, at: null },
    ...part,
  });
};
const mixes = [
  swatch([[blue.id, 1]], 2),
  swatch([[blue.id, 1]], 8),
  swatch([[sienna.id, 1]], 3),
  swatch(
    [
      [blue.id, 2],
      [sienna.id, 3],
    ],
    3,
  ),
];
const entryOf = (list: readonly LoggedMix[], on = "2026-02-03") => ({
  binned: false,
  document: newLogEntry({ kind: "swatch", on, paperId: paper.id, mixes: [...list], paints: [blue, sienna] }),
});
const sources = (list: readonly LoggedMix[] = mixes, more: Partial<BookSources> = {}): BookSources => ({
  entries: [entryOf(list)],
  paints,
  measurements: [],
  ...more,
});
/** The book as it is fitted to be asked what to paint next. */
const fitted = () => drained(fittingBook(sources()));

describe("what a book teaches", () => {
  test("an empty book, one in the bin, one that is set aside and one without colours teach nothing", () => {
    expect(learnedBookOf({ entries: [], paints, measurements: [] })).toBeNull();
    expect(learnedBookOf(sources(mixes, { entries: [{ ...entryOf(mixes), binned: true }] }))).toBeNull();
    expect(learnedBookOf(sources(mixes.map((mix) => ({ ...mix, counts: false }))))).toBeNull();
    expect(learnedBookOf(sources(mixes.map((mix) => ({ ...mix, read: null }))))).toBeNull();
  });

  test("predictions of what was never painted follow, in a painter's own washes", () => {
    const book = learnedBookOf(sources())!;
    expect(book).toMatchObject({ swatches: 4, newest: "2026-02-03" });
    expect(Object.keys(book.paints).sort()).toEqual([blue.id, sienna.id]);
    expect(book.paints[blue.id]).toMatchObject({ swatches: 3, book: 4, on: "2026-02-03" });
    const asked = [{ paintId: blue.id, parts: 1 }];
    const shown = (learned: typeof book | null) => {
      const { pigments, tintingStrength, measured } = asLaid(
        { ...blue, measured: learned?.paints[blue.id] ?? null },
        learned,
        paper.id,
      );
      const paint = paintModel(blue.id, pigments, tintingStrength, measured);
      return predict([{ paint, parts: 1 }], loadOfWater(4), paper).dry;
    };
    const truth = colourOf(asked, 4);
    expect(deltaE00(shown(null), truth)).toBeGreaterThan(4);
    expect(deltaE00(shown(book), truth)).toBeLessThan(1.5);
  });

  test("a paint that nothing is known of is laid with the habit; one known by a card is left as the card has it", () => {
    const book = { habit: 1.2, papers: { "cotton-rough": 1.1 } };
    expect(asLaid({ ...red, measured: null }, book, "cotton-rough").tintingStrength).toBeCloseTo(1.32, 9);
    expect(asLaid({ ...red, measured: null }, book, "another").tintingStrength).toBeCloseTo(1.2, 9);
    const card = { K: [1], S: [2], miss: 2, loads: [0.1, 1] as const, on: "2026-01-01", way: "photo" };
    expect(asLaid({ ...red, measured: card }, book, "cotton-rough").measured).toEqual(card);
    const learned = asLaid({ ...red, measured: { ...card, swatches: 3 } }, book, "cotton-rough").measured!;
    expect(learned.K[0]).toBeCloseTo(1.1, 9);
    expect(learned.S[0]).toBeCloseTo(2.2, 9);
    expect(asLaid({ ...red, measured: null }, null, "cotton-rough").tintingStrength).toBe(1);
  });

  test("a card of a paint in the book counts with its swatches: what it taught is not forgotten", () => {
    const swatches = madeUpSwatches(blue.pigments, 4);
    const patches = CARD_WATER.slice(0, 4).map((water, i) => {
      const { lab, reflectance } = patchOfSpectrum("wash", i, water, swatches("wash", i, water));
      return { what: "wash" as const, swatch: i, waterParts: water, lab, reflectance: [...reflectance!] };
    });
    const card = { id: uuid(9), paintId: blue.id, paperId: paper.id, patches, counts: true, fit: { granulation: 0.9 } };
    const one = [swatch([[sienna.id, 1]], 3), swatch([[blue.id, 1]], 6)];
    const miss = (counts: boolean) =>
      learnedBookOf(sources(one, { measurements: [{ ...card, counts }] }))!.paints[blue.id]!.miss;
    expect(miss(true)).toBeLessThan(0.6 * miss(false));
    // How it lay on the card is known of it too.
    expect(learnedBookOf(sources(one, { measurements: [card] }))!.paints[blue.id]!.granulation).toBe(0.9);
  });

  test("a wash over another teaches the upper paint, over the lower one as it is known", () => {
    const over = { parts: [{ paintId: sienna.id, parts: 1 }], waterParts: 6 };
    const glazed = swatch([[blue.id, 1]], 6, {
      over,
      read: { lab: { L: 48, a: 4, b: -14 }, by: "sheet", photoId: null, at: null },
    });
    const book = learnedBookOf(sources([...mixes.slice(2, 3), glazed]))!;
    expect(book.paints[blue.id]!.swatches).toBe(1);
    expect(book.agreements[glazed.id]).toBeDefined();
  });

  test("what a wash looked like wet teaches how it dries", () => {
    const wet = (lighter: number) =>
      swatch([[blue.id, 1]], 3, { wetValue: (colourOf([{ paintId: blue.id, parts: 1 }], 3).L - lighter) / 10.2 });
    const shift = (lighter: number) => learnedBookOf(sources([wet(lighter)]))!.paints[blue.id]!.dryingShift!;
    expect(shift(14)).toBeGreaterThan(shift(4) + 0.02);
  });

  test("the painter's own hand is the learned one; before there is any, the usual one", () => {
    const hand = { parts: 0.3, water: 0.1, pickUp: 0.2 };
    expect(handChosen("own", { hand })).toBe(hand);
    expect(handChosen("own", null)).toEqual(handChosen("usual", { hand }));
    expect(handChosen("careful", { hand }).parts).toBeLessThan(handChosen("loose", { hand }).parts);
  });
});

describe("what to paint next", () => {
  const area = (n: number, parts: readonly (readonly [string, number])[], weight: 1 | 4 = 1) =>
    newArea({
      id: uuid(n),
      name: `Area ${n}`,
      sample: { x: 0.5, y: 0.5, radius: 0.01 },
      lab: { L: 50, a: 0, b: 0 },
      recipe: { parts: parts.map(([paintId, amount]) => ({ paintId, parts: amount })), waterParts: 4 },
      weight,
    });
  const painting = {
    ...newPainting("Canal", paper.id),
    palette: [blue.id, sienna.id, red.id],
    areas: [
      area(20, [[blue.id, 1]]),
      area(
        21,
        [
          [red.id, 2],
          [sienna.id, 1],
        ],
        4,
      ),
    ],
  };

  test("for a painting: of its own paints, what counts most first, and what each makes surer", () => {
    const { now, mixes: asked, swatches } = drained(toPaintNext(fitted(), { for: "painting", painting, paints }));
    expect(asked).toBe(2);
    expect(swatches.length).toBeGreaterThan(0);
    expect(swatches[0]!.parts.map(({ paintId }) => paintId)).toContain(red.id);
    expect(swatches[0]!.surer[0]!.name).toBe("Area 21");
    expect(swatches[0]!.after).toBeLessThan(now);
    for (const [i, one] of swatches.entries()) if (i > 0) expect(one.after).toBeLessThan(swatches[i - 1]!.after);
  });

  test("without a mix there is nothing to ask", () => {
    expect(
      drained(toPaintNext(fitted(), { for: "painting", painting: newPainting("Empty", paper.id), paints })),
    ).toEqual({
      now: 0,
      paperId: paper.id,
      mixes: 0,
      swatches: [],
    });
  });

  test("for the whole box: a paint that was never painted comes before those that were", () => {
    const { swatches } = drained(toPaintNext(fitted(), { for: "box", areas: [], paints, paperId: paper.id }));
    expect(swatches[0]!.parts).toEqual([{ paintId: red.id, parts: 1 }]);
  });

  test("a painting's mix counts by its weight, a paint's own two washes a quarter each", () => {
    const [, wanted] = painting.areas;
    const asked = (areas: readonly MixedArea[]) =>
      drained(toPaintNext(fitted(), { for: "box", areas, paints, paperId: paper.id }));
    const washes = asked([]);
    const both = asked([{ ...wanted!, paperId: paper.id }]);
    const mix = drained(
      toPaintNext(fitted(), { for: "painting", painting: { ...painting, areas: [wanted!] }, paints }),
    ).now;
    // The weighted mean, worked by hand from the parts.
    const [own, counts] = [0.25 * washes.mixes, 4];
    expect(washes.mixes).toBe(2 * paints.length);
    expect(both.now).toBeCloseTo((own * washes.now + counts * mix) / (own + counts), 6);
  });
});

test("an entry's door refuses what can't be: a mix of four, a paint twice, a share out of the photo", () => {
  const entry = entryOf(mixes).document;
  expect(logEntry.safeParse(entry).success).toBe(true);
  const with4 = newLoggedMix({ id: uuid(50), parts: [1, 2, 3, 4].map((n) => ({ paintId: uuid(n), parts: 1 })) });
  const twice = newLoggedMix({ id: uuid(51), parts: [blue.id, blue.id].map((paintId) => ({ paintId, parts: 1 })) });
  const outside = swatch([[blue.id, 1]], 3, {
    read: { lab: { L: 50, a: 0, b: 0 }, by: "photo", photoId: "a".repeat(64), at: { x: 1.2, y: 0.5 } },
  });
  for (const wrong of [with4, twice, outside])
    expect(logEntry.safeParse({ ...entry, mixes: [wrong] }).success).toBe(false);
  expect(logEntry.safeParse({ ...entry, mixes: [mixes[0], mixes[0]] }).success).toBe(false);
  expect(paperById(entry.paperId)).toBe(paper);
});
