import { expect, test } from "vitest";
import type { ReachReply } from "./reach-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const laid = { paperId: "cotton-rough", paints: ["PY154", "PV19-rose", "PB29"].map((id) => ({ id, pigments: [{ pigmentId: id, share: 1 }], tintingStrength: 1, measured: null })) };
const worker = workerUnderTest<unknown, ReachReply>(() => import("./reach.worker"));

test("the reach worker answers with slices, cubes and rings, and tells what it can't compute", () => {
  worker.ask({ kind: "slice", job: 1, laid, L: 55 });
  worker.ask({ kind: "cube", job: 2, laid, valueWeight: 1.5, wish: { way: "follow" }, curve: [0, 2.5, 5, 7.5, 10] });
  worker.ask({ kind: "ring", job: 3, laid, sidePx: 40, seed: 1 });
  expect(worker.replies().map(({ kind, job }) => [kind, job])).toEqual([["answered", 1], ["answered", 2], ["answered", 3]]);
  const [slice, cube, ring] = worker.replies().map((reply) => (reply.kind === "answered" ? reply.answer : null));
  expect(slice).toMatchObject({ slice: { L: 55 }, darkestL: expect.any(Number) });
  expect(cube && "cube" in cube && cube.cube.rgba.length).toBe(4 * 17 ** 3);
  expect(ring && "pixels" in ring && ring.pixels.length).toBe(4 * 40 * 40);
  const unknown = { ...laid.paints[0], pigments: [{ pigmentId: "PX1", share: 1 }] };
  worker.ask({ kind: "slice", job: 4, laid: { ...laid, paints: [unknown] }, L: 55 });
  expect(worker.replies()[3]).toEqual({ kind: "failed", job: 4, message: expect.stringContaining("PX1") });
});
