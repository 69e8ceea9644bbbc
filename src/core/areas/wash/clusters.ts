import { tripleOf } from "../../numeric/tuples";
import type { Lab } from "../../colour/colour";
import type { AreaColours } from "./area-colours";

/** An area's colours in a few groups. */
export interface ColourGroups {
  /** Group of each pixel. */
  readonly groupOf: Uint8Array;
  readonly shares: readonly number[];
  /** The colour that each group gathers around, away from the mixtures between groups. */
  readonly colours: readonly Lab[];
  /** Share of the spread that the groups explain, 0 to 1. */
  readonly explains: number;
}

const ROUNDS = 12;
/**
 * A group's own colour is sought within this share of the distance to the next group, and no nearer than this, Lab
 * units.
 */
const KERNEL_SHARE = 0.17;
const LEAST_KERNEL = 1.5;
/** Where that search begins: so far beyond the group's mean, seen from the other groups, as a share of the distance. */
const BEYOND = 0.5;

const squared = (lab: Float32Array, k: number, centre: readonly number[]): number =>
  (lab[3 * k]! - centre[0]!) ** 2 + (lab[3 * k + 1]! - centre[1]!) ** 2 + (lab[3 * k + 2]! - centre[2]!) ** 2;

/**
 * First centres: the mean's farthest pixel, then each time the one farthest from all centres, passing over the
 * strangest two percent.
 */
function firstCentres(lab: Float32Array, count: number): number[][] {
  const n = lab.length / 3;
  const mean = [0, 1, 2].map((c) => {
    let sum = 0;
    for (let k = 0; k < n; k++) sum += lab[3 * k + c]!;
    return sum / n;
  });
  const nearest = Float64Array.from({ length: n }, (_, k) => squared(lab, k, mean));
  const centres: number[][] = [];
  for (let i = 0; i < count; i++) {
    const limit = nearest.slice().sort()[Math.floor(0.98 * (n - 1))]!;
    let at = 0;
    for (let k = 0; k < n; k++) if (nearest[k]! <= limit && nearest[k]! > nearest[at]!) at = k;
    if (nearest[at]! > limit) at = nearest.findIndex((d) => d <= limit);
    centres.push([lab[3 * at]!, lab[3 * at + 1]!, lab[3 * at + 2]!]);
    for (let k = 0; k < n; k++) {
      const d = squared(lab, k, centres[i]!);
      nearest[k] = i === 0 ? d : Math.min(nearest[k]!, d);
    }
  }
  return centres;
}

/** Mean shift (Fukunaga and Hostetler 1975): from a start to the nearest place where colours gather. */
function climb(lab: Float32Array, start: readonly number[], kernel: number): number[] {
  let at = [...start];
  for (let round = 0; round < 30; round++) {
    const sum = [0, 0, 0];
    let total = 0;
    for (let k = 0; k < lab.length / 3; k++) {
      const weight = Math.exp(-squared(lab, k, at) / (2 * kernel * kernel));
      total += weight;
      for (let c = 0; c < 3; c++) sum[c]! += weight * lab[3 * k + c]!;
    }
    if (!(total > 1e-12)) return at;
    const next = sum.map((value) => value / total);
    const moved = Math.hypot(next[0]! - at[0]!, next[1]! - at[1]!, next[2]! - at[2]!);
    at = next;
    if (moved < 0.02) break;
  }
  return at;
}

/** The colour that most of these (3 a pixel) gather around, sought from their middle. */
export function gatheringPlace(lab: Float32Array): Lab {
  const middle = [0, 1, 2].map((c) => {
    const values = lab.filter((_, i) => i % 3 === c).sort();
    return values[Math.floor(values.length / 2)]!;
  });
  const [L, a, b] = tripleOf(climb(lab, middle, 3 * LEAST_KERNEL));
  return { L, a, b };
}

/**
 * Divides an area's colours into `count` groups (k-means, Lloyd 1982) and finds the colour each gathers around.
 * Lightest group first.
 */
export function groupColours({ lab }: AreaColours, count: number): ColourGroups {
  const n = lab.length / 3;
  const centres = firstCentres(lab, count);
  const groupOf = new Uint8Array(n);
  const sizes = new Float64Array(count);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = new Float64Array(3 * count);
    sizes.fill(0);
    for (let k = 0; k < n; k++) {
      let best = 0;
      for (let g = 1; g < count; g++) if (squared(lab, k, centres[g]!) < squared(lab, k, centres[best]!)) best = g;
      groupOf[k] = best;
      sizes[best]!++;
      for (let c = 0; c < 3; c++) sums[3 * best + c]! += lab[3 * k + c]!;
    }
    for (let g = 0; g < count; g++) if (sizes[g]! > 0) centres[g] = [0, 1, 2].map((c) => sums[3 * g + c]! / sizes[g]!);
  }
  const mean = [0, 1, 2].map((c) => centres.reduce((sum, centre, g) => sum + (sizes[g]! / n) * centre[c]!, 0));
  let spread = 0;
  let left = 0;
  for (let k = 0; k < n; k++) {
    spread += squared(lab, k, mean);
    left += squared(lab, k, centres[groupOf[k]!]!);
  }
  const colours = centres.map((centre, g): number[] => {
    const others = centres.filter((_, other) => other !== g);
    const away = Math.min(...others.map((o) => Math.hypot(o[0]! - centre[0]!, o[1]! - centre[1]!, o[2]! - centre[2]!)));
    const middle = [0, 1, 2].map((c) => others.reduce((sum, o) => sum + o[c]! / others.length, 0));
    const start = centre.map((value, c) => value + BEYOND * (value - middle[c]!));
    return climb(lab, start, Math.max(LEAST_KERNEL, KERNEL_SHARE * away));
  });
  const order = colours.map((_, g) => g).sort((a, b) => colours[b]![0]! - colours[a]![0]!);
  const rank = new Uint8Array(count);
  order.forEach((g, i) => (rank[g] = i));
  return {
    groupOf: groupOf.map((g) => rank[g]!),
    shares: order.map((g) => sizes[g]! / n),
    colours: order.map((g) => ({ L: colours[g]![0]!, a: colours[g]![1]!, b: colours[g]![2]! })),
    explains: spread > 0 ? 1 - left / spread : 0,
  };
}
