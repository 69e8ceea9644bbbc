import { expect, test } from "vitest";
import { COMMON } from "./common";
import { pigmentById } from "./handbook";
import { LONGEST_LIST, readPaintList } from "./read-list";

const read = (text: string): [string | undefined, boolean][] =>
  readPaintList(text).paints.map(({ candidates: [first], sure }) => [first?.id, sure]);

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
  const names = readPaintList("quin gold\nphthalo green\nultra\ndiox violet\ncob blue hue 15 ml").paints.map(
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
  const [violet] = readPaintList("PV19").paints;
  expect(violet!.sure).toBe(false);
  expect(violet!.candidates.map(({ id }) => id).sort()).toEqual(["PV19-red", "PV19-rose", "PV19-violet"]);
  expect(read("PBr7 burnt umber")).toEqual([["PBr7-burnt-umber", true]]);
});

test("several codes are one tube of several pigments under its own name", () => {
  const [sap] = readPaintList("Sap green PG36 PY150").paints;
  expect(sap).toMatchObject({ sure: true, name: "Sap green" });
  expect(sap!.candidates[0]).toMatchObject({ codes: "PG36 PY150" });
  expect(sap!.candidates[0]!.pigments.map(({ pigmentId }) => pigmentId)).toEqual(["PG36", "PY150"]);
});

test("nonsense, bare numbers and other scripts are told as such, not made a paint; blank lines and rules are passed over", () => {
  expect(readPaintList("\n\n -- \n***\n").paints).toEqual([]);
  expect(readPaintList("12\nжёлтый\n").paints).toMatchObject([
    { words: "12", candidates: [], sure: false },
    { words: "жёлтый", candidates: [], sure: false },
  ]);
  for (const { candidates, sure } of readPaintList("qqxz\nPB999\nPG36 PX12345\n<script>").paints)
    expect([candidates.length, sure]).toEqual([expect.any(Number), false]);
  expect(readPaintList("PB999").paints[0]!.candidates).toEqual([]);
});

test("as much is read as a box holds, and what is beyond is told", () => {
  const { paints, unread } = readPaintList("PB29\n".repeat(2500));
  expect([paints.length, unread.paints, unread.letters]).toEqual([LONGEST_LIST.paints, 500, 0]);
  expect(readPaintList("x".repeat(LONGEST_LIST.letters + 7)).unread.letters).toBe(7);
  expect(readPaintList("PB29, ".repeat(2100)).unread.paints).toBe(100);
});

/** Lines as painters write them: name, maker, ids of what is in it, and whether that is sure. */
const AS_WRITTEN: readonly (readonly [string, ...(readonly [string, string, string, boolean])[]])[] = [
  ["Harbour fog (grey) PB29, PBk6, PV19", ["Harbour fog (grey)", "", "PB29 PBk6 PV19-rose", false]],
  ["Harbour fog (grey), Ottermoor, PB29, PBk6", ["Harbour fog (grey)", "Ottermoor", "PB29 PBk6", true]],
  ["Name, maker, PG7", ["Name", "maker", "PG7", true]],
  ["Iron hexacyanoferrate blue, Ottermoor, PB27", ["Iron hexacyanoferrate blue", "Ottermoor", "PB27", true]],
  ["Iron hexacyanoferrate blue PB27", ["Iron hexacyanoferrate blue", "", "PB27", true]],
  ["Evening rose; Ottermoor; PR122", ["Evening rose", "Ottermoor", "PR122", true]],
  ["Evening rose | PR122", ["Evening rose", "", "PR122", true]],
  ["Winter light (blue, grey), PB28", ["Winter light (blue, grey)", "", "PB28", true]],
  ["Viridian (PG18)", ["Viridian", "", "PG18", true]],
  ["Viridian [PG18]", ["Viridian", "", "PG18", true]],
  ["Viridian, PG18", ["Viridian", "", "PG18", true]],
  ["viridian pg 18", ["viridian", "", "PG18", true]],
  ["PG18 Viridian", ["Viridian", "", "PG18", true]],
  ["PG18: Viridian", ["Viridian", "", "PG18", true]],
  ["- 3. Raw umber", ["Raw umber", "", "PBr7-raw-umber", true]],
  ["Burnt sienna PBr7", ["Burnt sienna", "", "PBr7-burnt-sienna", true]],
  ["PBr7", ["", "", "PBr7-raw-sienna", false]],
  ["Mud PBr7 PB29", ["Mud", "", "PBr7-raw-sienna PB29", false]],
  ["Burnt mud PBr7 PB29", ["Burnt mud", "", "PBr7-burnt-sienna PB29", false]],
  ["Sap green, PG36, PY150", ["Sap green", "", "PG36 PY150", true]],
  ["Sap green (PG36 + PY150)", ["Sap green", "", "PG36 PY150", true]],
  ["Sap green PG36/PY150", ["Sap green", "", "PG36 PY150", true]],
  ["Sap green", ["Sap green", "", "PG7 PY150 PR101-transparent", true]],
  ["Night sky (PB15:3 + PBk7), half pan", ["Night sky", "", "PB15-green-shade PBk7", false]],
  ["Cobalt blue hue 15 ml PB29 PW6", ["Cobalt blue hue", "", "PB29 PW6", false]],
  ["quin gold", ["quin gold", "", "PO49", true]],
  ["Quin rose PV19", ["Quin rose", "", "PV19-rose", true]],
  ["PV19", ["", "", "PV19-rose", false]],
  ["PV19 violet", ["violet", "", "PV19-violet", true]],
  [
    "ultramarine, PR108, PY3",
    ["ultramarine", "", "PR259", false],
    ["", "", "PR108-light", false],
    ["", "", "PY3", true],
  ],
  ["burnt sienna, viridian", ["burnt sienna", "", "PBr7-burnt-sienna", true], ["viridian", "", "PG18", true]],
  ["Viridian PG18, Ultramarine PB29", ["Viridian", "", "PG18", true], ["Ultramarine", "", "PB29", true]],
  ["PB29, PG18", ["", "", "PB29", true], ["", "", "PG18", true]],
  ["PB29; PG18", ["", "", "PB29", true], ["", "", "PG18", true]],
  ["PB29 / PG18", ["", "", "PB29", true], ["", "", "PG18", true]],
  ["PB29 · burnt sienna", ["", "", "PB29", true], ["burnt sienna", "", "PBr7-burnt-sienna", true]],
  ["Neutral tint", ["Neutral tint", "", "PBk6 PB15-red-shade PV19-violet", true]],
  ["Titanium white PW6, tube, 37 ml", ["Titanium white", "", "PW6", true]],
  ["Ochre light, PY43", ["Ochre light", "", "PY43", true]],
  ["My own green: PG7 PY150", ["My own green", "", "PG7 PY150", true]],
  ["Potter's “pink” PR233", ["Potter's “pink”", "", "PR233", true]],
  ["Grün, Ottermoor, PG36", ["Grün", "Ottermoor", "PG36", true]],
  ["夕方 PB60", ["夕方", "", "PB60", true]],
  ["PB999", ["", "", "", false]],
  ["Something PX12", ["Something PX12", "", "", false]],
  ["Odd one, Ottermoor, PB999", ["Odd one", "Ottermoor", "", false]],
  ["Ottermoor", ["Ottermoor", "", "", false]],
  ["pyrrole red", ["pyrrole red", "", "PR254", true]],
  ["cad yellow deep", ["cad yellow deep", "", "PY35-deep", true]],
  ["3 × half pan: Cobalt blue, PB28", ["Cobalt blue", "", "PB28", true]],
];

test.each(AS_WRITTEN.map(([line, ...expected]) => ({ line, expected })))("$line", ({ line, expected }) => {
  expect(
    readPaintList(line).paints.map(({ name, maker, candidates, sure }) => [
      name,
      maker,
      candidates[0]?.pigments.map(({ pigmentId }) => pigmentId).join(" ") ?? "",
      sure,
    ]),
  ).toEqual(expected);
});

test("the common ones are all in the handbook, none twice", () => {
  expect(new Set(COMMON).size).toBe(COMMON.length);
  for (const id of COMMON) expect(pigmentById(id).name).not.toBe("");
});
