import { describe, expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import { paintModel } from "../mixing/paint";
import { seededRandom } from "../numeric/random";
import { PAPERS } from "../optics/paper";
import { askEye, errorOf, type EyeQuestion, type SeenColour } from "./questions";
import { BUCKETS, byWeek, EYE_KINDS, nextAsked, type EyeAnswer, type EyeKind } from "./spacing";

const paper = PAPERS[0];
const paints = ["PB29", "PBr7-burnt-sienna", "PY150", "PR254", "PG7", "PV23"].map((id) =>
  paintModel(id, [{ pigmentId: id, share: 1 }]),
);
const random = seededRandom(12);
const seen: SeenColour[] = Array.from({ length: 80 }, () => ({
  lab: { L: 15 + 75 * random(), a: 80 * random() - 40, b: 80 * random() - 40 },
  photoId: null,
  x: 0,
  y: 0,
}));
const ask = (kind: EyeKind, bucket: string): EyeQuestion => askEye({ kind, bucket }, seen, paints, paper, random)!;

describe("questions", () => {
  test("a right answer is off by nothing, in every kind and bucket; a wrong one by something", () => {
    for (const kind of EYE_KINDS)
      for (const bucket of BUCKETS[kind])
        for (let i = 0; i < 12; i++) {
          const question = ask(kind, bucket);
          expect(question).toMatchObject({ kind, bucket });
          const right = question.kind === "value" ? question.value : question.right;
          expect(errorOf(question, right)).toBe(0);
          const wrong = question.kind === "value" ? question.value + 2 : (question.right + 1) % 2;
          expect(errorOf(question, wrong)).toBeGreaterThan(0);
        }
  });
  test("dark places are asked about when darks are due; of two colours the warmer is plainly warmer", () => {
    for (let i = 0; i < 20; i++) {
      const value = ask("value", "dark");
      expect(value.kind === "value" && value.value).toBeLessThan(4);
      const warmth = ask("warmth", "cool colours");
      if (warmth.kind !== "warmth") throw new Error(warmth.kind);
      const [warmer, cooler] = [warmth.pair[warmth.right]!, warmth.pair[1 - warmth.right]!];
      expect(describeColour(warmer.lab).temperature).toBeGreaterThan(describeColour(cooler.lab).temperature + 11.9);
    }
  });
  test("three mixes are offered that can be told apart, and one of them is the colour", () => {
    const question = ask("mix", "two paints");
    if (question.kind !== "mix") throw new Error(question.kind);
    expect(question.offered).toHaveLength(3);
    question.offered.forEach((one, i) =>
      question.offered.slice(i + 1).forEach((other) => expect(deltaE00(one.lab, other.lab)).toBeGreaterThanOrEqual(9)),
    );
  });
  test("opposites are told to go grey, neighbours to stay clean (common practice, no source)", () => {
    const fate = (ids: readonly string[]): number => {
      const few = paints.filter(({ id }) => ids.includes(id));
      // Three paints are the least; the pair asked about is drawn until it is the one wanted.
      for (let i = 0; i < 200; i++) {
        const question = askEye({ kind: "grey", bucket: "two paints" }, seen, [...few, paints[2]!], paper, random)!;
        if (question.kind === "grey" && question.paints.every(({ id }) => ids.includes(id))) return question.right;
      }
      throw new Error("never asked");
    };
    expect(fate(["PG7", "PR254"])).toBe(2);
    expect(fate(["PB29", "PV23"])).toBe(0);
  });
  test("without paints or colours there is nothing to ask", () => {
    expect(askEye({ kind: "mix", bucket: "two paints" }, seen, paints.slice(0, 2), paper, random)).toBeNull();
    expect(askEye({ kind: "value", bucket: "dark" }, [], paints, paper, random)).toBeNull();
    expect(askEye({ kind: "warmth", bucket: "warm colours" }, seen.slice(0, 1), paints, paper, random)).toBeNull();
  });
});

describe("what comes next", () => {
  const now = new Date("2026-11-27T10:00:00Z");
  const hoursAgo = (hours: number): Date => new Date(now.getTime() - 3_600_000 * hours);
  const all = (error: (kind: EyeKind, bucket: string) => number, hours: number): EyeAnswer[] =>
    EYE_KINDS.flatMap((kind) =>
      BUCKETS[kind].flatMap((bucket) =>
        Array.from({ length: 6 }, () => ({ at: hoursAgo(hours), kind, bucket, error: error(kind, bucket) })),
      ),
    );
  test("one is asked where one errs most", () => {
    const answers = all((kind, bucket) => (kind === "value" && bucket === "dark" ? 3 : 0), 30);
    for (let i = 0; i < 20; i++) expect(nextAsked(answers, now, random)).toEqual({ kind: "value", bucket: "dark" });
  });
  test("what was asked just now waits, though one erred; after a day it comes back", () => {
    const answers = [
      ...all(() => 0.2, 48),
      ...Array.from({ length: 6 }, () => ({ at: hoursAgo(0.02), kind: "hue" as const, bucket: "reds", error: 60 })),
    ];
    expect(nextAsked(answers, now, random)).not.toEqual({ kind: "hue", bucket: "reds" });
    const tomorrow = new Date(now.getTime() + 86_400_000);
    expect(nextAsked(answers, tomorrow, random)).toEqual({ kind: "hue", bucket: "reds" });
  });
  test("weeks begin on Monday and bring the mean of each kind", () => {
    const answer = (at: string, error: number): EyeAnswer => ({
      at: new Date(at),
      kind: "value",
      bucket: "dark",
      error,
    });
    expect(
      byWeek([answer("2026-11-22T12:00:00", 3), answer("2026-11-23T12:00:00", 2), answer("2026-11-27T12:00:00", 1)]),
    ).toEqual([
      { week: "2026-11-16", means: { value: 3 } },
      { week: "2026-11-23", means: { value: 1.5 } },
    ]);
  });
});
