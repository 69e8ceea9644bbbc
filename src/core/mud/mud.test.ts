import { describe, expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict, type MixPart } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { meetingMud } from "./meetings";
import { mixMud } from "./mixes";

// Facts of the trade: common practice, no source. Each is checked on the handbook's own pigments.

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const mixOf = (...parts: readonly [id: string, parts: number][]): readonly MixPart[] =>
  parts.map(([id, n]) => ({ paint: paint(id), parts: n }));
const dryOf = (mix: readonly MixPart[], water: number) => predict(mix, loadOfWater(water), paper).dry;
const tray = ["PB29", "PB15-green-shade", "PY3", "PY35", "PBr7-burnt-umber", "PR108"].map(paint);
const green = dryOf(mixOf(["PB15-green-shade", 1], ["PY3", 4]), 5);
const mudOf = (mix: readonly MixPart[], wanted = green) => mixMud(mix, 5, wanted, tray, 1, paper);

describe("a mix that is duller than it should be", () => {
  test("a warm yellow in a green that is wanted vivid: the cool one in its place is more vivid", () => {
    const mud = mudOf(mixOf(["PB15-green-shade", 1], ["PY35", 3]))!;
    expect(mud.paint.id).toBe("PY35");
    expect(mud.wayOut!.change).toMatchObject({ kind: "instead", paint: { id: "PY35" }, instead: { id: "PY3" } });
  });

  test("a warm blue in it: told as the partner that leans wrong", () => {
    expect(mudOf(mixOf(["PB29", 1], ["PY3", 3]))).toMatchObject({ cause: "partner", paint: { id: "PB29" } });
  });

  test("an opaque pale yellow dulls a transparent green", () => {
    expect(mudOf(mixOf(["PB15-green-shade", 1], ["PY35", 3]))!.cause).toBe("opaque");
  });

  test("a red in a green, and a brown past a third: left out, the green is back", () => {
    const red = mudOf(mixOf(["PB15-green-shade", 1], ["PY3", 4], ["PR108", 1]))!;
    expect(red).toMatchObject({ cause: "opposite", paint: { id: "PR108" } });
    const brown = mudOf(mixOf(["PB15-green-shade", 1], ["PY3", 4], ["PBr7-burnt-umber", 3]))!;
    expect(brown).toMatchObject({ cause: "darkener", paint: { id: "PBr7-burnt-umber" } });
    const orange = dryOf(mixOf(["PO20", 1]), 5);
    expect(mudOf(mixOf(["PO20", 3], ["PB35", 1]), orange)).toMatchObject({ cause: "opposite", paint: { id: "PB35" } });
    for (const { wayOut, lost } of [red, brown]) {
      expect(wayOut!.change.kind).toBe("without");
      expect(lost).toBeGreaterThan(8);
    }
  });

  test("four pigments in one mix", () => {
    const convenience = paintModel("hooker", [
      { pigmentId: "PG7", share: 1 },
      { pigmentId: "PO49", share: 1 },
      { pigmentId: "PBk7", share: 0.3 },
    ]);
    const mix = [{ paint: convenience, parts: 2 }, ...mixOf(["PY3", 3])];
    const mud = mudOf(mix);
    expect(mud).toMatchObject({ cause: "pigments", pigments: 4 });
  });

  test("the way out is what is predicted again, is purer, and comes nearer by two at least", () => {
    const mix = mixOf(["PB29", 1], ["PY35", 2]);
    const { wayOut, lost } = mudOf(mix)!;
    const again = dryOf(wayOut!.mix, wayOut!.waterParts);
    expect(wayOut!.mix.every(({ parts }) => parts === 0.25 || Number.isInteger(parts))).toBe(true);
    expect(deltaE00(again, wayOut!.dry)).toBeLessThan(1e-9);
    expect(deltaE00(green, again)).toBeCloseTo(wayOut!.difference, 9);
    expect(wayOut!.difference).toBeLessThanOrEqual(deltaE00(green, dryOf(mix, 5)) - 2);
    expect(lost).toBeCloseTo(describeColour(green).chroma - describeColour(dryOf(mix, 5)).chroma, 9);
    expect(describeColour(again).chroma).toBeGreaterThan(describeColour(dryOf(mix, 5)).chroma);
  });

  test("a grey that is wanted is no mud, nor is what comes out as wanted, nor one paint alone", () => {
    const grey = mixOf(["PB29", 1], ["PBr7-burnt-umber", 2]);
    expect(mudOf(grey, dryOf(grey, 8))).toBeNull();
    expect(mudOf(mixOf(["PB15-green-shade", 1], ["PY3", 4]))).toBeNull();
    expect(mudOf(mixOf(["PBr7-burnt-umber", 1]))).toBeNull();
  });

  test("what is nearly a grey is wanted as one: a neutral mix for it is no mud, a little more colour is missed", () => {
    const neutral = mixOf(["PBk9", 1], ["PBk6", 1]);
    const { L, a, b } = dryOf(neutral, 5);
    const [dull, wanted] = [describeColour({ L, a, b }).chroma, (chroma: number) => ({ L, a: -chroma, b: 0 })];
    // More than what is called mud is lost to either.
    expect(9.9 - dull).toBeGreaterThan(8);
    expect(mudOf(neutral, wanted(9.9))).toBeNull();
    expect(mudOf(neutral, wanted(10.1))).not.toBeNull();
  });

  test("too much of the paint that dulls it: less of it is the way out", () => {
    const { wayOut } = mixMud(
      mixOf(["PBr7-burnt-umber", 1], ["PY35", 1]),
      5,
      dryOf(mixOf(["PBr7-burnt-umber", 1], ["PY35", 6]), 5),
      [],
      1,
      paper,
    )!;
    expect(wayOut!.change).toMatchObject({ kind: "less", paint: { id: "PBr7-burnt-umber" } });
    expect(wayOut!.chroma).toBeGreaterThan(
      describeColour(
        dryOf(
          wayOut!.mix.map((part) => ({ ...part, parts: 1 })),
          5,
        ),
      ).chroma + 4,
    );
  });

  test("a tray that makes nothing purer offers no way out", () => {
    const mix = mixOf(["PB29", 1], ["PY35", 2]);
    expect(mixMud(mix, 5, green, [], 1, paper)).toMatchObject({ wayOut: null });
  });
});

describe("two washes that meet wet in wet", () => {
  const met = (one: string, two: string) =>
    meetingMud({ mix: mixOf([one, 1]), load: 1 / 7 }, { mix: mixOf([two, 1]), load: 1 / 7 }, paper);

  test.each([
    ["PB29", "PO20"],
    ["PV19-rose", "PG18"],
    ["PY35", "PV23"],
  ])("opposites meet in a grey: %s and %s", (one, two) => {
    const mud = met(one, two)!;
    expect(mud.lost).toBeGreaterThan(10);
    expect(describeColour(mud.dullest).chroma).toBeLessThan(12);
  });

  test.each([
    ["PB15-green-shade", "PY3"],
    ["PV19-rose", "PB29"],
    ["PY35", "PO20"],
    ["PBk9", "PO20"],
  ])("neighbours stay clean, and a grey has nothing to lose: %s and %s", (one, two) =>
    expect(met(one, two)).toBeNull(),
  );

  test("which comes first makes no difference", () => {
    expect(met("PO20", "PB29")!.lost).toBeCloseTo(met("PB29", "PO20")!.lost, 9);
  });
});
