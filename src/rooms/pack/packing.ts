import { farthestPointSample, paintModel, type PaintModel, type WashCharacter } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { approachPolicy, isLarge, type PackedBox } from "@/core/palette";
import { asLaid, handChosen } from "@/model/as-laid";
import type { LearnedBook } from "@/model/logbook";
import { isMixable, looksKnown, MIXABLE, type TravelBox } from "@/model/paintbox";
import { stocksOf } from "@/model/stock";
import type { WantedAnswer } from "@/model/wanted";
import type { StockedPaint } from "@/storage/ports";
import type { BoxChoice, Opening } from "@/workers/palette-api";
import { openingOf } from "@/workers/palette-question";

/** Most paints that a box is packed from; of more, the most different. */
export const MOST_PACKED_FROM = 40;
export const BOX_SIZES = { least: 3, most: 24 } as const;

/** What is packed, and how. */
export interface Packing {
  /** Paintings, by their ids. */
  readonly ticked: readonly string[];
  /** Only areas whose name holds this count; empty: all. */
  readonly word: string;
  /** How all of them should lie; null: as each painting says. */
  readonly grain: WashCharacter["grain"] | null;
  readonly size: number;
  /** Paints that are wished for may be packed too. */
  readonly wished: boolean;
  readonly must: readonly string[];
  readonly never: readonly string[];
}
export const NEW_PACKING: Packing = {
  ticked: [],
  word: "",
  grain: null,
  size: 12,
  wished: false,
  must: [],
  never: [],
};

/** A paint that may be packed. */
export interface PackablePaint extends StockedPaint {
  readonly model: PaintModel;
}

/** The paints that a box may be packed from: at hand, wished for if that is said, of very many the most different. */
export function packableFrom(
  paints: readonly StockedPaint[],
  { wished, must }: Pick<Packing, "wished" | "must">,
): readonly PackablePaint[] {
  const open = paints
    .filter((paint) => isMixable(paint) || (wished && paint.status === "wished for" && looksKnown(paint)))
    .map((paint) => ({
      ...paint,
      model: paintModel(paint.id, paint.pigments, paint.tintingStrength, paint.measured),
    }));
  const sampled = new Set(
    farthestPointSample(
      open.map(({ model }) => model),
      MOST_PACKED_FROM,
      paperById("cotton-rough"),
    ),
  );
  return open.filter(({ id, model }) => must.includes(id) || sampled.has(model));
}

const plain = (text: string): string => text.trim().toLocaleLowerCase();

/** The colours that count: of the areas that are meant, laid as is said for all of them. */
export const countedColours = ({ colours }: WantedAnswer, { word, grain }: Pick<Packing, "word" | "grain">) =>
  colours
    .filter(({ area }) => plain(area).includes(plain(word)))
    .map((colour) => (grain === null ? colour : { ...colour, character: { ...colour.character, grain } }));

/** What a paint that an approach leaves out costs in a painting's mixes, dE00: more than any other way. */
const LEFT_OUT = 200;

/** What the worker is asked, and what its answer speaks of by places. */
export interface PackQuestion {
  readonly paints: readonly PackablePaint[];
  readonly asked: readonly WantedAnswer[];
  readonly openings: readonly Opening[];
  readonly choice: BoxChoice;
}

/** The question to the worker: the paintings with anything that counts, in order, and what the box is packed under. */
export function packQuestion(
  paints: readonly PackablePaint[],
  wanted: readonly WantedAnswer[],
  packing: Packing,
  today: string,
  learned: LearnedBook | null,
): PackQuestion {
  const asked = wanted.flatMap((one) => {
    const colours = countedColours(one, packing);
    return colours.length > 0 ? [{ ...one, colours }] : [];
  });
  const stocks = stocksOf(paints, [], today);
  const places = (ids: readonly string[]): number[] => paints.flatMap(({ id }, p) => (ids.includes(id) ? [p] : []));
  return {
    paints,
    asked,
    openings: asked.map(({ approach, paperId, colours }) => {
      const policy = approachPolicy(
        approach,
        paints.map(({ model }) => model),
        paperById(paperId),
      );
      const laid = paints.map((paint) => asLaid(paint, learned, paperId));
      const opening = openingOf(policy, handChosen(approach.hand, learned), paperId, laid, stocks, colours);
      return {
        ...opening,
        ...(isLarge(paints.length, colours.length) && { always: places(packing.must), never: places(packing.never) }),
        paints: opening.paints.map((paint, p) =>
          policy.paints[p]!.leftOut !== null && !packing.must.includes(paint.id)
            ? { ...paint, reluctance: LEFT_OUT }
            : paint,
        ),
      };
    }),
    choice: { size: packing.size, must: places(packing.must), never: places(packing.never) },
  };
}

/** Rows and columns that a box of so many wells has: two rows from eight on, three from nineteen on. */
export function shapeOf(size: number): { readonly rows: number; readonly columns: number } {
  const rows = size < 8 ? 1 : size < 19 ? 2 : 3;
  return { rows, columns: Math.ceil(size / rows) };
}

/** A packed box as it is laid into the paintbox: what is still to be bought leaves its well empty. */
export function travelBoxOf(
  name: string,
  packed: Pick<PackedBox, "paints">,
  paints: readonly Pick<PackablePaint, "id" | "status">[],
): TravelBox {
  const { rows, columns } = shapeOf(packed.paints.length);
  const wells = packed.paints.map(({ paint }) => (MIXABLE.has(paints[paint]!.status) ? paints[paint]!.id : null));
  return {
    id: crypto.randomUUID(),
    name,
    rows,
    columns,
    pan: "half pan",
    rowPans: [],
    wells: [...wells, ...Array.from({ length: rows * columns - wells.length }, () => null)],
  };
}
