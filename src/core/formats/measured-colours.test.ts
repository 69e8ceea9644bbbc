import { tripleOf } from "../numeric/tuples";
import { execFileSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { converter } from "culori";
import { describe, expect, test } from "vitest";
import { problemOf } from "@/testing/problem-of";
import { has } from "@/testing/programs";
import { predict } from "../mixing/predict";
import { paintModel } from "../mixing/paint";
import { PAPERS } from "../optics/paper";
import { WEIGHTS_D50 } from "../colour/cie-tables";
import { spectrumOf, WAVELENGTHS_NM } from "../colour/bands";
import { deltaE00 } from "../colour/difference";
import { resample } from "../colour/resample";
import { readCgats, writeCgats } from "./cgats";
import { labOfReflectanceD50, labUnderD50, labUnderD65, wavelengthIn, WHITE_D50 } from "./measured-colours";
import { readMeasuredColours } from "./spectra-table";

const folder = mkdtempSync(join(tmpdir(), "abendrot-cgats-"));
const washes = [1, 0.4, 0.1].map((load, i) => {
  const { dry, dryReflectance } = predict(
    [{ paint: paintModel("PB29", [{ pigmentId: "PB29", share: 1 }]), parts: 1 }],
    load,
    PAPERS[0],
  );
  return { name: `wash ${i + 1}`, lab: dry, reflectance: dryReflectance };
});

describe("CGATS text", () => {
  test("is read back as it was written, spectra and Lab", () => {
    const { colours, white } = readCgats(writeCgats(washes, { DESCRIPTOR: 'Ultramarine, "own"' }));
    expect(white).toBe("D50");
    expect(colours.map(({ name }) => name)).toEqual(["wash 1", "wash 2", "wash 3"]);
    colours.forEach(({ reflectance, lab }, i) => {
      reflectance!.forEach((r, band) => expect(r).toBeCloseTo(washes[i]!.reflectance[band]!, 5));
      expect(deltaE00(lab!, labOfReflectanceD50(washes[i]!.reflectance))).toBeLessThan(0.01);
    });
  });

  test.skipIf(!has("colverify"))(
    "ours is read by argyll's colverify, which sums its spectra to the Lab that we wrote",
    () => {
      const [whole, spectra] = [join(folder, "whole.txt"), join(folder, "spectra.txt")];
      const text = writeCgats(washes);
      writeFileSync(whole, text);
      // Without its Lab columns argyll has to go by the spectra.
      writeFileSync(
        spectra,
        text
          .replace(" LAB_L LAB_A LAB_B", "")
          .replace("FIELDS 41", "FIELDS 38")
          .replace(/^(\d+ "[^"]*")(?: \S+){3}/gm, "$1"),
      );
      const told = execFileSync("colverify", [whole, spectra], {
        encoding: "utf8",
        stdio: ["ignore", "pipe", "ignore"],
      });
      const [, peak, mean] = /Total errors:\s+peak = ([\d.]+), avg = ([\d.]+)/.exec(told)!;
      expect(Number(mean)).toBeLessThan(0.5);
      expect(Number(peak)).toBeLessThan(1);
    },
  );

  test.skipIf(!has("txt2ti3"))("a chart that argyll's txt2ti3 and spec2cie made of spectra is read", () => {
    const head = [
      "CGATS.17",
      'ORIGINATOR "a test"',
      `NUMBER_OF_FIELDS ${4 + 36}`,
      "BEGIN_DATA_FORMAT",
      `SAMPLE_ID RGB_R RGB_G RGB_B ${WAVELENGTHS_NM.map((nm) => `nm${nm}`).join(" ")}`,
      "END_DATA_FORMAT",
      "NUMBER_OF_SETS 2",
      "BEGIN_DATA",
    ];
    const rows = washes
      .slice(0, 2)
      .map(({ reflectance }, i) => [i + 1, 20 * i, 30, 200, ...Array.from(reflectance, (r) => r.toFixed(5))].join(" "));
    writeFileSync(join(folder, "chart.txt"), [...head, ...rows, "END_DATA", ""].join("\n"));
    execFileSync("txt2ti3", [join(folder, "chart.txt"), join(folder, "chart")], { stdio: "ignore" });
    execFileSync("spec2cie", [join(folder, "chart.ti3"), join(folder, "lab.ti3")], { stdio: "ignore" });
    const { colours } = readCgats(readFileSync(join(folder, "lab.ti3"), "utf8"));
    expect(colours).toHaveLength(2);
    colours.forEach(({ reflectance }, i) =>
      reflectance!.forEach((r, band) => expect(r).toBeCloseTo(washes[i]!.reflectance[band]!, 4)),
    );
  });

  const chart = "/usr/share/color/argyll/ref/ColorChecker.cie";
  test.skipIf(!existsSync(chart))("argyll's reference file of a chart is read: 24 colours under D50", () => {
    const { colours, white } = readCgats(readFileSync(chart, "utf8"));
    expect(white).toBe("D50");
    expect(colours).toHaveLength(24);
    expect(colours[0]).toMatchObject({ name: "A01", lab: { L: 37.99, a: 13.56, b: 14.06 } });
  });

  test("without spectra Lab goes out relative to D50 and comes back", () => {
    const { colours } = readCgats(writeCgats([{ name: "typed", lab: { L: 40, a: 20, b: -30 } }]));
    const back = labUnderD65(colours[0]!.lab!, "D50");
    expect(Math.hypot(back.L - 40, back.a - 20, back.b + 30)).toBeLessThan(1e-3);
  });

  test("a file without spectra gives Lab; quoted names, comments and Windows line ends are understood", () => {
    const text = [
      "CGATS.17",
      "# a comment",
      "BEGIN_DATA_FORMAT",
      "SAMPLE_ID SAMPLE_NAME LAB_L LAB_A LAB_B",
      "END_DATA_FORMAT",
      "BEGIN_DATA",
      '1 "burnt sienna, pale" 82.1 9.5 20.25',
      "2 neat 40 20 18.5",
      "END_DATA",
    ].join("\r\n");
    expect(readMeasuredColours(text).colours).toEqual([
      { name: "burnt sienna, pale", lab: { L: 82.1, a: 9.5, b: 20.25 }, reflectance: undefined },
      { name: "neat", lab: { L: 40, a: 20, b: 18.5 }, reflectance: undefined },
    ]);
  });

  test.each([
    [
      "a lost end",
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L\nEND_DATA_FORMAT\nBEGIN_DATA\n1 40\n",
      { code: "section missing", begin: "BEGIN_DATA", end: "END_DATA" },
    ],
    [
      "rows that don't come out even",
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 40 2\nEND_DATA\n",
      { code: "ragged rows", values: 3, fields: 4 },
    ],
    [
      "no colours",
      "BEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R\nEND_DATA_FORMAT\nBEGIN_DATA\n1 40\nEND_DATA\n",
      { code: "neither spectra nor lab" },
    ],
    [
      "letters for numbers",
      "BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 40 x 2\nEND_DATA\n",
      { code: "lab is no number", in: "row", at: 1 },
    ],
  ])("%s is told", (_, text, problem) => {
    expect(problemOf(() => readCgats(text))).toEqual(problem);
  });
});

describe("CSV of measured colours", () => {
  const rows = (values: (nm: number) => number, step = 10): string => {
    const nm = Array.from({ length: Math.floor(350 / step) + 1 }, (_, i) => 380 + i * step);
    return `name;${nm.map((w) => `${w} nm`).join(";")}\nneat;${nm.map((w) => values(w).toFixed(3)).join(";")}\n`;
  };
  test("spectra in rows, as shares or per cents, by 5, 10 or 20 nm", () => {
    const curve = (nm: number): number => 0.1 + 0.6 / (1 + Math.exp((560 - nm) / 25));
    for (const step of [5, 10, 20]) {
      for (const times of [1, 100]) {
        const { name, reflectance } = readMeasuredColours(rows((nm) => times * curve(nm), step)).colours[0]!;
        expect(name).toBe("neat");
        reflectance!
          .slice(0, 35)
          .forEach((r, i) => expect(Math.abs(r - curve(WAVELENGTHS_NM[i]!))).toBeLessThan(0.006));
      }
    }
  });

  test("spectra in columns under their names, decimal commas too", () => {
    const lines = WAVELENGTHS_NM.map((nm) => `${nm};0,${nm};0,5`);
    const { colours } = readMeasuredColours(["nm;neat;pale", ...lines].join("\n"));
    expect(colours.map(({ name }) => name)).toEqual(["neat", "pale"]);
    expect(colours[0]!.reflectance![0]).toBeCloseTo(0.38, 6);
    expect(colours[1]!.reflectance![20]).toBeCloseTo(0.5, 6);
  });

  test("Lab columns", () => {
    expect(readMeasuredColours("swatch,L*,a*,b*\nneat,30.5,-2,11\n").colours).toEqual([
      { name: "neat", lab: { L: 30.5, a: -2, b: 11 } },
    ]);
  });

  test.each([
    ["nothing of use", "name,price\nneat,3\n", { code: "no colours named" }],
    [
      "half a spectrum",
      `name,${[400, 420, 440, 460, 480, 500].join(",")}\nneat,0.1,0.1,0.1,0.1,0.1,0.1\n`,
      { code: "spectrum too short", fromNm: 400, toNm: 700 },
    ],
    ["a gap", "name,400,420,500,520,700\nneat,0.1,0.1,0.1,0.1,0.1\n", { code: "spectrum too coarse", coarsestNm: 20 }],
    ["a missing value", "name,400,420,440\nneat,0.1,,0.1\n", { code: "value missing" }],
    ["no Lab number", "name,L,a,b\nneat,3o,1,2\n", { code: "lab is no number", in: "line", at: 2 }],
  ])("%s is told", (_, text, problem) => {
    expect(problemOf(() => readMeasuredColours(text))).toEqual(problem);
  });
});

describe("spectra and whites", () => {
  test("D50's tables have its published white (ICC: X 0.96422, Z 0.82521)", () => {
    const [X, , Z] = tripleOf(WEIGHTS_D50.map((weights) => weights.reduce((sum, w) => sum + w, 0)));
    expect(Math.abs(X - WHITE_D50.X)).toBeLessThan(0.001);
    expect(Math.abs(Z - WHITE_D50.Z)).toBeLessThan(0.001);
  });

  test("wavelengths by any of their usual names", () => {
    for (const name of ["SPEC_450", "nm450", "NM_450", "R_450nm", "SPECTRAL_NM_450", "450", "450 nm", "Spectral_450"])
      expect(wavelengthIn(name)).toBe(450);
    for (const name of ["LAB_L", "45", "1500", "R_45", "sample 450"]) expect(wavelengthIn(name)).toBeNaN();
  });

  test("a straight line stays one when it is drawn at other wavelengths, its ends held", () => {
    const out = resample(
      [400, 413, 431, 450, 470, 489, 508, 527, 546, 560, 580, 600, 619, 638, 655, 675, 695, 700],
      [400, 413, 431, 450, 470, 489, 508, 527, 546, 560, 580, 600, 619, 638, 655, 675, 695, 700].map((nm) => nm / 1000),
    );
    spectrumOf((nm) => Math.min(0.7, Math.max(0.4, nm / 1000))).forEach((r, i) => expect(out[i]).toBeCloseTo(r, 12));
  });

  test("Lab under D50 goes to D65 and back as culori has it (Bradford)", () => {
    const [toLab65, toLab50] = [converter("lab65"), converter("lab")];
    for (const [l, a, b] of [
      [50, 30, -40],
      [80, -20, 60],
      [25, 5, 5],
      [92, 0, 0],
    ] as const) {
      const theirs = toLab65({ mode: "lab", l, a, b });
      const ours = labUnderD65({ L: l, a, b }, "D50");
      expect(deltaE00(ours, { L: theirs.l, a: theirs.a, b: theirs.b })).toBeLessThan(0.05);
      const back = labUnderD50(ours);
      expect(Math.hypot(back.L - l, back.a - a, back.b - b)).toBeLessThan(1e-6);
      expect(toLab50(theirs).l).toBeCloseTo(l, 4);
    }
  });
});
