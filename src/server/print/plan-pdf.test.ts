import { execFileSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { boxWash, CARD, readCard, TEST_PLACES, testedColours } from "@/core/calibration";
import { describeColour } from "@/core/colour";
import { valueOfLuminance } from "@/core/colour/munsell-value";
import { linearOfSrgb } from "@/core/colour/srgb";
import { xyzOfReflectance } from "@/core/colour/xyz";
import { PAPERS } from "@/core/optics";
import { mixWells } from "@/core/planning";
import { printedPlan, printedTest, type PrintedPlan, type PrintedTest } from "@/model/printed-plan";
import { capital } from "@/model/text";
import { puddleSteps } from "@/rooms/desk/plan-step/puddle-words";
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
  marks: [1, 2, 3, 4].map((i) => ({ mark: String(i), name: `Area ${i}`, x: i / 5, y: 0.3, value: 5, of: "dry" })),
  palette: [{ name: "Burnt sienna", codes: "PBr7", measured: true }],
  puddles: Array.from({ length: 8 }, () => ({
    parts,
    from: null,
    mixedMl: 2.4,
    waterMl: 2,
    steps: ["0.37 ml Burnt sienna, 2 ml of water: 2.4 ml, 1 paint : 6 water, for 1 Area 1"],
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
        "3 Burnt sienna + a touch of Őszi kék · Синий; round no. 12",
        "0.37 ml Burnt sienna, 2 ml of water: 2.4 ml, 1 paint : 6 water, for 1 Area 1.",
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

  test("mixed by what the paper says, every wash is as strong as it is planned", async () => {
    // Thin before neat of one mix; a mix that comes of another which is laid nowhere itself.
    const names = ["Ultramarine", "Burnt sienna", "Rose"];
    const mixes = [
      { paints: [0], served: [18, 0], from: null },
      { paints: [0, 1], served: [], from: null },
      { paints: [2, 0, 1], served: [3], from: { well: 1, paints: [1, 2] } },
    ];
    const wells = mixWells(
      mixes.map(({ paints, served, from }) => ({
        parts: paints.map((_, i) => 1 + i),
        served: served.map((waterParts, i) => ({ areaCm2: 40 + 30 * i, filmUm: 40, waterParts })),
        from,
      })),
    );
    const steps = wells.map((well, w) =>
      puddleSteps({
        parts: mixes[w]!.paints.map((p, i) => ({ name: names[p]!, parts: 1 + i })),
        well,
        from: mixes[w]!.from && mixes[w]!.from.well + 1,
        colourAt: (places) => places.map((place) => ({ mark: `${w + 1}${"ab"[place]}`, name: "Wash" })),
      }),
    );
    const path = kept(
      "mixed",
      await planPdf(
        { ...plan, puddles: steps.map((told) => ({ ...plan.puddles[0]!, steps: [...told] })) },
        photo,
        "a4",
      ),
    );
    const text = words(path).replace(/\s+/g, " ");
    const stock: { ml: number; paint: number }[] = [];
    const strengths = new Map<string, number>();
    for (const told of steps.flat()) expect(text).toContain(`${capital(told)}.`);
    steps.forEach((told, w) => {
      const well = { ml: 0, paint: 0 };
      const [first, ...more] = told as [string, ...string[]];
      for (const [, ml, what] of first
        .split(": ")[0]!
        .matchAll(/([\d.]+) ml (of puddle \d+|of water|[A-Z][a-z ]+?)(?=,| and|$)/g)) {
        const from = /of puddle (\d+)/.exec(what!);
        well.ml += Number(ml);
        if (from) well.paint += Number(ml) * (stock[Number(from[1]) - 1]!.paint / stock[Number(from[1]) - 1]!.ml);
        else if (what !== "of water") well.paint += Number(ml);
      }
      stock[w] = { ...well };
      const asItIs = /, for (\d[ab])/.exec(first);
      if (asItIs) strengths.set(asItIs[1]!, well.paint / well.ml);
      for (const step of more) {
        const thin = /take ([\d.]+) ml of it, add ([\d.]+) ml of water: .*for (\d[ab])/.exec(step);
        if (!thin) continue;
        const taken = Number(thin[1]);
        strengths.set(thin[3]!, (taken * (well.paint / well.ml)) / (taken + Number(thin[2])));
      }
    });
    // Two figures of each amount: within a tenth.
    for (const [mark, waterParts] of [
      ["1a", 18],
      ["1b", 0],
      ["3a", 3],
    ] as const)
      expect(Math.abs(strengths.get(mark)! * (1 + waterParts) - 1)).toBeLessThan(0.1);
  });

  test("sixty washes run on over further pages, and nothing is lost", async () => {
    const long = { ...plan, washes: Array.from({ length: 60 }, (_, i) => wash(i)) };
    const path = kept("long", await planPdf(long, photo, "half"));
    const text = words(path);
    for (let i = 1; i <= 60; i++) expect(text).toContain(`Wash number ${i},`);
  });

  test("a test sheet has its mixes, ring and meeting; painted and photographed, its values are read back", async () => {
    const path = kept("test", await testSheetPdf(trial, "a4"));
    expect(info(path)).toMatch(/Pages:\s+1\n/);
    const text = words(path).replace(/\s+/g, " ");
    for (const said of ["Mix 6", "meant 6.2, came out", "printed ones can't be trusted", "Rose", "They meet wet."])
      expect(text).toContain(said);
    execFileSync("pdftoppm", ["-r", "150", "-singlefile", "-png", path, join(folder, "test")]);
    const { width, height } = await sharp(join(folder, "test.png")).metadata();
    // What the places are painted with, as sRGB greys and a blue; the last stays bare. The sheet is lit at 85 %.
    const painted = [220, 180, 140, 100, 60].map((grey) => ({ r: grey, g: grey, b: grey }));
    const perMm = 150 / 25.4;
    const left = (width / perMm - CARD.width) / 2;
    const top = (height / perMm - CARD.height) / 2;
    const layers = painted.map((background, i) => {
      const box = boxWash(TEST_PLACES[i]!, 0);
      const size = { width: Math.round(box.width * perMm), height: Math.round(box.height * perMm) };
      return {
        input: { create: { ...size, channels: 3 as const, background } },
        left: Math.round((left + box.x) * perMm),
        top: Math.round((top + box.y) * perMm),
      };
    });
    const { data } = await sharp(join(folder, "test.png"))
      .composite(layers)
      .linear(0.85, 0)
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const read = readCard({ data, width, height }, { paper: PAPERS[0], kind: "box", rows: [...TEST_PLACES] });
    if ("refused" in read) throw new Error(read.refused.code);
    const values = testedColours(read).map((lab) => lab && describeColour(lab).value);
    const { Y } = xyzOfReflectance(PAPERS[0].reflectance);
    painted.forEach(({ r }, i) => {
      // A grey beside paper: its light against the paper's (IEC 61966-2-1), in the paper's own lightness.
      const expected = valueOfLuminance((Y * linearOfSrgb((0.85 * r) / 255)) / linearOfSrgb(0.85));
      expect(Math.abs(values[i]! - expected)).toBeLessThan(0.15);
    });
    expect(values.slice(5)).toEqual([null, null, null]);
  });

  test("on half a sheet the places still have their size, and a plan without a wash is a page", async () => {
    const path = kept("half", await testSheetPdf({ ...trial, mixes: trial.mixes.slice(0, 3), meeting: null }, "half"));
    expect(words(path)).toContain("Mix 3");
    expect(info(kept("letter", await testSheetPdf(trial, "letter")))).toMatch(/Pages:\s+1\n/);
    const bare = kept("bare", await planPdf({ ...plan, washes: [], puddles: [], paints: [] }, photo, "a4"));
    expect(info(bare)).toMatch(/Pages:\s+1\n/);
  });
});
