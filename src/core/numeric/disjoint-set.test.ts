import { expect, test } from "vitest";
import { DisjointSet } from "./disjoint-set";
import { seededRandom } from "./random";

test("sets are the connected parts of a graph, as a walk from member to member finds them", () => {
  const [count, random] = [40, seededRandom(5)];
  const edges = Array.from({ length: 25 }, () => [Math.floor(count * random()), Math.floor(count * random())] as const);
  const sets = new DisjointSet(count);
  for (const [a, b] of edges) sets.union(a, b);
  const reached = (from: number): Set<number> => {
    const seen = new Set([from]);
    for (const one of seen)
      for (const [a, b] of edges) {
        if (a === one) seen.add(b);
        if (b === one) seen.add(a);
      }
    return seen;
  };
  for (let i = 0; i < count; i++) {
    const own = reached(i);
    for (let j = 0; j < count; j++) expect(sets.find(i) === sets.find(j), `${i} ${j}`).toBe(own.has(j));
  }
});

test("the first one's standing member stands for both; alone, one stands for itself", () => {
  const sets = new DisjointSet(4);
  sets.union(2, 0);
  sets.union(3, 2);
  expect([0, 1, 2, 3].map((i) => sets.find(i))).toEqual([3, 1, 3, 3]);
});
