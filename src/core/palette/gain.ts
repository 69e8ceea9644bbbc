import type { SizeChoice } from "./choose";
import type { MixCosts } from "./mix-costs";

/** Error of each target under a palette (less what nobody sees), and the combination that serves it. */
export function servedBy({ combinations, costs }: MixCosts, palette: readonly number[]): readonly { readonly error: number; readonly combination: readonly number[] }[] {
  const within = new Set(palette);
  const usable = [...combinations.keys()].filter((c) => combinations[c].every((p) => within.has(p)));
  return costs.map((cost) => {
    const best = usable.reduce((least, c) => (cost[c] < cost[least] ? c : least), usable[0]);
    return { error: cost[best], combination: combinations[best] };
  });
}

/** A further paint that gains less than this much mean error (CIEDE2000) hardly helps. From memory. */
const HARDLY_HELPS = 0.4;
/** A mean error above this is not good enough to stop at while paints still help at all. From memory. */
const NOT_GOOD_ENOUGH = 2.5;

/** The size to recommend: the smallest after which one more paint hardly helps. */
export function recommendedSize(choices: readonly SizeChoice[]): number {
  const sorted = [...choices].sort((a, b) => a.size - b.size);
  const at = sorted.findIndex(({ best: [now] }, i) => {
    const next = sorted[i + 1]?.best[0];
    const gain = next ? now.error - next.error : 0;
    return gain < HARDLY_HELPS && (now.error < NOT_GOOD_ENOUGH || gain < HARDLY_HELPS / 4);
  });
  return sorted[at < 0 ? sorted.length - 1 : at]?.size ?? 0;
}

/** What the step from one palette to a larger one brings: paints that come and go, and each target's gain, largest first. */
export function whatOneMoreBuys(costs: MixCosts, from: readonly number[], to: readonly number[]): { readonly come: readonly number[]; readonly go: readonly number[]; readonly gains: readonly { readonly target: number; readonly gain: number }[] } {
  const [before, after] = [servedBy(costs, from), servedBy(costs, to)];
  return {
    come: to.filter((p) => !from.includes(p)), go: from.filter((p) => !to.includes(p)),
    gains: before.map(({ error }, target) => ({ target, gain: error - after[target].error })).sort((a, b) => b.gain - a.gain),
  };
}
