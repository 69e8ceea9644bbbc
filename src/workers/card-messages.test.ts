import { expect, test } from "vitest";
import { CARD_WATER, patchOfSpectrum } from "@/core/calibration";
import { madeUpSwatches } from "@/core/simulation";
import type { CardAnswers, CardReply } from "./card-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const worker = workerUnderTest<unknown, CardReply>(() => import("./card.worker"));

const ask = (data: unknown): CardReply => {
  worker.ask(data);
  return worker.replies()[worker.replies().length - 1];
};
const answered = <K extends keyof CardAnswers>(reply: CardReply): CardAnswers[K] => {
  if (reply.kind === "failed") throw new Error(reply.message);
  return reply.answer as CardAnswers[K];
};

const swatches = madeUpSwatches([{ pigmentId: "PB28", share: 1 }], 3);
const patches = [0, 1, 2, 3].map((swatch) => patchOfSpectrum("wash", swatch, CARD_WATER[swatch], swatches("wash", swatch, CARD_WATER[swatch])));
const paint = { id: "own", pigments: [{ pigmentId: "PB28", share: 1 }], tintingStrength: 1, measured: null };

test("fits a paint to what was measured, always from the handbook, whatever it stands on so far", () => {
  const plain = answered<"fit">(ask({ kind: "fit", job: 1, paint, patches, paperId: "cotton-rough" }));
  if ("refused" in plain) throw new Error(plain.refused);
  expect(plain.rms).toBeLessThan(1);
  const measured = { K: Array(36).fill(9), S: Array(36).fill(9), miss: 1, loads: [0.1, 1], on: "2026-01-01", way: "photo" };
  const again = answered<"fit">(ask({ kind: "fit", job: 2, paint: { ...paint, measured }, patches, paperId: "cotton-rough" }));
  expect(again).toEqual(plain);
});

test("takes the camera's part out of a card's patches, paint by paint", () => {
  const { patches: [own, other] } = answered<"camera">(ask({ kind: "camera", job: 3, paperId: "cotton-rough", paints: [{ paint, patches }, { paint: { ...paint, id: "b" }, patches: patches.slice(0, 2) }] }));
  expect([own.length, other.length]).toEqual([4, 2]);
  expect(own[1]).toMatchObject({ what: "wash", swatch: 1 });
});

test("a photo is opened before it is read; one without a card is refused in words", () => {
  const read = { kind: "read", photoId: "a", paperId: "cotton-rough", rows: [0], moved: {}, references: [] };
  expect(ask({ ...read, job: 1 })).toMatchObject({ kind: "failed", job: 1, message: expect.stringMatching(/not arrived/) });
  const data = new Uint8ClampedArray(4 * 300 * 200).fill(190);
  expect(answered<"open">(ask({ kind: "open", job: 2, photoId: "a", width: 300, height: 200, data }))).toEqual({ opened: true });
  expect(answered<"read">(ask({ ...read, job: 3 }))).toMatchObject({ refused: expect.stringMatching(/not found/) });
  expect(ask({ ...read, job: 4, photoId: "another" })).toMatchObject({ kind: "failed", job: 4 });
});
