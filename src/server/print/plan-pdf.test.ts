import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { printedPlan, printedTest, type PrintedPlan, type PrintedTest } from "@/model/printed-plan";
import { has } from "@/testing/programs";
import { planPdf } from "./plan-pdf";
import { testSheetPdf } from "./test-sheet-pdf";

const folder = mkdtempSync(join(tmpdir(), "abendrot-plan-"));
const parts = [
  { name: "Burnt sienna", parts: 3 },
  { name: "Őszi kék · Синий", parts: 0.3 },
];
const wash = (i: number): PrintedPlan["washes"][number] => ({
  startMin: 12 * i,
  minutes: 4,
  dryMin: 25,
  waitMin: i % 3 === 0 ? 8 : 0,
  mark: String(i + 1),
  name: `Wash number ${i + 1}`,
  task: "first wash",
  areaCm2: 90,
  brush: "round no. 12",
  mixes: [{ parts, strength: "half (1 paint : 6 water)" }],
  mind: ["Leave a hairline of dry paper to the sky."],
});
const plan: PrintedPlan = printedPlan.parse({
  title: "The far dyke",
  photoId: "a".repeat(64),
  on: "2026-05-01",
  madeFor: "for natural white cotton, 300 g/m², 38 × 25 cm",
  trust: "None of these paints is measured.",
  outlines: [
    [0, 0.5, 1, 0.5],
    [0.5, 0, 0.5, 1],
  ],
  marks: [1, 2, 3, 4].map((i) => ({ mark: String(i), name: `Area ${i}`, x: i / 5, y: 0.3, value: 5 })),
  palette: [{ name: "Burnt sienna", codes: "PBr7", measured: true }],
  puddles: Array.from({ length: 8 }, () => ({
    parts,
    mixedMl: 2.4,
    waterMl: 2,
    brush: "round no. 12",
    serves: ["1 Area 1: half (1 paint : 6 water)"],
  })),
  washes: Array.from({ length: 16 }, (_, i) => wash(i)),
  totalMin: 192,
  paints: [{ name: "Burnt sienna", ml: 1.2, out: "7.5 cm" }],
  cautions: ["The label decides."],
});
const trial: PrintedTest = printedTest.parse({
  title: "The far dyke",
  on: "2026-05-01",
  madeFor: "for natural white cotton",
  mixes: Array.from({ length: 6 }, (_, i) => ({
    parts,
    strength: "half (1 paint : 6 water)",
    mark: String(i + 1),
    name: `Mix ${i + 1}`,
    value: 6.2,
    why: "much hangs on it",
  })),
  ring: ["Yellow", "Red", "Rose", "Blue", "Green"],
  meeting: { one: "Sky", two: "Cloud", why: "They meet wet." },
});

let photo: { bytes: Buffer; aspect: number };
beforeAll(async () => {
  const image = sharp({ create: { width: 300, height: 200, channels: 3, background: "#445566" } });
  photo = { bytes: await image.jpeg().toBuffer(), aspect: 1.5 };
});

function kept(name: string, bytes: Buffer): string {
  const path = join(folder, `${name}.pdf`);
  writeFileSync(path, bytes);
  return path;
}
const info = (path: string): string => execFileSync("pdfinfo", [path], { encoding: "utf8" });
const words = (path: string): string => execFileSync("pdftotext", ["-layout", path, "-"], { encoding: "utf8" });

describe.skipIf(!has("pdftoppm"))("plans on paper, read with poppler's tools", () => {
  test.each([
    ["a4", 210, 297],
    ["letter", 215.9, 279.4],
  ] as const)(
    "a plan on %s has one or two pages of that size, its fonts in it, and says everything",
    async (page, w, h) => {
      const path = kept(`plan-${page}`, await planPdf(plan, photo, page));
      const [, pages] = /Pages:\s+(\d+)/.exec(info(path))!;
      expect(Number(pages)).toBeLessThanOrEqual(2);
      const [, width, height] = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(info(path))!;
      expect(Number(width) * (25.4 / 72)).toBeCloseTo(w, 0);
      expect(Number(height) * (25.4 / 72)).toBeCloseTo(h, 0);
      expect(execFileSync("pdffonts", [path], { encoding: "utf8" })).not.toMatch(/ no +(yes|no) +(yes|no) +\d/);
      const text = words(path).replace(/\s+/g, " ");
      for (const said of [
        "The far dyke",
        "Planned 2026-05-01, for natural white cotton, 300 g/m²",
        "3 Burnt sienna + a touch of Őszi kék · Синий: 2.4 ml, 2 of it water",
        "Burnt sienna (PBr7, measured)",
        "16 Wash number 16, first wash",
        "3:12 in all",
        "4 min, round no. 12, dry 25 min later. Leave a hairline of dry paper to the sky.",
        "The label decides.",
      ])
        expect(text).toContain(said);
      expect(execFileSync("pdfimages", ["-list", path], { encoding: "utf8" })).toMatch(/ 300 +200 /);
    },
  );

  test("sixty washes run on over further pages, and nothing is lost", async () => {
    const long = { ...plan, washes: Array.from({ length: 60 }, (_, i) => wash(i)) };
    const path = kept("long", await planPdf(long, photo, "half"));
    for (let i = 1; i <= 60; i++) expect(words(path)).toContain(`Wash number ${i},`);
  });

  test("a test sheet has places of 56 by 20 mm, each with its mix, the ring and the meeting", async () => {
    const path = kept("test", await testSheetPdf(trial, "a4"));
    expect(info(path)).toMatch(/Pages:\s+1\n/);
    const text = words(path).replace(/\s+/g, " ");
    for (const said of ["Mix 6", "meant 6.2", "printed swatches can't be trusted", "Rose", "They meet wet."])
      expect(text).toContain(said);
    execFileSync("pdftoppm", ["-r", "254", "-gray", "-singlefile", "-png", path, join(folder, "test")]);
    const { data, info: size } = await sharp(join(folder, "test.png"))
      .extractChannel(0)
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Ten pixels are a millimetre: how far the first place's sides lie apart, measured along a line through it.
    const top = Array.from({ length: size.height }, (_, y) => y).find((y) => {
      let dark = 0;
      for (let x = 130; x < 670; x++) if (data[y * size.width + x]! < 200) dark++;
      return dark > 530;
    })!;
    const row = Array.from({ length: 800 }, (_, x) => data[(top + 60) * size.width + x]!);
    const sides = row.flatMap((v, x) => (v < 200 && row[x - 1]! >= 200 ? [x] : [])).filter((x) => x < 690);
    expect((sides[1]! - sides[0]!) / 10).toBeCloseTo(56, 0);
  });

  test("on half a sheet the places still have their size, and a plan without a wash is a page", async () => {
    const path = kept("half", await testSheetPdf({ ...trial, mixes: trial.mixes.slice(0, 3), meeting: null }, "half"));
    expect(words(path)).toContain("Mix 3");
    const bare = kept("bare", await planPdf({ ...plan, washes: [], puddles: [], paints: [] }, photo, "a4"));
    expect(info(bare)).toMatch(/Pages:\s+1\n/);
  });
});
