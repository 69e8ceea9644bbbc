import { beforeEach, describe, expect, test } from "vitest";
import { readPaintRows, readTable, guessColumns } from "@/core/formats";
import { labelContradictions, pigmentById } from "@/core/pigments";
import { boxesHere, MIXABLE, newPaint, type PaintEntry } from "@/model/paintbox";
import { entriesOfJson, entryOfRow } from "@/model/import";
import { modelMaker } from "./measured";
import { createPaintboxStore, type PaintboxStore } from "./paintbox-store";
import { chosenPaints, QUESTIONS } from "./questions";

const paint = (name: string, ids: readonly string[], more: Partial<PaintEntry> = {}): PaintEntry =>
  newPaint({ id: crypto.randomUUID(), name, pigments: ids.map((pigmentId) => ({ pigmentId, share: 1 })), ...more });

const box = [
  paint("Ultramarine", ["PB29"]),
  paint("Ultramarine", ["PB29"], { maker: "Ottermoor", status: "low" }),
  paint("Sap green", ["PG36", "PY150"]),
  paint("sap green ", ["PG7", "PY110"], { favourite: true }),
  paint("Alizarin", ["PR83"], { status: "never again" }),
  paint("Cobalt", ["PB28"], { status: "wished for" }),
];
const names = (choice: string): string[] => chosenPaints(box, choice).map(({ name }) => name.trim().toLowerCase());

describe("questions to the box", () => {
  test.each([
    ["all", 6],
    ["low", 1],
    ["never again", 1],
    ["favourites", 1],
    ["several pigments", 2],
    ["fade in light", 1],
    ["ask for care", 3],
    ["granulate", 3],
    ["lie flat", 3],
  ] as const)("%s: %d paints", (choice, count) => expect(names(choice)).toHaveLength(count));

  test("two paints of one name with different pigments, two of one pigment under any name", () => {
    expect(names("same name, other pigments")).toEqual(["sap green", "sap green"]);
    expect(names("same pigments")).toEqual(["ultramarine", "ultramarine"]);
    expect(QUESTIONS.every(({ words }) => words.length > 3)).toBe(true);
  });
});

describe("label facts against the handbook", () => {
  const label = { transparency: "", staining: "", granulation: "", lightfastness: "" };
  const doubts = (id: string, facts: Partial<typeof label>) =>
    Object.keys(labelContradictions({ ...label, ...facts }, [pigmentById(id)]));
  test("agreeing labels in many notations raise no doubt", () => {
    expect(
      doubts("PB29", { transparency: "T", staining: "semi-staining", granulation: "G", lightfastness: "I" }),
    ).toEqual([]);
    expect(doubts("PR108", { transparency: "O", granulation: "non-granulating", lightfastness: "ASTM I" })).toEqual([]);
    expect(
      doubts("PB15-green-shade", { transparency: "transparent", staining: "St", lightfastness: "blue wool 7" }),
    ).toEqual([]);
    expect(doubts("PB29", { transparency: "who knows", lightfastness: "***" })).toEqual([]);
  });
  test("a label that says the opposite is told, fact by fact", () => {
    expect(doubts("PB29", { transparency: "opaque", granulation: "no" })).toEqual(["transparency", "granulation"]);
    expect(doubts("PB15-green-shade", { staining: "non-staining" })).toEqual(["staining"]);
    expect(doubts("PR83", { lightfastness: "I" })).toEqual(["lightfastness"]);
    expect(doubts("PY1", { lightfastness: "Excellent" })).toEqual(["lightfastness"]);
  });
});

describe("rows as paints", () => {
  const rows = (csv: string) => {
    const table = readTable(csv);
    return readPaintRows(table, guessColumns(table.headers)).good.map((row) => entryOfRow(row, "2026-11-25"));
  };
  test("numbers with comma or point, sizes with ml, states in any case; what is unknown is left open", () => {
    const [one, two] = rows(
      'name,pigments,size,price,status,form\nA,PB29,15 ml,"7,5",LOW,Half Pan\nB,PG7,,,perhaps,bucket\n',
    ) as PaintEntry[];
    expect(one).toMatchObject({ sizeMl: 15, price: 7.5, status: "low", form: "half pan" });
    expect(two).toMatchObject({ sizeMl: null, price: null, status: "owned", form: "tube" });
  });
  test("what can't be right is told with its reason", () => {
    const faults = rows(
      "name,pigments,price,bought\nA,PB29,-2,\nB,PB29,cheap,\nC,PB29,,2099-01-01\nD,PB29,,last spring\n",
    );
    expect(faults.map((f) => ("reason" in f ? f.reason : ""))).toEqual([
      "A: The price can't be negative.",
      "B: The price is a number.",
      "C: That day is still to come.",
      "D: A date looks like 2026-04-30.",
    ]);
  });
  test("an exported box comes back under new ids; other JSON is no box", () => {
    const back = entriesOfJson(JSON.stringify({ paints: box }))!;
    expect(back.map(({ name }) => name)).toEqual(box.map(({ name }) => name.trim()));
    expect(back.some(({ id }) => box.some((old) => old.id === id))).toBe(false);
    expect(() => entriesOfJson("[]")).toThrow(/no paintbox of this program/);
    expect(entriesOfJson("name,pigments")).toBeNull();
  });
});

describe("the box's store", () => {
  let store: PaintboxStore;
  beforeEach(() => {
    store = createPaintboxStore({ paints: box, boxes: [] });
  });
  test("adding opens the paint, many are one step, removing closes it, everything is undone", () => {
    const extra = paint("Viridian", ["PG18"]);
    store.getState().add(extra);
    expect(store.getState()).toMatchObject({ openId: extra.id });
    store.getState().addMany([paint("X", ["PB29"]), paint("Y", ["PB29"])]);
    store.getState().change(extra.id, { notes: "new" });
    store.getState().remove(extra.id);
    expect(store.getState().openId).toBeNull();
    expect(store.getState().document.paints).toHaveLength(8);
    for (let i = 0; i < 4; i++) store.temporal.getState().undo();
    expect(store.getState().document.paints).toEqual(box);
  });

  test("many are changed, removed and laid into a box at once, each as one step; what was taken out leaves its wells", () => {
    const now = () => store.getState().document;
    const two = new Set([box[0]!.id, box[2]!.id]);
    store.getState().changeMany(two, { maker: "Ottermoor", status: "low" });
    expect(now().paints.filter(({ maker }) => maker === "Ottermoor")).toHaveLength(3);
    const small = {
      id: crypto.randomUUID(),
      name: "Small",
      rows: 1,
      columns: 3,
      pan: "half pan" as const,
      rowPans: [],
    };
    store.getState().addBox({ ...small, wells: [null, box[1]!.id, null] });
    store.getState().fillBox(small.id, new Set(box.slice(0, 4).map(({ id }) => id)));
    expect(now().boxes[0]!.wells).toEqual([box[0]!.id, box[1]!.id, box[2]!.id]);
    store.getState().removeMany(two);
    expect(now().boxes[0]!.wells).toEqual([null, box[1]!.id, null]);
    expect(now().paints).toHaveLength(4);
    for (let i = 0; i < 4; i++) store.temporal.getState().undo();
    expect(now()).toEqual({ paints: box, boxes: [] });
  });

  test("one's own paints come and the demo's are put away in one step; put away they answer to no question but their own", () => {
    const demo = box.map((one) => ({ ...one, demo: true }));
    store = createPaintboxStore({ paints: demo, boxes: [] });
    store.getState().addMany([paint("Mine", ["PG18"])], new Set(demo.map(({ id }) => id)));
    const { paints } = store.getState().document;
    expect(chosenPaints(paints, "all").map(({ name }) => name)).toEqual(["Mine"]);
    expect(chosenPaints(paints, "put away")).toHaveLength(6);
    expect(paints.filter(({ status }) => MIXABLE.has(status)).map(({ name }) => name)).toEqual(["Mine"]);
    const status = new Map(paints.map((one) => [one.id, one.status]));
    const holding = (...wells: (string | null)[]) => ({ wells });
    const mine = paints.at(-1)!.id;
    const boxes = [holding(demo[0]!.id, null), holding(demo[0]!.id, mine), holding(null, null)];
    expect(boxesHere(boxes, (id) => status.get(id))).toEqual(boxes.slice(1));
    store.temporal.getState().undo();
    expect(store.getState().document.paints).toEqual(demo);
  });
});

test("a paint keeps its model for a note, a maker or where it stands, and gets another for its pigments or strength", () => {
  const modelOf = modelMaker([]);
  const store = createPaintboxStore({ paints: box, boxes: [] });
  const [{ id }, twin] = box as [PaintEntry, PaintEntry];
  const now = () => modelOf(store.getState().document.paints[0]!);
  const first = now();
  expect(modelOf(twin)).not.toBe(first);
  store.getState().change(id, { notes: "kept in the tin", maker: "Ottermoor", status: "low" });
  expect(now()).toBe(first);
  store.getState().change(id, { tintingStrength: 1.6 });
  const stronger = now();
  expect(stronger.optics.K[10]).toBeGreaterThan(1.2 * first.optics.K[10]!);
  store.getState().change(id, { pigments: [{ pigmentId: "PB28", share: 1 }] });
  expect(now().pigmentIds).toEqual(["PB28"]);
  expect(modelMaker([])(store.getState().document.paints[0]!)).toEqual(now());
});
