import { loadOfWater, waterOfLoad, type WaterParts } from "../optics/load";
import { filmMl, puddleAmount, type Laid, type Ml, type PuddleAmount } from "./amounts";

/** One mix to be mixed in one well, and the washes that it serves, in the order in which they are laid. */
export interface WellToMix {
  /** Of its paints, in their order. */
  readonly parts: readonly number[];
  readonly served: readonly Laid[];
  /**
   * The mix that it is made of with one paint added: its place in the list, before this one, and which of the paints
   * here are that one's, in that one's order. That one is made of no other.
   */
  readonly from: { readonly well: number; readonly paints: readonly number[] } | null;
}

/** What is taken out of a well and thinned for weaker washes. */
interface Thinned {
  readonly waterParts: WaterParts;
  /** Taken from the well, water added to it, and what that comes to. */
  readonly takenMl: Ml;
  readonly waterMl: Ml;
  readonly ml: Ml;
  /** Washes that it is for, as places in what the well serves. */
  readonly serves: readonly number[];
}

/** How a well is mixed: as strong as its strongest wash, and weaker ones thinned from it. */
export interface MixedWell {
  /** Of all that is laid of this mix, whatever its strength. */
  readonly amount: PuddleAmount;
  /** What is mixed at first, strongest: what comes of the well before, new paint, water, and what they come to. */
  readonly stock: {
    readonly waterParts: WaterParts;
    readonly takenMl: Ml;
    readonly paintMl: readonly Ml[];
    readonly waterMl: Ml;
    readonly ml: Ml;
    /** Washes that are laid with it as it is. */
    readonly serves: readonly number[];
  };
  /** In the order in which they are needed. */
  readonly thinned: readonly Thinned[];
  /** Of the stock, what goes into wells that come of this one. */
  readonly passedOnMl: Ml;
}

/** Strengths this near are one: a hand does not tell them apart. Share of the paint's share. From memory. */
const ONE_STRENGTH = 0.06;

/** Washes of like strength together, the strongest first; each at the paint's share that they have on the whole. */
function strengthsOf(served: readonly Laid[]): { readonly at: number; readonly serves: readonly number[] }[] {
  const share = (i: number): number => loadOfWater(served[i]!.waterParts);
  const order = served.map((_, i) => i).sort((a, b) => share(b) - share(a));
  const groups: number[][] = [];
  for (const i of order) {
    const [first] = groups.at(-1) ?? [];
    if (first !== undefined && share(i) >= share(first) * (1 - ONE_STRENGTH)) groups.at(-1)!.push(i);
    else groups.push([i]);
  }
  return groups.map((serves) => ({ at: share(serves[0]!), serves: [...serves].sort((a, b) => a - b) }));
}

/**
 * What is taken out of a stock and thinned for some washes.
 * @param at share of paint in the stock
 * @param reserve what is mixed of all that is laid
 */
function thinnedFrom(at: number, served: readonly Laid[], serves: readonly number[], reserve: number): Thinned {
  const films = serves.map((s) => filmMl(served[s]!.areaCm2, served[s]!.filmUm));
  const film = films.reduce((sum, ml) => sum + ml, 0);
  const paint = films.reduce((sum, ml, i) => sum + ml * loadOfWater(served[serves[i]!]!.waterParts), 0);
  const [ml, takenMl] = [film * reserve, (paint * reserve) / at];
  // Washes that cover nothing as yet are told as strong as the first of them.
  const waterParts = film > 0 ? waterOfLoad(paint / film) : served[serves[0]!]!.waterParts;
  return { waterParts, takenMl, waterMl: ml - takenMl, ml, serves };
}

/**
 * How all wells of a painting are mixed so that every wash can be laid as strong as it is planned: each mix at the
 * strength of its strongest wash, weaker ones thinned from some of it, a mix that comes of another one taken from that
 * one while it is strong enough. Paint and water of all steps add up to what `puddleAmount` says is mixed; where a
 * well passes some on, it is mixed in it and counted there.
 */
export function mixWells(wells: readonly WellToMix[]): readonly MixedWell[] {
  const amounts = wells.map(({ parts, served }) => puddleAmount(parts, served));
  const passed = wells.map((): Ml => 0);
  const strongest = wells.map(({ served }) => Math.max(0, ...served.map(({ waterParts }) => loadOfWater(waterParts))));
  /** Paint that a well takes over with what it is made of. */
  const over = wells.map(({ from }, i): Ml =>
    from ? from.paints.reduce((sum, paint) => sum + amounts[i]!.paintMl[paint]!, 0) : 0,
  );
  // From the last on: what comes of a well stands behind it. The well must be strong enough to be made into that.
  for (let i = wells.length - 1; i >= 0; i--) {
    const { from } = wells[i]!;
    if (!from || over[i] === 0) continue;
    const { paintMl } = amounts[i]!;
    const paint = paintMl.reduce((sum, ml) => sum + ml, 0);
    // The stock of this well, as strong as its strongest wash, leaves so much room beside the paint that is new.
    const room = paint / strongest[i]! - (paint - over[i]!);
    strongest[from.well] = Math.max(strongest[from.well]!, over[i]! / room);
  }
  wells.forEach(({ from }, i) => {
    if (from && over[i]! > 0) passed[from.well]! += over[i]! / strongest[from.well]!;
  });
  return wells.map(({ parts, served, from }, i) => {
    const { laidMl, mixedMl, paintMl } = amounts[i]!;
    const total = parts.reduce((sum, part) => sum + part, 0);
    const at = strongest[i]!;
    const paint = paintMl.reduce((sum, ml) => sum + ml, 0);
    const passedPaint = passed[i]! * at;
    const stockMl = at > 0 ? (paint + passedPaint) / at : 0;
    const takenMl = from && over[i]! > 0 ? over[i]! / strongest[from.well]! : 0;
    const own = parts.map((part, p) => (from?.paints.includes(p) ? 0 : paintMl[p]! + (passedPaint * part) / total));
    const groups = strengthsOf(served);
    const thinned = groups
      .filter((group) => group.at < at * (1 - ONE_STRENGTH))
      .map(({ serves }) => thinnedFrom(at, served, serves, laidMl > 0 ? mixedMl / laidMl : 0))
      .sort((a, b) => a.serves[0]! - b.serves[0]!);
    const stockServes = groups.filter((group) => group.at >= at * (1 - ONE_STRENGTH)).flatMap(({ serves }) => serves);
    return {
      amount: amounts[i]!,
      stock: {
        waterParts: at > 0 ? waterOfLoad(at) : 0,
        takenMl,
        paintMl: own,
        waterMl: stockMl - takenMl - own.reduce((sum, ml) => sum + ml, 0),
        ml: stockMl,
        serves: stockServes,
      },
      thinned,
      passedOnMl: passed[i]!,
    };
  });
}
