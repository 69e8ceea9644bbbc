import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { describe, expect, test } from "vitest";
import { boxWash, CARD, FIDUCIAL_CENTRES, readCard, swatchBox } from "@/core/calibration";
import { PAPERS } from "@/core/optics";
import { findCard } from "@/core/calibration/card/fiducials";
import type { PixelArray } from "@/core/image/pixels";
import { has } from "@/testing/programs";
import { cardPdf, numberOfCard, type CardPrint } from "./card-pdf";
import { runsOf } from "./fonts";

const folder = mkdtempSync(join(tmpdir(), "abendrot-pdf-"));
const paints = [
  { name: "Burnt sienna", codes: "PBr7" },
  { name: "Őszi kék · Синий", codes: "PB29" },
  {
    name: "A name that goes on for as long as the field for names lets it go, and then some more of it",
    codes: "PG36 PY150 PR101",
  },
];
const card: CardPrint = { sheet: "card", of: { id: 292, on: "2026-05-01", paints } };
const boxSheet: CardPrint = {
  sheet: "box",
  of: { id: 7, on: "2026-05-01", paints: Array.from({ length: 23 }, (_, i) => paints[i % paints.length]!) },
};
const DPI = 150;

async function printed(print: CardPrint, page: "a4" | "letter"): Promise<string> {
  const path = join(folder, `${print.sheet}-${print.of === "frame" ? "frame" : print.of.id}-${page}.pdf`);
  writeFileSync(path, await cardPdf(print, page));
  return path;
}
async function drawn(path: string): Promise<PixelArray> {
  execFileSync("pdftoppm", ["-r", String(DPI), "-png", "-singlefile", path, path.replace(/\.pdf$/, "")]);
  const { data, info } = await sharp(readFileSync(path.replace(/\.pdf$/, ".png")))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}

describe.skipIf(!has("pdftoppm"))("the printed card, measured with poppler's tools", () => {
  test.each([
    ["a4", 210, 297],
    ["letter", 215.9, 279.4],
  ] as const)(
    "on %s: one page of the right size, marks where the layout has them to a tenth of a mm, the right number, all fonts in it",
    async (page, width, height) => {
      const path = await printed(card, page);
      const info = execFileSync("pdfinfo", [path], { encoding: "utf8" });
      const [, w, h] = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(info)!;
      expect(Number(w) * (25.4 / 72)).toBeCloseTo(width, 0);
      expect(Number(h) * (25.4 / 72)).toBeCloseTo(height, 0);
      expect(info).toMatch(/Pages:\s+1\n/);
      expect(execFileSync("pdffonts", [path], { encoding: "utf8" })).not.toMatch(/ no +(yes|no) +(yes|no) +\d/);
      const found = findCard(await drawn(path));
      if ("seen" in found) throw new Error(`only ${found.seen} marks`);
      expect(found.pxPerMm).toBeCloseTo(DPI / 25.4, 2);
      FIDUCIAL_CENTRES.forEach((mark, i) => {
        const [x, y] = [
          ((width - CARD.width) / 2 + mark.x) * (DPI / 25.4),
          ((height - CARD.height) / 2 + mark.y) * (DPI / 25.4),
        ];
        expect(Math.hypot(found.marks[i]!.x - x, found.marks[i]!.y - y) / (DPI / 25.4)).toBeLessThan(0.1);
      });
    },
  );

  test("its lines are black where they are read, its swatches white inside, and its number is read", async () => {
    const picture = await drawn(await printed(card, "a4"));
    const read = readCard(picture, { paper: PAPERS[0], rows: [0, 1, 2] });
    // Nothing is painted yet, and pure white paper is what a camera calls burnt out.
    expect(read).toMatchObject({ refused: { code: "burnt out" } });
    const dimmed = { ...picture, data: picture.data.map((v, i) => (i % 4 === 3 ? v : 0.85 * v)) };
    const again = readCard(dimmed, { paper: PAPERS[0], rows: [0, 1, 2] });
    if ("refused" in again) throw new Error(again.refused.code);
    expect(again.number).toBe(numberOfCard(292));
    for (const { refused, places } of again.rows) {
      expect(refused?.code).toMatch(/^bare/);
      expect(places[6]!.reading.lab.L).toBeLessThan(3);
      expect(places[0]!.reading.lab.L).toBeGreaterThan(94);
    }
  });

  test("names stand above their rows, shortened where they are too long, in every alphabet that is shipped", async () => {
    const path = await printed(card, "a4");
    const text = execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" });
    expect(text).toMatch(/Swatch card 292/);
    expect(text).toMatch(/Burnt sienna\s+PBr7/);
    expect(text).toMatch(/Őszi kék · Синий/);
    expect(text).toMatch(/A name that goes on.*…/);
    expect(text).toMatch(/1 paint : 20 water/);
    const boxes = execFileSync("pdftotext", ["-bbox", path, "-"], { encoding: "utf8" });
    const [, y] = /yMin="([\d.]+)"[^>]*>sienna</.exec(boxes)!;
    const top = (297 - CARD.height) / 2 + swatchBox(0, 0).y;
    expect(Number(y) * (25.4 / 72)).toBeLessThan(top);
    expect(Number(y) * (25.4 / 72)).toBeGreaterThan(top - 14);
  });

  test("the frame carries its own number and no black lines, since those are drawn on the sheet", async () => {
    const picture = await drawn(await printed({ sheet: "card", of: "frame" }, "letter"));
    const dimmed = { ...picture, data: picture.data.map((v, i) => (i % 4 === 3 ? v : 0.85 * v)) };
    const read = readCard(dimmed, { paper: PAPERS[0], rows: [0] });
    if ("refused" in read) throw new Error(read.refused.code);
    expect(read.number).toBe(0);
    expect(read.rows[0]!.places[6]!.reading.lab.L).toBeGreaterThan(94);
  });

  test.each(["a4", "letter"] as const)(
    "the box sheet on %s: known as such by its cells, its number read, 23 pairs of washes white inside, names over them",
    async (page) => {
      const path = await printed(boxSheet, page);
      expect(execFileSync("pdfinfo", [path], { encoding: "utf8" })).toMatch(/Pages:\s+1\n/);
      const picture = await drawn(path);
      const dimmed = { ...picture, data: picture.data.map((v, i) => (i % 4 === 3 ? v : 0.85 * v)) };
      const read = readCard(dimmed, { paper: PAPERS[0], rows: Array.from({ length: 24 }, (_, i) => i) });
      if ("refused" in read) throw new Error(read.refused.code);
      expect(read).toMatchObject({ kind: "box", number: 7 });
      for (const { refused, places } of read.rows) {
        expect(refused).toEqual({ code: "bare row" });
        for (const { reading } of places) expect(reading.lab.L).toBeGreaterThan(94);
      }
      const boxes = execFileSync("pdftotext", ["-bbox", path, "-"], { encoding: "utf8" });
      const left = (page === "a4" ? 210 : 215.9) / 2 - CARD.width / 2;
      const words = [...boxes.matchAll(/xMin="([\d.]+)" yMin="[\d.]+" xMax="([\d.]+)"[^>]*>Burnt</g)];
      expect(words.length).toBe(8);
      words.forEach(([, x], i) =>
        expect(Math.abs(Number(x) * (25.4 / 72) - left - boxWash(3 * i, 0).x)).toBeLessThan(0.3),
      );
    },
  );

  test("the box frame: its own kind, number 0, bare within its windows", async () => {
    const picture = await drawn(await printed({ sheet: "box", of: "frame" }, "a4"));
    const dimmed = { ...picture, data: picture.data.map((v, i) => (i % 4 === 3 ? v : 0.85 * v)) };
    const read = readCard(dimmed, { paper: PAPERS[0], rows: [0, 23] });
    if ("refused" in read) throw new Error(read.refused.code);
    expect(read).toMatchObject({ kind: "box", number: 0 });
    for (const { places } of read.rows) for (const { reading } of places) expect(reading.lab.L).toBeGreaterThan(94);
  });
});

test("numbers begin again after 255", () => {
  expect([1, 255, 256, 510, 511].map(numberOfCard)).toEqual([1, 255, 1, 255, 1]);
});

test("text is parted by alphabet; a sign without a letter becomes a question mark", () => {
  expect(runsOf("Őszi, a").map(({ alphabet }) => alphabet)).toEqual(["latin-ext", "latin"]);
  expect(
    runsOf("桜 rose")
      .map(({ text }) => text)
      .join(""),
  ).toBe("? rose");
});
