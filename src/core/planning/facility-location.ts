/** A choice of facilities that serve all customers at the least cost. */
export interface FacilityPlan {
  readonly open: readonly number[];
  /** Facility that serves each customer. */
  readonly servedBy: readonly number[];
  readonly cost: number;
  /** No plan costs less than this; equal to the cost when the search was not cut off. */
  readonly bound: number;
}

/** Uncapacitated facility location: what serving costs, customer by customer, and what opening each facility costs. */
export interface FacilityProblem {
  readonly serving: readonly Float64Array[];
  readonly opening: Float64Array;
}

const TINY = 1e-9;
/** Nodes searched unless told otherwise. */
const MOST_NODES = 20_000;

interface Ascent {
  readonly bound: number;
  /** What each customer would pay. */
  readonly pays: Float64Array;
  /** What is left of each facility's opening cost. */
  readonly slack: Float64Array;
}

/** The facilities of each customer, nearest first: the same for all opening costs. */
export const nearestFirst = ({ serving }: Pick<FacilityProblem, "serving">): readonly Uint32Array[] =>
  serving.map((costs) => Uint32Array.from(costs.keys()).sort((a, b) => costs[a]! - costs[b]!));

/**
 * Dual ascent (Erlenkotter 1978): customers raise what they pay, level by level, as long as the facilities that they
 * would pay into have opening cost left. Their sum bounds every plan from below.
 * @param state of each facility: 0 free, 1 open, -1 closed
 */
function ascend({ serving, opening }: FacilityProblem, order: readonly Uint32Array[], state: Int8Array): Ascent {
  const slack = Float64Array.from(opening, (cost, j) => (state[j] === 1 ? 0 : cost));
  const pays = new Float64Array(serving.length);
  const level = new Uint32Array(serving.length);
  let bound = 0;
  opening.forEach((cost, j) => (bound += state[j] === 1 ? cost : 0));
  // How far down its list each customer pays: what is closed there is passed over.
  const reach = (i: number): void => {
    const [costs, list] = [serving[i]!, order[i]!];
    while (level[i]! < list.length && (state[list[level[i]!]!] === -1 || costs[list[level[i]!]!]! <= pays[i]! + TINY))
      level[i]!++;
  };
  for (const [i, list] of order.entries()) {
    const nearest = list.find((j) => state[j] !== -1);
    if (nearest === undefined) return { bound: Infinity, pays, slack };
    pays[i] = serving[i]![nearest]!;
    bound += pays[i];
    reach(i);
  }
  for (let raised = true; raised;) {
    raised = false;
    for (const [i, list] of order.entries()) {
      const deep = level[i]!;
      let room = deep < list.length ? serving[i]![list[deep]!]! - pays[i]! : Infinity;
      for (let k = 0; k < deep && room > TINY; k++) if (state[list[k]!] !== -1) room = Math.min(room, slack[list[k]!]!);
      if (!(room > TINY)) continue;
      for (let k = 0; k < deep; k++) if (state[list[k]!] !== -1) slack[list[k]!]! -= room;
      pays[i]! += room;
      bound += room;
      raised = true;
      reach(i);
    }
  }
  return { bound, pays, slack };
}

/** The plan that opens just these, each customer served by its nearest. */
function planOf({ serving, opening }: FacilityProblem, open: readonly number[]): Omit<FacilityPlan, "bound"> {
  const servedBy = serving.map((costs) => open.reduce((best, j) => (costs[j]! < costs[best]! ? j : best), open[0]!));
  const used = [...new Set(servedBy)].sort((a, b) => a - b);
  const cost =
    used.reduce((sum, j) => sum + opening[j]!, 0) + serving.reduce((sum, costs, i) => sum + costs[servedBy[i]!]!, 0);
  return { open: used, servedBy, cost };
}

/** Closes what is not worth its opening cost, the least worth first. */
function pruned(problem: FacilityProblem, open: readonly number[]): Omit<FacilityPlan, "bound"> {
  let best = planOf(problem, open);
  for (let better = true; better && best.open.length > 1;) {
    better = false;
    for (const j of best.open) {
      const without = planOf(
        problem,
        best.open.filter((other) => other !== j),
      );
      if (without.cost < best.cost - TINY) [best, better] = [without, true];
      if (better) break;
    }
  }
  return best;
}

/**
 * Solves uncapacitated facility location exactly by branch and bound over dual ascent bounds. Costs are 0 or more;
 * there is at least one facility. Proven best unless so many nodes were not enough, which `bound` tells.
 * @param order see nearestFirst; handed in where several opening costs are tried
 */
export function locateFacilities(
  problem: FacilityProblem,
  mostNodes = MOST_NODES,
  order = nearestFirst(problem),
): FacilityPlan {
  const count = problem.opening.length;
  let best: Omit<FacilityPlan, "bound"> | null = null;
  let nodes = 0;
  let unproven = Infinity;
  const search = (state: Int8Array): void => {
    const { bound, pays, slack } = ascend(problem, order, state);
    if (bound === Infinity || (best && bound >= best.cost - TINY)) return;
    if (++nodes > mostNodes) {
      unproven = Math.min(unproven, bound);
      return;
    }
    const tight = [...Array(count).keys()].filter((j) => state[j] === 1 || (state[j] === 0 && slack[j]! <= TINY));
    const plan = pruned(problem, tight);
    if (!best || plan.cost < best.cost - TINY) best = plan;
    if (bound >= best.cost - TINY) return;
    // Where a customer pays into several open facilities the bound is not met: decide the one paid into most.
    const contested = new Float64Array(count);
    problem.serving.forEach((costs, i) => {
      const paid = tight.filter((j) => costs[j]! < pays[i]! - TINY);
      if (paid.length > 1) for (const j of paid) contested[j]! += pays[i]! - costs[j]!;
    });
    const free = tight.filter((j) => state[j] === 0);
    const undecided = free.length > 0 ? free : [...Array(count).keys()].filter((j) => state[j] === 0);
    if (undecided.length === 0) return;
    const branch = undecided.reduce((most, j) => (contested[j]! > contested[most!]! ? j : most), undecided[0]);
    for (const decision of plan.open.includes(branch!) ? [1, -1] : [-1, 1]) {
      const next = state.slice();
      next[branch!] = decision;
      search(next);
    }
  };
  search(new Int8Array(count));
  const found = best as Omit<FacilityPlan, "bound"> | null;
  if (!found) throw new RangeError("There is no facility that could serve.");
  return { ...found, bound: Math.min(found.cost, unproven) };
}
