import { randomUUID } from "node:crypto";
import type { SaveStamp } from "@/model/revision";
import { afterAll, beforeAll, expect, test } from "vitest";
import { CARD_WATER, patchOfSpectrum } from "@/core/calibration";
import { madeUpSwatches } from "@/core/simulation";
import { fitMeasurement } from "@/server/fit-measurement";
import {
  countingOf,
  newCard,
  newMeasurement,
  opticsOfMeasurement,
  type NewMeasurement,
  type StoredFit,
  type StoredPatch,
} from "@/model/measurement";
import {
  addCard,
  addMeasurement,
  findCard,
  listCards,
  listMeasurements,
  measuredOptics,
  setCounts,
} from "./measurements";
import { UnknownMeasured } from "../ports";
import type { OpenDatabase } from "./open";
import { newDatabase } from "@/testing/database";
import { listPaints, listStockedPaints, savePaintbox } from "./paintbox";
import { newPaint } from "@/model/paintbox";
import { demoSheet, keepDemoSheet } from "./settings";

let open: OpenDatabase;
/** A save by a window of its own, made from a revision. */
const from = (revision: number): SaveStamp => ({ revision, writer: randomUUID(), step: 1 });
const [blue, red] = [randomUUID(), randomUUID()];
const paints = [
  newPaint({ id: blue, name: "Ultramarine", pigments: [{ pigmentId: "PB29", share: 1 }] }),
  newPaint({ id: red, name: "Pyrrole red", pigments: [{ pigmentId: "PR254", share: 1 }] }),
];
const swatches = madeUpSwatches([{ pigmentId: "PB29", share: 1 }], 2);
const patches = [0, 1, 2, 3].map((swatch): StoredPatch => {
  const { lab, reflectance } = patchOfSpectrum(
    "wash",
    swatch,
    CARD_WATER[swatch]!,
    swatches("wash", swatch, CARD_WATER[swatch]!),
  );
  return { what: "wash", swatch, waterParts: CARD_WATER[swatch]!, lab, reflectance: [...reflectance!] };
});
const measurement = (on: string, change: Partial<NewMeasurement> = {}): NewMeasurement =>
  newMeasurement.parse({
    paintId: blue,
    on,
    way: "meter",
    paperId: "cotton-rough",
    photoId: null,
    cardId: null,
    patches,
    ...change,
  });
const fitOf = (one: NewMeasurement): StoredFit => {
  const fit = fitMeasurement(paints[0]!, one);
  if ("refused" in fit) throw new Error(fit.refused.code);
  return fit;
};

beforeAll(async () => {
  open = await newDatabase();
  await savePaintbox(open.db, from(0), { paints, boxes: [] });
});
afterAll(() => open.close());

test("a measurement is kept with its fit, and the paint stands on it from then on", async () => {
  const one = measurement("2026-04-12");
  await addMeasurement(open.db, one, fitOf(one));
  const [kept] = await listMeasurements(open.db);
  expect(kept).toMatchObject({ paintId: blue, on: "2026-04-12", way: "meter", counts: true });
  expect(kept!.patches).toEqual(one.patches);
  expect(kept!.fit.K).toHaveLength(36);
  const [stocked, other] = await listStockedPaints(open.db);
  expect(stocked!.measured).toEqual(opticsOfMeasurement(kept!));
  expect(other!.measured).toBeNull();
});

test("the newest that is not set aside counts; of two on one day the one kept last", async () => {
  const [early, late, again] = [
    measurement("2025-01-05"),
    measurement("2026-10-03"),
    measurement("2026-10-03", { way: "file" }),
  ];
  await addMeasurement(open.db, early, fitOf(early));
  const lateId = await addMeasurement(open.db, late, fitOf(late));
  const againId = await addMeasurement(open.db, again, fitOf(again));
  const dayOf = async (): Promise<string> => (await measuredOptics(open.db)).get(blue)!.on;
  expect(countingOf(await listMeasurements(open.db)).get(blue)!.id).toBe(againId);
  expect(await setCounts(open.db, againId, false)).toBe(true);
  expect(countingOf(await listMeasurements(open.db)).get(blue)!.id).toBe(lateId);
  await setCounts(open.db, lateId, false);
  expect(await dayOf()).toBe("2026-04-12");
  await setCounts(open.db, lateId, true);
  expect(await dayOf()).toBe("2026-10-03");
  expect(await setCounts(open.db, randomUUID(), false)).toBe(false);
});

test("a paint or a photo that is not there keeps nothing", async () => {
  const before = (await listMeasurements(open.db)).length;
  const foreign = measurement("2026-05-01", { paintId: randomUUID() });
  await expect(addMeasurement(open.db, foreign, fitOf(foreign))).rejects.toThrow(UnknownMeasured);
  const unseen = measurement("2026-05-01", { photoId: "b".repeat(64), way: "photo" });
  await expect(addMeasurement(open.db, unseen, fitOf(unseen))).rejects.toThrow(UnknownMeasured);
  expect(await listMeasurements(open.db)).toHaveLength(before);
});

test("a paint taken out and brought back by undo still has its measurements", async () => {
  await savePaintbox(open.db, from(1), { paints: [paints[1]!], boxes: [] });
  expect(await listPaints(open.db)).toHaveLength(1);
  await savePaintbox(open.db, from(2), { paints, boxes: [] });
  expect((await listStockedPaints(open.db)).find(({ id }) => id === blue)!.measured).not.toBeNull();
});

test("what is no measurement is refused in words", () => {
  const good = measurement("2026-05-01");
  const words = (change: object): string =>
    newMeasurement.safeParse({ ...good, ...change }).error?.issues[0]!.message ?? "accepted";
  expect(words({})).toBe("accepted");
  expect(words({ on: "yesterday" })).toMatch(/2026-04-30/);
  expect(words({ patches: patches.slice(0, 1) })).toMatch(/two washes/);
  expect(words({ paperId: "silk" })).toMatch(/no such paper/);
  expect(words({ patches: patches.map((patch) => ({ ...patch, lab: { L: 300, a: 0, b: 0 } })) })).toMatch(
    /between 0 and 100/,
  );
  expect(words({ patches: patches.map((patch) => ({ ...patch, reflectance: [0.5] })) })).toMatch(/36 bands/);
  expect(words({ photoId: "../../etc/passwd" })).not.toBe("accepted");
  expect(fitMeasurement(paints[0]!, { ...good, patches: patches.slice(0, 1) })).toMatchObject({
    refused: { code: "too few washes" },
  });
});

test("cards are numbered as they are printed and name up to four paints of the box", async () => {
  const first = await addCard(open.db, { kind: "card", paints: [blue, red], paperId: "cotton-rough" }, "2026-05-01");
  const second = await addCard(open.db, { kind: "card", paints: [red], paperId: "cotton-rough" }, "2026-05-02");
  expect(second.id).toBe(first.id + 1);
  expect((await listCards(open.db)).map(({ id }) => id)).toEqual([second.id, first.id]);
  expect(await findCard(open.db, first.id)).toEqual(first);
  expect(await findCard(open.db, 99)).toBeNull();
  await expect(
    addCard(open.db, { kind: "card", paints: [randomUUID()], paperId: "cotton-rough" }, "2026-05-02"),
  ).rejects.toThrow(UnknownMeasured);
  expect(newCard.safeParse({ paints: [], paperId: "cotton-rough" }).success).toBe(false);
  const five = [blue, red, blue, red, blue];
  expect(newCard.safeParse({ paints: five, paperId: "cotton-rough" }).error?.issues[0]!.message).toContain("4 paints");
  expect(newCard.parse({ paints: [blue], paperId: "cotton-rough" }).kind).toBe("card");
  const whole = Array.from({ length: 24 }, () => randomUUID());
  const sheet = (paints: string[]) => newCard.safeParse({ kind: "box", paints, paperId: "cotton-rough" });
  expect(sheet(whole).success).toBe(true);
  expect(sheet([...whole, randomUUID()]).error?.issues[0]!.message).toContain("24 paints");
  expect(sheet([blue, red, blue]).error?.issues[0]!.message).toContain("twice");
  const kept = await addCard(open.db, { kind: "box", paints: [blue, red], paperId: "cotton-rough" }, "2026-05-03");
  expect(await findCard(open.db, kept.id)).toEqual(kept);
  expect(await demoSheet(open.db, "card")).toBeNull();
  await keepDemoSheet(open.db, "card", first.id);
  expect(await demoSheet(open.db, "card")).toBe(first.id);
});
