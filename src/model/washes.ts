import type { Lab } from "@/core/colour";
import type { WashColour, WashPlan } from "@/core/areas";
import type { WashCharacter } from "@/core/mixing";
import type { PaintingArea, StoredRecipe, StoredWashColour } from "./painting";

/** One colour to mix: an area's own, or a further one of its wash. */
export interface AreaColour {
  /** The area's id for its own colour. */
  readonly id: string;
  readonly lab: Lab;
  readonly at: { readonly x: number; readonly y: number };
  readonly share: number;
  readonly recipe: StoredRecipe | null;
  readonly drop: boolean;
  /** Laid over the area's dried first wash. */
  readonly over: boolean;
}

/** All colours of an area's wash in their order, its own first, what is dropped in last. */
export function coloursOf(area: PaintingArea): readonly [AreaColour, ...AreaColour[]] {
  const { id, lab, sample, recipe, wash } = area;
  const own: AreaColour = { id, lab, at: sample, share: wash.share, recipe, drop: false, over: false };
  const laid = wash.more.filter(({ drop }) => !drop).map((one) => ({ ...one, over: wash.kind === "layered" }));
  const dropped = wash.more.filter(({ drop }) => drop).map((one) => ({ ...one, over: false }));
  return [own, ...laid, ...dropped];
}

/** How much an accent counts against a colour of the wash when paints are chosen. From memory. */
const ACCENT_WEIGHT = 0.1;

/** How much each colour of an area counts when paints are chosen: the area's weight by shares, accents little. */
export function weightsOf(area: PaintingArea): readonly number[] {
  const colours = coloursOf(area);
  const laid = colours.reduce((sum, { drop, share }) => sum + (drop ? 0 : share), 0);
  return colours.map(({ drop, share }) => area.weight * (drop ? ACCENT_WEIGHT : laid > 0 ? share / laid : 1));
}

/** What is wished of an area's washes: what the plan means to lift must not stain, said or not. */
export const characterOf = ({ character }: PaintingArea, lifted: boolean): WashCharacter =>
  lifted ? { ...character, lifts: true } : character;

/** Whether a colour's recipe stays when others are chosen anew: the painter keeps it, and all its paints are there. */
export const staysFor = (recipe: StoredRecipe | null, paintIds: ReadonlySet<string>): recipe is StoredRecipe =>
  recipe?.pinned === true && recipe.parts.every(({ paintId }) => paintIds.has(paintId));

/** An area with other recipes for some of its colours, by their ids. */
export function withRecipes(area: PaintingArea, recipes: ReadonlyMap<string, StoredRecipe | null>): PaintingArea {
  const choose = <T extends { readonly id: string; readonly recipe: StoredRecipe | null }>(colour: T): T =>
    recipes.has(colour.id) ? { ...colour, recipe: recipes.get(colour.id) ?? null } : colour;
  const own = choose(area);
  return { ...own, wash: { ...own.wash, more: own.wash.more.map(choose) } };
}

/** An area one of whose colours lies elsewhere in the photo. */
export function withColourAt(
  area: PaintingArea,
  colourId: string,
  at: { readonly x: number; readonly y: number },
  lab: Lab,
): PaintingArea {
  if (area.id === colourId) return { ...area, lab, sample: { ...area.sample, ...at } };
  if (!area.wash.more.some(({ id }) => id === colourId)) return area;
  const more = area.wash.more.map((colour) => (colour.id === colourId ? { ...colour, at: { ...at }, lab } : colour));
  return { ...area, wash: { ...area.wash, more } };
}

/** An area without one of its further colours; its own takes over that share. What is left alone is flat. */
export function withoutColour(area: PaintingArea, colourId: string): PaintingArea {
  const { wash } = area;
  const gone = wash.more.find(({ id }) => id === colourId);
  if (!gone) return area;
  const more = wash.more.filter(({ id }) => id !== colourId);
  if (gone.drop) return { ...area, wash: { ...wash, more } };
  const share = Math.min(1, wash.share + gone.share);
  return more.some(({ drop }) => !drop)
    ? { ...area, wash: { ...wash, share, more } }
    : { ...area, wash: { kind: "flat", share: 1, more, run: null } };
}

/** An area whose accent counts like the other colours of its wash, or is one to be dropped in again. */
export function withDrop(area: PaintingArea, colourId: string, drop: boolean): PaintingArea {
  const more = area.wash.more.map((colour) => (colour.id === colourId ? { ...colour, drop } : colour));
  const laid = more.filter((colour) => !colour.drop).length;
  // Counted in, an accent makes a flat wash one of several colours; taken out again, the last one leaves it flat.
  const kind = laid === 0 ? "flat" : area.wash.kind === "flat" ? "varied" : area.wash.kind;
  return { ...area, wash: { ...area.wash, kind, more, run: kind === "graded" ? area.wash.run : null } };
}

/** An area laid as a plan says; what stays in its place keeps its recipe. */
export function withPlan(area: PaintingArea, { kind, colours, run, accent }: WashPlan): PaintingArea {
  const [own, ...rest] = colours;
  const laid = area.wash.more.filter(({ drop }) => !drop);
  const dropped = area.wash.more.find(({ drop }) => drop);
  const colour = (
    { lab, at, share }: WashColour,
    before: StoredWashColour | undefined,
    drop: boolean,
  ): StoredWashColour => ({
    id: before?.id ?? crypto.randomUUID(),
    lab,
    at,
    share,
    recipe: before?.recipe ?? null,
    drop,
  });
  const more = rest.map((one, i) => colour(one, laid[i], false));
  if (accent) more.push(colour(accent, dropped, true));
  return { ...area, lab: own!.lab, wash: { kind, share: own!.share, more, run } };
}

/** Whether a recipe is another one: the same parts in their order, in as much water. */
export const sameRecipe = (one: StoredRecipe | null, two: StoredRecipe): boolean =>
  one !== null &&
  one.waterParts === two.waterParts &&
  one.parts.length === two.parts.length &&
  one.parts.every((part, i) => part.paintId === two.parts[i]!.paintId && part.parts === two.parts[i]!.parts);
