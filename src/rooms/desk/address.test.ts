import { expect, test } from "vitest";
import { newArea, newPainting } from "@/model/painting";
import { keepTogether, placeOf, queryOf } from "./address";
import { createDeskStore, firstStep } from "./desk-store";

const AREA = "7c1f0a52-6a0f-4f0e-9f11-3d1f2f6f0a01";

test("a place comes back from its own address; nonsense is passed over", () => {
  for (const place of [
    { step: "mixes", areaId: AREA, easel: false },
    { step: "plan", areaId: null, easel: true },
    { step: "photo", areaId: null, easel: false },
    { step: null, areaId: null, easel: false },
  ] as const)
    expect(placeOf(new URLSearchParams(queryOf(place)))).toEqual(place);
  expect(placeOf(new URLSearchParams("?step=glaze&area=<b>&easel=maybe&more=1"))).toEqual({
    step: null,
    areaId: null,
    easel: false,
  });
  expect(queryOf({ step: null, areaId: null, easel: false })).toBe("");
});

test("back and forward between places that differ in step and area make no steps of their own; an area that is gone is put right", () => {
  const area = newArea({ id: AREA, name: "Sky", sample: { x: 0.5, y: 0.5, radius: 0.01 }, lab: { L: 60, a: 0, b: 0 } });
  const store = createDeskStore({ ...newPainting("Dyke", "cotton-rough"), areas: [area] });
  const history = [""];
  let at = 0;
  const { follow } = keepTogether(store, firstStep(store.getState().document), {
    search: () => history[at]!,
    go: (query, instead) => {
      if (!instead) history.splice(++at);
      history[at] = query;
    },
  });
  const go = (by: number): void => {
    at += by;
    follow();
  };
  const place = () => [store.getState().step, store.getState().selectedId];
  store.getState().select(AREA);
  store.getState().select(null);
  store.getState().goTo("photo");
  store.getState().setTitle("Far dyke");
  expect(history).toEqual(["", `?step=mixes&area=${AREA}`, "?step=mixes", "?step=photo"]);
  const before = [...history];
  go(-2);
  expect(place()).toEqual(["mixes", AREA]);
  go(2);
  expect(place()).toEqual(["photo", null]);
  go(-2);
  expect(history).toEqual(before);

  store.getState().removeArea(AREA);
  go(-1);
  go(1);
  expect(place()).toEqual(["mixes", null]);
  expect(history[at]).toBe("?step=mixes");
});
