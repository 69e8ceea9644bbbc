import { expect, test } from "vitest";
import { workerUnderTest } from "@/testing/worker.test-helper";
import type { ReachApi } from "./reach-api";

const laid = {
  paperId: "cotton-rough",
  paints: ["PY154", "PV19-rose", "PB29"].map((id) => ({
    id,
    pigments: [{ pigmentId: id, share: 1 }],
    tintingStrength: 1,
    measured: null,
  })),
};
const worker = workerUnderTest<ReachApi>(() => import("./reach.worker"));

test("the reach worker answers with slices, cubes and rings, and tells what it can't compute", async () => {
  expect(await worker.ask("slice", { laid, L: 55 })).toMatchObject({ slice: { L: 55 }, darkestL: expect.any(Number) });
  const cube = await worker.ask("cube", {
    laid,
    valueWeight: 1.5,
    wish: { way: "follow" },
    curve: [0, 2.5, 5, 7.5, 10],
  });
  expect(cube.rgba).toHaveLength(4 * 17 ** 3);
  expect((await worker.ask("ring", { laid, sidePx: 40, seed: 1 })).pixels).toHaveLength(4 * 40 * 40);
  const empty = { ...laid.paints[0]!, pigments: [] };
  await expect(worker.ask("slice", { laid: { ...laid, paints: [empty] }, L: 55 })).rejects.toThrow(
    "at least one pigment",
  );
});
