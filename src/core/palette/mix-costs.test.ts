import { expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { closestMixes } from "../mixing/closest";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { fullMetric, judged } from "../mixing/metric";
import { paintModel } from "../mixing/paint";
import { seededRandom } from "../numeric/random";
import { servedBy } from "./gain";
import { mixCosts, UNSEEN } from "./mix-costs";

const ids = [
  "PY3",
  "PY154",
  "PY43",
  "PBr7-raw-sienna",
  "PBr7-burnt-sienna",
  "PBr7-burnt-umber",
  "PR101-light-red",
  "PB29",
  "PB15-green-shade",
  "PB35",
  "PV19-rose",
  "PR254",
  "PO73",
  "PG7",
  "PG18",
  "PBk9",
  "PV23",
  "PO49",
];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const table = prepareMatch(paints, PAPERS[0], DEFAULT_MATCH);

test("a palette is told as near as its own paints, fully optimised, can get: not only the best palettes", () => {
  const random = seededRandom(17);
  const targets = Array.from({ length: 8 }, () => ({
    L: 26 + 60 * random(),
    a: -15 + 45 * random(),
    b: -20 + 55 * random(),
  }));
  const costs = mixCosts(
    targets.map((lab) => ({ lab, weight: 1 })),
    table,
    1.5,
  );
  const off: number[] = [];
  for (let round = 0; round < 30; round++) {
    const own = [...new Set([0, 1, 2].map(() => Math.floor(random() * ids.length)))].sort((a, b) => a - b);
    const few = prepareMatch(
      own.map((p) => paints[p]!),
      PAPERS[0],
      DEFAULT_MATCH,
    );
    servedBy(costs, own).forEach(({ error, made }, t) => {
      const best = closestMixes(targets[t]!, few, 1.5)[0]!.cost;
      if (best > 8) return;
      off.push(error - Math.max(0, best - UNSEEN));
      // The colour that is shown for it is off by as much as is told.
      expect(Math.max(0, judged(targets[t]!, made!.L, made!.a, made!.b, fullMetric(1.5)) - UNSEEN)).toBeCloseTo(
        error,
        2,
      );
    });
  }
  off.sort((a, b) => a - b);
  expect(off.length).toBeGreaterThan(60);
  expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(0.4);
  expect(off.at(-1)).toBeLessThan(2);
});
