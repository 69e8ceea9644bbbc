import { askedAbout, choosingSwatches, MEDIAN_OF_EXPECTED, type PaintedMix, type WantedMix } from "@/core/learning";
import { paintModel, type PaintModel } from "@/core/mixing";
import { loadOfWater, paperById } from "@/core/optics";
import type { FittedBook } from "./learned-book";
import type { LoggedMix } from "./logbook";
import { paintsTaken } from "./paint-uses";
import { isMixable, type PaintEntry } from "./paintbox";
import type { PaintingArea, PaintingDocument, StoredRecipe } from "./painting";

/** A swatch that is worth painting next. */
interface SwatchToPaint {
  readonly parts: LoggedMix["parts"];
  readonly waterParts: number;
  readonly over: LoggedMix["over"];
  /** Mixes that it makes surer, most first: what they are for, and the likely miss before and after, median dE00. */
  readonly surer: readonly { readonly name: string; readonly before: number; readonly after: number }[];
  /** Likely miss of all mixes, weighed, once this one and those before it are painted. */
  readonly after: number;
}

/** What to paint next for a painting, or for the whole box. */
export interface ToPaintNext {
  /** Likely miss of the mixes as it stands, weighed, median dE00. */
  readonly now: number;
  /** The paper they are to be painted on. */
  readonly paperId: string;
  /** How many mixes are asked about. */
  readonly mixes: number;
  readonly swatches: readonly SwatchToPaint[];
}

/** Swatches that are named at a time: what can be painted while a first wash dries. */
const AT_A_TIME = 3;
/** Strengths at which a paint by itself can be tried: strong and light. */
const TRIED_WATER = [1.5, 8] as const;
/** What a paint's own wash counts beside a painting's mix, when the whole box is asked about. */
const OWN_WASH_COUNTS = 0.25;
/** Mixes asked about at most, those that count most. */
const MOST_MIXES = 60;
const NAMED = 3;

type BoxPaint = Pick<PaintEntry, "id" | "name" | "pigments" | "tintingStrength" | "status">;

/** A mix that is wanted somewhere. */
interface Wanted {
  readonly name: string;
  readonly weight: number;
  readonly recipe: StoredRecipe;
  readonly over: StoredRecipe | null;
  readonly paperId: string;
}

/** An area of a painting as far as its mixes go. */
export interface MixedArea extends Pick<PaintingArea, "name" | "recipe" | "weight" | "wash"> {
  readonly paperId: string;
}

/** More areas than mixes are asked about: some count for less than their area. */
export const MOST_AREAS = 4 * MOST_MIXES;

/** The mixes of areas, each with the colour it is for, what it lies on, and how much it counts. */
function wantedOf(areas: readonly MixedArea[]): Wanted[] {
  return areas.flatMap(({ name, recipe, weight, wash, paperId }) => {
    const own = recipe ? [{ name, weight: weight * wash.share, recipe, over: null, paperId }] : [];
    const more = wash.more.flatMap((colour, i) => {
      if (!colour.recipe) return [];
      const over = wash.kind === "layered" && !colour.drop ? recipe : null;
      return [{ name: `${name}, ${i + 2}`, weight: weight * colour.share, recipe: colour.recipe, over, paperId }];
    });
    return [...own, ...more];
  });
}

/** Parts by their paints, whatever order a database gave their fields. */
const partsKey = (parts: SwatchToPaint["parts"]): string =>
  parts
    .map(({ paintId, parts: amount }) => `${paintId} ${amount}`)
    .sort()
    .join();
const keyOf = ({ parts, waterParts, over }: Pick<SwatchToPaint, "parts" | "waterParts" | "over">): string =>
  [partsKey(parts), waterParts, over && `${partsKey(over.parts)} ${over.waterParts}`].join("; ");

function* answer(
  { posterior: fitted }: FittedBook,
  wanted: readonly Wanted[],
  paints: readonly BoxPaint[],
  paperId: string,
): Generator<void, ToPaintNext> {
  const posterior = askedAbout(
    fitted,
    paints.map(({ id }) => id),
  );
  const bases = new Map(
    paints.map(({ id, pigments, tintingStrength }) => [id, paintModel(id, pigments, tintingStrength)]),
  );
  const partsOf = (parts: StoredRecipe["parts"]): { paint: PaintModel; parts: number }[] | null => {
    const known = parts.flatMap(({ paintId, parts: amount }) => {
      const paint = bases.get(paintId);
      return paint ? [{ paint, parts: amount }] : [];
    });
    return known.length === parts.length ? known : null;
  };
  const painted = (one: Pick<SwatchToPaint, "parts" | "waterParts" | "over">, on: string): PaintedMix | null => {
    const mix = partsOf(one.parts);
    const under = one.over && partsOf(one.over.parts);
    if (!mix || (one.over && !under)) return null;
    const over = one.over && under && { mix: under, load: loadOfWater(one.over.waterParts) };
    return { mix, waterParts: one.waterParts, paper: paperById(on), over };
  };
  const counting = [...wanted].sort((a, b) => b.weight - a.weight).slice(0, MOST_MIXES);
  const asked = counting.flatMap((one) => {
    const mix = painted({ ...one.recipe, over: one.over }, one.paperId);
    return mix ? [{ name: one.name, mix: { ...mix, weight: one.weight } satisfies WantedMix }] : [];
  });
  const offered = new Map<string, Pick<SwatchToPaint, "parts" | "waterParts" | "over">>();
  for (const { recipe, over } of counting) {
    const swatch = {
      parts: recipe.parts,
      waterParts: recipe.waterParts,
      over: over && { parts: over.parts, waterParts: over.waterParts },
    };
    offered.set(keyOf(swatch), swatch);
  }
  // A paint that stands in none of these mixes makes none of them surer.
  const standing = new Set(asked.flatMap(({ mix: { mix } }) => mix.map(({ paint }) => paint.id)));
  for (const { id } of paints.filter(({ id: own }) => standing.has(own)))
    for (const waterParts of TRIED_WATER) {
      const swatch = { parts: [{ paintId: id, parts: 1 }], waterParts, over: null };
      offered.set(keyOf(swatch), swatch);
    }
  const candidates = [...offered.values()].flatMap((swatch) => {
    const mix = painted(swatch, paperId);
    return mix ? [{ swatch, mix }] : [];
  });
  const { now, eachNow, chosen } = yield* choosingSwatches(
    posterior,
    asked.map(({ mix }) => mix),
    candidates.map(({ mix }) => mix),
    AT_A_TIME,
  );
  const told = (rms: number): number => MEDIAN_OF_EXPECTED * rms;
  return {
    now: told(now),
    paperId,
    mixes: asked.length,
    swatches: chosen.map(({ index, after, each }, i) => {
      const before = i === 0 ? eachNow : chosen[i - 1]!.each;
      const surer = asked
        .map(({ name }, m) => ({ name, before: told(before[m]!), after: told(each[m]!), weight: asked[m]!.mix.weight }))
        .sort((a, b) => b.weight * (b.before - b.after) - a.weight * (a.before - a.after))
        .slice(0, NAMED)
        .map(({ weight: _weight, ...rest }) => rest);
      return { ...candidates[index]!.swatch, surer, after: told(after) };
    }),
  };
}

/** The paints that a painting is asked about: those that it takes and that can be mixed from. */
function paintsOfPainting<Paint extends BoxPaint>(
  painting: PaintingDocument,
  paints: readonly Paint[],
): readonly Paint[] {
  const used = new Set(paintsTaken(painting));
  return paints.filter((paint) => used.has(paint.id) && isMixable(paint));
}

/** The paints that a box is asked about: all that can be mixed from. */
const paintsOfBox = <Paint extends BoxPaint>(paints: readonly Paint[]): readonly Paint[] => paints.filter(isMixable);

/** For what swatches are to be named: one painting, or the whole box, over all paintings that lie here. */
export type NextQuestion =
  | { readonly for: "painting"; readonly painting: PaintingDocument; readonly paints: readonly BoxPaint[] }
  | {
      readonly for: "box";
      /** Of all paintings those areas that count most. */
      readonly areas: readonly MixedArea[];
      readonly paints: readonly BoxPaint[];
      readonly paperId: string;
    };

/**
 * The swatches that would make mixes surest, step by step: those of a painting, or those of all paintings and each
 * paint at hand by itself.
 */
export function toPaintNext(book: FittedBook, question: NextQuestion): Generator<void, ToPaintNext> {
  if (question.for === "painting") {
    const { painting, paints } = question;
    const areas = painting.areas.map((area) => ({ ...area, paperId: painting.paperId }));
    return answer(book, wantedOf(areas), paintsOfPainting(painting, paints), painting.paperId);
  }
  const { areas, paperId } = question;
  const here = paintsOfBox(question.paints);
  const washes = here.flatMap(({ id, name }) =>
    TRIED_WATER.map((waterParts): Wanted => {
      const recipe = { parts: [{ paintId: id, parts: 1 }], waterParts };
      return { name, weight: OWN_WASH_COUNTS, recipe, over: null, paperId };
    }),
  );
  return answer(book, [...wantedOf(areas), ...washes], here, paperId);
}
