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
    expect(find(meeting, "range")!.words).toMatch(
      /Lightest is Sky \(8\.\d\), darkest is Shaded wall \(2\.\d\): 6\.\d value steps apart/,
    );
    expect(find(meeting, "meeting")).toMatchObject({ holds: true, words: expect.stringContaining("meet at House") });
    const apart = find(relationsOf([sky, house, shade, reeds], [border(1, 4), border(2, 4)]), "meeting")!;
    expect(apart.holds).toBe(false);
    expect(apart.words).toMatch(/don't meet.*House against Reeds/);
    const elsewhere = find(relationsOf([sky, house, shade, reeds], [border(1, 3), border(2, 4)]), "meeting")!;
    expect(elsewhere.words).toContain("not at the focal point");
    expect(find(relationsOf([sky, { ...house, focal: false }], []), "meeting")!.words).toContain(
      "No area is the focal point yet",
    );
  });

  test("far against near: it recedes when lighter, greyer and cooler; warmth pulls it forward (common practice, no source)", () => {
    expect(find(relationsOf([sky, reeds], []), "depth")).toMatchObject({
      holds: true,
      words: expect.stringContaining("it recedes"),
    });
    const glowing = area(1, "Afterglow", 80, 25, 60, { plane: "far" });
    expect(find(relationsOf([glowing, reeds], []), "depth")).toMatchObject({
      holds: false,
      words: expect.stringContaining("warmth pulls it forward"),
    });
    expect(find(relationsOf([sky, house], []), "depth")).toBeUndefined();
  });

  test("the subject against what surrounds it, weighted by the common border", () => {
    const against = find(relationsOf([sky, house, reeds], [border(1, 2, 0.9), border(2, 4, 0.1)]), "subject")!;
    expect(against).toMatchObject({
      holds: true,
      words: expect.stringMatching(/darker by \d\.\d value steps, purer by \d+ chroma and warmer by \d+/),
    });
    const twin = area(5, "Barn", 56, 29, 34);
    expect(find(relationsOf([house, twin], [border(2, 5)]), "subject")).toMatchObject({
      holds: false,
      words: expect.stringContaining("hardly differs"),
    });
  });

  test("light against shade", () => {
    expect(find(relationsOf([house, shade], []), "light")!.words).toMatch(
      /^Shade is darker by 2\.\d value steps, greyer by \d+ chroma and cooler by \d+ than light\.$/,
    );
    expect(relationsOf([house], [])).toEqual([]);
  });
});
