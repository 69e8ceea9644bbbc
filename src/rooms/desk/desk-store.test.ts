import { beforeEach, describe, expect, test } from "vitest";
import { newArea, newPainting, type PaintingArea, type PaintingDocument } from "@/model/painting";
import { unpackMap, type LabelMap } from "@/core/areas";
import { createDeskStore, freeLabel, MAX_RADIUS, MIN_RADIUS, type DeskStore } from "./desk-store";

const [blue, red, gold] = [
  "5e0a5c86-3f5f-4c5c-8f0e-0d3f6f6b0001",
  "5e0a5c86-3f5f-4c5c-8f0e-0d3f6f6b0002",
  "5e0a5c86-3f5f-4c5c-8f0e-0d3f6f6b0003",
];
const areaId = (id: string): string => id.replace(/6b/, "7c");
const [A, B, C] = [areaId(blue), areaId(red), areaId(gold)];
const area = (id: string, name: string): PaintingArea =>
  newArea({ id, name, sample: { x: 0.5, y: 0.5, radius: 0.01 }, lab: { L: 50, a: 0, b: 0 } });
const document: PaintingDocument = {
  ...newPainting("Canal", "cotton-rough"),
  areas: [area(A, "Sky"), area(B, "Bank")],
  palette: [blue, red],
};
const recipe = {
  parts: [
    { paintId: blue, parts: 3 },
    { paintId: gold, parts: 0.25 },
  ],
  waterParts: 4,
};

let store: DeskStore;
const now = () => store.getState();
const undo = (): void => store.temporal.getState().undo();
const redo = (): void => store.temporal.getState().redo();

beforeEach(() => {
  store = createDeskStore(document);
});

describe("the desk's document", () => {
  test("every change can be undone and redone, one step each", () => {
    now().setTitle("Evening");
    now().setPaper("cellulose");
    now().changeArea(A, { name: "High sky" });
    now().removeArea(B);
    now().addToPalette(gold);
    expect(now().document).toMatchObject({ title: "Evening", paperId: "cellulose", palette: [blue, red, gold] });
    expect(now().document.areas.map((a) => a.name)).toEqual(["High sky"]);
    for (let i = 0; i < 5; i++) undo();
    expect(now().document).toEqual(document);
    undo();
    expect(now().document).toEqual(document);
    for (let i = 0; i < 5; i++) redo();
    expect(now().document.areas.map((a) => a.name)).toEqual(["High sky"]);
  });

  test("a change after undoing forgets what could be redone", () => {
    now().setTitle("One");
    undo();
    now().setTitle("Two");
    redo();
    expect(now().document.title).toBe("Two");
  });

  test("looking is no change: selecting, taking, radius and source leave nothing to undo", () => {
    now().select(A);
    now().take({ sample: { x: 0.1, y: 0.1, radius: 0.01 }, lab: { L: 1, a: 1, b: 1 }, untrusted: 0 });
    now().setRadius(0.02);
    now().setSource("tray");
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });
});

describe("what the store would not take", () => {
  test("is not taken by the desk either: it says why, and the rest goes on", () => {
    const full = createDeskStore({
      ...document,
      palette: Array.from({ length: 40 }, (_, i) => blue.replace(/01$/, String(10 + i))),
    });
    full.getState().addToPalette(gold);
    expect(full.getState().refused).toMatch(/at most 40 paints/);
    expect(full.getState().document.palette).toHaveLength(40);
    expect(full.temporal.getState().pastStates).toHaveLength(0);
    full.getState().setTitle("Goes on");
    expect(full.getState()).toMatchObject({ refused: null, document: { title: "Goes on" } });
    now().nameArea(A, "Sky\0");
    expect(now()).toMatchObject({ refused: expect.stringMatching(/can't be kept/), document });
    now().changeRules({ must: [gold], never: [gold] });
    expect(now().refused).toMatch(/must and a never/);
    now().setPaper("silk");
    expect(now().document).toBe(document);
  });

  test("what is typed into one field is one step to undo, until the field is left", () => {
    for (const title of ["C", "Ca", "Can"]) now().setTitle(title);
    now().endTyping();
    for (const name of ["H", "Hi"]) now().nameArea(A, name);
    undo();
    expect(now().document).toMatchObject({ title: "Can", areas: [{ name: "Sky" }, { name: "Bank" }] });
    undo();
    expect(now().document).toEqual(document);
  });
});

describe("choosing recipes", () => {
  test("lays their paints in the tray, once each and after those already there, in one step", () => {
    now().chooseRecipes(
      new Map([
        [A, recipe],
        [B, recipe],
      ]),
    );
    expect(now().document.palette).toEqual([blue, red, gold]);
    expect(now().document.areas.every((a) => a.recipe === recipe)).toBe(true);
    undo();
    expect(now().document).toEqual(document);
  });

  test("taking a recipe away leaves the paints where they are", () => {
    now().chooseRecipes(new Map([[A, recipe]]));
    now().chooseRecipes(new Map([[A, null]]));
    expect(now().document.areas[0]!.recipe).toBeNull();
    expect(now().document.palette).toContain(gold);
  });
});

describe("the tray", () => {
  test("paints move one place, never off the end, and a paint is never there twice", () => {
    now().movePaint(blue, 1);
    expect(now().document.palette).toEqual([red, blue]);
    now().movePaint(blue, 1);
    now().movePaint(red, -1);
    now().movePaint(gold, 1);
    expect(now().document.palette).toEqual([red, blue]);
    now().addToPalette(blue);
    expect(now().document.palette).toEqual([red, blue]);
    now().removeFromPalette(red);
    expect(now().document.palette).toEqual([blue]);
  });
});

describe("looking", () => {
  test("a new area is opened; a colour taken closes it; opening another lets the colour go", () => {
    now().addArea(area(C, "Door"));
    expect(now().selectedId).toBe(C);
    now().take({ sample: { x: 0.1, y: 0.1, radius: 0.01 }, lab: { L: 1, a: 1, b: 1 }, untrusted: 0 });
    expect(now().selectedId).toBeNull();
    now().select(A);
    expect(now().taken).toBeNull();
  });

  test("the circle stays within its bounds", () => {
    now().setRadius(9);
    expect(now().radius).toBe(MAX_RADIUS);
    now().setRadius(0);
    expect(now().radius).toBe(MIN_RADIUS);
  });
});

test("a palette is laid out with its recipes in one step", () => {
  now().layOut([gold, red], new Map([[A, recipe]]));
  expect(now().document.palette).toEqual([gold, red]);
  expect(now().document.areas.map((one) => one.recipe)).toEqual([recipe, null]);
  undo();
  expect(now().document).toEqual(document);
});

describe("the study of the photo", () => {
  const half: LabelMap = {
    width: 8,
    height: 4,
    labels: Uint8Array.from({ length: 32 }, (_, i) => (i % 8 < 4 ? 1 : 2)),
  };

  test("a white correction turns the colours already measured, and taking it back brings them back", () => {
    now().setWhite({ x: 0.5, y: 0.5, light: { r: 0.5, g: 0.4, b: 0.3 }, degree: 1 });
    const cooler = now().document.areas[0]!.lab;
    expect(cooler.b).toBeLessThan(-5);
    expect(now().document.areas[0]!.lab.L).not.toBeNaN();
    now().setWhite({ x: 0.5, y: 0.5, light: { r: 0.5, g: 0.4, b: 0.3 }, degree: 0.5 });
    expect(now().document.areas[0]!.lab.b).toBeGreaterThan(cooler.b);
    now().setWhite(null);
    expect(now().document.areas[0]!.lab.b).toBeCloseTo(0, 6);
    for (let i = 0; i < 3; i++) undo();
    expect(now().document).toEqual(document);
  });

  test("areas drawn on a map: those that lost their last pixel go, and one step takes it back", () => {
    const [sky, bank] = document.areas;
    now().setAreas(half, [{ ...sky!, region: 1 }, { ...bank!, region: 3 }, area(C, "Spot")]);
    expect(now().document.areas.map(({ id }) => id)).toEqual([A, C]);
    expect(now().document.study.map).toMatchObject({ width: 8, height: 4 });
    undo();
    expect(now().document).toEqual(document);
  });

  test("an area that is removed gives its pixels and its label back", () => {
    const [sky, bank] = document.areas;
    now().setAreas(half, [
      { ...sky!, region: 1 },
      { ...bank!, region: 2 },
    ]);
    expect(freeLabel(now().document.areas)).toBe(3);
    now().removeArea(A);
    const { packed, width, height } = now().document.study.map!;
    expect([...new Set(unpackMap(packed, width, height).labels)].sort()).toEqual([0, 2]);
    expect(freeLabel(now().document.areas)).toBe(1);
  });

  test("each step has its tool; a proposal and a taken colour don't outlive it", () => {
    expect(now().step).toBe("mixes");
    expect(createDeskStore(newPainting("New", "cotton-rough")).getState().step).toBe("photo");
    now().goTo("areas");
    now().propose({ map: half, shapes: 2, stable: [2] });
    expect(now()).toMatchObject({ tool: "select", outlines: true });
    now().goTo("photo");
    expect(now()).toMatchObject({ tool: "sample", proposal: null, outlines: false });
    now().setLasso("take");
    expect(now()).toMatchObject({ tool: "lasso", lasso: "take" });
  });

  test("two points are compared, a third begins anew; looking is no step to undo", () => {
    now().comparePoint({ x: 0.1, y: 0.1 });
    now().comparePoint({ x: 0.2, y: 0.2 });
    expect(now().pair).toEqual({ a: { x: 0.1, y: 0.1 }, b: { x: 0.2, y: 0.2 } });
    now().comparePoint({ x: 0.3, y: 0.3 });
    expect(now().pair).toEqual({ a: { x: 0.3, y: 0.3 }, b: null });
    now().setValueSteps(3);
    expect(now()).toMatchObject({ seeing: "values", valueSteps: 3 });
    undo();
    expect(now().document).toEqual(document);
  });
});

describe("the palette's own settings", () => {
  test("a paint takes another's well; two in the tray change places", () => {
    now().putInWell(gold, red);
    expect(now().document.palette).toEqual([blue, gold]);
    now().putInWell(gold, blue);
    expect(now().document.palette).toEqual([gold, blue]);
    undo();
    undo();
    expect(now().document.palette).toEqual([blue, red]);
  });
  test("approach, rules and kept palettes are undone like everything else; what is tried in thought isn't the document's", () => {
    now().changeApproach({ primaries: "red-yellow-blue" });
    now().changeRules({ never: [gold] });
    now().setKept([{ id: gold, name: "Two", paints: [blue, red] }]);
    expect(now().document).toMatchObject({
      approach: { primaries: "red-yellow-blue", size: document.approach.size },
      rules: { never: [gold], must: [] },
      palettes: [{ name: "Two" }],
    });
    const before = now().document;
    now().tryPalette([blue, gold]);
    expect(now().document).toBe(before);
    now().showPalette("reach");
    expect([now().tried, now().paletteView]).toEqual([null, "reach"]);
    for (let i = 0; i < 3; i++) undo();
    expect(now().document).toEqual(document);
  });
  test("the line between photo and repainting stays on the photo", () => {
    now().setSplit(1.4);
    expect(now().split).toBe(1);
    now().setSplit(-1);
    expect(now().split).toBe(0);
  });
});
