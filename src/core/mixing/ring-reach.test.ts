import { expect, test } from "vitest";
import { lchOfLab } from "../colour/lab";
import { PAPERS } from "../optics/paper";
import { paintModel } from "./paint";
import { newlyReached, ringMixes } from "./ring-reach";

const ring = (...ids: string[]) =>
  ringMixes(
    ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }])),
    PAPERS[0],
  );
const warm = ["PB29", "PBr7-burnt-sienna", "PY43"] as const;

test("a ring holds each paint, every two and every three, at four strengths", () => {
  expect(ring("PB29")).toHaveLength(4);
  expect(ring("PB29", "PY43")).toHaveLength(4 * (2 + 3));
  expect(ring(...warm)).toHaveLength(4 * (3 + 3 * 3 + 4));
});

test("the same ring reaches nothing new; a rose brings violets and pinks that an earth palette lacks", () => {
  const three = ring(...warm);
  expect(newlyReached(three, three, 5)).toEqual({ share: 0, mixes: [] });
  const { share, mixes } = newlyReached(three, ring(...warm, "PV19-rose"), 5);
  expect(share).toBeGreaterThan(0.2);
  const { h, C } = lchOfLab(mixes[0]!.lab);
  expect(C).toBeGreaterThan(30);
  expect(h > 300 || h < 30).toBe(true);
  expect(mixes.every(({ mix }) => mix.some(({ paint }) => paint.id === "PV19-rose"))).toBe(true);
});

test("a paint that is like one of the three adds next to nothing", () => {
  const twin = newlyReached(ring("PB29", "PR254", "PY154"), ring("PB29", "PR254", "PY154", "PY97"), 8);
  const other = newlyReached(ring("PB29", "PR254", "PY154"), ring("PB29", "PR254", "PY154", "PG7"), 8);
  expect(twin.share).toBeLessThan(0.4 * other.share);
});
