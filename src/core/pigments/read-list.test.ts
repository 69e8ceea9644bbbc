import { expect, test } from "vitest";
import { COMMON } from "./common";
import { pigmentById } from "./handbook";
import { LONGEST_LIST, readPaintList } from "./read-list";

const read = (text: string): [string | undefined, boolean][] =>
  readPaintList(text).map(({ candidates: [first], sure }) => [first?.id, sure]);

test("codes and names, however they are parted", () => {
  expect(read("PB29, PR108 / burnt sienna; quin rose PV19\nViridian (PG18)\n- 3. raw umber")).toEqual([
    ["PB29", true],
    ["PR108-light", false],
    ["PBr7-burnt-sienna", true],
    ["PV19-rose", true],
    ["PG18", true],
    ["PBr7-raw-umber", true],
  ]);
});

test("short forms and label words are understood (common practice, no source)", () => {
  const names = readPaintList("quin gold\nphthalo green\nultra\ndiox violet\ncob blue hue 15 ml").map(
    ({ candidates: [first] }) => first?.name,
  );
  expect(names.map((name) => name?.toLowerCase())).toEqual([
    expect.stringContaining("quinacridone gold"),
    expect.stringContaining("phthalo green"),
    expect.stringContaining("ultramarine"),
    expect.stringContaining("dioxazine"),
    expect.stringContaining("cobalt blue"),
  ]);
});

test("a code that several pigments share is not decided alone, and all of them are offered", () => {
  const [violet] = readPaintList("PV19");
  expect(violet!.sure).toBe(false);
  expect(violet!.candidates.map(({ id }) => id).sort()).toEqual(["PV19-red", "PV19-rose", "PV19-violet"]);
  expect(read("PBr7 burnt umber")).toEqual([["PBr7-burnt-umber", true]]);
});

test("several codes are one tube of several pigments under its own name", () => {
  const [sap] = readPaintList("Sap green PG36 PY150");
  expect(sap).toMatchObject({ sure: true });
  expect(sap!.candidates[0]).toMatchObject({ name: "sap green", codes: "PG36 PY150" });
  expect(sap!.candidates[0]!.pigments.map(({ pigmentId }) => pigmentId)).toEqual(["PG36", "PY150"]);
});

test("nonsense, bare numbers and other scripts are told as such, not made a paint; blank lines and rules are passed over", () => {
  expect(readPaintList("\n\n -- \n***\n")).toEqual([]);
  expect(readPaintList("12\nжёлтый\n")).toEqual([
    { words: "12", candidates: [], sure: false },
    { words: "жёлтый", candidates: [], sure: false },
  ]);
  for (const { candidates, sure } of readPaintList("qqxz\nPB999\nPG36 PX12345\n<script>"))
    expect([candidates.length, sure]).toEqual([expect.any(Number), false]);
  expect(readPaintList("PB999")[0]!.candidates).toEqual([]);
  expect(readPaintList("PB29\n".repeat(9000))).toHaveLength(LONGEST_LIST.paints);
});

test("the common ones are all in the handbook, none twice", () => {
  expect(new Set(COMMON).size).toBe(COMMON.length);
  for (const id of COMMON) expect(pigmentById(id).name).not.toBe("");
});
