import { deltaE00Of } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { filmComputer, type FilmComputer } from "../optics/kernel/film-kernel";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { Laying } from "../mixing/character";
import { paperUnder, type GlazeLayer } from "../mixing/glaze";
import { residuals } from "../mixing/metric";
import { strongestOf, type PaintModel } from "../mixing/paint";
import { heavyCost } from "../mixing/workable";
import type { Candidate } from "./puddle-candidates";

/** A colour that puddles are to serve. */
export interface PuddleTarget extends Laying {
  readonly lab: Lab;
  readonly weight: number;
  /** What it is laid over: another of the targets by its place, a wash that stands already, or (left out) the paper. */
  readonly over?: number | GlazeLayer | null;
}

/** Mixes that are looked at: of each colour so many of the nearest, and every single paint. */
const NEAREST = 40;
/** Over another wash two paints are enough. */
const MOST_OVER = 2;

/** What each candidate can do for each target. */
export interface Suits {
  /** By target and candidate: the strength that suits best, as a place among the loads, and how far off it is there. */
  readonly water: readonly Uint8Array[];
  readonly off: readonly Float64Array[];
  /** Candidates near any target, every single paint, and those that stand. */
  readonly kept: readonly number[];
  /** What computes each target's mixes, on what it is laid on. */
  readonly computers: readonly FilmComputer[];
}

/** A candidate as a wash. */
export const layerOf = ({ paints: own, parts }: Candidate, load: Load, paints: readonly PaintModel[]): GlazeLayer => ({
  mix: own.map((p, i) => ({ paint: paints[p]!, parts: parts[i]! })),
  load,
});

/** L, a, b of candidates at every load, one after another. */
function coloursOf(all: readonly Candidate[], loads: readonly Load[], computer: FilmComputer): Float64Array {
  const perRun = Math.floor(computer.capacity / loads.length);
  const colours = new Float64Array(3 * loads.length * all.length);
  for (let from = 0; from < all.length; from += perRun) {
    const chunk = all.slice(from, from + perRun);
    chunk.forEach(({ paints: [p0, p1 = p0, p2 = p0], parts: [a, b = 0, c = 0] }, i) => {
      const total = a! + b + c;
      loads.forEach((load, l) =>
        computer.put(loads.length * i + l, p0!, p1!, p2!, a! / total, b / total, c / total, load),
      );
    });
    const count = chunk.length * loads.length;
    colours.set(computer.run(count).subarray(0, 3 * count), 3 * loads.length * from);
  }
  return colours;
}

/**
 * Of each candidate for each target the strength that suits it best and how far off it is there, and which are near
 * any. What is laid over another target is looked at over the candidate that suits that one best.
 * @param standing how many of the last candidates stand in any case
 */
export function suitsOf(
  all: readonly Candidate[],
  targets: readonly PuddleTarget[],
  paints: readonly PaintModel[],
  paper: Paper,
  loads: readonly Load[],
  valueWeight: number,
  standing: number,
): Suits {
  const bare = filmComputer(paints, paper);
  const onPaper = coloursOf(all, loads, bare);
  const two = all.flatMap((candidate, c) => (candidate.paints.length <= MOST_OVER ? [c] : []));
  const kept = new Set(
    all.flatMap(({ paints: { length } }, c) => (length === 1 || c >= all.length - standing ? [c] : [])),
  );
  const computers: FilmComputer[] = targets.map(() => bare);
  const colours: Float64Array[] = targets.map(() => onPaper);
  const water: Uint8Array[] = targets.map(() => new Uint8Array(all.length));
  const rough: Float64Array[] = targets.map(() => new Float64Array(all.length).fill(Infinity));
  const residual = new Float64Array(3);
  /** Of each candidate the first load, from the strongest on, that none of its paints forbids. */
  const first = Uint8Array.from(all, ({ paints: own }) => {
    const strongest = strongestOf(own.map((p) => paints[p]!));
    return loads.findIndex((load) => load <= strongest + 1e-9);
  });
  const look = (t: number, among: Iterable<number>): void => {
    const { lab, areaCm2 } = targets[t]!;
    const heavy = loads.map((load) => heavyCost(load, areaCm2));
    const [best, at, made] = [rough[t]!, water[t]!, colours[t]!];
    const metric = { valueWeight, freeHue: false };
    const byLightness = (c: number, l: number): number =>
      heavy[l]! + valueWeight * Math.abs(made[3 * (loads.length * c + l)]! - lab.L);
    for (const c of among) {
      // The strength whose lightness comes nearest first: by it lightness alone rules most of the others out.
      let nearest = first[c]!;
      for (let l = nearest + 1; l < loads.length; l++) if (byLightness(c, l) < byLightness(c, nearest)) nearest = l;
      for (let n = first[c]! - 1; n < loads.length; n++) {
        const l = n < first[c]! ? nearest : n;
        if (byLightness(c, l) >= best[c]!) continue;
        const p = 3 * (loads.length * c + l);
        residuals(lab, metric, made[p]!, made[p + 1]!, made[p + 2]!, residual, 0);
        const from = Math.sqrt(residual[0]! ** 2 + residual[1]! ** 2 + residual[2]! ** 2) + heavy[l]!;
        if (from < best[c]!) {
          best[c] = from;
          at[c] = l;
        }
      }
    }
    const near = best.slice().sort()[Math.min(NEAREST, best.length) - 1]!;
    best.forEach((cost, c) => void (cost <= near && cost < Infinity && kept.add(c)));
  };
  const isFirst = ({ over = null }: PuddleTarget): boolean => over === null;
  targets.forEach((target, t) => isFirst(target) && look(t, all.keys()));
  targets.forEach((target, t) => {
    const { over } = target;
    if (isFirst(target) || over === null || over === undefined) return;
    const below =
      typeof over === "number"
        ? rough[over]!.reduce((least, cost, c) => (cost < rough[over]![least]! ? c : least), 0)
        : null;
    const ground =
      below === null ? (over as GlazeLayer) : layerOf(all[below]!, loads[water[over as number]![below]!]!, paints);
    computers[t] = filmComputer(paints, paperUnder(ground, paper));
    const few = coloursOf(
      two.map((c) => all[c]!),
      loads,
      computers[t],
    );
    colours[t] = new Float64Array(onPaper.length);
    two.forEach((c, i) =>
      colours[t]!.set(few.subarray(3 * loads.length * i, 3 * loads.length * (i + 1)), 3 * loads.length * c),
    );
    look(t, two);
  });
  const few = [...kept].sort((one, other) => one - other);
  // By CIE94's weights a strength beside the best may be a little better: those alone are judged by CIEDE2000.
  const off = targets.map(({ lab, areaCm2 }, t) => {
    const exact = new Float64Array(all.length).fill(Infinity);
    const made = colours[t]!;
    for (const c of few) {
      if (rough[t]![c] === Infinity) continue;
      const middle = water[t]![c]!;
      let best = Infinity;
      for (let l = Math.max(first[c]!, middle - 1); l <= Math.min(loads.length - 1, middle + 1); l++) {
        const p = 3 * (loads.length * c + l);
        const from = deltaE00Of(lab.L, lab.a, lab.b, made[p]!, made[p + 1]!, made[p + 2]!, 1 / valueWeight);
        if (from + heavyCost(loads[l]!, areaCm2) >= best) continue;
        [best, exact[c], water[t]![c]] = [from + heavyCost(loads[l]!, areaCm2), from, l];
      }
    }
    return exact;
  });
  return { water, off, kept: few, computers };
}
