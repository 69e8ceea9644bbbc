import { ANY_CHARACTER } from "@/core/mixing";
import { expect, test } from "vitest";
import type { Relation } from "@/core/areas";
import type { Lab } from "@/core/colour";
import { PAPERS } from "@/core/optics";
import { newArea, type PaintingArea } from "@/model/painting";
import type { MixedColour } from "../mixed";
import { mendOf } from "./mends";

let count = 0;
function area(name: string, lab: Lab, change: Partial<PaintingArea> = {}): [PaintingArea, MixedColour] {
  const id = crypto.randomUUID();
  const made = newArea({ id, name, lab, region: ++count, sample: { x: 0.5, y: 0.5, radius: 0.01 }, ...change });
  const colour = { id, areaId: id, mark: "1", name, lab, weight: 1, areaCm2: 10, overId: null, recipe: null };
  return [made, { ...colour, character: ANY_CHARACTER, laid: null, ground: PAPERS[0] }];
}

const none = { value: null, chroma: null, temperature: null };
const depth = (forwardBy: "warmth" | "purity" | "darkness" | null): Relation => ({
  id: "depth",
  holds: forwardBy === null,
  differences: none,
  lessContrast: false,
  forwardBy,
});

const glow = area("Glow", { L: 70, a: 30, b: 40 }, { plane: "far" });
const hill = area("Hill", { L: 60, a: -45, b: -20 }, { plane: "far" });
const house = area("House", { L: 50, a: 20, b: 25 }, { weight: 4 });
const bank = area("Bank", { L: 45, a: 12, b: 15 });
const pond = area("Pond", { L: 45, a: -5, b: -20 });
const all = [glow, hill, house, bank, pond];
const ask = (relation: Relation, borders: readonly { a: number; b: number }[] = []) => {
  const mend = mendOf(
    relation,
    all.map(([one]) => one),
    all.map(([, colour]) => colour),
    borders,
  );
  return mend && [mend.area.name, mend.shift];
};

test("what pulls the far plane forward is cooled or quietened; darkness is a matter of value, and what holds stays", () => {
  expect(ask(depth("warmth"))).toEqual(["Glow", "cooler"]);
  expect(ask(depth("purity"))).toEqual(["Glow", "quieter"]);
  expect(ask(depth("darkness"))).toBeNull();
  expect(ask(depth(null))).toBeNull();
});

test("of what touches the focal point the nearest in temperature is shifted away from it", () => {
  const subject: Relation = { id: "subject", holds: false, differences: none };
  const touching = [bank, pond].map(([{ region }]) => ({ a: house[0].region!, b: region! }));
  expect(ask(subject, touching)).toEqual(["Bank", "cooler"]);
  expect(ask(subject)).toBeNull();
  expect(ask({ id: "light", holds: false, differences: none })).toBeNull();
});
