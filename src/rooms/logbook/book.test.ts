import { describe, expect, test } from "vitest";
import { deltaE00 } from "@/core/colour";
import { paintModel, predict } from "@/core/mixing";
import { loadOfWater, PAPERS } from "@/core/optics";
import { newLogEntry, newLoggedMix, type LearnedBook } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { codesOf, colourIn, groundIn, mixIn, modelIn, paintOf, predictedIn } from "./book";

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const blue = newPaint({ id: uuid(1), name: "Ultramarine", pigments: [{ pigmentId: "PB29", share: 1 }] });
const gone = {
  id: uuid(2),
  name: "Old rose",
  maker: "",
  pigments: [{ pigmentId: "PV19-rose", share: 1 }],
  tintingStrength: 1,
};
const entry = newLogEntry({ kind: "mix", on: "2025-05-06", paperId: PAPERS[0].id, paints: [gone] });
const learned = (factor: number): LearnedBook => {
  const { optics } = paintModel(blue.id, blue.pigments);
  const paint = {
    K: [...optics.K].map((k) => factor * k),
    S: [...optics.S].map((s) => factor * s),
    miss: 2,
    loads: [0.1, 1] as const,
    on: "2025-05-06",
    way: "logbook",
    swatches: 3,
  };
  return {
    model: 1,
    swatches: 3,
    newest: "2025-05-06",
    paints: { [blue.id]: paint },
    habit: 1.5,
    habitUnsure: 0.1,
    papers: { [PAPERS[1]!.id]: 1.2 },
    hand: { parts: 0.2, water: 0.1, pickUp: 0.1 },
    agreements: {},
  };
};
const book = (taught: LearnedBook | null) => ({
  paints: new Map([[blue.id, { ...blue, measured: null }]]),
  titles: [],
  learned: taught,
  before: null,
});
const washOf = (id: string, pigmentId: string, load: number) =>
  predict([{ paint: paintModel(id, [{ pigmentId, share: 1 }]), parts: 1 }], load, PAPERS[0]).dry;

describe("paints of a page", () => {
  test("a paint that has left the box is remembered by its page; one that neither knows is none", () => {
    expect(paintOf(blue.id, entry, book(null))?.name).toBe("Ultramarine");
    expect(paintOf(gone.id, entry, book(null))?.name).toBe("Old rose");
    expect(codesOf(paintOf(gone.id, entry, book(null))!)).toBe("PV19");
    expect(paintOf(uuid(3), entry, book(null))).toBeNull();
    expect(modelIn(uuid(3), entry, book(null), entry.paperId)).toBeNull();
  });

  test("one that was learned stands on its swatches, by the paper; one that was not is laid with the habit", () => {
    const factorOf = (paperId: string): number => {
      const { optics } = modelIn(blue.id, entry, book(learned(2)), paperId)!;
      return optics.K[20]! / paintModel(blue.id, blue.pigments).optics.K[20]!;
    };
    expect(factorOf(PAPERS[0].id)).toBeCloseTo(2, 9);
    expect(factorOf(PAPERS[1]!.id)).toBeCloseTo(2.4, 9);
    const rose = modelIn(gone.id, entry, book(learned(2)), PAPERS[0].id)!;
    expect(rose.measured).toBeNull();
    expect(rose.optics.K[15]! / paintModel(gone.id, gone.pigments).optics.K[15]!).toBeCloseTo(1.5, 9);
  });
});

describe("colours of a page", () => {
  const parts = [{ paintId: gone.id, parts: 1 }];

  test("a swatch is shown as it dried; unread, or judged by value alone, as it is predicted", () => {
    const read = { lab: { L: 50, a: 20, b: 0 }, by: "sheet" as const, photoId: null, at: null };
    const swatch = newLoggedMix({ id: uuid(9), parts, waterParts: 4 });
    const predicted = washOf(gone.id, "PV19-rose", loadOfWater(4));
    expect(deltaE00(predictedIn(swatch, entry, book(null))!, predicted)).toBeLessThan(1e-6);
    expect(colourIn({ ...swatch, read }, entry, book(null))).toEqual(read.lab);
    expect(colourIn(swatch, entry, book(null))).toEqual(predictedIn(swatch, entry, book(null)));
    expect(colourIn({ ...swatch, read: { ...read, by: "value" } }, entry, book(null))).toEqual(
      predictedIn(swatch, entry, book(null)),
    );
  });

  test("a mix with a paint that nobody knows, or without paints, has no colour", () => {
    expect(mixIn([], entry, book(null))).toBeNull();
    expect(mixIn([...parts, { paintId: uuid(3), parts: 1 }], entry, book(null))).toBeNull();
    const unknown = newLoggedMix({ id: uuid(9), parts: [{ paintId: uuid(3), parts: 1 }] });
    expect(colourIn(unknown, entry, book(null))).toBeNull();
  });

  test("what was laid over a dried wash stands on it, and is darker for it", () => {
    const over = { parts: [{ paintId: blue.id, parts: 1 }], waterParts: 2 };
    expect(groundIn({ over: null }, entry, book(null))).toBe(PAPERS[0]);
    const bare = predictedIn({ parts, waterParts: 4, over: null }, entry, book(null))!;
    const glazed = predictedIn({ parts, waterParts: 4, over }, entry, book(null))!;
    expect(glazed.L).toBeLessThan(bare.L - 5);
  });
});
