import highs from "highs";
import { expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { scheduleOf, shortestOrder, type Job, type Wait } from "./schedule";

/** Jobs of 1 to 8 minutes, about a third of the pairs with a wait of up to 40. */
function made(count: number, seed: number): { jobs: Job[]; waits: Wait[] } {
  const random = seededRandom(seed);
  const jobs = Array.from({ length: count }, () => ({ minutes: 1 + Math.round(7 * random()) }));
  const waits: Wait[] = [];
  for (let first = 0; first < count; first++)
    for (let then = first + 1; then < count; then++)
      if (random() < 0.3) waits.push({ first, then, minutes: Math.round(40 * random()) });
  return { jobs, waits };
}

function everyOrder(items: readonly number[]): number[][] {
  if (items.length === 0) return [[]];
  return items.flatMap((item) => everyOrder(items.filter((one) => one !== item)).map((rest) => [item, ...rest]));
}

const keeps = (order: readonly number[], waits: readonly Wait[]): boolean =>
  waits.every(({ first, then }) => order.indexOf(first) < order.indexOf(then));

test("the shortest of all orders is found, held to trying every order", () => {
  for (let seed = 1; seed <= 25; seed++) {
    const { jobs, waits } = made(7, seed);
    const least = Math.min(
      ...everyOrder(jobs.map((_, i) => i))
        .filter((order) => keeps(order, waits))
        .map((order) => scheduleOf(order, jobs, waits).minutes),
    );
    const found = shortestOrder(jobs, waits);
    expect(found.proven).toBe(true);
    expect(keeps(found.order, waits)).toBe(true);
    expect(found.minutes).toBeCloseTo(least, 9);
  }
});

test("it is as short as HiGHS finds it as a mixed integer program", async () => {
  const solver = await highs();
  for (let seed = 1; seed <= 4; seed++) {
    const { jobs, waits } = made(8, 100 + seed);
    const big = jobs.reduce((sum, { minutes }) => sum + minutes, 0) + 41 * jobs.length;
    const [rows, binaries]: [string[], string[]] = [[], []];
    jobs.forEach(({ minutes }, i) => rows.push(`last - s${i} >= ${minutes}`));
    for (const { first, then, minutes } of waits)
      rows.push(`s${then} - s${first} >= ${jobs[first]!.minutes + minutes}`);
    for (let i = 0; i < jobs.length; i++)
      for (let j = i + 1; j < jobs.length; j++) {
        binaries.push(`y${i}_${j}`);
        rows.push(`s${j} - s${i} - ${big} y${i}_${j} >= ${jobs[i]!.minutes - big}`);
        rows.push(`s${i} - s${j} + ${big} y${i}_${j} >= ${jobs[j]!.minutes}`);
      }
    const model = `Minimize\n o: last\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join("\n")}\nBinary\n ${binaries.join("\n ")}\nEnd`;
    const { ObjectiveValue } = solver.solve(model);
    expect(shortestOrder(jobs, waits).minutes).toBeCloseTo(ObjectiveValue, 6);
  }
});

test("twenty jobs are put in their shortest order with proof, never faster than any chain of waits allows", () => {
  for (let seed = 1; seed <= 10; seed++) {
    const { jobs, waits } = made(20, 200 + seed);
    const found = shortestOrder(jobs, waits);
    expect(found.proven).toBe(true);
    const longest = jobs.map(() => 0);
    for (let j = jobs.length - 1; j >= 0; j--)
      longest[j] =
        jobs[j]!.minutes +
        Math.max(0, ...waits.flatMap(({ first, then, minutes }) => (first === j ? [minutes + longest[then]!] : [])));
    expect(found.minutes).toBeGreaterThanOrEqual(Math.max(...longest) - 1e-9);
    expect(found.minutes).toBeLessThanOrEqual(
      scheduleOf(
        jobs.map((_, i) => i),
        jobs,
        waits,
      ).minutes,
    );
  }
});

test("waiting is used for other jobs, and what is left of it is told", () => {
  const jobs = [{ minutes: 5 }, { minutes: 5 }, { minutes: 10 }];
  const waits = [{ first: 0, then: 1, minutes: 30 }];
  const found = shortestOrder(jobs, waits);
  expect(found).toMatchObject({ order: [0, 2, 1], starts: [0, 35, 5], minutes: 40, waiting: 20, longestWait: 20 });
});

test("a pair that is turned round waits the other way", () => {
  const jobs = [{ minutes: 5 }, { minutes: 5 }];
  const turned = scheduleOf([1, 0], jobs, [{ first: 0, then: 1, minutes: 30 }], () => 12);
  expect(turned).toMatchObject({ starts: [17, 0], minutes: 22, waiting: 12 });
});

test("waits against the numbering are refused", () => {
  expect(() => shortestOrder([{ minutes: 1 }, { minutes: 1 }], [{ first: 1, then: 0, minutes: 0 }])).toThrow(
    RangeError,
  );
});
