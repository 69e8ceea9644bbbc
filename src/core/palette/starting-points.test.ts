import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { paintModel } from "../mixing/paint";
import { valueRange } from "../mixing/range";
import { STRUCTURES, startingPoints } from "./starting-points";
import { isKind, traitsOf } from "./traits";

const ids = [
  "PY3",
  "PY150",
  "PY43",
  "PBr7-raw-sienna",
  "PBr7-burnt-sienna",
  "PBr7-burnt-umber",
  "PR101-light-red",
  "PB29",
  "PB15-green-shade",
  "PB36",
  "PV19-rose",
  "PR122",
  "PR254",
  "PR179",
  "PO73",
  "PG7",
  "PBk9",
];
const paintsOf = (names: readonly string[]): ReturnType<typeof paintModel>[] =>
  names.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const found = (names: readonly string[]): Map<string, { paints: string[]; lacks: readonly string[] }> => {
  const paints = paintsOf(names);
  return new Map(
    startingPoints(paints, traitsOf(paints, PAPERS[0]), PAPERS[0]).map(({ structure, paints: own, lacks }) => [
      structure,
      { paints: own.map((p) => names[p]!), lacks },
    ]),
  );
};

describe("classic structures from one's own paints (common practice, no source)", () => {
  const points = found(ids);
  const family = (name: string): ReturnType<typeof traitsOf>[number] => traitsOf(paintsOf([name]), PAPERS[0])[0]!;

  test("all of them are filled from a full box", () => {
    expect([...points.keys()]).toEqual([...STRUCTURES]);
    for (const { lacks } of points.values()) expect(lacks).toEqual([]);
  });
  test("an earth triad is a yellow and a red earth with a blue", () => {
    const [yellow, red, blue] = points.get("earth triad")!.paints;
    expect([family(yellow!).family, family(red!).family, isKind(family(blue!), "blue")]).toEqual([
      "earth",
      "earth",
      true,
    ]);
    expect(family(yellow!).hueDegrees).toBeGreaterThan(family(red!).hueDegrees);
  });
  test("a bright triad is a yellow, a red or rose and a blue, purer than the earths", () => {
    const triad = points.get("bright triad")!.paints;
    expect(isKind(family(triad[0]!), "yellow") && isKind(family(triad[2]!), "blue")).toBe(true);
    for (const name of triad) expect(family(name).family).not.toBe("earth");
  });
  test("printers' primaries: magenta, yellow, cyan", () => {
    expect(points.get("magenta, yellow, cyan")!.paints).toEqual([
      expect.stringMatching(/^P(V19-rose|R122)$/),
      "PY3",
      "PB15-green-shade",
    ]);
  });
  test("a pair of each primary is six paints, two of each", () => {
    const six = points.get("pair of each primary")!.paints.map(family);
    expect(six).toHaveLength(6);
    expect(six.slice(0, 2).every((t) => isKind(t, "yellow")) && six.slice(4).every((t) => isKind(t, "blue"))).toBe(
      true,
    );
  });
  test("one blue and one brown still reach a near-black", () => {
    const couple = points.get("one blue, one brown")!.paints;
    expect(couple).toHaveLength(2);
    expect(valueRange(paintsOf(couple), PAPERS[0]).darkest).toBeLessThan(2.9);
  });
  test("opposites lie across from each other, the accent is neither", () => {
    const [one, two, accent] = points.get("opposites and an accent")!.paints;
    const turn = Math.abs(((family(one!).hueDegrees - family(two!).hueDegrees + 540) % 360) - 180);
    expect(turn).toBeGreaterThan(110);
    expect([one, two]).not.toContain(accent);
  });
});

test("what a box lacks for a structure is said", () => {
  const points = found(["PBr7-burnt-sienna", "PY43", "PY3"]);
  expect(points.get("one blue, one brown")!.lacks).toEqual(["a blue"]);
  expect(points.get("bright triad")!.lacks).toEqual(["a red", "a blue"]);
  expect(points.get("opposites and an accent")!.lacks.length).toBeGreaterThan(0);
});
