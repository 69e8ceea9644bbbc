import Papa from "papaparse";
import { expect, test } from "vitest";
import { lightnessOfValue } from "@/core/colour";
import { readMeasuredColours } from "@/core/formats";
import { entryInFile, logFile, LOG_FILE, readingsFile, swatchesTable } from "./log-file";
import { newLogEntry, newLoggedMix } from "./logbook";
import { DATA_SHAPE } from "./shape";

const uuid = (n: number): string => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const blue = { id: uuid(1), name: "Blue", maker: "", pigments: [{ pigmentId: "PB29", share: 1 }], tintingStrength: 1 };
const lab = { L: 40, a: 5, b: -30 };
const document = newLogEntry({
  kind: "swatch",
  on: "2026-02-03",
  paperId: "cotton-rough",
  title: "Blues",
  paints: [blue],
  mixes: [
    newLoggedMix({
      id: uuid(10),
      name: "glaze",
      parts: [{ paintId: blue.id, parts: 2 }],
      over: { parts: [{ paintId: uuid(2), parts: 1 }], waterParts: 4 },
      read: { lab, by: "meter", photoId: null, at: null },
      wetValue: 3.1,
    }),
    newLoggedMix({
      id: uuid(11),
      parts: [{ paintId: blue.id, parts: 1 }],
      counts: false,
      read: { lab: { L: lightnessOfValue(6), a: 0, b: 0 }, by: "value", photoId: null, at: null },
    }),
    newLoggedMix({ id: uuid(12), parts: [{ paintId: blue.id, parts: 1 }] }),
  ],
});

test("a table says of each swatch what is known of it: a value alone has no L*, what was not read stands empty", () => {
  const { data } = Papa.parse<Record<string, string>>(swatchesTable([{ document }]), { header: true });
  expect(data).toHaveLength(3);
  expect(data[0]).toMatchObject({ over: "1 a paint that is gone", "L*": "40", "value while wet": "3.1" });
  expect(data[0]).toMatchObject({ mix: "2 Blue", pigments: "PB29", "read by": "meter", "learned from": "yes" });
  expect(data[1]).toMatchObject({ "L*": "", value: "6", "read by": "value", "learned from": "no" });
  expect(data[2]).toMatchObject({ "L*": "", value: "", "read by": "" });
});

test("CGATS has the colours that were read, and no values", () => {
  const { colours } = readMeasuredColours(readingsFile([{ document }]));
  expect(colours.map(({ name }) => name)).toEqual(["2026-02-03, glaze, 2 Blue PB29, water 3"]);
});

test("a file of another kind, of a newer version or with an entry that can't be is told as such", () => {
  const file = {
    format: LOG_FILE.format,
    version: LOG_FILE.version,
    photos: [],
  };
  const said = (part: object): string | undefined => logFile.safeParse({ ...file, ...part }).error?.issues[0]?.message;
  expect(said({})).toBeUndefined();
  expect(said({ format: "something else" })).toBe("This is not a logbook's file.");
  expect(said({ version: 2 })).toBe("This logbook's file is of a newer Abendrot.");
  expect(said({ least: DATA_SHAPE })).toBeUndefined();
  expect(said({ least: DATA_SHAPE + 1 })).toBe("This logbook's file is of a newer Abendrot.");
  const entry = { id: uuid(20), binned: false, document };
  expect(entryInFile.safeParse(entry).error).toBeUndefined();
  expect(
    entryInFile.safeParse({ ...entry, document: { ...document, on: "tomorrow" } }).error?.issues[0]?.message,
  ).toContain("date");
});
