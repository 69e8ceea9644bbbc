import { expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { PAPERS } from "../optics/paper";
import { paintModel } from "./paint";
import { predict } from "./predict";
import { mixSteps } from "./steps";

const paper = PAPERS[0];
const part = (pigmentId: string, parts: number) => ({
  paint: paintModel(pigmentId, [{ pigmentId, share: 1 }]),
  parts,
});

test("each step is what lies in the puddle so far; the last is the mix; one paint has one step, nothing none", () => {
  const mix = [part("PY43", 3), part("PB29", 1), part("PBr7-burnt-sienna", 0.25)];
  const steps = mixSteps(mix, 0.2, paper);
  expect(steps.map(({ parts }) => parts)).toEqual([3, 1, 0.25]);
  expect(deltaE00(steps[0]!.dry, predict([part("PY43", 1)], 0.2, paper).dry)).toBeLessThan(1e-9);
  expect(deltaE00(steps[2]!.dry, predict(mix, 0.2, paper).dry)).toBeLessThan(1e-9);
  // Common practice, no source: the blue takes most of the ochre's warmth.
  expect(steps[1]!.dry.b).toBeLessThan(steps[0]!.dry.b - 10);
  expect(mixSteps([part("PY43", 2)], 0.2, paper)).toHaveLength(1);
  expect(mixSteps([], 0.2, paper)).toEqual([]);
});
