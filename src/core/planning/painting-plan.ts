import type { AreaBorder } from "../areas/measure";
import { dryingMinutes } from "./drying";
import { washesOfArea, type AreaToPlan, type Conditions, type PlannedWash } from "./laid-washes";
import { scheduleOf, shortestOrder, type Schedule } from "./schedule";
import { washRules, type WashRule, type WetBlock } from "./wash-rules";

/** A wash at its time. */
export interface TimedWash extends PlannedWash {
  /** Minutes from the first wash. */
  readonly start: number;
  /** How long hands are idle before it, minutes. */
  readonly waits: number;
  /** It is laid while the one before is wet. */
  readonly withBefore: boolean;
  /** Washes beside it that are still wet: a hairline of dry paper is left to them. */
  readonly hairlines: readonly string[];
  /** A wash that is still wet where the painting hand would lie; null for none. */
  readonly handOver: string | null;
}

/** A rule that an order breaks. */
export interface BrokenRule extends WashRule {
  /** What is laid in between, where two should be wet together. */
  readonly between: boolean;
}

/** The order of painting with its times. */
export interface PaintingPlan {
  readonly washes: readonly TimedWash[];
  readonly rules: readonly WashRule[];
  readonly broken: readonly BrokenRule[];
  /** When the last wash is laid, minutes; the longest wait, and all waits together. */
  readonly minutes: number;
  readonly longestWait: number;
  readonly waiting: number;
  /** The shortest order that keeps all rules, minutes, and whether that is proven. */
  readonly shortest: number;
  readonly proven: boolean;
  /** What the present order takes with a dryer held over what would be waited for, minutes. */
  readonly withDryer: number;
}

export type Hand = "right" | "left";

/** Wet washes nearer to each other than this share of the sheet's height lie at one height. From memory. */
const SAME_HEIGHT = 0.25;

/** The rules that an order of washes breaks. */
function brokenBy(
  order: readonly string[],
  rules: readonly WashRule[],
  home: ReadonlyMap<string, number>,
): readonly BrokenRule[] {
  const place = new Map(order.map((key, i) => [key, i]));
  return rules.flatMap((rule) => {
    const [first, then] = [place.get(rule.first)!, place.get(rule.then)!];
    const wet = rule.why === "drop" || rule.why === "lost edge";
    // Between two that are wet together lies nothing but what is wet with them.
    const between =
      wet &&
      order
        .slice(Math.min(first, then) + 1, Math.max(first, then))
        .some((key) => home.get(key) !== home.get(rule.first));
    const turned = rule.why !== "lost edge" && first > then;
    return turned || between ? [{ ...rule, between }] : [];
  });
}

/** The place of each wash's block. */
const homesOf = (lists: readonly (readonly string[])[]): ReadonlyMap<string, number> =>
  new Map(lists.flatMap((keys, i) => keys.map((key) => [key, i] as const)));

/**
 * What an order takes if whatever holds up the next wash is dried by a dryer, minutes. The dryer takes the hands that
 * would paint, and only what is left to dry by then.
 */
function minutesWithDryer(
  lists: readonly (readonly string[])[],
  byKey: ReadonlyMap<string, PlannedWash>,
  rules: readonly WashRule[],
  { air, sheet }: Conditions,
): number {
  const dryAt = new Map<string, number>();
  let now = 0;
  for (const keys of lists) {
    const holds = rules
      .filter(({ dry }) => dry)
      .flatMap(({ first, then }) => (keys.includes(then) ? [first] : keys.includes(first) ? [then] : []))
      .filter((key) => (dryAt.get(key) ?? 0) > now);
    for (const key of [...new Set(holds)].sort((one, two) => dryAt.get(two)! - dryAt.get(one)!)) {
      const left = dryAt.get(key)! - now;
      if (left <= 0) continue;
      const { dryMinutes, wetUm, areaCm2 } = byKey.get(key)!;
      const blown = (left / dryMinutes) * dryingMinutes(wetUm, areaCm2, air, sheet, "dryer");
      now += Math.min(left, blown);
      dryAt.set(key, now);
    }
    for (const key of keys) {
      now += byKey.get(key)!.minutes;
      dryAt.set(key, now + byKey.get(key)!.dryMinutes);
    }
  }
  return now;
}

/** Washes in their order as blocks: those that are wet together and follow each other stay one. */
function blocksOf(order: readonly string[], blocks: readonly WetBlock[]): string[][] {
  const home = homesOf(blocks);
  const found: string[][] = [];
  let last = -1;
  for (const key of order) {
    if (home.get(key) === last) found[found.length - 1]!.push(key);
    else found.push([key]);
    last = home.get(key)!;
  }
  return found;
}

/**
 * The order of painting and its times: the shortest that keeps every rule, or the painter's own with the rules that it
 * breaks.
 * @param asked keys of washes in the painter's order; unknown ones are passed over, missing ones stand where the
 * proposed order has them; null: as proposed
 */
export function paintingPlan(
  areas: readonly AreaToPlan[],
  borders: readonly AreaBorder[],
  conditions: Conditions,
  hand: Hand,
  asked: readonly string[] | null,
): PaintingPlan {
  const washes = areas.flatMap((area) => washesOfArea(area, conditions));
  const byKey = new Map(washes.map((wash) => [wash.key, wash]));
  const { rules, beside, blocks } = washRules(areas, washes, borders, conditions.crispBy);

  /** The schedule of blocks in their order, or the shortest one; drying as given. */
  const timed = (
    lists: readonly (readonly string[])[],
    dry: (wash: PlannedWash) => number,
    shortest: boolean,
  ): Schedule & { readonly proven: boolean } => {
    const home = homesOf(lists);
    const minutesOf = (i: number): number => lists[i]!.reduce((sum, key) => sum + byKey.get(key)!.minutes, 0);
    const jobs = lists.map((_, i) => ({ minutes: minutesOf(i) }));
    /** After its block has ended a wash needs so much longer to dry. */
    const after = (key: string): number => {
      const block = lists[home.get(key)!]!;
      const later = block.slice(block.indexOf(key) + 1).reduce((sum, one) => sum + byKey.get(one)!.minutes, 0);
      return Math.max(0, dry(byKey.get(key)!) - later);
    };
    const waits = rules.flatMap(({ first, then, dry: dries }) => {
      const [from, to] = [home.get(first)!, home.get(then)!];
      if (from === to) return [];
      const [before, behind] = from < to ? [first, then] : [then, first];
      return [{ first: home.get(before)!, then: home.get(behind)!, minutes: dries ? after(before) : 0 }];
    });
    return shortest
      ? shortestOrder(jobs, waits)
      : {
          ...scheduleOf(
            lists.map((_, i) => i),
            jobs,
            waits,
          ),
          proven: true,
        };
  };

  const best = timed(blocks, ({ dryMinutes }) => dryMinutes, true);
  const proposed = best.order.flatMap((i) => blocks[i]!);
  const order = asked ? mended(asked, proposed) : proposed;
  const lists = blocksOf(order, blocks);
  const now = timed(lists, ({ dryMinutes }) => dryMinutes, false);
  const at = new Map(areas.map((area) => [area.id, area.at]));
  const result: TimedWash[] = [];
  lists.forEach((keys, i) => {
    let start = now.starts[i]!;
    for (const key of keys) {
      const wash = byKey.get(key)!;
      const before = result[result.length - 1];
      const withBefore = key !== keys[0];
      result.push({
        ...wash,
        start,
        waits: before && !withBefore ? Math.max(0, start - before.start - before.minutes) : 0,
        withBefore,
        hairlines: result.flatMap(({ key: other, start: from, minutes, dryMinutes }) =>
          from + minutes + dryMinutes > start &&
          beside.some(([one, two]) => (one === other && two === key) || (one === key && two === other))
            ? [other]
            : [],
        ),
        handOver: handOver(wash, start, result, at, hand),
      });
      start += wash.minutes;
    }
  });
  return {
    washes: result,
    rules,
    broken: brokenBy(order, rules, homesOf(blocks)),
    minutes: now.minutes,
    longestWait: now.longestWait,
    waiting: now.waiting,
    shortest: best.minutes,
    proven: best.proven,
    withDryer: minutesWithDryer(lists, byKey, rules, conditions),
  };
}

/** The painter's order with what is new put where the proposed one has it, after the same wash before it. */
export function mended(asked: readonly string[], proposed: readonly string[]): readonly string[] {
  const order = asked.filter((key, i) => proposed.includes(key) && asked.indexOf(key) === i);
  proposed.forEach((key, i) => {
    if (order.includes(key)) return;
    const before = proposed
      .slice(0, i)
      .reverse()
      .find((one) => order.includes(one));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, key);
  });
  return order;
}

/** A wash that is wet where the hand lies when another is painted: beside it on the hand's side, at its height. */
function handOver(
  wash: PlannedWash,
  start: number,
  before: readonly TimedWash[],
  at: ReadonlyMap<string, { readonly x: number; readonly y: number }>,
  hand: Hand,
): string | null {
  const here = at.get(wash.areaId);
  const found = before.find((one) => {
    const there = at.get(one.areaId);
    if (!here || !there || one.areaId === wash.areaId || one.start + one.minutes + one.dryMinutes <= start)
      return false;
    const beside = hand === "right" ? there.x > here.x : there.x < here.x;
    return beside && there.y >= here.y && there.y - here.y < SAME_HEIGHT;
  });
  return found?.key ?? null;
}
