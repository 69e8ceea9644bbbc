import { grainBeside } from "./grain-beside";
import { describe, expect, test } from "vitest";
import type { SwatchCard } from "@/model/measurement";
import { createMeasureStore } from "./measure-store";
import { cardOfNumber, editsOfCard, readingKey, rowsOf } from "./read-photos";
import { placeWords, USUAL_PLACES } from "./swatch-places";

const card = (id: number, paints: string[]): SwatchCard => ({
  id,
  kind: "card",
  paints,
  paperId: "cotton-rough",
  on: "2026-10-03",
});

describe("photos on their way through", () => {
  const started = () => {
    const store = createMeasureStore();
    store.getState().addPhotos(
      [
        { key: "a", fileName: "one.jpg" },
        { key: "b", fileName: "two.jpg" },
      ],
      "2026-11-25",
    );
    store.temporal.getState().clear();
    return store;
  };
  test("the first opens by itself; one that is put away opens the next", () => {
    const store = started();
    expect(store.getState().openKey).toBe("a");
    store.getState().dropPhoto("a");
    expect(store.getState().openKey).toBe("b");
    store.getState().dropPhoto("b");
    expect(store.getState()).toMatchObject({ openKey: null, photos: [] });
  });

  test("dragging, leaving out and naming are undone step by step; how far a photo is can't be", () => {
    const store = started();
    const { edit, setPhoto } = store.getState();
    const box = { x: 1, y: 2, width: 3, height: 4 };
    edit("a", { moved: { "0 1": box } });
    edit("a", { leftOut: { "0 2": true } });
    setPhoto("a", { state: "reading" });
    store.temporal.getState().undo();
    expect(store.getState().document.edits.a).toMatchObject({ moved: { "0 1": box }, leftOut: {} });
    store.temporal.getState().undo();
    expect(store.getState().document.edits.a!.moved).toEqual({});
    expect(store.getState().photos[0]!.state).toBe("reading");
    store.temporal.getState().redo();
    expect(store.getState().document.edits.a!.moved).toEqual({ "0 1": box });
  });

  test("what was kept is kept by row", () => {
    const store = started();
    store.getState().setKept("a", 2, "m1");
    expect(store.getState().kept).toEqual({ "a 2": "m1" });
  });
});

describe("which card a photo shows", () => {
  test("the last one printed with its number; the frame's number and none mean no card", () => {
    const cards = [card(293, ["x"]), { ...card(292, ["w"]), kind: "box" as const }, card(38, ["y"]), card(37, ["z"])];
    expect(cardOfNumber(cards, "card", 38)?.id).toBe(293);
    expect(cardOfNumber(cards, "card", 37)?.id).toBe(37);
    expect(cardOfNumber(cards, "box", 37)?.id).toBe(292);
    expect(cardOfNumber(cards, "box", 38)).toBeNull();
    for (const none of [0, null, 99]) expect(cardOfNumber(cards, "card", none)).toBeNull();
  });

  test("its paints stand in their rows, and only those are read", () => {
    const edits = { ...editsOfCard(card(3, ["x", "y"])), on: "", moved: {}, leftOut: {}, references: [] };
    expect(edits.paints).toEqual(["x", "y", null, null]);
    expect(rowsOf(edits)).toEqual([0, 1]);
    expect(rowsOf({ paints: [null, null, null, null] })).toEqual([0, 1, 2, 3]);
    const box = editsOfCard({ ...card(4, ["x"]), kind: "box" });
    expect(box.kind).toBe("box");
    expect(box.paints).toHaveLength(24);
    expect(rowsOf(box)).toEqual([0]);
  });

  test("leaving a place out needs no new reading, dragging one does", () => {
    const edits = { ...editsOfCard(card(3, ["x"])), on: "", moved: {}, leftOut: {}, references: [] };
    expect(readingKey({ ...edits, leftOut: { "0 1": true }, on: "2026-01-01" })).toBe(readingKey(edits));
    expect(readingKey({ ...edits, moved: { "0 1": { x: 0, y: 0, width: 1, height: 1 } } })).not.toBe(readingKey(edits));
    expect(readingKey({ ...edits, paperId: "cellulose" })).not.toBe(readingKey(edits));
  });
});

test("places read without a photo are told apart by their words", () => {
  const words = USUAL_PLACES.map(placeWords);
  expect(new Set(words).size).toBe(USUAL_PLACES.length);
  expect(words[1]).toMatch(/neat/);
  expect(words[4]).toMatch(/1 paint : 20 water/);
});

test("where a paint lies otherwise than its pigments, and there alone, it is said beside it", () => {
  const blue = { id: "own", pigments: [{ pigmentId: "PB15-green-shade", share: 1 }] };
  expect(grainBeside({ paint: blue })).toEqual({ word: null, words: null, short: null });
  expect(grainBeside({ paint: blue, granulation: 0.02 })).toEqual({ word: "lies flat", words: null, short: null });
  const grainy = grainBeside({ paint: blue, granulation: 0.7 });
  expect(grainy.words).toContain("it granulates; its pigments as a rule: lies flat.");
  expect(grainy.short).toBe("granulates here, its pigments: lies flat");
});
