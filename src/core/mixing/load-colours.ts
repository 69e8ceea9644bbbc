import { screenColourOfLab } from "../colour/gamut";
import { filmLab } from "../optics/film-colour";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import type { LoadColours } from "../optics/wash-pixels";
import type { MixPart } from "./predict";
import { opticsAt, settle } from "./settling";

const LEVELS = 72;
const MIN = 0.004;
const MAX = 1.8;
/** One texture point: an even film. */
const EVEN = [1];
/** The places of a wash in the order of the colours' rows. */
const ROWS = ["hills", "level", "hollows", "edge"] as const;

/** A mix ready to be drawn as a wash. */
export interface DrawnMix {
  readonly colours: LoadColours;
  /** Relative spread of its load on this paper. */
  readonly spread: number;
  /** Load of its rim over that of the wash, less 1. */
  readonly rimGain: number;
  /** Some of its loads have colours the screen can't show. */
  readonly mapped: boolean;
}

/**
 * Screen colours of even films of what lies at each place of a dried wash, at all loads, and how its texture spreads.
 */
export function drawnMix(mix: readonly MixPart[], paper: Paper): DrawnMix {
  const settled = settle(mix, paper);
  const lab = new Float64Array(3);
  const rgb = new Uint8Array(3 * LEVELS * ROWS.length);
  let mapped = false;
  // One paint is the same at all places: computed once.
  const rows = mix.length === 1 ? ROWS.slice(0, 1) : ROWS;
  for (const [row, place] of rows.entries()) {
    const { K, S } = opticsAt(mix, settled[place]);
    for (let i = 0; i < LEVELS; i++) {
      filmLab(K, S, MIN * (MAX / MIN) ** (i / (LEVELS - 1)), paper, EVEN, EVEN, lab);
      const screen = screenColourOfLab({ L: lab[0]!, a: lab[1]!, b: lab[2]! });
      mapped ||= screen.mapped;
      rgb.set(
        [screen.rgb.r, screen.rgb.g, screen.rgb.b].map((c) => Math.round(c * 255)),
        3 * (row * LEVELS + i),
      );
    }
  }
  for (let row = rows.length; row < ROWS.length; row++) rgb.copyWithin(3 * LEVELS * row, 0, 3 * LEVELS);
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const granulation = mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0);
  return {
    colours: { rgb, minLoad: MIN, maxLoad: MAX },
    spread: textureOf(paper.roughness, granulation).spread,
    rimGain: settled.edge.load - 1,
    mapped,
  };
}
