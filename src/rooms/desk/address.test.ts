import { expect, test } from "vitest";
import { placeOf, queryOf } from "./address";

const AREA = "7c1f0a52-6a0f-4f0e-9f11-3d1f2f6f0a01";

test("a place comes back from its own address; nonsense is passed over", () => {
  for (const place of [
    { step: "mixes", areaId: AREA },
    { step: "photo", areaId: null },
    { step: null, areaId: null },
  ] as const)
    expect(placeOf(new URLSearchParams(queryOf(place)))).toEqual(place);
  expect(placeOf(new URLSearchParams("?step=glaze&area=<b>&more=1"))).toEqual({ step: null, areaId: null });
  expect(queryOf({ step: null, areaId: null })).toBe("");
});
