import { describe, expect, test } from "vitest";
import { newLogEntry, newLoggedMix } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { createEntryStore } from "./entry-store";

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const paints = ["PB29", "PR254", "PY154", "PG7"].map((pigmentId, i) =>
  newPaint({ id: uuid(i + 1), name: pigmentId, pigments: [{ pigmentId, share: 1 }] }),
);
const entry = newLogEntry({
  kind: "mix",
  on: "2026-05-06",
  paperId: "cotton-rough",
  mixes: [newLoggedMix({ id: uuid(50) })],
});

describe("an open entry", () => {
  test("paints come into a swatch with their labels, and are forgotten with the swatch", () => {
    const store = createEntryStore(entry);
    const { addPaint, addMix, removeMix } = store.getState();
    addPaint(uuid(50), paints[0]!);
    addPaint(uuid(50), paints[1]!);
    addMix({ id: uuid(51) });
    addPaint(uuid(51), paints[0]!);
    expect(store.getState().document.paints.map(({ name }) => name)).toEqual(["PB29", "PR254"]);
    removeMix(uuid(50));
    expect(store.getState().document.paints.map(({ name }) => name)).toEqual(["PB29"]);
  });

  test("a fourth paint, a paint twice and a negative part are refused in words; the entry stays as it was", () => {
    const store = createEntryStore(entry);
    const { addPaint, changeMix } = store.getState();
    for (const paint of paints) addPaint(uuid(50), paint);
    expect(store.getState().refused).toBe("A mix has at most three paints.");
    expect(store.getState().document.mixes[0]!.parts).toHaveLength(3);
    addPaint(uuid(50), paints[0]!);
    expect(store.getState().refused).not.toBeNull();
    changeMix(uuid(50), { parts: [{ paintId: uuid(1), parts: -1 }] });
    expect(store.getState().refused).toBe("Every part is above 0.");
    expect(store.getState().document.mixes[0]!.parts).toHaveLength(3);
  });

  test("what is typed into one field is one step to undo; what was varied from a removed swatch stands for itself", () => {
    const store = createEntryStore(entry);
    const { change, endTyping, addMix, removeMix } = store.getState();
    for (const title of ["G", "Gr", "Grey"]) change({ title }, "title");
    endTyping();
    change({ stars: 2 });
    store.temporal.getState().undo();
    expect(store.getState().document).toMatchObject({ title: "Grey", stars: 0 });
    store.temporal.getState().undo();
    expect(store.getState().document.title).toBe("");
    addMix({ id: uuid(51), from: uuid(50) });
    removeMix(uuid(50));
    expect(store.getState().document.mixes).toMatchObject([{ id: uuid(51), from: null }]);
  });

  test("a ring keeps its paints though no swatch names them", () => {
    const store = createEntryStore({
      ...entry,
      kind: "ring",
      paints: paints.map(({ id, name, pigments }) => ({ id, name, maker: "", pigments, tintingStrength: 1 })),
    });
    store.getState().removeMix(uuid(50));
    expect(store.getState().document.paints).toHaveLength(4);
    store.getState().forgetPaint(uuid(2));
    store.getState().notePaint(paints[0]!);
    expect(store.getState().document.paints.map(({ name }) => name)).toEqual(["PB29", "PY154", "PG7"]);
  });
});
