import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { searchPigments } from "../pigments/search";
import { paintModel } from "./paint";
import { farthestPointSample } from "./farthest-point-sample";
import { findTwins } from "./twins";

const paint = (id: string, pigmentId: string, strength = 1) => paintModel(id, [{ pigmentId, share: 1 }], strength);

describe("twins (common practice, no source)", () => {
  test("two makers' paints of one pigment are twins, a warm and a cool red are not", () => {
    const box = [
      paint("mine", "PR254"),
      paint("theirs", "PR254", 0.92),
      paint("cool", "PV19-rose"),
      paint("warm", "PR255"),
    ];
    expect(findTwins(box, PAPERS[0]).map(({ first, second }) => [first, second])).toEqual([["mine", "theirs"]]);
  });

  test("two paints of one name with different pigments are told apart", () => {
    const sap = paintModel("sap one", [
      { pigmentId: "PG36", share: 0.5 },
      { pigmentId: "PY150", share: 0.5 },
    ]);
    const other = paintModel("sap two", [
      { pigmentId: "PG7", share: 0.3 },
      { pigmentId: "PBr7-burnt-sienna", share: 0.7 },
    ]);
    expect(findTwins([sap, other], PAPERS[0])).toEqual([]);
  });

  test("the closest pair comes first, and texture keeps paints apart", () => {
    const box = [paint("a", "PY97"), paint("b", "PY73"), paint("c", "PY73", 0.98)];
    const twins = findTwins(box, PAPERS[0]);
    expect(twins[0]).toMatchObject({ first: "b", second: "c" });
    expect(twins.map(({ dE00 }) => dE00)).toEqual([...twins.map(({ dE00 }) => dE00)].sort((x, y) => x - y));
    const rough = { ...paint("rough", "PR254"), granulation: 0.9 };
    expect(findTwins([paint("smooth", "PR254"), rough], PAPERS[0])[0]!.unlike).toEqual([
      { trait: "texture", more: "rough" },
    ]);
  });

  test("paints of one colour that cover or last unlike each other are told so, and come after the true twins", () => {
    const [white] = findTwins([paint("zinc", "PW4"), paint("titanium", "PW6")], PAPERS[0]);
    expect(white!.unlike).toContainEqual({ trait: "opacity", more: "titanium" });
    const yellows = findTwins([paint("fades", "PY1"), paint("lasts", "PY97"), paint("again", "PY97")], PAPERS[0]);
    expect(yellows.map(({ unlike }) => unlike.map(({ more }) => more))).toEqual([[], ["lasts"], ["again"]]);
  });

  test("500 paints are looked through in moments", () => {
    const box = Array.from({ length: 500 }, (_, i) =>
      paint(`p${i}`, ["PB29", "PR254", "PY154", "PG7", "PBr7-burnt-sienna"][i % 5]!, 0.5 + i / 400),
    );
    expect(findTwins(box, PAPERS[0]).length).toBeGreaterThan(100);
  });
});

describe("the most different of many", () => {
  test("few are all kept; of many, every kind stays and near-twins go; the first stays, and the order", () => {
    const kinds = ["PY3", "PR254", "PB29", "PG7", "PBr7-burnt-umber", "PBk9", "PW6"];
    expect(
      farthestPointSample(
        kinds.map((id) => paint(id, id)),
        60,
        PAPERS[0],
      ),
    ).toHaveLength(7);
    const many = Array.from({ length: 210 }, (_, i) => paint(`${kinds[i % 7]} ${i}`, kinds[i % 7]!, 0.9 + 0.001 * i));
    const kept = farthestPointSample(many, 12, PAPERS[0]).map(({ id }) => id);
    expect(kept).toHaveLength(12);
    expect(new Set(kept.map((id) => id.split(" ")[0]))).toEqual(new Set(kinds));
    expect(kept[0]).toBe(many[0]!.id);
    expect(kept).toEqual([...kept].sort((a, b) => Number(a.split(" ")[1]) - Number(b.split(" ")[1])));
  });
});

describe("finding a pigment by what stands on a tube", () => {
  const ids = (words: string): string[] => searchPigments(words, 6).map(({ id }) => id);
  test("exact codes first, in any case; then beginnings; then the rest", () => {
    expect(ids("pb29")[0]).toBe("PB29");
    expect(ids("PY3")[0]).toBe("PY3");
    expect(ids("burnt sienna")[0]).toBe("PBr7-burnt-sienna");
    expect(
      ids("PBr7")
        .slice(0, 4)
        .every((id) => id.startsWith("PBr7-")),
    ).toBe(true);
    expect(ids("sap")[0]).toBe("sap-green");
    expect(ids("rose madder")).toEqual(["NR9"]);
  });
  test("a convenience mix brings all its pigments; nonsense and nothing find nothing", () => {
    expect(searchPigments("payne", 3)[0]).toMatchObject({
      codes: "PB29 PBk6 PB15",
      pigments: [{ pigmentId: "PB29" }, { pigmentId: "PBk6" }, { pigmentId: "PB15-red-shade" }],
    });
    expect(ids("PX999")).toEqual([]);
    expect(ids("  ")).toEqual([]);
  });
});
