import { describe, expect, test } from "vitest";
import { readGimpPalette, writeGimpPalette } from "./gimp-palette";
import { readMeasuredColours } from "./spectra-table";
import { guessColumns, PAINT_COLUMNS, readPaintRows, readTable, writeTable } from "./paint-table";
import { readPigments, writePigments } from "./pigment-words";
import { problemOf } from "@/testing/problem-of";
import { decodeText } from "./text";

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const read = (text: string) => {
  const table = readTable(text);
  return readPaintRows(table, guessColumns(table.headers));
};

describe("CSV as RFC 4180 has it", () => {
  test("quoted fields, doubled quotes, commas and line breaks within (sections 2.5 to 2.7), with or without a last line break", () => {
    for (const end of ["", "\r\n"]) {
      const { good, bad } = read(
        `name,pigments,notes\r\n"Blue, deep",PB29,"she said ""violet""\r\nand left"\r\nGreen,PG7,${end}`,
      );
      expect(bad).toEqual([]);
      expect(good).toMatchObject([
        { name: "Blue, deep", notes: 'she said "violet"\r\nand left', fileLine: 2 },
        { name: "Green", fileLine: 4 },
      ]);
    }
  });

  test("semicolons, tabs, a byte-order mark, Latin-1 and UTF-16", () => {
    expect(read("\uFEFFname;pigments;price\nOcker;PY43;3,5\n").good[0]).toMatchObject({ name: "Ocker", price: "3,5" });
    expect(read("name\tpigments\nOcker\tPY43\n").good).toHaveLength(1);
    expect(decodeText(bytes("\uFEFFGrün"))).toBe("Grün");
    expect(decodeText(Uint8Array.from([0x47, 0x72, 0xfc, 0x6e]))).toBe("Grün");
    expect(decodeText(Uint8Array.from([0xff, 0xfe, 0x47, 0x00, 0xfc, 0x00]))).toBe("Gü");
  });

  test("columns in any order under the names that painters use", () => {
    const { good } = read("Brand,Pigment(s),Notes,Colour,Size\nOttermoor,PB29,kind,Ultramarine,15\n");
    expect(good[0]).toMatchObject({
      name: "Ultramarine",
      maker: "Ottermoor",
      sizeMl: "15",
      notes: "kind",
      pigments: [{ pigmentId: "PB29", share: 1 }],
    });
    expect(guessColumns(["x", "y"])).toEqual(Object.fromEntries(PAINT_COLUMNS.map((column) => [column, -1])));
  });

  test("bad rows are told by line and problem, good ones are offered, blank ones passed over", () => {
    const { good, bad } = read("name,pigments\nBlue,PB29\n,PG7\n\nOdd,PX12\nNone,\nWords,blue stuff\nGreen,PG7\n");
    expect(good.map(({ name }) => name)).toEqual(["Blue", "Green"]);
    expect(bad.map(({ line }) => line)).toEqual([3, 5, 6, 7]);
    expect(bad.map(({ problem }) => problem)).toEqual([
      { code: "no name" },
      { code: "unknown pigment", paint: "Odd", written: "PX12" },
      { code: "no pigment", paint: "None" },
      { code: "no index name", paint: "Words", piece: "blue stuff" },
    ]);
  });

  test("no cell is a formula to a spreadsheet, and every text comes back as it was", () => {
    const notes = ["=1+1", "+49 30", "-5 left", "@home", "'=x", "''+y", "'quoted'", "plain", "a=b"];
    const text = writeTable(
      notes.map((note, i) => ({ name: `Paint ${i}`, notes: note, pigments: [{ pigmentId: "PB29", share: 1 }] })),
    );
    const cells = readTable(text).rows.map((row) => row[PAINT_COLUMNS.indexOf("notes")]);
    expect(cells.filter((cell) => /^[=+\-@\t\r]/.test(cell!))).toEqual([]);
    expect(read(text).good.map((row) => row.notes)).toEqual(notes);
  });

  test("a table beyond the limit is refused; blanks and blank lines in masses take no time to speak of", () => {
    expect(problemOf(() => readTable("name\na\nb\nc\n", 2))).toEqual({ code: "too many lines", most: 2 });
    expect(readTable("name\na\nb\n", 2).rows).toHaveLength(2);
    const [blanks, lines] = [" ".repeat(300_000), "\n".repeat(300_000)];
    // Patterns that try every beginning anew take minutes over these: the test's own limit ends them.
    expect(read(`name,pigments\nBlue,PB29\n${lines}Green,PG7${lines}`).good).toHaveLength(2);
    expect(readPigments(`PB29${" ".repeat(300)}x`, "x")).toMatchObject({
      problem: { code: "no index name" },
    });
    expect(readPigments(`PB29${blanks}x`, "x")).toMatchObject({ problem: { code: "pigments too long" } });
    expect(read(`name,pigments\nBlue,PB29${blanks}x\n`).bad).toMatchObject([
      { line: 2, problem: { code: "cell too long" } },
    ]);
    expect(() => readGimpPalette(`GIMP Palette\n${lines}1 2 3${blanks}x y`)).not.toThrow();
    expect(problemOf(() => readMeasuredColours(`a,b\n${lines}${blanks}BEGIN\n`))).toEqual({ code: "no colours named" });
  });

  test("what is no table is refused", () => {
    for (const text of ["", "name,pigments", "\n\n"])
      expect(problemOf(() => readTable(text))).toEqual({ code: "no table" });
  });

  test("what we write we read back: 2,000 paints", () => {
    const paints = Array.from({ length: 2000 }, (_, i) => ({
      name: `Paint "${i}", number`,
      maker: "Fenn & Rook",
      notes: i % 3 ? "" : "two\nlines",
      price: i / 4,
      pigments:
        i % 2
          ? [{ pigmentId: "PBr7-raw-umber", share: 1 }]
          : [
              { pigmentId: "PB29", share: 0.6 },
              { pigmentId: "PBk9", share: 0.4 },
            ],
    }));
    const { good, bad } = read(writeTable(paints));
    expect(bad).toEqual([]);
    expect(good.map(({ name, notes = "", price }) => [name, notes, Number(price)])).toEqual(
      paints.map(({ name, notes, price }) => [name, notes, price]),
    );
    expect(good[0]!.pigments.map(({ pigmentId, share }) => [pigmentId, share / 100])).toEqual([
      ["PB29", 0.6],
      ["PBk9", 0.4],
    ]);
    expect(good[1]!.pigments[0]!.pigmentId).toBe("PBr7-raw-umber");
  });
});

describe("pigments as they are written", () => {
  const ids = (cell: string, name = "x"): unknown => {
    const found = readPigments(cell, name);
    return "pigments" in found
      ? found.pigments.map(({ pigmentId, share }) => (share === 1 ? pigmentId : `${pigmentId} ${share}`))
      : found.problem.code;
  };
  test.each([
    ["PB29", ["PB29"]],
    ["pb 29", ["PB29"]],
    ["PB29, PG7", ["PB29", "PG7"]],
    ["PB29/PBk9", ["PB29", "PBk9"]],
    ["PB29 and PG7", ["PB29", "PG7"]],
    ["PB29 60% + PBk9 40 %", ["PB29 60", "PBk9 40"]],
    ["PB29 (60,5)", ["PB29 60.5"]],
    ["PB29; PB29", ["PB29"]],
    ["NR9", ["NR9"]],
  ] as const)("%s", (cell, expected) => expect(ids(cell)).toEqual(expected));

  test("a code with several shades takes the one that fits the paint's name", () => {
    expect(ids("PBr7", "Burnt umber")).toEqual(["PBr7-burnt-umber"]);
    expect(ids("PBr7", "Raw sienna, old")).toEqual(["PBr7-raw-sienna"]);
    expect(ids("PV19", "Permanent rose")).toEqual(["PV19-rose"]);
    expect(ids("PB15", "Phthalo blue red shade")).toEqual(["PB15-red-shade"]);
  });

  test("written and read back, faults told", () => {
    const mix = [
      { pigmentId: "PB29", share: 0.5 },
      { pigmentId: "PR101-indian-red", share: 0.125 },
    ];
    expect(ids(writePigments(mix))).toEqual(["PB29 50", "PR101-indian-red 12.5"]);
    expect(ids("PB29 0")).toBe("share not above 0");
  });
});

test("a GIMP palette is what the format's description asks for", () => {
  const text = writeGimpPalette("Pump\nhouse", [{ rgb: [1, 22, 255], name: "Ultramarine\tdeep" }]);
  expect(text).toBe("GIMP Palette\nName: Pump house\nColumns: 4\n#\n  1  22 255\tUltramarine deep\n");
});

describe("reading GIMP palettes", () => {
  test("colours with their names, as the format's own description has them; comments and settings are passed over", () => {
    const text =
      "GIMP Palette\nName: Field box\nColumns: 4\n#\n  8  24 160\tPB29\n240 200  30\tYellow ochre\r\n# a remark\n 10  10  10\tUntitled\n";
    const table = readGimpPalette(text)!;
    expect(table.headers).toEqual(["name", "pigments", "notes"]);
    const { good, bad } = readPaintRows(table, guessColumns(table.headers));
    expect(good.map(({ name, pigments, fileLine }) => [name, pigments[0]!.pigmentId, fileLine])).toEqual([
      ["PB29", "PB29", 5],
      ["Yellow ochre", "PY43", 6],
    ]);
    expect(good[0]!.notes).toContain("8 24 160");
    expect(bad).toMatchObject([{ line: 8 }]);
  });

  test("what is written is read back; another text is no palette, and a wrong line is told", () => {
    const written = writeGimpPalette("Box", [{ name: "Viridian", rgb: [0, 90, 80] }]);
    expect(readGimpPalette(written)!.rows.filter(([name]) => name !== "")).toEqual([
      ["Viridian", "PG18", expect.stringContaining("0 90 80")],
    ]);
    expect(readGimpPalette("name,pigments\nA,PB29")).toBeNull();
    expect(problemOf(() => readGimpPalette("GIMP Palette\n300 0 0 Too red"))).toEqual({
      code: "no palette colour",
      line: 2,
    });
  });
});
