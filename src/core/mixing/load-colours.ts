import { screenColourOfLab } from "../colour/gamut";
import { blendOptics } from "../pigments/optics";
import { filmLab } from "../optics/film-colour";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import type { LoadColours } from "../optics/wash-pixels";
import type { MixPart } from "./predict";

const LEVELS = 72;
const MIN = 0.004;
const MAX = 1.8;
/** One texture point: an even film. */
const EVEN = [1];

/** A mix ready to be drawn as a wash. */
export interface DrawnMix {
  readonly colours: LoadColours;
  /** Relative spread of its load on this paper. */
  readonly spread: number;
  /** Some of its loads have colours the screen can't show. */
  readonly mapped: boolean;
}

/** Screen colours of an even film of a mix at all loads, and how its texture spreads. */
export function drawnMix(mix: readonly MixPart[], paper: Paper): DrawnMix {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const { K, S } = blendOptics(mix.map(({ paint, parts }) => ({ optics: paint.optics, share: parts / total })));
  const lab = new Float64Array(3);
  const rgb = new Uint8Array(3 * LEVELS);
  let mapped = false;
  for (let i = 0; i < LEVELS; i++) {
    filmLab(K, S, MIN * (MAX / MIN) ** (i / (LEVELS - 1)), paper, EVEN, EVEN, lab);
    const screen = screenColourOfLab({ L: lab[0], a: lab[1], b: lab[2] });
    mapped ||= screen.mapped;
    rgb.set(
      [screen.rgb.r, screen.rgb.g, screen.rgb.b].map((c) => Math.round(c * 255)),
      3 * i,
    );
  }
  const granulation = mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0);
  return {
    colours: { rgb, minLoad: MIN, maxLoad: MAX },
    spread: textureOf(paper.roughness, granulation).spread,
    mapped,
  };
}
