import { expect, test } from "vitest";
import {
  guessColumns,
  paletteName,
  readGimpPalette,
  readPaintRows,
  readTable,
  writeGimpPalette,
  type RawTable,
} from "@/core/formats";
import { seededRandom } from "@/core/numeric/random";
import { CONVENIENCE_MIXES, HANDBOOK, readPaintList } from "@/core/pigments";
import { tableOf } from "@/rooms/paintbox/exchange";
import { entriesOfJson, entryOfRow } from "./import";
import { newPaint, paintForm, paintStatus, type PaintEntry } from "./paintbox";

const NAMES = ["Blue, deep", '"Dusk"', "=1+1", "'tis grey", "Grün [hell]", "夕方", "PR108", "Red (PR254)", "-", "and"];

/** Everything that the program writes of a paint, each word of it somewhere: every pigment, status and form. */
function everyPaint(): PaintEntry[] {
  const random = seededRandom(12);
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const mixes = [
    ...HANDBOOK.map(({ id, name }) => ({ name, pigments: [{ pigmentId: id, share: 1 }] })),
    ...CONVENIENCE_MIXES,
    ...HANDBOOK.map(({ id, code }) => ({
      name: code,
      pigments: [id, ...(id === "PB29" ? [] : ["PB29"])].map((pigmentId) => ({ pigmentId, share: 0.5 })),
    })),
  ];
  return mixes.flatMap(({ name, pigments }, i) =>
    [name, NAMES[i % NAMES.length]!].map((called) =>
      newPaint({
        id: crypto.randomUUID(),
        name: called,
        pigments: [...pigments],
        maker: one(["", "Ottermoor", "+ & Söhne"]),
        line: one(["", "Third"]),
        status: paintStatus.options[i % paintStatus.options.length]!,
        form: paintForm.options[i % paintForm.options.length]!,
        sizeMl: one([null, 5, 37.5]),
        left: one([null, 0, 0.25, 1]),
        price: one([null, 0, 9.75]),
        currency: one(["", "EUR"]),
        boughtOn: one([null, "2025-03-04"]),
        batch: one(["", "2024-B", "012"]),
        tintingStrength: one([1, 0.35, 2.5]),
        label: {
          transparency: one(["", "semi-opaque"]),
          staining: one(["", "low, lifts"]),
          granulation: one(["", "yes"]),
          lightfastness: one(["", "I", "ASTM II"]),
        },
        notes: one(["", 'a\nb, "c"', "@home", "50 %"]),
        favourite: random() < 0.5,
      }),
    ),
  );
}

const rowsOf = (table: RawTable): PaintEntry[] => {
  const { good, bad } = readPaintRows(table, guessColumns(table.headers));
  expect(bad).toEqual([]);
  return good.map((row) => {
    const entry = entryOfRow(row, "2026-12-01");
    if ("reason" in entry) throw new Error(entry.reason);
    return entry;
  });
};
/** What is in a paint, as shares of the whole. */
const inIt = ({ pigments }: Pick<PaintEntry, "pigments">): Record<string, number> => {
  const total = pigments.reduce((sum, { share }) => sum + share, 0);
  return Object.fromEntries(pigments.map(({ pigmentId, share }) => [pigmentId, Number((share / total).toFixed(4))]));
};

test("out as CSV and in again: every pigment, name and word of every paint is the same", () => {
  const paints = everyPaint();
  const back = rowsOf(readTable(tableOf(paints)));
  expect(back).toHaveLength(paints.length);
  paints.forEach((paint, i) => {
    expect(inIt(back[i]!)).toEqual(inIt(paint));
    expect({ ...back[i]!, id: "", pigments: [] }).toEqual({ ...paint, id: "", pigments: [] });
  });
});

test("out as JSON and in again", () => {
  const paints = everyPaint();
  const back = entriesOfJson(JSON.stringify({ paints, boxes: [] }))!;
  expect(back.map((paint) => ({ ...paint, id: "" }))).toEqual(paints.map((paint) => ({ ...paint, id: "" })));
});

test("out as a GIMP palette and in again: the names, and what is in them", () => {
  const paints = everyPaint();
  const text = writeGimpPalette(
    "Paintbox",
    paints.map((paint) => ({ name: paletteName(paint), rgb: [1, 2, 3] })),
  );
  const back = rowsOf(readGimpPalette(text)!);
  expect(back.map(({ name }) => name)).toEqual(paints.map(({ name }) => name));
  expect(back.map(inIt)).toEqual(paints.map(inIt));
});

test("pasted as it is called, with its code: the very pigment, or a question that has it among its answers", () => {
  for (const { id, name, code } of HANDBOOK)
    for (const line of [`${name} ${code}`, `${code} ${name}`, `${name}, ${code}`, `${name} (${code})`, id]) {
      const { paints } = readPaintList(line);
      expect(paints, line).toHaveLength(1);
      const [{ sure, candidates }] = paints as [(typeof paints)[0]];
      if (sure) expect([line, candidates[0]!.id]).toEqual([line, id]);
      else expect(candidates.map((one) => one.id)).toContain(id);
      if (line !== id) expect([line, paints[0]!.name]).toEqual([line, name]);
    }
});
