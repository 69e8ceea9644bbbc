import { expect, test } from "vitest";
import { CARD_WATER, patchOfSpectrum } from "@/core/calibration";
import { madeUpSwatches } from "@/core/simulation";
import { workerUnderTest } from "@/testing/worker.test-helper";
import type { CardApi } from "./card-api";

const worker = workerUnderTest<CardApi>(() => import("./card.worker"));

const swatches = madeUpSwatches([{ pigmentId: "PB28", share: 1 }], 3);
const patches = [0, 1, 2, 3].map((swatch) =>
  patchOfSpectrum("wash", swatch, CARD_WATER[swatch]!, swatches("wash", swatch, CARD_WATER[swatch]!)),
);
const paint = { id: "own", pigments: [{ pigmentId: "PB28", share: 1 }], tintingStrength: 1, measured: null };

test("fits a paint to what was measured, always from the handbook, whatever it stands on so far", async () => {
  const plain = await worker.ask("fit", "cotton-rough", paint, patches);
  if ("refused" in plain) throw new Error(plain.refused.code);
  expect(plain.rms).toBeLessThan(1);
  const measured = {
    K: Array<number>(36).fill(9),
    S: Array<number>(36).fill(9),
    miss: 1,
    loads: [0.1, 1],
    on: "2026-01-01",
    way: "photo",
  };
  expect(await worker.ask("fit", "cotton-rough", { ...paint, measured: measured as never }, patches)).toEqual(plain);
});

test("takes the camera's part out of a card's patches, paint by paint, and compares how they granulate", async () => {
  const uneven = (texture: number) => patches.map((patch) => ({ ...patch, texture }));
  const [own, other] = await worker.ask("together", "cotton-rough", [
    { paint, patches },
    { paint: { ...paint, id: "b" }, patches: patches.slice(0, 2) },
  ]);
  expect([own!.patches.length, other!.patches.length]).toEqual([4, 2]);
  expect(own!.patches[1]).toMatchObject({ what: "wash", swatch: 1 });
  expect(own!.granulation).toBeUndefined();
  const four = await worker.ask(
    "together",
    "cotton-rough",
    [3, 3, 3, 12].map((texture, i) => ({ paint: { ...paint, id: `${i}` }, patches: uneven(texture) })),
  );
  expect(four[3]!.granulation).toBeGreaterThan(four[0]!.granulation! + 0.2);
});

test("a paint that granulates otherwise than its pigments is fitted as it lies", async () => {
  const [plain, grainy] = await Promise.all(
    [undefined, 0.9].map((granulation) => worker.ask("fit", "cotton-rough", paint, patches, granulation)),
  );
  if ("refused" in plain! || "refused" in grainy!) throw new Error("Not fitted.");
  expect(grainy!.optics.K).not.toEqual(plain!.optics.K);
  expect(grainy!.rms).toBeLessThan(2);
});

test("a photo is opened before it is read; one without a card is refused with the reason", async () => {
  const wishes = { paperId: "cotton-rough", rows: [0], moved: {}, references: [] };
  await expect(worker.ask("read", "a", wishes)).rejects.toThrow(/not arrived/);
  await worker.ask("open", "a", { width: 300, height: 200, data: new Uint8ClampedArray(4 * 300 * 200).fill(190) });
  expect(await worker.ask("read", "a", wishes)).toMatchObject({ refused: { code: "not found" } });
  await expect(worker.ask("read", "another", wishes)).rejects.toThrow(/not arrived/);
});
