import { describe, expect, test } from "vitest";
import { newLogEntry, newLoggedMix, type LogEntry, type LoggedMix } from "./logbook";
import { mergeLogEntries, mergePaintboxes, mergePaintings } from "./merge";
import { newPaint, type PaintboxDocument, type PaintEntry } from "./paintbox";
import { newArea, newPainting, type PaintingDocument } from "./painting";

const id = (): string => crypto.randomUUID();
const ids = [id(), id(), id(), id(), id(), id()] as const;
const area = (i: number, name: string) =>
  newArea({ id: ids[i]!, name, sample: { x: 0.5, y: 0.5, radius: 0.01 }, lab: { L: 50, a: 0, b: 0 } });
const base: PaintingDocument = {
  ...newPainting("Canal", "cotton-rough"),
  areas: [area(0, "Sky"), area(1, "Water"), area(2, "Bank")],
  palette: [ids[0]!, ids[1]!],
};
const named = (document: PaintingDocument): string[] => document.areas.map(({ name }) => name);
const merged = (mine: Partial<PaintingDocument>, theirs: Partial<PaintingDocument>) =>
  mergePaintings({ base, mine: { ...base, ...mine }, theirs: { ...base, ...theirs } });
const document = (result: ReturnType<typeof merged>): PaintingDocument => {
  if ("clashes" in result) throw new Error(result.clashes.join(", "));
  return result.document;
};

describe("two changes of a painting", () => {
  test("of different areas, paints and settings are one painting", () => {
    const mine = {
      areas: [area(0, "High sky"), base.areas[1]!, base.areas[2]!, area(3, "Door")],
      palette: [ids[0], ids[1], ids[2]],
      study: { ...base.study, wish: { way: "heighten" as const, by: 1.2 } },
    };
    const theirs = {
      areas: [base.areas[0]!, area(2, "Far bank"), area(4, "Dyke")],
      title: "Evening",
      palette: [ids[1]],
      study: { ...base.study, curve: { kind: "even" as const } },
    };
    const both = document(merged(mine, theirs));
    expect(named(both)).toEqual(["High sky", "Far bank", "Door", "Dyke"]);
    expect(both).toMatchObject({
      title: "Evening",
      palette: [ids[1], ids[2]],
      study: { wish: { way: "heighten" }, curve: { kind: "even" } },
    });
  });

  test("a sitting noted in one window and a condition changed in another are one plan; two orders clash", () => {
    const sat = { key: ids[0], as: "done" as const, at: "2026-05-01T18:00:00.000Z" };
    const light = { areaId: ids[1], how: "mask" as const };
    const both = document(
      merged(
        { plan: { ...base.plan, sat: [sat], humidity: 0.7 } },
        { plan: { ...base.plan, reserved: [light], wetness: "juicy" } },
      ),
    );
    expect(both.plan).toEqual({ ...base.plan, sat: [sat], humidity: 0.7, reserved: [light], wetness: "juicy" });
    const [mine, theirs] = [
      [ids[0], ids[1]],
      [ids[1], ids[0]],
    ].map((order) => ({ plan: { ...base.plan, order } }));
    expect(merged(mine!, theirs!)).toEqual({ clashes: ["the order of the washes"] });
  });

  test("the order of whoever moved things is kept", () => {
    const moved = [base.areas[2]!, base.areas[0]!, base.areas[1]!];
    expect(named(document(merged({ areas: moved }, { title: "T" })))).toEqual(["Bank", "Sky", "Water"]);
    expect(named(document(merged({ areas: [...base.areas, area(3, "Door")] }, { areas: moved })))).toEqual([
      "Bank",
      "Door",
      "Sky",
      "Water",
    ]);
  });

  test("alike in both are no clash, and the order of keys in what came from the store is none either", () => {
    const { sample, ...rest } = base.areas[0]!;
    expect(
      document(merged({ title: "T" }, { title: "T", areas: [{ sample, ...rest }, ...base.areas.slice(1)] })),
    ).toEqual({ ...base, title: "T" });
  });

  test("of the same area, or of one that the other took away, clash by its name", () => {
    expect(
      merged(
        { areas: [area(0, "High sky"), ...base.areas.slice(1)] },
        { areas: [area(0, "Evening sky"), ...base.areas.slice(1)] },
      ),
    ).toEqual({ clashes: ["High sky"] });
    expect(merged({ areas: base.areas.slice(1) }, { areas: [area(0, "Evening sky"), ...base.areas.slice(1)] })).toEqual(
      { clashes: ["Evening sky"] },
    );
    const map = (packed: string) => ({ study: { ...base.study, map: { width: 4, height: 4, packed } } });
    expect(merged(map("one"), map("two"))).toEqual({ clashes: ["the shapes"] });
  });

  test("that are good each by itself but not together clash with the store's own words", () => {
    const tray = (from: number) => Array.from({ length: 25 }, (_, i) => ids[0]!.replace(/..$/, String(from + i)));
    expect(merged({ palette: [...base.palette, ...tray(10)] }, { palette: [...base.palette, ...tray(40)] })).toEqual({
      clashes: [expect.stringMatching(/at most 40 paints/)],
    });
  });
});

test("two changes of the paintbox: a paint added here, one taken out there, and its well emptied", () => {
  const paint = (i: number, part: Partial<PaintEntry> = {}) =>
    newPaint({ id: ids[i]!, name: `Paint ${i}`, pigments: [{ pigmentId: "PB29", share: 1 }], ...part });
  const box = {
    id: ids[5],
    name: "Tin",
    rows: 1,
    columns: 2,
    pan: "half pan" as const,
    rowPans: [],
    wells: [ids[0], ids[1]],
  };
  const start: PaintboxDocument = { paints: [paint(0), paint(1)], boxes: [box] };
  const mine: PaintboxDocument = {
    paints: [paint(2), paint(0, { notes: "low" }), paint(1)],
    boxes: [{ ...box, name: "Tin for the canal" }],
  };
  const theirs: PaintboxDocument = { paints: [paint(0)], boxes: [box] };
  expect(mergePaintboxes({ base: start, mine, theirs })).toEqual({
    document: {
      paints: [paint(2), paint(0, { notes: "low" })],
      boxes: [{ ...box, name: "Tin for the canal", wells: [ids[0], null] }],
    },
  });
  const both = mergePaintboxes({
    base: start,
    mine,
    theirs: { ...start, paints: [paint(0, { notes: "new" }), paint(1)] },
  });
  expect(both).toEqual({ clashes: ["Paint 0"] });
});

describe("two changes of a page of the logbook", () => {
  const page = newLogEntry({
    kind: "mix",
    on: "2026-05-06",
    paperId: "cotton-rough",
    mixes: [newLoggedMix({ id: ids[0]!, name: "warm" }), newLoggedMix({ id: ids[1]!, name: "cool" })],
  });
  const both = (mine: Partial<LogEntry>, theirs: Partial<LogEntry>) =>
    mergeLogEntries({ base: page, mine: { ...page, ...mine }, theirs: { ...page, ...theirs } });
  const [warm, cool] = page.mixes as [LoggedMix, LoggedMix];

  test("of different swatches and fields are one page", () => {
    const result = both(
      { mixes: [{ ...warm, waterParts: 8 }, cool], stars: 3 },
      { mixes: [warm, { ...cool, name: "cooler" }, newLoggedMix({ id: ids[2]! })], moods: ["quiet"] },
    );
    if ("clashes" in result) throw new Error(result.clashes.join());
    expect(result.document).toMatchObject({ stars: 3, moods: ["quiet"] });
    expect(result.document.mixes.map(({ name, waterParts }) => [name, waterParts])).toEqual([
      ["warm", 8],
      ["cooler", 3],
      ["", 3],
    ]);
  });

  test("of the same swatch, or of the same field, are told by name", () => {
    expect(both({ mixes: [{ ...warm, waterParts: 8 }, cool] }, { mixes: [{ ...warm, waterParts: 2 }, cool] })).toEqual({
      clashes: ["warm"],
    });
    expect(both({ title: "A", notes: "x" }, { title: "B", notes: "y" })).toEqual({
      clashes: ["its title", "the notes"],
    });
  });
});
