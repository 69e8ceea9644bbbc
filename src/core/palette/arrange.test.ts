import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { paintModel } from "../mixing/paint";
import { arrangePaints, BOX_ORDERS, fillWells, resizeWells } from "./arrange";

const ids = ["PB29", "PY3", "PBk9", "PR254", "PBr7-burnt-sienna", "PG7", "PB15-green-shade", "PO62", "PW6"];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const arranged = (order: (typeof BOX_ORDERS)[number]): string[] =>
  arrangePaints(paints, order, PAPERS[0]).map(({ id }) => id);

describe("orders of a box", () => {
  test("round the wheel: yellow, orange, red, blues, green, then earth, black, white", () => {
    expect(arranged("round the wheel")).toEqual([
      "PY3",
      "PO62",
      "PR254",
      "PB29",
      "PB15-green-shade",
      "PG7",
      "PBr7-burnt-sienna",
      "PBk9",
      "PW6",
    ]);
  });
  test("warm and cool apart: the orange at one end, a blue at the other", () => {
    const order = arranged("warm and cool apart");
    expect(order[0]).toBe("PO62");
    expect(["PB29", "PB15-green-shade"]).toContain(order[8]);
    expect(order.indexOf("PBr7-burnt-sienna")).toBeLessThan(order.indexOf("PG7"));
  });
  test("lights to darks: white first, a near-black last; by family: reds together, blues together", () => {
    const light = arranged("lights to darks");
    expect(light[0]).toBe("PW6");
    expect(["PBk9", "PB29", "PB15-green-shade"]).toContain(light[8]);
    expect(arranged("by family")).toEqual([
      "PY3",
      "PO62",
      "PR254",
      ...["PB29", "PB15-green-shade"].sort(
        (a, b) => arranged("by family").indexOf(a) - arranged("by family").indexOf(b),
      ),
      "PG7",
      "PBr7-burnt-sienna",
      "PBk9",
      "PW6",
    ]);
  });
  test("every order keeps every paint", () =>
    BOX_ORDERS.forEach((order) => expect([...arranged(order)].sort()).toEqual([...ids].sort())));
});

test("empty wells stay where they are", () => {
  expect(fillWells(["c", null, "a", null, "b"], ["a", "b", "c"])).toEqual(["a", null, "b", null, "c"]);
});

test("a box that grows or shrinks keeps what fits in its place and finds room for the rest", () => {
  const wells = ["a", "b", "c", null, "e", "f"];
  expect(resizeWells(wells, 3, 2, 4)).toEqual(["a", "b", "c", null, null, "e", "f", null]);
  expect(resizeWells(wells, 3, 3, 2)).toEqual(["a", "b", "c", "e", "f", null]);
  expect(resizeWells(wells, 3, 1, 2)).toEqual(["a", "b"]);
});
