import Papa from "papaparse";
import { expect, test } from "vitest";
import { planTable } from "./plan-table";

test("the order as CSV is read back as it was, names with commas, quotes and signs of formulas included", () => {
  const csv = planTable([
    {
      startMin: 12.34,
      minutes: 3.5,
      dryMin: 22,
      waitMin: 0,
      mark: "3b",
      name: '=Cloud, "torn"',
      task: "over the dry first wash",
      areaCm2: 81.6,
      brush: "round no. 12",
      mixes: [
        {
          parts: [
            { name: "Cerulean", parts: 2 },
            { name: "Rose", parts: 1 },
          ],
          strength: "half (1 paint : 6 water)",
        },
      ],
      mind: ["Mind the hand.", "Now."],
    },
  ]);
  const [row] = Papa.parse<Record<string, string>>(csv, { header: true }).data;
  expect(row).toMatchObject({
    order: "1",
    "start min": "12.3",
    wash: `'=Cloud, "torn"`,
    cm2: "82",
    mixes: "2 Cerulean + 1 Rose",
    mind: "Mind the hand. Now.",
  });
});
