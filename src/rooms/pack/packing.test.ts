import { describe, expect, test } from "vitest";
import { DEFAULT_APPROACH } from "@/core/palette";
import { newPaint } from "@/model/paintbox";
import type { WantedAnswer } from "@/model/wanted";
import type { StockedPaint } from "@/storage/ports";
import {
  countedColours,
  MOST_PACKED_FROM,
  NEW_PACKING,
  packableFrom,
  packQuestion,
  shapeOf,
  travelBoxOf,
} from "./packing";
import { servesWords } from "./packed-box";
import { HANDBOOK } from "@/core/pigments";

const paint = (pigmentId: string, part: Partial<StockedPaint> = {}): StockedPaint => ({
  ...newPaint({ id: crypto.randomUUID(), name: pigmentId, pigments: [{ pigmentId, share: 1 }] }),
  measured: null,
  ...part,
});
const wanted = (title: string, areas: readonly string[], part: Partial<WantedAnswer> = {}): WantedAnswer => ({
  id: crypto.randomUUID(),
  title,
  paperId: "cotton-rough",
  approach: DEFAULT_APPROACH,
  colours: areas.map((area) => ({
    areaId: area,
    area,
    lab: { L: 60, a: 0, b: -10 },
    weight: 1,
    areaCm2: 50,
    character: { grain: "free", lifts: true, clear: false },
  })),
  ...part,
});

describe("what is packed from", () => {
  const box = [paint("PB29"), paint("PY43", { status: "wished for" }), paint("PR254", { status: "used up" })];

  test("paints at hand, those wished for where that is said, and of very many the most different", () => {
    const names = (wished: boolean) => packableFrom(box, { wished, must: [] }).map(({ name }) => name);
    expect(names(false)).toEqual(["PB29"]);
    expect(names(true)).toEqual(["PB29", "PY43"]);
    const many = HANDBOOK.slice(0, MOST_PACKED_FROM + 12).map(({ id }) => paint(id));
    const kept = packableFrom(many, { wished: false, must: [] });
    expect(kept).toHaveLength(MOST_PACKED_FROM);
    const out = many.find(({ id }) => !kept.some((one) => one.id === id))!;
    expect(packableFrom(many, { wished: false, must: [out.id] }).map(({ id }) => id)).toContain(out.id);
  });

  test("a box has its wells in even rows, with those to be bought left empty", () => {
    expect([3, 7, 8, 12, 19, 24].map(shapeOf)).toEqual([
      { rows: 1, columns: 3 },
      { rows: 1, columns: 7 },
      { rows: 2, columns: 4 },
      { rows: 2, columns: 6 },
      { rows: 3, columns: 7 },
      { rows: 3, columns: 8 },
    ]);
    const packed = { paints: [1, 0, 0].map((p) => ({ paint: p, loss: [], colours: [] })) };
    const { wells } = travelBoxOf("For two", packed, box);
    expect(wells).toEqual([null, box[0]!.id, box[0]!.id]);
  });
});

describe("the question", () => {
  const paints = packableFrom([paint("PB29"), paint("PR83"), paint("PY43")], NEW_PACKING);
  const [sea, garden] = [wanted("Sea", ["Sky above", "Water"]), wanted("Garden", ["Hedge"])];

  test("holds the areas that are meant, laid as is said for all; a painting without any is not asked about", () => {
    const { asked, openings } = packQuestion(
      paints,
      [sea, garden],
      { ...NEW_PACKING, word: " sky" },
      "2026-11-27",
      null,
    );
    expect(asked.map(({ title }) => title)).toEqual(["Sea"]);
    expect(openings[0]!.targets).toHaveLength(1);
    expect(countedColours(garden, NEW_PACKING)[0]!.character.grain).toBe("free");
    const [hedge] = countedColours(garden, { word: "HEDGE", grain: "smooth" });
    expect(hedge!.character).toEqual({ grain: "smooth", lifts: true, clear: false });
  });

  test("a paint that a painting's approach leaves out is not mixed there, unless it must come along", () => {
    // Alizarin crimson fades (ASTM D5067 class IV in watercolour, from memory): not for the wall.
    const sketch = wanted("Sketch", ["Hedge"], { approach: { ...DEFAULT_APPROACH, lasting: "sketchbook" } });
    const reluctance = (must: readonly string[]) =>
      packQuestion(paints, [garden, sketch], { ...NEW_PACKING, must }, "2026-11-27", null).openings.map(
        (opening) => opening.paints[1]!.reluctance,
      );
    expect(reluctance([])).toEqual([200, 0]);
    expect(reluctance([paints[1]!.id])).toEqual([0, 0]);
    // Answers name paints by their places in the question, which keeps them.
    expect(packQuestion(paints, [garden], NEW_PACKING, "2026-11-27", null).paints).toBe(paints);
    const { choice } = packQuestion(paints, [garden], { ...NEW_PACKING, never: [paints[2]!.id] }, "2026-11-27", null);
    expect(choice).toEqual({ size: 12, must: [], never: [2] });
  });
});

test("a paint's words say whom it is for", () => {
  const titles = ["Sea", "Garden", "Roses"];
  const words = (loss: number[], colours = [2, 1, 0]) => servesWords({ loss, colours }, titles);
  expect(words([1, 2, 0.5])).toBe("all need it");
  expect(words([0, 0, 3])).toBe("Roses alone needs it");
  expect(words([1, 0.1, 3])).toBe("needed for Sea and Roses");
  expect(words([0, 0.1, 0])).toBe("in 3 colours, none hangs on it");
  expect(servesWords({ loss: [0], colours: [0] }, ["Sea"])).toBe("nothing is mixed with it");
});
