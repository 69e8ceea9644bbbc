import { describe, expect, test } from "vitest";
import type { AreaBorder } from "./measure";
import { relationsOf, type RelatedArea, type Relation } from "./relations";

const area = (
  label: number,
  name: string,
  L: number,
  a: number,
  b: number,
  change: Partial<RelatedArea> = {},
): RelatedArea => ({
  label,
  name,
  colour: { L, a, b },
  share: 0.2,
  plane: null,
  light: null,
  focal: false,
  ...change,
});
const border = (a: number, b: number, length = 0.2): AreaBorder => ({ a, b, length, hardness: 1 });
const find = (relations: readonly Relation[], id: Relation["id"]): Relation | undefined =>
  relations.find((relation) => relation.id === id);

const sky = area(1, "Sky", 85, 0, 5, { plane: "far" });
const house = area(2, "House", 55, 30, 35, { plane: "middle", light: "lit", focal: true });
const shade = area(3, "Shaded wall", 25, 8, 6, { plane: "middle", light: "shade" });
const reeds = area(4, "Reeds", 35, 5, 25, { plane: "near" });

describe("relations between areas", () => {
  test("lightest and darkest, and whether they meet at the focal area", () => {
    const meeting = relationsOf([sky, house, shade, reeds], [border(1, 2), border(2, 3)]);
    // L* 85 and 25 are Munsell values 8.46 and 2.5 (ASTM D1535).
    expect(find(meeting, "range")).toMatchObject({
      lightest: { name: "Sky", value: expect.closeTo(8.46, 1) },
      darkest: { name: "Shaded wall", value: expect.closeTo(2.5, 1) },
    });
    expect(find(meeting, "meeting")).toEqual({ id: "meeting", holds: true, at: "House" });
    expect(find(relationsOf([sky, house, shade, reeds], [border(1, 4), border(2, 4)]), "meeting")).toMatchObject({
      holds: false,
      meet: false,
      strongest: { focal: "House", against: "Reeds", by: expect.closeTo(2, 0) },
    });
    expect(find(relationsOf([sky, house, shade, reeds], [border(1, 3), border(2, 4)]), "meeting")).toMatchObject({
      holds: false,
      meet: true,
    });
    expect(find(relationsOf([sky, { ...house, focal: false }], []), "meeting")).toEqual({ id: "meeting", holds: null });
  });

  test("the crispest edge: hard and between unlike colours; whether it lies at the focal area", () => {
    const edge = (areas: readonly RelatedArea[], borders: readonly AreaBorder[]) =>
      find(relationsOf(areas, borders), "edge");
    const all = [sky, house, shade, reeds];
    const soft = { ...border(1, 3), hardness: 0.2 };
    expect(edge(all, [border(1, 2), soft])).toEqual({ id: "edge", holds: true, between: ["Sky", "House"] });
    expect(edge(all, [{ ...border(1, 2), hardness: 0.2 }, border(1, 3)])).toMatchObject({ holds: false });
    expect(edge([sky, { ...house, focal: false }], [border(1, 2)])).toMatchObject({ holds: null });
    expect(edge(all, [border(1, 2, 0.01)])).toBeUndefined();
    expect(edge(all, [])).toBeUndefined();
  });

  test("far against near: it recedes when lighter, greyer and cooler; warmth pulls it forward (common practice, no source)", () => {
    expect(find(relationsOf([sky, reeds], []), "depth")).toMatchObject({ holds: true, forwardBy: null });
    const glowing = area(1, "Afterglow", 80, 25, 60, { plane: "far" });
    expect(find(relationsOf([glowing, reeds], []), "depth")).toMatchObject({ holds: false, forwardBy: "warmth" });
    const pure = area(1, "Far field", 80, -45, 10, { plane: "far" });
    expect(find(relationsOf([pure, reeds], []), "depth")).toMatchObject({ holds: false, forwardBy: "purity" });
    const dark = area(1, "Far wood", 20, 0, 5, { plane: "far" });
    expect(find(relationsOf([dark, reeds], []), "depth")).toMatchObject({ holds: false, forwardBy: "darkness" });
    expect(find(relationsOf([sky, house], []), "depth")).toBeUndefined();
  });

  test("the subject against what surrounds it, weighted by the common border", () => {
    const against = find(relationsOf([sky, house, reeds], [border(1, 2, 0.9), border(2, 4, 0.1)]), "subject");
    const mostlySky = { value: expect.closeTo(5.35 - (0.9 * 8.4 + 0.1 * 3.44), 0), chroma: expect.closeTo(39, 0) };
    expect(against).toMatchObject({ holds: true, differences: mostlySky });
    const twin = area(5, "Barn", 56, 29, 34);
    expect(find(relationsOf([house, twin], [border(2, 5)]), "subject")).toEqual({
      id: "subject",
      holds: false,
      differences: { value: null, chroma: null, temperature: null },
    });
  });

  test("light against shade", () => {
    const { holds, differences } = find(relationsOf([house, shade], []), "light") as Extract<
      Relation,
      { id: "subject" | "light" }
    >;
    expect(holds).toBe(true);
    expect(differences.value).toBeCloseTo(-2.9, 1);
    expect(differences.chroma).toBeCloseTo(Math.hypot(8, 6) - Math.hypot(30, 35), 5);
    expect(differences.temperature).toBeLessThan(-3);
    expect(relationsOf([house], [])).toEqual([]);
  });
});
