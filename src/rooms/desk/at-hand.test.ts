import { expect, test } from "vitest";
import { paintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { DEFAULT_APPROACH, type Approach } from "@/core/palette";
import { atHandUnder } from "./at-hand";

const ids = ["PR83", "PY35", "PB29", "PBk9", "PY43"];
const all = ids.map((id) => ({ id, model: paintModel(id, [{ pigmentId: id, share: 1 }]) }));
const under = (change: Partial<Approach>, never: string[] = [], insisted: string[] = []) => {
  const { proposed, leftOut } = atHandUnder({ ...DEFAULT_APPROACH, ...change }, all, PAPERS[0], never, insisted);
  expect(proposed.map(({ id }) => id)).toEqual(ids.filter((id) => !leftOut.has(id)));
  return Object.fromEntries(leftOut);
};

test("what the approach leaves out or nobody wants is not proposed, what the painter insists on always", () => {
  expect(under({})).toEqual({ PR83: "fades" });
  expect(under({ lasting: "sketchbook" })).toEqual({});
  expect(under({}, ["PY43", "PR83"])).toEqual({ PR83: "never", PY43: "never" });
  expect(under({}, ["PY43"], ["PR83", "PY43"])).toEqual({});
  expect(under({ lasting: "sketchbook", opacity: "transparent" })).toMatchObject({ PY35: "opaque" });
  expect(under({ lasting: "sketchbook", greys: "opposites" })).toEqual({ PBk9: "neutral" });
});
