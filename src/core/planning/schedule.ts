/** Something that one pair of hands does in one go. */
export interface Job {
  readonly minutes: number;
}

/** A job that can begin only so long after another has ended. */
export interface Wait {
  readonly first: number;
  readonly then: number;
  readonly minutes: number;
}

/** An order and when each job of it begins, minutes from the first. */
export interface Schedule {
  /** Jobs by their places. */
  readonly order: readonly number[];
  readonly starts: readonly number[];
  /** When the last job ends. */
  readonly minutes: number;
  /** The longest time between two jobs in which nothing can be done; and all of it. */
  readonly longestWait: number;
  readonly waiting: number;
}

/** States searched at most; what is found by then stands, without proof. */
const MOST_STATES = 60_000;

/** Waits by the job that they hold up. */
function waitsInto(count: number, waits: readonly Wait[]): readonly (readonly Wait[])[] {
  const into = Array.from({ length: count }, (): Wait[] => []);
  for (const wait of waits) into[wait.then]!.push(wait);
  return into;
}

/**
 * When each job begins if they are done in this order, each as soon as hands and waits allow. Of a pair whose order is
 * turned round, the wait holds the other way: whichever comes first has to dry; `turned` says how long that takes.
 */
export function scheduleOf(
  order: readonly number[],
  jobs: readonly Job[],
  waits: readonly Wait[],
  turned: (wait: Wait) => number = () => 0,
): Schedule {
  const place = new Map(order.map((job, i) => [job, i]));
  const into = waitsInto(
    jobs.length,
    waits.map((wait) =>
      place.get(wait.first)! < place.get(wait.then)!
        ? wait
        : { first: wait.then, then: wait.first, minutes: turned(wait) },
    ),
  );
  const starts = new Array<number>(jobs.length).fill(0);
  let [now, waiting, longestWait] = [0, 0, 0];
  for (const job of order) {
    const ready = into[job]!.reduce(
      (latest, { first, minutes }) => Math.max(latest, starts[first]! + jobs[first]!.minutes + minutes),
      0,
    );
    const idle = Math.max(0, ready - now);
    waiting += idle;
    longestWait = Math.max(longestWait, idle);
    starts[job] = now + idle;
    now = starts[job] + jobs[job]!.minutes;
  }
  return { order: [...order], starts, minutes: now, longestWait, waiting };
}

/**
 * The least time in which the rest can be done: one pair of hands with heads and tails, jobs interrupted at will
 * (Jackson 1955; Carlier 1982 takes it as the bound for the one-machine problem).
 */
function preemptiveBound(heads: readonly number[], minutes: readonly number[], tails: readonly number[]): number {
  const left = [...minutes];
  const byHead = heads.map((_, i) => i).sort((a, b) => heads[a]! - heads[b]!);
  const open: number[] = [];
  let [now, next, end] = [0, 0, 0];
  while (next < byHead.length || open.length > 0) {
    if (open.length === 0) now = Math.max(now, heads[byHead[next]!]!);
    while (next < byHead.length && heads[byHead[next]!]! <= now + 1e-9) open.push(byHead[next++]!);
    let urgent = 0;
    for (let i = 1; i < open.length; i++) if (tails[open[i]!]! > tails[open[urgent]!]!) urgent = i;
    const job = open[urgent]!;
    const until = next < byHead.length ? heads[byHead[next]!]! : Infinity;
    const done = Math.min(left[job]!, until - now);
    left[job]! -= done;
    now += done;
    if (left[job]! <= 1e-9) {
      open.splice(urgent, 1);
      end = Math.max(end, now + tails[job]!);
    }
  }
  return end;
}

/**
 * The shortest order that keeps all waits: one machine with finish-to-start delays. Depth first over active schedules,
 * cut off by the preemptive bound and by states no better than one seen before; exact unless `proven` is false.
 * Among orders of one length the first found stands: jobs are tried in their own order where they can begin alike.
 * Jobs have to be numbered so that every wait runs from a lower number to a higher one, else a RangeError is thrown.
 */
export function shortestOrder(jobs: readonly Job[], waits: readonly Wait[]): Schedule & { readonly proven: boolean } {
  const count = jobs.length;
  if (waits.some(({ first, then }) => first >= then)) throw new RangeError("Waits run from lower to higher numbers.");
  const into = waitsInto(count, waits);
  const out = Array.from({ length: count }, (): Wait[] => []);
  for (const wait of waits) out[wait.first]!.push(wait);
  const tails = new Array<number>(count).fill(0);
  for (let j = count - 1; j >= 0; j--)
    for (const { then, minutes } of out[j]!)
      tails[j] = Math.max(tails[j]!, minutes + jobs[then]!.minutes + tails[then]!);
  let best = scheduleOf(
    jobs.map((_, i) => i),
    jobs,
    waits,
  );
  const seen = new Map<string, { readonly now: number; readonly ready: readonly number[] }[]>();
  const done = new Array<boolean>(count).fill(false);
  const ends = new Array<number>(count).fill(0);
  const order: number[] = [];
  let states = 0;

  /** Earliest beginnings of what is left, through what has to come before. */
  const headsOf = (now: number): number[] => {
    const heads = new Array<number>(count).fill(now);
    for (let j = 0; j < count; j++) {
      if (done[j]) continue;
      for (const { first, minutes } of into[j]!)
        heads[j] = Math.max(heads[j]!, (done[first] ? ends[first]! : heads[first]! + jobs[first]!.minutes) + minutes);
    }
    return heads;
  };

  const search = (now: number): void => {
    if (order.length === count) {
      if (now < best.minutes - 1e-9) best = scheduleOf(order, jobs, waits);
      return;
    }
    if (++states > MOST_STATES) return;
    const heads = headsOf(now);
    const rest = jobs.flatMap((_, j) => (done[j] ? [] : [j]));
    const bound = preemptiveBound(
      rest.map((j) => heads[j]!),
      rest.map((j) => jobs[j]!.minutes),
      rest.map((j) => tails[j]!),
    );
    if (bound >= best.minutes - 1e-9) return;
    const ready = rest.map((j) => heads[j]!);
    const key = done.map((is) => (is ? 1 : 0)).join("");
    const known = seen.get(key) ?? [];
    if (known.some((one) => one.now <= now + 1e-9 && one.ready.every((at, i) => at <= ready[i]! + 1e-9))) return;
    seen.set(key, [...known, { now, ready }]);
    const free = rest.filter((j) => into[j]!.every(({ first }) => done[first]));
    // A job that could only begin when another would be done by then is not begun before it.
    const soonest = Math.min(...free.map((j) => heads[j]! + jobs[j]!.minutes));
    for (const j of free.filter((one) => heads[one]! < soonest).sort((a, b) => heads[a]! - heads[b]! || a - b)) {
      done[j] = true;
      ends[j] = heads[j]! + jobs[j]!.minutes;
      order.push(j);
      search(ends[j]);
      order.pop();
      done[j] = false;
    }
  };
  search(0);
  return { ...best, proven: states <= MOST_STATES };
}
