import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { blendOptics, type Optics } from "../pigments/optics";
import { filmLab } from "../optics/film-colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { MixPart } from "./predict";
import { opticsAt, settle } from "./settling";

/** How a wash of several paints comes apart as it dries. */
export interface Separation {
  /** Paint that settles where it is put, and paint that travels to the edge; null when they keep together. */
  readonly stays: string | null;
  readonly travels: string | null;
  /** Colour in the paper's hollows and at the wash's edge. */
  readonly hollows: Lab;
  readonly edge: Lab;
  /** Difference between the two, dE00, beyond that of the same amounts of the mix unparted. */
  readonly visible: number;
  readonly word: "keeps together" | "separates a little" | "separates" | "separates strongly";
}

/** Colour of an even film: what lies at one place of the sheet. */
function evenColour({ K, S }: Optics, load: Load, paper: Paper): Lab {
  const out = new Float64Array(3);
  filmLab(K, S, load, paper, [1], [1], out);
  return { L: out[0]!, a: out[1]!, b: out[2]! };
}

/**
 * How far a mix of heavy and light, granulating and smooth pigments parts between the paper's hollows and the wash's
 * edge (see settling.ts). Smooth paper shows less of it, one paint alone nothing. Throws a RangeError for a mix of
 * nothing.
 */
export function separationOf(mix: readonly MixPart[], load: Load, paper: Paper): Separation {
  const settled = settle(mix, paper);
  const whole = blendOptics(mix.map(({ paint, parts }) => ({ optics: paint.optics, share: parts })));
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const unparted = { K: whole.K.map((k) => k / total), S: whole.S.map((s) => s / total) };
  const places = [settled.hollows, settled.edge] as const;
  const [hollows, edge] = places.map((place) => evenColour(opticsAt(mix, place), load * place.load, paper));
  const [asHollows, asEdge] = places.map((place) => evenColour(unparted, load * place.load, paper));
  const visible = Math.max(0, deltaE00(hollows!, edge!) - deltaE00(asHollows!, asEdge!));
  const drawn = mix
    .map(({ paint }, i) => ({ id: paint.id, to: settled.hollows.amounts[i]! / settled.edge.amounts[i]! }))
    .sort((a, b) => b.to - a.to);
  const word =
    visible < 1
      ? "keeps together"
      : visible < 3
        ? "separates a little"
        : visible < 7
          ? "separates"
          : "separates strongly";
  const parted = visible >= 1;
  return {
    stays: parted ? drawn[0]!.id : null,
    travels: parted ? drawn[drawn.length - 1]!.id : null,
    hollows: hollows!,
    edge: edge!,
    visible,
    word,
  };
}
